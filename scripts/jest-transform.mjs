// TypeScript for Jest. A module of a test runs in a context of its own, where every look at a global goes through it:
// `Math.min` in a loop costs ten times what it adds up. What is computed with is therefore named once, at the head of
// each module, on the line that is there already, so that lines stay what they are.
import { createHash } from 'node:crypto';
import swc from '@swc/jest';

const NAMED = [
  'Math',
  'Number',
  'Object',
  'Array',
  'Map',
  'Set',
  'JSON',
  'String',
  'Float64Array',
  'Int32Array',
  'Int16Array',
  'Uint8Array',
  'Boolean',
];
const head = NAMED.map((name) => `const ${name} = globalThis.${name};`).join('');

export function createTransformer(options) {
  const made = swc.createTransformer(options);
  return {
    ...made,
    process(...input) {
      const result = made.process(...input);
      return { ...result, code: head + result.code };
    },
    getCacheKey: (...input) =>
      createHash('sha1')
        .update(made.getCacheKey(...input) + head)
        .digest('hex'),
  };
}

export default { createTransformer };
