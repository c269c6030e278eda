import { type BandIndex, bandOfRpe, type RateTargets } from '../person/index.ts';
import { numberOf } from '../record/index.ts';

/**
 * Where heart rates come from: a strap, a stand-in for one, a file. What it sends is raw: 0, 255 or nothing at all
 * are told apart from a heart by {@link readRate}.
 */
export interface HeartSource {
  readonly name: string;
  /** Beats a minute as sent, so many seconds after the session began; null where nothing came. */
  readonly read: (person: string, seconds: number) => number | null;
}

/** Beats a minute that a heart has; a strap that lost its skin sends others. Estimate. */
const LEAST_BPM = 30;
const MOST_BPM = 240;

/** A reading, or null where it can't be one: 0, 255, out of reach, nothing. */
export const readRate = (raw: number | null): number | null =>
  raw !== null && Number.isFinite(raw) && raw >= LEAST_BPM && raw <= MOST_BPM ? Math.round(raw) : null;

/** Seconds for which a last good reading stands. Common practice. */
export const STANDS_SECONDS = 10;

/** The newest good reading, and how old it is; null when there is none that still stands. */
export function rateNow(
  source: HeartSource,
  person: string,
  seconds: number,
): { readonly bpm: number; readonly ageSeconds: number } | null {
  for (let age = 0; age <= STANDS_SECONDS && seconds - age >= 0; age++) {
    const bpm = readRate(source.read(person, Math.floor(seconds) - age));
    if (bpm !== null) return { bpm, ageSeconds: age };
  }
  return null;
}

export interface HeartBand {
  readonly from: number;
  readonly to: number;
}

/**
 * The band somebody trains in, beats a minute: from moderate, or from light where that is their most, up to the end
 * of the band of their most effort. Null for those who must not have a target.
 */
export function heartBand(targets: readonly RateTargets[], mostEffort: number): HeartBand | null {
  const [first] = targets;
  if (!first) return null;
  const top: BandIndex = bandOfRpe(mostEffort);
  return { from: first.bands[Math.min(1, top)]!.from, to: first.bands[top]!.to };
}

export const bandState = (bpm: number, band: HeartBand): 'under' | 'in' | 'over' =>
  bpm > band.to ? 'over' : bpm < band.from ? 'under' : 'in';

/** A number from 0 to 1 that is the same for the same words every time. */
function chance(words: string): number {
  let hash = numberOf(words);
  hash ^= hash >>> 15;
  hash = Math.imul(hash, 2246822519);
  return ((hash ^ (hash >>> 13)) >>> 0) / 2 ** 32;
}

/** Somebody who wears a simulated strap. */
export interface Wearer {
  readonly id: string;
  readonly restBpm: number;
  readonly maxBpm: number;
  /** MET they can keep at their most. */
  readonly capacityMet: number;
  /** MET of what they do so many seconds after the session began. */
  readonly metAt: (seconds: number) => number;
}

/** Seconds in which a heart goes two thirds of the way to where it is going, up and down. Estimates. */
const RISES_SECONDS = 35;
const FALLS_SECONDS = 60;
const NOISE_BPM = 3;
/** Stretches for which a strap may lose its skin, and how often it does. Estimates. */
const LOSES_SECONDS = 20;
const LOSES = { nothing: 0.03, zero: 0.03, full: 0.02 } as const;

/**
 * Straps that nobody wears, to try everything with: each heart follows the effort asked of it with a delay, between
 * rest and its own most, wavers a little and now and then drops out. The same words give the same hearts.
 */
export function simulatedStraps(wearers: readonly Wearer[], seed: string): HeartSource {
  const byId = new Map(wearers.map((wearer) => [wearer.id, { wearer, beats: [wearer.restBpm] }]));
  return {
    name: 'simulated straps',
    read(person, seconds) {
      const known = byId.get(person);
      const at = Math.floor(seconds);
      if (!known || at < 0) return null;
      const { wearer, beats } = known;
      while (beats.length <= at) {
        const share = (wearer.metAt(beats.length) - 1) / Math.max(1, wearer.capacityMet - 1);
        const goal = wearer.restBpm + (wearer.maxBpm - wearer.restBpm) * Math.min(1, Math.max(0, share));
        const now = beats.at(-1)!;
        beats.push(now + (goal - now) / (goal > now ? RISES_SECONDS : FALLS_SECONDS));
      }
      const lost = chance(`${seed}/${person}/lost/${Math.floor(at / LOSES_SECONDS)}`);
      if (lost < LOSES.nothing) return null;
      if (lost < LOSES.nothing + LOSES.zero) return 0;
      if (lost < LOSES.nothing + LOSES.zero + LOSES.full) return 255;
      return beats[at]! + (chance(`${seed}/${person}/${at}`) - 0.5) * 2 * NOISE_BPM;
    },
  };
}

const COLUMNS = ['seconds', 'person', 'bpm'] as const;

/** Heart rates out of a table's rows, to be played back; what can't be read is said by line and left out. */
export function heartsFrom(
  rows: readonly Readonly<Record<string, string>>[],
  name: string,
): { readonly source: HeartSource | null; readonly problems: readonly string[] } {
  const missing = COLUMNS.filter((column) => rows.length === 0 || !(column in rows[0]!));
  if (missing.length > 0)
    return {
      source: null,
      problems: [
        `${name} has no column ${missing.map((c) => `“${c}”`).join(', ')}. It needs seconds, person and bpm.`,
      ],
    };
  const problems: string[] = [];
  const byPerson = new Map<string, Map<number, number>>();
  rows.forEach((row, i) => {
    const seconds = Number(row['seconds']);
    const bpm = row['bpm']!.trim() === '' ? Number.NaN : Number(row['bpm']);
    const person = row['person']!.trim();
    if (!person || row['seconds']!.trim() === '' || !Number.isFinite(seconds) || seconds < 0) {
      problems.push(`Line ${i + 2}: who, and how many seconds after the start?`);
      return;
    }
    const of = byPerson.get(person) ?? new Map<number, number>();
    byPerson.set(person, of);
    if (Number.isFinite(bpm)) of.set(Math.floor(seconds), bpm);
    else problems.push(`Line ${i + 2}: “${row['bpm']}” isn’t a heart rate; read as no signal.`);
  });
  return {
    problems,
    source: {
      name,
      read: (person, seconds) => byPerson.get(person)?.get(Math.floor(seconds)) ?? null,
    },
  };
}
