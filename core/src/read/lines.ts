import { CLOCK_GRAMMAR, DOSE_GRAMMAR, type Fact } from './facts.ts';
import { factsIn, type Match } from './grammar.ts';
import { headingOf, isLabel, leftOver, numberedFormat, roundsBehind, withoutBullet } from './headings.ts';
import { apart, itemsOf, labelled, sureOf } from './items.ts';
import type { Item, LineRead, SaidNumber, Span } from './line.ts';
import {
  DAYS,
  DOSELIKE,
  NOTE_STARTS,
  OF_BLOCKS,
  PARTING,
  RESTS,
  SECTIONS,
  TIERS,
  TITLE_WORDS,
} from './line-words.ts';
import { type Names, readName } from './names.ts';
import { type Token, tokensOf } from './tokens.ts';
import { isHead } from './twins.ts';

const spansOf = (tokens: readonly Token[], matches: readonly Match<Fact>[]): Span[] =>
  matches.flatMap(({ fact, from, to, ordinals }) => [
    ...ordinals.map((at) => ({ what: 'heading', from: tokens[at]!.from, to: tokens[at]!.to })),
    { what: fact.is, from: tokens[from]!.from, to: tokens[to - 1]!.to },
  ]);

/** The most of a line that is looked at. */
const LONGEST_LINE = 600;
const MOST_TOKENS = 160;

/** Numbers behind the line's own, each with what it was taken for, if anything; a note keeps its own. */
function numbersOf(read: Omit<LineRead, 'numbers'>, text: string): SaidNumber[] {
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
): LineRead {
  // A text is read anew at every letter that is typed, and all its lines but one are as before.
  const before = own.size === 0 ? linesOf(names) : null;
  const key = `${fresh ? '+' : '-'}${whole}`;
  const known = before?.get(key);
  if (known) return { ...known, line };
  const read = lineOf(names, line, whole, fresh, own);
  const all = { ...read, numbers: numbersOf(read, whole.slice(0, LONGEST_LINE)) };
  if (before && whole.length <= LONGEST_LINE) {
    if (before.size >= REMEMBERED) before.clear();
    before.set(key, all);
  }
  return all;
}

function lineOf(
  names: Names,
  line: number,
  whole: string,
  fresh: boolean,
  own: ReadonlyMap<string, string>,
): Omit<LineRead, 'numbers'> {
  const text = whole.slice(0, LONGEST_LINE);
  const everything = tokensOf(text, MOST_TOKENS);
  const { rest, listed } = withoutBullet(everything);
  const base = {
    line,
    text: whole.trim(),
    items: [] as Item[],
    facts: [] as Fact[],
    spans: [] as Span[],
    role: null,
    heading: null,
    roundNumber: null,
    tier: null,
    fresh,
    titled: false,
    listed,
    label: null,
  };
  const content = rest.filter((token) => token.kind !== 'sign');
  if (content.length === 0) return { ...base, kind: 'note', sure: 1 };
  if (content.every((token) => RESTS.has(token.word))) {
    // "Min 3: rest": a turn of the clock in which nothing is done.
    const turn = listed && content.length === 1 && content[0]!.word === 'rest' ? content[0]! : null;
    if (!turn) return { ...base, kind: 'note', sure: 0.9 };
    const item: Item = {
      text: text.slice(turn.from, turn.to),
      readings: [],
      facts: [],
      from: turn.from,
      to: turn.to,
      joined: null,
      tiers: [],
    };
    return { ...base, kind: 'station', sure: 0, items: [item] };
  }
  const titled = content.some((token) => TITLE_WORDS.has(token.word));
  const colon = rest.findIndex((token) => token.word === ':');
  // A day by itself begins another part.
  if (content.length === 1 && DAYS.has(content[0]!.word))
    return {
      ...base,
      kind: 'heading',
      sure: 0.8,
      role: 'circuit',
      heading: text.slice(content[0]!.from, content[0]!.to),
      spans: [{ what: 'heading', from: content[0]!.from, to: content[0]!.to }],
      titled: true,
    };
  // Easier and harder ways of what stands above.
  const label = rest[0]!.kind === 'word' ? TIERS[rest[0]!.word] : undefined;
  if (label && colon >= 1 && colon <= 2) {
    const items = itemsOf(names, text, rest.slice(colon + 1), own);
    if (items.length > 0 && sureOf(items[0]!) > 0.3)
      return { ...base, kind: 'tier', sure: sureOf(items[0]!), items, tier: label };
  }
  const nth = rest[1]?.kind === 'number';
  if (NOTE_STARTS.has(rest[0]!.word) && !nth && (!listed || colon === 1)) {
    const items = itemsOf(names, text, rest, own);
    if (items.length === 0 || sureOf(items[0]!) < 0.8 || colon === 1)
      return { ...base, kind: 'note', sure: 0.9 };
  }
  const clockMatches = factsIn(CLOCK_GRAMMAR, rest);
  const left = leftOver(rest, clockMatches);
  const clockFacts = clockMatches.map((match) => match.fact);
  const nameAlone = readName(names, rest, own)[0];
  const exactName = (nameAlone?.sure ?? 0) >= 0.95;
  const heading =
    exactName && nameAlone!.moves.length === 1 && !['stretch', 'circuit'].includes(rest[0]!.word)
      ? null
      : headingOf(rest);
  if (heading) {
    const { tokens: after, n: often } = roundsBehind(rest.slice(heading.to));
    // "Round 1 - 45 secs each: squats, press-ups": a clock, and behind its colon the movements.
    const clock = after.slice(
      0,
      Math.max(
        0,
        after.findIndex((token) => token.word === ':'),
      ),
    );
    const parted = clock.length > 0 && leftOver(clock, factsIn(CLOCK_GRAMMAR, clock)).length === 0;
    const said = parted ? clock : after;
    const matches = factsIn(CLOCK_GRAMMAR, said);
    const part = { what: 'heading', from: rest[0]!.from, to: rest[Math.max(0, heading.to - 1)]!.to };
    const again: Fact[] = often === null ? [] : [{ is: 'rounds', n: often }];
    const headed = {
      ...base,
      kind: 'heading' as const,
      facts: [...matches.map((match) => match.fact), ...again],
      spans: [part, ...spansOf(said, matches)],
      role: heading.role,
      heading: text.slice(rest[0]!.from, rest.at(-1)!.to),
      roundNumber: heading.roundNumber,
      titled,
    };
    if (!parted && leftOver(after, matches).length === 0) return { ...headed, sure: 0.95 };
    // "Warm-up: 5 mins - march, arm circles": the time is for all of it.
    const bare = after[0]?.word === '(' && after[2]?.word === ')' ? [after[1]!, ...after.slice(3)] : after;
    const whole =
      bare[0]?.kind === 'seconds' && ['-', '–', '—', ':', ',', 'of'].includes(bare[1]?.word ?? '');
    // "Main: EMOM 20, 10 burpees": the kind of clock before what is done.
    const [begins] = matches;
    const behind = begins?.from === 0 && OF_BLOCKS.has(begins.fact.is) ? begins.to : 0;
    const rows = parted ? after.slice(clock.length + 1) : whole ? bare.slice(2) : after.slice(behind);
    const items = itemsOf(names, text, apart(rows, names, own), own);
    if (whole) {
      // How long all of it is, not each.
      headed.facts = [...again, { is: 'in all seconds', seconds: bare[0]!.value }];
      headed.spans.unshift({ what: 'in all seconds', from: bare[0]!.from, to: bare[0]!.to });
    }
    const good = items.filter((item) => sureOf(item) >= 0.6).length;
    // "Warm up: joint mobility, a light jog": what stands behind the sign is what is done, known or not.
    const listing =
      heading.role !== 'circuit' && heading.role !== null && (whole || heading.to > 0) && items.length > 1;
    if (!listing && (good === 0 || good < items.length / 2)) return { ...headed, sure: 0.7 };
    // Movements on the line itself: of its clock only what can't be a dose of theirs.
    const facts = parted ? headed.facts : headed.facts.filter((fact) => OF_BLOCKS.has(fact.is));
    return { ...headed, sure: 0.85, items, facts };
  }
  // "AMRAP 10: squats, press-ups", "Ladder 1 to 10: swings": the clock, and behind its colon the movements.
  const parting = rest.findIndex(
    (token, i) => i > 0 && PARTING.has(token.word) && token.from > rest[i - 1]!.to,
  );
  for (const cut of [colon, parting]) {
    if (cut < 1 || cut >= rest.length - 1) continue;
    const clock = rest.slice(0, cut);
    const after = rest.slice(cut + 1);
    const named = numberedFormat(clock);
    const matches = named ?? factsIn(CLOCK_GRAMMAR, clock);
    const heads = matches.some(({ fact }) => OF_BLOCKS.has(fact.is));
    if (heads && (named || leftOver(clock, matches).length === 0)) {
      const open = after.findIndex((token) => token.word === '(');
      const all = itemsOf(names, text, apart(after, names, own), own);
      const known = (some: readonly Item[]) => some.filter((item) => sureOf(item) >= 0.6).length;
      // What stands in brackets may only explain: "(1 swing, 1 squat, 2 swings …)".
      const short = open > 0 ? itemsOf(names, text, after.slice(0, open), own) : all;
      const items = known(short) === short.length && known(all) < all.length ? short : all;
      if (items.length > 0 && known(items) >= items.length / 2)
        return {
          ...base,
          kind: 'heading',
          sure: 0.85,
          role: 'circuit',
          heading: named ? text.slice(rest[0]!.from, clock.at(-1)!.to) : null,
          facts: matches.map((match) => match.fact),
          items,
          spans: [
            ...spansOf(clock, matches),
            ...items.map((item) => ({ what: 'name', from: item.from, to: item.to })),
          ],
          titled,
        };
    }
  }
  // "Legs: squats, lunges": what they are of, and behind the colon the movements.
  if (
    colon > 0 &&
    colon <= 4 &&
    colon < rest.length - 1 &&
    !listed &&
    isLabel(names, rest.slice(0, colon), own)
  ) {
    const items = itemsOf(names, text, rest.slice(colon + 1), own);
    const good = items.filter((item) => sureOf(item) >= 0.6).length;
    if (items.length > 0 && good >= items.length / 2) {
      const said = rest.slice(0, colon);
      const whole = said.find((token) => token.kind === 'seconds');
      const sections =
        whole !== undefined || said.every((token) => SECTIONS.has(token.word) || token.word === 'and');
      const facts: Fact[] = whole ? [{ is: 'in all seconds', seconds: whole.value }] : [];
      const spans = [
        ...(whole ? [{ what: 'in all seconds', from: whole.from, to: whole.to }] : []),
        { what: 'heading', from: said[0]!.from, to: said.at(-1)!.to },
        ...items.map((item) => ({ what: 'name', from: item.from, to: item.to })),
      ];
      const heading = text.slice(said[0]!.from, said.at(-1)!.to);
      const sure = Math.min(...items.map(sureOf));
      return sections
        ? { ...base, kind: 'heading', role: 'circuit', heading, sure: 0.85, items, facts, spans, titled }
        : { ...base, kind: 'station', sure, items, spans, titled, label: heading };
    }
  }
  // Words before a colon, and nothing but the clock behind it.
  const levelled = clockFacts.some((fact) => fact.is === 'level');
  if (!levelled && colon > 0 && colon <= 6 && colon < rest.length - 1) {
    const after = rest.slice(colon + 1);
    const matches = factsIn(CLOCK_GRAMMAR, after);
    const named = readName(names, rest.slice(0, colon), own)[0];
    if (
      matches.length > 0 &&
      leftOver(after, matches).length === 0 &&
      (named?.sure ?? 0) < 0.6 &&
      rest.slice(0, colon).every((token) => token.kind === 'word') &&
      rest.slice(0, colon).some((token) => TITLE_WORDS.has(token.word)) &&
      factsIn(CLOCK_GRAMMAR, rest.slice(0, colon)).length === 0
    )
      return {
        ...base,
        kind: 'heading',
        sure: 0.85,
        facts: matches.map((match) => match.fact),
        spans: spansOf(after, matches),
        heading: text.slice(rest[0]!.from, rest[colon - 1]!.to),
        titled,
      };
  }
  if (clockFacts.length > 0 && left.length === 0 && !exactName) {
    const isBreak = clockFacts.every((fact) => fact.is === 'break');
    return {
      ...base,
      kind: isBreak ? 'break' : 'clock',
      sure: 0.95,
      facts: clockFacts,
      spans: spansOf(rest, clockMatches),
      titled,
    };
  }
  const items = labelled(names, text, rest, own) ?? itemsOf(names, text, rest, own);
  const good = items.filter((item) => sureOf(item) >= 0.6);
  const doseMatches = factsIn(DOSE_GRAMMAR, rest);
  const spans = (): Span[] => [
    ...spansOf(rest, doseMatches),
    ...items.map((item) => ({ what: 'name', from: item.from, to: item.to })),
  ];
  if (good.length === items.length && items.length > 0)
    return { ...base, kind: 'station', sure: Math.min(...items.map(sureOf)), items, spans: spans(), titled };
  // Some movements, and pieces of clock between them.
  if (good.length >= 2 || (good.length === 1 && items.length === 2)) {
    const rows = items.filter((item) => {
      const tokens = tokensOf(item.text);
      return sureOf(item) >= 0.6 || leftOver(tokens, factsIn(CLOCK_GRAMMAR, tokens)).length > 0;
    });
    const nameSpans = rows.map(({ from, to }) => ({ from, to }));
    const elsewhere = clockMatches.filter((match) => {
      const from = rest[match.from]!.from;
      const to = rest[match.to - 1]!.to;
      return (
        match.to - match.from > 1 &&
        !nameSpans.some((span) => from < span.to && span.from < to) &&
        !['work', 'reps', 'times'].includes(match.fact.is)
      );
    });
    // A note behind a name ("keep the chest up") is no station of its own.
    const stations = rows.filter((item, i) => i === 0 || sureOf(item) >= 0.6 || rows.length > 2);
    return {
      ...base,
      kind: 'station',
      sure: Math.min(...stations.map(sureOf)),
      items: stations,
      facts: elsewhere.map((match) => match.fact),
      spans: spans(),
      titled,
    };
  }
  const leftWords = left.filter((token) => token.kind === 'word');
  const sections =
    content.length <= 4 &&
    content.every(
      (token, i) =>
        SECTIONS.has(token.word) ||
        ['circuit', 'work', 'section', 'and', 'part'].includes(token.word) ||
        // Which of several it is stands behind.
        (token.kind === 'number' && i > 0 && token.value <= 20),
    );
  const words = text.slice(rest[0]!.from, rest.at(-1)!.to);
  if (sections && !listed)
    return {
      ...base,
      kind: 'heading',
      sure: 0.8,
      role: 'circuit',
      heading: words,
      spans: [{ what: 'heading', from: rest[0]!.from, to: rest.at(-1)!.to }],
      titled: true,
    };
  if (clockFacts.length > 0 && good.length === 0) {
    const strong =
      clockFacts.some((fact) =>
        ['interval', 'format', 'rounds', 'round rest', 'level', 'sets of', 'steps', 'stations'].includes(
          fact.is,
        ),
      ) || clockFacts.length >= 2;
    const share = left.length / content.length;
    const plain = clockFacts.every(
      (fact) => fact.is === 'format' && fact.n === undefined && fact.seconds === undefined,
    );
    // How many sets is said of a movement, known or not.
    const ofMove = leftWords.length > 0 && clockFacts.every((fact) => DOSELIKE.has(fact.is));
    const headed = leftWords.some((token) => TITLE_WORDS.has(token.word));
    // A line of a list, the name of a movement, or a bare word of the clock beside another is no clock.
    const named = listed || ((plain || ofMove || leftWords.some((token) => isHead(token.word))) && !headed);
    if (
      strong &&
      !named &&
      (titled || share <= 0.5 || leftWords.every((token) => SECTIONS.has(token.word)))
    ) {
      const heads = leftWords.length > 0 && (titled || leftWords.every((token) => SECTIONS.has(token.word)));
      const first = rest.findIndex((token) => [',', '–', '-', ':', '('].includes(token.word));
      const named =
        first > 0 && rest.slice(0, first).every((token) => token.kind === 'word')
          ? text.slice(rest[0]!.from, rest[first - 1]!.to)
          : words;
      return {
        ...base,
        kind: heads ? 'heading' : 'clock',
        sure: 0.75,
        facts: clockFacts,
        spans: spansOf(rest, clockMatches),
        heading: heads ? named : null,
        titled,
      };
    }
  }
  const sentence = content.length > 9 || /[.!?]$/.test(text.trim());
  if (
    sentence &&
    !listed &&
    (items.length === 0 || Math.max(...items.map(sureOf)) < (content.length > 9 ? 0.7 : 0.5)) &&
    doseMatches.length === 0
  )
    return { ...base, kind: 'note', sure: 0.6, titled };
  if (items.length === 0)
    return {
      ...base,
      kind: clockFacts.length > 0 ? 'clock' : 'note',
      sure: 0.5,
      facts: clockFacts,
      spans: spansOf(rest, clockMatches),
      titled,
    };
  // A line that nobody knows is a station of its own name.
  const joined: Item = {
    ...items[0]!,
    text: text.slice(items[0]!.from, items.at(-1)!.to),
    to: items.at(-1)!.to,
    facts: items.flatMap((item) => item.facts),
  };
  return {
    ...base,
    kind: 'station',
    sure: sureOf(items[0]!),
    items: [joined],
    spans: spans(),
    titled,
    heading: colon === rest.length - 1 || titled ? words : null,
  };
}
