import { mkdirSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { LibraryError } from '@inner-rung/core/ladder';
import { compileFolder } from './library-files.ts';

// The library checked and made into one file, when the product is built.
const folder = process.argv[2]!;
const to = join(folder, 'dist/library.bin');
try {
  const file = compileFolder(folder);
  mkdirSync(dirname(to), { recursive: true });
  writeFileSync(to, file);
} catch (error) {
  if (!(error instanceof LibraryError)) throw error;
  process.stderr.write(`The movement library has faults:\n${error.message}\n`);
  process.exitCode = 1;
}
