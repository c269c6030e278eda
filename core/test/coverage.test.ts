import { readFileSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { AVOID_IDS, difficultyOf, type Ladder, patternOf, rungDemand } from '../src/ladder/index.ts';
import { CAPABILITIES, CAPABILITY_IDS, type Move, PATTERNS, unsafeEnd } from '../src/move/index.ts';
import { shippedLibrary } from './shipped.ts';

const page = join(dirname(fileURLToPath(import.meta.url)), '../../docs/coverage.md');
const library = shippedLibrary();

const row = (cells: readonly (string | number)[]) => `| ${cells.join(' | ')} |`;
const table = (head: readonly string[], rows: readonly (readonly (string | number)[])[]) =>
  [row(head), row(head.map((_, i) => (i === 0 ? '---' : '--:'))), ...rows.map(row)].join('\n');
const blank = (count: number) => (count === 0 ? '·' : count);

const trunks = library.ladders.filter((l) => l.branchOf.length === 0);
const branches = library.ladders.filter((l) => l.branchOf.length > 0);
const placed = new Set(library.ladders.flatMap((l) => l.rungs.map((rung) => rung.move)));
const demand = (move: Move) => rungDemand(library, { move: move.id })!;
const needs = (move: Move) => new Set(move.needs.map((need) => need.what));
/** What a room always has, or nearly: a wall to lean on counts as a thing, the height of the ceiling doesn't. */
const free = (move: Move) => [...needs(move)].every((what) => what === 'head room');
const points = (ladder: Ladder, at: number) =>
  Math.round(difficultyOf(rungDemand(library, ladder.rungs.at(at)!)!).points);

const serving = (as: 'pulse' | 'mobility' | 'stretch') =>
  library.moves.filter((m) => m.serves?.as === as).length;

function byPattern(): string {
  return table(
    [
      'pattern',
      'moves',
      'ladders',
      'branches',
      'needs nothing',
      'seated',
      'off the floor',
      'easiest',
      'hardest',
    ],
    PATTERNS.map((pattern) => {
      const moves = library.moves.filter((m) => m.pattern === pattern);
      const own = trunks.filter((l) => patternOf(library, l) === pattern);
      const ends = (pick: (...n: number[]) => number) =>
        moves.length === 0 ? '' : Math.round(pick(...moves.map((m) => difficultyOf(demand(m)).points)));
      return [
        pattern,
        moves.length,
        blank(own.length),
        blank(branches.filter((b) => own.some((l) => b.branchOf.includes(l.id))).length),
        blank(moves.filter(free).length),
        blank(moves.filter((m) => m.posture.work === 'seated').length),
        blank(moves.filter((m) => unsafeEnd(demand(m)['posture.floor']) === 0).length),
        ends(Math.min),
        ends(Math.max),
      ];
    }),
  );
}

function byThing(): string {
  const used = CAPABILITY_IDS.filter((what) => library.moves.some((m) => needs(m).has(what)));
  return table(
    ['what it needs', ...PATTERNS],
    [
      [
        'nothing',
        ...PATTERNS.map((p) => blank(library.moves.filter((m) => m.pattern === p && free(m)).length)),
      ],
      ...used.map((what) => [
        CAPABILITIES[what],
        ...PATTERNS.map((p) =>
          blank(library.moves.filter((m) => m.pattern === p && needs(m).has(what)).length),
        ),
      ]),
    ],
  );
}

function byLadder(): string {
  const kinds = AVOID_IDS.filter((avoid) => branches.some((b) => b.avoids === avoid));
  const rows = PATTERNS.flatMap((pattern) =>
    trunks
      .filter((l) => patternOf(library, l) === pattern)
      .map((trunk) => [
        `${trunk.name} (${pattern})`,
        trunk.rungs.length,
        `${points(trunk, 0)}–${points(trunk, -1)}`,
        ...kinds.map((avoid) => {
          const ways = branches.filter((b) => b.avoids === avoid && b.branchOf.includes(trunk.id));
          return ways.length > 0 ? ways.map((w) => w.rungs.length).join(', ') : '·';
        }),
        branches
          .filter((b) => !b.avoids && b.branchOf.includes(trunk.id))
          .map((b) => b.rungs.length)
          .join(', ') || '·',
      ]),
  );
  return table(['ladder', 'rungs', 'points', ...kinds.map((k) => `without ${k}`), 'other ways'], rows);
}

function written(): string {
  return `# What the library covers

Written by \`UPDATE_DOCS=1 npx jest coverage\` from the library itself; a test fails when the two differ.

Of ${library.moves.length} moves ${placed.size} stand on ${trunks.length} ladders with ${branches.length} branches, the others by themselves.
${serving('pulse')} moves raise the pulse, ${serving('mobility')} loosen joints, ${serving('stretch')} stretch.
Points are the common scale of difficulty: about 13 for anybody in a chair, 100 for what taxes a fit sixteen-year-old.

## Patterns

${byPattern()}

## Patterns by what a form needs

A move that needs two things counts under both.

${byThing()}

## Ladders and their branches

Rungs of each branch, by what it avoids at every rung. A dot: the ladder doesn't ask for it, or nothing needs
it there (the check of a missing branch says where one is due).

${byLadder()}
`;
}

test('the page of coverage says what the library holds', () => {
  const text = written();
  if (process.env['UPDATE_DOCS']) writeFileSync(page, text);
  expect(readFileSync(page, 'utf8')).toBe(text);
});
