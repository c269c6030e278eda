import { GROUP_EXAMPLE, type Group, type GroupPart, OLDEST, usualLevel, YOUNGEST } from '../person/index.ts';
import type { Who, WhoPart } from './who.ts';

/** As much as a part of a group keeps of what isn't understood. */
const MOST_UNREAD = 10;
const LONGEST_WORDS = 200;

const NOTHING_SAID: WhoPart = {
  count: 0,
  conditions: [],
  level: null,
  kind: null,
  sex: null,
  ages: null,
  name: null,
  says: '',
  unread: [],
};

const agedWords = ([from, to]: readonly [number, number]): string =>
  from === to
    ? `${from}`
    : to >= OLDEST
      ? `over ${from}`
      : from <= YOUNGEST
        ? `under ${to + 1}`
        : `${from} to ${to}`;

const partOf = (part: WhoPart, id: string, year: number): GroupPart => {
  const aged = part.ages ? { aged: agedWords(part.ages) } : {};
  const kind = part.kind ? { kind: part.kind } : {};
  return {
    id,
    count: part.count,
    conditions: part.conditions.map(({ id: condition, side }) => ({ id: condition, side: side ?? 'both' })),
    level: part.level ?? usualLevel({ ...kind, ...aged }),
    ...(part.ages ? { born: [year - part.ages[1], year - part.ages[0]] as [number, number] } : {}),
    ...aged,
    ...kind,
    ...(part.sex ? { sex: part.sex } : {}),
    ...(part.name ? { name: part.name.slice(0, 80) } : {}),
    ...(part.unread.length > 0
      ? { unread: part.unread.slice(0, MOST_UNREAD).map((piece) => piece.slice(0, LONGEST_WORDS)) }
      : {}),
  };
};

/** How many nothing more is known of. */
const othersIn = (who: Who): number => who.total - who.parts.reduce((sum, part) => sum + part.count, 0);

/**
 * Who is here, as a group; `on` is a day (YYYY-MM-DD). What isn't understood and of whom isn't known may be of anybody:
 * it stands with all of them, so that nobody is taken to be fitter than was said.
 */
export function groupOf(who: Who, id: string, on: string): Group {
  const year = Number(on.slice(0, 4));
  const [only] = who.parts;
  const others: WhoPart = { ...NOTHING_SAID, count: othersIn(who) };
  const parts = [
    ...(others.count > 0 ? [partOf(others, 'others', year)] : []),
    ...who.parts.map((part, i) => partOf(part, `some-${i + 1}`, year)),
  ];
  const unread = who.unread.map((piece) => piece.slice(0, LONGEST_WORDS));
  return {
    ...GROUP_EXAMPLE,
    id,
    name: who.total === 1 && only?.name ? only.name : `Class of ${who.total}`,
    parts:
      unread.length === 0
        ? parts
        : parts.map((part) => ({
            ...part,
            unread: [...(part.unread ?? []), ...unread].slice(0, MOST_UNREAD),
          })),
  };
}
