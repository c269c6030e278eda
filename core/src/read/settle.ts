import { clamp, type Draft, lineOf, type Row, saysClock } from './draft.ts';
import { type Fact, LEAST_AMRAP } from './facts.ts';

/**
 * A1 and A2 are done in turn: two of a letter are a pair, more a round of their own; one alone is by itself. What
 * was said behind the last of a letter is the rest after all of them.
 */
function pairUp(blocks: readonly Draft[]): void {
  for (const block of blocks) {
    const letters = new Set(block.rows.map((row) => row.read.letter));
    const lettered = letters.size === 1 && !letters.has(null);
    if (!lettered || block.rows.length < 2 || block.facts.some((fact) => fact.is === 'format')) continue;
    const often = (fact: Fact) =>
      fact.is === 'sets of' || fact.is === 'sets' || fact.is === 'rounds' || fact.is === 'times';
    const said = [
      ...block.rows.flatMap((row) => row.parts.flatMap((part) => part.facts)),
      ...block.facts,
    ].find(often);
    if (!said) continue;
    const sets = said.is === 'sets of' ? said.sets : (said as { n: number }).n;
    // A rest between the members lies in the break behind them.
    const behind = block.after?.seconds;
    const pair = block.rows.length === 2;
    block.facts = block.facts.map((fact) =>
      fact.is === 'rest' && !fact.between ? { is: 'round rest', seconds: fact.seconds } : fact,
    );
    if (behind !== undefined && !block.facts.some((fact) => fact.is === 'round rest'))
      block.facts.push({ is: 'round rest', seconds: behind });
    if (pair) block.facts.push({ is: 'format', kind: 'superset', n: sets });
    else block.facts.push({ is: 'rounds', n: sets });
  }
}

/** A rest in the middle of a list parts it, unless it comes after every station. */
function splitAtBreaks(block: Draft): Draft[] {
  const inside = block.breaks.filter(({ at }) => at > 0 && at < block.rows.length);
  if (inside.length === 0 || inside.length >= block.rows.length - 1) return [block];
  const cuts = [0, ...inside.map(({ at }) => at), block.rows.length];
  return cuts.slice(0, -1).map((from, i) => ({
    ...block,
    name: i === 0 ? block.name : null,
    facts: [...block.facts],
    heads: i === 0 ? block.heads : [],
    rows: block.rows.slice(from, cuts[i + 1]),
    breaks: [],
    after:
      i < inside.length
        ? { seconds: clamp(inside[i]!.seconds, 0, 900) }
        : block.breaks.some(({ at }) => at === block.rows.length)
          ? block.after
          : null,
  }));
}

/** "8 x 20/10 squat jumps" on every line: each is a clock of its own, with the rest that was said between them. */
function boutsApart(block: Draft): Draft[] {
  const bouts = block.rows.map(({ parts }) =>
    parts.flatMap(({ facts }) => facts).find((fact) => fact.is === 'bouts'),
  );
  if (block.rows.length === 0 || !bouts.every((one) => one !== undefined)) return [block];
  const between = block.facts.findLast((fact) => ['rest', 'round rest', 'part rest'].includes(fact.is));
  const seconds = between && 'seconds' in between ? (between.seconds ?? 0) : 0;
  return block.rows.map((row, i): Draft => {
    const { n, work, rest } = bouts[i] as Extract<Fact, { is: 'bouts' }>;
    const last = i === block.rows.length - 1;
    return {
      ...block,
      name: i === 0 ? block.name : null,
      heads: i === 0 ? block.heads : [],
      rows: [row],
      breaks: [],
      facts: [
        { is: 'interval', work, rest },
        { is: 'rounds', n },
      ],
      after: last ? block.after : seconds > 0 ? { seconds } : null,
    };
  });
}

/** A block for every clock of several, over the same movements. */
const inTurns = (block: Draft, clocks: readonly (readonly Fact[])[], gap: number): Draft[] =>
  clocks.map((facts, i) => ({
    ...block,
    name: i === 0 ? block.name : null,
    heads: i === 0 ? block.heads : [],
    facts: [...facts],
    after: i === clocks.length - 1 ? block.after : gap > 0 ? { seconds: clamp(gap, 0, 900) } : null,
  }));

/** "20 on 10 off, 30 on 15 off, 40 on 20 off, and back down": the same movements by one clock after another. */
function clocksInTurn(block: Draft): Draft[] {
  const isClock = (fact: Fact): fact is Extract<Fact, { is: 'interval' }> => fact.is === 'interval';
  const clocks = block.facts.filter(isClock);
  const often = block.facts.some((fact) => (fact.is === 'rounds' || fact.is === 'times') && fact.n > 1);
  const differ = new Set(clocks.map(({ work, rest }) => `${work}/${rest}`)).size;
  if (clocks.length < 3 || differ < 2 || often) return [block];
  const back = block.facts.some((fact) => fact.is === 'way' && fact.way === 'up and down');
  const kept = block.facts.filter(
    (fact) => !isClock(fact) && fact.is !== 'way' && !(fact.is === 'format' && fact.kind === 'pyramid'),
  );
  const order = back ? [...clocks, ...clocks.slice(0, -1).reverse()] : clocks;
  return inTurns(
    block,
    order.map((clock) => [...kept, clock]),
    0,
  );
}

const LONG_REST = 30;
/** "Tabata x 4" over four movements is one of each. */
function tabatasApart(block: Draft): Draft[] {
  const is = (fact: Fact) => fact.is === 'format' && fact.kind === 'tabata';
  const times = block.facts.find((fact) => fact.is === 'times' || fact.is === 'rounds');
  const many = times && 'n' in times ? times.n : 0;
  const between = block.facts.findLast((fact) =>
    ['rest', 'round rest', 'part rest', 'station rest'].includes(fact.is),
  );
  const gap = between && 'seconds' in between ? (between.seconds ?? 0) : 0;
  // So many bouts of each, and a rest between them that is longer than a bout's.
  const each =
    block.facts.some((fact) => fact.is === 'bouts each') && between?.is !== 'part rest' && gap >= LONG_REST;
  // Each of them is a line, which may have two movements turn and turn about.
  const lines = [...new Set(block.rows.map(({ read }) => read.line))];
  const ofLines = many >= 2 && many === lines.length && many < block.rows.length;
  const groups = ofLines
    ? lines.map((line) => block.rows.filter(({ read }) => read.line === line))
    : block.rows.map((row) => [row]);
  const apart = ofLines || (many >= 2 && many === block.rows.length) || (each && block.rows.length > 1);
  if (!block.facts.some(is) || !apart) return [block];
  const facts = block.facts.filter((fact) => (each || fact !== times) && fact !== between);
  return inTurns(
    block,
    groups.map(() => facts),
    gap,
  ).map((one, i) => ({ ...one, rows: groups[i]!, breaks: [] }));
}

/** Rows by the lines that have several of them; a line with one alone goes on about the line before. */
function linesOfSeveral(rows: readonly Row[]): Row[][] {
  const groups: Row[][] = [];
  for (const row of rows) {
    const ofLine = rows.filter(({ read }) => read.line === row.read.line);
    if (ofLine.length > 1 ? ofLine[0] === row : groups.length === 0) groups.push([row]);
    else groups.at(-1)!.push(row);
  }
  return groups;
}

/** "4 rounds of 4 minutes, 1 minute break, as many as you can": each of them goes on for its work. */
function timedAmraps(block: Draft): Draft {
  const clock = block.facts.find((fact) => fact.is === 'interval');
  const plain = block.facts.find(
    (fact) => fact.is === 'format' && fact.kind === 'amrap' && fact.seconds === undefined,
  );
  // Without a count they are as many as go into the work of each station.
  const counted = block.rows.some(({ parts }) =>
    parts.some(({ facts }) => facts.some(({ is }) => is === 'reps')),
  );
  if (!plain || !counted || clock?.is !== 'interval' || clock.work < LEAST_AMRAP) return block;
  const facts = block.facts.flatMap((fact): Fact[] =>
    fact === plain
      ? [{ is: 'format', kind: 'amrap', seconds: clock.work }]
      : fact === clock
        ? [{ is: 'rest', seconds: clock.rest }]
        : fact.is === 'rounds'
          ? [{ is: 'times', n: fact.n }]
          : [fact],
  );
  return { ...block, facts };
}

/** "AR" is short for "active recovery". */
const labels = (label: string, of: readonly string[]): boolean => {
  const said = label
    .toLowerCase()
    .replace(/[^\p{L}]+/gu, ' ')
    .trim();
  return said === of.join(' ') || said === of.map((word) => word[0]).join('') || of.includes(said);
};
/**
 * "2 min on each CV station, then 1 min on an active recovery station": each as long as its label says, and where two
 * labels have as many stations each, one of the one and one of the other in turn.
 */
function worksOfLabels(block: Draft, notes: string[]): Draft {
  const works = block.facts.filter((fact) => fact.is === 'work of');
  if (works.length === 0) return block;
  const of = works.map((work) =>
    block.rows.filter(({ read }) => read.label !== null && labels(read.label, work.of)),
  );
  const placed = of.flat();
  const facts = block.facts.flatMap((fact): Fact[] =>
    fact.is !== 'work of' ? [fact] : placed.length > 0 ? [] : [{ is: 'work', seconds: fact.seconds }],
  );
  if (placed.length === 0) return { ...block, facts };
  const timed = block.rows.map((row): Row => {
    const work = works[of.findIndex((rows) => rows.includes(row))];
    const [first, ...more] = row.parts;
    return work
      ? {
          ...row,
          parts: [{ ...first!, facts: [...first!.facts, { is: 'seconds', seconds: work.seconds }] }, ...more],
        }
      : row;
  });
  const called = new Set(placed.flatMap(({ read }) => read.label ?? []));
  notes.splice(0, notes.length, ...notes.filter((note) => !called.has(note)));
  const [one, other] = of;
  const inTurn = of.length === 2 && one!.length === other!.length;
  const at = (row: Row) => timed[block.rows.indexOf(row)]!;
  const first = block.rows.findIndex((row) => placed.includes(row));
  const unplaced = block.rows.filter((row) => !placed.includes(row));
  const before = unplaced.filter((row) => block.rows.indexOf(row) < first);
  return {
    ...block,
    name: block.name !== null && called.has(block.name) ? null : block.name,
    facts,
    rows: inTurn
      ? [
          ...before.map(at),
          ...one!.flatMap((row, i) => [at(row), at(other![i]!)]),
          ...unplaced.filter((row) => !before.includes(row)).map(at),
        ]
      : timed,
  };
}

/** As often nobody does one after another. */
const MOST_AMRAPS = 6;
/** "2 x AMRAP 6 min, 2 min rest" over one list is the list by that clock so often. */
function amrapsInTurn(written: Draft): Draft[] {
  const block = timedAmraps(written);
  const is = (fact: Fact) => fact.is === 'format' && fact.kind === 'amrap' && fact.seconds !== undefined;
  const said = block.facts.find(is);
  const times = block.facts.find((fact) => fact.is === 'times');
  const many = times?.is === 'times' ? times.n : said?.is === 'format' ? (said.n ?? 1) : 1;
  if (!said || many < 2 || many > MOST_AMRAPS || block.rows.length === 0) return [block];
  const between = block.facts.findLast((fact) => ['rest', 'round rest', 'part rest'].includes(fact.is));
  const gap = between && 'seconds' in between ? (between.seconds ?? 0) : (block.after?.seconds ?? 0);
  const facts = block.facts.filter((fact) => fact !== times && fact !== between);
  const turns = inTurns(
    block,
    Array.from({ length: many }, () => facts),
    gap,
  );
  // "1: stairs, squats", "2: lunges, dips", "3: …": each of them on a line of its own.
  const ofLines = linesOfSeveral(block.rows);
  return ofLines.length === many ? turns.map((one, i) => ({ ...one, rows: ofLines[i]!, breaks: [] })) : turns;
}

/** "Pair 2": of which of several, and nothing of how long. */
const isBarePair = (fact: Fact) =>
  fact.is === 'format' && fact.kind === 'superset' && fact.n === undefined && fact.seconds === undefined;
/** "Work 40, rest 20" over several parts that say no clock of their own is the clock of each of them. */
function clockAbove(blocks: readonly Draft[]): void {
  const [first, ...others] = blocks.filter((block) => block.role === 'circuit');
  if (!first?.above) return;
  for (const block of others) {
    const counted = block.rows.some(({ parts }) => parts.some(({ facts }) => facts.length > 0));
    if (!counted && !saysClock(block.facts.filter((fact) => !isBarePair(fact))))
      block.facts.unshift(...first.above);
  }
}

/** A heading that names what is then listed ("10 to 1 squats and press-ups") is no station of its own. */
function withoutNamed(block: Draft): void {
  const listed = block.rows.findIndex((row) => row.read.kind !== 'heading');
  if (listed < 1) return;
  const movesOf = (row: Row) => row.parts.flatMap((part) => part.readings[0]?.moves ?? [part.text]);
  const below = new Set(block.rows.slice(listed).flatMap(movesOf));
  const named = block.rows.slice(0, listed);
  if (named.flatMap(movesOf).every((id) => below.has(id))) block.rows.splice(0, listed);
}

/** Nothing is done for longer than a minute or two at one of several places of a turn. In seconds; estimate. */
const LONG_TURN = 90;
const MOST_OF_A_TURN = 4;
/**
 * "Every 3 minutes: 15 rows, 12 press-ups, 9 jumps": a turn so long, over movements with counts and no label of
 * whose turn it is, has all of them in it.
 */
function wholeTurns(block: Draft): void {
  const format = block.facts.find((fact) => fact.is === 'format');
  const clock = format ? undefined : block.facts.find((fact) => fact.is === 'interval');
  const turn = format?.kind === 'emom' ? format.every : clock?.is === 'interval' ? clock.work : undefined;
  if ((turn ?? 0) < (clock ? LEAST_AMRAP : LONG_TURN)) return;
  const { rows } = block;
  const counted = rows.filter(({ parts }) =>
    parts.some(({ facts }) => facts.some((fact) => fact.is === 'reps' || fact.is === 'metres')),
  ).length;
  if (counted < 2 || counted < rows.length - 1 || rows.some(({ read }) => read.listed)) return;
  if (rows.length > MOST_OF_A_TURN) return;
  const [first] = rows;
  block.rows = [
    {
      ...first!,
      parts: rows.flatMap(({ parts }) => parts),
      tiers: rows.flatMap(({ tiers }) => tiers),
    },
  ];
}

/** "5 x 3 min on, 1 min off", and then Min 1, Min 2, Min 3: the minutes of each work, and its rest behind all of them. */
function minutesOfWork(block: Draft): void {
  const clock = block.facts.find((fact) => fact.is === 'interval');
  const minutes = block.rows.length > 1 && block.rows.every(({ read }) => read.turn);
  if (!minutes || clock?.is !== 'interval' || clock.work !== block.rows.length * MINUTE) return;
  block.facts = block.facts.flatMap((fact): Fact[] =>
    fact === clock
      ? [
          { is: 'interval', work: MINUTE, rest: 0 },
          { is: 'round rest', seconds: clock.rest },
          ...(clock.often === undefined ? [] : [{ is: 'rounds', n: clock.often } as const]),
        ]
      : [fact],
  );
}
const MINUTE = 60;

/** "1 min rest between rounds" over rounds with movements of their own: each round but the last has it behind it. */
function restsOfRounds(blocks: readonly Draft[]): void {
  const rounds = blocks.filter((block) => block.round && block.rows.length > 0);
  // "1 min rest between" behind the last of them is said of all, and lies between the rounds.
  const ofAll = rounds[0]?.facts.find(
    (fact) => fact.is === 'rest' && rounds.every((block) => block.facts.includes(fact)),
  );
  const behind = rounds.every(({ rows }) =>
    rows.every(({ parts }) => parts.some(({ facts }) => facts.some((fact) => fact.is === 'seconds'))),
  );
  if (ofAll?.is === 'rest' && behind && rounds.length > 1)
    for (const block of rounds)
      block.facts = block.facts.map((fact) =>
        fact === ofAll ? { is: 'round rest', seconds: ofAll.seconds } : fact,
      );
  const rest = rounds.flatMap((block) => block.facts).findLast((fact) => fact.is === 'round rest');
  if (rounds.length < 2 || rest?.is !== 'round rest') return;
  for (const block of rounds.slice(0, -1))
    if (block.facts.every((fact) => fact.is !== 'rounds' || fact.n === 1))
      block.after ??= { seconds: clamp(rest.seconds, 0, 900) };
}

/** "60 s between rounds, 2 mins between circuits": of two rests the second lies behind each of several parts. */
function restsOfCircuits(blocks: readonly Draft[]): void {
  if (blocks.filter((block) => block.role === 'circuit').length < 2) return;
  for (const block of blocks) {
    const rests = block.facts.filter((fact) => fact.is === 'round rest');
    if (rests.some(({ circuits }) => circuits) && rests.some(({ circuits }) => !circuits))
      block.facts = block.facts.map((fact) =>
        fact.is === 'round rest' && fact.circuits ? { is: 'part rest', seconds: fact.seconds } : fact,
      );
  }
}

/** "1 min between tabatas": behind each of several parts but the last. */
function restsOfParts(blocks: readonly Draft[]): void {
  const parts = blocks.filter((block) => block.role === 'circuit');
  const rest = parts.at(-1)?.facts.findLast((fact) => fact.is === 'part rest');
  if (parts.length < 2 || rest?.is !== 'part rest') return;
  for (const block of parts.slice(0, -1)) block.after ??= { seconds: clamp(rest.seconds, 0, 900) };
}

/** "Upper: …", "Lower: …", "Core: …" on a line each, and then "rest 45 s": it is of all of them. */
function clockOfAll(blocks: readonly Draft[]): void {
  const last = blocks.at(-1);
  if (!last?.inline) return;
  const rests = (fact: Fact) => fact.is === 'rest' || fact.is === 'round rest';
  const often = (fact: Fact) => ['rounds', 'sets', 'bouts each'].includes(fact.is);
  for (const block of blocks.slice(0, -1).reverse()) {
    if (!block.inline || block.role !== 'circuit') break;
    // "45 seconds each, 15 rest" as well, where a list has counts nowhere.
    const counted = block.rows.some(({ parts }) => parts.some(({ facts }) => facts.length > 0));
    const own = counted || saysClock(block.facts);
    if (!own)
      block.facts.push(...last.facts.filter((fact) => saysClock([fact]) && !block.facts.includes(fact)));
    for (const kind of [rests, often])
      if (!block.facts.some(kind)) block.facts.push(...last.facts.filter(kind));
  }
}

/** As few words are a name; more are a sentence. */
const FEWEST_WORDS = 4;
const wordsOf = (row: Row) => row.parts.flatMap((part) => part.text.split(/\s+/)).length;
/** A line of words between others that all have a count is said of them, and nothing that is done. */
function withoutRemarks(block: Draft, notes: string[]): void {
  const dosed = (row: Row) => row.read.listed || row.parts.some((part) => part.facts.length > 0);
  const isRemark = (row: Row) => !dosed(row) && row.read.sure < 0.3 && wordsOf(row) >= FEWEST_WORDS;
  const remarks = block.rows.filter(isRemark);
  // One more line that nobody knows makes no difference to what is said.
  if (remarks.length !== 1 || block.rows.filter(dosed).length < 3) return;
  const [{ read }] = remarks as [Row];
  notes.push(read.text);
  block.heads.push(lineOf(read, { kind: 'note', sure: 0.5, spans: [] }));
  block.rows = block.rows.filter((row) => !remarks.includes(row));
}

/** "Pyramid!" over counts that are all written out is done once, as it is written. */
function writtenOut(block: Draft): void {
  const pyramid = (fact: Fact) => fact.is === 'format' && fact.kind === 'pyramid';
  if (!block.facts.some(pyramid) || block.facts.some((fact) => fact.is === 'steps')) return;
  const counts = new Map<string, Set<number>>();
  for (const { parts } of block.rows)
    for (const part of parts) {
      const reps = part.facts.find((fact) => fact.is === 'reps');
      const name = part.readings[0]?.moves.join('+') ?? part.text;
      if (reps?.is === 'reps') counts.set(name, (counts.get(name) ?? new Set()).add(reps.n));
    }
  if ([...counts.values()].some((of) => of.size > 1))
    block.facts = block.facts.filter((fact) => !pyramid(fact));
}

const withoutReps = (row: Row): Row => ({
  ...row,
  parts: row.parts.map((part) => ({ ...part, facts: part.facts.filter((fact) => fact.is !== 'reps') })),
});

/** "1 jump squats", "2 plank jacks" on a clock: the numbers of a list, however short, and no counts. */
function withoutOrdinals(block: Draft): void {
  const timed = block.facts.some((fact) => fact.is === 'interval' || fact.is === 'work');
  if (!timed || block.rows.length < 2 || block.facts.some((fact) => fact.is === 'format')) return;
  const counts = block.rows.map(({ parts }) =>
    parts.length === 1 ? parts[0]!.facts.filter((fact) => fact.is === 'reps') : [],
  );
  const numbers = counts.every(
    ([one, more], i) => one?.is === 'reps' && !more && !one.each && one.n === i + 1,
  );
  if (!numbers) return;
  block.rows = block.rows.map(withoutReps);
}

/**
 * "1 burpee 1 squat, 2 burpees 2 squats … up to 10": a climb that is begun by hand, and where it ends. Its movements
 * once each, and their counts the clock's.
 */
function climbBegun(block: Draft): void {
  const at = block.rows.findIndex(
    ({ parts }) => parts.length === 1 && /^(?:up )?to$|^until$/i.test(parts[0]!.text.trim()),
  );
  const end = block.rows[at];
  const top = end?.parts[0]?.facts.find((fact) => fact.is === 'reps');
  if (!end || top?.is !== 'reps') return;
  const { line } = end.read;
  const rows = block.rows.slice(0, at).filter(({ read }) => read.line === line);
  const counts = rows.flatMap(({ parts }) => {
    const [only] = parts;
    const reps = only?.facts.find((fact) => fact.is === 'reps');
    return parts.length === 1 && reps?.is === 'reps'
      ? [{ n: reps.n, name: only!.readings[0]?.moves.join('+') ?? only!.text }]
      : [];
  });
  if (rows.length < 2 || counts.length < rows.length) return;
  const { n: from } = counts[0]!;
  const first = counts.filter(({ n }) => n === from).length;
  const by = (counts[first]?.n ?? 0) - from;
  const climbs = counts.every(
    ({ n, name }, i) => n === from + by * Math.floor(i / first) && name === counts[i % first]!.name,
  );
  if (!climbs || by <= 0 || top.n <= counts.at(-1)!.n) return;
  block.facts = block.facts.filter((fact) => !(fact.is === 'format' && fact.kind === 'pyramid'));
  block.facts.push({ is: 'steps', from, by, to: top.n });
  const again = new Set([...rows.slice(first), end]);
  block.rows = block.rows
    .filter((row) => !again.has(row))
    .map((row) => (rows.includes(row) ? withoutReps(row) : row));
}

/** Fewer movements may all be of a warm-up. Estimate. */
const FEWEST_OF_MAIN = 5;
/** "Warm up 5 mins" alone above a list that nothing else heads: what is listed is what it warms up for. */
function mainWithoutHead(blocks: readonly Draft[]): void {
  const filled = blocks.filter(({ rows }) => rows.length > 0);
  const [first] = filled.filter(({ role }) => role === 'warm-up');
  const main = filled.some(({ role }) => role === 'circuit' || role === 'finisher');
  if (!first || main || first.inline || first.rows.length < FEWEST_OF_MAIN) return;
  const length = (fact: Fact) => fact.is === 'in all seconds' || fact.is === 'work';
  if (!first.facts.some(length)) return;
  first.role = 'circuit';
  first.facts = first.facts.filter((fact) => !length(fact));
}

/** "AMRAP 2: 8 lunges": the second of several, which number is no length of its own. */
const NTH = /^\W*(?:amrap|emom|tabata)\s*(\d{1,2})\s*[:.)–—-]/iu;
/** "3 AMRAPs of 10 minutes", and then each by its number: the length is that of all of them. */
function lengthOfKin(blocks: readonly Draft[]): void {
  const nthOf = (block: Draft) => Number(NTH.exec(block.heads.at(-1)?.text ?? '')?.[1] ?? Number.NaN);
  const kin = blocks.filter((block) => !Number.isNaN(nthOf(block)));
  if (kin.length < 2 || !kin.every((block, i) => nthOf(block) === i + 1)) return;
  const lengths = kin[0]!.facts.flatMap((fact) =>
    fact.is === 'format' && fact.seconds !== undefined && fact.seconds > LEAST_LENGTH
      ? [{ is: fact.is, kind: fact.kind, seconds: fact.seconds }]
      : [],
  );
  for (const block of kin) {
    const facts = block.facts.map((fact): Fact => {
      if (fact.is !== 'format' || fact.seconds !== nthOf(block) * LEAST_LENGTH) return fact;
      const { seconds: _, ...bare } = fact;
      return bare;
    });
    const own = facts.some((fact) => fact.is === 'format' && fact.seconds !== undefined);
    const once = facts.map((fact): Fact => {
      if (fact.is !== 'format') return fact;
      const { n: _, ...one } = fact;
      return one;
    });
    block.facts = own ? once : [...lengths, ...once];
  }
}
/** A number beside a part is so many minutes. */
const LEAST_LENGTH = 60;

/** Parts as they stand once all lines have been read: what each says of the others is settled. */
export function settled(blocks: readonly Draft[], notes: string[]): Draft[] {
  mainWithoutHead(blocks);
  pairUp(blocks);
  for (const block of blocks) {
    withoutNamed(block);
    withoutRemarks(block, notes);
    writtenOut(block);
    withoutOrdinals(block);
    climbBegun(block);
    minutesOfWork(block);
    wholeTurns(block);
  }
  lengthOfKin(blocks);
  restsOfRounds(blocks);
  const filled = blocks.filter((block) => block.rows.length > 0);
  restsOfCircuits(filled);
  restsOfParts(filled);
  clockOfAll(filled);
  clockAbove(filled);
  const severalAmraps =
    blocks.filter(({ facts }) => facts.some((fact) => fact.is === 'format' && fact.kind === 'amrap')).length >
    1;
  return blocks
    .map((block) => worksOfLabels(block, notes))
    .flatMap(boutsApart)
    .flatMap(clocksInTurn)
    .flatMap(tabatasApart)
    .flatMap((block) => (severalAmraps ? [block] : amrapsInTurn(block)))
    .flatMap((block) => splitAtBreaks(block));
}
