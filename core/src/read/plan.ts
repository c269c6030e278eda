import { formatSchema } from '../clock/index.ts';
import { slugOf } from '../record/index.ts';
import { AS_WRITTEN, type Block, type KindId, MOST_NOTES, type Plan } from '../session/index.ts';
import type { ReadBlock, ReadSession } from './reading.ts';
import type { Who } from './who.ts';

/** The blocks of a session document. */
export const blocksOf = (read: ReadSession): Block[] =>
  read.blocks.map((block, i) => ({
    id: `block-${i + 1}`,
    ...(block.role === 'circuit' ? {} : { role: block.role }),
    ...(block.name ? { name: block.name } : {}),
    format: block.format,
    stations: [...block.stations],
    ...(block.resting ? { resting: block.resting } : {}),
    ...(block.after ? { after: block.after } : {}),
  }));

/** What is kept beside the stations: lines that are notes, and what wasn't read. */
export const notesOf = (read: ReadSession): string =>
  [...read.notes, ...read.unread.map((piece) => `Not read: ${piece}.`)].join('\n').slice(0, MOST_NOTES);

/** Numbers that were assumed and then said: by the block's first station, as typed, and the field. */
export type Numbers = Readonly<Record<string, Readonly<Record<string, number>>>>;

/** A reading with numbers that were given to it afterwards; a number that makes no format changes nothing. Pure. */
export function withNumbers(read: ReadSession, numbers: Numbers): ReadSession {
  const blocks = read.blocks.map((block) => {
    const said = Object.entries(numbers[keyOfBlock(block)] ?? {}).filter(([field]) => field in block.format);
    if (said.length === 0) return block;
    const format = formatSchema.safeParse({ ...block.format, ...Object.fromEntries(said) });
    return format.success ? { ...block, format: format.data } : block;
  });
  return { ...read, blocks };
}
/** What a block goes by while it is being typed: another text's blocks are others. */
export const keyOfBlock = ({ stations }: ReadBlock): string => stations[0]?.typed ?? '';

/** Whom the clock is for: the first kind of people, careful ones first, that at least half of them are. */
export function clockFor(who: Who | null): KindId {
  const half = (is: (part: Who['parts'][number]) => boolean) =>
    who?.parts.some(is) && who.parts.filter(is).reduce((sum, part) => sum + part.count, 0) * 2 >= who.total;
  if (half((part) => part.conditions.some(({ id }) => id === 'child'))) return 'children';
  if (half((part) => part.kind === 'child or teenager')) return 'teenagers';
  if (half((part) => part.kind === 'older adult')) return 'older';
  if (half((part) => part.level === 0)) return 'beginners';
  if (half((part) => part.level === 3)) return 'fit';
  return 'adults';
}

/** A session document out of what was read; null where nothing in it is a station. */
export function planOf(
  read: ReadSession,
  more: Partial<Pick<Plan, 'id' | 'room' | 'forWhom'>> = {},
): Plan | null {
  const blocks = blocksOf(read);
  if (blocks.length === 0) return null;
  const title = read.title ?? 'New session';
  const notes = notesOf(read);
  return {
    version: 2,
    id: more.id ?? slugOf(title, 40, 'circuit'),
    title,
    writtenFor: 2,
    forWhom: more.forWhom ?? 'adults',
    blocks,
    person: null,
    room: more.room ?? null,
    dials: AS_WRITTEN,
    ...(read.aim ? { aim: read.aim } : {}),
    ...(notes ? { notes } : {}),
  };
}
