import type { FormatKind } from '../clock/index.ts';
import type { Plan, RestStyle } from '../session/index.ts';
import { grammarOf, type Rule, type Sets } from './grammar.ts';

/** One thing that a line says of the clock or of how much. */
export type Fact =
  | {
      readonly is: 'interval';
      readonly work: number;
      readonly rest: number;
      /** Said in the same breath: "12 x 45/15". */
      readonly often?: number;
    }
  /** `each` where it is of either side. */
  | { readonly is: 'work'; readonly seconds: number; readonly each?: true }
  /** Of stations that a label says: "2 min on each CV station"; where none has it, of all. */
  | { readonly is: 'work of'; readonly seconds: number; readonly of: readonly string[] }
  /** `between` where that is what it was called: it parts stations, never blocks. */
  | { readonly is: 'rest'; readonly seconds: number; readonly between?: true }
  /** "1:1", "work to rest 2:1": rest as a share of the work. */
  | { readonly is: 'ratio'; readonly work: number; readonly rest: number }
  /** Between parts of a kind: after every pair, after every block. */
  | { readonly is: 'part rest'; readonly seconds: number }
  /** `circuits` where it lies between those: of several parts it is behind each of them. */
  | {
      readonly is: 'round rest';
      readonly seconds: number;
      readonly most?: number;
      readonly circuits?: true;
    }
  | {
      readonly is: 'break';
      readonly seconds: number;
      readonly most?: number;
      readonly drink?: true;
      readonly ready?: true;
    }
  /** `rest` lies between the rounds, `gap` between their stations. */
  | {
      readonly is: 'rounds';
      readonly n: number;
      /** "Repeat", and nobody said how often. */
      readonly bare?: true;
      readonly most?: number;
      readonly rest?: number;
      readonly gap?: number;
    }
  | { readonly is: 'sets'; readonly n: number }
  | { readonly is: 'times'; readonly n: number }
  | {
      readonly is: 'format';
      readonly kind: FormatKind;
      readonly seconds?: number;
      readonly n?: number;
      /** Seconds of a turn that isn't a minute. */
      readonly every?: number;
      /** Every turn has so many more than the one before. */
      readonly grow?: number;
      /** Its steps are seconds. */
      readonly timed?: true;
    }
  | { readonly is: 'cap'; readonly seconds: number }
  /** `what` where it was named: "20 s plank after each". */
  | { readonly is: 'step hold'; readonly seconds: number; readonly what?: string }
  | { readonly is: 'station rest'; readonly seconds: number }
  | { readonly is: 'per station'; readonly minutes: number }
  | {
      readonly is: 'steps';
      readonly from: number;
      readonly by: number;
      readonly to: number;
      readonly way?: 'up and down';
      /** In seconds rather than counts. */
      readonly timed?: true;
    }
  | { readonly is: 'bouts each'; readonly n: number }
  | { readonly is: 'way'; readonly way: 'down' | 'up and down' }
  | { readonly is: 'level'; readonly work: number | null; readonly rest: number | null }
  | { readonly is: 'percent'; readonly of: 'inner' | 'middle'; readonly percent: number }
  | { readonly is: 'groups'; readonly n: number }
  | { readonly is: 'led' }
  | { readonly is: 'in turn' }
  /** From one beginning to the next. */
  | { readonly is: 'slot'; readonly seconds: number }
  /** All of its movements without a rest between them. */
  | { readonly is: 'in one go'; readonly n?: number }
  | { readonly is: 'stations'; readonly n: number }
  /** So many bouts at one station, with a rest behind each: "8 x 20/10 squat jumps". */
  | { readonly is: 'bouts'; readonly n: number; readonly work: number; readonly rest: number }
  /** One works while the other rests. */
  | { readonly is: 'partner' }
  // how much
  /** `how` where each of them is done so: "10 x 5 s holds". */
  | { readonly is: 'reps'; readonly n: number; readonly each?: true; readonly how?: string }
  /** "24/16": for two kinds of people; beside a count how heavy, else how many. */
  | { readonly is: 'two kinds'; readonly first: number; readonly second: number }
  | { readonly is: 'seconds'; readonly seconds: number; readonly each?: true }
  | { readonly is: 'metres'; readonly n: number }
  /** `other` where two were written: "24/16 kg". */
  | { readonly is: 'load'; readonly kg: number; readonly other?: number }
  | { readonly is: 'height'; readonly cm: number }
  /** Of both sides; `one` where no side was named: of several things it may be of each of them. */
  | { readonly is: 'each'; readonly one?: true }
  /** One side in one round, the other in the next. */
  | { readonly is: 'by round' }
  | { readonly is: 'in all' }
  /** For the whole of a part. */
  | { readonly is: 'in all seconds'; readonly seconds: number }
  | { readonly is: 'side'; readonly side: 'left' | 'right' }
  | { readonly is: 'tempo'; readonly tempo: string }
  | {
      readonly is: 'sets of';
      readonly sets: number;
      readonly reps?: number;
      readonly seconds?: number;
      readonly metres?: number;
      readonly each?: true;
    }
  | { readonly is: 'phase'; readonly says: 'hold' | 'fast'; readonly seconds: number }
  | { readonly is: 'phases'; readonly says: readonly string[] }
  | { readonly is: 'call'; readonly says: string }
  /** Said of how, in words of its own: "RPE 7". */
  | { readonly is: 'remark'; readonly says: string }
  /** What is done in the rests. */
  | { readonly is: 'resting'; readonly style: RestStyle }
  /** How hard all of it is meant to feel. */
  | { readonly is: 'aim'; readonly aim: NonNullable<Plan['aim']> }
  /** Words that are of the clock or of how much, and change no number. */
  | { readonly is: 'aside' };

/** What is done in rests: "march on the spot in the rests", "active rest: jog". */
const RESTS_DONE: readonly Rule<Fact>[] = (
  [
    ['keep moving|going', 'moving'],
    ['march|marching', 'marching'],
    ['jog|jogging', 'jogging'],
    ['shake|shaking', 'shaking'],
    ['stand|standing', 'standing'],
    ['sit|sitting', 'sitting'],
  ] as const
).flatMap(([does, style]) => {
  const how = `${does} it? out|still|down|gently|easily? on? the? spot?`;
  return [
    `${how} in|during|between|through @any? @any? @rest|@station|@round`,
    `active @rest is? :|-|–|—|=? ${how}`,
    `@rest is|by|means|:|= ${how}`,
    `${how} until|till|while the? @others @over @over?`,
  ].map((is) => ({ is, says: () => ({ is: 'resting', style }) as const, weight: 0.8 }));
});

const SETS: Sets = {
  work: ['work', 'on', 'working', 'effort', 'go', 'active'],
  rest: [
    'rest',
    'off',
    'recovery',
    'recover',
    'resting',
    'break',
    'pause',
    'transition',
    'changeover',
    'change',
    'breather',
  ],
  between: ['between', 'inbetween', 'after'],
  round: ['round', 'rd', 'rnd', 'circuit', 'lap', 'set', 'block', 'time', 'loop', 'go', 'pass'],
  station: ['station', 'exercise', 'move', 'movement', 'one', 'activity', 'them', 'change', 'drill', 'task'],
  place: ['chair', 'mat', 'cone', 'table', 'post', 'corner', 'hoop', 'marker', 'point', 'card', 'area'],
  each: ['each', 'per', 'a', 'at', 'every', 'on', 'for', 'an'],
  any: ['the', 'a', 'each', 'every', 'all', 'of', 'your', 'whole'],
  x: ['x', '×', '*'],
  dash: ['-', '–', '—', 'to', '/'],
  step: ['-', '–', '—', ',', '/'],
  sideword: ['side', 'leg', 'arm', 'foot', 'hand', 'way', 'direction', 'knee'],
  color: [
    'green',
    'yellow',
    'amber',
    'orange',
    'red',
    'blue',
    'black',
    'bronze',
    'silver',
    'gold',
    'beginner',
    'intermediate',
    'advanced',
    'easy',
    'medium',
    'hard',
    'improver',
  ],
  // Lanes are named by these; "easy" and "hard" are as often how it is done.
  hue: ['green', 'yellow', 'amber', 'orange', 'red', 'blue', 'black', 'bronze', 'silver', 'gold'],
  others: ['rest', 'other', 'everyone', 'everybody', 'class', 'all', 'group'],
  over: ['finish', 'finished', 'stop', 'stopped', 'end', 'ended', 'done', 'are', 'is', 'up', 'have', 'over'],
  rep: ['rep', 'repetition'],
  set: ['set', 'time', 'round'],
  sep: [',', ':', '-', '–', '—', '=', 'and', 'with', 'then', ';', '(', '/', '.', '|', '+', '&'],
};

/** A hold at the end of what is done, said of one station or of all. */
const LAST_HELD: readonly Rule<Fact>[] = [
  {
    is: 'last T of? each? hold|pulse',
    says: ([s]) => ({ is: 'phase', says: 'hold', seconds: s! }),
    weight: 1,
  },
  {
    is: 'hold|holding|pulse|pulsing it? at|in? the? top|bottom|end|middle? for|in|over? the? last|final Q',
    says: ([s]) => ({ is: 'phase', says: 'hold', seconds: s! }),
    weight: 1.4,
  },
];

/** What stands before "station" in words of its own, and is no kind of station. */
const NO_LABELS = new Set([
  'the',
  'a',
  'each',
  'every',
  'one',
  'single',
  'per',
  'exercise',
  'work',
  'workout',
  'of',
  'and',
  'on',
  'at',
]);
const workOf = ([seconds]: readonly number[], words: readonly string[]): Fact | null => {
  const of = words.slice(words.findIndex((word) => ['on', 'at', 'per', 'for'].includes(word)) + 1, -1);
  const label = of.filter((word) => !NO_LABELS.has(word));
  return label.length > 0 && ok(seconds!, 3) ? { is: 'work of', seconds: seconds!, of: label } : null;
};

const T_MAX = 3600;
/** No clock works for less. */
const LEAST_WORK = 5;
const ok = (seconds: number, least = 1) => seconds >= least && seconds <= T_MAX;
/** Nobody works longer by a clock that is written as two numbers, s. Estimate. */
const LONGEST_OF_TWO = 180;
/** "5 then rest then 5" are counts: nobody works and rests for less than ten seconds each. Estimate. */
const LEAST_OF_TWO = 10;
const interval = ([work, rest]: readonly number[]): Fact | null =>
  ok(work!, LEAST_WORK) &&
  rest! <= 900 &&
  Number.isInteger(work!) &&
  (rest! === 0 || (rest! >= LEAST_WORK && Math.max(work!, rest!) >= LEAST_OF_TWO))
    ? { is: 'interval', work: work!, rest: rest! }
    : null;
const oftenAt = ([often, ...both]: readonly number[]): Fact | null => {
  const fact = interval(both);
  return fact && often! >= 1 && often! <= 99 ? ({ ...fact, often } as Fact) : null;
};
const work = ([seconds]: readonly number[]): Fact | null =>
  ok(seconds!, 3) ? { is: 'work', seconds: seconds! } : null;
/** Nobody works a ninth of the time, or rests one. Estimate. */
const MOST_SHARE = 8;
const ratio = ([work, rest]: readonly number[]): Fact | null =>
  [work!, rest!].every((n) => Number.isInteger(n) && n >= 1 && n <= MOST_SHARE)
    ? { is: 'ratio', work: work!, rest: rest! }
    : null;
/** "5 then rest then 5" are counts, and no rest of five seconds. */
const rest = ([seconds]: readonly number[], words: readonly string[] = []): Fact | null =>
  seconds! <= 900 && (seconds! >= 3 || seconds === 0) && !(seconds! < LEAST_OF_TWO && words.includes('then'))
    ? { is: 'rest', seconds: seconds! }
    : null;
/** A rest by its ends, the first of them in the unit of the second: the shorter. */
const leastRest = ([least, most]: readonly number[]): Fact | null =>
  rest([most! >= 60 && least! < LEAST_WORK ? least! * 60 : least!]);
/** What is held after every step, as it may be named; anything else is the last thing done, held. */
const HELD: Readonly<Record<string, string>> = {
  plank: 'plank',
  wall: 'wall sit',
  hang: 'hang',
  squat: 'squat hold',
  bridge: 'bridge hold',
};
const stepHold = ([seconds]: readonly number[], words: readonly string[]): Fact => {
  const what = words.flatMap((word) => HELD[word] ?? [])[0];
  return { is: 'step hold', seconds: seconds!, ...(what ? { what } : {}) };
};
const roundRest = ([seconds, most]: readonly number[], words: readonly string[] = []): Fact | null =>
  // "After the round, 3 rounds": a bare small number counts rounds.
  seconds! > 0 && seconds! < LEAST_WORK
    ? null
    : {
        is: 'round rest',
        seconds: seconds!,
        ...(most !== undefined && { most }),
        ...(words.some((word) => word === 'circuit' || word === 'block') && { circuits: true as const }),
      };
const count =
  (fact: (n: number) => Fact, most: number) =>
  ([n]: readonly number[]): Fact | null =>
    n! >= 1 && n! <= most && Number.isInteger(n) ? fact(n!) : null;
const rounds = count((n) => ({ is: 'rounds', n }), 20);
const restThenAgain = ([seconds, n]: readonly number[]): Fact | null =>
  n! <= 20 ? { is: 'rounds', n: n!, rest: seconds! } : null;
/** Nobody goes round and round for less, in seconds. Estimate. */
export const LEAST_AMRAP = 120;
const PARTS_A_TIME = new Set([',', ';', '.', 'and', 'with', 'then', '+', '&']);
const format = (kind: FormatKind) => (): Fact => ({ is: 'format', kind });
/** A number beside AMRAP and the like is minutes, whatever its unit says. */
const capped =
  (kind: FormatKind) =>
  ([n]: readonly number[], words: readonly string[]): Fact | null => {
    const seconds = words.some((word) => word === 'second') || n! > 60 ? n! : n! * 60;
    return seconds >= 30 && seconds <= T_MAX ? { is: 'format', kind, seconds } : null;
  };
/** "3 AMRAPs of 10 minutes". */
const severalOf = ([n, seconds]: readonly number[]): Fact | null => {
  const one = n! <= 12 ? capped('amrap')([seconds! / 60], []) : null;
  return one?.is === 'format' ? { ...one, n: n! } : null;
};
/** "Rest 2": nobody rests for two seconds. */
const inMinutes = (n: number) => (n <= LEAST_WORK ? n * 60 : n);
const breakFor = ([seconds, most]: readonly number[], words: readonly string[]): Fact => ({
  is: 'break',
  seconds: inMinutes(seconds!),
  ...(most === undefined ? {} : { most: inMinutes(most) }),
  ...(words.some((word) => ['water', 'drink'].includes(word)) ? { drink: true as const } : {}),
});
/** "Every 90 seconds", and for how long in all. */
function everyFor([every, all]: readonly number[]): Fact | null {
  if (every! < 20 || every! > 600) return null;
  const turn = every === 60 ? {} : { every: every! };
  if (all === undefined || all <= every!) return { is: 'format', kind: 'emom', ...turn };
  return { is: 'format', kind: 'emom', n: Math.round(all / every!), ...turn };
}
function everyTimes([every, n]: readonly number[]): Fact | null {
  if (every! < 20 || every! > 600 || n! < 1 || n! > 60) return null;
  return { is: 'format', kind: 'emom', n: n!, ...(every === 60 ? {} : { every: every! }) };
}
function steps(values: readonly number[]): Fact | null {
  const [from, second] = values;
  const to = values.at(-1)!;
  if (values.length < 3 || values.some((n) => !Number.isInteger(n) || n < 1 || n > 100)) return null;
  const by = second! - from!;
  // Up and down again, as it is written: 10-20-30-20-10.
  const half = (values.length - 1) / 2;
  const mirrored =
    half >= 1 && Number.isInteger(half) && values.every((n, i) => n === values[values.length - 1 - i]);
  if (mirrored && by > 0 && values.slice(0, half + 1).every((n, i) => i === 0 || n - values[i - 1]! === by))
    return { is: 'steps', from: from!, by, to: values[half]!, way: 'up and down' };
  const even = values.every((n, i) => i === 0 || n - values[i - 1]! === by);
  return by !== 0 && even ? { is: 'steps', from: from!, by: Math.abs(by), to } : null;
}
const timedSteps = (values: readonly number[]): Fact | null => {
  const found = steps(values);
  return found?.is === 'steps' && Math.max(...values) >= 5 ? { ...found, timed: true } : null;
};
/** Seconds whose unit stands behind the first few alone: "10 secs, 20 secs, 30, 20, 10". */
const firstTimed = (values: readonly number[]): Fact | null =>
  Math.min(...values) >= 5 ? timedSteps(values) : null;
/** "Ladder 1–10": the ends of a climb by one, or by two where both are even. */
const ends = ([from, to]: readonly number[]): Fact | null =>
  from !== to && [from!, to!].every((n) => Number.isInteger(n) && n >= 1 && n <= 30)
    ? { is: 'steps', from: from!, by: from! % 2 === 0 && to! % 2 === 0 ? 2 : 1, to: to! }
    : null;
const STEP_SIGNS = new Set(['-', '–', '—', ',', '/']);
/** Steps are parted by one sign throughout: behind "…/30/20, 10 s between" ten is none of them. */
const evenly =
  (says: (values: readonly number[]) => Fact | null) =>
  (values: readonly number[], words: readonly string[]): Fact | null =>
    new Set(words.filter((word) => STEP_SIGNS.has(word))).size <= 1 ? says(values) : null;
const N_STEPS = (n: number) => Array.from({ length: n }, () => 'N').join(' @step ');

/** What may be said of the clock on a line of its own, or beside a heading or a list. */
const CLOCK: readonly Rule<Fact>[] = [
  // work and rest
  { is: 'Q @work|of? @work? @sep? @sep? Q @sep? @rest', says: interval },
  { is: 'Q of @work @sep? @sep? Q of? @rest', says: interval, weight: 0.5 },
  { is: 'Q on @sep? Q off', says: interval, weight: 2 },
  { is: 'Q on @sep? Q to move|change|swap|rotate|switch on|over|round?', says: interval, weight: 2 },
  {
    is: 'Q on|work|hard|fast|sprint @sep? Q walk|jog|march|easy|slow|active rest?',
    says: interval,
    weight: 1,
  },
  { is: 'Q @work|hard|fast @sep? @sep? Q @rest|easy|slow', says: interval, weight: 0.5 },
  { is: 'Q @work @sep? @sep? Q', says: interval },
  { is: 'Q / Q @rest?', says: interval },
  { is: 'N @x Q / Q @rest?', says: oftenAt, weight: 1 },
  { is: 'N @x Q on @sep? Q off', says: oftenAt, weight: 3 },
  { is: 'N @x Q @work @sep? @sep? Q @rest?', says: oftenAt, weight: 1 },
  // "4 mins: 5 burpees" is no ratio.
  {
    is: 'Q : Q',
    says: (v, words) => (v[0]! <= LONGEST_OF_TWO && /^\d/.test(words[0]!) ? interval(v) : null),
  },
  { is: 'Q @work? @sep? @sep? @rest @sep? of|for? Q', says: interval },
  { is: 'T @each|@station @station? @sep? @sep? T @rest? in? @between?', says: interval },
  { is: 'T @each|@station @station? @sep? @sep? N @rest|@between @between?', says: interval },
  {
    is: 'T @each @each? @station @sep? @sep? Q @rest|to|@between to|@between|move? move|on|@station? on?',
    says: interval,
    weight: 0.5,
  },
  // Before it begins.
  {
    is: 'T to? get|be? ready|set|prep|prepare|countdown|preparation|lead in?',
    says: () => ({ is: 'aside' }),
    weight: 1,
  },
  { is: 'T of? @work|@each @station?', says: work },
  {
    is: 'T on|at? each|every @any? @station? with|and|, Q @rest? for|to? changeover|change|move|swap|get|set|transition over|ready|on|up?',
    says: interval,
    weight: 1.4,
  },
  {
    is: 'everyone|everybody|we|all|you do|does|doing|will do? T of|at each|:?',
    says: ([seconds]) => work([seconds!]),
    weight: 1.2,
  },
  { is: 'work|working @sep? for? Q', says: work },
  { is: '@work @sep? Q @sep? @rest @sep? Q', says: interval, weight: 1 },
  { is: 'T @each @station', says: work, weight: 0.3 },
  { is: 'T @each @each? @place', says: work, weight: 0.4 },
  { is: 'N @x T station|exercise|move', says: ([, seconds]) => work([seconds!]), weight: 1 },
  {
    is: 'N station|exercise|move|movement|drill @x|of|for|at|@ T @work?',
    says: ([, seconds]) => work([seconds!]),
    weight: 1,
  },
  // "8 stations of 45 s, 20 between".
  {
    is: 'of|for|at|@ T @work|each? @sep|with|and Q @rest? in? @between',
    says: interval,
    weight: 1.5,
  },
  { is: 'max|maximum|most|many rep in|for? T', says: work, weight: 0.8 },
  { is: 'T to rest|recover and|&|then? move|change? on|over?', says: rest, weight: 0.6 },
  { is: 'each|every @station @sep? T', says: work, weight: 0.5 },
  { is: 'hold|holding @each|them|it|@any @station? for? T', says: work, weight: 0.8 },
  {
    is: 'run|jog|walk|march|move to|on the|to? next one|station?',
    says: () => ({ is: 'aside' }),
    weight: 0.2,
  },
  {
    is: 'run|jog|walk|march|move|sprint to|between each|every|the|all station|corner|cone|one|exercise',
    says: () => ({ is: 'aside' }),
    weight: 0.6,
  },
  { is: 'T each|apiece', says: work },
  {
    is: 'N block|part|section @sep? of|at|for? T each?',
    says: ([n, s]) => (n! <= 12 ? { is: 'in all seconds', seconds: s! } : null),
    weight: 1.6,
  },
  {
    is: 'T per|each block|part|section|pair|superset',
    says: ([s]) => ({ is: 'in all seconds', seconds: s! }),
    weight: 1,
  },
  { is: 'T @station', says: work, weight: -0.3 },
  {
    is: 'T station',
    says: ([n], words) => (n === 60 && words[0] !== 'each' ? { is: 'format', kind: 'one-minute' } : null),
    weight: 0.1,
  },
  { is: 'T', says: work, weight: -0.6 },
  // as a share of the work
  { is: '@rest ratio? of|at|is? N : N', says: ratio, weight: 1 },
  { is: 'work :|/|to|and|-|–|& @rest ratio? of|is|at|=|:? N :|to N', says: ratio, weight: 1 },
  { is: 'N :|to N work :|/|to|and|-|–|& @rest ratio?', says: ratio, weight: 1 },
  { is: 'N : N @rest|ratio', says: ratio, weight: 0.8 },
  { is: 'ratio of|:|is|at? N : N', says: ratio, weight: 0.8 },
  { is: 'Q of? @rest', says: rest },
  // Said of all of it: "rest 1:15 throughout".
  { is: '@rest @sep? of|for? Q throughout|everywhere', says: rest, weight: 1 },
  { is: 'Q of? @rest throughout|everywhere', says: rest, weight: 1 },
  { is: '@rest @sep? of|for? Q all the way through?', says: rest, weight: 1 },
  {
    is: 'Q second|sec? of? jog|jogging|walk|walking|march|marching until|till|before|to|between the|each|next? next|station?',
    says: ([n]) => ({ is: 'rest', seconds: n! }),
  },
  { is: '@rest @sep|@x? of|for? Q', says: rest },
  {
    is: 'T to move|change|get|swap|rotate|walk|set on|over|to|up|round|station|place? the? next? station?',
    says: rest,
    weight: 0.5,
  },
  {
    is: 'Q @rest? in? @between @any? @station?',
    says: (v) => {
      const found = rest(v);
      return found?.is === 'rest' ? { ...found, between: true } : found;
    },
    weight: 0.2,
  },
  // between the steps of a count
  { is: '@rest of|for? Q in? @between @any? rung|step', says: rest, weight: 1 },
  { is: 'Q @rest? in? @between @any? rung|step', says: rest, weight: 1 },
  // between parts
  {
    is: 'Q @rest? in? @between @any? superset|pair|part|section|couplet|triplet|complex|amrap|emom|tabata|blast|block',
    says: ([seconds]) => ({ is: 'part rest', seconds: seconds! }),
    weight: 1.2,
  },
  { is: 'no|without|zero @rest @between? @any? @station?', says: () => ({ is: 'rest', seconds: 0 }) },
  {
    is: 'no|without|zero @rest @between @any? round',
    says: () => ({ is: 'round rest', seconds: 0 }),
    weight: 0.5,
  },
  // between rounds
  { is: '@rest of|for? Q at|after the? end of? @any? @round', says: roundRest, weight: 1.4 },
  { is: 'Q @rest? at|after the? end of? @any? @round', says: roundRest, weight: 1.2 },
  { is: 'Q @rest? in? @between @any? @any? @round', says: roundRest, weight: 0.8 },
  { is: 'Q @dash Q @rest? in? @between @any? @any? @round', says: roundRest, weight: 1 },
  { is: '@rest of|for? Q in? @between @any? @any? @round', says: roundRest, weight: 1 },
  { is: '@rest of|for? Q @dash Q in? @between @any? @any? @round', says: roundRest, weight: 1 },
  { is: '@between @any? @round @sep? @rest? Q', says: roundRest, weight: 0.8 },
  { is: 'round @rest @sep? Q', says: roundRest, weight: 0.8 },
  { is: 'after @any @any? N? station? @sep? @rest for? Q', says: (v) => roundRest(v.slice(-1)), weight: 1.2 },
  {
    is: 'Q water|drink break|stop? after|between @any? @any? @round',
    says: roundRest,
    weight: 1.2,
  },
  // breaks
  { is: 'rest|break|breather|pause|water|drink @sep|@x? of|for? Q', says: breakFor, weight: -0.2 },
  { is: 'Q water|drink break|stop?', says: breakFor, weight: 0.5 },
  {
    is: 'water|drink break|stop @sep? Q?',
    says: ([n]) => ({ is: 'break', seconds: n ?? 60, drink: true }),
    weight: 0.5,
  },
  { is: 'rest|break of|for? Q @dash Q', says: breakFor, weight: 0.6 },
  { is: 'Q @dash Q @rest', says: breakFor, weight: 0.4 },
  { is: 'rest until|till|when ready|recovered', says: () => ({ is: 'break', seconds: 60, ready: true }) },
  { is: 'when ready', says: () => ({ is: 'break', seconds: 60, ready: true }), weight: -0.5 },
  { is: 'each|per partner @sep? then? swap|change over?', says: () => ({ is: 'partner' }), weight: 1 },
  { is: 'then|and swap|switch over|round|place|partner?', says: () => ({ is: 'partner' }), weight: 0.8 },
  { is: 'one work @sep? one|other @rest', says: () => ({ is: 'partner' }), weight: 2 },
  // rounds
  {
    is: 'N round|rd|rnd|lap|circuit|loop|pass|go|time through|round|over? @any? @any? circuit|list?',
    says: rounds,
  },
  {
    is: 'and? we|you|they|i? do|go|run|repeat|complete|through that|this|it|them|these|all|everything N time|round|@x',
    says: rounds,
    weight: 0.8,
  },
  { is: 'N round @rest|with? of|for?', says: rounds },
  {
    is: '@x N for|of? each|apiece @station?',
    says: count((n) => ({ is: 'bouts each', n }), 20),
    weight: 0.4,
  },
  // "Tabata (20/10 x 8) for each of:".
  {
    is: '@x N ) for|of|on|at each|every of? the? @station? below|following?',
    says: count((n) => ({ is: 'bouts each', n }), 20),
    weight: 1,
  },
  {
    is: 'swap|switch|change|rotate over? every|after? T',
    says: ([seconds]) => interval([seconds!, 0]),
    weight: 2.5,
  },
  {
    is: 'swap|switch|change over|place|role? when|once|after A? A? A?',
    says: () => ({ is: 'aside' }),
    weight: 0.6,
  },
  { is: '@x N round|lap|circuit|loop', says: rounds, weight: 0.3 },
  { is: 'N @x through|round|over|around', says: rounds, weight: 0.6 },
  { is: '@x N @round?', says: count((n) => ({ is: 'times', n }), 20) },
  { is: 'N @x', says: count((n) => ({ is: 'times', n }), 20), weight: -0.2 },
  { is: 'repeat|do|complete|go @sep? @x? N @x? time|round?', says: rounds },
  {
    is: 'repeat|do|complete @sep? @x? N @x? time|round? with|and|, T @rest? in? @between?',
    says: ([n, rest]) => (n! <= 20 ? { is: 'rounds', n: n!, rest: rest! } : null),
    weight: 1.4,
  },
  // "Rounds: 4", "W: 30s": what it is, and behind the colon how much.
  { is: 'round|lap : N', says: rounds, weight: 1 },
  { is: 'set : N', says: count((n) => ({ is: 'sets', n }), 12), weight: 1 },
  { is: 'rep : N', says: count((n) => ({ is: 'reps', n }), 500), weight: 1 },
  { is: 'w|on : T', says: work, weight: 1 },
  { is: 'r|off : T', says: ([seconds]) => ({ is: 'rest', seconds: seconds! }), weight: 1 },
  // "Twice round, sit down for a minute in between".
  {
    is: 'twice through|round|over? @sep? sit|stand|rest|stop|pause|have|take a|down? rest|break|breather? for|of? T in? @between',
    says: ([rest]) => ({ is: 'rounds', n: 2, rest: rest! }),
    weight: 2,
  },
  {
    is: 'N time|round|lap|circuit through|round|over? @sep? sit|stand|stop|pause down|still? for|of? T in? @between',
    says: ([n, rest]) => (n! <= 20 ? { is: 'rounds', n: n!, rest: rest! } : null),
    weight: 2,
  },
  { is: 'once through|round|only?', says: () => ({ is: 'rounds', n: 1 }) },
  { is: 'twice through|round|over?', says: () => ({ is: 'rounds', n: 2 }) },
  // Of two rounds the middle lies between them.
  ...['twice through|round|over?', 'two|2 @round'].map(
    (often): Rule<Fact> => ({
      is: `${often} @sep? with? a? Q water|drink? break|rest|stop|breather|pause in|at? the? middle|half|halfway|midway way|time|point?`,
      says: (v) => ({ is: 'rounds', n: 2, rest: inMinutes(v.at(-1)!) }),
      weight: 2.5,
    }),
  ),
  { is: 'thrice through|round|over?', says: () => ({ is: 'rounds', n: 3 }) },
  {
    is: 'do|go|complete|repeat|through? it|this|all? once or|to|- twice|thrice through|round|over?',
    says: (_, words) => ({ is: 'rounds', n: 1, most: words.includes('twice') ? 2 : 3 }),
    weight: 1,
  },
  {
    is: 'do|go|complete|repeat|through? it|this|all? twice or|to|- thrice through|round|over?',
    says: () => ({ is: 'rounds', n: 2, most: 3 }),
    weight: 1,
  },
  {
    is: 'do|go|complete|repeat|through? it|this|all? N or N time|round|lap|circuit|set through|round|over?',
    says: ([n, most]) => (n! < most! && most! <= 20 ? { is: 'rounds', n: n!, most: most! } : null),
    weight: 1,
  },
  {
    is: 'Q @rest then|and|, repeat again|it|everything?',
    says: ([rest]) => ({ is: 'rounds', n: 2, rest: rest! }),
    weight: 1,
  },
  {
    is: 'Q @rest then|and|, go again',
    says: ([rest]) => ({ is: 'rounds', n: 2, rest: rest! }),
    weight: 1,
  },
  {
    is: 'then? @rest of|for? Q @sep? then|and? go|start|do it? again',
    says: ([rest]) => ({ is: 'rounds', n: 2, rest: rest! }),
    weight: 1.5,
  },
  {
    is: 'repeat|do|complete it|this|all|the? circuit? N @x|time|round? with? rest|resting of|for? Q in? @between? @any? @round?',
    says: ([n, rest]) => (n! <= 20 ? { is: 'rounds', n: n!, rest: rest! } : null),
    weight: 1.6,
  },
  {
    is: 'N round|lap|circuit @sep? T @rest',
    // As long as that nobody rests between two stations of a round.
    says: ([n, rest]) => (n! <= 20 && rest! >= 60 ? { is: 'rounds', n: n!, rest: rest! } : null),
    weight: 1,
  },
  {
    is: 'Q @rest then|and|, repeat N more? time|round?',
    says: ([rest, n], words) => ({
      is: 'rounds',
      n: words.includes('more') ? n! + 1 : n!,
      rest: rest!,
    }),
    weight: 1.2,
  },
  {
    is: 'share|split|divide it|them|all|the? rep|work|round|set|total? any? way|how|as? A? A? A?',
    says: () => ({ is: 'partner' }),
    weight: 1,
  },
  { is: 'repeat if|when|as A A?', says: () => ({ is: 'aside' }), weight: 1 },
  { is: '@rest as|when|where|if A A? A?', says: () => ({ is: 'aside' }), weight: 0.6 },
  { is: '@rest as|when|where|if needed|required|you need|want', says: () => ({ is: 'aside' }), weight: 0.8 },
  {
    is: 'repeat|do|complete @any? @any? circuit|list|round|sequence|block|lot|set @x? N @x|time?',
    says: rounds,
    weight: 1,
  },
  {
    is: '@rest of|for? Q @sep? repeat once|twice|thrice|again|it? more? time?',
    says: ([rest], words) => {
      const times = words.includes('twice') ? 2 : words.includes('thrice') ? 3 : 1;
      const more = words.includes('more') || !words.includes('twice');
      return { is: 'rounds', n: more ? times + 1 : times, rest: rest! };
    },
    weight: 1,
  },
  {
    is: '@rest of|for? Q @sep? then|and? repeat|do|go it|this|that|them|all|everything? @x? N @x|time|round',
    says: restThenAgain,
    weight: 2,
  },
  { is: '@rest of|for? Q @sep? then|and? repeat|do|go @x N', says: restThenAgain, weight: 2 },
  { is: 'repeat twice more', says: () => ({ is: 'rounds', n: 3 }), weight: 1 },
  {
    is: 'repeat|do|go again? @sep? N more time|round|set?',
    says: ([n]) => (n! <= 19 ? { is: 'rounds', n: n! + 1 } : null),
    weight: 1.5,
  },
  // "Then do it all again".
  {
    is: 'then? do|go|repeat|run it|that|this|them|everything|all all|lot|whole? again|over? again?',
    says: (_, words) => (words.includes('again') || words.includes('over') ? { is: 'rounds', n: 2 } : null),
    weight: 0.5,
  },
  { is: 'have|take|get a|your? rest|breather|drink|sip|break', says: () => ({ is: 'aside' }), weight: 0.4 },
  {
    is: 'have|take|get|with? a|your? rest|breather|drink|sip|break between|after @any? pair|@round|superset|part',
    says: () => ({ is: 'aside' }),
    weight: 0.8,
  },
  {
    is: 'and? repeat|continue|keep|carry going|moving|on|working? until|till|for the? time|whole|end|finish|bell|buzzer is? up|time|over?',
    says: () => ({ is: 'aside' }),
    weight: 1,
  },
  { is: 'repeat once more', says: () => ({ is: 'rounds', n: 2 }), weight: 1 },
  {
    is: 'repeat once|again?',
    says: (_, words) => ({ is: 'rounds', n: 2, ...(words.length === 1 ? { bare: true } : {}) }),
    weight: -0.4,
  },
  {
    is: 'N @dash N round',
    says: ([n, most]) => (n! < most! && most! <= 20 ? { is: 'rounds', n: n!, most: most! } : null),
    weight: 0.5,
  },
  {
    is: 'do|go|repeat|through|complete? it|this|all|everything? N @dash N time|lap|circuit|set through|round|over?',
    says: ([n, most]) => (n! < most! && most! <= 20 ? { is: 'rounds', n: n!, most: most! } : null),
    weight: 1,
  },
  {
    is: 'N round|lap|circuit|time , Q @dash T @rest? in? @between',
    // "1-2 mins": the first is in the unit of the second.
    says: ([n, least, most]) =>
      n! <= 20
        ? { is: 'rounds', n: n!, rest: least! < LEAST_WORK && most! >= 60 ? least! * 60 : least! }
        : null,
    weight: 1.2,
  },
  {
    is: 'N round|lap|circuit|time , T @rest? in? @between',
    says: ([n, rest]) => (n! <= 20 ? { is: 'rounds', n: n!, rest: rest! } : null),
    weight: 1,
  },
  // "2 rounds, 30 s rest between exercises": of the stations, whatever stands before it.
  {
    is: 'N round|lap|circuit|time through|round|over? with|and|, @rest? of? T @rest? in? @between @any? station|exercise|move|movement|one|activity|drill|task|them',
    says: ([n, gap]) => (n! <= 20 ? { is: 'rounds', n: n!, gap: gap! } : null),
    weight: 2,
  },
  {
    is: 'N round|lap|circuit|time through|round|over with|and|, T @rest? in? @between',
    says: ([n, rest]) => (n! <= 20 ? { is: 'rounds', n: n!, rest: rest! } : null),
    weight: 1.2,
  },
  {
    is: 'N round|lap|circuit|time with|and|( T @rest? in? @between?',
    says: ([n, rest]) => (n! <= 20 ? { is: 'rounds', n: n!, rest: rest! } : null),
    weight: 1,
  },
  {
    is: 'N round|lap|circuit @sep? @rest of|for? T',
    // As long as that nobody rests between two stations of a round.
    says: ([n, rest]) => (n! <= 20 && rest! >= 60 ? { is: 'rounds', n: n!, rest: rest! } : null),
    weight: 1,
  },
  { is: 'N set', says: count((n) => ({ is: 'sets', n }), 12), weight: 0.1 },
  {
    is: 'N set @x|of N @rep?',
    says: ([sets, reps]) => (sets! <= 12 ? { is: 'sets of', sets: sets!, reps: reps! } : null),
    weight: 0.4,
  },
  {
    is: 'N set @x|of? N @dash N @rep?',
    says: ([sets, lo, hi]) =>
      sets! <= 12 && lo! < hi! && hi! <= 200 ? { is: 'sets of', sets: sets!, reps: lo! } : null,
    weight: 2,
  },
  {
    is: 'N @x N @rep?',
    says: ([sets, reps]) =>
      sets! <= 12 && reps! <= 500 ? { is: 'sets of', sets: sets!, reps: reps! } : null,
    weight: 0.3,
  },
  {
    is: 'N @x T',
    says: ([sets, seconds]) => (sets! <= 20 ? { is: 'sets of', sets: sets!, seconds: seconds! } : null),
    weight: 0.3,
  },
  {
    is: 'N - station|exercise|move|movement|drill',
    says: count((n) => ({ is: 'stations', n }), 60),
    weight: 0.4,
  },
  { is: 'N station|exercise|move|movement|drill', says: count((n) => ({ is: 'stations', n }), 60) },
  {
    is: 'N station|exercise|move|movement @x N @rep',
    says: ([, reps]) => ({ is: 'reps', n: reps! }),
    weight: 1,
  },
  {
    is: 'N station|exercise|move|movement @x N',
    says: ([, often]) => rounds([often!]),
    weight: 0.6,
  },
  {
    is: 'N @dash N @rep each|every|@each|all?',
    says: ([lo, hi]) => (lo! < hi! && hi! <= 200 ? { is: 'reps', n: lo! } : null),
    weight: 0.6,
  },
  { is: 'everything|all is|are|at|for N @rep?', says: count((n) => ({ is: 'reps', n }), 500), weight: 0.5 },
  { is: 'straight through', says: () => ({ is: 'aside' }), weight: 0.2 },
  { is: '@|at? rpe of? N', says: ([n]) => ({ is: 'remark', says: `RPE ${n}` }), weight: 0.6 },
  {
    is: 'N set of N @rep? each|per|a @sideword',
    says: ([sets, reps]) => (sets! <= 12 ? { is: 'sets of', sets: sets!, reps: reps!, each: true } : null),
    weight: 0.8,
  },
  {
    is: 'N round|bout|set|go of? each|apiece @station? before? moving|changing|going? on|over?',
    says: count((n) => ({ is: 'bouts each', n }), 20),
    weight: 0.8,
  },
  {
    is: 'do? each|every @station N time',
    says: count((n) => ({ is: 'reps', n }), 500),
    weight: 1.2,
  },
  {
    is: 'once|twice|thrice a|per|every|each day|week',
    says: () => ({ is: 'aside' }),
    weight: 1,
  },
  {
    is: 'repeat|do|perform|complete? @any? N time|@x a|per|each|every|/ day|week',
    says: () => ({ is: 'aside' }),
    weight: 1.2,
  },
  {
    is: 'repeat|do|perform|complete? @any? N time|@x? daily|weekly',
    says: () => ({ is: 'aside' }),
    weight: 1.2,
  },
  {
    is: 'N @x T round|bout',
    says: ([, seconds]) => ({ is: 'work', seconds: seconds! }),
    weight: 1,
  },
  {
    is: 'everything|all @x? N @dash N @rep?',
    says: ([lo, hi]) => (lo! < hi! && hi! <= 200 ? { is: 'reps', n: lo! } : null),
    weight: 1,
  },
  { is: 'everything|all @x N @rep?', says: count((n) => ({ is: 'reps', n }), 500), weight: 0.8 },
  { is: 'all N @rep', says: count((n) => ({ is: 'reps', n }), 500), weight: 0.5 },
  {
    is: 'slow|slowly|steady|steadily|controlled|smooth',
    says: () => ({ is: 'aside' }),
    weight: -0.4,
  },
  { is: 'N @rep of? each|every|@each|all?', says: count((n) => ({ is: 'reps', n }), 500) },
  {
    is: 'N @x of? each|everything @station?',
    says: count((n) => ({ is: 'reps', n }), 500),
    weight: 0.9,
  },
  {
    is: 'N @dash N @rep? of|on each|every|everything @station?',
    says: ([lo, hi]) => (lo! < hi! && hi! <= 200 ? { is: 'reps', n: lo! } : null),
    weight: 1.2,
  },
  { is: 'N of each|every|everything', says: count((n) => ({ is: 'reps', n }), 500) },
  // formats
  { is: 'amrap', says: format('amrap') },
  // Over several that each say how long they are.
  { is: 'amrap @x N', says: count((n) => ({ is: 'times', n }), 20), weight: 1 },
  {
    is: 'N @x? amrap @sep? of|for|at? U each?',
    says: severalOf,
    weight: 1.6,
  },
  { is: 'N @x U amrap', says: severalOf, weight: 2 },
  { is: 'amrap @x N @sep? of|for|at? U each?', says: severalOf, weight: 2 },
  { is: 'amrap in|for|of? O? @sep? @sep? U', says: ([s]) => capped('amrap')([s! / 60], []), weight: 0.6 },
  { is: 'amrap in|for|of? @sep? N', says: capped('amrap'), weight: 0.2 },
  // Before it the length, so that a number behind it is the first movement's.
  { is: 'U @sep? amrap', says: ([s]) => capped('amrap')([s! / 60], []), weight: 1.6 },
  { is: 'N @sep? amrap', says: capped('amrap'), weight: 0.2 },
  {
    is: 'as many round|rep|time as you|possible|can possible|can? can? in? of|for? @sep? U',
    // "…, as many reps as possible, 30 s to change": behind a comma so short a time is of something else.
    says: ([s], words) =>
      s! < LEAST_AMRAP && words.some((word) => PARTS_A_TIME.has(word))
        ? null
        : capped('amrap')([s! / 60], []),
    weight: 1,
  },
  {
    is: 'as many round|rep|time as you|possible|can possible|can? in|for N',
    says: capped('amrap'),
    weight: 0.8,
  },
  { is: 'as many round|rep|time as you|possible|can possible|can?', says: format('amrap') },
  { is: 'as many as you|possible can? in? it|that|each? round|time?', says: format('amrap') },
  {
    is: 'U as many round|rep|time as you|possible possible|can?',
    says: ([s]) => capped('amrap')([s! / 60], []),
    weight: 1,
  },
  { is: 'T on|at|per|for each|every|the|a|an? A @station', says: workOf, weight: 0.2 },
  { is: 'T on|at|per|for each|every|the|a|an? A A @station', says: workOf, weight: 0.2 },
  { is: 'alternate|alternating|switching|swapping between', says: () => ({ is: 'aside' }), weight: 0.4 },
  {
    is: 'N go|turn|try|attempt each|per person|child|player?',
    says: ([n]) => (n! <= 20 ? { is: 'rounds', n: n! } : null),
    weight: 0.6,
  },
  { is: 'block|bout|piece|effort of', says: () => ({ is: 'aside' }), weight: 0.2 },
  // "40 s each side": either of them for so long.
  {
    is: 'T @work? each|per|a|on|both|either each|both|either? side|leg|arm|way|direction',
    says: ([s]) => (ok(s!, 3) ? { is: 'work', seconds: s!, each: true } : null),
    weight: 1,
  },
  { is: 'work|working|on|go for? T @sep? @rest for? Q', says: interval, weight: 3 },
  // "…, then rest 1 min. 4 sets": behind all of them.
  {
    is: 'then @rest for? T .|,|;|and? N set|round|lap|time',
    says: ([rest, n]) => (n! <= 20 ? { is: 'rounds', n: n!, rest: rest! } : null),
    weight: 2,
  },
  // "40 seconds work, 20 to change stations", "45 s, then 15 to swap".
  {
    is: 'of|for|at? T of? @work|on? @sep|with|and|then then? Q to move|change|swap|rotate|switch|changeover on|over|round|@station?',
    says: interval,
    weight: 1.3,
  },
  { is: 'emom', says: format('emom') },
  {
    is: 'emom @sep? for? U',
    says: ([s]) => ({ is: 'format', kind: 'emom', n: Math.round(s! / 60) }),
    weight: 0.6,
  },
  {
    is: 'emom @sep? for? N',
    says: ([n]) => (n! <= 60 ? { is: 'format', kind: 'emom', n: n! } : null),
    weight: 0.2,
  },
  {
    is: 'U @sep? emom',
    says: ([s]) => ({ is: 'format', kind: 'emom', n: Math.round(s! / 60) }),
    weight: 0.6,
  },
  {
    is: 'N @sep? emom',
    says: ([n]) => (n! <= 60 ? { is: 'format', kind: 'emom', n: n! } : null),
    weight: 0.2,
  },
  { is: 'every minute on the minute', says: format('emom') },
  {
    is: 'every minute on? the? minute? @sep? for? U',
    says: ([s]) => ({ is: 'format', kind: 'emom', n: Math.round(s! / 60) }),
    weight: 0.6,
  },
  {
    is: 'U @sep? every minute on? the? minute?',
    says: ([s]) => ({ is: 'format', kind: 'emom', n: Math.round(s! / 60) }),
    weight: 0.6,
  },
  { is: 'every minute', says: format('emom'), weight: -0.3 },
  { is: 'on the minute', says: format('emom') },
  {
    is: 'on the minute @sep? for? U',
    says: ([s]) => ({ is: 'format', kind: 'emom', n: Math.round(s! / 60) }),
    weight: 0.6,
  },
  {
    is: 'U @sep? on the minute',
    says: ([s]) => ({ is: 'format', kind: 'emom', n: Math.round(s! / 60) }),
    weight: 0.6,
  },
  { is: 'alternate|alternating minute?', says: () => ({ is: 'aside' }), weight: -0.6 },
  {
    is: 'alternate|alternating between? the? two|both move|exercise|movement?',
    says: () => ({ is: 'aside' }),
    weight: 0.6,
  },
  // a count that grows by the minute
  { is: 'N @rep? @sep? minute|min N : N @rep?', says: () => ({ is: 'aside' }), weight: 1 },
  { is: 'death by', says: () => ({ is: 'format', kind: 'emom', grow: 1 }), weight: 0.4 },
  {
    is: 'add|adding|plus N @rep? each|every|per|a minute|turn|time until|till you? can|cant|fail|not? t?',
    says: ([n]) => (n! >= 1 && n! <= 10 ? { is: 'format', kind: 'emom', grow: n! } : null),
    weight: 1,
  },
  {
    is: 'add|adding N @rep? each|every|per|a minute|turn|time',
    says: ([n]) => (n! >= 1 && n! <= 10 ? { is: 'format', kind: 'emom', grow: n! } : null),
    weight: 0.8,
  },
  { is: 'every T on? the? T?', says: everyFor, weight: 0.4 },
  { is: 'every T @sep? @x|for? N @x|round|set|time?', says: everyTimes, weight: 0.8 },
  { is: 'every T @sep? for U', says: everyFor, weight: 1.2 },
  { is: 'U @sep? every T', says: ([all, every]) => everyFor([every!, all!]), weight: 0.8 },
  { is: 'N @x|round|set @sep? every T', says: ([n, every]) => everyTimes([every!, n!]), weight: 0.8 },
  { is: 'emom @each|for @station', says: () => ({ is: 'per station', minutes: 0 }), weight: -0.2 },
  {
    is: 'emom @each|for @each @station',
    says: () => ({ is: 'per station', minutes: 0 }),
    weight: 0.4,
  },
  {
    is: 'U emom @each @each? @station',
    says: ([s]) => ({ is: 'per station', minutes: Math.round(s! / 60) }),
    weight: 1,
  },
  {
    is: 'Q @rest? in? @between @station',
    says: ([n]) => ({ is: 'station rest', seconds: n! }),
    weight: 0.25,
  },
  {
    is: 'U continuous|continuously|nonstop|unbroken',
    says: ([s]) => capped('amrap')([s! / 60], []),
    weight: 1,
  },
  { is: 'density block? @sep? U', says: ([s]) => capped('amrap')([s! / 60], []), weight: 1 },
  { is: 'U density block?', says: ([s]) => capped('amrap')([s! / 60], []), weight: 1 },
  { is: 'T to beat the|? clock?', says: ([s]) => ({ is: 'cap', seconds: s! }), weight: 1 },
  { is: 'for time', says: format('for time') },
  { is: 'N rft', says: ([n]) => ({ is: 'format', kind: 'for time', n: n! }), weight: 0.6 },
  { is: 'rft', says: format('for time') },
  { is: 'N round for time', says: ([n]) => ({ is: 'format', kind: 'for time', n: n! }), weight: 0.6 },
  { is: 'as fast|quick|quickly as you|possible can|possible?', says: format('for time') },
  { is: 'time? cap|limit @sep? of|at? U', says: ([s]) => ({ is: 'cap', seconds: s! }), weight: 0.4 },
  {
    is: 'time? cap|limit @sep? of|at? N',
    says: ([minutes]) => (minutes! >= 2 && minutes! <= 60 ? { is: 'cap', seconds: minutes! * 60 } : null),
    weight: 0.2,
  },
  {
    is: 'time? cap|limit @sep? of|at? N : N',
    says: ([minutes, seconds]) => (seconds! < 60 ? { is: 'cap', seconds: minutes! * 60 + seconds! } : null),
    weight: 1.5,
  },
  {
    is: 'N : N time? cap|limit',
    says: ([minutes, seconds]) => (seconds! < 60 ? { is: 'cap', seconds: minutes! * 60 + seconds! } : null),
    weight: 1.5,
  },
  { is: 'U time? cap|limit', says: ([s]) => ({ is: 'cap', seconds: s! }), weight: 0.4 },
  {
    is: 'superset N?',
    says: ([n]) => ({ is: 'format', kind: 'superset', ...(n === undefined ? {} : { n }) }),
    weight: -0.6,
  },
  {
    is: 'superset|pair O? @sep? @x N',
    says: ([n]) => ({ is: 'format', kind: 'superset', n: n! }),
    weight: 0.8,
  },
  {
    is: 'superset O? @sep? N set|round|time',
    says: ([n]) => ({ is: 'format', kind: 'superset', n: n! }),
    weight: 0.8,
  },
  { is: 'superset a|b|c|d?', says: format('superset'), weight: 0.4 },
  { is: 'pyramid|ladder up|of?', says: format('pyramid') },
  {
    is: 'time|timed|second pyramid|ladder',
    says: () => ({ is: 'format', kind: 'pyramid', timed: true }),
    weight: 0.6,
  },
  // "1-10-1": up to the middle and down again.
  {
    is: 'pyramid|ladder @sep? of|from? N @dash N @dash N',
    says: ([from, to, again]) => {
      const climb = from === again && from! < to! ? ends([from!, to!]) : null;
      return climb?.is === 'steps' ? { ...climb, way: 'up and down' } : null;
    },
    weight: 1,
  },
  { is: 'pyramid|ladder @sep? of|from? N @dash N @rep?', says: ends, weight: -2 },
  { is: 'N @dash N @rep? pyramid|ladder', says: ends, weight: -1.5 },
  { is: 'tabata', says: format('tabata') },
  // How many there are, one after another.
  { is: 'N tabata', says: count((n) => ({ is: 'times', n }), 12), weight: 0.6 },
  {
    is: 'tabata @sep? N round|bout|time',
    says: ([n]) => ({ is: 'format', kind: 'tabata', n: n! }),
    weight: 0.5,
  },
  { is: 'staggered', says: format('staggered') },
  { is: 'progressive', says: format('progressive') },
  { is: 'rotation', says: format('rotation') },
  // climbing and falling counts
  ...[12, 11, 10, 9, 8, 7, 6, 5, 4, 3].map(
    (n): Rule<Fact> => ({ is: `${N_STEPS(n)} rep? of? each|everything?`, says: evenly(steps), weight: 1 }),
  ),
  ...[9, 8, 7, 6, 5, 4, 3].map(
    (n): Rule<Fact> => ({
      is: `${N_STEPS(n - 1)} @step T of? each|everything|work?`,
      says: evenly(timedSteps),
      weight: 1.5,
    }),
  ),
  ...[7, 6, 5, 4, 3].map(
    (n): Rule<Fact> => ({
      is: Array.from({ length: n }, () => 'T').join(' @step '),
      says: evenly(timedSteps),
      weight: 1.5,
    }),
  ),
  ...[9, 8, 7, 6, 5, 4, 3].map(
    (n): Rule<Fact> => ({
      is: `T @step ${Array.from({ length: n - 1 }, () => 'Q').join(' @step ')}`,
      says: evenly(firstTimed),
      // One row explains more than two shorter ones.
      weight: 1.4 + n * 0.4,
    }),
  ),
  ...[10, 9, 8, 7, 6, 5, 4, 3].map(
    (n): Rule<Fact> => ({ is: Array.from({ length: n }, () => 'N').join(' '), says: steps, weight: 1 }),
  ),
  {
    is: 'N of? each|everything|all , then N , then N , up? to N',
    says: (v) => steps([...v.slice(0, 3), ...range(v)]),
    weight: 2,
  },
  {
    is: 'then N of? each , then? up? to N',
    says: ([second, to]) => (second! > 1 ? { is: 'steps', from: 1, by: second! - 1, to: to! } : null),
    weight: 1,
  },
  {
    is: 'N @step N @step N @step|. .|… .? .? @step? N',
    says: (v) => steps([...v.slice(0, 3), ...range(v)]),
    weight: 1,
  },
  { is: 'N @step N … N', says: (v) => steps([...v.slice(0, 2), ...range(v)]), weight: 1 },
  { is: 'N @step N . . . N', says: (v) => steps([...v.slice(0, 2), ...range(v)]), weight: 1 },
  {
    is: 'N down to N',
    says: ([from, to]) => (from! > to! ? { is: 'steps', from: from!, by: 1, to: to! } : null),
    weight: 0.4,
  },
  {
    is: 'N up? to N',
    says: ([from, to]) =>
      from !== to && from! <= 30 && to! <= 30 && (from === 1 || to === 1 || to === 2 || from === 2)
        ? { is: 'steps', from: from!, by: from! % 2 === 0 && to! % 2 === 0 ? 2 : 1, to: to! }
        : null,
    weight: 0.2,
  },
  {
    is: 'and? then? back|all? the? way? down|back again?',
    says: () => ({ is: 'way', way: 'up and down' }),
    weight: -0.2,
  },
  { is: 'and then? back? down again?', says: () => ({ is: 'way', way: 'up and down' }), weight: 0.3 },
  { is: 'up and down', says: () => ({ is: 'way', way: 'up and down' }), weight: 0.3 },
  {
    is: 'T plank|hold|wall sit? hold? after|between each|every? step|one|round|rung|set?',
    says: stepHold,
    weight: 1,
  },
  {
    is: 'hold|do|with|and a? plank|wall|hang|squat|bridge sit|hold? for? T after|between each|every? step|one|round|rung|set?',
    says: stepHold,
    weight: 2,
  },
  {
    is: 'T A? A? hold after|between each|every? step|one|round|rung|set?',
    says: stepHold,
    weight: 1,
  },
  // lanes, groups, together
  {
    is: 'inner|middle lane end|finish|stop at? N percent|%',
    says: ([n], w) => ({ is: 'percent', of: w[0] === 'inner' ? 'inner' : 'middle', percent: n! }),
    weight: 1,
  },
  { is: 'N group|team', says: count((n) => ({ is: 'groups', n }), 20), weight: -0.3 },
  { is: 'led together|all?', says: () => ({ is: 'led' }) },
  {
    is: 'giant|tri|triple set @sep? @x? N?',
    says: ([n]) => ({ is: 'in one go', ...(n === undefined ? {} : { n }) }),
    weight: 1,
  },
  {
    is: 'giant|tri|triple set @sep? N @x|set|round',
    says: ([n]) => ({ is: 'in one go', n: n! }),
    weight: 1.2,
  },
  { is: 'in turn', says: () => ({ is: 'in turn' }) },
  {
    is: 'N up? to N by|in T',
    says: ([from, to, by]) =>
      from !== to ? { is: 'steps', from: from!, by: by!, to: to!, timed: true } : null,
    weight: 1.2,
  },
  {
    is: 'N up? to N by|in N',
    says: ([from, to, by]) => (from !== to ? { is: 'steps', from: from!, by: by!, to: to! } : null),
    weight: 1,
  },
  // "…, then 9 of each, then 8, all the way to 1": from one more than the first that is told.
  {
    is: 'then N of each @sep? then? N @sep? all|right|and|until? the? way|so|you|on|down? on|get|all? the? way? down? to N',
    says: ([next, after, to]) =>
      next! > after! && after! > to! && to! >= 1
        ? { is: 'steps', from: next! + (next! - after!), by: next! - after!, to: to! }
        : null,
    weight: 2,
  },
  {
    is: 'N down to N by|in N',
    says: ([from, to, by]) => (from! > to! ? { is: 'steps', from: from!, by: by!, to: to! } : null),
    weight: 1.4,
  },
  { is: 'downwards', says: () => ({ is: 'way', way: 'down' }) },
  // levels
  {
    is: '@color keep|go|carry|work going|on? to|till|until|for Q',
    says: ([s]) => ({ is: 'level', work: s!, rest: null }),
    weight: 1.4,
  },
  {
    is: '@color stop|end|finish? @sep? at|after? Q',
    says: ([s]) => ({ is: 'level', work: s!, rest: null }),
    weight: 1.2,
  },
  { is: '@color @sep? Q /|: Q @rest?', says: ([w, r]) => ({ is: 'level', work: w!, rest: r! }), weight: 1 },
  {
    is: '@color @sep? Q of? work|on|working @sep? Q of? rest|off',
    says: ([w, r]) => ({ is: 'level', work: w!, rest: r! }),
    weight: 1.4,
  },
  {
    is: '@color @sep? N @rep',
    says: ([n], words) => ({ is: 'remark', says: `${words[0]} ${n} reps` }),
    weight: 2,
  },
  { is: '@hue @sep? T', says: ([s]) => ({ is: 'level', work: s!, rest: null }), weight: 0.8 },
  { is: '@color @sep? no|without @rest', says: () => ({ is: 'level', work: null, rest: 0 }), weight: 1 },
  {
    is: 'level|tier|lane|group O @sep? Q of? work|on|working? @sep? no|without @rest',
    says: ([w]) => ({ is: 'level', work: w!, rest: 0 }),
    weight: 2.4,
  },
  {
    is: '@color @sep? Q of? work|on|working? @sep? no|without @rest',
    says: ([w]) => ({ is: 'level', work: w!, rest: 0 }),
    weight: 2,
  },
  {
    is: 'everyone|everybody|all|we|you? start|starting|begin|go again? on|at the? top|start? of? the? minute',
    says: () => ({ is: 'slot', seconds: 60 }),
    weight: 1.2,
  },
  // "4 moves = 2 min": what it comes to.
  {
    is: 'N station|exercise|move|movement|drill = T',
    says: ([n]) => (n! <= 60 ? { is: 'stations', n: n! } : null),
    weight: 2,
  },
  // "20/20/20": three parts of a length, whatever they are.
  {
    is: 'N / N / N',
    says: (all) => (all.every((n) => n === all[0]) ? { is: 'aside' } : null),
    weight: 3,
  },
  // "Repeat for 25 minutes": round and round till they are over.
  {
    is: 'repeat|continue|keep|carry|go|loop going|on|round? it|this|that|all|these|everything? for T',
    says: ([seconds]) => (seconds! >= 240 ? { is: 'in all seconds', seconds: seconds! } : null),
    weight: 1.4,
  },
  { is: 'T slot|window|block', says: work, weight: 0.4 },
  { is: 'same move|exercise|station|thing|circuit', says: () => ({ is: 'aside' }), weight: 0.4 },
  { is: 'N level|version|option|ability of|for?', says: () => ({ is: 'aside' }), weight: 0.2 },
  {
    is: 'level|tier|lane|group O @sep? Q of? work|on|working? @sep? Q of? rest|off?',
    says: ([w, r]) => ({ is: 'level', work: w!, rest: r! }),
    weight: 1.6,
  },
  {
    is: 'level|tier|lane|group O @sep? Q /|: Q',
    says: ([w, r]) => ({ is: 'level', work: w!, rest: r! }),
    weight: 1.6,
  },
  {
    is: 'Q of? work|on|working? @sep? Q of? rest|off? for @color',
    says: ([w, r]) => ({ is: 'level', work: w!, rest: r! }),
    weight: 2,
  },
  {
    is: 'Q of? work|on|working? @sep? Q of? rest|off? for the|everyone|everybody|all rest|others|else',
    says: ([w, r]) => ({ is: 'level', work: w!, rest: r! }),
    weight: 2,
  },
  { is: '@color @sep? Q @rest', says: ([r]) => ({ is: 'level', work: null, rest: r! }), weight: 0.6 },
  ...LAST_HELD,
  {
    is: 'nft|not for? time?',
    says: (_, words) => (words.length === 1 && words[0] !== 'nft' ? null : { is: 'aside' }),
    weight: 0.4,
  },
  { is: 'in pair|two|three|team|group of? N?', says: () => ({ is: 'aside' }), weight: 0.2 },
  { is: 'with a partner', says: () => ({ is: 'aside' }), weight: 0.2 },
  { is: 'you go i go', says: () => ({ is: 'partner' }), weight: 1 },
  { is: 'i go you go', says: () => ({ is: 'partner' }), weight: 1 },
  { is: 'rest|recover the remainder|rest', says: () => ({ is: 'aside' }), weight: 1 },
  { is: 'keep moving|going', says: () => ({ is: 'aside' }) },
  ...RESTS_DONE,
  {
    is: 'straight? round|around|through the clock|circuit|list',
    says: () => ({ is: 'aside' }),
    weight: -0.2,
  },
];

function range(values: readonly number[]): number[] {
  const by = values[1]! - values[0]!;
  const last = values.at(-1)!;
  const found: number[] = [];
  const begun = values.length === 4 ? values[2]! : values[1]!;
  for (let n = begun + by; by !== 0 && found.length < 100 && (by > 0 ? n <= last : n >= last); n += by)
    found.push(n);
  return found;
}

const boutsOf = (n: number, work: number, rest: number): Fact | null =>
  n <= 40 && work >= LEAST_WORK && work <= 600 && rest <= 600 ? { is: 'bouts', n, work, rest } : null;
/** More of one side nobody does in a set. Estimate. */
const MOST_A_SIDE = 20;
const ofLoad = (kg: number) => Math.round(kg * 2) / 2;
const loads = ([kg, other]: readonly number[]): Fact | null =>
  kg! <= 200 && other! <= 200 ? { is: 'load', kg: ofLoad(kg!), other: ofLoad(other!) } : null;

/** Nobody holds every rep longer, s. Estimate. */
const LONGEST_MOMENT = 10;
const momentOf = (seconds: number, words: readonly string[]): string => {
  const does = words.find((word) => ['hold', 'pause', 'squeeze'].includes(word))!;
  const where = words.at(-1)!;
  return `${seconds} s ${does}${where === 'rep' ? ' each rep' : where === does ? '' : ` at the ${where}`}`;
};

/** What may be said beside the name of a move. */
/** Counts and loads that are written for two kinds of people. Estimate. */
const LEAST_OF_TWO_KINDS = 3;
const MOST_OF_TWO_KINDS = 100;

const DOSE: readonly Rule<Fact>[] = [
  {
    is: 'N @rep|@x? of?',
    // A written “one” by itself names a side or a leg, and counts nothing.
    says: (values, words) =>
      words.length === 1 && words[0] === 'one' ? null : count((n) => ({ is: 'reps', n }), 500)(values),
  },
  { is: 'for time', says: () => ({ is: 'format', kind: 'for time' }), weight: 0.5 },
  {
    is: 'N @dash N @rep?',
    says: ([lo, hi]) => (lo! < hi! && hi! <= 100 ? { is: 'reps', n: lo! } : null),
    weight: 0.3,
  },
  {
    is: 'N @dash N @rep',
    says: ([lo, hi]) => (lo! < hi! && hi! <= 200 ? { is: 'reps', n: lo! } : null),
    weight: 0.6,
  },
  { is: '@x N @rep|pace|breath|length|lap|step?', says: count((n) => ({ is: 'reps', n }), 500), weight: 0.2 },
  { is: 'for? T of?', says: ([s]) => (ok(s!) && s! <= 3600 ? { is: 'seconds', seconds: s! } : null) },
  // A moment of every rep, and no length of all of it.
  {
    is: 'with|and|,? a? T hold|pause|squeeze at|in? the|each? top|bottom|middle|end|squeeze|rep',
    says: ([s], words) => (s! <= LONGEST_MOMENT ? { is: 'remark', says: momentOf(s!, words) } : null),
    weight: 1.4,
  },
  { is: 'for? T hold', says: ([s]) => ({ is: 'seconds', seconds: s! }), weight: 0.3 },
  {
    is: 'N / N',
    says: ([left, right]) =>
      left === right && left! >= 1 && left! <= 100 ? { is: 'reps', n: left!, each: true } : null,
    weight: 0.8,
  },
  // "24/16": a count for some and for others, or beside a count how heavy.
  {
    is: '@|with|at? N / N',
    says: ([first, second]) =>
      first! > second! && second! >= LEAST_OF_TWO_KINDS && first! <= MOST_OF_TWO_KINDS
        ? { is: 'two kinds', first: first!, second: second! }
        : null,
    weight: 0.2,
  },
  // "10 x 5 s holds": so many, each held for a moment.
  {
    is: 'N @x T hold|squeeze|pause',
    says: ([n, s]) =>
      n! <= 100 && s! <= LONGEST_MOMENT ? { is: 'reps', n: n!, how: `hold each for ${s} s` } : null,
    weight: 1,
  },
  {
    is: 'N @rep? hold|holding|held each? for? T',
    says: ([n, s]) =>
      n! <= 100 && s! <= LONGEST_MOMENT ? { is: 'reps', n: n!, how: `hold each for ${s} s` } : null,
    weight: 1,
  },
  { is: '@x T', says: ([s]) => ({ is: 'seconds', seconds: s! }), weight: 0.3 },
  {
    is: 'N @x N @rep?',
    // "12 x 3" is twelve and three times: nobody who counts so few does them so often. Common practice.
    says: ([one, other]) => {
      const [sets, reps] = one! > MOST_OFTEN && other! <= FEW ? [other!, one!] : [one!, other!];
      return sets <= 12 && reps <= 500 && Number.isInteger(reps) ? { is: 'sets of', sets, reps } : null;
    },
    weight: 0.3,
  },
  {
    is: 'N @x N @dash N @rep?',
    says: ([sets, lo, hi]) =>
      sets! <= 12 && lo! < hi! && hi! <= 200 ? { is: 'sets of', sets: sets!, reps: lo! } : null,
    weight: 1,
  },
  {
    is: 'N set @x|of? N @dash N @rep?',
    says: ([sets, lo, hi]) =>
      sets! <= 12 && lo! < hi! && hi! <= 200 ? { is: 'sets of', sets: sets!, reps: lo! } : null,
    weight: 1,
  },
  // "5x5 (2-3 min rest)": a rest that is told by its ends is no count.
  { is: 'N @dash T of? @rest', says: leastRest, weight: 1.6 },
  { is: '@rest @sep? of|for? N @dash T', says: leastRest, weight: 1.6 },
  // "Heel raises x 10 x 2": how many, and then how often.
  { is: '@x N @x N', says: setsLast, weight: 1.2 },
  { is: '@x T @x N', says: timedSetsLast, weight: 1.2 },
  { is: 'T @x N set', says: timedSetsLast, weight: 1.2 },
  { is: 'N @rep @x N @set?', says: setsLast, weight: 1.2 },
  // "20 s L, 20 s R": the same on both sides.
  {
    is: 'T @sep? left|l @sideword? @sep? T @sep? right|r @sideword?',
    says: ([one, other]) => (one === other ? { is: 'seconds', seconds: one!, each: true } : null),
    weight: 2,
  },
  {
    is: 'T @sep? right|r @sideword? @sep? T @sep? left|l @sideword?',
    says: ([one, other]) => (one === other ? { is: 'seconds', seconds: one!, each: true } : null),
    weight: 2,
  },
  {
    is: 'N @sep? right|r @sideword? @sep? N @sep? left|l @sideword?',
    says: ([one, other]) => (one === other && one! <= 100 ? { is: 'reps', n: one!, each: true } : null),
    weight: 2,
  },
  {
    is: 'N @sep? left|l @sideword? @sep? N @sep? right|r @sideword?',
    says: ([one, other]) => (one === other && one! <= 100 ? { is: 'reps', n: one!, each: true } : null),
    weight: 2,
  },
  {
    is: 'N set @x|of? N @rep?',
    says: ([sets, reps]) => (sets! <= 12 ? { is: 'sets of', sets: sets!, reps: reps! } : null),
    weight: 0.6,
  },
  {
    is: 'N set @x|of? T',
    says: ([sets, seconds]) => (sets! <= 12 ? { is: 'sets of', sets: sets!, seconds: seconds! } : null),
    weight: 0.6,
  },
  {
    is: 'N @x T',
    says: ([sets, seconds]) => (sets! <= 12 ? { is: 'sets of', sets: sets!, seconds: seconds! } : null),
    weight: 0.5,
  },
  {
    is: 'N @x|set of? M',
    says: ([sets, metres]) =>
      sets! <= 12 && metres! >= 1 && metres! <= 2000
        ? { is: 'sets of', sets: sets!, metres: Math.round(metres!) }
        : null,
    weight: 0.6,
  },
  {
    is: 'M @x N',
    says: ([metres, sets]) =>
      sets! <= 12 && metres! >= 1 && metres! <= 2000
        ? { is: 'sets of', sets: sets!, metres: Math.round(metres!) }
        : null,
    weight: 0.6,
  },
  {
    is: 'N pace|breath|length|lap|step @x N',
    says: ([reps, sets]) => (sets! <= 12 ? { is: 'sets of', sets: sets!, reps: reps! } : null),
    weight: 1,
  },
  { is: 'and? sit|stand|lie down? and rest|breathe for? Q', says: rest, weight: 1.4 },
  {
    is: 'T each @sideword? @x N',
    says: ([seconds, sets]) =>
      sets! <= 12 ? { is: 'sets of', sets: sets!, seconds: seconds!, each: true } : null,
    weight: 1,
  },
  {
    is: 'T each|per|a @sideword @x N',
    says: ([seconds, sets]) =>
      sets! <= 12 ? { is: 'sets of', sets: sets!, seconds: seconds!, each: true } : null,
    weight: 1,
  },
  {
    is: 'N @rep|pace|breath|length|lap|step? each @sideword? @x N',
    says: ([reps, sets]) => (sets! <= 12 ? { is: 'sets of', sets: sets!, reps: reps!, each: true } : null),
    weight: 1,
  },
  {
    is: 'N @rep|pace|breath|length|lap|step? each|per|a @sideword @x N',
    says: ([reps, sets]) => (sets! <= 12 ? { is: 'sets of', sets: sets!, reps: reps!, each: true } : null),
    weight: 1,
  },
  {
    is: 'N @rep? , N set',
    says: ([reps, sets]) => ({ is: 'sets of', sets: sets!, reps: reps! }),
    weight: 0.6,
  },
  { is: 'M', says: ([n]) => (n! >= 1 && n! <= 2000 ? { is: 'metres', n: Math.round(n!) } : null) },
  {
    is: 'N @x KG',
    says: ([n, kg]) => (n === 2 && kg! <= 200 ? { is: 'load', kg: ofLoad(kg!) } : null),
    weight: 1,
  },
  // "24/16 kg": one for some and one for the others; the first is what was written.
  {
    is: '@|with|at|a? @|at|of? N / KG',
    says: loads,
    weight: 1,
  },
  {
    is: '@|with|at|a? @|at|of? KG / KG',
    says: loads,
    weight: 1,
  },
  {
    is: '@|with|at|a? @|at|of? KG each|apiece|ea',
    says: ([kg]) => (kg! <= 200 ? { is: 'load', kg: ofLoad(kg!) } : null),
    weight: 0.6,
  },
  // "8 kg each hand": how heavy what either holds is, and nothing of sides.
  {
    is: '@|with|at|a? @|at|of? KG each|per|a|in|every each? hand|arm|side|dumbbell|kettlebell|weight|bell|fist|leg|ankle',
    says: ([kg]) => (kg! <= 200 ? { is: 'load', kg: ofLoad(kg!) } : null),
    weight: 1.2,
  },
  {
    is: '@|with|at|a? @|at|of? KG',
    says: ([kg]) => (kg! <= 200 ? { is: 'load', kg: ofLoad(kg!) } : null),
  },
  {
    is: 'Q on|work @sep? Q off|rest|easy @sep? @x N',
    says: ([work, rest, n]) => boutsOf(n!, work!, rest!),
    weight: 1.5,
  },
  {
    is: 'N @x Q on|work|hard @sep? Q off|rest|easy',
    says: ([n, work, rest]) => boutsOf(n!, work!, rest!),
    weight: 1.5,
  },
  {
    is: 'N @x Q / Q',
    // "3x10/10" is ten on either side: nobody works ten seconds three times.
    says: ([n, work, rest]) =>
      n! <= MOST_OFTEN && work === rest && work! <= MOST_A_SIDE
        ? { is: 'sets of', sets: n!, reps: work!, each: true }
        : boutsOf(n!, work!, rest!),
    weight: 1,
  },
  { is: 'at|on|@|from? a? N / CM', says: ([, cm]) => ({ is: 'height', cm: cm! }), weight: 1 },
  { is: 'at|on|@|from? a? CM / CM', says: ([, cm]) => ({ is: 'height', cm: cm! }), weight: 1 },
  {
    // Beyond what effort is told in it is how heavy: "@60"; "@8" is how hard.
    is: '@ N',
    says: ([n]) =>
      n! > 10 && n! <= 300
        ? { is: 'load', kg: ofLoad(n!) }
        : n! <= 10
          ? { is: 'remark', says: `@${n}` }
          : null,
    weight: 0.6,
  },
  { is: 'at|on|@|from? a? CM high|box|step|bench?', says: ([cm]) => ({ is: 'height', cm: cm! }) },
  { is: 'each|per|every|a|both|either @sideword', says: () => ({ is: 'each' }), weight: 0.3 },
  { is: 'each|both @sideword', says: () => ({ is: 'each' }), weight: 0.3 },
  { is: '/ @sideword', says: () => ({ is: 'each' }), weight: 0.3 },
  {
    is: 'N @x N pace|breath|length',
    says: ([sets, reps]) => (sets! <= 12 ? { is: 'sets of', sets: sets!, reps: reps! } : null),
    weight: 0.8,
  },
  {
    is: 'daily|once|twice|thrice a|per? day|week?',
    says: (_, words) =>
      words[0] === 'daily' || words.length > 1 ? { is: 'remark', says: words.join(' ') } : null,
    weight: 0.4,
  },
  {
    is: 'N time|@x a|per|/ day|week',
    says: (_, words) => ({ is: 'remark', says: words.join(' ') }),
    weight: 1,
  },
  { is: 'every other? day', says: (_, words) => ({ is: 'remark', says: words.join(' ') }), weight: 0.6 },
  { is: 'N lap|length|breath|pace of?', says: count((n) => ({ is: 'reps', n }), 500), weight: 0.2 },
  { is: 'r|l / l|r', says: () => ({ is: 'each' }), weight: 0.5 },
  {
    is: 'r|l|right|left @sideword? &|and|then|, then? the? l|r|left|right|other @sideword?',
    says: (_, words) => {
      const sides = words
        .map((word) => word[0])
        .filter((_, i) => /^(?:l|r|left|right|other)$/.test(words[i]!));
      return new Set(sides).size === 2 ? { is: 'each' } : null;
    },
    weight: 0.6,
  },
  {
    is: 'left|right @sideword? first|1st? @round , right|left @sideword? second|2nd|next? @round',
    says: () => ({ is: 'by round' }),
    weight: 3,
  },
  {
    is: 'left|right @sideword? @sep? in|on? @round N @sep? right|left @sideword? in|on? @round N',
    says: () => ({ is: 'by round' }),
    weight: 3,
  },
  {
    is: 'left|right|one|change|swap|switch|alternate|other @sideword? each|per|every|a|by @round',
    says: () => ({ is: 'by round' }),
    weight: 1.2,
  },
  { is: 'e / s|l|a|w|side|leg|arm|way', says: () => ({ is: 'each' }), weight: 0.3 },
  { is: 'each|ea', says: () => ({ is: 'each', one: true }), weight: -0.3 },
  {
    is: 'between you|us|them|the|everybody|everyone group|team|class|pair?',
    says: () => ({ is: 'in all' }),
    weight: 0.6,
  },
  { is: 'as a team|group|class|pair', says: () => ({ is: 'in all' }), weight: 0.6 },
  { is: 'in all|total', says: () => ({ is: 'in all' }), weight: 0.3 },
  { is: 'total', says: () => ({ is: 'in all' }), weight: -0.3 },
  { is: 'left @sideword?', says: () => ({ is: 'side', side: 'left' }), weight: -0.2 },
  { is: 'right @sideword?', says: () => ({ is: 'side', side: 'right' }), weight: -0.2 },
  { is: '@? tempo? N - N - N - N', says: tempo, weight: 2 },
  // Down, held, up: how long it stays there is left to each.
  ...['tempo N - N - N', 'tempo N / N / N'].map(
    (is): Rule<Fact> => ({ is, says: ([d, h, u]) => tempo([d!, h!, u!, 0]), weight: 2 }),
  ),
  // Behind a name with its count three numbers are how slow: "10 squats 4-2-1"; in front they are counts.
  {
    is: 'N - N - N',
    says: (v, _, at) => (at > 0 ? tempo([...v, 0]) : null),
    weight: 1,
  },
  {
    is: 'T down|lower|lowering|lowered|descent|negative ,|and? T hold|pause|at? the? bottom?',
    says: ([d, h]) => tempo([d!, h!, 1, 0]),
    weight: 1.4,
  },
  {
    is: 'Q down ,|and? Q up',
    says: ([d, u]) => tempo([d!, 0, u!, 0]),
    weight: 1.4,
  },
  {
    is: 'T on|for? the|a? way? down|lower|lowering|lowered|descent|negative',
    says: ([d]) => tempo([d!, 0, 1, 0]),
    weight: 0.6,
  },
  {
    is: 'until|till the? minute|time|clock|bell|beep|end|whistle|slot|rest is|run|up|goe|of? up|over|out|done|the|off? minute|slot?',
    says: () => ({ is: 'aside' }),
    weight: 0.8,
  },
  // A climb by hand, said as it stands: more numbers than a tempo has.
  ...[8, 7, 6, 5].map(
    (n): Rule<Fact> => ({
      is: Array.from({ length: n }, () => 'N').join(' - '),
      says: (v) => ({ is: 'remark', says: v.join('-') }),
      weight: 2.5,
    }),
  ),
  { is: '@? tempo? N / N / N / N', says: tempo, weight: 2 },
  {
    is: 'Q down , hold|pause? Q? hold|pause|at? , up',
    says: ([d, h]) => tempo([d!, h ?? 0, 1, 0]),
    weight: 1,
  },
  { is: 'Q down , hold Q , up', says: ([d, h]) => tempo([d!, h!, 1, 0]), weight: 2 },
  { is: 'tempo', says: () => ({ is: 'phases', says: ['slow'] }), weight: -0.9 },
  ...LAST_HELD,
  {
    is: 'last T fast|quick|sprint|flat',
    says: ([s]) => ({ is: 'phase', says: 'fast', seconds: s! }),
    weight: 1,
  },
  { is: 'slow then|to|and fast|quick', says: () => ({ is: 'phases', says: ['slow', 'fast'] }), weight: 0.5 },
  { is: 'fast then|to|and slow', says: () => ({ is: 'phases', says: ['fast', 'slow'] }), weight: 0.5 },
  {
    is: 'A when|if i|we|you say|call|shout|clap A?',
    says: (_, w) => ({ is: 'call', says: w[0]! }),
    weight: 1,
  },
  {
    is: 'on|onto|using a|the? low|lower|bottom step|box',
    says: (_, w) => ({ is: 'remark', says: w.join(' ') }),
    weight: 0.4,
  },
  { is: 'there and back', says: (_, w) => ({ is: 'remark', says: w.join(' ') }), weight: 0.4 },
  {
    is: 'across|along|around|round|down|up the? hall|room|pitch|court|field|lawn|gym|studio and? back?',
    says: (_, w) => ({ is: 'remark', says: w.join(' ') }),
    weight: 0.4,
  },
  {
    is: 'up and down the hall|room|pitch|court|field|lawn|gym|studio',
    says: (_, w) => ({ is: 'remark', says: w.join(' ') }),
    weight: 0.6,
  },
  { is: 'on? odd|even minute|one|number? :|-|=|,?', says: () => ({ is: 'aside' }), weight: 0.8 },
  { is: 'max|maximum effort|rep?', says: () => ({ is: 'aside' }) },
  // "Max burpees in the remaining time": as many as go into what is left.
  {
    is: 'in|for|with|until|till|to the? remaining|leftover|left|rest|end of? the? time|minute|round|interval|slot|work?',
    says: (_, words) =>
      words.some((word) => ['remaining', 'leftover', 'time', 'left', 'end'].includes(word))
        ? { is: 'remark', says: 'as many as there is time for' }
        : null,
    weight: 0.8,
  },
  {
    is: 'in|for the? time left|remaining|leftover',
    says: () => ({ is: 'remark', says: 'as many as there is time for' }),
    weight: 1,
  },
  { is: 'N count', says: count((n) => ({ is: 'reps', n }), 500), weight: 0.2 },
  {
    is: 'N @x|set of|to? max|amrap|failure',
    says: ([sets]) => (sets! <= 12 ? { is: 'sets of', sets: sets! } : null),
    weight: 0.8,
  },
  { is: '@|at? rpe of? N', says: ([n]) => ({ is: 'remark', says: `RPE ${n}` }), weight: 0.6 },
  { is: '@|at? N %|percent', says: ([n]) => ({ is: 'remark', says: `${n} %` }), weight: 0.6 },
  { is: 'Q rest|off|recovery|between', says: rest, weight: 0.4 },
  { is: '@rest :|-|–|for|of|= Q', says: rest, weight: 0.4 },
  { is: '@rest Q', says: rest, weight: 0.4 },
  { is: 'no @rest', says: () => ({ is: 'rest', seconds: 0 }) },
];
/** Sets that anybody does of one thing, and counts so low that they are rather how often. */
const MOST_OFTEN = 6;
const FEW = 4;
function setsLast([reps, sets]: readonly number[]): Fact | null {
  return sets! <= 12 && reps! <= 500 ? { is: 'sets of', sets: sets!, reps: reps! } : null;
}
function timedSetsLast([seconds, sets]: readonly number[]): Fact | null {
  return sets! <= 12 ? { is: 'sets of', sets: sets!, seconds: seconds! } : null;
}
function tempo(v: readonly number[]): Fact | null {
  return v.every((n) => Number.isInteger(n) && n >= 0 && n <= 9) ? { is: 'tempo', tempo: v.join('-') } : null;
}

/** The two grammars: a line is read by both, and what each leaves over decides which one it is. */
export const CLOCK_GRAMMAR = grammarOf(CLOCK, SETS);
export const DOSE_GRAMMAR = grammarOf(DOSE, SETS);
