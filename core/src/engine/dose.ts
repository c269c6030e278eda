import { type Format, formatEntry, paceOf, stepsOf } from '../clock/index.ts';
import type { Settings } from '../move/index.ts';
import type { Dose } from '../session/index.ts';

/** What of a station's dose is somebody's own: absent where what was written holds for them as it stands. */
export interface OwnDose {
  /** The count of one go, for each side where `each`; null where time is the dose. */
  readonly reps: number | null;
  readonly each: boolean;
  /** Reps in all as a share of those written: landings and totals go by it. */
  readonly share: number;
  /** What of the written dose the count keeps. */
  readonly keeps: Keeps | null;
  /** The count in pieces, with a breath between. */
  readonly split: readonly number[] | null;
  /** The largest step of a pyramid or a descent, where it is shortened. */
  readonly top: number | null;
  /** Bouts inside the slot, easy between. */
  readonly bouts: { readonly times: number; readonly seconds: number } | null;
  /** After so many clean ones in a go, the rest on an easier form. */
  readonly ending: { readonly after: number; readonly move: string; readonly settings: Settings } | null;
  /** Kilograms in place of those that were written, to begin with; null where those hold. */
  readonly loadKg: number | null;
}

/** A dose of one's own of which nothing has been said yet. */
export const NO_DOSE: OwnDose = {
  reps: null,
  each: false,
  share: 1,
  keeps: null,
  split: null,
  top: null,
  bouts: null,
  ending: null,
  loadKg: null,
};

/** What a count that isn't as written keeps, and how that is said. */
export const KEEPS = {
  time: 'so that a round takes everybody about as long',
  minute: 'so that as much of the minute is left',
  slot: 'as many as fit',
  count: 'the same count in all',
  clean: 'as many as have been clean',
  twice: 'twice as many, and no more',
} as const;
type Keeps = keyof typeof KEEPS;
/** Counts that are a bound: rounded down to one that is called. */
const DOWN: ReadonlySet<Keeps> = new Set(['minute', 'slot', 'count', 'twice']);

/** Reps where a format counts and nothing is said. Common practice. */
const USUAL_COUNT = 10;
/** A count this near to what was written is what was written. Estimate. */
const AS_GOOD_AS = 0.1;
/**
 * However quick a form is, it is done so many times as often as what was written at the most: sixty small hops are no
 * twelve box jumps. Common practice.
 */
const MOST_TIMES = 2;
/** More than so many times what has been clean isn't broken in two, but finished on the form below. Estimate. */
const IN_TWO = 2;
/** Reps past the clean ones that nobody counts. Estimate. */
const CLEAN_SLACK = 1.15;

/** A form as its dose sees it. */
export interface DosedForm {
  /** Seconds a rep takes; null for a hold. */
  readonly rep: number | null;
  readonly oneSided: boolean;
}

export interface DoseCase {
  readonly format: Format;
  readonly dose: Dose | undefined;
  /** 0 for the station's own move; a later part fills what is left. */
  readonly part: number;
  /** Longest single go, in seconds. */
  readonly seconds: number;
  /** The trainer's form at its usual pace, and what somebody does for it. */
  readonly written: DosedForm;
  readonly own: DosedForm;
  /** It is the trainer's own form: only what has been clean can change its count. */
  readonly same: boolean;
  /** Most clean reps seen of the form; null where nothing is known. */
  readonly clean: number | null;
}

/** Counts as they are called: every one up to a dozen, then every second, then fives. */
function callable(n: number, down: boolean): number {
  const step = n <= 12 ? 1 : n <= 30 ? 2 : 5;
  const whole = down ? Math.floor(n / step + 1e-9) : Math.round(n / step);
  return Math.max(1, whole * step);
}

const tempoSeconds = (dose: Dose | undefined): number | null => {
  const sum = dose?.tempo
    ?.split('-')
    .map(Number)
    .reduce((all, n) => all + n, 0);
  return sum ? sum : null;
};

/** The longest run of steps that comes to no more than so many reps and has no step above `most`. */
function shortened(format: Format, reps: number, most: number): { top: number; share: number } | null {
  const it = formatEntry(format.kind).steps?.(format);
  if (!it) return null;
  const { low, by, high, to: stepsTo } = it;
  if (by <= 0) return null;
  const sum = (steps: readonly number[]) => steps.reduce((all, n) => all + n, 0);
  const whole = sum(stepsTo(high));
  // The top that was written may not be a step: the highest step there is counts as it.
  const tops = stepsOf(low, by, high, 'up');
  for (const top of [...tops].reverse())
    if (top <= most && sum(stepsTo(top)) <= reps * whole + 1e-9)
      return top === tops.at(-1) ? null : { top, share: sum(stepsTo(top)) / whole };
  const least = tops[0] ?? high;
  return tops.length > 1 ? { top: least, share: sum(stepsTo(least)) / whole } : null;
}

/**
 * The count somebody has at a station for a form that isn't the trainer's, by the format. Where rounds are
 * counted, one that takes as long, so that all make similar rounds; in an EMOM one that leaves as much of the
 * minute; a pyramid is shortened; in a slot as many as fit. Never more than was clean in one go: beyond that it
 * is broken in two, or finished on the form below (`below`, asked for only then). Null where what was written
 * holds. From two-sided to one-sided the count in all is kept, and the other way round.
 */
export function ownDose(
  it: DoseCase,
  below: () => { readonly move: string; readonly settings: Settings } | null,
): OwnDose | null {
  const { format, dose, written, own } = it;
  const tempo = tempoSeconds(dose);
  const ownRep = tempo ?? own.rep;
  const writtenRep = tempo ?? written.rep;
  const entry = formatEntry(format.kind);
  const counting = entry.dose === 'count';
  const timed =
    dose?.seconds !== undefined || dose?.metres !== undefined || (it.part > 0 && entry.fills === true);
  const count = dose?.reps ?? (counting && !timed && written.rep !== null ? USUAL_COUNT : null);
  if (ownRep === null) return null;
  const clean = it.clean === null || it.clean <= 0 ? Number.POSITIVE_INFINITY : it.clean;
  const endingFrom = (inAGo: number): OwnDose['ending'] => {
    if (!(inAGo > clean * CLEAN_SLACK)) return null;
    const form = below();
    return form ? { after: clean, ...form } : null;
  };

  // A count stands for both sides where the move is done one side at a time.
  const writtenPer = (dose?.each ?? written.oneSided) ? 2 : 1;
  const ownPer = own.oneSided ? 2 : 1;
  if (count === null || writtenRep === null) {
    if (entry.steps) return null;
    const ending = endingFrom(((it.seconds / ownRep) * 1) / ownPer);
    return ending ? { ...NO_DOSE, ending } : null;
  }
  if (entry.steps) {
    const slower = it.same ? 1 : Math.max(1, (ownRep * ownPer) / (writtenRep * writtenPer));
    const share = slower > 1 + AS_GOOD_AS ? 1 / slower : 1;
    const short = shortened(format, share, clean);
    if (!short) return null;
    return { ...NO_DOSE, top: short.top, share: (short.share * ownPer) / writtenPer, keeps: 'time' };
  }
  const inAll = count * writtenPer;
  const led = paceOf(format) === 'led';
  const minute = entry.fills === true;
  let total = inAll;
  let keeps: Keeps | null = null;
  if (!it.same && !led) {
    if (counting) {
      const asLong = (inAll * writtenRep) / ownRep;
      if (Math.abs(asLong / inAll - 1) > AS_GOOD_AS) {
        total = Math.min(asLong, inAll * MOST_TIMES);
        keeps = total < asLong ? 'twice' : minute ? 'minute' : 'time';
      }
    } else if (inAll * ownRep > it.seconds) {
      total = it.seconds / ownRep;
      keeps = 'slot';
    }
  }
  if (keeps === null && ownPer !== writtenPer && !it.same) keeps = 'count';
  // The trainer's own word on sides stands for the trainer's own form.
  const per = it.same ? writtenPer : ownPer;
  const reps =
    keeps === null
      ? count
      : Math.min(callable(total / per, DOWN.has(keeps)), callable((inAll * MOST_TIMES) / per, true));
  const changed = keeps !== null && (reps !== count || per !== writtenPer);
  const split = reps > clean && reps <= clean * IN_TWO ? [Math.ceil(reps / 2), Math.floor(reps / 2)] : null;
  const ending = split ? null : endingFrom(reps);
  // What can't be finished on an easier form ends where it stops being clean.
  const stops = !split && !ending && reps > clean * CLEAN_SLACK;
  if (!changed && !split && !ending && !stops) return null;
  const done = stops ? clean : reps;
  return {
    ...NO_DOSE,
    reps: done,
    each: per === 2,
    share: (done * per) / inAll,
    keeps: stops ? 'clean' : changed ? keeps : null,
    split,
    ending,
  };
}

/** Landings in any minute stay under a bound, a bout at either end counted, when bouts are this long at most. */
const BOUT_SECONDS = [4, 6, 8, 10, 12, 15] as const;
/** A jump slower than this share of its usual pace has no rhythm left: better short bouts of it. Estimate. */
const TOO_SLOW = 0.8;

/**
 * Jumps that a bound on landings a minute would slow down, as bouts at their usual pace inside the slot. Any
 * minute holds at most the average and one bout more, and that is kept under the bound. Null where they can go
 * on at the pace they have, or nothing fits.
 */
export function inBouts(
  slotSeconds: number,
  pace: number,
  usual: number,
  perRep: number,
  mostAMinute: number,
): { readonly times: number; readonly seconds: number; readonly share: number } | null {
  if (perRep === 0 || pace >= usual * TOO_SLOW || !Number.isFinite(mostAMinute) || slotSeconds < 8)
    return null;
  let best: { times: number; seconds: number; share: number } | null = null;
  for (const seconds of BOUT_SECONDS)
    for (let times = 2; times <= 6; times++) {
      // Easy between for at least as long as a bout, also towards what comes next.
      if (times * seconds * 2 > slotSeconds) break;
      const perBout = Math.ceil((usual * perRep * seconds) / 60);
      const average = (perBout * times * 60) / slotSeconds;
      if (average + perBout > mostAMinute) break;
      const share = (times * seconds) / slotSeconds;
      if (!best || share > best.share || (share === best.share && times < best.times))
        best = { times, seconds, share };
    }
  return best;
}

/** Moving about easily between bouts, in MET. Estimate. */
const BETWEEN_MET = 2.2;

/**
 * Bouts of a form without landings drawn out, as long as that gives back of the effort that the trainer's bouts
 * had. `written` and `own` are MET while working. Null where nothing is to be given back.
 */
export function drawnOut(
  bouts: { readonly times: number; readonly seconds: number },
  slotSeconds: number,
  written: number,
  own: number,
): { readonly times: number; readonly seconds: number } | null {
  const share = (bouts.times * bouts.seconds) / slotSeconds;
  if (share >= 1 || own >= written || own <= BETWEEN_MET) return null;
  const wanted = share * written + (1 - share) * BETWEEN_MET;
  const needs = Math.min(1, (wanted - BETWEEN_MET) / (own - BETWEEN_MET));
  const seconds = Math.floor((needs * slotSeconds) / bouts.times);
  return seconds > bouts.seconds ? { times: bouts.times, seconds } : null;
}
