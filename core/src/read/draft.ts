import { INPUTS } from '../clock/index.ts';
import { type Block, type Dose, MOST_OF, type Role } from '../session/index.ts';
import type { Fact } from './facts.ts';
import type { Item, LineRead } from './line.ts';
import type { ReadLine } from './reading.ts';

/** A block in the making: its rows, and what was said of its clock. */
export interface Draft {
  role: Role;
  name: string | null;
  facts: Fact[];
  rows: Row[];
  heads: ReadLine[];
  after: Block['after'] | null;
  /** A block that is one round of several. */
  round: boolean;
  /** All of it stood on its heading's line: what comes next is of another part. */
  whole: boolean;
  /** A clock that stood above the first of several parts. */
  above: readonly Fact[] | null;
  /** Its movements stood on its heading's line. */
  inline: boolean;
  /** What was said before its first station: of what follows by the next letter as well. */
  before: readonly Fact[];
  /** How often and what lies between stood behind its stations. */
  closed: boolean;
  /** The rest behind it lies between it and the next part, and behind no round. */
  apart: boolean;
  /** What is held after every step by its name, and the line that says so. */
  held: Row | null;
  /** Rests between its stations, as lines of their own. */
  breaks: { seconds: number; at: number }[];
}
export interface Row {
  readonly read: LineRead;
  readonly parts: readonly Item[];
  readonly tiers: { is: 'easier' | 'harder' | null; text: string; moves: readonly string[] }[];
}

export const draft = (role: Role, name: string | null = null): Draft => ({
  role,
  name,
  facts: [],
  rows: [],
  heads: [],
  after: null,
  round: false,
  whole: false,
  inline: false,
  above: null,
  closed: false,
  apart: false,
  before: [],
  held: null,
  breaks: [],
});

/** What says how long is worked, and so whose clock it is. */
const OF_CLOCK = new Set<Fact['is']>(['interval', 'work', 'format', 'steps', 'level', 'sets of', 'sets']);
export const saysClock = (facts: readonly Fact[]): boolean => facts.some((fact) => OF_CLOCK.has(fact.is));

/** A line as it is shown beside what was read from it; by itself it is no station. */
export const lineOf = (read: LineRead, more: Partial<ReadLine> = {}): ReadLine => ({
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

export const clamp = (n: number, least: number, most: number) =>
  Math.max(least, Math.min(most, Math.round(n)));
export const within = (key: keyof typeof INPUTS, n: number) => clamp(n, INPUTS[key].min, INPUTS[key].max);

/** What a station's line says of how much. */
export function doseOf(facts: readonly Fact[]): Dose | null {
  const dose: { -readonly [K in keyof Dose]: Dose[K] } = {};
  for (const fact of facts) {
    if (fact.is === 'reps' && dose.seconds === undefined && dose.metres === undefined) {
      dose.reps = clamp(fact.n, 1, MOST_OF.reps);
      if (fact.each) dose.each = true;
    }
    if (fact.is === 'seconds' && dose.reps === undefined && dose.metres === undefined)
      dose.seconds = clamp(fact.seconds, 1, MOST_OF.seconds);
    if (fact.is === 'seconds' && fact.each) dose.each = true;
    if (fact.is === 'metres' && dose.reps === undefined && dose.seconds === undefined)
      dose.metres = clamp(fact.n, 1, MOST_OF.metres);
    if (fact.is === 'sets of' && dose.reps === undefined) {
      // How much was said already: only how often is new.
      if (dose.seconds !== undefined || dose.metres !== undefined) dose.sets = clamp(fact.sets, 1, 12);
      else if (fact.reps !== undefined) dose.reps = clamp(fact.reps, 1, MOST_OF.reps);
      else if (fact.seconds !== undefined) dose.seconds = clamp(fact.seconds, 1, MOST_OF.seconds);
      else if (fact.metres !== undefined) dose.metres = fact.metres;
      dose.sets = clamp(fact.sets, 1, 12);
      if (fact.each) dose.each = true;
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

/** A dose of one line over that of its block: one of count, time and distance, never two. */
export function doseOver(block: Dose | null, own: Dose | null): Dose | null {
  if (!block || !own) return own ?? block;
  if (own.reps === undefined && own.seconds === undefined && own.metres === undefined)
    return { ...block, ...own };
  const { reps: _, seconds: __, metres: ___, each: ____, ...rest } = block;
  return { ...rest, ...own };
}

/** Phases need the length of the stretch they lie in. */
export function withPhases(dose: Dose | null, facts: readonly Fact[], work: number | null): Dose | null {
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
export const restsBetween = (block: Draft): boolean =>
  block.rows.length > 1 &&
  block.breaks.filter(({ at }) => at < block.rows.length).length >= block.rows.length - 1;
