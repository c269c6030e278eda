import { aimSaid } from './aim.ts';
import { CLOCK_GRAMMAR, type Fact } from './facts.ts';
import { factsIn } from './grammar.ts';
import {
  clockThenMoves,
  firstAndSecond,
  kindThenMoves,
  labelThenMoves,
  labelThenWays,
  moveOfSteps,
  movesThenClock,
  oneWhileOther,
  partHeading,
  roundsOfList,
  titleThenClock,
} from './headed.ts';
import { isClockOnly, leftOver, withoutBullet } from './headings.ts';
import { itemsOf, sureOf } from './items.ts';
import type { Item, LineRead, SaidNumber } from './line.ts';
import {
  DAYS,
  DOSELIKE,
  greets,
  LISTS,
  NOTE_LABELS,
  NOTE_STARTS,
  OF_BLOCKS,
  RESTS,
  SECTIONS,
  TIERS,
  TITLE_WORDS,
  TURNS_OFF,
} from './line-words.ts';
import type { Names } from './names.ts';
import { type LineOf, LONGEST_LINE, MOST_TOKENS, Said, spansOf, spansOfItems } from './said.ts';
import { tokensOf } from './tokens.ts';
import { isHead } from './twins.ts';

/** Likely to be a movement. */
const LIKELY = 0.6;

/** Nothing but signs, or of a rest: "rest", "then", "in reverse order". */
function nothingDone(said: Said): LineOf | null {
  const { content, listed } = said;
  // Nothing, or a letter by itself: a greeting's x.
  if (content.every((token) => /^[a-z]$/.test(token.word))) return said.as('note', 1);
  // "Stations", "The exercises:": of what the list below it is.
  const over = content.filter((token) => !['the', 'our', 'today'].includes(token.word));
  const heads = said.colon < 1 || said.colon === said.rest.length - 1;
  if (!listed && over.length === 1 && LISTS.has(over[0]!.word) && heads) return said.as('note', 0.9);
  // "Min 3: rest": a turn of the clock in which nothing is done.
  const turn =
    listed &&
    content.every((token) => TURNS_OFF.has(token.word)) &&
    content.some((token) => token.word === 'rest' || token.word === 'recovery');
  if (!turn) return content.every((token) => RESTS.has(token.word)) ? said.as('note', 0.9) : null;
  const [from, to] = [content[0]!.from, content.at(-1)!.to];
  const item: Item = {
    text: said.text.slice(from, to),
    readings: [],
    facts: [],
    from,
    to,
    joined: null,
    tiers: [],
  };
  return said.as('station', 0, { items: [item] });
}

/** A day by itself begins another part. */
function day(said: Said): LineOf | null {
  const [only, which] = said.content;
  // "Day 2 - upper": which of several, and what it is for.
  const of =
    ['day', 'session'].includes(only!.word) &&
    which?.kind === 'number' &&
    [':', '-', '–', '—'].includes(said.rest[2]?.word ?? '') &&
    said.content.length > 2 &&
    said.content.length <= 5 &&
    said.content.slice(2).every((token) => token.kind === 'word') &&
    said.items.every((item) => sureOf(item) < LIKELY);
  if (of)
    return said.as('heading', 0.8, {
      role: 'circuit',
      heading: said.words(),
      spans: [{ what: 'heading', from: only!.from, to: which!.to }],
      titled: true,
    });
  // "Day A", "Session 2".
  const sign = said.rest[1]?.kind === 'sign' && [':', '-', '–', '—'].includes(said.rest[1].word);
  // "WED - Pull": the day, and what it is for.
  if (
    DAYS.has(only!.word) &&
    sign &&
    said.content.length <= 4 &&
    said.content.every((token) => token.kind === 'word') &&
    said.content.length > 1 &&
    said.items.every((item) => sureOf(item) < LIKELY)
  )
    return said.as('heading', 0.8, {
      role: 'circuit',
      heading: said.words().replace(/\s*[:–—-]\s*/u, ' '),
      titled: true,
    });
  const nth =
    said.content.length === 2 &&
    ['day', 'session'].includes(only!.word) &&
    (which!.kind === 'number' || /^[a-e]$/.test(which!.word));
  if (!nth && (said.content.length !== 1 || !DAYS.has(only!.word))) return null;
  return said.as('heading', 0.8, {
    role: 'circuit',
    heading: said.text.slice(only!.from, (nth ? which! : only!).to),
    spans: [{ what: 'heading', from: only!.from, to: (nth ? which! : only!).to }],
    titled: true,
  });
}

const OF_CLOCKS = new Set<Fact['is']>(['interval', 'work', 'rest', 'rounds', 'level', 'times', 'sets']);
const PLAINLY_WAYS = new Set(['easier', 'harder', 'beginner', 'advanced', 'regression', 'progression']);
/** "Easier: knees": an easier or harder way of what stands above. */
function tier(said: Said): LineOf | null {
  const { rest, colon } = said;
  const label = rest[0]!.kind === 'word' ? TIERS[rest[0]!.word] : undefined;
  if (!label || colon < 1 || colon > 2) return null;
  const items = itemsOf(said.names, said.text, rest.slice(colon + 1), said.own);
  if (items.length > 0 && sureOf(items[0]!) > 0.3)
    return said.as('tier', sureOf(items[0]!), { items, tier: label });
  // "Beginners: slow" says how, and names nothing that is done.
  const [first, last] = [rest[colon + 1], rest.at(-1)];
  if (!first || !PLAINLY_WAYS.has(rest[0]!.word) || said.clockFacts.some(({ is }) => OF_CLOCKS.has(is)))
    return null;
  const whole: Item = {
    text: said.text.slice(first.from, last!.to),
    readings: [],
    facts: [],
    from: first.from,
    to: last!.to,
    joined: null,
    tiers: [],
  };
  return said.as('tier', 0.3, { items: items.length > 0 ? items : [whole], tier: label });
}

const LOGGED = new Set(['your', 'all', 'total', 'round', 'rep', 'score', 'time', 'result']);

/** "Equipment: two mats", "Remember to breathe": a note, unless what it names is plainly a movement. */
function note(said: Said): LineOf | null {
  const { rest, colon, listed } = said;
  const nth = rest[1]?.kind === 'number';
  // Alone on its line, and no circuit called "Morning".
  if (greets(said.content.map(({ word }) => word)) && said.clockFacts.every(({ is }) => is === 'aside'))
    return said.as('note', 0.9);
  const plan = colon >= 1 && colon <= 3 && rest.slice(0, colon).every((token) => token.kind === 'word');
  if (plan && NOTE_LABELS.has(rest[colon - 1]!.word)) return said.as('note', 0.9);
  // "Log your rounds", and no log that is carried.
  const logs = rest[0]!.word === 'log' && LOGGED.has(rest[1]?.word ?? '');
  if (!(logs || NOTE_STARTS.has(rest[0]!.word)) || nth || (listed && colon !== 1)) return null;
  // "Sets: 3" says it of the clock.
  if (colon === 1) return said.left.length === 0 && said.clockFacts.length > 0 ? null : said.as('note', 0.9);
  const items = itemsOf(said.names, said.text, rest, said.own);
  return items.length === 0 || sureOf(items[0]!) < 0.8 ? said.as('note', 0.9) : null;
}

/** Nothing but what a clock says. */
function clockAlone(said: Said): LineOf | null {
  const { clockFacts } = said;
  if (clockFacts.length === 0 || said.left.length > 0 || said.exactName) return null;
  const spare = said.items.filter((item) => sureOf(item) >= LIKELY);
  const done =
    clockFacts.some(({ is }) => is === 'interval') &&
    said.items.every((item) => spare.includes(item) || isClockOnly(item.text));
  return said.as(clockFacts.every((fact) => fact.is === 'break') ? 'break' : 'clock', 0.95, {
    ...(done && spare.length > 1 ? { spare } : {}),
    facts: clockFacts,
    spans: spansOf(said.rest, said.clock),
    titled: said.titled,
  });
}

/** "- Stand up and sit down, 6 times": on a line of a list with one movement, how often is that one's count. */
const isItsCount = (said: Said, item: Item): boolean =>
  said.listed &&
  said.items.length === 2 &&
  said.items[1] === item &&
  /^times$/iu.test(item.text.trim()) &&
  item.facts.some((fact) => fact.is === 'reps');

const OF_ALL = new Set<Fact['is']>(['rounds', 'round rest', 'times', 'aside']);
/** A piece of a line that says nothing but how often all of it is done. */
function isClockOfAll(said: Said, item: Item): boolean {
  if (sureOf(item) >= LIKELY || isItsCount(said, item)) return false;
  const tokens = tokensOf(item.text);
  const facts = factsIn(CLOCK_GRAMMAR, tokens);
  return (
    facts.length > 0 &&
    facts.every(({ fact }) => OF_ALL.has(fact.is)) &&
    leftOver(tokens, facts).length === 0 &&
    tokens.length > 1 &&
    said.content.length > tokens.length
  );
}

/** So many on a line are a list. */
const FEWEST_LISTED = 3;
/** Movements, all of them known or most of them, with pieces of clock between. */
function movements(said: Said): LineOf | null {
  const { rest, titled } = said;
  const { items } = said;
  const good = items.filter((item) => sureOf(item) >= LIKELY);
  const spans = [...spansOf(rest, said.doses), ...spansOfItems(items)];
  const [one, often] = items;
  if (good.length === 1 && good[0] === one && often && isItsCount(said, often)) {
    return said.as('station', sureOf(one!), {
      items: [{ ...one!, facts: [...one!.facts, ...often.facts] }],
      spans,
      titled,
    });
  }
  // "Repeat 4 times" among the movements of a line is of all of them.
  const clocks = items.filter((item) => isClockOfAll(said, item));
  if (clocks.length > 0 && good.length > 0 && good.length + clocks.length === items.length)
    return said.as('station', Math.min(...good.map(sureOf)), {
      items: good,
      facts: clocks.flatMap((item) => factsIn(CLOCK_GRAMMAR, tokensOf(item.text)).map(({ fact }) => fact)),
      spans,
      titled,
    });
  if (good.length === items.length && items.length > 0) {
    // "1 min march, 1 min squats x 5": behind times of their own it is how often all of it.
    const last = items.at(-1)!;
    const count = last.facts.find((fact) => fact.is === 'reps');
    const timed = items.length > 1 && items.every(({ facts }) => facts.some(({ is }) => is === 'seconds'));
    if (timed && count?.is === 'reps' && /[x×]\s*\d+\W*$/iu.test(said.text))
      return said.as('station', Math.min(...items.map(sureOf)), {
        items: [...items.slice(0, -1), { ...last, facts: last.facts.filter((fact) => fact !== count) }],
        facts: [{ is: 'rounds', n: count.n }],
        spans,
        titled,
      });
    return said.as('station', Math.min(...items.map(sureOf)), { items, spans, titled });
  }
  if (good.length < 2 && !(good.length === 1 && items.length === 2)) return null;
  // "…, cap 12 mins": a word that the clock's own words lie around is none of its own.
  const ofClock = (item: Item) =>
    said.clock.some(
      ({ fact, from, to }) =>
        OF_BLOCKS.has(fact.is) && rest[from]!.from <= item.from && item.to <= rest[to - 1]!.to,
    );
  const rows = items.filter((item) => {
    const tokens = tokensOf(item.text);
    // Among things to do a ladder lies on the floor.
    if (/^(?:agility )?ladders?$/iu.test(item.text.trim()) && items.length >= FEWEST_LISTED) return true;
    if (sureOf(item) < LIKELY && ofClock(item)) return false;
    return sureOf(item) >= LIKELY || leftOver(tokens, factsIn(CLOCK_GRAMMAR, tokens)).length > 0;
  });
  const elsewhere = said.clock.filter((match) => {
    const from = rest[match.from]!.from;
    const to = rest[match.to - 1]!.to;
    return (
      match.to - match.from > 1 &&
      !rows.some((row) => from < row.to && row.from < to) &&
      !['work', 'reps', 'times', 'sets of', 'phase', 'by round', 'tempo'].includes(match.fact.is)
    );
  });
  // A note behind a name ("keep the chest up") is no station of its own.
  const stations = rows.filter((item, i) => i === 0 || sureOf(item) >= LIKELY || rows.length > 2);
  return said.as('station', Math.min(...stations.map(sureOf)), {
    items: stations,
    facts: elsewhere.map((match) => match.fact),
    spans,
    titled,
  });
}

/** "Upper body", "Core work 2": a part by what it is for. */
function section(said: Said): LineOf | null {
  const { content } = said;
  const sections =
    content.length <= 4 &&
    content.every(
      (token, i) =>
        SECTIONS.has(token.word) ||
        ['circuit', 'work', 'section', 'and', 'part'].includes(token.word) ||
        // Which of several it is stands behind.
        (token.kind === 'number' && i > 0 && token.value <= 20),
    );
  if (!sections || said.listed) return null;
  return said.as('heading', 0.8, {
    role: 'circuit',
    heading: said.words(),
    spans: [{ what: 'heading', from: said.rest[0]!.from, to: said.rest.at(-1)!.to }],
    titled: true,
  });
}

const STRONG = new Set([
  'interval',
  'format',
  'rounds',
  'round rest',
  'level',
  'sets of',
  'steps',
  'stations',
]);

/** A clock with words around it that name nothing: a title, "we go for", "everybody does". */
function clockInWords(said: Said): LineOf | null {
  const { clockFacts, rest, titled, listed } = said;
  if (clockFacts.length === 0 || said.items.some((item) => sureOf(item) >= LIKELY)) return null;
  // "We're doing ten exercises, 30 seconds on each with 15 to change, three times round": the clock in a sentence.
  const whole =
    clockFacts.some((fact) => fact.is === 'interval' || fact.is === 'work') &&
    clockFacts.some((fact) => fact.is === 'rounds' || fact.is === 'rest' || fact.is === 'round rest');
  // Several things with a count each are things to do, known or not.
  const counted = said.items.filter((item) => item.facts.length > 0 && !isClockOnly(item.text));
  if (counted.length >= 2 && said.items.length >= 3 && !whole) return null;
  const leftWords = said.left.filter((token) => token.kind === 'word');
  // "Animal circuit, 30 s each".
  const each = titled && clockFacts.some((fact) => fact.is === 'work') && rest.some((t) => t.word === 'each');
  // "Sprint to the cone and back x 5" says nothing of a count that climbs.
  const telling = clockFacts.filter((fact) => fact.is !== 'way');
  const strong = each || clockFacts.some((fact) => STRONG.has(fact.is)) || telling.length >= 2;
  const share = said.left.length / said.content.length;
  const plain = clockFacts.every(
    (fact) => fact.is === 'format' && fact.n === undefined && fact.seconds === undefined,
  );
  const heads = leftWords.some((token) => isHead(token.word));
  // How many sets is said of a movement, known or not.
  const ofMove = leftWords.length > 0 && clockFacts.every((fact) => DOSELIKE.has(fact.is));
  const headed = leftWords.some((token) => TITLE_WORDS.has(token.word)) && !(ofMove && heads);
  // A line of a list, the name of a movement, or a bare word of the clock beside another is no clock.
  if (!strong || listed || ((plain || ofMove || heads) && !headed)) return null;
  const sections = leftWords.every((token) => SECTIONS.has(token.word));
  // "Then at the bench, 4 rounds:" heads what is below it.
  if (!titled && share > 0.5 && !sections && !whole && said.colon !== rest.length - 1) return null;
  const first = rest.findIndex((token) => [',', '–', '-', ':', '('].includes(token.word));
  const named =
    first > 0 && rest.slice(0, first).every((token) => token.kind === 'word')
      ? said.words(0, first)
      : said.words();
  const isHeading = leftWords.length > 0 && (titled || sections);
  return said.as(isHeading ? 'heading' : 'clock', 0.75, {
    facts: clockFacts,
    spans: spansOf(rest, said.clock),
    heading: isHeading ? named : null,
    titled,
  });
}

/** What is done in the rests, and nothing else: "active rest: jog" names no station. */
function restsDone(said: Said): LineOf | null {
  const { clockFacts, left } = said;
  if (left.length > 0 || !clockFacts.some((fact) => fact.is === 'resting')) return null;
  return said.as('clock', 0.85, { facts: clockFacts, spans: spansOf(said.rest, said.clock) });
}

/** How hard it is meant to feel, and nothing else. */
function aimed(said: Said): LineOf | null {
  const aim = aimSaid(said.rest);
  const [first] = said.rest;
  return first && aim
    ? said.as('note', 0.9, {
        facts: [{ is: 'aim', aim }],
        spans: [{ what: 'aim', from: first.from, to: said.rest.at(-1)!.to }],
      })
    : null;
}

/** A sentence that names no movement. */
function sentence(said: Said): LineOf | null {
  const { content, items } = said;
  const long = content.length > 9;
  if (!long && !/[.!?]$/.test(said.text.trim())) return null;
  if (said.listed || said.doses.length > 0) return null;
  if (items.length > 0 && Math.max(...items.map(sureOf)) >= (long ? 0.7 : 0.5)) return null;
  return said.as('note', 0.6, { titled: said.titled });
}

/** A line that nobody knows is a station of its own name. */
function ownStation(said: Said): LineOf {
  const { items, rest, titled } = said;
  if (items.length === 0)
    return said.as(said.clockFacts.length > 0 ? 'clock' : 'note', 0.5, {
      facts: said.clockFacts,
      spans: spansOf(rest, said.clock),
      titled,
    });
  const joined: Item = {
    ...items[0]!,
    text: said.text.slice(items[0]!.from, items.at(-1)!.to),
    to: items.at(-1)!.to,
    facts: items.flatMap((item) => item.facts),
  };
  return said.as('station', sureOf(items[0]!), {
    items: [joined],
    spans: [...spansOf(rest, said.doses), ...spansOfItems(items)],
    titled,
    heading: said.colon === rest.length - 1 || titled ? said.words() : null,
  });
}

/** What a line may be, tried in this order: the first that fits is what it is. */
const WAYS: readonly ((said: Said) => LineOf | null)[] = [
  nothingDone,
  day,
  aimed,
  restsDone,
  tier,
  note,
  firstAndSecond,
  oneWhileOther,
  partHeading,
  roundsOfList,
  clockThenMoves,
  kindThenMoves,
  moveOfSteps,
  movesThenClock,
  labelThenWays,
  labelThenMoves,
  titleThenClock,
  clockAlone,
  movements,
  section,
  clockInWords,
  sentence,
];

function lineOf(said: Said): LineOf {
  for (const way of WAYS) {
    const read = way(said);
    if (read) return read;
  }
  return ownStation(said);
}

/** Numbers behind the line's own, each with what it was taken for, if anything; a note keeps its own. */
function numbersOf(read: LineOf, text: string): SaidNumber[] {
  if (read.kind === 'note') return [];
  return withoutBullet(tokensOf(text, MOST_TOKENS)).rest.flatMap((token) => {
    if (token.kind === 'word' || token.kind === 'sign') return [];
    const span = read.spans.find(
      ({ what, from, to }) => what !== 'name' && from <= token.from && token.to <= to,
    );
    // "one leg", "one works, one rests": words of a sentence where no rule took them for how much.
    if (token.spelt && (!span || span.what === 'partner')) return [];
    return [
      {
        said: text.slice(token.from, token.to),
        value: token.value,
        as: span ? (span.what as SaidNumber['as']) : null,
      },
    ];
  });
}

const REMEMBERED = 1000;
const remembered = new WeakMap<Names, Map<string, LineRead>>();
function linesOf(names: Names): Map<string, LineRead> {
  const known = remembered.get(names) ?? new Map<string, LineRead>();
  remembered.set(names, known);
  return known;
}

/** Reads one line by itself: what it may be, before its neighbours are asked. */
export function readLine(
  names: Names,
  line: number,
  whole: string,
  fresh: boolean,
  own: ReadonlyMap<string, string>,
  tabled = false,
): LineRead {
  // A text is read anew at every letter that is typed, and all its lines but one are as before.
  const before = own.size === 0 ? linesOf(names) : null;
  const key = `${fresh ? '+' : '-'}${tabled ? '|' : ''}${whole}`;
  const known = before?.get(key);
  if (known) return { ...known, line };
  const said = new Said(names, own, line, whole, fresh, tabled);
  const read = lineOf(said);
  const all: LineRead = Object.assign(read, { numbers: numbersOf(read, said.text) });
  if (before && whole.length <= LONGEST_LINE) {
    if (before.size >= REMEMBERED) before.clear();
    before.set(key, all);
  }
  return all;
}
