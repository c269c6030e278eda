import type { Group, GroupPart } from '../person/index.ts';
import { OLDEST, type Who, type WhoPart, YOUNGEST } from './who.ts';

/** What somebody of whom nothing was said is taken to be. Common practice. */
const USUAL_LEVEL = 1;

const agedWords = ([from, to]: readonly [number, number]): string =>
  from === to
    ? `${from}`
    : to >= OLDEST
      ? `over ${from}`
      : from <= YOUNGEST
        ? `under ${to + 1}`
        : `${from} to ${to}`;

const partOf = (part: WhoPart, id: string, year: number): GroupPart => ({
  id,
  count: part.count,
  conditions: part.conditions.map(({ id: condition, side }) => ({ id: condition, side: side ?? 'both' })),
  level: part.level ?? USUAL_LEVEL,
  ...(part.ages
    ? { born: [year - part.ages[1], year - part.ages[0]] as [number, number], aged: agedWords(part.ages) }
    : {}),
  ...(part.sex ? { sex: part.sex } : {}),
  ...(part.name ? { name: part.name.slice(0, 80) } : {}),
  ...(part.unread.length > 0 ? { unread: part.unread.slice(0, 10).map((piece) => piece.slice(0, 200)) } : {}),
});

/** How many nothing more is known of. */
const othersIn = (who: Who): number => who.total - who.parts.reduce((sum, part) => sum + part.count, 0);

/**
 * Who is here, as a group; `on` is a day (YYYY-MM-DD). What isn't understood and of whom isn't known is of all those
 * of whom nothing else is known, so that nobody is taken to be fitter than was said.
 */
export function groupOf(who: Who, id: string, on: string): Group {
  const year = Number(on.slice(0, 4));
  const others = othersIn(who);
  const unread = who.unread.map((piece) => piece.slice(0, 200)).slice(0, 10);
  const everybody = others === 0 && unread.length > 0;
  return {
    version: 2,
    id,
    name:
      who.parts.length === 1 && who.parts[0]!.name && who.total === 1
        ? who.parts[0]!.name
        : `Class of ${who.total}`,
    members: [],
    parts: [
      ...(others > 0
        ? [
            {
              id: 'others',
              count: others,
              conditions: [],
              level: USUAL_LEVEL as 1,
              ...(unread.length > 0 ? { unread } : {}),
            },
          ]
        : []),
      ...who.parts.map((part, i) =>
        partOf(everybody ? { ...part, unread: [...part.unread, ...unread] } : part, `some-${i + 1}`, year),
      ),
    ],
    changes: [],
    attendance: [],
    notes: '',
  };
}
