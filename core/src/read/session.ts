import { MOST_BLOCKS, MOST_STATIONS, type Station } from '../session/index.ts';
import { aimSaid } from './aim.ts';
import { formatOf } from './clock-said.ts';
import { clamp, type Draft, draft, lineOf, restsBetween, saysClock } from './draft.ts';
import { CLOCK_GRAMMAR, type Fact } from './facts.ts';
import { factsIn } from './grammar.ts';
import { apart, itemsOf } from './items.ts';
import { levelsAbreast } from './levels.ts';
import type { Item, LineRead } from './line.ts';
import { LEAST_SESSION, TIERS } from './line-words.ts';
import { readLine } from './lines.ts';
import { lostNumbers } from './lost.ts';
import {
  type Names,
  namesOf,
  ownWords,
  type Reading,
  readName,
  STANDS,
  SURE,
  type Vocabulary,
} from './names.ts';
import type { ReadBlock, ReadLine, ReadSession } from './reading.ts';
import {
  listedInline,
  sentencesOf,
  tableLines,
  withIntervals,
  withoutBoxes,
  withoutNumbers,
} from './rows.ts';
import { settled } from './settle.ts';
import { stationOf } from './station.ts';
import { atItsTime, forItsTime, isTimeOfMoves } from './timed.ts';
import { timetable } from './timetable.ts';
import { singular, tokensOf } from './tokens.ts';

/** As much as is read: no session is longer, and a pasted page of anything stays quick. */
const MOST_LINES = 400;
const MOST_CHARACTERS = 40_000;

/** All of it is done more than once. */
const goesRound = (facts: readonly Fact[]) =>
  facts.some(
    (fact) =>
      ((fact.is === 'rounds' || fact.is === 'times') && fact.n > 1) ||
      (fact.is === 'format' && fact.kind === 'superset' && (fact.n ?? 1) > 1),
  );
const inSets = (facts: readonly Fact[]) =>
  facts.some((fact) => (fact.is === 'sets' && fact.n > 1) || (fact.is === 'sets of' && fact.sets > 1));
const clashes = (a: readonly Fact[], b: readonly Fact[]) => {
  const kinds = (facts: readonly Fact[]) =>
    new Set(
      facts.map((fact) =>
        fact.is === 'interval' || fact.is === 'work' || fact.is === 'format' || fact.is === 'steps'
          ? 'clock'
          : fact.is,
      ),
    );
  const before = kinds(a);
  return [...kinds(b)].some((kind) => kind === 'clock' && before.has(kind));
};

/** One of several of a kind: rounds with moves of their own, "Tabata 1" and "Tabata 2". */
const isSibling = (a: Draft, b: Draft): boolean => {
  const kind = (name: string | null) => /^(.+?)\s*(?:\d+|[a-e])$/i.exec(name ?? '')?.[1]?.toLowerCase();
  return (a.round && b.round) || (kind(a.name) !== undefined && kind(a.name) === kind(b.name));
};

const saysLength = (facts: readonly Fact[]): boolean =>
  saysClock(facts) || facts.some((fact) => fact.is === 'in all seconds');

/** So long a rest, in seconds, is rather between two parts than between their rounds. Estimate. */
const PARTS_REST = 90;
/** A long rest under a list with bullets, without one and above another part's heading: it parts the two. */
const liesApart = (rest: LineRead, next: LineRead | undefined, above: Draft): boolean =>
  next?.kind === 'heading' &&
  rest.facts.some((fact) => 'seconds' in fact && (fact.seconds ?? 0) >= PARTS_REST) &&
  !rest.listed &&
  above.rows.length > 0 &&
  above.rows.every((row) => row.read.listed);

const REPEATS = /\b(?:repeat|as|same as|like|again as)\b\D{0,12}\b(?:round|block|circuit)\s*(\d)\b/iu;
const SAME_AGAIN = /:\s*(?:the )?(?:same(?: again)?|as before|repeat)\W*$/iu;
/** Which of the rounds before is done again, where a round says so. */
function repeatedIn(read: LineRead, blocks: readonly Draft[]): Draft | undefined {
  const rounds = blocks.filter((block) => block.round && block.rows.length > 0);
  const nth = REPEATS.exec(read.text)?.[1];
  if (read.roundNumber === null) return undefined;
  return nth ? rounds[Number(nth) - 1] : SAME_AGAIN.test(read.text) ? rounds.at(-1) : undefined;
}

/** Has it a count, a time or a distance? A number beyond any count is a name. */
const isDosed = (read: LineRead): boolean =>
  read.items.some(({ facts }) =>
    facts.some(
      (fact) => ['seconds', 'metres', 'sets of'].includes(fact.is) || (fact.is === 'reps' && fact.n <= 200),
    ),
  );

/** Titles of classes in which nobody stands. */
const SEATED =
  /\b(?:seated|sitting|wheelchair|chair[- ](?:based|yoga|class|exercises?|fitness|workout|aerobics)|armchair)\b/i;
const ALL_SEATED = /\b(?:all|everything|everyone|everybody)\b.{0,20}\b(?:seated|sitting)\b/i;
const ON_FEET = /\b(?:stand|standing|sit to stand|seated|sitting|chair|step|walk|squat|lunge|supported)/i;
/** Which way it goes: what is raised to the front is no raise to the side. */
const WAYS = /\b(?:front|side|back|forward|backward|overhead)/giu;
const otherWay = (said: string, name: string): boolean => {
  const [one, other] = [said, name].map((text) => new Set(text.toLowerCase().match(WAYS) ?? []));
  return one!.size > 0 && other!.size > 0 && ![...one!].some((way) => other!.has(way));
};
/** Called so, or nearly. */
const NAMED = 0.9;
/** A name with a letter or two otherwise is no surer than this. */
const TYPED_WRONG = 0.7;
/** As sure as what may be meant and isn't taken for it. */
const UNSURE = 0.3;

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
/** Nobody does more things in one go. */
const MOST_IN_ONE = 4;
/** So many lines with one movement each are a list of stations. */
const LINES_OF_ONE = 2;
/** A title is a few words. */
const MOST_OF_TITLE = 6;
const isShort = (text: string): boolean => text.trim().split(/\s+/u).length <= MOST_OF_TITLE;

const AS_BEFORE =
  /\b(?:same (?:timing|times?|clock|format|again|as)|as (?:above|before)|repeat (?:timing|format))/i;
/** How many sets and what lies between them, as a line of its own. */
const closes = (read: LineRead): boolean =>
  read.kind === 'clock' &&
  read.facts.some((fact) => fact.is === 'sets' || fact.is === 'rounds') &&
  read.facts.some((fact) => fact.is === 'round rest' || fact.is === 'rest');

/** What a part is called by its heading; "Circuit" alone is no name. */
const nameOf = (heading: string): string | null => {
  const name = tidy(heading.replace(/[:(].*$|\s[-–—]\s.*$/, '')).slice(0, 60);
  return /^(?:the )?(?:main )?circuit$|^main$|^$/i.test(name) ? null : name;
};

/** Where the title ends: a line's words without what trails them. */
const tidy = (text: string) =>
  text
    .replace(/^[^\p{L}\p{N}]+|[\s:–—"”'».,-]+$/gu, '')
    .replace(/[^\p{L}\p{N}\p{P}\p{Zs}+]+/gu, '')
    .trim()
    .slice(0, 120);

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
  const unread: string[] = [];
  const taken = text.slice(0, MOST_CHARACTERS);
  if (text.length > taken.length)
    unread.push(`everything after the first ${MOST_CHARACTERS.toLocaleString('en-GB')} characters`);
  const allRows = taken.split(/\r\n|\r|\n/);
  if (allRows.length > MOST_LINES) unread.push(`lines ${MOST_LINES + 1} to ${allRows.length}`);
  const written = allRows.slice(0, MOST_LINES).map((row) => withIntervals(withoutBoxes(row)));
  const times = timetable(written);
  const rows = tableLines(withoutNumbers(written.map((row, i) => times?.get(i)?.text ?? row)));
  const atTimes = new Map(
    [...(times ?? [])].map(([i]) => [i, readLine(names, i + 1, rows[i]!.text.trim(), true, own)]),
  );
  const ofMoves =
    times !== null && [...times].every(([i, { lasts }]) => isTimeOfMoves(atTimes.get(i)!, lasts));
  const lines: LineRead[] = [];
  let fresh = true;
  rows.forEach(({ text: row, table }, i) => {
    if (row.trim() === '') {
      if (!table) fresh = true;
      return;
    }
    const timed = times?.get(i);
    if (timed) {
      const read = atTimes.get(i)!;
      lines.push(ofMoves ? forItsTime(read, timed.lasts) : atItsTime(read, timed.lasts));
      fresh = false;
      return;
    }
    const sentences = sentencesOf(listedInline(row));
    // "How hard: 8/10" is one thing said, however it would be parted.
    const said = sentences.length > 1 && aimSaid(tokensOf(row)) ? [row.trim()] : sentences;
    said.forEach((sentence, k) => {
      const read = readLine(names, i + 1, sentence, fresh && k === 0, own, table);
      lines.push(read);
      fresh = false;
    });
  });
  // How hard it is meant to feel is of all of it wherever it stands: no title, and no line between two others.
  const aimed = lines.filter((read) => read.facts.some((fact) => fact.is === 'aim'));
  const reads = levelsAbreast(lines.filter((read) => !aimed.includes(read)));
  let title: string | null = null;
  const notes: string[] = [];
  const blocks: Draft[] = [];
  const loose: ReadLine[] = aimed.map((read) => lineOf(read));
  const current = () => {
    if (blocks.length === 0) blocks.push(draft('circuit'));
    return blocks.at(-1)!;
  };
  let shared: Fact[] = [];
  let titleFacts: Fact[] = [];
  const addRow = (read: LineRead, parts: readonly Item[]) => {
    const [first] = parts;
    const tiers = first!.tiers.map((said) => {
      // "(easier: on the wall, harder: feet raised)": which of the two it is.
      const [, label, behind] = /^(\p{L}+)\s*:\s*(.+)$/u.exec(said) ?? [];
      const is = (label && TIERS[singular(label.toLowerCase())]) || null;
      const way = is && behind ? behind : said;
      // "(knees / toes)" behind a name says how: the name with it, or a name of its own.
      const read = [
        readName(names, tokensOf(`${first!.text} ${way}`), own)[0],
        readName(names, tokensOf(way), own)[0],
      ];
      const best = read.reduce((a, b) => ((b?.sure ?? 0) > (a?.sure ?? 0) ? b : a));
      return { is, text: way, moves: best?.moves ?? [] };
    });
    current().rows.push({ read, parts, tiers });
  };
  /** "Hamstrings" in a cool-down is their stretch. */
  const stretchOf = (item: Item): Item => {
    if ((item.readings[0]?.sure ?? 0) >= SURE) return item;
    const readings = readName(names, tokensOf(`${item.text} stretch`), own);
    return (readings[0]?.sure ?? 0) > Math.max(STANDS, item.readings[0]?.sure ?? 0)
      ? { ...item, readings }
      : item;
  };
  let allSeated = false;
  /** Somebody who names what is done standing doesn't sit for all of it. */
  const standsToo = reads.some(({ text }) => /\bstanding\b/i.test(text));
  /**
   * In a seated class "overhead press" is the seated one, where there is one by that name; where all of it is
   * seated and there is none, what is done on the feet is not what was meant, and stays as it is taught.
   */
  const inSeat = (item: Item, read: LineRead): Item => {
    // A movement behind a heading's colon says nothing of the others.
    const heading = read.kind === 'heading' ? read.text.slice(0, read.items[0]?.from) : '';
    const called = `${title ?? ''} ${blocks.at(-1)?.name ?? ''} ${heading}`;
    const seated = allSeated || (SEATED.test(called) && !standsToo);
    if (!seated || ON_FEET.test(item.text)) return item;
    const [plain] = item.readings;
    const itsName = plain?.moves.length === 1 ? library.move(plain.moves[0]!)?.name : undefined;
    for (const text of [item.text, ...(itsName ? [itsName] : [])]) {
      const readings = readName(names, tokensOf(`seated ${text}`), own);
      const [best] = readings;
      const elsewhere = best !== undefined && otherWay(item.text, [...best.names, ...best.moves].join(' '));
      if (!elsewhere && ((best?.sure ?? 0) >= NAMED || ((best?.sure ?? 0) >= SURE && !onFeet(best))))
        return { ...item, readings };
    }
    return allSeated && onFeet(plain)
      ? { ...item, readings: item.readings.map((one) => ({ ...one, sure: Math.min(one.sure, UNSURE) })) }
      : item;
  };
  /** Is any of what it names done standing? */
  const onFeet = (reading: Reading | undefined): boolean =>
    reading?.moves.some((id) => library.move(id)?.base === 'standing') ?? false;
  /** "squat / row" where things go in pairs is a pair, and no two ways of one. */
  const abreast = (read: LineRead): readonly Item[] => {
    if (read.items.length !== 1 || read.items[0]!.tiers.length === 0 || !read.text.includes('/'))
      return read.items;
    const tokens = tokensOf(read.text);
    return itemsOf(names, read.text, apart(tokens, names, own), own);
  };
  /** "21-15-9 thrusters and pull-ups": what the counts are of, one after another. */
  const countedApart = (read: LineRead): readonly Item[] => {
    const [only] = read.items;
    if (read.items.length !== 1 || (only!.readings[0]?.moves.length ?? 0) < 2) return read.items;
    const tokens = tokensOf(read.text)
      .filter((token) => token.from >= only!.from && token.to <= only!.to)
      .map((token) => (['and', '&'].includes(token.word) ? { ...token, word: ',' } : token));
    const items = itemsOf(names, read.text, tokens, own);
    return items.length > 1 && items.every((item) => (item.readings[0]?.sure ?? 0) >= 0.6)
      ? items
      : read.items;
  };
  const linesOfOne = reads.filter(({ kind, items }) => kind === 'station' && items.length === 1).length;
  const addStations = (read: LineRead) => {
    if (current().rows.length === 0 && current().before.length === 0) current().before = [...current().facts];
    const climbing = [...current().facts, ...read.facts].some((fact) => fact.is === 'steps');
    const chained =
      !climbing &&
      read.items.length <= MOST_IN_ONE &&
      (read.place || /\brepeat\b\W*$|\b(?:[1-9]|10|one|two|three|four|five) of each\b/i.test(read.text));
    const emom = current().facts.some(
      (fact) => fact.is === 'per station' || (fact.is === 'format' && fact.kind === 'emom'),
    );
    // "2 squats and 2 jumping jacks" in a slot of forty seconds: counts that small only make sense one after the other.
    const timed = current().facts.some((fact) => fact.is === 'interval' || fact.is === 'work');
    const inASlot =
      timed &&
      !current().facts.some((fact) => fact.is === 'format') &&
      !read.text.includes(',') &&
      read.items.length > 1 &&
      read.items.every((item) => item.facts.some((fact) => fact.is === 'reps'));
    // "Wide squat then narrow squat" between lines of one movement each is one of them.
    const isOneOf = (read: LineRead) =>
      timed && read.items.length === 2 && isShort(read.text) && linesOfOne >= LINES_OF_ONE;
    // "Punch, punch, duck": what comes twice in so few is a combination.
    const said = read.items.map(({ text }) => text.toLowerCase());
    const goesThrough =
      timed &&
      said.length > 2 &&
      said.length <= MOST_IN_ONE &&
      said.every((text) => !text.includes(' ')) &&
      new Set(said).size < said.length;
    let parts: Item[] = [];
    // A superset's two, and the two of one of several tabatas.
    const inPairs = current().facts.some(
      (fact) =>
        fact.is === 'format' &&
        (fact.kind === 'superset' ||
          (fact.kind === 'tabata' && read.listed && current().facts.some(({ is }) => is === 'times'))),
    );
    for (const said of inPairs ? abreast(read) : climbing ? countedApart(read) : read.items) {
      const item = inSeat(current().role === 'cool-down' ? stretchOf(said) : said, read);
      const joins =
        parts.length > 0 &&
        parts.length < 4 &&
        ((item.joined === 'with' && !inPairs) ||
          (item.joined === 'next' && (chained || inASlot || goesThrough)) ||
          (item.joined === 'then' &&
            (emom || isOneOf(read)) &&
            !item.facts.some((fact) => fact.is === 'seconds')));
      if (joins) parts.push(item);
      else {
        if (parts.length > 0) addRow(read, parts);
        parts = [item];
      }
    }
    if (parts.length > 0) addRow(read, parts);
    const block = current();
    for (const item of read.items) block.facts.push(...item.facts.filter((fact) => fact.is === 'format'));
    const facts = read.facts;
    if (facts.length > 0) block.facts.push(...facts);
  };
  reads.forEach((read, at) => {
    const next = reads[at + 1];
    const nothingYet = blocks.every((block) => block.rows.length === 0);
    const likely = read.items.filter((item) => (item.readings[0]?.sure ?? 0) >= 0.6).length;
    // Two movements that are known make no title, whatever else is in the line.
    // "Legs & Lungs" above a clock: what may only be a word typed wrong is what it is called.
    const called = at === 0 && next?.kind === 'clock' && !isDosed(read) ? TYPED_WRONG : 0.6;
    const unsure = read.kind === 'station' && read.sure < called && likely < 2 && read.label === null;
    // The first line that names nothing is the title.
    const titles =
      title === null &&
      at === 0 &&
      // A row of a table is one of several, whatever stands in it.
      !rows[read.line - 1]!.table &&
      next !== undefined &&
      !/\bthen\W*$/i.test(read.text) &&
      (!read.listed || read.titled) &&
      !read.facts.some((fact) => fact.is === 'level') &&
      ((unsure &&
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
          next.kind === 'heading') ||
        // "HIIT pyramid": the kind of clock, and what it is called.
        (read.kind === 'clock' && read.titled && next.kind === 'clock' && /^\D+ \D+$/.test(read.text)) ||
        // "You need: a rope" is said of it, and what it is called has no colon.
        (read.kind === 'note' &&
          !LABELLED.test(read.text) &&
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
        (read.kind === 'clock' && next.fresh && next.kind === 'heading' && !/\d/.test(read.text)));
    if (titles) {
      // "Seated exercise - 30 mins": how long all of it takes is no more than its title.
      const [lasts] = read.facts;
      const lasting =
        read.facts.length === 1 &&
        (lasts!.is === 'work' || lasts!.is === 'in all seconds') &&
        lasts!.seconds >= LEAST_SESSION;
      title = tidy((lasting ? null : read.heading) ?? read.text) || null;
      const named = lasting || (read.kind === 'clock' && next.kind !== 'clock' && !/\d/.test(read.text));
      const weak = named ? [] : read.facts.filter((fact) => fact.is === 'format');
      // What a title says of the clock besides: "band class, 10 reps each, 2 sets".
      const beside = read.kind === 'station' ? titleClock(read.text) : [];
      const firm = named ? [] : [...read.facts.filter((fact) => fact.is !== 'format'), ...beside];
      titleFacts = weak;
      if (firm.length > 0) current().facts.push(...firm, ...weak);
      loose.push(lineOf(read, { kind: 'heading' }));
      return;
    }
    switch (read.kind) {
      case 'heading': {
        const before = blocks.at(-1);
        const empty = before !== undefined && before.rows.length === 0;
        // "Main" over nothing yet names what is there rather than beginning another.
        const role = read.role ?? 'circuit';
        const inherits =
          read.roundNumber !== null ? (blocks.find((block) => block.round)?.facts ?? shared) : [];
        if (read.roundNumber !== null && shared.length === 0 && before)
          shared = before.facts.filter((fact) => fact.is !== 'rounds' && fact.is !== 'times');
        const made = draft(role, role === 'circuit' && read.heading ? nameOf(read.heading) : null);
        made.round = read.roundNumber !== null;
        // "Round 2: repeat round 1": the same movements again.
        const like = read.items.length === 0 ? repeatedIn(read, blocks) : undefined;
        if (like) made.rows = [...like.rows];
        if (empty && before.role !== 'circuit' && before.heads.length > 0) {
          // Only named: its time is no other part's.
          notes.push(...before.heads.map((head) => head.text));
          loose.push(...before.heads);
          blocks.pop();
        } else if (empty) {
          blocks.pop();
          made.facts.push(...before.facts);
          made.above = saysLength(before.facts) ? [...before.facts] : before.above;
          made.heads.push(...before.heads);
        } else made.facts.push(...(inherits.length > 0 ? inherits : read.roundNumber !== null ? shared : []));
        // "Circuit 2 - same timing": as the one before it.
        const last = blocks.findLast((block) => block.role === role && block.rows.length > 0);
        if (last && !saysClock(read.facts) && AS_BEFORE.test(read.text))
          made.facts.push(...last.facts.filter((fact) => !made.facts.includes(fact)));
        made.facts.push(...read.facts);
        made.heads.push(lineOf(read));
        blocks.push(made);
        if (read.items.length > 0) {
          addStations(read);
          made.inline = true;
          // A warm-up on a line of its own is over with it.
          made.whole =
            (role === 'warm-up' && !/[,+&/]\s*$|\band\s*$/.test(read.text)) ||
            // And rounds of what stands in brackets with the last of them.
            (/\([^)]*\)\W*$/.test(read.text) && read.items.length > 1 && goesRound(read.facts));
        } else if (role === 'warm-up' && read.sure < 0.8 && /[-–—:]\s*\p{L}/u.test(read.text)) {
          // "Warm-up 5 min - mobility": said, though not what.
          notes.push(read.text);
          made.whole = true;
        }
        return;
      }
      case 'clock': {
        // Behind a cool-down that is only named a rest or a count is of what was done before it.
        const more = reads.slice(at + 1).some((other) => other.kind === 'station' || other.items.length > 0);
        const named = current();
        const block =
          (!more && named.role === 'cool-down' && named.rows.length === 0
            ? blocks.findLast(({ rows: done }) => done.length > 0)
            : undefined) ?? named;
        // A rest by itself behind the stations, with another part to come, lies between the two.
        const [only] = read.facts;
        const parts =
          only!.is === 'rest' &&
          !only.between &&
          next !== undefined &&
          // Another clock of a kind that stands already is of another part.
          (next.kind !== 'clock' || next.facts.some((fact) => fact.is === 'steps'));
        if (read.facts.length === 1 && only!.is === 'rest' && block.rows.length > 0 && parts) {
          block.apart = liesApart(read, next, block);
          block.heads.push(lineOf(read, { kind: 'break' }));
          block.breaks.push({ seconds: only!.seconds, at: block.rows.length });
          block.after = { seconds: clamp(only!.seconds, 0, 900) };
          return;
        }
        // At the very end of a list that goes round again a rest lies between the rounds.
        const saidOften = (facts: readonly Fact[]) =>
          facts.some((fact) => fact.is === 'rounds' || fact.is === 'times');
        const again = goesRound(block.facts) || (next?.kind === 'clock' && goesRound(next.facts));
        if (
          read.facts.length === 1 &&
          only!.is === 'rest' &&
          !only.between &&
          block.rows.length > 0 &&
          again
        ) {
          block.facts.push({ is: 'round rest', seconds: only!.seconds });
          block.heads.push(lineOf(read));
          return;
        }
        const begins =
          block.rows.length > 0 &&
          // With nothing behind it a clock is of what stands above it.
          reads.slice(at + 1).some((other) => other.kind === 'station' || other.items.length > 0) &&
          saysClock(read.facts) &&
          (clashes(block.facts, read.facts) ||
            (next?.kind === 'station' &&
              next.letter !== null &&
              next.letter !== block.rows.at(-1)!.read.letter) ||
            (read.fresh && next?.kind === 'station' && !saysClock(block.facts)));
        // "Then at the bench, 4 rounds:" over a list: what stands above it is none of them.
        const heads =
          block.rows.length > 0 &&
          next?.kind === 'station' &&
          /:\s*$/u.test(read.text) &&
          saidOften(read.facts) &&
          !saidOften(block.facts);
        // "Then 2 x": how often said anew, over other movements.
        const anew =
          block.rows.length > 0 &&
          next?.kind === 'station' &&
          read.facts.every((fact) => fact.is === 'times' || fact.is === 'rounds') &&
          saidOften(block.facts);
        // A warm-up that was only named is over where a clock goes round.
        const round = saidOften(read.facts) || saysClock(read.facts);
        const over =
          block.role === 'warm-up' &&
          next?.kind === 'station' &&
          round &&
          (block.whole || (block.rows.length === 0 && block.heads.length > 0));
        const opens = begins || anew || over || heads;
        const target = opens ? draft('circuit') : block;
        if (opens) blocks.push(target);
        if (target.rows.length > 0 && closes(read)) target.closed = true;
        const rests = read.facts.filter((fact) => fact.is === 'break');
        const clock = read.facts.filter((fact) => fact.is !== 'break');
        target.facts.push(...clock);
        // A clock behind the last of several of a kind is the clock of all of them.
        if (next === undefined && target.rows.length > 0)
          for (const one of blocks.slice(0, -1).reverse()) {
            if (
              !isSibling(one, target) ||
              clashes(
                one.facts.filter(({ is }) => is !== 'format'),
                clock,
              )
            )
              break;
            one.facts.push(...clock);
          }
        for (const fact of rests)
          target.after = {
            seconds: clamp(fact.seconds, 0, 900),
            ...(fact.most ? { mostSeconds: clamp(fact.most, 0, 1800) } : {}),
          };
        target.heads.push(lineOf(read));
        return;
      }
      case 'break': {
        const block = current();
        const fact = read.facts[0] as Extract<Fact, { is: 'break' }>;
        block.apart = liesApart(read, next, block);
        block.heads.push(lineOf(read));
        block.breaks.push({ seconds: fact.seconds, at: block.rows.length });
        block.after = {
          seconds: clamp(fact.seconds, 0, 900),
          ...(fact.most ? { mostSeconds: clamp(fact.most, 0, 1800) } : {}),
          ...(fact.ready ? { untilReady: true } : {}),
          ...(fact.drink ? { drink: true } : {}),
        };
        return;
      }
      case 'tier': {
        const rows = blocks.at(-1)?.rows ?? [];
        if (rows.length === 0 && read.items.length > 0) {
          // An easier or harder way of nothing is what is done.
          addStations(read);
          return;
        }
        // As many ways as there are stations are one for each; else all are of the last.
        const placed = read.items.length > 1 && read.items.length === rows.length;
        read.items.forEach((item, i) => {
          const row = placed ? rows[i] : rows.at(-1);
          row?.tiers.push({ is: read.tier, text: item.text, moves: item.readings[0]?.moves ?? [] });
        });
        current().heads.push(lineOf(read, { read: read.items.flatMap((item) => item.readings.slice(0, 1)) }));
        return;
      }
      case 'note':
        allSeated ||= ALL_SEATED.test(read.text);
        notes.push(read.text);
        (blocks.at(-1)?.heads ?? loose).push(lineOf(read));
        return;
      case 'station': {
        if (unsure && nothingYet && read.heading !== null && /:\s*$/.test(read.text)) {
          notes.push(read.text);
          loose.push(lineOf(read, { kind: 'heading' }));
          return;
        }
        if (read.label !== null) {
          const block = current();
          // Over all that a part has it is what the part is called.
          if (block.rows.length === 0 && block.name === null) block.name = read.label.slice(0, 60);
          else notes.push(read.label);
        }
        if (blocks.at(-1)?.whole) blocks.push(draft('circuit'));
        // B1 behind A2 is of another pair, and so is "3)" behind "2b)".
        const before = current().rows.at(-1)?.read.letter ?? null;
        const lettered = read.letter !== null || (read.listed && /^\d/.test(before ?? ''));
        if (lettered && before !== null && before !== read.letter) {
          const made = draft('circuit');
          made.facts.push(...current().before);
          made.before = current().before;
          blocks.push(made);
        }
        // Sets and their rest stood behind what is above, and stand so again behind what follows.
        if (current().closed && reads.slice(at + 1).some((other) => closes(other)))
          blocks.push(draft('circuit'));
        // "Then 2 minutes of plank" behind counts that climb or fall is none of them.
        if (
          /^\W*(?:and )?then\b/i.test(read.text) &&
          read.items.some((item) => item.facts.some((fact) => fact.is === 'seconds')) &&
          current().facts.some((fact) => fact.is === 'steps')
        )
          blocks.push(draft('circuit'));
        addStations(read);
      }
    }
  });
  const filled = settled(blocks, notes);
  const all = filled.filter((block) => block.rows.length > 0);
  const kept = all.slice(0, MOST_BLOCKS);
  if (all.length > kept.length) unread.push(`${all.length - kept.length} parts more than ${MOST_BLOCKS}`);
  // A part that was named and has nothing in it is kept as it was written.
  for (const block of filled)
    if (block.rows.length === 0 && block.role !== 'circuit')
      notes.push(...block.heads.map((head) => head.text));
  const first = kept.find((block) => block.role === 'circuit');
  if (first && titleFacts.length > 0 && !saysClock(first.facts)) first.facts.push(...titleFacts);
  let lost = 0;
  const made = kept.map((block): ReadBlock => {
    const rest = restsBetween(block);
    // A rest at the very end of a list that goes round again lies between the rounds.
    const rounds = goesRound(block.facts);
    const behind = !rest && block.after && rounds && !block.apart;
    // "4 sets … rest 1 to 2 minutes" is no break after all of them.
    const ofSets =
      !rest &&
      !rounds &&
      block.after?.mostSeconds !== undefined &&
      (inSets(block.facts) || inSets(block.rows.flatMap(({ parts }) => parts.flatMap(({ facts }) => facts))));
    if (ofSets) block.facts.push({ is: 'rest', seconds: block.after!.seconds });
    const closing = ofSets || (behind && block === kept.at(-1));
    // Before another part it lies behind every round, the last one too.
    const said = block.facts.some(
      (fact) => fact.is === 'round rest' || (fact.is === 'rounds' && fact.rest !== undefined),
    );
    if (!ofSets && (closing || (behind && !said)))
      block.facts.push({ is: 'round rest', seconds: block.after!.seconds });
    // What was said of how, of all of them.
    const how = block.facts.filter((fact) =>
      ['phase', 'phases', 'call', 'tempo', 'remark', 'by round'].includes(fact.is),
    );
    if (how.length > 0)
      block.rows = block.rows.map((row) => ({
        ...row,
        parts: row.parts.map((part) => ({ ...part, facts: [...part.facts, ...how] })),
      }));
    const { format, assumed, dose } = formatOf(block);
    const work = 'workSeconds' in format ? format.workSeconds : null;
    const sets = format.kind === 'sets' ? format.sets : null;
    const rows = block.rows.slice(0, MOST_STATIONS);
    lost += block.rows.length - rows.length;
    const stations: Station[] = [];
    const lines = rows.map((row, i): ReadLine => {
      const id = `s${i + 1}`;
      const station = stationOf(names, row, id, dose, work, sets);
      stations.push(station);
      const readings = row.parts.length === 1 ? row.parts[0]!.readings : combined(names, row.parts);
      return lineOf(row.read, {
        text: row.parts.map((part) => part.text).join(' + '),
        kind: 'station',
        sure: readings[0]?.sure ?? 0,
        read: readings,
        dose: station.dose ?? null,
        station: id,
        tiers: row.tiers,
      });
    });
    return {
      role: block.role,
      name: block.name,
      format,
      assumed,
      lines: [...block.heads, ...lines].sort((a, b) => a.line - b.line),
      stations,
      after: rest || closing ? null : block.after,
      resting: restingIn(block.facts),
    };
  });
  unread.push(...lostNumbers(reads, made, title));
  if (lost > 0) unread.push(`${lost} stations more than ${MOST_STATIONS} in a block`);
  const [head, ...others] = made;
  const stray = [
    ...loose,
    ...filled.filter((block) => block.rows.length === 0).flatMap((block) => block.heads),
  ];
  return {
    title,
    blocks: head
      ? [{ ...head, lines: [...stray, ...head.lines].sort((a, b) => a.line - b.line) }, ...others]
      : [],
    aim:
      aimed.flatMap((read) => read.facts.flatMap((fact) => (fact.is === 'aim' ? [fact.aim] : []))).at(-1) ??
      null,
    notes,
    unread,
  };
}

/** What is done in the rests, as it was said last. */
const restingIn = (facts: readonly Fact[]): ReadBlock['resting'] =>
  facts.flatMap((fact) => (fact.is === 'resting' ? [fact.style] : [])).at(-1) ?? null;

/** One reading of several items done in one go. */
function combined(names: Names, parts: readonly Item[]): Reading[] {
  const best = parts.map((part) => part.readings[0]);
  if (best.some((one) => one === undefined)) return [];
  const moves = best.flatMap((one) => one!.moves);
  return [
    {
      moves,
      names: moves.map((id) => names.library.move(id)?.name ?? id),
      why: 'one after another in one go',
      sure: Math.min(...best.map((one) => one!.sure)),
    },
  ];
}
