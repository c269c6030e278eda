import type { Ruler } from '../limits/index.ts';
import type { Settings } from '../move/index.ts';
import type { OwnDose } from './dose.ts';

/** What somebody does at a station: a form with its pace or hold. Everything a card has to say. */
export interface Use {
  readonly move: string;
  readonly settings: Settings;
  /** Reps a minute, whole; null for a hold. */
  readonly pace: number | null;
  /** Seconds held in one go inside the slot; null for reps. */
  readonly holdSeconds: number | null;
  /** MET at this pace. */
  readonly metLo: number;
  readonly metHi: number;
  readonly lightPerMinute: number;
  readonly highPerMinute: number;
  /** Innermost level that could do this form, 0–3. */
  readonly lane: 0 | 1 | 2 | 3;
  readonly standIn: boolean;
  /** What of the dose isn't as written for them; null where it is. */
  readonly own: OwnDose | null;
}

/** Why something is not as written: a patch that makes it so, and what ruled. */
export interface Reason {
  /** Place in the session's list of entries. */
  readonly entry: number;
  /** The patch: the entry's use becomes this; null is useful rest. */
  readonly use: Use | null;
  readonly what: 'form' | 'trim' | 'pace' | 'dose' | 'rest';
  /** All that the trainer's choice came up against, in the order in which it was checked. */
  readonly rulers: readonly Ruler[];
  /** The nearest cheaper form, and the one thing that barred it. */
  readonly nearMiss: { readonly move: string; readonly settings: Settings; readonly ruler: Ruler } | null;
  readonly kept: { readonly samePattern: boolean; readonly muscles: number; readonly effort: number };
  /** Effort given back by pace: reps a minute above the form's usual. */
  readonly quickerBy: number;
}

/** A session for one subject; the lists go by the session's entries. */
export interface Version {
  /** As written, before anything is scaled: null where the library has no such move. */
  readonly original: readonly (Use | null)[];
  readonly uses: readonly (Use | null)[];
  readonly reasons: readonly Reason[];
  /** The least that the stations come to each by itself, in milli-points, before two that came to one move are parted. */
  readonly cost: number;
}

/** Applies reasons to the original, in order. Replaying a version's reasons gives its uses exactly. */
export function replay(original: readonly (Use | null)[], reasons: readonly Reason[]): (Use | null)[] {
  const uses = [...original];
  for (const reason of reasons) uses[reason.entry] = reason.use;
  return uses;
}
