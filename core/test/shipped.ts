import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { type Library, openLibrary } from '@inner-rung/core/ladder';

const folder = join(process.cwd(), 'library');

/** The library's files as they ship. */
export function shippedFiles() {
  const names = readdirSync(folder, { recursive: true })
    .map(String)
    .filter((name) => /^(ladders\/[^/]+\/[^/]+|moves\/[^/]+|bases|shared|drawn)\.json$/.test(name))
    .sort();
  return names.map((name) => ({ name, json: JSON.parse(readFileSync(join(folder, name), 'utf8')) }));
}

let opened: Library | undefined;
export function shippedLibrary(): Library {
  opened ??= openLibrary(shippedFiles());
  return opened;
}
