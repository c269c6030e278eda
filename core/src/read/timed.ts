import { saysClock } from './draft.ts';
import type { Fact } from './facts.ts';
import type { LineRead } from './line.ts';
import { STANDS } from './names.ts';

/** A row of a timetable: a part for as long as it has, or a word that nothing is done at. */
export function atItsTime(read: LineRead, lasts: number | null): LineRead {
  const idle = read.items.length === 0 && read.role === null && !saysClock(read.facts);
  const unknown = read.kind === 'station' && read.sure < 0.6;
  if (idle || unknown) {
    const text = read.text.replace(/:$/u, '');
    return { ...read, text, kind: 'note', items: [], facts: [], numbers: [], titled: false, listed: true };
  }
  const told = lasts === null || read.facts.some((fact) => fact.is === 'in all seconds');
  const calm = read.role === 'warm-up' || read.role === 'cool-down';
  const facts: Fact[] =
    told || (!calm && read.facts.length === 0) ? [] : [{ is: 'in all seconds', seconds: lasts }];
  const heading = read.kind === 'station' || read.kind === 'clock';
  return {
    ...read,
    kind: heading ? 'heading' : read.kind,
    role: read.role ?? (heading ? 'circuit' : null),
    facts: [...facts, ...read.facts],
  };
}

/** Longer than so many seconds nobody does one thing by a clock of minutes and seconds. Estimate. */
const LONGEST_TURN = 300;
const IDLE = /^\W*(?:rest|break|pause|recover|recovery|breather|water|drink)\W*$/iu;
const OVER = /^\W*(?:finish(?:ed)?|done|end|stop|the end|all done|repeat(?: all| again)?|again)\W*$/iu;
export const isCalm = ({ role }: LineRead): boolean => role === 'warm-up' || role === 'cool-down';
/** "0:00 march, 1:00 squats, 2:00 rest": rows at whose times a movement begins, or nothing is done. */
export const isTimeOfMoves = (read: LineRead, lasts: number | null): boolean =>
  OVER.test(read.text) ||
  ((lasts === null || lasts <= LONGEST_TURN) &&
    (IDLE.test(read.text) ||
      (read.items.length > 0 && read.role === null && (read.items[0]!.readings[0]?.sure ?? 0) >= STANDS)));
/** Such a row as a line of a list: how long it goes on is its own. */
export function forItsTime(read: LineRead, lasts: number | null): LineRead {
  const text = read.text.replace(/:$/u, '');
  const bare = { ...read, text, heading: null, label: null, titled: false, facts: [], numbers: [] };
  if (OVER.test(text)) return { ...bare, kind: 'note', items: [], listed: true };
  if (IDLE.test(text))
    return {
      ...bare,
      kind: 'break',
      items: [],
      facts: [{ is: 'break', seconds: lasts ?? 0 }],
      listed: false,
    };
  const seconds: Fact[] = lasts === null ? [] : [{ is: 'seconds', seconds: lasts }];
  const items = read.items.map((item) => ({ ...item, facts: [...item.facts, ...seconds] }));
  return { ...bare, kind: 'station', items, listed: true, fresh: false };
}
