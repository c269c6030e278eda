import { FORMATS, type Format, type FormatKind, INPUTS } from '../clock/index.ts';
import { slugOf } from '../record/index.ts';
import { type Block, type Dose, MOST_STATIONS, type Role, type Station } from '../session/index.ts';
import type { Fact } from './facts.ts';
import { type Item, type LineKind, type LineRead, readLine, type Span } from './lines.ts';
import { type Names, namesOf, ownWords, type Reading, readName, type Vocabulary } from './names.ts';
import { tokensOf } from './tokens.ts';

/** What one line, or one movement of it, was read as. */
export interface ReadLine {
  /** From 1. */
  readonly line: number;
  readonly text: string;
  readonly kind: LineKind;
  readonly sure: number;
  /** Readings of a name, best first; empty for what names no movement. */
  readonly read: readonly Reading[];
  readonly dose: Dose | null;
  /** Numbers and names in the line, and what each was taken for. */
  readonly spans: readonly Span[];
  /** The station it became. */
  readonly station: string | null;
  /** Easier or harder ways of a station, by their words and what they are. */
  readonly tiers: readonly {
    readonly is: 'easier' | 'harder' | null;
    readonly text: string;
    readonly moves: readonly string[];
  }[];
}

export interface ReadBlock {
  readonly role: Role;
  readonly name: string | null;
  readonly format: Format;
  /** Fields of the format that nobody said. */
  readonly assumed: readonly string[];
  readonly lines: readonly ReadLine[];
  readonly stations: readonly Station[];
  readonly after: Block['after'] | null;
}

export interface ReadSession {
  readonly title: string | null;
  readonly blocks: readonly ReadBlock[];
  /** Lines that are none of a station, a clock or a heading: kept as notes, in their order. */
  readonly notes: readonly string[];
  /** What wasn't taken at all, and why. */
  readonly unread: readonly string[];
}

/** Sure enough to stand as that move; below it the line is a station of its own name. */
const STANDS = 0.5;
/** As much as is read: no session is longer, and a pasted page of anything stays quick. */
const MOST_LINES = 400;
const MOST_CHARACTERS = 40_000;

const HEADS_OF_COLUMNS: Readonly<
  Record<string, 'name' | 'reps' | 'sets' | 'rest' | 'time' | 'load' | 'note' | 'number'>
> = {
  exercise: 'name',
  move: 'name',
  movement: 'name',
  station: 'name',
  name: 'name',
  activity: 'name',
  drill: 'name',
  reps: 'reps',
  rep: 'reps',
  repetitions: 'reps',
  count: 'reps',
  sets: 'sets',
  set: 'sets',
  rounds: 'sets',
  rest: 'rest',
  recovery: 'rest',
  off: 'rest',
  time: 'time',
  work: 'time',
  seconds: 'time',
  secs: 'time',
  duration: 'time',
  on: 'time',
  weight: 'load',
  load: 'load',
  kg: 'load',
  notes: 'note',
  note: 'note',
  cue: 'note',
  comments: 'note',
  '#': 'number',
  no: 'number',
  nr: 'number',
  number: 'number',
  order: 'number',
};

/** Rows of a table as lines a trainer might have written: "Squat, 12 reps, 30 s rest". */
function tableLines(rows: readonly string[]): { text: string; table: boolean }[] {
  let columns: readonly (string | undefined)[] | null = null;
  return rows.map((row) => {
    if (!row.includes('\t') && !/^\s*\|.*\|\s*$/.test(row)) return { text: row, table: false };
    const split = row.includes('\t') ? row.split('\t') : row.trim().slice(1, -1).split('|');
    const cells = split.map((cell) => cell.trim());
    const heads = cells.map((cell) => HEADS_OF_COLUMNS[cell.toLowerCase().replace(/[^a-z#].*$/, '')]);
    if (heads.includes('name') && heads.filter(Boolean).length >= 2) {
      columns = heads;
      return { text: '', table: true };
    }
    if (cells.every((cell) => /^[-:\s]*$/.test(cell))) return { text: '', table: true };
    const said = cells.flatMap((cell, i) => {
      if (cell === '' || cell === '-' || cell === '–') return [];
      const bare = /^\d+$/.test(cell);
      switch (columns?.[i]) {
        case 'number':
          return [];
        case 'reps':
          return [bare ? `${cell} reps` : cell];
        case 'sets':
          return [bare ? `${cell} sets` : cell];
        case 'rest':
          return [`${bare ? `${cell} s` : cell} rest`];
        case 'time':
          return [bare ? `${cell} s` : cell];
        case 'load':
          return [bare ? `${cell} kg` : cell];
        case 'note':
          return [];
        default:
          return i === 0 && bare && cells.length > 1 ? [] : [cell];
      }
    });
    return { text: said.join(', '), table: true };
  });
}

/** Lines numbered "1 - ", "2 - " and so on, without their numbers: one by itself may be a count. */
function withoutNumbers(rows: readonly string[]): string[] {
  const numbered = rows.map((row) => /^\s*(\d{1,2})\s*[-–—]\s+(?=\p{L})/u.exec(row));
  let next = 1;
  const run: number[] = [];
  numbered.forEach((found, i) => {
    if (!found || Number(found[1]) !== next) return;
    run.push(i);
    next++;
  });
  return run.length < 3
    ? [...rows]
    : rows.map((row, i) => (run.includes(i) ? `• ${row.slice(numbered[i]![0].length)}` : row));
}

const SHORTENED = new Set([
  'min',
  'mins',
  'sec',
  'secs',
  'approx',
  'e.g',
  'i.e',
  'etc',
  'no',
  'ex',
  'max',
  'incl',
  'alt',
  'vs',
  'rep',
  'reps',
  'st',
]);
/** A line in its sentences: a full stop ends one where a new one plainly begins. */
function sentencesOf(text: string): string[] {
  const found: string[] = [];
  let begun = 0;
  for (let i = 1; i < text.length - 2; i++) {
    if (!'.!?'.includes(text[i]!) || text[i + 1] !== ' ' || text[i - 1] === '.' || text[i + 2] === '.')
      continue;
    const before = text.slice(begun, i).split(/[\s(]/).at(-1)!.toLowerCase();
    if (/^\d{1,2}$|^[a-z]$/.test(before) && text.slice(begun, i).trim() === before) continue;
    if (SHORTENED.has(before) || before === '') continue;
    found.push(text.slice(begun, i + 1));
    begun = i + 2;
  }
  found.push(text.slice(begun));
  return found.map((one) => one.trim()).filter(Boolean);
}

interface Draft {
  role: Role;
  name: string | null;
  facts: Fact[];
  rows: Row[];
  heads: ReadLine[];
  after: Block['after'] | null;
  /** A block that is one round of several. */
  round: boolean;
  /** Rests between its stations, as lines of their own. */
  breaks: { seconds: number; at: number }[];
}
interface Row {
  readonly read: LineRead;
  readonly parts: readonly Item[];
  readonly tiers: { is: 'easier' | 'harder' | null; text: string; moves: readonly string[] }[];
}

const draft = (role: Role, name: string | null = null): Draft => ({
  role,
  name,
  facts: [],
  rows: [],
  heads: [],
  after: null,
  round: false,
  breaks: [],
});

const clamp = (n: number, least: number, most: number) => Math.max(least, Math.min(most, Math.round(n)));
const within = (key: keyof typeof INPUTS, n: number) => clamp(n, INPUTS[key].min, INPUTS[key].max);

/** What a station's line says of how much. */
function doseOf(facts: readonly Fact[]): Dose | null {
  const dose: { -readonly [K in keyof Dose]: Dose[K] } = {};
  for (const fact of facts) {
    if (fact.is === 'reps' && dose.seconds === undefined && dose.metres === undefined)
      dose.reps = clamp(fact.n, 1, 500);
    if (fact.is === 'seconds' && dose.reps === undefined && dose.metres === undefined)
      dose.seconds = clamp(fact.seconds, 1, 900);
    if (fact.is === 'metres' && dose.reps === undefined && dose.seconds === undefined)
      dose.metres = clamp(fact.n, 1, 2000);
    if (fact.is === 'sets of' && dose.reps === undefined) {
      if (fact.reps !== undefined) dose.reps = clamp(fact.reps, 1, 500);
      else if (fact.seconds !== undefined) dose.seconds = clamp(fact.seconds, 1, 900);
    }
    if (fact.is === 'load') dose.loadKg = fact.kg;
    if (fact.is === 'tempo') dose.tempo = fact.tempo;
    if (fact.is === 'each') dose.each = true;
    if (fact.is === 'in all') dose.each = false;
    if (fact.is === 'call') dose.calls = { says: fact.says.slice(0, 60), times: 3, random: true };
  }
  // "each" without a count says nothing yet.
  if (dose.each !== undefined && dose.reps === undefined && dose.seconds === undefined) delete dose.each;
  return Object.keys(dose).length > 0 ? dose : null;
}

/** Phases need the length of the stretch they lie in. */
function withPhases(dose: Dose | null, facts: readonly Fact[], work: number | null): Dose | null {
  const stretch = dose?.seconds ?? work;
  if (!stretch) return dose;
  for (const fact of facts) {
    if (fact.is === 'phase' && fact.seconds < stretch)
      return {
        ...dose,
        phases: [
          { says: 'go', seconds: stretch - fact.seconds },
          { says: fact.says, seconds: fact.seconds },
        ],
      };
    if (fact.is === 'phases' && fact.says.length > 1) {
      const each = Math.floor(stretch / fact.says.length);
      if (each >= 1)
        return {
          ...dose,
          phases: fact.says.map((says, i) => ({
            says,
            seconds: i === 0 ? stretch - each * (fact.says.length - 1) : each,
          })),
        };
    }
  }
  return dose;
}

/** Rests as lines of their own, one after every station. */
const restsBetween = (block: Draft): boolean =>
  block.rows.length > 1 &&
  block.breaks.filter(({ at }) => at < block.rows.length).length >= block.rows.length - 1;

type Said = Partial<Record<Fact['is'], Fact[]>>;
function lastOf<K extends Fact['is']>(said: Said, is: K): Extract<Fact, { is: K }> | undefined {
  return said[is]?.at(-1) as Extract<Fact, { is: K }> | undefined;
}
const allOf = <K extends Fact['is']>(said: Said, is: K) => (said[is] ?? []) as Extract<Fact, { is: K }>[];

/** The clock that was meant: what was said, and which of its numbers nobody said. */
function formatOf(block: Draft): { format: Format; assumed: string[]; dose: Dose | null } {
  const said: Said = {};
  for (const fact of block.facts) said[fact.is] = [...(said[fact.is] ?? []), fact];
  const rowFacts = block.rows.map((row) => row.parts.flatMap((part) => part.facts));
  const doses = block.rows.map((row) => doseOf(row.parts[0]!.facts));
  const n = Math.max(1, block.rows.length);
  const assumed: string[] = [];
  const given = <T>(field: string, value: T | undefined, otherwise: T): T => {
    if (value !== undefined) return value;
    assumed.push(field);
    return otherwise;
  };
  const interval = lastOf(said, 'interval');
  const formats = allOf(said, 'format');
  const kindSaid = formats[0];
  const times = lastOf(said, 'times');
  const roundsFact = lastOf(said, 'rounds');
  const rounds = roundsFact ?? times;
  const bareTime = lastOf(said, 'work')?.seconds;
  const work = interval?.work ?? bareTime;
  const rest =
    interval?.rest ??
    lastOf(said, 'rest')?.seconds ??
    (allOf(said, 'format')[0]?.kind === 'emom' ? undefined : lastOf(said, 'station rest')?.seconds) ??
    (lastOf(said, 'partner') ? work : undefined) ??
    (restsBetween(block) ? block.breaks[0]!.seconds : undefined);
  const roundRest = lastOf(said, 'round rest')?.seconds ?? roundsFact?.rest;
  const steps = lastOf(said, 'steps');
  const cap = lastOf(said, 'cap')?.seconds ?? kindSaid?.seconds;
  const setsOf =
    lastOf(said, 'sets of') ??
    (rowFacts.flat().find((fact) => fact.is === 'sets of') as Extract<Fact, { is: 'sets of' }> | undefined);
  const sets = lastOf(said, 'sets')?.n ?? setsOf?.sets;
  const levels = allOf(said, 'level');
  const led = lastOf(said, 'led') !== undefined;
  const percents = Object.fromEntries(
    allOf(said, 'percent').map((fact) => [`${fact.of}Percent`, within('innerPercent', fact.percent)]),
  );
  const blockDose: Dose | null = doseOf(block.facts.filter((fact) => ['sets of', 'reps'].includes(fact.is)));
  const R = () => within('rounds', given('rounds', rounds?.n, 1));
  const Q = (many: boolean) =>
    within('roundRestSeconds', many ? given('roundRestSeconds', roundRest, 0) : (roundRest ?? 0));
  const mostRounds =
    roundsFact?.most !== undefined ? { mostRounds: within('mostRounds', roundsFact.most) } : {};
  // Where the count climbs or falls it is the clock's.
  const climbs = steps !== undefined || kindSaid?.kind === 'pyramid';
  const done = (format: Format) => ({ format, assumed, dose: climbs ? null : blockDose });
  const turns = (w: number, r: number) => {
    const many = R();
    return {
      workSeconds: within('workSeconds', w),
      restSeconds: within('restSeconds', r),
      rounds: many,
      ...mostRounds,
      roundRestSeconds: Q(many > 1),
      closingRest: false,
    };
  };
  // A clock named beside percentages of it is a staggered one.
  let kind: FormatKind | undefined =
    kindSaid?.kind ?? (Object.keys(percents).length > 0 ? 'staggered' : undefined);
  if (steps)
    kind = kind === 'pyramid' || steps.from < steps.to || lastOf(said, 'way') ? 'pyramid' : 'descending';
  if (kind === 'descending' && !steps) kind = undefined;
  // A time to be done by, and no other clock.
  if (kind === undefined && lastOf(said, 'cap') && !interval && work === undefined) kind = 'for time';
  if (levels.length >= 2) {
    const works = levels.flatMap((level) => level.work ?? []);
    const rests = levels.flatMap((level) => level.rest ?? []);
    if (works.length >= 2 && rests.length === 0) {
      const sorted = [...works].sort((a, b) => a - b);
      const most = sorted.at(-1)!;
      const many = turns(most, given('restSeconds', rest, 0));
      return done({
        kind: 'staggered',
        ...many,
        innerPercent: within('innerPercent', (100 * sorted[0]!) / most),
        middlePercent: within('middlePercent', (100 * sorted[Math.floor((sorted.length - 1) / 2)]!) / most),
      });
    }
    if (rests.length >= 2) {
      const w = works[0] ?? given('workSeconds', work, 30);
      const sorted = [...rests].sort((a, b) => b - a);
      const slot = w + sorted[0]!;
      const share = (r: number) => within('innerPercent', (100 * w) / (w + r));
      return done({
        kind: 'staggered',
        ...turns(slot, 0),
        innerPercent: share(sorted[0]!),
        middlePercent: share(sorted[Math.floor((sorted.length - 1) / 2)]!),
      });
    }
  }
  switch (kind) {
    case 'amrap': {
      const seconds = given('capSeconds', cap ?? bareTime, 600);
      return done({ kind, capSeconds: within('capSeconds', seconds), led });
    }
    case 'emom': {
      const per = lastOf(said, 'per station');
      const between = lastOf(said, 'station rest')?.seconds ?? lastOf(said, 'rest')?.seconds;
      const byStation =
        lastOf(said, 'in turn') === undefined &&
        (per !== undefined || lastOf(said, 'station rest') !== undefined || n === 1);
      const minutes =
        kindSaid?.n ??
        times?.n ??
        (per && per.minutes > 0
          ? per.minutes
          : bareTime !== undefined && bareTime >= 60
            ? Math.round(bareTime / 60)
            : undefined);
      const usual = byStation ? 4 : n * (rounds?.n ?? 1);
      return done({
        kind,
        minutes: within('minutes', given('minutes', minutes, usual)),
        order: byStation ? 'station by station' : 'in turn',
        stationRestSeconds: within(
          'stationRestSeconds',
          byStation && n > 1 ? given('stationRestSeconds', between, 0) : 0,
        ),
        leastFillSeconds: FORMATS.emom.usual.leastFillSeconds,
      });
    }
    case 'for time':
      return done({
        kind,
        rounds: within('rounds', kindSaid?.n ?? given('rounds', rounds?.n, 1)),
        ...(cap === undefined ? {} : { capSeconds: within('capSeconds', cap) }),
        led,
      });
    case 'superset': {
      const count = kindSaid!.n ?? sets ?? rounds?.n;
      return done({
        kind,
        sets: within('sets', given('sets', count, 1)),
        restSeconds: within('restSeconds', given('restSeconds', rest, 0)),
        pairRestSeconds: within('pairRestSeconds', given('pairRestSeconds', roundRest, 0)),
      });
    }
    case 'pyramid': {
      const usual = FORMATS.pyramid.usual as Extract<Format, { kind: 'pyramid' }>;
      const way = lastOf(said, 'way')?.way ?? steps?.way ?? (steps && steps.from > steps.to ? 'down' : 'up');
      const [low, high] = steps
        ? [Math.min(steps.from, steps.to), Math.max(steps.from, steps.to)]
        : [usual.from, usual.to];
      if (!steps) assumed.push('from', 'by', 'to');
      const hold = lastOf(said, 'step hold')?.seconds;
      return done({
        kind,
        from: within('from', low),
        by: within('by', steps?.by ?? usual.by),
        to: within('to', high),
        way,
        holdSeconds: within('holdSeconds', hold ?? 0),
        stepRestSeconds: within('stepRestSeconds', given('stepRestSeconds', rest, 0)),
      });
    }
    case 'descending':
      return done({
        kind,
        from: within('from', steps!.from),
        by: within('by', steps!.by),
        to: within('to', steps!.to),
        rounds: R(),
        ...(cap === undefined ? {} : { capSeconds: within('capSeconds', cap) }),
      });
    case 'tabata': {
      // Somebody who calls it so and gives other numbers means those.
      if (interval && (interval.work !== 20 || interval.rest !== 10))
        return done({ kind: 'intervals', ...turns(interval.work, interval.rest) });
      const each = lastOf(said, 'bouts each')?.n;
      const count = each === undefined ? (kindSaid?.n ?? rounds?.n) : each * n;
      const bouts = n > 4 ? n : n === 3 ? 9 : 8;
      return done({
        kind,
        workSeconds: 20,
        restSeconds: 10,
        bouts: within(
          'bouts',
          given('bouts', count === undefined ? undefined : n > 1 && count < n ? count * n : count, bouts),
        ),
      });
    }
    case 'one-minute':
      if (interval === undefined && rest === undefined) {
        const many = R();
        return done({ kind, rounds: many, roundRestSeconds: Q(many > 1) });
      }
      return done({ kind: 'intervals', ...turns(60, rest ?? 0) });
    case 'rotation':
    case 'progressive':
    case 'staggered': {
      if (work === undefined) break;
      const usual = FORMATS[kind].usual as unknown as Record<string, unknown>;
      const groups = lastOf(said, 'groups')?.n;
      return done({
        ...usual,
        ...(kind === 'rotation' && groups !== undefined ? { groups: within('groups', groups) } : {}),
        ...(kind === 'staggered' ? percents : {}),
        kind,
        ...turns(work, given('restSeconds', rest, 0)),
      } as Format);
    }
  }
  // Twenty on, ten off, eight times: what it is called needn't be said.
  if (interval?.work === 20 && interval.rest === 10 && rounds && rounds.n === 8)
    return done({
      kind: 'tabata',
      workSeconds: 20,
      restSeconds: 10,
      bouts: within('bouts', n > 1 ? 8 * Math.ceil(n / 8) : 8),
    });
  const counted = doses.filter((dose) => dose?.reps !== undefined || dose?.metres !== undefined).length;
  const timed = doses.filter((dose) => dose?.seconds !== undefined).length;
  const calm = block.role === 'warm-up' || block.role === 'cool-down';
  if (interval || (work !== undefined && !(counted === n && bareTime !== undefined && !lastOf(said, 'rest'))))
    return done({ kind: 'intervals', ...turns(work!, given('restSeconds', rest, 0)) });
  if (sets !== undefined && !calm)
    return done({
      kind: 'sets',
      sets: within('sets', sets),
      restSeconds: within(
        'restSeconds',
        given('restSeconds', lastOf(said, 'rest')?.seconds ?? roundRest ?? rest, 0),
      ),
      stationRestSeconds: within(
        'stationRestSeconds',
        given(
          'stationRestSeconds',
          lastOf(said, 'station rest')?.seconds ?? (rest === undefined ? undefined : roundRest),
          0,
        ),
      ),
    });
  const all = lastOf(said, 'in all seconds')?.seconds;
  // So many minutes for all of a warm-up, in equal shares.
  if (calm && all !== undefined && rounds === undefined && counted + timed === 0)
    return {
      format: { kind: 'flow', restSeconds: 0 },
      assumed,
      dose: { seconds: clamp(Math.floor(all / n), 1, 900) },
    };
  if (calm && rounds === undefined)
    return done({ kind: 'flow', restSeconds: within('restSeconds', rest ?? 0) });
  const lengths = [...new Set(doses.map((dose) => dose?.seconds))];
  if (timed === n && block.rows.length > 0 && lengths.length === 1)
    return done({ kind: 'intervals', ...turns(lengths[0]!, given('restSeconds', rest, 0)) });
  if (counted + timed > 0 || blockDose) {
    const many = R();
    return done({
      kind: 'rounds',
      rounds: many,
      ...mostRounds,
      restSeconds: within('restSeconds', given('restSeconds', rest, 0)),
      roundRestSeconds: Q(many > 1),
    });
  }
  // Nothing was said of how long: common practice stands in, and says that it does.
  return done({
    kind: 'intervals',
    ...turns(given('workSeconds', undefined, 40), given('restSeconds', rest, 20)),
  });
}

/** An id for a movement that isn't known: its own words, so that making it a move later makes the station known. */
function ownId(names: Names, text: string): string {
  const plain = slugOf(text, 50, 'as-you-teach-it');
  return names.library.move(plain) ? `${plain}-own` : plain;
}

/** Moves among a trainer's own ways of a station: what is looked to first when it is scaled. */
function waysOf(tiers: Row['tiers'], written: string): Pick<Station, 'ways'> {
  const moves = [...new Set(tiers.flatMap((tier) => (tier.moves.length === 1 ? tier.moves : [])))];
  const others = moves.filter((id) => id !== written).slice(0, 8);
  return others.length > 0 ? { ways: others } : {};
}

/** A trainer's own ways of a station, as they stand on paper: "Easier: chair squats. Harder: jump squats." */
function tierWords(tiers: Row['tiers']): string {
  const said = (is: 'easier' | 'harder' | null) =>
    tiers.flatMap((tier) => (tier.is === is ? [tier.text] : [])).join(' / ');
  return [
    said(null).replace(/^./u, (c) => c.toUpperCase()),
    ...(['easier', 'harder'] as const).map((is) =>
      said(is) ? `${is === 'easier' ? 'Easier' : 'Harder'}: ${said(is)}` : '',
    ),
  ]
    .filter(Boolean)
    .join('. ')
    .slice(0, 200);
}

/** Parts of a station: a movement of several parts, or several joined in one go, each with its own count. */
function stationOf(names: Names, row: Row, id: string, dose: Dose | null, work: number | null): Station {
  const links = row.parts.flatMap((part, i) => {
    const best = part.readings[0];
    const facts = part.facts;
    const own = withPhases(
      i === 0 && dose && !doseOf(facts)?.reps ? { ...dose, ...doseOf(facts) } : doseOf(facts),
      facts,
      work,
    );
    if (!best || best.sure < STANDS) return [{ move: ownId(names, part.text), dose: own, side: undefined }];
    return best.moves.map((move, k) => {
      const side = facts.find((fact) => fact.is === 'side');
      const alone =
        side && names.library.move(move)?.sides === 'one'
          ? (side as { side: 'left' | 'right' }).side
          : undefined;
      return { move, dose: k === 0 || own?.reps !== undefined ? own : null, side: alone };
    });
  });
  const [first, ...rest] = links;
  return {
    id,
    move: first!.move,
    typed: row.parts
      .map((part) => part.text)
      .join(row.parts.length > 1 ? ' + ' : '')
      .slice(0, 200),
    sides: 'swap at half',
    ...(first!.side ? { settings: { side: first!.side } } : {}),
    ...(first!.dose ? { dose: first!.dose } : {}),
    ...(row.tiers.length > 0 ? { words: tierWords(row.tiers) } : {}),
    ...waysOf(row.tiers, first!.move),
    ...(rest.length > 0
      ? {
          chain: rest
            .slice(0, 3)
            .map((link) => ({ move: link.move, ...(link.dose ? { dose: link.dose } : {}) })),
        }
      : {}),
  };
}

const clockLike = (facts: readonly Fact[]) =>
  facts.some((fact) => ['interval', 'work', 'format', 'steps', 'level', 'sets of', 'sets'].includes(fact.is));
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

/** What a part is called by its heading; "Circuit" alone is no name. */
const nameOf = (heading: string): string | null => {
  const name = tidy(heading.replace(/[:(].*$|\s[-–—]\s.*$/, '')).slice(0, 60);
  return /^(?:the )?(?:main )?circuit$|^main$|^$/i.test(name) ? null : name;
};

/** Where the title ends: a line's words without what trails them. */
const tidy = (text: string) =>
  text
    .replace(/^[^\p{L}\p{N}]+|[\s:–—-]+$/gu, '')
    .replace(/[^\p{L}\p{N}\p{P}\p{Zs}+]+/gu, '')
    .trim()
    .slice(0, 120);

/**
 * A session out of plain text, as it was written. What isn't understood becomes a station of its own name; what
 * nobody said is named as assumed. The same text always comes to the same session. Pure.
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
  const rows = tableLines(withoutNumbers(allRows.slice(0, MOST_LINES)));
  const reads: LineRead[] = [];
  let fresh = true;
  rows.forEach(({ text: row, table }, i) => {
    if (row.trim() === '') {
      if (!table) fresh = true;
      return;
    }
    sentencesOf(row).forEach((sentence, k) => {
      const read = readLine(names, i + 1, sentence, fresh && k === 0, own);
      reads.push(read);
      unread.push(...read.stray.map((piece) => `“${piece}” in line ${i + 1}`));
      fresh = false;
    });
  });
  let title: string | null = null;
  const notes: string[] = [];
  const blocks: Draft[] = [];
  const loose: ReadLine[] = [];
  const lineOf = (read: LineRead, more: Partial<ReadLine> = {}): ReadLine => ({
    line: read.line,
    text: read.text,
    kind: read.kind,
    sure: read.sure,
    read: [],
    dose: null,
    spans: read.spans,
    station: null,
    tiers: [],
    ...more,
  });
  const current = () => {
    if (blocks.length === 0) blocks.push(draft('circuit'));
    return blocks.at(-1)!;
  };
  let shared: Fact[] = [];
  let titleFacts: Fact[] = [];
  const addRow = (read: LineRead, parts: readonly Item[]) => {
    const [first] = parts;
    const tiers = first!.tiers.map((way) => {
      // "(knees / toes)" behind a name says how: the name with it, or a name of its own.
      const read = [
        readName(names, tokensOf(`${first!.text} ${way}`), own)[0],
        readName(names, tokensOf(way), own)[0],
      ];
      const best = read.find((one) => one !== undefined && one.sure >= 0.6);
      return { is: null, text: way, moves: best?.moves ?? [] };
    });
    current().rows.push({ read, parts, tiers });
  };
  const addStations = (read: LineRead) => {
    const chained = /\brepeat\b|\bof each\b/i.test(read.text);
    const emom = current().facts.some((fact) => fact.is === 'format' && fact.kind === 'emom');
    let parts: Item[] = [];
    for (const item of read.items) {
      const joins =
        parts.length > 0 &&
        parts.length < 4 &&
        (item.joined === 'with' ||
          (item.joined === 'next' && chained) ||
          (item.joined === 'then' && emom && !item.facts.some((fact) => fact.is === 'seconds')));
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
    const unsure = read.kind === 'station' && read.sure < 0.6;
    // The first line that names nothing is the title.
    const titles =
      title === null &&
      at === 0 &&
      next !== undefined &&
      (!read.listed || read.titled) &&
      ((unsure &&
        (read.titled ||
          read.heading !== null ||
          next.kind === 'clock' ||
          next.kind === 'heading' ||
          next.fresh)) ||
        (read.kind === 'heading' && read.role === null && read.roundNumber === null) ||
        (read.kind === 'note' && (next.kind === 'clock' || next.fresh)) ||
        // "A minute each" over a session in parts is what it is called.
        (read.kind === 'clock' && next.fresh && next.kind === 'heading' && !/\d/.test(read.text)));
    if (titles) {
      title = tidy(read.heading ?? read.text);
      const named = read.kind === 'clock';
      const weak = named ? [] : read.facts.filter((fact) => fact.is === 'format');
      const firm = named ? [] : read.facts.filter((fact) => fact.is !== 'format');
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
        if (empty) {
          blocks.pop();
          made.facts.push(...before.facts);
          made.heads.push(...before.heads);
        } else made.facts.push(...(inherits.length > 0 ? inherits : read.roundNumber !== null ? shared : []));
        made.facts.push(...read.facts);
        made.heads.push(lineOf(read));
        blocks.push(made);
        if (read.items.length > 0) addStations(read);
        return;
      }
      case 'clock': {
        const block = current();
        // A rest by itself behind the stations, with another part to come, lies between the two.
        const [only] = read.facts;
        if (read.facts.length === 1 && only!.is === 'rest' && block.rows.length > 0 && next !== undefined) {
          block.heads.push(lineOf(read, { kind: 'break' }));
          block.breaks.push({ seconds: only!.seconds, at: block.rows.length });
          block.after = { seconds: clamp(only!.seconds, 0, 900) };
          return;
        }
        // At the very end of a list that goes round again a rest lies between the rounds.
        const again = block.facts.some((fact) => (fact.is === 'rounds' || fact.is === 'times') && fact.n > 1);
        if (read.facts.length === 1 && only!.is === 'rest' && block.rows.length > 0 && again) {
          block.facts.push({ is: 'round rest', seconds: only!.seconds });
          block.heads.push(lineOf(read));
          return;
        }
        const begins =
          block.rows.length > 0 &&
          clockLike(read.facts) &&
          (clashes(block.facts, read.facts) ||
            (read.fresh && next?.kind === 'station' && !clockLike(block.facts)));
        const target = begins ? draft('circuit') : block;
        if (begins) blocks.push(target);
        const rests = read.facts.filter((fact) => fact.is === 'break');
        target.facts.push(...read.facts.filter((fact) => fact.is !== 'break'));
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
        const row = blocks.at(-1)?.rows.at(-1);
        const item = read.items[0]!;
        if (row) row.tiers.push({ is: read.tier!, text: item.text, moves: item.readings[0]?.moves ?? [] });
        current().heads.push(lineOf(read, { read: item.readings }));
        return;
      }
      case 'note':
        notes.push(read.text);
        (blocks.at(-1)?.heads ?? loose).push(lineOf(read));
        return;
      case 'station':
        if (unsure && nothingYet && read.heading !== null && /:\s*$/.test(read.text)) {
          notes.push(read.text);
          loose.push(lineOf(read, { kind: 'heading' }));
          return;
        }
        addStations(read);
    }
  });
  // A heading that names what is then listed ("10 to 1 squats and press-ups") is no station of its own.
  for (const block of blocks) {
    const [head, ...others] = block.rows;
    if (head?.read.kind !== 'heading' || others.length === 0) continue;
    const movesOf = (row: Row) => row.parts.flatMap((part) => part.readings[0]?.moves ?? [part.text]);
    const below = new Set(others.flatMap(movesOf));
    if (movesOf(head).every((id) => below.has(id))) block.rows.shift();
  }
  const filled = blocks.flatMap((block) => splitAtBreaks(block));
  const kept = filled.filter((block) => block.rows.length > 0);
  // A part that was named and has nothing in it is kept as it was written.
  for (const block of filled)
    if (block.rows.length === 0 && block.role !== 'circuit')
      notes.push(...block.heads.map((head) => head.text));
  const first = kept.find((block) => block.role === 'circuit');
  if (first && titleFacts.length > 0 && !clockLike(first.facts)) first.facts.push(...titleFacts);
  let lost = 0;
  const made = kept.map((block): ReadBlock => {
    const rest = restsBetween(block);
    // A rest at the very end of a list that goes round again lies between the rounds.
    const rounds = block.facts.some((fact) => (fact.is === 'rounds' || fact.is === 'times') && fact.n > 1);
    const closing = !rest && block.after && rounds && block === kept.at(-1);
    if (closing) block.facts.push({ is: 'round rest', seconds: block.after!.seconds });
    const { format, assumed, dose } = formatOf(block);
    if (format.kind === 'amrap')
      for (const fact of block.facts)
        if (fact.is === 'rounds')
          unread.push(`${fact.n} rounds: ${block.name ?? 'the part'} has as many as can be`);
    // A time that the kind of clock has no place for.
    if (!('workSeconds' in format) && ['rounds', 'sets', 'superset', 'flow'].includes(format.kind))
      for (const fact of block.facts)
        if (fact.is === 'work') unread.push(`${fact.seconds} s: ${block.name ?? 'the part'} goes by count`);
    if (format.kind === 'sets')
      for (const row of block.rows)
        for (const fact of row.parts.flatMap((part) => part.facts))
          if (fact.is === 'sets of' && fact.sets !== format.sets)
            unread.push(`${fact.sets} sets in line ${row.read.line}: all have ${format.sets}`);
    const work = 'workSeconds' in format ? format.workSeconds : null;
    const rows = block.rows.slice(0, MOST_STATIONS);
    lost += block.rows.length - rows.length;
    const stations: Station[] = [];
    const lines = rows.map((row, i): ReadLine => {
      const id = `s${i + 1}`;
      const station = stationOf(names, row, id, dose, work);
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
    };
  });
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
    notes,
    unread,
  };
}

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
