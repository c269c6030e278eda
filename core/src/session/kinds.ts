import type { Level, Span } from '../clock/index.ts';
import { span } from '../clock/index.ts';

/** Who a session is for, as far as the clock is concerned. */
export interface Kind {
  readonly name: string;
  /** On to the next station without getting down or up, in seconds. */
  readonly walk: Span;
  /** Down to the floor or up from it. 3–4 s for the fit, 8–15 s for older or heavier adults: common practice. */
  readonly floor: Span;
  /** Share by which each further round takes longer. Estimate. */
  readonly fatigue: number;
  /** How much longer than usual a rep takes, slowest. Estimate. */
  readonly slowest: number;
  /** A drink at the latest after so many minutes. Common practice. */
  readonly drinkMinutes: number;
  /** Most work to one of rest inside a round that suits them. Common practice. */
  readonly mostWorkToRest: number;
  /** Longest stretch of work without a rest that suits them, in seconds. Common practice. */
  readonly mostWorkSeconds: number;
}

export const KINDS = {
  adults: {
    name: 'adults',
    walk: span(2, 3, 5),
    floor: span(3, 4, 8),
    fatigue: 0.03,
    slowest: 1.25,
    drinkMinutes: 20,
    mostWorkToRest: 6,
    mostWorkSeconds: 120,
  },
  fit: {
    name: 'fit adults',
    walk: span(2, 2, 4),
    floor: span(3, 3, 4),
    fatigue: 0.02,
    slowest: 1.15,
    drinkMinutes: 25,
    mostWorkToRest: 99,
    mostWorkSeconds: 300,
  },
  beginners: {
    name: 'beginners',
    walk: span(3, 4, 6),
    floor: span(4, 6, 10),
    fatigue: 0.05,
    slowest: 1.4,
    drinkMinutes: 15,
    mostWorkToRest: 3,
    mostWorkSeconds: 60,
  },
  older: {
    name: 'older adults',
    walk: span(4, 6, 10),
    floor: span(8, 11, 15),
    fatigue: 0.05,
    slowest: 1.5,
    drinkMinutes: 15,
    mostWorkToRest: 2,
    mostWorkSeconds: 60,
  },
  clinical: {
    name: 'clinical clients',
    walk: span(4, 6, 10),
    floor: span(8, 11, 15),
    fatigue: 0.05,
    slowest: 1.5,
    drinkMinutes: 12,
    mostWorkToRest: 2,
    mostWorkSeconds: 60,
  },
  teenagers: {
    name: 'teenagers',
    walk: span(2, 3, 5),
    floor: span(3, 3, 5),
    fatigue: 0.02,
    slowest: 1.25,
    drinkMinutes: 15,
    mostWorkToRest: 4,
    mostWorkSeconds: 60,
  },
  children: {
    name: 'children',
    walk: span(4, 6, 9),
    floor: span(4, 6, 8),
    fatigue: 0.02,
    slowest: 1.3,
    drinkMinutes: 12,
    mostWorkToRest: 3,
    mostWorkSeconds: 40,
  },
} as const satisfies Record<string, Kind>;
export type KindId = keyof typeof KINDS;
export const KIND_IDS = Object.keys(KINDS) as [KindId, ...KindId[]];

const FLOOR: Level = 2;

/** Seconds from one station to the next for a kind of people, by where one ends and the other begins. */
export function changeFor(kind: KindId, from: Level, to: Level): Span {
  const { walk, floor } = KINDS[kind];
  if (from === to) return walk;
  return from === FLOOR || to === FLOOR ? floor : walk;
}
