import { at, type DemandKey, type Origin } from './demand.ts';

/** A curve through known points: x ascending, y monotone. Outside the points it goes on straight. */
export interface Curve {
  readonly x: readonly number[];
  readonly y: readonly number[];
  readonly source: string;
}

/**
 * Share of body weight on the hands, %, by height of the hands in cm (below 0: height of the feet).
 * Ebben et al. 2011, from memory. Peak vertical force, so it is not blended with static shares.
 */
export const PUSH_UP_SHARE: Curve = {
  x: [-61, -30, 0, 30, 61],
  y: [74, 70, 64, 55, 41],
  source: 'Ebben et al. 2011',
};

/** Share with the knees down and the hands on the floor, %. Ebben et al. 2011, from memory. */
export const KNEE_PUSH_UP_SHARE = 49;

/**
 * Reads a curve at `x` with a monotone cubic (Fritsch and Carlson 1980), so that nothing between
 * two published points overshoots them. `inside` is false where the value is carried on straight
 * beyond the points and is therefore an estimate.
 */
export function readCurve(curve: Curve, x: number): { y: number; inside: boolean } {
  const { x: xs, y: ys } = curve;
  const n = xs.length;
  const slope = xs.slice(1).map((x1, i) => (ys[i + 1]! - ys[i]!) / (x1 - xs[i]!));
  const first = xs[0]!;
  const last = xs[n - 1]!;
  if (x <= first) return { y: ys[0]! + slope[0]! * (x - first), inside: x === first };
  if (x >= last) return { y: ys[n - 1]! + slope[n - 2]! * (x - last), inside: x === last };
  const tangent = xs.map((_, i) => {
    if (i === 0) return slope[0]!;
    if (i === n - 1) return slope[n - 2]!;
    const a = slope[i - 1]!;
    const b = slope[i]!;
    return a * b <= 0 ? 0 : (2 * a * b) / (a + b);
  });
  let i = 0;
  while (x > xs[i + 1]!) i++;
  const h = xs[i + 1]! - xs[i]!;
  const t = (x - xs[i]!) / h;
  const y =
    ys[i]! * (1 + 2 * t) * (1 - t) ** 2 +
    tangent[i]! * h * t * (1 - t) ** 2 +
    ys[i + 1]! * t ** 2 * (3 - 2 * t) +
    tangent[i + 1]! * h * t ** 2 * (t - 1);
  return { y, inside: true };
}

/**
 * Energy cost of stepping, MET. ACSM stepping equation, from memory:
 * VO2 = 0.2·f + 1.33·1.8·H·f + 3.5 mL/kg/min with f full cycles a minute and H in metres;
 * fair for 12–30 a minute and 0.04–0.40 m.
 */
export function steppingMet(cyclesPerMinute: number, heightCm: number): number {
  const h = heightCm / 100;
  return (0.2 * cyclesPerMinute + 1.33 * 1.8 * h * cyclesPerMinute + 3.5) / 3.5;
}

/** What a law may read and write: one row of figures, and the move's paces. */
export interface LawInput {
  readonly lo: Float64Array;
  readonly hi: Float64Array;
  readonly surfaceCm: number;
  readonly usualCm: number;
  readonly pace: readonly [number, number, number];
}

export interface Law {
  readonly says: string;
  readonly writes: readonly DemandKey[];
  /** The law states the figures at every setting, the usual one included. */
  readonly always?: boolean;
  /** Overwrites the figures it names and returns where the new ones come from. */
  readonly apply: (input: LawInput) => { from: Origin; source?: string };
}

const set = (input: LawInput, key: DemandKey, value: number, spread: number) => {
  const i = at(key);
  input.lo[i] = Math.max(0, value - spread);
  input.hi[i] = Math.max(0, value + spread);
};

const scale = (input: LawInput, key: DemandKey, factor: number) => {
  const i = at(key);
  input.lo[i] = input.lo[i]! * factor;
  input.hi[i] = input.hi[i]! * factor;
};

const shift = (input: LawInput, key: DemandKey, by: number) => {
  const i = at(key);
  input.lo[i] = Math.max(0, input.lo[i]! + by);
  input.hi[i] = Math.max(0, input.hi[i]! + by);
};

type LawName = 'push-hands' | 'push-feet' | 'brace-hands' | 'seat-height' | 'step-height' | 'place';

const BRACED = ['strength.front', 'strength.side', 'wrist.load', 'strength.push'] as const;

/** How one setting of a move changes its figures. A new kind of surface is one entry and its test. */
export const LAWS = {
  'push-hands': {
    says: 'the higher the hands, the less body weight they carry',
    always: true,
    writes: ['strength.push', 'wrist.load', 'strength.front'],
    apply: (input) => {
      const { y, inside } = readCurve(PUSH_UP_SHARE, input.surfaceCm);
      const usual = readCurve(PUSH_UP_SHARE, input.usualCm).y;
      const share = Math.max(8, y);
      set(input, 'strength.push', share, inside ? 0 : 2);
      set(input, 'wrist.load', share, inside ? 0 : 2);
      scale(input, 'strength.front', share / Math.max(8, usual));
      return inside
        ? { from: 'memory', source: PUSH_UP_SHARE.source }
        : { from: 'estimate', source: `straight on from ${PUSH_UP_SHARE.source}` };
    },
  },
  'push-feet': {
    says: 'the higher the feet, the more body weight the hands carry',
    always: true,
    writes: ['strength.push', 'wrist.load'],
    apply: (input) => {
      const { y, inside } = readCurve(PUSH_UP_SHARE, -input.surfaceCm);
      set(input, 'strength.push', y, inside ? 0 : 2);
      set(input, 'wrist.load', y, inside ? 0 : 2);
      return { from: inside ? 'memory' : 'estimate', source: PUSH_UP_SHARE.source };
    },
  },
  'brace-hands': {
    says: 'the higher the hands or elbows, the shorter the trunk’s lever',
    writes: [...BRACED],
    apply: (input) => {
      const usual = Math.max(8, readCurve(PUSH_UP_SHARE, input.usualCm).y);
      const factor = Math.max(8, readCurve(PUSH_UP_SHARE, input.surfaceCm).y) / usual;
      for (const key of BRACED) scale(input, key, factor);
      return { from: 'estimate', source: `in proportion to ${PUSH_UP_SHARE.source}` };
    },
  },
  'seat-height': {
    says: 'the lower the seat, the deeper the bend and the more the legs must do',
    writes: ['knee.bendDeg', 'hip.bendDeg', 'strength.legs'],
    apply: (input) => {
      // A shank of about 43 cm puts the thigh level with the floor at that seat height; each
      // centimetre higher opens the knee by some 2 degrees.
      const lower = input.usualCm - input.surfaceCm;
      shift(input, 'knee.bendDeg', 2 * lower);
      shift(input, 'hip.bendDeg', 1.2 * lower);
      shift(input, 'strength.legs', 0.8 * lower);
      return { from: 'estimate', source: 'thigh and shank lengths of a middling adult' };
    },
  },
  'step-height': {
    says: 'the higher the step and the quicker the steps, the harder the work',
    always: true,
    writes: [
      'effort.metSlow',
      'effort.met',
      'effort.metFast',
      'knee.bendDeg',
      'strength.legs',
      'balance.fall',
    ],
    apply: (input) => {
      const [slow, usual, fast] = input.pace;
      set(input, 'effort.metSlow', steppingMet(slow, input.surfaceCm), 0.4);
      set(input, 'effort.met', steppingMet(usual, input.surfaceCm), 0.4);
      set(input, 'effort.metFast', steppingMet(fast, input.surfaceCm), 0.4);
      const taller = input.surfaceCm - input.usualCm;
      shift(input, 'knee.bendDeg', 1.8 * taller);
      shift(input, 'strength.legs', taller);
      set(input, 'balance.fall', input.surfaceCm > 25 ? 3 : 2, 0);
      return { from: 'memory', source: 'ACSM stepping equation' };
    },
  },
  place: {
    says: 'where it is done doesn’t change what it asks',
    writes: [],
    apply: () => ({ from: 'estimate' }),
  },
} satisfies Record<string, Law> as Record<LawName, Law>;

export type LawId = LawName;
export const LAW_IDS = Object.keys(LAWS) as LawId[];
