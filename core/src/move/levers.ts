import type { DemandKey } from './demand.ts';

/** A figure, or all of a group of them: "strength" is every "strength.…". */
type Figures = DemandKey | (DemandKey extends `${infer Group}.${string}` ? Group : never);

interface Lever {
  /** The step up and the step down in a trainer's words. */
  readonly harder: string;
  readonly easier: string;
  /** What pulling it is for: at least one of these moves. */
  readonly moves: readonly Figures[];
  /** What may move along with it without needing another name. */
  readonly may: readonly Figures[];
}

/** What makes one rung easier or harder than the next, and which figures it is allowed to move. */
export const LEVERS = {
  flight: {
    harder: 'leaves the floor',
    easier: 'stays on the floor',
    moves: ['impact.class', 'impact.landings', 'impact.highLandings'],
    may: ['effort', 'strength.legs', 'strength.push', 'balance', 'coordination'],
  },
  turn: {
    harder: 'turns',
    easier: 'faces front',
    moves: ['impact.turnDeg', 'spine.turn', 'coordination', 'balance'],
    may: ['strength.side', 'strength.legs', 'effort'],
  },
  pace: {
    harder: 'quicker',
    easier: 'steadier',
    moves: ['effort'],
    may: ['strength.legs', 'balance', 'coordination'],
  },
  range: {
    harder: 'further',
    easier: 'less far',
    moves: ['strength', 'knee.bendDeg', 'hip', 'shoulder.raisedDeg', 'spine', 'joint', 'effort'],
    may: ['balance', 'coordination'],
  },
  surface: {
    harder: 'lower surface',
    easier: 'higher surface',
    moves: ['strength', 'wrist.load', 'knee.bendDeg', 'effort', 'balance.fall'],
    may: ['balance', 'coordination', 'posture.floor'],
  },
  length: {
    harder: 'longer lever',
    easier: 'shorter lever',
    moves: ['strength'],
    may: ['effort', 'balance'],
  },
  support: {
    harder: 'less to hold on to',
    easier: 'more to hold on to',
    moves: ['balance', 'posture.standing', 'strength.legs'],
    may: ['strength', 'effort', 'coordination', 'impact.class'],
  },
  base: {
    harder: 'narrower base',
    easier: 'wider base',
    moves: ['balance', 'strength'],
    may: ['effort', 'coordination'],
  },
  limbs: {
    harder: 'more limbs at once',
    easier: 'fewer limbs at once',
    moves: ['strength', 'balance', 'effort', 'coordination'],
    may: [],
  },
  move: {
    harder: 'moving instead of holding',
    easier: 'holding instead of moving',
    moves: ['strength', 'effort', 'coordination'],
    may: ['balance'],
  },
  hold: {
    harder: 'holding instead of moving',
    easier: 'moving instead of holding',
    moves: ['strength', 'strain.holdSeconds', 'strain.breath'],
    may: ['balance'],
  },
  parts: {
    harder: 'one more part',
    easier: 'one part fewer',
    moves: ['coordination', 'effort', 'strength'],
    may: ['balance'],
  },
  arms: {
    harder: 'arms join in',
    easier: 'arms stay still',
    moves: ['effort', 'shoulder', 'coordination'],
    may: ['strength.push', 'strength.front'],
  },
  coordination: {
    harder: 'more to coordinate',
    easier: 'less to coordinate',
    moves: ['coordination'],
    may: ['effort', 'balance', 'strength.side', 'strength.front'],
  },
  head: {
    harder: 'the head turns',
    easier: 'eyes on one spot',
    moves: ['balance.headTurn'],
    may: ['balance', 'coordination'],
  },
  travel: {
    harder: 'travels or changes level',
    easier: 'on the spot',
    moves: ['balance', 'coordination', 'posture', 'space.metres', 'impact.class', 'effort'],
    may: ['strength'],
  },
  grip: {
    harder: 'more to grip',
    easier: 'less to grip',
    moves: ['strength.grip'],
    may: ['strength.pull'],
  },
  squeeze: {
    harder: 'squeezes',
    easier: 'no squeeze',
    moves: ['strength'],
    may: ['strain'],
  },
  load: {
    harder: 'more load',
    easier: 'less load',
    moves: ['strength', 'effort'],
    may: ['balance', 'coordination'],
  },
  tempo: {
    harder: 'slower',
    easier: 'natural speed',
    moves: ['strength', 'strain.breath'],
    may: ['coordination'],
  },
  explosive: {
    harder: 'faster up',
    easier: 'no hurry',
    moves: ['effort', 'impact.class', 'strength.legs', 'strength.push'],
    may: ['coordination', 'balance'],
  },
  joint: {
    harder: 'plainer joint position',
    easier: 'kinder joint position',
    moves: ['wrist', 'knee.kneel', 'toes', 'shoulder', 'hip', 'elbow'],
    may: ['strength'],
  },
  assistance: {
    harder: 'less help',
    easier: 'more help',
    moves: ['strength'],
    may: ['balance', 'effort', 'coordination', 'posture'],
  },
  stability: {
    harder: 'a less steady surface',
    easier: 'a steadier surface',
    moves: ['balance', 'strength.front', 'strength.side'],
    may: ['coordination'],
  },
} as const satisfies Record<string, Lever>;

export type LeverId = keyof typeof LEVERS;
export const LEVER_IDS = Object.keys(LEVERS) as LeverId[];

const within = (key: DemandKey, names: readonly string[]): boolean =>
  names.some((name) => key === name || key.startsWith(`${name}.`));

/** Is this one of the figures the lever is pulled for? */
export function leverMoves(lever: LeverId, key: DemandKey): boolean {
  return within(key, LEVERS[lever].moves);
}

/** May this figure change when the lever is pulled, as its purpose or along with it? */
export function leverTouches(lever: LeverId, key: DemandKey): boolean {
  return leverMoves(lever, key) || within(key, LEVERS[lever].may);
}
