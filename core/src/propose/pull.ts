import type { LeverId } from '../move/index.ts';
import type { Bench, Draft } from './bench.ts';

/** One way to pull one lever on a move. A new way is an entry of a table and is tested with all others. */
export interface Pull {
  readonly id: string;
  readonly lever: LeverId;
  readonly to: 'harder' | 'easier' | 'sideways';
  /** As a coach would say it: "hands on something higher". */
  readonly says: string;
  readonly fits: (form: Draft) => boolean;
  readonly apply: (bench: Bench) => void;
}

export const hi = ({ demand }: Draft, key: keyof Draft['demand']): number => demand[key].hi ?? Number.NaN;
export const stands = (f: Draft) => hi(f, 'posture.standing') > 0 && hi(f, 'posture.floor') === 0;
export const sits = (f: Draft) => hi(f, 'posture.standing') === 0 && hi(f, 'posture.floor') === 0;
export const down = (f: Draft) => hi(f, 'posture.floor') > 0 && hi(f, 'posture.standing') === 0;
export const onHands = (f: Draft) => hi(f, 'hands.bearing') === 2 && hi(f, 'wrist.load') > 30;
export const handsFree = (f: Draft) => hi(f, 'hands.busy') === 0 && hi(f, 'hands.bearing') === 0;
export const flies = (f: Draft) => hi(f, 'impact.class') >= 2;
/** Done to a beat, so that quicker is the same move. */
export const rhythmic = (f: Draft) =>
  f.move.unit === 'reps' && !f.move.tempo && hi(f, 'strain.holdSeconds') === 0;
export const strict = (f: Draft) => f.move.unit === 'reps' && f.move.tempo !== undefined;
/** A straight line from head to heels on hands or forearms and toes, belly down, on the floor. */
export const frontSupport = (f: Draft) =>
  down(f) &&
  hi(f, 'hands.bearing') === 2 &&
  hi(f, 'toes.curl') === 2 &&
  hi(f, 'knee.kneel') === 0 &&
  hi(f, 'posture.supine') === 0 &&
  hi(f, 'hip.bendDeg') <= 20;
export const named = (f: Draft, words: RegExp) => words.test(f.move.name);
export const trains = (f: Draft, ...patterns: Draft['move']['pattern'][]) =>
  patterns.includes(f.move.pattern);

/** Seconds that one rep takes at its tempo; 0 without one. */
export const seconds = (tempo: string | undefined) =>
  [...(tempo ?? '')].reduce((sum, c) => sum + (Number(c) || 0), 0);
export const loads = (f: Draft) => f.move.needs.find((n) => n.what === 'hand load');
/** The most that any region but the grip is asked for. */
export const main = (f: Draft) =>
  Math.max(
    ...(['legs', 'push', 'pull', 'front', 'side', 'back'] as const).map((region) =>
      hi(f, `strength.${region}`),
    ),
  );
