import type { Ladder } from '../ladder/index.ts';

export type Answer = 'too easy' | 'about right' | 'too hard' | 'hurt';
export const ANSWERS: readonly Answer[] = ['too easy', 'about right', 'too hard', 'hurt'];

interface Try {
  readonly rung: number;
  readonly answer: Answer;
}

/** Finding the rung somebody owns on a ladder, a try at a time. */
export interface Trial {
  readonly ladder: string;
  /** Rungs that nothing bars for them, lowest first; no other is ever tried. */
  readonly open: readonly number[];
  /** The rung that what was known pointed at; −1 for none. */
  readonly evidence: number;
  readonly tries: readonly Try[];
  /** The rung to try now; null when it is settled. */
  readonly next: number | null;
  /** The rung they own; null while it isn't settled, or when none is. */
  readonly owns: number | null;
  /** It hurt there: this ladder ends, another way round is looked for. */
  readonly hurtAt: number | null;
}

/** Never climbs more than this at a try. */
export const LARGEST_CLIMB = 2;

/**
 * Begins one rung below the best evidence, on the nearest rung below that is open; `evidence` is a
 * rung number, −1 for none. Without any open rung there is nothing to try.
 */
export function beginTrial(ladder: Ladder, evidence: number, open: readonly number[]): Trial {
  const start = Math.max(0, evidence - 1);
  const below = open.filter((rung) => rung <= start);
  return {
    ladder: ladder.id,
    open,
    evidence,
    tries: [],
    next: below.at(-1) ?? open[0] ?? null,
    owns: null,
    hurtAt: null,
  };
}

/** What an answer leads to: up at most two rungs, down one, or settled. */
export function answered(trial: Trial, answer: Answer): Trial {
  const at = trial.next;
  if (at === null) return trial;
  const tries = [...trial.tries, { rung: at, answer }];
  const settled = (owns: number | null): Trial => ({ ...trial, tries, next: null, owns });
  if (answer === 'hurt') return { ...trial, tries, next: null, owns: null, hurtAt: at };
  if (answer === 'about right') return settled(at);
  const easiest = Math.max(-1, ...tries.filter((t) => t.answer === 'too easy').map((t) => t.rung));
  const hardest = Math.min(
    Number.POSITIVE_INFINITY,
    ...tries.filter((t) => t.answer === 'too hard').map((t) => t.rung),
  );
  const between = trial.open.filter((rung) => rung > easiest && rung < hardest);
  // What was too easy is owned; what was too hard isn't. Nothing left between: the lower one is theirs.
  if (between.length === 0) return settled(easiest >= 0 ? easiest : null);
  if (answer === 'too hard') return { ...trial, tries, next: between.at(-1)! };
  // Past the evidence it is worth climbing faster; up to it, a rung at a time.
  const climb = hardest === Number.POSITIVE_INFINITY && at > trial.evidence ? LARGEST_CLIMB : 1;
  const up = between.filter((rung) => rung - at <= climb);
  // A barred rung between is a step nobody climbs over at once.
  return up.length > 0 ? { ...trial, tries, next: up.at(-1)! } : settled(easiest);
}
