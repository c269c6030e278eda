/** A piece of what was written, with where it stands. */
export interface Token {
  /** A word, a number, a quantity with its unit, or a sign. */
  readonly kind: 'word' | 'number' | 'seconds' | 'kg' | 'cm' | 'metres' | 'sign';
  /** In small letters, without accents and plural; of a number its digits, of a sign the sign. */
  readonly word: string;
  /** What a number or quantity comes to. */
  readonly value: number;
  /** A number that was written out: "one" may be no count at all. */
  readonly spelt: boolean;
  /** An unclear unit: 12 m may be minutes or metres. */
  readonly unclear: boolean;
  readonly from: number;
  readonly to: number;
}

const SPELT: Readonly<Record<string, number>> = {
  one: 1,
  two: 2,
  three: 3,
  four: 4,
  five: 5,
  six: 6,
  seven: 7,
  eight: 8,
  nine: 9,
  ten: 10,
  eleven: 11,
  twelve: 12,
  thirteen: 13,
  fourteen: 14,
  fifteen: 15,
  sixteen: 16,
  seventeen: 17,
  eighteen: 18,
  nineteen: 19,
  twenty: 20,
  thirty: 30,
  forty: 40,
  fourty: 40,
  fifty: 50,
  sixty: 60,
  seventy: 70,
  eighty: 80,
  ninety: 90,
  hundred: 100,
};
const TENS = 20;

const FRACTIONS: Readonly<Record<string, number>> = {
  '½': 0.5,
  '¼': 0.25,
  '¾': 0.75,
  '⅓': 1 / 3,
  '⅔': 2 / 3,
};

const UNITS: Readonly<Record<string, readonly [Token['kind'], number]>> = {
  s: ['seconds', 1],
  sec: ['seconds', 1],
  secs: ['seconds', 1],
  second: ['seconds', 1],
  seconds: ['seconds', 1],
  min: ['seconds', 60],
  mins: ['seconds', 60],
  minute: ['seconds', 60],
  minutes: ['seconds', 60],
  hour: ['seconds', 3600],
  hours: ['seconds', 3600],
  kg: ['kg', 1],
  kgs: ['kg', 1],
  kilo: ['kg', 1],
  kilos: ['kg', 1],
  lb: ['kg', 0.45359237],
  lbs: ['kg', 0.45359237],
  cm: ['cm', 1],
  km: ['metres', 1000],
  metre: ['metres', 1],
  metres: ['metres', 1],
  meter: ['metres', 1],
  meters: ['metres', 1],
  m: ['metres', 1],
  mile: ['metres', 1609],
  miles: ['metres', 1609],
  yard: ['metres', 0.9144],
  yards: ['metres', 0.9144],
  yd: ['metres', 0.9144],
  yds: ['metres', 0.9144],
};
/** Signs that stand for seconds and minutes behind a number: 30" and 1'. */
const PRIMES: Readonly<Record<string, number>> = { '"': 1, '”': 1, '″': 1, "'": 60, '′': 60 };

/** A word without case, accents and apostrophes. */
const bareWord = (text: string): string => {
  const small = text.toLowerCase();
  // Nearly every word is plain letters, and normalizing is what costs.
  return PLAIN.test(small) ? small : small.normalize('NFD').replace(/[\u0300-\u036f’'`‘]/g, '');
};
const PLAIN = /^[a-z]*$/;

const KEEPS_ITS_S = new Set([
  // Seizures, and nobody fit.
  'fits',
  'press',
  'cross',
  'less',
  'chess',
  'is',
  'us',
  'bus',
  'plus',
  'this',
  'abs',
  'as',
  'pass',
  'across',
  'was',
  'has',
  'ms',
  'biceps',
  'triceps',
  'discus',
  'gas',
  'class',
  'always',
  'towards',
  'backwards',
  'forwards',
  'sideways',
  'downwards',
  'upwards',
  'parkinsons',
  'osteoporosis',
  'arthritis',
  'diabetes',
  'sclerosis',
  'pelvis',
  'covid',
  'prosthesis',
  'minus',
  'its',
  'yes',
  'fasciitis',
  'bronchitis',
  'tendinitis',
  'bursitis',
  'scoliosis',
  'stenosis',
  'fibrosis',
  'thrombosis',
  'series',
  'sometimes',
  'continuous',
  'does',
  'his',
  'hers',
  'theirs',
]);
const ENDS: readonly (readonly [string, string])[] = [
  ['ches', 'ch'],
  ['shes', 'sh'],
  ['sses', 'ss'],
  ['xes', 'x'],
  ['ies', 'y'],
  ['oes', 'oe'],
];

/** The singular of a word, as far as names and sentences of trainers need it. */
export function singular(word: string): string {
  if (word === 'calves') return 'calf';
  if (word === 'goes') return 'go';
  if (word.length < 3 || !word.endsWith('s') || word.endsWith('ss') || KEEPS_ITS_S.has(word)) return word;
  for (const [plural, one] of ENDS)
    if (word.length > plural.length + 1 && word.endsWith(plural)) return word.slice(0, -plural.length) + one;
  return word.slice(0, -1);
}

const OF_FLOOR_LADDERS = new Set(['drill', 'drills', 'run', 'runs', 'feet', 'hops', 'work', 'footwork']);
const isDigit = (c: string) => c >= '0' && c <= '9';
const LETTER = /\p{L}|\p{M}/u;
const isLetter = (c: string) =>
  (c >= 'a' && c <= 'z') || (c >= 'A' && c <= 'Z') || (c > '\u007f' && LETTER.test(c));
const APOSTROPHES = new Set(["'", '’', '‘', '`']);

interface Raw {
  readonly text: string;
  readonly kind: 'word' | 'number' | 'sign';
  readonly value: number;
  readonly from: number;
  readonly to: number;
}

function rawTokens(text: string, most: number): Raw[] {
  const found: Raw[] = [];
  let i = 0;
  while (i < text.length && found.length < most) {
    const c = text[i]!;
    const from = i;
    if (isDigit(c)) {
      while (i < text.length && isDigit(text[i]!)) i++;
      const decimal =
        (text[i] === '.' || text[i] === ',') && isDigit(text[i + 1] ?? '') && i - from < 3 && text[i] === '.';
      if (decimal) {
        i++;
        while (i < text.length && isDigit(text[i]!)) i++;
      }
      let value = Number(text.slice(from, i));
      const fraction = FRACTIONS[text[i] ?? ''];
      if (fraction !== undefined) {
        value += fraction;
        i++;
      }
      found.push({ text: text.slice(from, i), kind: 'number', value, from, to: i });
    } else if (FRACTIONS[c] !== undefined) {
      i++;
      found.push({ text: c, kind: 'number', value: FRACTIONS[c]!, from, to: i });
    } else if (isLetter(c)) {
      while (
        i < text.length &&
        (isLetter(text[i]!) || (APOSTROPHES.has(text[i]!) && isLetter(text[i + 1] ?? '')))
      )
        i++;
      found.push({ text: bareWord(text.slice(from, i)), kind: 'word', value: Number.NaN, from, to: i });
      // "2 minutes' rest": an apostrophe that only says of whom.
      if (text[i - 1] === 's' && APOSTROPHES.has(text[i] ?? '') && text[i + 1] === ' ') i++;
    } else {
      i++;
      if (c.trim() !== '') found.push({ text: c, kind: 'sign', value: Number.NaN, from, to: i });
      else if (c === '\t') found.push({ text: '\t', kind: 'sign', value: Number.NaN, from, to: i });
    }
  }
  return found;
}

/** What stands from a piece on, read together: what it becomes, and how many pieces it was; null where it isn't that. */
type Joining = (
  raw: readonly Raw[],
  i: number,
  before: Raw | undefined,
) => readonly [readonly Raw[], number] | null;

const touches = (a: Raw | undefined, b: Raw | undefined): boolean =>
  a !== undefined && b !== undefined && a.to === b.from;
const wordAt = (text: string, from: number, to: number): Raw => ({
  text,
  kind: 'word',
  value: Number.NaN,
  from,
  to,
});
/** Three pieces with a slash in the middle and no space. */
const slashed = (raw: readonly Raw[], i: number): boolean =>
  raw[i + 1]?.text === '/' && touches(raw[i], raw[i + 1]) && touches(raw[i + 1], raw[i + 2]);
const SHAPES: Readonly<Record<string, string>> = {
  '4': 'foursided',
  four: 'foursided',
  '8': 'eightshaped',
  eight: 'eightshaped',
};
const TURNS = new Set([45, 90, 180, 270, 360]);
const TURNED = new Set(['jump', 'jumps', 'turn', 'turns', 'hop', 'hops', 'spin', 'spins']);
/** Behind a number: of what it names. "Four point kneeling", "3 way lunge", "four stage balance". */
const NAMED_BY_NUMBER = new Set(['point', 'way', 'stage', 'corner', 'square']);
const DEGREES = new Set(['degree', 'degrees', 'deg', '°', 'º']);
const OF_LIMBS = new Set([
  'handed',
  'hand',
  'hands',
  'legged',
  'footed',
  'feet',
  'foot',
  'armed',
  'arm',
  'arms',
]);
const AFTER_STEP = new Set(['up', 'ups', 'over', 'overs', 'out', 'outs', '-']);
/** What is called by its side: "side plank", and no "squat on the left side". */
const DONE_ON_A_SIDE = new Set(
  'plank planks lunge lunges bend bends step steps kick kicks raise raises tap taps crunch crunches shuffle shuffles reach reaches hop hops leg bridge'.split(
    ' ',
  ),
);
const BETWEEN = new Set(['t', 'w', 'n', 'tw', 'tween']);
const CLOCKY = new Set('x rest rounds round for work intervals interval then and on times'.split(' '));

/** Ways in which pieces say something together that none says alone, the first that fits taken. */
const JOININGS: readonly Joining[] = [
  // "T2B", "K2E", "C2B": written short, and no count.
  (raw, i) =>
    raw[i]!.kind === 'word' &&
    raw[i]!.text.length === 1 &&
    raw[i + 1]?.text === '2' &&
    raw[i + 2]?.kind === 'word' &&
    raw[i + 2]!.text.length === 1 &&
    touches(raw[i], raw[i + 1]) &&
    touches(raw[i + 1], raw[i + 2])
      ? [[wordAt(`${raw[i]!.text}2${raw[i + 2]!.text}`, raw[i]!.from, raw[i + 2]!.to)], 3]
      : null,
  // "b/t": between.
  (raw, i) =>
    slashed(raw, i) && raw[i]!.text === 'b' && BETWEEN.has(raw[i + 2]!.text)
      ? [[{ ...raw[i]!, text: 'between', to: raw[i + 2]!.to }], 3]
      : null,
  // "90/90": two right angles name where the legs are, unless it is a clock that goes on.
  (raw, i) => {
    const next = raw[i + 3];
    return slashed(raw, i) &&
      raw[i]!.value === 90 &&
      raw[i + 2]!.value === 90 &&
      next?.kind === 'word' &&
      UNITS[next.text] === undefined &&
      !CLOCKY.has(next.text)
      ? [[wordAt('90/90', raw[i]!.from, raw[i + 2]!.to)], 3]
      : null;
  },
  // "a minute": one of them, where it is how long.
  (raw, i) =>
    raw[i]!.text === 'a' &&
    raw[i]!.kind === 'word' &&
    // "a minute's rest"
    ['minute', 'min', 'minutes'].includes(raw[i + 1]?.text ?? '')
      ? [[{ ...raw[i]!, text: 'one' }], 1]
      : null,
  // "180 degree", "15 two handed swings": a number that names, and counts nothing.
  (raw, i) =>
    raw[i]!.kind === 'number' && TURNS.has(raw[i]!.value) && DEGREES.has(raw[i + 1]?.text ?? '')
      ? [[wordAt(String(raw[i]!.value), raw[i]!.from, raw[i + 1]!.to)], 2]
      : null,
  // "180 jumps", "four stage balance".
  (raw, i) => {
    const [a, b] = [raw[i]!, raw[i + 1]];
    const counts = a.kind === 'number' || SPELT[a.text] !== undefined;
    const named =
      (TURNS.has(a.value) && a.value >= 90 && TURNED.has(b?.text ?? '')) ||
      (counts && NAMED_BY_NUMBER.has(b?.text ?? '') && raw[i + 2]?.kind === 'word');
    return named ? [[wordAt(a.text, a.from, a.to)], 1] : null;
  },
  // "Figure 4" is a shape.
  (raw, i, before) => {
    const shape = before?.text === 'figure' ? SHAPES[raw[i]!.text] : undefined;
    return shape === undefined ? null : [[wordAt(shape, raw[i]!.from, raw[i]!.to)], 1];
  },
  // "Figure of 8".
  (raw, i, before) => {
    const shape =
      before?.text === 'figure' && raw[i]!.text === 'of' ? SHAPES[raw[i + 1]?.text ?? ''] : undefined;
    return shape === undefined ? null : [[wordAt(shape, raw[i]!.from, raw[i + 1]!.to)], 2];
  },
  (raw, i, before) =>
    raw[i]!.text === 'two' && before?.kind === 'number' && OF_LIMBS.has(raw[i + 1]?.text ?? '')
      ? [[wordAt('both', raw[i]!.from, raw[i + 1]!.to)], 2]
      : null,
  // "super sets".
  (raw, i) =>
    raw[i]!.text === 'super' && ['set', 'sets'].includes(raw[i + 1]?.text ?? '')
      ? [[wordAt('superset', raw[i]!.from, raw[i + 1]!.to)], 2]
      : null,
  // "3xAMRAP": times.
  (raw, i, before) =>
    before?.kind === 'number' &&
    touches(before, raw[i]) &&
    ['xamrap', 'xmax', 'xfailure'].includes(raw[i]!.text)
      ? [
          [
            { ...raw[i]!, text: 'x', to: raw[i]!.from + 1 },
            { ...raw[i]!, text: raw[i]!.text.slice(1), from: raw[i]!.from + 1 },
          ],
          1,
        ]
      : null,
  // "Left side plank": what is done on a side, and which.
  (raw, i, before) =>
    raw[i]!.text === 'side' &&
    (before?.text === 'left' || before?.text === 'right' || before?.text === 'l' || before?.text === 'r') &&
    DONE_ON_A_SIDE.has(raw[i + 1]?.text ?? '')
      ? [[{ ...raw[i]!, text: 'lateral' }], 1]
      : null,
  // "w/up".
  (raw, i) =>
    slashed(raw, i) && raw[i]!.text === 'w' && ['u', 'up'].includes(raw[i + 2]!.text)
      ? [[{ ...raw[i]!, text: 'warmup', to: raw[i + 2]!.to }], 3]
      : null,
  // "w/o jumping": without.
  (raw, i) =>
    slashed(raw, i) && raw[i]!.text === 'w' && ['o', 'out'].includes(raw[i + 2]!.text)
      ? [[{ ...raw[i]!, text: 'without', to: raw[i + 2]!.to }], 3]
      : null,
  // "w/ a twist": with.
  (raw, i) =>
    raw[i]!.text === 'w' && raw[i + 1]?.text === '/' && touches(raw[i], raw[i + 1])
      ? [[{ ...raw[i]!, text: 'with', to: raw[i + 1]!.to }], 2]
      : null,
  // "E2MOM": every two minutes.
  (raw, i) => {
    const [a, b, c] = [raw[i]!, raw[i + 1], raw[i + 2]];
    return a.text === 'e' && b?.kind === 'number' && c?.text === 'mom' && touches(a, b) && touches(b, c)
      ? [[{ ...a, text: 'every' }, b, { ...c, text: 'minutes' }], 3]
      : null;
  },
  // A ladder on the floor is no clock.
  (raw, i) =>
    raw[i]!.text === 'ladder' && OF_FLOOR_LADDERS.has(raw[i + 1]?.text ?? '')
      ? [[{ ...raw[i]!, text: 'agilityladder' }], 1]
      : null,
  // "Lunges L": which side, at the end of a name.
  (raw, i, before) => {
    const [a, b] = [raw[i]!, raw[i + 1]];
    const ends =
      b === undefined || b.kind === 'number' || (b.kind === 'sign' && !['/', '&', '-'].includes(b.text));
    return (a.text === 'l' || a.text === 'r') && a.kind === 'word' && before?.kind === 'word' && ends
      ? [[{ ...a, text: a.text === 'l' ? 'left' : 'right' }], 1]
      : null;
  },
  // ":30": half a minute.
  (raw, i, before) => {
    const [a, b, c] = [raw[i]!, raw[i + 1], raw[i + 2]];
    return a.text === ':' &&
      b?.kind === 'number' &&
      touches(a, b) &&
      b.to - b.from === 2 &&
      b.value < 60 &&
      before?.to !== a.from &&
      !(c?.kind === 'word' && touches(b, c))
      ? [[{ ...b, from: a.from }, wordAt('seconds', b.to, b.to)], 2]
      : null;
  },
  // Ten steps are how far; step-ups are what.
  (raw, i, before) =>
    raw[i]!.kind === 'word' &&
    raw[i]!.text === 'steps' &&
    before?.kind === 'number' &&
    !AFTER_STEP.has(raw[i + 1]?.text ?? '')
      ? [[{ ...raw[i]!, text: 'paces' }], 1]
      : null,
  // A letter with a number on it says which, as in A1 and P2; x10 says how many.
  (raw, i) => {
    const [a, b, c] = [raw[i]!, raw[i + 1], raw[i + 2]];
    return a.kind === 'word' &&
      a.text.length === 1 &&
      a.text !== 'x' &&
      b?.kind === 'number' &&
      touches(a, b) &&
      b.value <= 20 &&
      Number.isInteger(b.value) &&
      !(c?.kind === 'word' && touches(b, c))
      ? [[{ ...a, text: a.text + b.text, to: b.to }], 2]
      : null;
  },
];

function withJoined(raw: readonly Raw[]): readonly Raw[] {
  const found: Raw[] = [];
  for (let i = 0; i < raw.length; ) {
    let joined: ReturnType<Joining> = null;
    for (const joining of JOININGS) {
      joined = joining(raw, i, found.at(-1));
      if (joined) break;
    }
    found.push(...(joined?.[0] ?? [raw[i]!]));
    i += joined?.[1] ?? 1;
  }
  return found;
}

/** "1 1/2" is one and a half; "1/2" before a word is a half. */
function withFractions(raw: readonly Raw[]): readonly Raw[] {
  const slash = raw.findIndex((one) => one.text === '/');
  if (slash < 0) return raw;
  const found: Raw[] = [];
  for (let i = 0; i < raw.length; i++) {
    const a = raw[i]!;
    // "1 and 1/4" as well.
    const and = raw[i + 1]?.text === 'and' && a.kind === 'number' ? 1 : 0;
    const b = raw[i + 1 + and];
    const d = raw[i + 3 + and];
    const half =
      b?.kind === 'number' &&
      raw[i + 2 + and]?.text === '/' &&
      d?.kind === 'number' &&
      b.value === 1 &&
      d.value >= 2 &&
      d.value <= 4;
    if (a.kind === 'number' && a.value <= 3 && half && b.from > a.to && raw[i + 4 + and]?.kind === 'word') {
      found.push({ ...a, value: a.value + 1 / d.value, to: d.to });
      i += 3 + and;
    } else found.push(a);
  }
  return found;
}

/**
 * What was written, piece by piece: words in small letters and the singular, numbers with their units as one,
 * signs. Never more than `most`, so that a page of anything takes no longer than a page of stations.
 */
export function tokensOf(text: string, most = 400): readonly Token[] {
  const known = remembered.get(text);
  // A line is looked at as a line, by its parts and by its numbers: the same pieces each time.
  if (known && known.most === most) return known.tokens;
  const tokens = piecesOf(text, most);
  if (remembered.size >= MOST_REMEMBERED) remembered.clear();
  if (text.length <= LONGEST_REMEMBERED) remembered.set(text, { most, tokens });
  return tokens;
}
const MOST_REMEMBERED = 4000;
const LONGEST_REMEMBERED = 600;
const remembered = new Map<string, { readonly most: number; readonly tokens: readonly Token[] }>();

function piecesOf(text: string, most: number): Token[] {
  const raw = withJoined(withFractions(rawTokens(text, most)));
  const tokens: Token[] = [];
  for (let i = 0; i < raw.length; i++) {
    const one = raw[i]!;
    let value = one.value;
    let spelt = false;
    let end = i;
    // "The hundred" is what something is called.
    const called = one.text === 'hundred' && tokens.at(-1)?.word === 'the';
    if (one.kind === 'word' && SPELT[one.text] !== undefined && !called) {
      value = SPELT[one.text]!;
      spelt = true;
      const hyphen = raw[i + 1]?.text === '-' ? 2 : 1;
      const unit = raw[i + hyphen];
      const more = unit?.kind === 'word' ? SPELT[unit.text] : undefined;
      if (value >= TENS && value < 100 && more !== undefined && more < 10) {
        value += more;
        end = i + hyphen;
      }
    }
    // Built whole each time: a copy with more written over it costs many times as much, and a line has twenty.
    const token = (
      kind: Token['kind'],
      total: number,
      to: number,
      word = one.text,
      counts = spelt,
      unclear = false,
    ): Token => ({ kind, word, value: total, spelt: counts, unclear, from: one.from, to });
    if (Number.isNaN(value)) {
      const isWord = one.kind === 'word';
      tokens.push(token(isWord ? 'word' : 'sign', value, one.to, isWord ? singular(one.text) : one.text));
      continue;
    }
    // A clock of its own: 1:30, but 40:20 is work and rest.
    const [colon, after] = [raw[end + 1], raw[end + 2]];
    if (
      !spelt &&
      colon?.text === ':' &&
      after?.kind === 'number' &&
      after.to - after.from === 2 &&
      colon.from === raw[end]!.to &&
      after.from === colon.to &&
      // "10:00" is ten minutes; nobody rests for no seconds.
      (value <= 9 || after.value === 0) &&
      after.value < 60
    ) {
      tokens.push(token('seconds', value * 60 + after.value, after.to));
      i = end + 2;
      continue;
    }
    const dash = raw[end + 1]?.text === '-' && raw[end + 1]!.from === raw[end]!.to ? 2 : 1;
    const unit = raw[end + dash];
    const named = unit?.kind === 'word' ? UNITS[unit.text] : undefined;
    const prime = unit?.kind === 'sign' && unit.from === raw[end]!.to ? PRIMES[unit.text] : undefined;
    if (named || prime !== undefined) {
      const [kind, times] = named ?? (['seconds', prime!] as const);
      const total = value * times;
      // "1 minute 30 seconds", "1 min 30".
      const [n, s] = [raw[end + dash + 1], raw[end + dash + 2]];
      const rest =
        kind === 'seconds' &&
        times === 60 &&
        n?.kind === 'number' &&
        s?.kind === 'word' &&
        UNITS[s.text]?.[1] === 1 &&
        UNITS[s.text]?.[0] === 'seconds';
      const unclear =
        unit!.text === 'm' || (spelt && value === 1 && !['minute', 'min', 'hour'].includes(unit!.text));
      tokens.push(
        token(kind, rest ? total + n.value : total, rest ? s!.to : unit!.to, one.text, spelt, unclear),
      );
      i = end + dash + (rest ? 2 : 0);
      continue;
    }
    // "two-hand swing": a number joined to a word names, and counts nothing.
    const joins = spelt && dash === 2 && unit?.kind === 'word' && unit.from === raw[end + 1]!.to;
    tokens.push(
      joins ? token('word', Number.NaN, one.to, one.text, false) : token('number', value, raw[end]!.to),
    );
    i = end;
  }
  return tokens;
}

/** "(3-1-1)": three or four small numbers in brackets say how slow each part of a rep is. */
export function withTempo(tokens: readonly Token[]): readonly Token[] {
  const open = tokens.findIndex((token) => token.word === '(' || token.word === '[');
  const shut =
    open < 0 ? -1 : tokens.findIndex((token, i) => i > open && (token.word === ')' || token.word === ']'));
  const inside = tokens.slice(open + 1, Math.max(shut, 0));
  const tempo =
    (inside.length === 5 || inside.length === 7) &&
    inside.every((token, i) =>
      i % 2 === 0
        ? token.kind === 'number' && Number.isInteger(token.value) && token.value <= 9
        : ['-', '–', '/', '.'].includes(token.word),
    );
  return tempo
    ? tokens.flatMap((token, i) =>
        i === open ? [{ ...token, kind: 'word' as const, word: 'tempo' }] : i === shut ? [] : [token],
      )
    : tokens;
}

/** A name as it is compared where it stands alone: no case, accents, signs or plural. */
export const plainName = (text: string): string =>
  tokensOf(text)
    .flatMap((token) =>
      token.kind === 'sign' ? [] : [token.kind === 'word' ? token.word : String(token.value)],
    )
    .join(' ');
