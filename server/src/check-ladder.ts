import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { basename, join, resolve } from 'node:path';
import { pictureOf, shownFor } from '@inner-rung/core/figure';
import {
  checkLadder,
  difficultyOf,
  type Ladder,
  type Library,
  LibraryError,
  type LibraryFile,
  openLibrary,
  rungDemand,
} from '@inner-rung/core/ladder';
import { limitsLeave } from '@inner-rung/core/limits';
import { findingsOf, siblingFindings } from '@inner-rung/core/mechanics';
import { DEMANDS, demandOf } from '@inner-rung/core/move';
import { CONDITION_IDS, compileCondition, conditionOf } from '@inner-rung/core/person';
import { isLibraryFile } from './library-files.ts';

/**
 * npm run check-ladder FILE [PICTURE.svg]: a ladder's file looked at as the product would, within the library that ships.
 * Says every fault by move and field, then what is odd in its ladder, how hard each rung is and which conditions open it,
 * draws it where a picture is asked for, and ends with 1 where there is a fault.
 */
function main(folder: string, path: string | undefined, picture: string | undefined): number {
  const say = (line: string) => process.stdout.write(`${line}\n`);
  if (!path) {
    say(
      'Which file? npm run check-ladder library/ladders/squat/squat.json, and a picture where one is wanted: squat.svg',
    );
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
    const { ladder, moves = [] } = mine.json as {
      ladder?: { id?: string };
      moves?: { id?: string; like?: string }[];
    };
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
      ...moves.flatMap(({ id, like }) => oddOf(library, id ?? '', like)),
    ];
    for (const line of said) say(line);
    if (here) {
      for (const line of [...curveOf(library, here), ...openTo(library, here)]) say(line);
      if (picture) {
        writeFileSync(picture, pictureOf(library, here.name, here.rungs));
        say(`drawn: ${picture}`);
      }
    }
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
function oddOf(library: Library, id: string, like: string | undefined): string[] {
  const move = library.move(id);
  const demand = library.demand.get(id);
  if (!move || !demand) return [];
  const usual = move.surface ? { surfaceCm: move.surface.usualCm } : {};
  const shown = shownFor(library, { move: id, settings: usual });
  const at = demandOf(move, demand, usual);
  const own = shown && !shown.like ? shown.figure : null;
  const other = like ? library.move(like) : undefined;
  const otherDemand = like ? library.demand.get(like) : undefined;
  return [
    ...(own ? [] : [`${move.name}: no drawing of its own, so that nothing is held against it`]),
    ...findingsOf(move, at, own).map(({ what, says }) => `${move.name}, ${what}: ${says}`),
    ...(other && otherDemand
      ? siblingFindings({ move, demand }, { move: other, demand: otherDemand }).map(({ says }) => says)
      : []),
    ...edgesOf(library, id),
  ];
}

/** Figures that sit exactly on a condition's cap: open by a hair, which somebody has to decide. */
function edgesOf(library: Library, id: string): string[] {
  const demand = library.demand.get(id)!;
  const on = new Map<string, string[]>();
  for (const { name, limits } of CONDITION_IDS.map(conditionOf))
    for (const limit of limits) {
      if (limit.kind !== 'cap' || limit.max === 0 || DEMANDS[limit.on].unit.startsWith('level')) continue;
      const { says, unit } = DEMANDS[limit.on];
      const edge = `${says} is ${limit.max} ${unit}, the most that is open`;
      if (demand[limit.on].hi === limit.max && /[°%s]|cm/.test(unit))
        on.set(edge, [...(on.get(edge) ?? []), name]);
    }
  return [...on].map(
    ([edge, names]) => `${library.move(id)!.name}: ${edge} with ${names.join(', ').toLowerCase()}`,
  );
}

/** A rung's points as a bar. */
const POINTS_A_SIGN = 4;
const curveOf = (library: Library, { rungs }: Ladder): string[] => [
  '',
  'How hard, in points (25 anybody new, 100 somebody fit):',
  ...rungs.flatMap((rung, i) => {
    const demand = rungDemand(library, rung);
    if (!demand) return [];
    const { points, parts } = difficultyOf(demand);
    const bar = '█'.repeat(Math.max(1, Math.round(points / POINTS_A_SIGN)));
    return [
      `${String(i + 1).padStart(3)} ${bar} ${points.toFixed(0)} ${library.move(rung.move)!.name} (${parts[0]?.says ?? 'nothing'})`,
    ];
  }),
];

/** Which rungs each condition leaves open to somebody fit; conditions that open all of them together. */
function openTo(library: Library, { rungs }: Ladder): string[] {
  const all: string[] = [];
  const lines = CONDITION_IDS.flatMap((id) => {
    const { ladders } = limitsLeave(library, compileCondition(id));
    const state = rungs.map(({ move }) =>
      ladders.some(({ open }) => open.includes(move))
        ? 'open'
        : ladders.some(({ held }) => held.includes(move))
          ? 'held'
          : 'barred',
    );
    if (state.every((one) => one === 'open')) {
      all.push(conditionOf(id).name);
      return [];
    }
    const signs = state.map((one, i) =>
      one === 'open' ? String(i + 1) : one === 'held' ? `(${i + 1})` : '·',
    );
    const why = ladders.flatMap(({ barred }) =>
      barred.flatMap(({ says, moves }) => (rungs.some(({ move }) => moves.includes(move)) ? [says] : [])),
    );
    return [
      `  ${conditionOf(id).name}: ${signs.join(' ')}${why.length > 0 ? ` (${[...new Set(why)].join('; ')})` : ''}`,
    ];
  });
  return [
    '',
    'Open to somebody fit with one of these alone: a number is a rung, in brackets holding on, a dot is barred:',
    ...lines,
    `  Every rung: ${all.join(', ') || 'none'}`,
    '',
  ];
}

process.exitCode = main(resolve(process.argv[2]!), process.argv[3], process.argv[4]);
