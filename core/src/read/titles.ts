import { CLOCK_GRAMMAR, type Fact } from './facts.ts';
import { factsIn } from './grammar.ts';
import type { LineRead } from './line.ts';
import { DAYS, greets, LEAST_SESSION, TITLE_WORDS } from './line-words.ts';
import { SURE } from './names.ts';
import { tokensOf } from './tokens.ts';

/** A name with a letter or two otherwise is no surer than this. */
const TYPED_WRONG = 0.7;

const OF_TITLES = new Set<Fact['is']>([
  'interval',
  'rounds',
  'sets',
  'sets of',
  'round rest',
  'in all seconds',
  'reps',
  'work',
  'partner',
  'bouts each',
]);
const titleClock = (text: string): Fact[] =>
  factsIn(CLOCK_GRAMMAR, tokensOf(text)).flatMap(({ fact, from, to }) =>
    OF_TITLES.has(fact.is) && ((fact.is !== 'reps' && fact.is !== 'work') || to - from > 1) ? [fact] : [],
  );

const LABELLED = /^[^:]{1,30}:\s*\S/u;

/** Has it a count, a time or a distance? A number beyond any count is a name. */
const isDosed = (read: LineRead): boolean =>
  read.items.some(({ facts }) =>
    facts.some(
      (fact) => ['seconds', 'metres', 'sets of'].includes(fact.is) || (fact.is === 'reps' && fact.n <= 200),
    ),
  );

/** "Sun salutation x 5" is done so often; "Bootcamp x 3" is what it is called. */
const isCounted = (read: LineRead): boolean =>
  read.kind === 'station' &&
  read.items.length === 1 &&
  /\s[x×]\s?\d{1,3}\W*$/iu.test(read.text) &&
  wordsOf(read.text).every((word) => DAYS.has(word) || !TITLE_WORDS.has(word));

/** A title is a few words. */
const MOST_OF_TITLE = 6;
export const isShort = (text: string): boolean => text.trim().split(/\s+/u).length <= MOST_OF_TITLE;

/** What a part is called by its heading; "Circuit" alone is no name. */
export const nameOf = (heading: string): string | null => {
  const name = tidy(heading.replace(/[:(].*$|\s[-–—]\s.*$/, '')).slice(0, 60);
  return /^(?:the )?(?:main )?circuit$|^main$|^then$|^$/i.test(name) ? null : name;
};

/** Where the title ends: a line's words without what trails them. */
const tidy = (text: string) =>
  text
    .replace(/^[^\p{L}\p{N}]+|[\s:–—"”'».,-]+$/gu, '')
    .replace(/[^\p{L}\p{N}\p{P}\p{Zs}+]+/gu, '')
    .trim()
    .slice(0, 120);

const wordsOf = (text: string): string[] =>
  tokensOf(text).flatMap(({ kind, word }) => (kind === 'sign' ? [] : [word]));

/** A line among its neighbours. */
export interface Neighbours {
  /** Its place, and the line behind it. */
  readonly at: number;
  readonly next: LineRead | undefined;
  /** A row of a table is one of several, whatever stands in it. */
  readonly inTable: boolean;
}

/** How many of what a line names are known. */
const likelyIn = (read: LineRead): number =>
  read.items.filter((item) => (item.readings[0]?.sure ?? 0) >= 0.6).length;

/** Whether a line that could be a station names nothing that is known. */
export function namesNothing(read: LineRead, { at, next }: Neighbours): boolean {
  // Two movements that are known make no title, whatever else is in the line.
  // "Legs & Lungs" above a clock: what may only be a word typed wrong is what it is called.
  const called = at === 0 && next?.kind === 'clock' && !isDosed(read) ? TYPED_WRONG : 0.6;
  return read.kind === 'station' && read.sure < called && likelyIn(read) < 2 && read.label === null;
}

/** The first line that names nothing is the title. */
export function isTitle(read: LineRead, among: Neighbours): boolean {
  const { at, next, inTable } = among;
  return (
    at === 0 &&
    !inTable &&
    next !== undefined &&
    !/\bthen\W*$/i.test(read.text) &&
    !isCounted(read) &&
    // "Warm up jog and dynamic stretches 10 mins" is what it begins with.
    !/^\W*(?:warm|cool)[ -]?(?:ing )?(?:up|down)\b.*\d/iu.test(read.text) &&
    (!read.listed || read.titled) &&
    !read.facts.some((fact) => fact.is === 'level') &&
    ((namesNothing(read, among) &&
      (read.titled ||
        read.heading !== null ||
        next.kind === 'clock' ||
        next.kind === 'heading' ||
        (next.listed && !read.listed && read.sure < 0.4) ||
        // "The 300" over lines with counts.
        (read.sure < 0.4 && !read.listed && !isDosed(read) && isDosed(next)) ||
        next.fresh)) ||
      (read.kind === 'heading' && read.role === null && read.roundNumber === null) ||
      // "Workout 7" over a heading of its own.
      (read.kind === 'heading' &&
        read.role === 'circuit' &&
        read.titled &&
        read.facts.length + read.items.length === 0 &&
        (next.kind === 'heading' || next.kind === 'note')) ||
      // "HIIT pyramid": the kind of clock, and what it is called.
      (read.kind === 'clock' && read.titled && next.kind === 'clock' && /^\D+ \D+$/.test(read.text)) ||
      // "You need: a rope" is said of it, and what it is called has no colon.
      (read.kind === 'note' &&
        !LABELLED.test(read.text) &&
        !greets(wordsOf(read.text)) &&
        (next.kind === 'clock' || next.fresh || (read.titled && isShort(read.text)))) ||
      // In quotation marks it is what it is called.
      /^[“"'«].*[”"'»]$/u.test(read.text) ||
      // "Seated exercise - 30 mins": how long all of it takes.
      (read.kind === 'station' &&
        read.sure < SURE &&
        read.items.some((item) =>
          item.facts.some((fact) => fact.is === 'seconds' && fact.seconds >= LEAST_SESSION),
        )) ||
      // "A minute each" over a session in parts is what it is called.
      (read.kind === 'clock' && next.fresh && next.kind === 'heading' && !/\d/.test(read.text)))
  );
}

/** What a title is, and what it says of the clock: firmly, or only where nothing else says it. */
export function titleOf(
  read: LineRead,
  next: LineRead,
): { title: string | null; firm: Fact[]; weak: Fact[] } {
  // "Seated exercise - 30 mins": how long all of it takes is no more than its title.
  const [lasts] = read.facts;
  const lasting =
    read.facts.length === 1 &&
    (lasts!.is === 'work' || lasts!.is === 'in all seconds') &&
    lasts!.seconds >= LEAST_SESSION;
  const title = tidy((lasting ? null : read.heading) ?? read.text) || null;
  const named = lasting || (read.kind === 'clock' && next.kind !== 'clock' && !/\d/.test(read.text));
  const weak = named ? [] : read.facts.filter((fact) => fact.is === 'format');
  // What a title says of the clock besides: "band class, 10 reps each, 2 sets".
  const beside = read.kind === 'station' ? titleClock(read.text) : [];
  const firm = named ? [] : [...read.facts.filter((fact) => fact.is !== 'format'), ...beside];
  return { title, firm, weak };
}
