import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { DEMANDS, type DemandKey } from '@inner-rung/core/move';
import { CONDITION_IDS, conditionOf } from '@inner-rung/core/person';
import { shippedLibrary } from './shipped.ts';

const library = shippedLibrary();
const path = join(dirname(fileURLToPath(import.meta.url)), '../../docs/edges.md');
/** Units of which a figure is measured rather than one of a few levels. */
const MEASURED = ['°', '% body mass', 's', 'cm', '0–100'];

interface Edge {
  readonly on: DemandKey;
  readonly max: number;
  readonly conditions: Set<string>;
}

/** Every measured cap of a condition, with whose it is. */
function edges(): Edge[] {
  const found = new Map<string, Edge>();
  for (const { name, limits } of CONDITION_IDS.map(conditionOf))
    for (const limit of limits) {
      if (limit.kind !== 'cap' || limit.max === 0 || !MEASURED.includes(DEMANDS[limit.on].unit)) continue;
      const key = `${limit.on} ${limit.max}`;
      const edge = found.get(key) ?? { on: limit.on, max: limit.max, conditions: new Set() };
      edge.conditions.add(name);
      found.set(key, edge);
    }
  return [...found.values()].sort((a, b) => (a.on < b.on ? -1 : a.on > b.on ? 1 : a.max - b.max));
}

const on = ({ on: key, max }: Edge): string[] =>
  library.moves.filter((move) => library.demand.get(move.id)![key].hi === max).map(({ name }) => name);

/**
 * A figure that sits exactly on a cap is open by a hair: an author's rounding decides about a person. Nobody can say by
 * rule which side it belongs on, so that they are listed for somebody to read.
 */
test('docs/edges.md lists every figure that sits exactly on a condition’s cap', () => {
  const page = `# Figures on the edge of a limit

Written by \`UPDATE_DOCS=1 npx jest core/test/edges\`. Each of these moves is open to these conditions with nothing to spare: a degree more and it
wouldn't be. To be read by somebody who knows both.
${edges()
  .filter((edge) => on(edge).length > 0)
  .map(
    (edge) => `
## ${DEMANDS[edge.on].says}, at most ${edge.max} ${DEMANDS[edge.on].unit}

Asked by: ${[...edge.conditions].join(', ')}.

${on(edge).join(', ')}.
`,
  )
  .join('')}`;
  const words = (text: string) => text.replace(/\s+/g, ' ').trim();
  if (process.env['UPDATE_DOCS'] || !existsSync(path)) writeFileSync(path, page);
  expect(words(readFileSync(path, 'utf8'))).toBe(words(page));
});
