import { paceOf, type Segment } from '../clock/index.ts';
import type { Block } from '../session/index.ts';
import type { Count } from './people.ts';

/** Where a stretch of work is: which of its doings, and which rep, where everybody keeps the count together. */
export interface Beat {
  /** Place in the session's list of entries. */
  readonly entry: number;
  /** Index in the stretch's doings. */
  readonly doing: number;
  /** Counted from 1; null for a hold, or where nobody counts. */
  readonly rep: number | null;
  readonly of: number | null;
  /** Passes through the whole done before this one. */
  readonly passes: number;
}

/** Whether everybody keeps one count: not where each goes at their own pace. */
export function isLed(format: Block['format']): boolean {
  return paceOf(format) !== 'own';
}

/** Lanes that have stopped before the others so many seconds into a stretch, innermost first. */
export const lanesDone = ({ laneEnds, lengthSeconds }: Segment, into: number): number[] =>
  (laneEnds ?? []).flatMap((end, lane) => (end < lengthSeconds && into >= end ? [lane] : []));

/** One pass through a stretch: each doing's seconds and reps in it. */
export function passOf(segment: Segment) {
  const passes = Math.max(1, ...segment.does.map((d) => d.goes));
  return segment.does.map((d) => ({
    entry: d.entry,
    seconds: d.seconds / (segment.does.length > 1 || passes > 1 ? Math.max(1, d.goes) : 1),
    reps: d.reps === null ? null : Math.round(d.reps / Math.max(1, d.goes)),
  }));
}

/** What is being done so many seconds into a stretch of work; null in one in which nothing is. */
export function beatAt(segment: Segment, into: number): Beat | null {
  const pass = passOf(segment);
  const whole = pass.reduce((sum, d) => sum + d.seconds, 0);
  const last = pass.length - 1;
  if (last < 0) return null;
  const isRound = segment.does.some((d) => d.goes > 1);
  const passes = isRound && whole > 0 ? Math.floor(into / whole) : 0;
  let left = isRound ? into - passes * whole : into;
  for (let i = 0; i <= last; i++) {
    const { entry, seconds, reps } = pass[i]!;
    if (left < seconds || i === last) {
      const each = reps ? seconds / reps : null;
      return {
        entry,
        doing: i,
        rep: each === null ? null : Math.min(reps!, Math.floor(left / each) + 1),
        of: reps,
        passes,
      };
    }
    left -= seconds;
  }
  return null;
}

/** Reps in one round of a stretch that is counted in rounds; null where part of it goes by time. */
export function repsInRound(segment: Segment): number | null {
  const reps = passOf(segment).map((d) => d.reps);
  return reps.some((r) => r === null) ? null : reps.reduce<number>((sum, r) => sum + r!, 0);
}

/** Sooner than this a pace says nothing. Estimate. */
const LEAST_SECONDS = 20;

/**
 * What a count comes to at the same pace: "4 rounds + 7" at the end. `countedAt` is how many seconds of the stretch
 * had gone by when it was last counted. Null where it is too early to say.
 */
export function forecast(
  segment: Segment,
  count: Pick<Count, 'rounds' | 'reps'>,
  countedAt: number,
  wholeSeconds: number,
): { rounds: number; reps: number } | null {
  const inRound = repsInRound(segment);
  const done = inRound === null ? count.rounds : count.rounds * inRound + count.reps;
  if (countedAt < LEAST_SECONDS || done === 0 || wholeSeconds <= 0) return null;
  const ends = (done / Math.min(countedAt, wholeSeconds)) * wholeSeconds;
  if (inRound === null || inRound === 0) return { rounds: Math.floor(ends + 1e-9), reps: 0 };
  const reps = Math.floor(ends + 1e-9);
  return { rounds: Math.floor(reps / inRound), reps: reps % inRound };
}

/** A count as it is said: "4 rounds + 7". */
export const countWords = (count: { rounds: number; reps: number }): string =>
  `${count.rounds} ${count.rounds === 1 ? 'round' : 'rounds'}${count.reps > 0 ? ` + ${count.reps}` : ''}`;

/** Seconds a rep takes by its tempo, "3-1-1-0"; null where none is given. */
export const tempoSeconds = (tempo: string | undefined): number | null => {
  const sum = tempo ? tempo.split('-').reduce((total, digit) => total + Number(digit), 0) : 0;
  return sum > 0 ? sum : null;
};

/**
 * The beats of a stretch of work: one at the beginning of every rep. `repSeconds` says how long a rep of an entry
 * takes where its reps aren't counted; null for a hold, which has no beat. Reps have numbers where they are counted
 * together.
 */
export function beatsOf(
  segment: Segment,
  seconds: number,
  repSeconds: (entry: number) => number | null,
): { at: number; rep: number | null; of: number | null }[] {
  const beats: { at: number; rep: number | null; of: number | null }[] = [];
  const pass = passOf(segment);
  let begins = 0;
  const whole = pass.reduce((sum, d) => sum + d.seconds, 0);
  if (whole <= 0) return beats;
  do {
    for (const { entry, seconds: length, reps } of pass) {
      const each = reps ? length / reps : repSeconds(entry);
      if (each && each > 0.2)
        for (let k = 0; k * each < length - 0.05; k++) {
          const at = begins + k * each;
          if (at < seconds - 0.05) beats.push({ at, rep: reps ? k + 1 : null, of: reps });
        }
      begins += length;
    }
  } while (begins < seconds - 0.05 && segment.does.some((d) => d.goes > 1));
  return beats;
}
