import { ADULT_FROM, type Age, OLDER_FROM } from './age.ts';

/**
 * Effort bands, half open: a band ends where the next begins. Shares of heart-rate or MET reserve
 * and absolute MET from Garber et al. 2011 (ACSM position stand), from memory; the 0–10 words and the
 * talk test are common practice.
 */
export const BANDS = [
  { id: 'light', talk: 'could sing', can: 'sing', belowShare: 0.4, belowMet: 3.0, rpe: '3–4', rpeTop: 4 },
  { id: 'moderate', talk: 'could chat', can: 'chat', belowShare: 0.6, belowMet: 6.0, rpe: '5–6', rpeTop: 6 },
  {
    id: 'vigorous',
    talk: 'short sentences',
    can: 'speak in short sentences',
    belowShare: 0.9,
    belowMet: 8.8,
    rpe: '7–8',
    rpeTop: 8,
  },
  {
    id: 'near-maximal',
    talk: 'single words',
    can: 'get out single words',
    belowShare: Number.POSITIVE_INFINITY,
    belowMet: Number.POSITIVE_INFINITY,
    rpe: '9–10',
    rpeTop: 10,
  },
] as const;
export type BandIndex = 0 | 1 | 2 | 3;

/** The band in which an effort on the 0–10 scale lies. */
export function bandOfRpe(rpe: number): BandIndex {
  const i = BANDS.findIndex((band) => rpe <= band.rpeTop);
  return (i < 0 ? 3 : i) as BandIndex;
}

/**
 * Whose absolute figures stand in where no capacity is known: of 65 and over less is hard (Garber 2011, from memory),
 * and is taken to be so from 60 on, where age.ts counts somebody as older.
 */
export type EffortAge = 'child' | 'adult' | 'older';
export const effortAgeOf = (age: Age, kind: string): EffortAge =>
  age.hi >= OLDER_FROM || kind === 'older adult' ? 'older' : age.lo < ADULT_FROM ? 'child' : 'adult';
const WITHOUT_CAPACITY: Readonly<Record<EffortAge, readonly [number, number, number]>> = {
  child: [BANDS[0].belowMet, BANDS[1].belowMet, BANDS[2].belowMet],
  adult: [BANDS[0].belowMet, BANDS[1].belowMet, BANDS[2].belowMet],
  older: [3, 4.8, 6.8],
};
/**
 * The MET at which a band ends. With a capacity: relative, share of reserve = (MET − 1)/(capacity − 1).
 * Without one (under 18, rate-altering medication, nothing known)
 * the work's own absolute class at that age stands in, and the talk test rules on the day.
 */
export function bandCeilingMet(band: BandIndex, capacityMet: number | null, age: EffortAge): number {
  if (capacityMet === null) return band === 3 ? Number.POSITIVE_INFINITY : WITHOUT_CAPACITY[age][band];
  const share = BANDS[band].belowShare;
  return Number.isFinite(share) ? 1 + share * (capacityMet - 1) : Number.POSITIVE_INFINITY;
}

/**
 * Capacity, MET, at the careful end of an age, where an effort is capped for somebody's health and none is known: what
 * nine of ten have. Estimates, from registries of fitness by age (FRIEND, from memory).
 */
export const CAREFUL_CAPACITY: Readonly<Record<EffortAge, number>> = {
  child: 9,
  adult: 6.5,
  older: 4.5,
};
/** The same above moderate, where holding back too far helps nobody: what half have. Estimates, as above. */
export const ORDINARY_CAPACITY: Readonly<Record<EffortAge, number>> = { child: 9, adult: 9, older: 6.5 };
/** Share of the reserve at which a step of the 0–10 scale ends; the bands' own ends at 4, 6 and 8, even steps between. */
const SHARE_AT = [0, 0.1, 0.2, 0.3, 0.4, 0.5, 0.6, 0.75, 0.9] as const;

/**
 * The MET at which an effort of so much of 10 ends, by the same reading as {@link bandCeilingMet}, between the ends of
 * the bands as well: at most 5 isn't at most 6. 9 and 10 have no end.
 */
export function rpeCeilingMet(rpe: number, capacityMet: number | null, age: EffortAge): number {
  if (rpe > 8) return Number.POSITIVE_INFINITY;
  const low = Math.floor(rpe);
  const part = rpe - low;
  const between = (of: (step: number) => number) => of(low) + part * (of(Math.min(8, low + 1)) - of(low));
  if (capacityMet !== null) return 1 + between((step) => SHARE_AT[step]!) * (capacityMet - 1);
  const [light, moderate, vigorous] = WITHOUT_CAPACITY[age];
  // From rest at 1 MET to the end of light, then band by band.
  const ends = (step: number) =>
    step <= 4
      ? 1 + (step / 4) * (light - 1)
      : step <= 6
        ? light + ((step - 4) / 2) * (moderate - light)
        : moderate + ((step - 6) / 2) * (vigorous - moderate);
  return between(ends);
}

/** The band of some work for a person, by the same reading as {@link bandCeilingMet}. */
export function bandOfMet(met: number, capacityMet: number | null, age: EffortAge): BandIndex {
  for (let i = 0; i < 3; i++)
    if (met < bandCeilingMet(i as BandIndex, capacityMet, age)) return i as BandIndex;
  return 3;
}

/** Energy, kcal a minute: MET × 3.5 × kg / 200 (Compendium convention). */
export function kcalPerMinute(met: number, massKg: number): number {
  return (met * 3.5 * massKg) / 200;
}
