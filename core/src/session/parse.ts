import type { Library } from '../ladder/index.ts';
import type { Plan, Station } from './plan.ts';

export interface PastedLine {
  readonly line: number;
  readonly text: string;
  /** Move ids it could mean; one where it is plain, several where trainers differ, none when unknown. */
  readonly moves: readonly string[];
}

export interface Pasted {
  readonly title: string | null;
  readonly format: Partial<
    Pick<Plan['block']['format'], 'workSeconds' | 'restSeconds' | 'rounds' | 'roundRestSeconds'>
  >;
  readonly lines: readonly PastedLine[];
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

const seconds = (number: string, unit: string | undefined) =>
  unit?.startsWith('m') ? Number(number) * 60 : Number(number);

/** Reads "40/20", "40 on 20 off", "3 rounds", "x 3", "a minute between rounds" out of a line. */
function readFormat(text: string): Pasted['format'] | null {
  const found: { -readonly [K in keyof Pasted['format']]: Pasted['format'][K] } = {};
  let rest = ` ${text.toLowerCase()} `;
  const take = (pattern: RegExp, use: (match: RegExpMatchArray) => void) => {
    const match = rest.match(pattern);
    if (!match) return;
    use(match);
    rest = rest.replace(match[0], ' ');
  };
  const unit = '(s|sec|secs|seconds?|m|min|mins|minutes?)?';
  take(
    new RegExp(`(\\d+|a)\\s*${unit}\\s*(?:rest\\s*)?(?:between|after)(?: the| each| every)? rounds?`),
    (m) => {
      found.roundRestSeconds = m[1] === 'a' ? seconds('1', m[2]) : seconds(m[1]!, m[2]);
    },
  );
  take(/(\d+)\s*(?:rounds?|times|laps?|circuits?)\b|[x×]\s*(\d+)\b/, (m) => {
    found.rounds = Number(m[1] ?? m[2]);
  });
  take(
    new RegExp(`(\\d+)\\s*${unit}\\s*(?:/|on\\b|work\\b,?)\\s*[,/]?\\s*(\\d+)\\s*${unit}\\s*(?:off|rest)?`),
    (m) => {
      found.workSeconds = seconds(m[1]!, m[2]);
      found.restSeconds = seconds(m[3]!, m[4]);
    },
  );
  if (Object.keys(found).length === 0) return null;
  const left = rest
    .replace(
      /\b(circuit|interval|intervals|seconds?|secs?|of|with|stations?|rest|work|min|mins)\b|[\d:,;.()\-–]/g,
      ' ',
    )
    .trim();
  return left.length > 24 ? null : found;
}

/**
 * Reads a circuit pasted as plain lines. A line is a move, or says how the clock goes; bullets,
 * numbers and counts in front are passed over. Unknown lines come back with no moves and lose nothing.
 */
export function parseCircuit(text: string, names: ReadonlyMap<string, readonly string[]>): Pasted {
  const lines: PastedLine[] = [];
  let format: Pasted['format'] = {};
  let title: string | null = null;
  const rows = text.split(/\r?\n/);
  rows.forEach((raw, i) => {
    const cleaned = raw.replace(/^[\s•*·‣▪–—-]+/, '').trim();
    if (!cleaned) return;
    const bare = cleaned
      .replace(/^(?:station\s*)?\d+\s*[.):]\s*/i, '')
      .replace(/^\d+\s*(?:x|×|reps?(?: of)?)?\s+(?=[a-z])/i, '')
      .replace(
        /\s*[,(–-]?\s*\d+\s*(?:s|sec|secs|seconds|reps?|x)?\s*(?:each(?: side)?|per side)?\)?\s*$/i,
        '',
      )
      .trim();
    const direct = names.get(plainName(bare)) ?? names.get(plainName(cleaned));
    if (direct) {
      lines.push({ line: i + 1, text: bare, moves: direct });
      return;
    }
    const clock = readFormat(cleaned);
    if (clock) {
      format = { ...format, ...clock };
      return;
    }
    const next = rows[i + 1]?.trim() ?? '';
    const heads = next === '' ? rows.length > i + 1 : readFormat(next) !== null;
    if (
      lines.length === 0 &&
      title === null &&
      (heads || /[:!]$|circuit|session|class|workout|round/i.test(cleaned))
    ) {
      title = cleaned.replace(/:$/, '');
      return;
    }
    lines.push({ line: i + 1, text: bare || cleaned, moves: [] });
  });
  return { title, format, lines };
}

/** Fresh station ids that no station of a block uses yet. */
export function nextStationId(stations: readonly Pick<Station, 'id'>[]): string {
  const used = new Set(stations.map((s) => s.id));
  let n = stations.length + 1;
  while (used.has(`s${n}`)) n++;
  return `s${n}`;
}
