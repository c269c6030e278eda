import { isTallied } from '../clock/index.ts';
import type { FormRef } from '../move/index.ts';
import type { Cast } from '../run/index.ts';
import { entriesOf, type Plan } from '../session/index.ts';
import { isEnough, RANGES, type Result, type SessionRecord } from './record.ts';

/** The most somebody did of one thing by one standard, and what it was before. */
export interface Best {
  /** The form; null for rounds of a whole block. */
  readonly form: FormRef | null;
  /** What the rounds were of: the session's title and the block's number from 1. */
  readonly circuit: string | null;
  readonly of: 'reps' | 'seconds' | 'rounds';
  /** How much of the way each rep went. */
  readonly range: Result['range'];
  readonly most: number;
  /** Reps over the last whole round, where it is rounds. */
  readonly over: number;
  readonly on: string;
  /** The best of that kind before it; null for the first. */
  readonly before: number | null;
}

/** A rep counts by the same standard only where nothing went wrong: clean, nothing hurt, nobody was stopped. */
const counts = (result: Result): boolean => isEnough(result) && result.clean && result.pain === null;

const formKey = ({ move, settings }: FormRef): string => {
  const { trim, ...shown } = settings ?? {};
  return JSON.stringify([move, Object.entries(shown).sort(), trim ?? null]);
};

/** Rounds are the same rounds only of the same session's block, done with the same forms. */
const roundsKey = (record: SessionRecord, result: Result, block: number): string =>
  JSON.stringify([
    record.plan ?? record.title,
    block,
    [...new Set(result.pieces.map((p) => `${p.entry} ${formKey(p)}`))].sort(),
  ]);

interface Tried extends Omit<Best, 'before'> {
  readonly key: string;
}

/** What of one result can be compared: reps that somebody counted, time held, rounds. */
function triedIn(record: SessionRecord, result: Result): Tried[] {
  const tried: Tried[] = [];
  const byForm = new Map<
    string,
    { form: FormRef; reps: number; seconds: number; hold: boolean; counted: boolean }
  >();
  for (const piece of result.pieces) {
    const key = formKey(piece);
    const known = byForm.get(key);
    byForm.set(key, {
      form: { move: piece.move, ...(piece.settings ? { settings: piece.settings } : {}) },
      reps: (known?.reps ?? 0) + (piece.reps ?? 0),
      seconds: (known?.seconds ?? 0) + piece.seconds,
      hold: piece.reps === null,
      counted: (known?.counted ?? true) && piece.counted,
    });
  }
  const base = { range: result.range, on: record.on, circuit: null, over: 0 };
  for (const [key, { form, reps, seconds, hold, counted }] of byForm) {
    if (hold) tried.push({ ...base, key: `s ${key} ${result.range}`, form, of: 'seconds', most: seconds });
    else if (counted) tried.push({ ...base, key: `r ${key} ${result.range}`, form, of: 'reps', most: reps });
  }
  for (const { block, rounds, reps } of result.counts)
    tried.push({
      ...base,
      key: `c ${roundsKey(record, result, block)} ${result.range}`,
      form: null,
      circuit: `${record.title}, part ${block + 1}`,
      of: 'rounds',
      most: rounds,
      over: reps,
    });
  return tried;
}

/**
 * Somebody's bests, like with like: the same form at the same setting, the same part of the way, clean; rounds only of
 * the same block done with the same forms. Reps worked out from pace and time are nobody's count and are left out.
 * The newest best comes first.
 */
export function bestsOf(person: string, records: readonly SessionRecord[]): Best[] {
  const best = new Map<string, Best>();
  for (const record of [...records].sort((a, b) => (a.on < b.on ? -1 : a.on > b.on ? 1 : 0))) {
    const result = record.results.find((r) => r.person === person);
    if (!result || !counts(result)) continue;
    for (const { key, ...one } of triedIn(record, result)) {
      const known = best.get(key);
      if (known && (one.most < known.most || (one.most === known.most && one.over <= known.over))) continue;
      best.set(key, { ...one, before: known?.most ?? null });
    }
  }
  return [...best.values()].sort((a, b) => (a.on < b.on ? 1 : a.on > b.on ? -1 : 0));
}

/**
 * What somebody has to beat in a session that is about to be run: of each block counted in rounds the most they have done
 * of it, clean, by the very forms that they do now. Another form is another thing, and nothing to be compared with.
 */
export function toBeatOf(
  records: readonly SessionRecord[],
  person: string,
  plan: Pick<Plan, 'id' | 'blocks'>,
  does: readonly (FormRef | null)[],
): NonNullable<Cast['toBeat']> {
  const entries = entriesOf(plan.blocks);
  return plan.blocks.flatMap(({ format }, block) => {
    if (!isTallied(format)) return [];
    const here = entries.flatMap((entry, i) => (entry.block === block ? [i] : []));
    const same = (result: Result): boolean =>
      here.every((i) => {
        const pieces = result.pieces.filter((piece) => piece.entry === i);
        const now = does[i];
        return now ? pieces.length === 1 && formKey(pieces[0]!) === formKey(now) : pieces.length === 0;
      });
    const tries = records.flatMap((record) => {
      if (record.plan !== plan.id) return [];
      const result = record.results.find((one) => one.person === person);
      const count = result?.counts.find((one) => one.block === block);
      return result && count && counts(result) && same(result)
        ? [{ block, rounds: count.rounds, reps: count.reps, on: record.on }]
        : [];
    });
    const [best] = tries.sort((a, b) => b.rounds - a.rounds || b.reps - a.reps || (a.on < b.on ? -1 : 1));
    return best && best.rounds + best.reps > 0 ? [best] : [];
  });
}

/** More of the way on the same form than ever before: progress, with no rung changed. */
export interface Further {
  readonly form: FormRef;
  readonly from: Result['range'];
  readonly to: Result['range'];
  readonly on: string;
}

/** Where somebody went further on a form than they had, the newest first. */
export function furtherOf(person: string, records: readonly SessionRecord[]): Further[] {
  const reached = new Map<string, number>();
  const found: Further[] = [];
  for (const record of [...records].sort((a, b) => (a.on < b.on ? -1 : a.on > b.on ? 1 : 0))) {
    const result = record.results.find((r) => r.person === person);
    if (!result || !counts(result)) continue;
    const now = RANGES.indexOf(result.range);
    const seen = new Set<string>();
    for (const piece of result.pieces) {
      const key = formKey(piece);
      if (seen.has(key)) continue;
      seen.add(key);
      const before = reached.get(key);
      if (before !== undefined && now > before)
        found.push({
          form: { move: piece.move, ...(piece.settings ? { settings: piece.settings } : {}) },
          from: RANGES[before]!,
          to: RANGES[now]!,
          on: record.on,
        });
      reached.set(key, Math.max(before ?? 0, now));
    }
  }
  return found.reverse();
}
