import { readdirSync, readFileSync } from 'node:fs';
import { basename, join, resolve } from 'node:path';
import { checkLadder, LibraryError, type LibraryFile, openLibrary } from '@inner-rung/core/ladder';
import { isLibraryFile } from './library-files.ts';

/**
 * npm run check-ladder FILE: a ladder's file looked at as the product would, within the library that ships. Says every
 * fault by move and field, then what is odd in its ladder, and ends with 1 where there is a fault.
 */
function main(folder: string, path: string | undefined): number {
  const say = (line: string) => process.stdout.write(`${line}\n`);
  if (!path) {
    say('Which file? npm run check-ladder library/ladders/squat/squat.json');
    return 2;
  }
  const own = resolve(path);
  const read = (file: string): LibraryFile => {
    const name = file === own ? basename(file) : file.slice(folder.length + 1);
    try {
      return { name, json: JSON.parse(readFileSync(file, 'utf8')) as unknown };
    } catch (error) {
      throw new LibraryError([
        { file: name, where: 'the file itself', field: '(top)', message: (error as Error).message },
      ]);
    }
  };
  try {
    const mine = read(own);
    const { ladder, moves = [] } = mine.json as { ladder?: { id?: string }; moves?: { id?: string }[] };
    const others = readdirSync(folder, { recursive: true })
      .map((name) => String(name).replaceAll('\\', '/'))
      .filter(isLibraryFile)
      .map((name) => join(folder, name))
      .filter((file) => file !== own);
    const library = openLibrary([...others.map(read), mine]);
    const here = ladder?.id ? library.ladder(ladder.id) : undefined;
    const findings = here ? checkLadder(library, here) : [];
    for (const { severity, says } of findings) say(`${severity}: ${says}`);
    say(
      `${mine.name}: it opens, ${moves.length} ${moves.length === 1 ? 'move' : 'moves'} of its own; ${findings.length === 0 ? 'nothing odd' : `${findings.length} to look at`}.`,
    );
    return 0;
  } catch (error) {
    if (!(error instanceof LibraryError)) throw error;
    const mine = error.faults.filter((fault) => fault.file === basename(own));
    for (const { where, field, message } of mine.length > 0 ? mine : error.faults)
      say(`${where}, field "${field}": ${message}`);
    return 1;
  }
}

process.exitCode = main(resolve(process.argv[2]!), process.argv[3]);
