import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { encodeLibrary } from '@inner-rung/core/forms';
import { LibraryError, type LibraryFile, openLibrary } from '@inner-rung/core/ladder';

/** Files that the library is made of, by their place in its folder. */
export const isLibraryFile = (name: string): boolean =>
  /^(ladders\/[^/]+\/[^/]+|moves\/[^/]+|bases|shared|drawn)\.json$/.test(name);

/**
 * The library folder checked, all of it, and made into the one file that the server and the pages load. Throws
 * {@link LibraryError} naming file, move and field.
 */
export function compileFolder(folder: string): Uint8Array<ArrayBuffer> {
  const names = readdirSync(folder, { recursive: true })
    .map((name) => String(name).replaceAll('\\', '/'))
    .filter(isLibraryFile)
    .sort();
  const files = names.map((name): LibraryFile => {
    try {
      return { name, json: JSON.parse(readFileSync(join(folder, name), 'utf8')) as unknown };
    } catch (error) {
      throw new LibraryError([
        { file: name, where: 'the file itself', field: '(top)', message: (error as Error).message },
      ]);
    }
  });
  return encodeLibrary(openLibrary(files));
}

/** The file that was built; made on the spot where none was, as while developing. */
export function libraryFile(folder: string): Uint8Array<ArrayBuffer> {
  const built = join(folder, 'dist/library.bin');
  return existsSync(built) ? new Uint8Array(readFileSync(built)) : compileFolder(folder);
}
