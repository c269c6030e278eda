import { clamp, type Draft, draft, lineOf, type Row, saysClock } from './draft.ts';
import type { Fact } from './facts.ts';
import { apart, itemsOf } from './items.ts';
import type { Item, LineRead } from './line.ts';
import { TIERS } from './line-words.ts';
import { type Names, type OwnWords, readName, STANDS, SURE } from './names.ts';
import type { ReadLine } from './reading.ts';
import { Seats, saysAllSeated } from './seats.ts';
import type { TextRead } from './text.ts';
import { isShort, isTitle, type Neighbours, nameOf, namesNothing, titleOf } from './titles.ts';
import { singular, tokensOf } from './tokens.ts';

/** All of it is done more than once. */
export const goesRound = (facts: readonly Fact[]) =>
  facts.some(
    (fact) =>
      ((fact.is === 'rounds' || fact.is === 'times') && fact.n > 1) ||
      (fact.is === 'format' && fact.kind === 'superset' && (fact.n ?? 1) > 1),
  );
export const inSets = (facts: readonly Fact[]) =>
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

/** Nobody does more things in one go. */
const MOST_IN_ONE = 4;
/** So many lines with one movement each are a list of stations. */
const LINES_OF_ONE = 2;
/** A part of its own rather than a set, in seconds. Estimate. */
const LEAST_PART = 180;
/** As sure is what some move is called, alone or as the likeliest. */
const CALLED_SO = 0.9;
/** So many stations are a list that may go on. */
const FEWEST_OF_LIST = 3;
/** As many words at most say what is stretched. */
const LONGEST_STRETCH = 4;
/** So many ways besides the first. */
const LEAST_TIERS = 2;
/** By itself as good as surely understood. */
const NAMED_ALONE = 0.8;
/** Done once before what goes round: "Buy in: 400 m run". */
const DONE_ONCE = /^\W*buy[ -]?in\b/iu;
const AS_BEFORE =
  /\b(?:same (?:timing|times?|clock|format|again|as)|as (?:above|before)|repeat (?:timing|format))/i;
/** How many sets and what lies between them, as a line of its own. */
const closes = (read: LineRead): boolean =>
  read.kind === 'clock' &&
  read.facts.some((fact) => fact.is === 'sets' || fact.is === 'rounds') &&
  read.facts.some((fact) => fact.is === 'round rest' || fact.is === 'rest');

/** A session in the making: blocks, and what is said around them, line by line in the order in which they stand. */
export class SessionDraft {
  title: string | null = null;
  readonly notes: string[] = [];
  readonly blocks: Draft[] = [];
  /** Lines of no block. */
  readonly loose: ReadLine[];
  /** What the title says of the clock, where nothing else does. */
  titleFacts: readonly Fact[] = [];
  readonly #names: Names;
  readonly #own: OwnWords;
  readonly #reads: readonly LineRead[];
  readonly #seats: Seats;
  readonly #linesOfOne: number;
  /** What was said before the first of several rounds, of all of them. */
  #shared: Fact[] = [];

  constructor(names: Names, own: OwnWords, text: TextRead) {
    this.#names = names;
    this.#own = own;
    this.#reads = text.lines;
    this.#seats = new Seats(names, own, text.lines);
    this.#linesOfOne = text.lines.filter(
      ({ kind, items }) => kind === 'station' && items.length === 1,
    ).length;
    this.loose = text.aimed.map((read) => lineOf(read));
    text.lines.forEach((read, at) => {
      this.#take(read, { at, next: text.lines[at + 1], inTable: text.inTable(read.line) });
    });
  }

  #take(read: LineRead, among: Neighbours): void {
    if (this.title === null && isTitle(read, among)) {
      this.#takeTitle(read, among.next!);
      return;
    }
    switch (read.kind) {
      case 'heading':
        this.#takeHeading(read, among);
        return;
      case 'clock':
        this.#takeClock(read, among);
        return;
      case 'break':
        this.#takeBreak(read, among.next);
        return;
      case 'tier':
        this.#takeTier(read);
        return;
      case 'note':
        if (saysAllSeated(read.text)) this.#seats.all = true;
        this.notes.push(read.text);
        (this.blocks.at(-1)?.heads ?? this.loose).push(lineOf(read));
        return;
      case 'station':
        this.#takeStation(read, among);
    }
  }

  #current(): Draft {
    if (this.blocks.length === 0) this.blocks.push(draft('circuit'));
    return this.blocks.at(-1)!;
  }

  /** "20 s plank after each": at every step it is done last, always as long. */
  #holdAfterEach(block: Draft, read: LineRead): void {
    for (const fact of read.facts) {
      if (fact.is !== 'step hold' || fact.what === undefined) continue;
      const item: Item = {
        text: fact.what,
        readings: readName(this.#names, tokensOf(fact.what), this.#own),
        facts: [{ is: 'seconds', seconds: fact.seconds }],
        from: 0,
        to: read.text.length,
        joined: null,
        tiers: [],
      };
      block.held = { read, parts: [item], tiers: [] };
    }
  }

  #after(at: number): readonly LineRead[] {
    return this.#reads.slice(at + 1);
  }

  #takeTitle(read: LineRead, next: LineRead): void {
    const { title, firm, weak } = titleOf(read, next);
    this.title = title;
    this.titleFacts = weak;
    if (firm.length > 0) this.#current().facts.push(...firm, ...weak);
    this.loose.push(lineOf(read, { kind: 'heading' }));
  }

  /** "Chest" among stretches is a stretch, and no part of the session. */
  #stretches(read: LineRead): Item | null {
    const block = this.blocks.at(-1);
    const bare = read.facts.length + read.items.length === 0 && read.roundNumber === null;
    if (block?.role !== 'cool-down' || block.heads.length + block.rows.length === 0 || !bare) return null;
    const text = read.text.trim();
    const tokens = tokensOf(`${text} stretch`);
    if (read.role !== 'circuit' || tokens.length > LONGEST_STRETCH || /[:–—-]/u.test(text)) return null;
    const readings = readName(this.#names, tokens, this.#own);
    return (readings[0]?.sure ?? 0) >= STANDS
      ? { text, readings, facts: [], from: 0, to: text.length, joined: null, tiers: [] }
      : null;
  }

  /** "Balance" behind the last of a list, with nothing below it or as the last of so many said, is one of the list. */
  #lastOfList(read: LineRead, { next }: Neighbours): Item | null {
    const block = this.blocks.at(-1);
    const bare = read.facts.length + read.items.length === 0 && read.roundNumber === null;
    const fills = block?.facts.some((fact) => fact.is === 'stations' && fact.n === block.rows.length + 1);
    const ends = next === undefined || (next.kind === 'heading' && next.fresh) || fills;
    if (block?.role !== 'circuit' || !bare || read.fresh || !ends || read.role !== 'circuit') return null;
    const text = read.text.trim();
    if (block.rows.length < FEWEST_OF_LIST || /[:–—-]/u.test(text)) return null;
    const readings = readName(this.#names, tokensOf(text), this.#own);
    return { text, readings, facts: [], from: 0, to: text.length, joined: null, tiers: [] };
  }

  #takeHeading(read: LineRead, among: Neighbours): void {
    const stretch = this.#stretches(read) ?? this.#lastOfList(read, among);
    if (stretch) {
      this.#addStations({ ...read, kind: 'station', items: [stretch] });
      return;
    }
    const before = this.blocks.at(-1);
    const empty = before !== undefined && before.rows.length === 0;
    // "Main" over nothing yet names what is there rather than beginning another.
    // Right beneath a warm-up that was only named stands what it is.
    const beneath = empty && before.role === 'warm-up' && before.heads.length > 0 && !read.fresh;
    const role =
      beneath &&
      read.role === 'circuit' &&
      read.heading === null &&
      read.items.length > 0 &&
      !goesRound(read.facts)
        ? 'warm-up'
        : (read.role ?? 'circuit');
    const inherits =
      read.roundNumber !== null ? (this.blocks.find((block) => block.round)?.facts ?? this.#shared) : [];
    if (read.roundNumber !== null && this.#shared.length === 0 && before)
      this.#shared = before.facts.filter((fact) => fact.is !== 'rounds' && fact.is !== 'times');
    const made = draft(role, role === 'circuit' && read.heading ? nameOf(read.heading) : null);
    made.round = read.roundNumber !== null;
    // "Round 2: repeat round 1": the same movements again.
    const like = read.items.length === 0 ? repeatedIn(read, this.blocks) : undefined;
    if (like) made.rows = [...like.rows];
    if (empty && before.role !== 'circuit' && before.heads.length > 0 && role !== before.role) {
      // Only named: its time is no other part's.
      this.notes.push(...before.heads.map((head) => head.text).filter((note) => !this.notes.includes(note)));
      this.loose.push(...before.heads);
      this.blocks.pop();
    } else if (empty) {
      this.blocks.pop();
      made.facts.push(...before.facts);
      made.above = saysLength(before.facts) ? [...before.facts] : before.above;
      made.heads.push(...before.heads);
    } else
      made.facts.push(...(inherits.length > 0 ? inherits : read.roundNumber !== null ? this.#shared : []));
    // "Circuit 2 - same timing": as the one before it.
    const last = this.blocks.findLast((block) => block.role === role && block.rows.length > 0);
    if (last && !saysClock(read.facts) && AS_BEFORE.test(read.text))
      made.facts.push(...last.facts.filter((fact) => !made.facts.includes(fact)));
    made.facts.push(...read.facts);
    this.#holdAfterEach(made, read);
    made.heads.push(lineOf(read));
    this.blocks.push(made);
    if (read.items.length > 0) {
      this.#addStations(read);
      made.inline = true;
      // A warm-up on a line of its own is over with it.
      made.whole =
        DONE_ONCE.test(read.heading ?? '') ||
        (role === 'warm-up' && !/[,+&/]\s*$|\band\s*$/.test(read.text)) ||
        // And rounds of what stands in brackets with the last of them.
        (/\([^)]*\)\W*$/.test(read.text) && read.items.length > 1 && goesRound(read.facts));
    } else if (role === 'warm-up' && read.sure < 0.8 && /[-–—:]\s*\p{L}/u.test(read.text)) {
      // "Warm-up 5 min - mobility": said, though not what.
      this.notes.push(read.text);
      made.whole = true;
    }
    return;
  }

  #takeClock(read: LineRead, { at, next }: Neighbours): void {
    // Behind a cool-down that is only named a rest or a count is of what was done before it.
    const more = this.#after(at).some((other) => other.kind === 'station' || other.items.length > 0);
    const named = this.#current();
    const block =
      (!more && named.role === 'cool-down' && named.rows.length === 0
        ? this.blocks.findLast(({ rows: done }) => done.length > 0)
        : undefined) ?? named;
    // "Repeat 3 times a day" changes nothing of the clock, and is kept.
    if (read.facts.every((fact) => fact.is === 'aside') && read.numbers.length > 0) {
      this.notes.push(read.text);
      block.heads.push(lineOf(read, { kind: 'note' }));
      return;
    }
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
    if (read.facts.length === 1 && only!.is === 'rest' && !only.between && block.rows.length > 0 && again) {
      block.facts.push({ is: 'round rest', seconds: only!.seconds });
      block.heads.push(lineOf(read));
      return;
    }
    const begins =
      block.rows.length > 0 &&
      // With nothing behind it a clock is of what stands above it.
      this.#after(at).some((other) => other.kind === 'station' || other.items.length > 0) &&
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
      (block.role === 'warm-up' || block.whole) &&
      next?.kind === 'station' &&
      round &&
      (block.whole || (block.rows.length === 0 && block.heads.length > 0));
    const opens = begins || anew || over || heads;
    const target = opens ? draft('circuit') : block;
    if (opens) this.blocks.push(target);
    if (target.rows.length > 0 && closes(read)) target.closed = true;
    const rests = read.facts.filter((fact) => fact.is === 'break');
    const clock = read.facts.filter((fact) => fact.is !== 'break');
    target.facts.push(...clock);
    this.#holdAfterEach(target, read);
    // A clock behind the last of several of a kind is the clock of all of them.
    if (next === undefined && target.rows.length > 0)
      for (const one of this.blocks.slice(0, -1).reverse()) {
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

  #takeBreak(read: LineRead, next: LineRead | undefined): void {
    const block = this.#current();
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

  #takeTier(read: LineRead): void {
    const rows = this.blocks.at(-1)?.rows ?? [];
    if (rows.length === 0 && read.items.length > 0) {
      // An easier or harder way of nothing is what is done.
      this.#addStations(read);
      return;
    }
    // As many ways as there are stations are one for each; else all are of the last.
    const placed = read.items.length > 1 && read.items.length === rows.length;
    read.items.forEach((item, i) => {
      const row = placed ? rows[i] : rows.at(-1);
      row?.tiers.push(this.#wayOf(row.parts[0]!.text, item.text, read.tier));
    });
    this.#current().heads.push(
      lineOf(read, { read: read.items.flatMap((item) => item.readings.slice(0, 1)) }),
    );
    return;
  }

  #takeStation(read: LineRead, among: Neighbours): void {
    const { at } = among;
    const unsure = namesNothing(read, among);
    const nothingYet = this.blocks.every((block) => block.rows.length === 0);
    if (unsure && nothingYet && read.heading !== null && /:\s*$/.test(read.text)) {
      this.notes.push(read.text);
      this.loose.push(lineOf(read, { kind: 'heading' }));
      return;
    }
    if (read.label !== null) {
      const block = this.#current();
      // Over all that a part has it is what the part is called.
      if (block.rows.length === 0 && block.name === null) block.name = read.label.slice(0, 60);
      else this.notes.push(read.label);
    }
    if (this.blocks.at(-1)?.whole) this.blocks.push(draft('circuit'));
    // B1 behind A2 is of another pair, and so is "3)" behind "2b)".
    const last = this.#current().rows.at(-1);
    const before = last?.read.letter ?? (read.letter !== null && last?.read.listed ? 'none' : null);
    const lettered = read.letter !== null || (read.listed && /^\d/.test(before ?? ''));
    if (lettered && before !== null && before !== read.letter) {
      const made = draft('circuit');
      made.facts.push(...this.#current().before);
      made.before = this.#current().before;
      this.blocks.push(made);
    }
    // Sets and their rest stood behind what is above, and stand so again behind what follows.
    if (this.#current().closed && this.#after(at).some((other) => closes(other)))
      this.blocks.push(draft('circuit'));
    // "Then 2 minutes of plank" behind counts that climb or fall is none of them.
    if (
      /^\W*(?:and )?then\b/i.test(read.text) &&
      read.items.some((item) => item.facts.some((fact) => fact.is === 'seconds')) &&
      (this.#current().facts.some((fact) => fact.is === 'steps') ||
        // And so long behind sets of a count is no set.
        (inSets(this.#current().facts) &&
          read.items.some((item) =>
            item.facts.some((fact) => fact.is === 'seconds' && fact.seconds >= LEAST_PART),
          )))
    )
      this.blocks.push(draft('circuit'));
    this.#addStations(read);
  }

  /** "(knees / toes)" behind a name says how: the name with it, or a name of its own. */
  #wayOf(name: string, way: string, is: 'easier' | 'harder' | null): Row['tiers'][number] {
    const read = [
      readName(this.#names, tokensOf(`${name} ${way}`), this.#own)[0],
      readName(this.#names, tokensOf(way), this.#own)[0],
    ];
    // "Press-ups / plank": beside a stroke a movement by its own name is that.
    const [, alone] = read;
    const named = is === null && (alone?.sure ?? 0) >= CALLED_SO;
    const best = named ? alone : read.reduce((a, b) => ((b?.sure ?? 0) > (a?.sure ?? 0) ? b : a));
    return { is, text: way, moves: best?.moves ?? [] };
  }

  #addRow(read: LineRead, parts: readonly Item[]): void {
    const [first] = parts;
    const tiers = first!.tiers.map((said) => {
      // "(easier: on the wall, harder: feet raised)": which of the two it is.
      const [, label, behind] = /^(\p{L}+)\s*:\s*(.+)$/u.exec(said) ?? [];
      const is = (label && TIERS[singular(label.toLowerCase())]) || null;
      return this.#wayOf(first!.text, is && behind ? behind : said, is);
    });
    this.#current().rows.push({ read, parts, tiers });
  }

  /** "Hamstrings" in a cool-down is their stretch. */
  #stretchOf(item: Item): Item {
    if ((item.readings[0]?.sure ?? 0) >= SURE) return item;
    const readings = readName(this.#names, tokensOf(`${item.text} stretch`), this.#own);
    return (readings[0]?.sure ?? 0) > Math.max(STANDS, item.readings[0]?.sure ?? 0)
      ? { ...item, readings }
      : item;
  }

  /** "squat / row" where things go in pairs is a pair, and no two ways of one. */
  #abreast(read: LineRead): readonly Item[] {
    if (read.items.length !== 1 || read.items[0]!.tiers.length === 0 || !read.text.includes('/'))
      return read.items;
    const tokens = tokensOf(read.text);
    return itemsOf(this.#names, read.text, apart(tokens, this.#names, this.#own), this.#own);
  }

  /** "squat / row / plank": three things of no ladder in common are a list, and no three ways of one. */
  #listsBySlash(read: LineRead): boolean {
    const { items, text } = read;
    const [only] = items;
    if (items.length !== 1 || only!.tiers.length < LEAST_TIERS) return false;
    // Behind a colon they are ways of what it is called.
    if (!text.includes('/') || text.includes(':')) return false;
    const best = [only!.text, ...only!.tiers].map(
      (said) => readName(this.#names, tokensOf(said), this.#own)[0],
    );
    if (best.some((one) => (one?.sure ?? 0) < NAMED_ALONE || one!.moves.length !== 1)) return false;
    const families = best.map((one) => this.#familiesOf(one!.moves[0]!));
    return families.every((mine, i) =>
      families.every((other, k) => k === i || [...mine].every((id) => !other.has(id))),
    );
  }

  /** The ladders that a move stands on, and those that they branch off. */
  #familiesOf(move: string): ReadonlySet<string> {
    const on = this.#names.library.ladders.filter(({ rungs }) => rungs.some((rung) => rung.move === move));
    return new Set(on.flatMap(({ id, branchOf }) => [id, ...branchOf]));
  }

  /** "21-15-9 thrusters and pull-ups": what the counts are of, one after another. */
  #countedApart(read: LineRead): readonly Item[] {
    const [only] = read.items;
    if (read.items.length !== 1 || (only!.readings[0]?.moves.length ?? 0) < 2) return read.items;
    const tokens = tokensOf(read.text)
      .filter((token) => token.from >= only!.from && token.to <= only!.to)
      .map((token) => (['and', '&'].includes(token.word) ? { ...token, word: ',' } : token));
    const items = itemsOf(this.#names, read.text, tokens, this.#own);
    return items.length > 1 && items.every((item) => (item.readings[0]?.sure ?? 0) >= 0.6)
      ? items
      : read.items;
  }

  #addStations(read: LineRead): void {
    if (this.#current().rows.length === 0 && this.#current().before.length === 0)
      this.#current().before = [...this.#current().facts];
    // "Minute 1: squats" says of the clock that it goes by the minute, where nothing else is said of it.
    if (read.turn && !saysClock(this.#current().facts))
      this.#current().facts.push({ is: 'format', kind: 'emom' });
    const climbing = [...this.#current().facts, ...read.facts].some((fact) => fact.is === 'steps');
    const chained =
      !climbing &&
      read.items.length <= MOST_IN_ONE &&
      (read.place || /\brepeat\b\W*$|\b(?:[1-9]|10|one|two|three|four|five) of each\b/i.test(read.text));
    const emom = this.#current().facts.some(
      (fact) => fact.is === 'per station' || (fact.is === 'format' && fact.kind === 'emom'),
    );
    // "2 squats and 2 jumping jacks" in a slot of forty seconds: counts that small only make sense one after the other.
    const timed = this.#current().facts.some((fact) => fact.is === 'interval' || fact.is === 'work');
    const inASlot =
      timed &&
      !this.#current().facts.some((fact) => fact.is === 'format') &&
      !read.text.includes(',') &&
      read.items.length > 1 &&
      read.items.every((item) => item.facts.some((fact) => fact.is === 'reps'));
    // "Wide squat then narrow squat" between lines of one movement each is one of them.
    const isOneOf = (read: LineRead) =>
      timed && read.items.length === 2 && isShort(read.text) && this.#linesOfOne >= LINES_OF_ONE;
    // "Punch, punch, duck": what comes twice in so few is a combination.
    const said = read.items.map(({ text }) => text.toLowerCase());
    const goesThrough =
      timed &&
      said.length > 2 &&
      said.length <= MOST_IN_ONE &&
      said.every((text) => !text.includes(' ')) &&
      new Set(said).size < said.length;
    // A movement behind a heading's colon says nothing of the others.
    const heading = read.kind === 'heading' ? read.text.slice(0, read.items[0]?.from) : '';
    const called = `${this.title ?? ''} ${this.blocks.at(-1)?.name ?? ''} ${heading}`;
    let parts: Item[] = [];
    // A superset's two, and the two of one of several tabatas.
    const inPairs = this.#current().facts.some(
      (fact) =>
        fact.is === 'format' &&
        (fact.kind === 'superset' ||
          (fact.kind === 'tabata' && read.listed && this.#current().facts.some(({ is }) => is === 'times'))),
    );
    for (const said of inPairs || this.#listsBySlash(read)
      ? this.#abreast(read)
      : climbing
        ? this.#countedApart(read)
        : read.items) {
      const item = this.#seats.itemIn(
        this.#current().role === 'cool-down' ? this.#stretchOf(said) : said,
        called,
      );
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
        if (parts.length > 0) this.#addRow(read, parts);
        parts = [item];
      }
    }
    if (parts.length > 0) this.#addRow(read, parts);
    const block = this.#current();
    for (const item of read.items) block.facts.push(...item.facts.filter((fact) => fact.is === 'format'));
    const facts = read.facts;
    if (facts.length > 0) block.facts.push(...facts);
  }
}
