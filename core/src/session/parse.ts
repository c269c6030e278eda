import { FORMATS, type Format, type FormatKind } from '../clock/index.ts';
import type { Library } from '../ladder/index.ts';
import type { Block, Dose, Role, Station } from './plan.ts';

export interface PastedLine {
  readonly line: number;
  readonly text: string;
  /** Move ids it could mean; one where it is plain, several where trainers differ, none when unknown. */
  readonly moves: readonly string[];
  /** What was said of how much. */
  readonly dose: Dose | null;
}

/** What was said of the clock: a kind of format, and numbers of it. */
interface PastedClock {
  readonly kind?: FormatKind;
  readonly workSeconds?: number;
  readonly restSeconds?: number;
  readonly rounds?: number;
  readonly roundRestSeconds?: number;
  readonly capSeconds?: number;
  readonly minutes?: number;
  readonly sets?: number;
  readonly from?: number;
  readonly by?: number;
  readonly to?: number;
  readonly way?: 'up' | 'down' | 'up and down';
}

export interface PastedBlock {
  readonly role: Role;
  readonly clock: PastedClock;
  readonly lines: readonly PastedLine[];
}

export interface Pasted {
  readonly title: string | null;
  /** One where nothing parts them; a heading such as "Finisher" begins another. */
  readonly blocks: readonly PastedBlock[];
}

/** A name as compared: no case, accents, punctuation or plural s; press-up and push-up differ still. */
export function plainName(text: string): string {
  return text
    .toLowerCase()
    .normalize('NFD')
    .replace(/[\u0300-\u036f]/g, '')
    .replace(/[’'`]/g, '')
    .replace(/[^a-z0-9]+/g, ' ')
    .trim()
    .split(' ')
    .map((word) => (word.length > 2 && word.endsWith('s') && !word.endsWith('ss') ? word.slice(0, -1) : word))
    .join(' ');
}

/** Every name of every move, plain, with the moves that go by it. */
export function namesOf(library: Library): ReadonlyMap<string, readonly string[]> {
  const names = new Map<string, string[]>();
  for (const move of library.moves)
    for (const name of [move.name, ...move.twins]) {
      const plain = plainName(name);
      const list = names.get(plain) ?? [];
      if (!list.includes(move.id)) names.set(plain, [...list, move.id]);
    }
  return names;
}

const UNIT = '(s|secs?|seconds?|m|mins?|minutes?)?';
const seconds = (number: string, unit: string | undefined) =>
  unit?.startsWith('m') ? Number(number) * 60 : Number(number);
/** Inside its bounds, whatever was typed. */
const between = (n: number, least: number, most: number) => Math.max(least, Math.min(most, Math.round(n)));

/** Reads what a line says of the clock; null where it says nothing of it, or too much else. */
function readClock(text: string): PastedClock | null {
  const found: { -readonly [K in keyof PastedClock]: PastedClock[K] } = {};
  let rest = ` ${text.toLowerCase()} `;
  const take = (pattern: RegExp, use: (match: RegExpMatchArray) => void): boolean => {
    const match = rest.match(pattern);
    if (!match) return false;
    use(match);
    rest = rest.replace(match[0], ' ');
    return true;
  };
  take(/\b\d+(?:\s*-\s*\d+){2,}\b/, (m) => {
    const steps = m[0].split('-').map(Number);
    const falls = steps[0]! > steps.at(-1)!;
    const [low, high] = falls ? [steps.at(-1)!, steps[0]!] : [steps[0]!, steps.at(-1)!];
    const by = Math.max(1, Math.abs(steps[1]! - steps[0]!));
    if (falls) Object.assign(found, { kind: 'descending', from: high, by, to: low });
    else Object.assign(found, { kind: 'pyramid', from: low, by, to: high, way: 'up' });
  });
  take(
    new RegExp(`(\\d+|a)\\s*${UNIT}\\s*(?:rest\\s*)?(?:between|after)(?: the| each| every)? rounds?`),
    (m) => {
      found.roundRestSeconds = between(m[1] === 'a' ? seconds('1', m[2]) : seconds(m[1]!, m[2]), 0, 900);
    },
  );
  const minutes = (m: RegExpMatchArray) => between(Number(m[1]) * 60, 30, 3600);
  if (
    take(/(\d+)\s*(?:m|min|mins|minutes?)?[\s-]*(?:amrap|as many rounds as (?:you can|possible))/, (m) => {
      found.capSeconds = minutes(m);
    }) ||
    take(/(?:amrap|as many rounds as (?:you can|possible))\D{0,5}(\d+)\s*(?:m|min|mins|minutes?)?/, (m) => {
      found.capSeconds = minutes(m);
    }) ||
    take(/\bamrap\b|as many rounds as (?:you can|possible)/, () => {})
  )
    found.kind = 'amrap';
  else if (
    take(/(\d+)\s*(?:m|min|mins|minutes?)?[\s-]*(?:emom|every minute(?: on the minute)?)/, (m) => {
      found.minutes = between(Number(m[1]), 1, 60);
    }) ||
    take(/(?:emom|every minute(?: on the minute)?)\D{0,5}(\d+)\s*(?:m|min|mins|minutes?)?/, (m) => {
      found.minutes = between(Number(m[1]), 1, 60);
    }) ||
    take(/\bemom\b|every minute(?: on the minute)?/, () => {})
  )
    found.kind = 'emom';
  else if (take(/\bfor time\b/, () => {})) found.kind = 'for time';
  else if (take(/\bsupersets?\b/, () => {})) found.kind = 'superset';
  else if (take(/\bpyramids?\b/, () => {})) found.kind = 'pyramid';
  else if (take(/\b(?:one|1)[\s-]minute stations?\b/, () => {})) found.kind = 'one-minute';
  else if (take(/\btabata\b|\b20\s*s?\s*\/\s*10\s*s?\s*[x×]\s*8\b/, () => {})) found.kind = 'tabata';
  if (
    take(/(\d+)\s*sets?\b/, (m) => {
      found.sets = between(Number(m[1]), 1, 12);
    })
  )
    found.kind ??= 'sets';
  take(/(\d+)\s*(?:rounds?|times|laps?|circuits?)\b|[x×]\s*(\d+)\b/, (m) => {
    found.rounds = between(Number(m[1] ?? m[2]), 1, 20);
  });
  take(
    new RegExp(`(\\d+)\\s*${UNIT}\\s*(?:/|on\\b|work\\b,?)\\s*[,/]?\\s*(\\d+)\\s*${UNIT}\\s*(?:off|rest)?`),
    (m) => {
      found.workSeconds = between(seconds(m[1]!, m[2]), 5, 600);
      found.restSeconds = between(seconds(m[3]!, m[4]), 0, 600);
    },
  );
  if (found.kind && found.kind !== 'amrap' && FORMATS[found.kind].inputs.includes('capSeconds?' as never))
    take(/(\d+)\s*(?:m|min|mins|minutes?)\b/, (m) => {
      found.capSeconds = minutes(m);
    });
  if (Object.keys(found).length === 0) return null;
  const left = rest
    .replace(
      /\b(circuit|intervals?|seconds?|secs?|of|in|with|stations?|rest|work|mins?|minutes?|cap|reps?|each|by)\b|[\d:,;.()\-–]/g,
      ' ',
    )
    .trim();
  return left.length > 24 ? null : found;
}

const ROLE_WORDS: readonly (readonly [RegExp, Role])[] = [
  [/^warm[\s-]?up\b/i, 'warm-up'],
  [/^cool[\s-]?down\b/i, 'cool-down'],
  [/^finisher\b/i, 'finisher'],
  [/^challenge\b/i, 'challenge'],
  [/^(?:circuit|block|part)\s*(?:\d+|[a-e])?\s*(?::|$|[-–])/i, 'circuit'],
];

const COUNT_UNIT = '(s|secs?|seconds?|min|mins|minutes?|m|metres?|meters?|reps?(?: of)?|x|×)?';
const EACH = /\s*\(?(?:each(?: side| leg| arm)?|per side|a side)\)?\s*$/i;

function doseFrom(n: number, unit: string | undefined, each: boolean): Dose {
  const side = each ? { each: true } : {};
  if (unit?.startsWith('s')) return { seconds: between(n, 1, 900), ...side };
  if (unit?.startsWith('min')) return { seconds: between(n * 60, 1, 900), ...side };
  if (unit?.startsWith('m')) return { metres: between(n, 1, 2000) };
  return { reps: between(n, 1, 500), ...side };
}

/** A line without its bullet, number and count: what is left should be a name. */
function readItem(raw: string): { bare: string; dose: Dose | null } {
  let text = raw.replace(/^(?:station\s*)?\d+\s*[.):]\s*/i, '').trim();
  const each = EACH.test(text);
  if (each) text = text.replace(EACH, '').trim();
  const front = text.match(new RegExp(`^(\\d+)\\s*${COUNT_UNIT}\\s+(?=[a-z])(.+)$`, 'i'));
  if (front) return { bare: front[3]!, dose: doseFrom(Number(front[1]), front[2]?.toLowerCase(), each) };
  const joined = text.match(/^(\d+)\s*(s|sec|m)\s+(?=[a-z])(.+)$/i);
  if (joined) return { bare: joined[3]!, dose: doseFrom(Number(joined[1]), joined[2]!.toLowerCase(), each) };
  const back = text.match(new RegExp(`^(.*?[a-z].*?)[\\s,(–:-]*[x×]?\\s*(\\d+)\\s*${COUNT_UNIT}\\)?$`, 'i'));
  if (back) return { bare: back[1]!, dose: doseFrom(Number(back[2]), back[3]?.toLowerCase(), each) };
  return { bare: text, dose: null };
}

/**
 * Reads a session pasted as plain text. A line is a move, several with commas between, or says how the clock
 * goes; bullets and numbers in front are passed over, counts and times are kept as doses. A heading such as
 * "Warm-up" or "Finisher" begins another block. Unknown lines come back with no moves and lose nothing.
 */
export function parseCircuit(text: string, names: ReadonlyMap<string, readonly string[]>): Pasted {
  const blocks: { role: Role; clock: PastedClock; lines: PastedLine[] }[] = [];
  let title: string | null = null;
  const current = () => {
    if (blocks.length === 0) blocks.push({ role: 'circuit', clock: {}, lines: [] });
    return blocks.at(-1)!;
  };
  const known = (raw: string): PastedLine | null => {
    const { bare, dose } = readItem(raw);
    const whole = names.get(plainName(raw));
    if (whole) return { line: 0, text: raw, moves: whole, dose: null };
    const moves = names.get(plainName(bare));
    return moves ? { line: 0, text: bare, moves, dose } : null;
  };
  const rows = text.split(/\r?\n/);
  rows.forEach((row, i) => {
    const cleaned = row
      .replace(/^[\s•*·‣▪–—-]+/, '')
      .trim()
      .slice(0, 300);
    if (!cleaned) return;
    const line = i + 1;
    const direct = known(cleaned);
    if (direct) {
      current().lines.push({ ...direct, line });
      return;
    }
    const heading = ROLE_WORDS.find(([pattern]) => pattern.test(cleaned));
    if (heading) {
      const [pattern, role] = heading;
      const rest = cleaned.replace(pattern, '').replace(/^[\s:–-]+/, '');
      const clock = rest ? readClock(rest) : null;
      const fresh = blocks.at(-1);
      // "Circuit:" over nothing yet names what is there rather than beginning another.
      if (fresh && fresh.lines.length === 0) blocks.pop();
      blocks.push({
        role,
        clock: { ...(fresh && fresh.lines.length === 0 ? fresh.clock : {}), ...clock },
        lines: [],
      });
      return;
    }
    const items = cleaned.split(/\s*[,;]\s*|\s+\+\s+|\s+then\s+/i).filter(Boolean);
    const clock = readClock(cleaned);
    const some = items.length > 1 ? items.map(known) : [];
    if (some.some((item) => item !== null)) {
      for (const [k, item] of some.entries())
        current().lines.push(
          item
            ? { ...item, line }
            : { line, text: readItem(items[k]!).bare, moves: [], dose: readItem(items[k]!).dose },
        );
      return;
    }
    if (clock) {
      const block = current();
      block.clock = { ...block.clock, ...clock };
      return;
    }
    const next = rows[i + 1]?.trim() ?? '';
    const heads = next === '' ? rows.length > i + 1 : readClock(next) !== null;
    const nothingYet = blocks.every((block) => block.lines.length === 0);
    if (
      nothingYet &&
      title === null &&
      (heads || /[:!]$|circuit|session|class|workout|round/i.test(cleaned))
    ) {
      title = cleaned.replace(/:$/, '').slice(0, 120);
      return;
    }
    const { bare, dose } = readItem(cleaned);
    current().lines.push({ line, text: bare || cleaned, moves: [], dose });
  });
  return { title, blocks: blocks.filter((block, i) => block.lines.length > 0 || i === 0) };
}

/**
 * The format that was meant: what was said, laid over what there is. Where only counts were given the rounds
 * are by count; warm-ups and cool-downs go straight through.
 */
export function pastedFormat(now: Format, block: PastedBlock): Format {
  const { clock } = block;
  const timed = block.lines.filter((l) => l.dose?.seconds !== undefined).length;
  const counted = block.lines.filter((l) => l.dose?.reps !== undefined).length;
  const kind: FormatKind =
    clock.kind ??
    (clock.workSeconds !== undefined
      ? 'intervals'
      : block.role === 'warm-up' || block.role === 'cool-down'
        ? 'flow'
        : counted > 0 && counted + timed === block.lines.length
          ? 'rounds'
          : now.kind === 'rounds' || now.kind === 'flow'
            ? 'intervals'
            : now.kind);
  const base = (kind === now.kind ? now : FORMATS[kind].usual) as unknown as Record<string, unknown>;
  const said = Object.entries(clock).filter(
    ([key]) => key !== 'kind' && (key in base || key === 'capSeconds'),
  );
  const takesCap = FORMATS[kind].inputs.some((input) => input.startsWith('capSeconds'));
  return {
    ...base,
    ...Object.fromEntries(said.filter(([key]) => key !== 'capSeconds' || takesCap)),
  } as unknown as Format;
}

/** Stations out of lines that have been settled: what each becomes, by move id. */
export function pastedStations(
  lines: readonly (PastedLine & { readonly chosen: string })[],
): Block['stations'] {
  return lines.slice(0, 40).map((line, i) => ({
    id: `s${i + 1}`,
    move: line.chosen,
    typed: line.text.slice(0, 200),
    sides: 'swap at half',
    ...(line.dose ? { dose: line.dose } : {}),
  }));
}

/** Fresh station ids that no station of a block uses yet. */
export function nextStationId(stations: readonly Pick<Station, 'id'>[]): string {
  const used = new Set(stations.map((s) => s.id));
  let n = stations.length + 1;
  while (used.has(`s${n}`)) n++;
  return `s${n}`;
}
