import { CLOCK_GRAMMAR, type Fact } from './facts.ts';
import { factsIn, type Match } from './grammar.ts';
import { headingOf, isClockOnly, isLabel, leftOver, numberedFormat, roundsBehind } from './headings.ts';
import { apart, itemsOf, sureOf } from './items.ts';
import type { Item } from './line.ts';
import { CLOCK_WORDS, DAYS, LEAST_SESSION, OF_BLOCKS, PARTING, SECTIONS, TITLE_WORDS } from './line-words.ts';
import { readName } from './names.ts';
import { type LineOf, type Said, spansOf, spansOfItems } from './said.ts';
import { type Token, tokensOf } from './tokens.ts';
import { isHead } from './twins.ts';

/** Likely to be a movement. */
const LIKELY = 0.6;
const known = (items: readonly Item[]) => items.filter((item) => sureOf(item) >= LIKELY).length;
/** At least half of what was listed is known: the others are movements too. */
const isList = (items: readonly Item[]) => items.length > 0 && known(items) >= items.length / 2;
/** A dash with a space before it. */
const isParting = (rest: readonly Token[], token: Token, i: number) =>
  i > 0 && PARTING.has(token.word) && token.from > rest[i - 1]!.to;
/** Called so, word for word. */
const NAMED = 0.95;
/** What a part is for, where its heading only says which part it is. */
const CALM: ReadonlyMap<string, 'warm-up' | 'cool-down'> = new Map([
  ['mobility', 'warm-up'],
  ['mobilisation', 'warm-up'],
  ['activation', 'warm-up'],
  ['warm', 'warm-up'],
  ['stretch', 'cool-down'],
  ['flexibility', 'cool-down'],
  ['cool', 'cool-down'],
]);
/** Before a colon, of the clock behind it: "Each block: …", "Dose: …". */
const OF_CLOCKS = new Set([
  'block',
  'dose',
  'timing',
  'time',
  'protocol',
  'scheme',
  'structure',
  'rep',
  'work',
  'part',
]);
/** A part of a session is no shorter, in seconds. Estimate. */
const LEAST_PART = 90;
function movesIn({ names, text, own }: Said, tokens: readonly Token[]): Item[] {
  const items = itemsOf(names, text, apart(tokens, names, own), own);
  const [only] = items;
  // "5 of each: squats and press-ups" lists two things, where no name has both.
  const ands = tokens.flatMap((token, i) => (['and', '&'].includes(token.word) ? [i] : []));
  if (
    items.length !== 1 ||
    ands.length !== 1 ||
    (sureOf(only!) >= NAMED && only!.readings[0]!.moves.length === 1)
  )
    return items;
  const two = itemsOf(
    names,
    text,
    tokens.map((token, i) => (i === ands[0] ? { ...token, word: ',' } : token)),
    own,
  );
  return two.length === 2 && two.some((item) => sureOf(item) >= LIKELY) ? two : items;
}

/** "Warm up jog 5 mins": what it is, and at once what is done. */
function calmThenMoves(said: Said): ReturnType<typeof headingOf> {
  const heading = headingOf(said.rest.slice(0, 2)) ?? headingOf(said.rest.slice(0, 1));
  if (heading?.role !== 'warm-up' && heading?.role !== 'cool-down') return null;
  const to = Math.max(heading.to, 1);
  if (said.rest[0]!.word === 'stretch') return null;
  const items = movesIn(said, said.rest.slice(to));
  // "Warm up lap of the park": in so few words it is what it warms up with, known or not.
  const few = said.rest.length - to <= MOST_OF_WARMING && !said.listed && said.colon < 0;
  return items.length > 0 && (isList(items) || (few && said.rest[to]?.kind === 'word'))
    ? { ...heading, to }
    : null;
}
/** So many words behind "warm up" say what is done. */
const MOST_OF_WARMING = 7;

/** "Football warm-up": a part by what it ends with, alone on its line. */
function calmAtEnd({ content, listed, rest }: Said): ReturnType<typeof headingOf> {
  const from = content.findLastIndex((token) => /^(?:warm|cool)/.test(token.word));
  const alone =
    from >= 1 &&
    from >= content.length - 2 &&
    content.length <= 5 &&
    content.every(({ kind }) => kind === 'word');
  const heading = alone && !listed ? headingOf(content.slice(from)) : null;
  return heading?.to === content.length - from ? { ...heading, to: rest.length } : null;
}

/** Shorter in seconds something is a hold rather than a part of its own. Estimate. */
const LEAST_FINISH = 60;
/** What nothing hard is called, at the beginning or the end of a session. */
const GENTLE =
  /^(?:easy|easily|gentle|gently|light|slow|relaxed|mobility|mobilise|mobiliser|mobilisation|loosen|loosening|stretch|stretching|stretches|breathe|breath|breathing|relax|relaxation|warm|calm|pelvicfloor|pelvic)$/u;
/** Who is spoken of or to before what is done: "we'll start with", "now let's finish with". */
const SPEAKS = new Set(
  'we well ill i will shall lets let us first firstly so now then and today everyone everybody class finally lastly'.split(
    ' ',
  ),
);
const BEGINS = new Set(['start', 'begin', 'open', 'kick', 'starting', 'beginning']);
const ENDS = new Set(['finish', 'end', 'finisher', 'close', 'finishing', 'ending']);
/** "Finish with a two-minute plank", "We'll start with 5 minutes of easy marching": a part, and at once what is done. */
function partInProse(said: Said): ReturnType<typeof headingOf> {
  const words = said.rest.slice(0, 9).map((token) => token.word);
  const verb = words.findIndex((word) => !SPEAKS.has(word));
  const [begins, ends] = [BEGINS.has(words[verb] ?? ''), ENDS.has(words[verb] ?? '')];
  if (!begins && !ends) return null;
  const off = words[verb + 1] === 'off' || words[verb + 1] === 'up' ? verb + 1 : verb;
  const to = words[off + 1] === 'w' && words[off + 2] === '/' ? off + 3 : off + 2;
  if (to === off + 2 && !['with', 'by'].includes(words[off + 1] ?? '')) return null;
  const items = movesIn(said, said.rest.slice(to));
  const gentle = said.rest.slice(to).some(({ word }) => GENTLE.test(word));
  // "A two-minute all-out finisher: your choice": for as long as it says, known or not.
  const forSo =
    said.rest.slice(to).some(({ kind, value }) => kind === 'seconds' && value >= LEAST_FINISH) &&
    items.length > 0;
  if (items.length === 0 || !(known(items) === items.length || forSo)) return null;
  if (ends) return { role: gentle ? 'cool-down' : 'finisher', to, roundNumber: null };
  return gentle && forSo ? { role: 'warm-up', to, roundNumber: null } : null;
}

/** "Warm-up: march, arm circles", "Round 2", "Circuit (x3)": a part by what parts are called. */
export function partHeading(said: Said): LineOf | null {
  const { rest, text } = said;
  const prose = partInProse(said);
  const warming = calmThenMoves(said);
  const heading = headingOf(rest) ?? warming ?? prose ?? calmAtEnd(said);
  if (!heading) return null;
  // "Finish with slow breathing 2 mins" is a part, though all of it is one name.
  const long = rest.some(({ kind, value }) => kind === 'seconds' && value >= LEAST_FINISH);
  const toldCalm = long && heading === prose && heading.role !== 'finisher';
  const exact = said.exactName && said.whole!.moves.length === 1;
  if (exact && !toldCalm && !['stretch', 'circuit'].includes(rest[0]!.word)) return null;
  const { tokens: after, n: often } = roundsBehind(rest.slice(heading.to));
  // "Round 1 - 45 secs each: squats, press-ups": a clock, and behind its colon the movements.
  const clock = after.slice(
    0,
    Math.max(
      0,
      after.findIndex((token) => token.word === ':'),
    ),
  );
  const clockSays = factsIn(CLOCK_GRAMMAR, clock);
  // "Part 1: strength – every 2 mins x 5: 5 back squats": what it is for stands beside its clock.
  const parted =
    clockSays.length > 0 &&
    leftOver(clock, clockSays).every((token) => token.kind === 'word' && SECTIONS.has(token.word));
  const timing = parted ? clock : after;
  const matches = factsIn(CLOCK_GRAMMAR, timing);
  const part = { what: 'heading', from: rest[0]!.from, to: rest[Math.max(0, heading.to - 1)]!.to };
  const again: Fact[] = often === null ? [] : [{ is: 'rounds', n: often }];
  const all = [...matches.map((match) => match.fact), ...again];
  const headed = {
    facts: all,
    spans: [part, ...spansOf(timing, matches)],
    role: heading.role,
    heading: heading === prose ? null : text.slice(rest[0]!.from, rest.at(-1)!.to),
    roundNumber: heading.roundNumber,
    titled: said.titled,
  };
  if (!parted && leftOver(after, matches).length === 0) {
    const calm = heading.role === 'warm-up' || heading.role === 'cool-down';
    const [time, ...more] = headed.facts;
    // "Cool-down - 3 minutes": for all of it.
    const ofEach = rest.some(({ word }) => ['each', 'per', 'every'].includes(word));
    if (calm && !ofEach && time?.is === 'work' && time.seconds >= LEAST_PART && more.length === 0)
      return said.as('heading', 0.95, {
        ...headed,
        facts: [{ is: 'in all seconds', seconds: time.seconds }],
        spans: headed.spans.map((span) =>
          span.what === 'work' ? { ...span, what: 'in all seconds' } : span,
        ),
      });
    return said.as('heading', 0.95, headed);
  }
  // "Warm-up: 5 mins - march, arm circles": the time is for all of it.
  const bare = after[0]?.word === '(' && after[2]?.word === ')' ? [after[1]!, ...after.slice(3)] : after;
  const sign = ['-', '–', '—', ':', ',', 'of', '('].includes(bare[1]?.word ?? '');
  // "2 min jog, 10 arm circles, 10 leg swings": where each of the others has its own, so has the first.
  const first = sign ? [] : itemsOf(said.names, text, bare, said.own);
  const ofFirst =
    first.length > 1 &&
    first.every((item) => item.facts.some(({ is }) => ['seconds', 'reps', 'metres'].includes(is)));
  const timed =
    bare[0]?.kind === 'seconds' &&
    !ofFirst &&
    (sign || (bare[1]?.kind === 'word' && (heading.role === 'warm-up' || heading.role === 'cool-down')));
  // "Main: EMOM 20, 10 burpees": the kind of clock before what is done.
  const [begins] = matches;
  const behind = begins?.from === 0 && OF_BLOCKS.has(begins.fact.is) ? begins.to : 0;
  // "Round 1 - legs: squat, lunge": what it is for, and behind the colon the movements.
  const purpose = parted || (timed && sign) ? -1 : after.findIndex((token) => token.word === ':');
  const labelled = purpose > 0 && purpose <= 4 && isLabel(said.names, after.slice(0, purpose), said.own);
  const rows = labelled
    ? after.slice(purpose + 1)
    : parted
      ? after.slice(clock.length + 1)
      : timed
        ? // "5 mins (march, arm circles)": no bracket is left open.
          bare.slice(sign ? 2 : 1, bare[1]?.word === '(' && bare.at(-1)!.word === ')' ? -1 : undefined)
        : after.slice(behind);
  // "Block 1 - 4 mins: 20 s work 10 s rest: squat jumps, …": how long it is, its clock, and then what.
  const inner = timed && sign ? rows.findIndex((token) => token.word === ':') : -1;
  const its = inner > 0 ? factsIn(CLOCK_GRAMMAR, rows.slice(0, inner)) : [];
  const clocked = its.length > 0 && leftOver(rows.slice(0, inner), its).length === 0;
  const { rest: listedRows, facts: ofAll } = withoutClock(clocked ? rows.slice(inner + 1) : rows);
  const items = movesIn(said, listedRows);
  if (timed) {
    // How long all of it is, not each.
    // "Main 25 mins - 2 x through:": and how often, where that is all that stands behind it.
    const often = factsIn(CLOCK_GRAMMAR, rows);
    const ofRows = items.length === 0 || leftOver(rows, often).length === 0 ? often : [];
    const beside = parted ? matches.filter(({ from }) => timing[from] !== bare[0]) : [];
    if (clocked) headed.spans.unshift(...spansOf(rows, its));
    headed.facts = [
      ...again,
      { is: 'in all seconds', seconds: bare[0]!.value },
      ...[...beside, ...ofRows, ...(clocked ? its : [])].map(({ fact }) => fact),
    ];
    headed.spans.unshift(...spansOf(timing, beside), ...spansOf(rows, ofRows));
    headed.spans.unshift({ what: 'in all seconds', from: bare[0]!.from, to: bare[0]!.to });
  }
  // "Warm up: joint mobility, a light jog": what stands behind the sign is what is done, known or not.
  const listing =
    heading.role !== 'circuit' &&
    heading.role !== null &&
    (timed || heading.to > 0) &&
    (items.length > 1 || ((heading === prose || heading === warming) && items.length === 1));
  if (!listing && !isList(items)) {
    const [lasts] = headed.facts;
    // "Part A: mobility (5 min)": so long for all of it, unless it is for each.
    const whole =
      headed.facts.length === 1 &&
      lasts!.is === 'work' &&
      lasts!.seconds >= LEAST_PART &&
      !rest.some((token) => ['each', 'per', 'every'].includes(token.word));
    const calm = rest.find((token) => CALM.has(token.word));
    return said.as('heading', whole && calm ? 0.9 : 0.7, {
      ...headed,
      ...(whole
        ? { facts: [{ is: 'in all seconds', seconds: (lasts as { seconds: number }).seconds }] }
        : {}),
      ...(whole && calm && heading.role === 'circuit' ? { role: CALM.get(calm.word)! } : {}),
    });
  }
  // "Warm up: jog and stretches 10 mins": so long at the end is for all of them.
  const closing = items.at(-1)!.facts.findLast((fact) => fact.is === 'seconds');
  const calmPart = heading.role === 'warm-up' || heading.role === 'cool-down';
  const shareOut =
    calmPart &&
    items.length > 1 &&
    closing?.is === 'seconds' &&
    closing.seconds >= LEAST_PART &&
    items.slice(0, -1).every((item) => item.facts.length === 0);
  if (shareOut) {
    items[items.length - 1] = {
      ...items.at(-1)!,
      facts: items.at(-1)!.facts.filter((fact) => fact !== closing),
    };
    headed.facts = [{ is: 'in all seconds', seconds: closing.seconds }];
  }
  // Movements on the line itself: of its clock only what can't be a dose of theirs.
  const beside = (match: Match<Fact>) => {
    const next = timing[match.to];
    return next?.kind === 'word' && items.some((item) => item.from <= next.from && next.to <= item.to);
  };
  // "10 to 1 squats and press-ups": how a count climbs or falls is of all of them.
  const own = new Set(
    matches.filter((match) => match.fact.is !== 'steps' && beside(match)).map(({ fact }) => fact),
  );
  const facts =
    parted || shareOut
      ? headed.facts
      : headed.facts.filter((fact) => OF_BLOCKS.has(fact.is) && !own.has(fact));
  return said.as('heading', 0.85, { ...headed, items, facts: [...facts, ...ofAll] });
}

/** "3 x (10 press-ups, 10 squats)", "3 rounds of 10 swings, 10 squats": how often, and then what. */
export function roundsOfList(said: Said): LineOf | null {
  if (!said.rest.some((token) => token.word === '(' || token.word === 'of')) return null;
  const at = said.rest.findIndex((token) => !['then', 'and', 'do', 'complete'].includes(token.word));
  const begins = factsIn(CLOCK_GRAMMAR, said.rest.slice(at)).find(
    ({ fact, from }) => from === 0 && (fact.is === 'times' || fact.is === 'rounds'),
  );
  if (!begins) return null;
  const to = at + begins.to;
  const open = said.rest[to]?.word === '(';
  if (!open && !['of', ':'].includes(said.rest[to]?.word ?? '')) return null;
  const shut = said.rest.findLastIndex((token) => token.word === ')');
  const list = said.rest.slice(to + 1, open && shut > to ? shut : undefined);
  const behind = open && shut > to ? said.rest.slice(shut + 1) : [];
  const { rest, facts } = withoutClock(list);
  const items = movesIn(said, rest);
  if (items.length < 2 || !isList(items)) return null;
  const n = 'n' in begins.fact ? (begins.fact.n ?? 1) : 1;
  const more = factsIn(CLOCK_GRAMMAR, behind);
  return said.as('heading', 0.85, {
    role: 'circuit',
    facts: [{ is: 'rounds', n }, ...facts, ...more.map(({ fact }) => fact)],
    items,
    spans: [...spansOf(said.rest.slice(at), [begins]), ...spansOfItems(items)],
    titled: said.titled,
  });
}

/** "10 squats, 8 lunges - 5 rounds for time": movements, and behind the dash their clock. */
export function movesThenClock(said: Said): LineOf | null {
  const { rest } = said;
  // "1. Squat 2. Press-up 3. Plank (30 s each, 10 s between, x 4)".
  const bracketed = clockInBrackets(rest);
  if (bracketed?.matches.some(({ fact }) => OF_BLOCKS.has(fact.is))) {
    const items = movesIn(said, bracketed.rest);
    if (items.length >= 2 && known(items) === items.length)
      return said.as('station', Math.min(...items.map(sureOf)), {
        items,
        facts: bracketed.matches.map(({ fact }) => fact),
        spans: [
          ...spansOf(rest.slice(bracketed.rest.length + 1, -1), bracketed.matches),
          ...spansOfItems(items),
        ],
        titled: said.titled,
      });
  }
  const cut = rest.findLastIndex((token, i) => isParting(rest, token, i));
  if (cut < 3 || cut >= rest.length - 1) return null;
  const clock = rest.slice(cut + 1);
  const matches = factsIn(CLOCK_GRAMMAR, clock);
  if (!matches.some(({ fact }) => OF_BLOCKS.has(fact.is)) || leftOver(clock, matches).length > 0) return null;
  const items = movesIn(said, rest.slice(0, cut));
  if (items.length < 2 || known(items) < items.length) return null;
  return said.as('station', Math.min(...items.map(sureOf)), {
    items,
    facts: matches.map(({ fact }) => fact),
    spans: [...spansOf(clock, matches), ...spansOfItems(items)],
    titled: said.titled,
  });
}

/** Facts that are of the whole part though they stand among its movements: "then 2 of each, up to 10". */
const OF_ALL = new Set<Fact['is']>(['steps', 'round rest', 'rounds', 'way']);
/** "…, presses, rest 60 s, 2 times": what is said of the clock behind the last movement, with how often in it. */
function clockAtEnd(
  all: readonly Token[],
): { rest: readonly Token[]; matches: readonly Match<Fact>[] } | null {
  const found = factsIn(CLOCK_GRAMMAR, all);
  const isSign = (token: Token) => token.kind === 'sign';
  let from = all.length;
  const matches: Match<Fact>[] = [];
  for (const match of [...found].reverse()) {
    if (!all.slice(match.to, from).every(isSign) || !AT_END.has(match.fact.is)) break;
    from = match.from;
    matches.unshift(match);
  }
  while (from > 0 && isSign(all[from - 1]!) && all[from - 1]!.word !== ')') from--;
  const parts = from > 0 && from < all.length && isSign(all[from]!);
  const often = matches.some(({ fact }) => ['rounds', 'interval', 'bouts each'].includes(fact.is));
  // One alone stands behind a dash: "… - 3 goes each".
  if (!parts || !often || (matches.length < 2 && !PARTING.has(all[from]!.word))) return null;
  // With how often, a rest lies between the rounds.
  const ofRounds = matches.map(
    (match): Match<Fact> =>
      match.fact.is === 'rest' && !match.fact.between && !matches.some(({ fact }) => fact.is === 'interval')
        ? { ...match, fact: { is: 'round rest', seconds: match.fact.seconds } }
        : match,
  );
  return { rest: all.slice(0, from), matches: ofRounds };
}
/** "…, plank (8 rounds each, 1 min rest between)": brackets at the end with nothing in them but several things of the clock. */
function clockInBrackets(
  all: readonly Token[],
): { rest: readonly Token[]; matches: readonly Match<Fact>[] } | null {
  const open = all.findLastIndex((token) => token.word === '(');
  if (open < 1 || all.at(-1)!.word !== ')') return null;
  const inside = all.slice(open + 1, -1);
  const matches = factsIn(CLOCK_GRAMMAR, inside);
  return matches.length > 1 && leftOver(inside, matches).length === 0
    ? { rest: all.slice(0, open), matches }
    : null;
}
const AT_END = new Set<Fact['is']>(['rounds', 'bouts each', 'rest', 'round rest', 'interval', 'break']);
function withoutClock(all: readonly Token[]): { rest: readonly Token[]; facts: Fact[] } {
  // "10 moves x 10 reps - squat, lunge": a clock of its own, and behind the dash the movements.
  const cut = all.findIndex((token, i) => isParting(all, token, i));
  const before = cut > 0 ? factsIn(CLOCK_GRAMMAR, all.slice(0, cut)) : [];
  const parted = before.length > 0 && leftOver(all.slice(0, cut), before).length === 0;
  // "…, row, plank - 40 s on, 20 s off, 2 rounds": movements, and behind the last dash their clock.
  const last = all.findLastIndex((token, i) => isParting(all, token, i));
  const tail = !parted && last > 2 ? factsIn(CLOCK_GRAMMAR, all.slice(last + 1)) : [];
  const closes =
    tail.some(({ fact }) => ['interval', 'format', 'rounds', 'sets'].includes(fact.is)) &&
    leftOver(all.slice(last + 1), tail).length === 0;
  const ends = parted || closes ? null : (clockAtEnd(all) ?? clockInBrackets(all));
  const tokens = parted ? all.slice(cut + 1) : closes ? all.slice(0, last) : ends ? ends.rest : all;
  const found = factsIn(CLOCK_GRAMMAR, tokens).filter(
    ({ fact, from, to }) => OF_ALL.has(fact.is) && to - from >= 3,
  );
  return {
    rest: tokens.filter((_, i) => !found.some(({ from, to }) => from <= i && i < to)),
    facts: [
      ...(parted ? before : closes ? tail : (ends?.matches ?? [])).map(({ fact }) => fact),
      ...found.map(({ fact }) => fact),
    ],
  };
}

/** "AMRAP 10: squats, press-ups", "Ladder 1 to 10 - swings": the clock, and behind its sign the movements. */
export function clockThenMoves(said: Said): LineOf | null {
  const { rest, text, names, own } = said;
  const parting = rest.findIndex((token, i) => isParting(rest, token, i));
  for (const cut of [said.colon, parting]) {
    if (cut < 1 || cut >= rest.length - 1) continue;
    // "Tabata thurs: squats, lunges": the day says nothing of the clock.
    // "Ladder: 1-10 burpees": the colon is in the middle of what the clock says.
    const over = said.clock.find(({ fact, from, to }) => fact.is === 'steps' && from < cut && to > cut + 1);
    const clock = rest.slice(0, over?.to ?? cut).filter((token) => !DAYS.has(token.word));
    const after = rest.slice(over?.to ?? cut + 1);
    if (after.length === 0) continue;
    const named = numberedFormat(clock);
    const matches = named ?? factsIn(CLOCK_GRAMMAR, clock);
    // "One minute of each: squats, lunges".
    const each = clock.some((token) => token.word === 'each');
    // "Three sets of ten: curl, row, squat".
    const sets = cut === said.colon && !said.listed;
    const ofAll = (fact: Fact) =>
      OF_BLOCKS.has(fact.is) ||
      (each && ['work', 'reps'].includes(fact.is)) ||
      (sets && ['sets', 'sets of'].includes(fact.is));
    // "Partner workout, 20 mins, share them: 100 squats, …": as long as a session it is of all of them.
    const whole = cut === said.colon && matches.some(({ fact }) => isWhole(fact));
    const entitled = leftOver(clock, matches).every(
      (token) => token.kind !== 'word' || TITLE_WORDS.has(token.word),
    );
    // "4 mins: 5 burpees, 10 squats": where each has a count the time is for all of them.
    const [lasts] = matches;
    const forAll =
      cut === said.colon &&
      matches.length === 1 &&
      lasts!.fact.is === 'work' &&
      lasts!.fact.seconds >= LEAST_PART &&
      leftOver(clock, matches).length === 0 &&
      !said.listed &&
      (behindSteps(after) ||
        countedAll(
          itemsOf(names, text, withoutClock(after).rest, own).filter((item) => !isClockOnly(item.text)),
        ));
    if (!matches.some(({ fact }) => ofAll(fact)) && !whole && !forAll) continue;
    // "Blast 1 (3 x 40/20): squat, row": what the part is called, and then its clock.
    const called = named || cut !== said.colon ? null : nameBefore(said, clock, matches);
    // "MRT 40 on 20 off, 5 rounds - swing, …": a word nobody knows in front is what it is called.
    const unknown = leftOver(clock, matches);
    const calledSo =
      unknown.length > 0 &&
      unknown.length <= MOST_CALLED &&
      unknown.every((token, i) => token === clock[i] && token.kind === 'word' && !isHead(token.word)) &&
      matches.some(({ fact }) => fact.is === 'interval') &&
      !said.listed;
    if (!named && !called && unknown.length > 0 && !(whole && entitled) && !calledSo) continue;
    const { rest: behind, facts } = withoutClock(after);
    const open = behind.findIndex((token) => token.word === '(');
    const all = movesIn(said, behind);
    // What stands in brackets may only explain: "(1 swing, 1 squat, 2 swings …)".
    const explains = behind.at(-1)?.word === ')';
    const short = open > 0 && explains ? itemsOf(names, text, behind.slice(0, open), own) : all;
    const listed = known(short) === short.length && known(all) < all.length ? short : all;
    // "…, as many times as you can": of the clock as well, where the time is for all of it.
    const closing = forAll ? listed.filter((item) => isClockOnly(item.text)) : [];
    const items = listed.filter((item) => !closing.includes(item));
    if (!isList(items)) continue;
    return said.as('heading', 0.85, {
      role: 'circuit',
      heading: named ? text.slice(rest[0]!.from, clock.at(-1)!.to) : called,
      facts: [
        ...matches.map(
          ({ fact }): Fact =>
            (forAll && fact.is === 'work') || isWhole(fact)
              ? { is: 'in all seconds', seconds: fact.seconds }
              : fact,
        ),
        ...facts,
        ...closing.flatMap((item) => factsIn(CLOCK_GRAMMAR, tokensOf(item.text)).map(({ fact }) => fact)),
      ],
      items,
      spans: [...spansOf(clock, matches), ...spansOfItems(items)],
      titled: said.titled,
    });
  }
  return null;
}
/** "5-4-3-2-1 burpees, jump lunges": a count that falls or climbs stands before what is done. */
const behindSteps = (after: readonly Token[]): boolean =>
  factsIn(CLOCK_GRAMMAR, after).some(({ fact, from }) => fact.is === 'steps' && from === 0);
const countedAll = (items: readonly Item[]): boolean =>
  items.length > 1 && items.every(({ facts }) => facts.some((fact) => fact.is === 'reps'));
/** As many words in front of a clock are what it is called. */
const MOST_CALLED = 3;
/** As long as a session: nobody does one thing for that long. */
const isWhole = (fact: Fact): fact is Extract<Fact, { is: 'work' }> =>
  fact.is === 'work' && fact.seconds >= LEAST_SESSION;

/** "Tabata plank / hollow hold": the kind of clock and then its movements, with nothing between. */
export function kindThenMoves(said: Said): LineOf | null {
  const { rest } = said;
  const kind = said.clock.find(({ fact }) => fact.is === 'format');
  if (said.clock[0]?.from !== 0 || kind?.fact.is !== 'format') return null;
  // "Tabata (8 rounds of 20/10) alternate between …": with its numbers, and nothing but signs among them.
  const to = said.clock.reduce(
    (end, match) =>
      rest.slice(end, match.from).every(({ kind, word }) => kind === 'sign' || CLOCK_WORDS.has(word))
        ? match.to
        : end,
    0,
  );
  if (to >= rest.length || said.clock.some((match) => match.to > to)) return null;
  // "Death by burpees: 1 in minute 1, 2 in minute 2": how it grows is told behind the colon.
  if (said.colon >= 0 && kind.fact.grow === undefined) return null;
  if (said.exactName && said.whole!.moves.length === 1) return null;
  const items = movesIn(said, rest.slice(to, said.colon >= 0 ? said.colon : undefined));
  const fewest = kind.fact.is === 'format' && kind.fact.grow !== undefined ? 1 : 2;
  if (items.length < fewest || known(items) < items.length) return null;
  return said.as('heading', 0.85, {
    role: 'circuit',
    facts: said.clockFacts,
    items,
    spans: [...spansOf(rest, said.clock), ...spansOfItems(items)],
    titled: said.titled,
  });
}

/** "Burpee pyramid: 2-4-6-8-6-4-2": what is done, the kind of count, and behind a colon how it climbs and falls. */
export function moveOfSteps(said: Said): LineOf | null {
  const { rest, colon } = said;
  if (colon < 1 || colon === rest.length - 1) return null;
  const behind = rest.slice(colon + 1);
  const matches = factsIn(CLOCK_GRAMMAR, behind);
  if (!matches.some(({ fact }) => fact.is === 'steps') || leftOver(behind, matches).length > 0) return null;
  const before = rest.slice(0, colon);
  const kinds = factsIn(CLOCK_GRAMMAR, before).filter(
    ({ fact }) => fact.is === 'format' || fact.is === 'way',
  );
  const items = movesIn(
    said,
    before.filter(
      (token, i) => !kinds.some(({ from, to }) => from <= i && i < to) && !OF_COUNTS.has(token.word),
    ),
  );
  if (items.length === 0 || known(items) < items.length) return null;
  return said.as('heading', 0.85, {
    role: 'circuit',
    facts: [...kinds, ...matches].map(({ fact }) => fact),
    items,
    spans: [...spansOf(before, kinds), ...spansOf(behind, matches), ...spansOfItems(items)],
    titled: said.titled,
  });
}
/** What a count that climbs or falls is called besides. */
const OF_COUNTS = new Set([
  'ladder',
  'countdown',
  'challenge',
  'count',
  'climb',
  'climber',
  'rep',
  'descending',
  'ascending',
]);

/** Who of two is meant, before what they do: "partner A", "one person", "the other". */
const WHO = new Set(['partner', 'person', 'a', 'b', 'one', 'the', 'other', 'p', 'player', 'p1', 'p2']);
const DOES = new Set(['do', 'does', 'doing', 'perform', 'performs', 'is', 'in', 'complete']);
/** What somebody does whose movement stands elsewhere: "one works". */
const WORKS = new Set(['work', 'works', 'working', 'go', 'goes', 'exercise', 'exercises', 'train', 'trains']);
/** What stands behind who does it. */
function withoutWho(tokens: readonly Token[]): { rest: readonly Token[]; who: boolean } {
  let at = 0;
  while (at < tokens.length - 1 && (WHO.has(tokens[at]!.word) || (at > 0 && tokens[at]!.word.length === 1)))
    at++;
  const who = at > 0;
  while (who && at < tokens.length - 1 && DOES.has(tokens[at]!.word)) at++;
  return { rest: tokens.slice(at), who };
}

/** The first and the second of two: "P1", "partner 2", "person B". */
function nthOfTwo(rest: readonly Token[], at: number): { nth: 1 | 2; to: number } | null {
  const [word, next] = [rest[at]?.word ?? '', rest[at + 1]];
  const alone = /^p([12ab])$/u.exec(word)?.[1];
  const said =
    alone ??
    (['partner', 'person', 'player', 'athlete', 'p'].includes(word)
      ? next?.kind === 'number'
        ? String(next.value)
        : next?.word
      : undefined);
  const nth = said === '1' || said === 'a' ? 1 : said === '2' || said === 'b' ? 2 : null;
  if (nth === null) return null;
  let to = at + (alone ? 1 : 2);
  while (rest[to] && (rest[to]!.kind === 'sign' || DOES.has(rest[to]!.word))) to++;
  return { nth, to };
}
const CHANGES_OVER = new Set(['swap', 'switch', 'change', 'then', 'and', 'over', 'repeat', 'place', 'role']);
/** "P1 runs 200 m, P2 holds a plank, swap": one thing while the other does another; each does both. */
export function firstAndSecond(said: Said): LineOf | null {
  const { rest, text, names, own } = said;
  const first = nthOfTwo(rest, 0);
  if (first?.nth !== 1) return null;
  const at = rest.findIndex((_, i) => i >= first.to && nthOfTwo(rest, i)?.nth === 2);
  if (at < 0) return null;
  let end = rest.length;
  while (end > at && (rest[end - 1]!.kind === 'sign' || CHANGES_OVER.has(rest[end - 1]!.word))) end--;
  const pieces = [rest.slice(first.to, at), rest.slice(nthOfTwo(rest, at)!.to, end)].map((some) => {
    const without = some.findLastIndex(
      ({ kind, word }) => kind !== 'sign' && word !== 'while' && word !== 'and',
    );
    return itemsOf(names, text, some.slice(0, without + 1), own);
  });
  const items = pieces.flat();
  if (pieces.some(({ length }) => length !== 1) || known(items) < 1) return null;
  const [one, other] = items;
  const called = (of: Item) => of.readings[0]?.names.join(' and ').toLowerCase() ?? of.text;
  const beside = (facts: Item['facts'], of: Item): Item['facts'] => [
    ...facts,
    { is: 'remark', says: `Your partner does: ${called(of)}; then change over` },
  ];
  return said.as('station', Math.min(...items.map(sureOf)), {
    items: [
      { ...one!, facts: beside(one!.facts, other!), joined: null },
      { ...other!, facts: beside(other!.facts, one!), joined: 'next' },
    ],
    spans: spansOfItems(items),
    titled: said.titled,
  });
}

/** "A squats while B holds a plank, swap every 30 s": two things done at once by two, who then change places. */
export function oneWhileOther(said: Said): LineOf | null {
  const { rest, text, names, own } = said;
  // "One planks, the other does step-ups".
  const beside = rest.findIndex(
    (token, i) =>
      token.word === ',' &&
      (rest[i + 1]?.word === 'other' || (rest[i + 1]?.word === 'the' && rest[i + 2]?.word === 'other')),
  );
  const joined = rest.findIndex((token) => token.word === 'while' || token.word === 'whilst');
  const at = joined >= 0 ? joined : beside;
  if (at < 2) return null;
  // "Buddy workout: one does …": what stands before the colon is what it is called.
  const label = said.colon > 0 && said.colon < at - 1 ? said.colon + 1 : rest[0]!.word === 'then' ? 1 : 0;
  const one = withoutWho(rest.slice(label, at));
  const other = withoutWho(rest.slice(at + 1));
  if (!one.who || !other.who) return null;
  const works = one.rest.every((token) => WORKS.has(token.word));
  const stop = other.rest.findIndex(
    (token, i) => i > 0 && [',', '.', ';', '-', '–', '—', 'then', '('].includes(token.word),
  );
  const behind = stop < 0 ? [] : other.rest.slice(stop);
  const matches = factsIn(CLOCK_GRAMMAR, behind);
  // "One works while the other holds a plank": what is worked at stands below; what the other does meanwhile is said.
  if (works && matches.length > 0)
    return said.as('clock', 0.75, {
      heading: label > 0 ? said.words(0, label - 1) : null,
      facts: [...matches.map((match) => match.fact), { is: 'remark', says: said.words(label) }],
      spans: spansOf(behind, matches),
      titled: said.titled,
    });
  const items = [one.rest, stop < 0 ? other.rest : other.rest.slice(0, stop)].flatMap((some) =>
    itemsOf(names, text, some, own),
  );
  if (items.length !== 2 || known(items) < 1) return null;
  return said.as('heading', 0.8, {
    role: 'circuit',
    items: items.map((item, i) => ({ ...item, joined: i === 0 ? null : 'next' })),
    heading: label > 0 ? said.words(0, label - 1) : null,
    facts: matches.map((match) => match.fact),
    spans: [...spansOf(behind, matches), ...spansOfItems(items)],
    titled: said.titled,
  });
}

/** Words before a part's clock that name no movement; null where there are none. */
function nameBefore(said: Said, clock: readonly Token[], matches: readonly Match<Fact>[]): string | null {
  const first = matches.find(({ fact }) => fact.is !== 'aside');
  const open = clock.findIndex((token) => token.word === '(');
  const shut = clock.findIndex((token, i) => i > open && token.word === ')');
  // "Upper body (dumbbells), 3 sets of 12": words in brackets are of the name.
  const words =
    open > 0 && shut > open && clock.slice(open + 1, shut).every((token) => token.kind === 'word');
  const to = words ? shut + 1 : clock.findIndex((token, i) => token.word === '(' || i === first?.from);
  const label = clock.slice(0, words ? open : to).filter((token) => token.kind !== 'sign');
  const behind = clock.slice(to);
  if (to < 1 || label.length > 5 || !label.some((token) => token.kind === 'word')) return null;
  const inside = factsIn(CLOCK_GRAMMAR, behind);
  if (leftOver(behind, inside).length > 0 || !isLabel(said.names, label, said.own)) return null;
  return said.text.slice(label[0]!.from, label.at(-1)!.to);
}

/** "Cardio 1 - jacks, high knees": a part of the body or of a session before a dash, and which of several; −1 for none. */
function sectionTo(rest: readonly Token[]): number {
  const at = rest.findIndex((token, i) => isParting(rest, token, i));
  const isPart = (token: Token, i: number) =>
    SECTIONS.has(token.word) || (i > 0 && token.kind === 'number' && token.value <= 20);
  return at > 0 && at <= 3 && rest.slice(0, at).every(isPart) ? at : -1;
}

/** "Legs: squats, lunges": what they are of, and behind the colon the movements. */
/** "Squat: chair squat / squat / jump squat": behind a label, one movement in several ways. */
export function labelThenWays(said: Said): LineOf | null {
  const { rest, text, names, own, colon } = said;
  if (colon < 1 || colon > 3 || !rest.slice(0, colon).every((token) => token.kind === 'word')) return null;
  const after = rest.slice(colon + 1);
  if (!after.some((token) => token.word === '/') || after.some((token) => token.word === ',')) return null;
  const items = itemsOf(names, text, after, own);
  const [only] = items;
  if (items.length !== 1 || only!.tiers.length === 0 || sureOf(only!) < LIKELY) return null;
  return said.as('station', sureOf(only!), {
    items,
    spans: spansOfItems(items),
    label: said.words(0, colon),
  });
}

export function labelThenMoves(said: Said): LineOf | null {
  const { rest, text, names, own, titled } = said;
  const colon = said.colon > 0 ? said.colon : sectionTo(rest);
  if (colon < 1 || colon >= rest.length - 1 || said.listed) return null;
  // "Back class (for Jo): pelvic tilts, knee rolls": what stands in brackets is no part of what it is called.
  const open = rest.findIndex((token) => token.word === '(');
  const label = rest.slice(0, open > 0 && open < colon ? open : colon);
  if (said.clockFacts.filter((fact) => fact.is === 'level').length >= 2) return null;
  const long = label.filter((token) => token.kind !== 'sign').length;
  if (long > 8 || !isLabel(names, label, own)) return null;
  const { rest: behind, facts: ofAll } = withoutClock(rest.slice(colon + 1));
  const items = itemsOf(names, text, behind, own);
  const dosed = items.filter((item) => item.facts.length > 0).length;
  // Three things and more behind it, most with a count, are things to do, known or not.
  // And two, where each has one.
  const twoDosed = items.length === 2 && dosed === 2;
  if (!isList(items) && !twoDosed && !(items.length >= 3 && dosed >= items.length / 2)) return null;
  // "Each block: 4 exercises, 40 s work, 20 s rest" lists nothing that is done.
  if (items.every((item) => sureOf(item) < LIKELY && isClockOnly(item.text))) return null;
  if ((long > 4 && items.length < 2) || (long > 6 && known(items) < 3)) return null;
  // "Balance 15: …": for so many minutes.
  const minutes = label.find(
    (token, i) =>
      i > 0 &&
      i === label.length - 1 &&
      token.kind === 'number' &&
      !token.spelt &&
      token.value >= 5 &&
      token.value <= 60,
  );
  const timed = label.find((token) => token.kind === 'seconds' && token.value % 60 === 0);
  const whole =
    timed ??
    (minutes && label.slice(0, -1).every((token) => SECTIONS.has(token.word) || token.word === 'and')
      ? { ...minutes, value: minutes.value * 60 }
      : undefined);
  const sections =
    whole !== undefined ||
    // "Then strength: …": another part.
    ['then', 'next', 'afterwards', 'finally'].includes(label[0]!.word) ||
    DAYS.has(label[0]!.word) ||
    (['day', 'session', 'week'].includes(label[0]!.word) && label[1]?.kind === 'number') ||
    label.every((token) => SECTIONS.has(token.word) || token.word === 'and');
  const heading = said.words(0, colon);
  const spans = [
    ...(whole ? [{ what: 'in all seconds', from: whole.from, to: whole.to }] : []),
    { what: 'heading', from: label[0]!.from, to: label.at(-1)!.to },
    ...spansOfItems(items),
  ];
  const facts: Fact[] = [
    ...(whole ? [{ is: 'in all seconds', seconds: whole.value } as const] : []),
    ...ofAll,
  ];
  return sections
    ? said.as('heading', 0.85, { role: 'circuit', heading, items, facts, spans, titled })
    : said.as('station', Math.min(...items.map(sureOf)), { items, facts, spans, titled, label: heading });
}

/** What all of a part takes at least, s; less is for one thing of it. Estimate. */
const LEAST_TITLED = 300;
/** Nobody does one thing of a part for so long, s. Estimate. */
const LEAST_OF_PART = 180;
const PLACED = new Set(['seated', 'standing', 'chair', 'floor', 'balance', 'back', 'leg', 'arm', 'shoulder']);
/** Of the words that make a title only where or with what it is done. */
const placed = (label: readonly Token[]): boolean =>
  label.every(
    ({ word }) => PLACED.has(word) || ![TITLE_WORDS, OF_CLOCKS, SECTIONS].some((words) => words.has(word)),
  );

/** "Tuesday circuit: 40/20 x 3", "Chair class - all 10 reps": what it is called, and nothing but the clock behind. */
export function titleThenClock(said: Said): LineOf | null {
  const { rest } = said;
  const cut = said.colon > 0 ? said.colon : rest.findIndex((token, i) => isParting(rest, token, i));
  if (cut < 1 || cut > 6 || cut >= rest.length - 1) return null;
  if (said.clockFacts.some((fact) => fact.is === 'level')) return null;
  const label = rest.slice(0, cut);
  const after = rest.slice(cut + 1);
  const matches = factsIn(CLOCK_GRAMMAR, after);
  // "HIIT 20 min: 30/15": how long all of it goes on.
  const whole = label.find((token) => token.kind === 'seconds' && token.value >= LEAST_PART);
  const plain =
    label.every(
      (token, i) =>
        token.kind === 'word' ||
        token === whole ||
        // "Week 1: …"
        (token.kind === 'number' && i > 0 && i === label.length - 1),
    ) &&
    label.some(
      (token, i) =>
        (i === 0 && ['each', 'every', 'all', 'per'].includes(token.word)) ||
        [TITLE_WORDS, OF_CLOCKS, SECTIONS].some((words) => words.has(token.word)),
    ) &&
    factsIn(
      CLOCK_GRAMMAR,
      label.filter((token) => token !== whole),
    ).length === 0;
  if (matches.length === 0 || leftOver(after, matches).length > 0 || !plain) return null;
  if ((readName(said.names, label, said.own)[0]?.sure ?? 0) >= LIKELY) return null;
  // "Seated mountain pose - 1 min" is done for so long: where it is done makes no title.
  const [time] = matches;
  const ofOne = matches.length === 1 && time!.fact.is === 'work' && time!.fact.seconds < LEAST_TITLED;
  if (ofOne && !after.some(({ word }) => ['each', 'per', 'every'].includes(word)) && placed(label))
    return null;
  // "Balance - 5 min": so long for all that stands below it.
  const forAll =
    matches.length === 1 &&
    time!.fact.is === 'work' &&
    time!.fact.seconds >= LEAST_OF_PART &&
    cut !== said.colon
      ? !after.some(({ word }) => ['each', 'per', 'every'].includes(word)) &&
        label.every(({ word }) => SECTIONS.has(word))
      : false;
  // "Work: 30s" is called nothing.
  // Nor is "Each machine: 2 sets of 12".
  const ofEach = ['each', 'every', 'all', 'per'].includes(label[0]!.word);
  const named = !ofEach && !label.every((token) => OF_CLOCKS.has(token.word));
  return said.as(named ? 'heading' : 'clock', 0.85, {
    facts: [
      ...(whole ? [{ is: 'in all seconds', seconds: whole.value } as const] : []),
      ...matches.map(
        ({ fact }): Fact =>
          forAll && fact.is === 'work' ? { is: 'in all seconds', seconds: fact.seconds } : fact,
      ),
    ],
    spans: [
      ...(whole ? [{ what: 'in all seconds', from: whole.from, to: whole.to }] : []),
      ...spansOf(after, matches).map((span) =>
        forAll && span.what === 'work' ? { ...span, what: 'in all seconds' } : span,
      ),
    ],
    heading: named ? said.words(0, cut) : null,
    titled: said.titled,
  });
}
