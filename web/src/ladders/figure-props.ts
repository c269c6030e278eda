import type { Prop } from '@inner-rung/core/pose';

/** What is seen while a pose is set, m: room to either side of somebody and above their raised hands. */
export const WINDOW = { left: -1.5, right: 1.5, top: 2.3, low: -0.12 } as const;

export const BY = { fine: 0.01, coarse: 0.05 } as const;

/** The highest bar that is drawn, cm. */
export const HIGHEST_BAR = 260;

export const PART = {
  foot: 'foot',
  knee: 'knee',
  hip: 'seat',
  back: 'back',
  hand: 'hand',
  elbow: 'forearm',
  chest: 'front',
} as const;

export const NEW: readonly { readonly says: string; readonly prop: Prop }[] = [
  { says: 'a mat', prop: { is: 'mat', from: -1.1, to: 1.1 } },
  { says: 'a chair', prop: { is: 'seat', x: 0, height: 0.45, back: true } },
  { says: 'an armchair', prop: { is: 'seat', x: 0, height: 0.45, back: true, arms: true } },
  { says: 'a step', prop: { is: 'step', from: 0.3, to: 0.8, height: 0.2 } },
  { says: 'a worktop, bench or box', prop: { is: 'surface', from: 0.5, to: 1, height: 0.45 } },
  { says: 'a wall', prop: { is: 'wall', x: 0.6 } },
  { says: 'a rail to hold', prop: { is: 'hold', x: 0.5, height: 0.95 } },
  { says: 'a bar', prop: { is: 'bar', x: 0, height: 2.2 } },
  { says: 'a cushion', prop: { is: 'cushion', x: 0 } },
  { says: 'a weight in each hand', prop: { is: 'dumbbell', in: 'both' } },
  { says: 'a weight in both hands', prop: { is: 'bell', in: 'both' } },
  { says: 'a bottle in one hand', prop: { is: 'bottle', in: 'near' } },
  { says: 'a ball', prop: { is: 'ball', in: 'both' } },
  { says: 'a towel', prop: { is: 'towel', in: 'both' } },
  { says: 'a line on the floor', prop: { is: 'mark', x: 0 } },
  { says: 'a skipping rope', prop: { is: 'rope' } },
  { says: 'a band from ahead', prop: { is: 'band', from: [1, 1.2], in: 'both' } },
];

export const KINDS: Readonly<Record<Prop['is'], string>> = {
  mat: 'Mat',
  seat: 'Chair',
  surface: 'Worktop, bench or box',
  step: 'Step',
  wall: 'Wall',
  hold: 'Rail to hold',
  bar: 'Bar',
  cushion: 'Cushion',
  dumbbell: 'Weights',
  bell: 'Weight',
  bottle: 'Bottle',
  ball: 'Ball',
  towel: 'Towel',
  stick: 'Stick',
  band: 'Band',
  loop: 'Short band',
  mark: 'Line on the floor',
  rope: 'Skipping rope',
};

export const xOf = (prop: Prop): number | null =>
  'x' in prop ? prop.x : 'from' in prop && 'to' in prop ? prop.from : null;

export function movedTo(prop: Prop, x: number): Prop {
  if ('x' in prop) return { ...prop, x };
  if ('from' in prop && 'to' in prop) return { ...prop, from: x, to: x + (prop.to - prop.from) };
  return prop;
}
