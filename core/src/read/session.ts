import { MOST_BLOCKS, MOST_STATIONS } from '../session/index.ts';
import { blockOf } from './block.ts';
import { type Draft, type Row, saysClock } from './draft.ts';
import type { LineRead } from './line.ts';
import { lostNumbers } from './lost.ts';
import { namesOf, ownWords, STANDS, type Vocabulary } from './names.ts';
import type { ReadSession } from './reading.ts';
import { SessionDraft } from './session-draft.ts';
import { settled } from './settle.ts';
import { linesOf } from './text.ts';

/** "20 s sprint, 40 s walk x 10" with nothing listed below it: what its clock is called by is what is done. */
function doneByTheClock(blocks: readonly Draft[], lines: readonly LineRead[]): void {
  const isKnown = ({ parts }: Row) => (parts[0]!.readings[0]?.sure ?? 0) >= STANDS;
  if (blocks.some(({ rows, role }) => role === 'circuit' && rows.some(isKnown))) return;
  for (const block of blocks) {
    const line = block.heads.findLast(({ kind }) => kind === 'clock')?.line;
    const read = lines.find((one) => one.line === line && one.spare);
    if (!read?.spare) continue;
    block.facts = block.facts.filter(({ is }) => is !== 'interval');
    const done = read.spare.map((item) => ({
      read,
      // How often is of all of them.
      parts: [{ ...item, facts: item.facts.filter(({ is }) => is === 'seconds') }],
      tiers: [],
    }));
    block.rows = [...done, ...block.rows];
  }
}

/**
 * A session out of plain text, as it was written. What isn't understood becomes a station of its own name; what
 * nobody said is named as assumed. The same text always comes to the same session. Pure; bounded: lines and characters
 * past the most that is read are listed as unread, and no text makes it throw.
 *
 *     const read = readSession(library, '40/20 x 3\nSquats\nPress-ups');
 *     blocksOf(read); // blocks of a session, ready to be laid out
 *     read.unread; // what wasn't taken, and why
 */
export function readSession(
  library: Parameters<typeof namesOf>[0],
  text: string,
  vocabulary: Vocabulary = {},
): ReadSession {
  const names = namesOf(library);
  const own = ownWords(vocabulary);
  const read = linesOf(names, own, text);
  const { title, notes, blocks, loose, titleFacts } = new SessionDraft(names, own, read);
  const unread = [...read.unread];
  doneByTheClock(blocks, read.lines);
  const filled = settled(blocks, notes);
  const empty = filled.filter((block) => block.rows.length === 0);
  const all = filled.filter((block) => block.rows.length > 0);
  const kept = all.slice(0, MOST_BLOCKS);
  if (all.length > kept.length) unread.push(`${all.length - kept.length} parts more than ${MOST_BLOCKS}`);
  // A part that was named and has nothing in it is kept as it was written.
  for (const block of empty)
    if (block.role !== 'circuit')
      notes.push(...block.heads.map((head) => head.text).filter((note) => !notes.includes(note)));
  const first = kept.find((block) => block.role === 'circuit');
  if (first && titleFacts.length > 0 && !saysClock(first.facts)) first.facts.push(...titleFacts);
  const made = kept.map((block) => blockOf(names, block, block === kept.at(-1)));
  const [head, ...others] = made.map(({ block }) => block);
  unread.push(
    ...lostNumbers(
      read.lines,
      made.map(({ block }) => block),
      title,
    ),
  );
  const lost = made.reduce((sum, one) => sum + one.lost, 0);
  if (lost > 0) unread.push(`${lost} stations more than ${MOST_STATIONS} in a block`);
  const stray = [...loose, ...empty.flatMap((block) => block.heads)];
  const aims = read.aimed.flatMap(({ facts }) =>
    facts.flatMap((fact) => (fact.is === 'aim' ? [fact.aim] : [])),
  );
  return {
    title,
    blocks: head
      ? [{ ...head, lines: [...stray, ...head.lines].sort((a, b) => a.line - b.line) }, ...others]
      : [],
    aim: aims.at(-1) ?? null,
    notes,
    unread,
  };
}
