import { HEIGHT } from '../pose/index.ts';

/** Whose body it is computed for. Shares and lengths are those of the drawn body, to the body's own size. */
export interface Body {
  readonly massKg: number;
  readonly heightM: number;
}

/** A usual adult: what levels are worked out for, since limits are about the move and not about one person. */
export const USUAL_BODY: Body = { massKg: 75, heightM: HEIGHT };

const MASS_KG = [20, 300] as const;
const HEIGHT_M = [0.8, 2.3] as const;

/** What can't be of a body, in words; empty where it can be reckoned with. */
export function bodyFaults({ massKg, heightM }: Body): string[] {
  const faults: string[] = [];
  if (!(massKg >= MASS_KG[0] && massKg <= MASS_KG[1]))
    faults.push(`mass: ${massKg} kg is outside ${MASS_KG[0]}–${MASS_KG[1]} kg`);
  if (!(heightM >= HEIGHT_M[0] && heightM <= HEIGHT_M[1]))
    faults.push(`height: ${heightM} m is outside ${HEIGHT_M[0]}–${HEIGHT_M[1]} m`);
  return faults;
}

/** Standard gravity, m/s². */
export const GRAVITY = 9.80665;

/** Of the drawn body's metres to this body's. */
export const scaleOf = (body: Body): number => body.heightM / HEIGHT;
