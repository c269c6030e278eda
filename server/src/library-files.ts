import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { LibraryError, type LibraryFile, openLibrary } from '@inner-rung/core/ladder';

/** Reads the library folder and checks all of it. Throws {@link LibraryError} naming file, move and field. */
export function readLibrary(folder: string): LibraryFile[] {
  const names = [
    'bases.json',
    ...readdirSync(join(folder, 'ladders'))
      .filter((name) => name.endsWith('.json'))
      .sort()
      .map((name) => `ladders/${name}`),
  ];
  const files = names.map((name) => {
    try {
      return { name, json: JSON.parse(readFileSync(join(folder, name), 'utf8')) as unknown };
    } catch (error) {
      throw new LibraryError([
        { file: name, where: 'the file itself', field: '(top)', message: (error as Error).message },
      ]);
    }
  });
  openLibrary(files);
  return files;
}
