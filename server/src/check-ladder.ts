import { readdirSync, readFileSync } from 'node:fs';
import { basename, join, resolve } from 'node:path';
import { shownFor } from '@inner-rung/core/figure';
import {
  checkLadder,
  type Library,
  LibraryError,
  type LibraryFile,
  openLibrary,
} from '@inner-rung/core/ladder';
import { findingsOf } from '@inner-rung/core/mechanics';
import { demandOf } from '@inner-rung/core/move';
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
    const said = [
      ...findings.map(({ severity, says }) => `${severity}: ${says}`),
      ...moves.flatMap(({ id }) => oddOf(library, id ?? '')),
    ];
    for (const line of said) say(line);
    say(
      `${mine.name}: it opens, ${moves.length} ${moves.length === 1 ? 'move' : 'moves'} of its own; ${said.length === 0 ? 'nothing odd' : `${said.length} to look at`}.`,
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

/** Where a move's drawing, its loads and its own words disagree with its figures. */
function oddOf(library: Library, id: string): string[] {
  const move = library.move(id);
  const demand = library.demand.get(id);
  if (!move || !demand) return [];
  const usual = move.surface ? { surfaceCm: move.surface.usualCm } : {};
  const shown = shownFor(library, { move: id, settings: usual });
  const at = demandOf(move, demand, usual);
  const own = shown && !shown.like ? shown.figure : null;
  return [
    ...(own ? [] : [`${move.name}: no drawing of its own, so that nothing is held against it`]),
    ...findingsOf(move, at, own).map(({ what, says }) => `${move.name}, ${what}: ${says}`),
  ];
}

process.exitCode = main(resolve(process.argv[2]!), process.argv[3]);
