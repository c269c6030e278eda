import * as z from 'zod';
import { lazily } from '../record/index.ts';
import { dayWords } from './age.ts';
import { thirdOf } from './courses.ts';

/** Signs and symptoms asked about before exercise, in our own words; any one counts. */
export const SYMPTOMS = {
  chest: 'Pain, pressure or tightness in the chest, neck, jaw or arms',
  breath: 'Out of breath at rest or with very little',
  dizzy: 'Dizzy spells, fainting or near-fainting',
  night: 'Short of breath lying flat, or woken by it at night',
  ankles: 'Swollen ankles',
  heart: 'A heartbeat that races, pounds or skips for no reason',
  calves: 'Pain in the calves on walking that goes when standing still',
  murmur: 'A heart murmur a doctor knows of',
  tired: 'Unusually tired or breathless with everyday things',
} as const;
export type SymptomId = keyof typeof SYMPTOMS;

/** Asked of somebody under 18, with the person who looks after them. */
export const YOUNG_QUESTIONS = {
  fainted: 'Ever fainted, or had chest pain, during or just after exercise',
  heart: 'A heart problem, or a sudden heart death in the family before 50',
  breath: 'Asthma or trouble breathing with exercise that isn’t under control',
  fits: 'Fits or blackouts',
  bones: 'A bone, joint or growth-plate injury that hasn’t been cleared',
  illness: 'An illness under treatment that a doctor says limits exercise',
} as const;
export type YoungId = keyof typeof YOUNG_QUESTIONS;

/** As told by the care team: with any of these, exercise waits. */
export const PREGNANCY_REASONS = {
  bleeding: 'Bleeding that goes on',
  waters: 'Waters that have broken',
  pressure: 'Pre-eclampsia',
  placenta: 'A placenta that lies over the way out',
  cervix: 'A weak or stitched cervix',
  other: 'Anything else for which the care team said not to exercise',
} as const;
export type PregnancyId = keyof typeof PREGNANCY_REASONS;

const ids = <T extends string>(table: Readonly<Record<T, string>>) =>
  z.array(z.enum(Object.keys(table) as [T, ...T[]]));

const day = lazily(() => z.iso.date({ error: 'a day of the calendar is needed, as YYYY-MM-DD' }));
const who = lazily(() => z.string().trim().min(2, 'say who').max(80));

export const screeningSchema = lazily(() =>
  z.discriminatedUnion('of', [
    z.strictObject({
      of: z.literal('adult'),
      on: day,
      /** At least 30 minutes, moderate, three days a week, for three months. */
      regular: z.boolean(),
      /** Known disease of heart or vessels, metabolism or kidneys. */
      disease: z.boolean(),
      symptoms: ids(SYMPTOMS),
    }),
    z.strictObject({
      of: z.literal('young'),
      on: day,
      regular: z.boolean(),
      /** Who looks after them and agreed; empty while nobody has. */
      consentBy: z.string().trim().max(80),
      yes: ids(YOUNG_QUESTIONS),
    }),
  ]),
);
export type Screening = z.output<typeof screeningSchema>;

export const pregnancyScreenSchema = lazily(() => z.strictObject({ on: day, yes: ids(PREGNANCY_REASONS) }));

/** What a clinician has allowed: who, when, and up to which effort. */
export const clearanceSchema = lazily(() =>
  z.strictObject({
    on: day,
    by: who,
    says: z.string().trim().max(400).default(''),
    maxRpe: z.number().min(1).max(10).optional(),
  }),
);
export type Clearance = z.output<typeof clearanceSchema>;

/** A trainer's own word, where it may stand instead of a clearance. */
export const overrideSchema = lazily(() =>
  z.strictObject({
    on: day,
    by: who,
    reason: z.string().trim().min(5, 'give the reason in a few words').max(400),
  }),
);
export type Override = z.output<typeof overrideSchema>;

/** What the published table says; `rpe` is the effort it goes on to allow, on the 0–10 scale. */
interface Row {
  readonly result: 'go' | 'moderate without clearance' | 'clearance recommended' | 'stop';
  readonly rpe: number;
  readonly says: string;
}

/**
 * The decision table for adults, from three answers: exercises regularly, known disease, signs or
 * symptoms. ACSM, Riebe et al. 2015 (from memory), in our own words.
 */
export function decideScreening(regular: boolean, disease: boolean, symptoms: boolean): Row {
  if (!regular) {
    if (symptoms)
      return {
        result: 'clearance recommended',
        rpe: 6,
        says: 'With these signs, a doctor’s word comes first; then light to moderate.',
      };
    if (disease)
      return {
        result: 'clearance recommended',
        rpe: 6,
        says: 'With a known disease and no regular exercise, a doctor’s word comes first; then light to moderate.',
      };
    return { result: 'go', rpe: 6, says: 'Begin light to moderate and build up gradually.' };
  }
  if (symptoms)
    return { result: 'stop', rpe: 1, says: 'Stop exercising until a doctor has looked into these signs.' };
  if (disease)
    return {
      result: 'moderate without clearance',
      rpe: 6,
      says: 'Moderate as before; anything harder needs a clearance from the last 12 months.',
    };
  return { result: 'go', rpe: 10, says: 'Moderate or vigorous as before.' };
}

export interface Standing {
  readonly state:
    | 'not screened'
    | 'go'
    | 'moderate without clearance'
    | 'cleared'
    | 'overridden'
    | 'consent missing'
    | 'clearance recommended'
    | 'stop';
  /** A card, and a place in a live run. */
  readonly mayTrain: boolean;
  /** The most effort it leaves, 0–10. */
  readonly maxRpe: number;
  readonly says: string;
  /** Why the questions have to be asked again; null while they hold. */
  readonly askAgain: string | null;
  /** Last day on which the answers hold. */
  readonly holdsUntil: string | null;
  readonly mayOverride: boolean;
}

/** A stop sign in a session: what it was, what was done about it, and who said that it may go on, once somebody did. */
export const stopSchema = lazily(() =>
  z.strictObject({
    /** The run it was in; one stop of a run is one. */
    run: z.string().max(80),
    on: day,
    sign: z.string().trim().min(3).max(120),
    note: z.string().trim().max(600).default(''),
    closed: z
      .strictObject({ on: day, by: who, says: z.string().trim().min(5, 'say what came of it').max(400) })
      .optional(),
  }),
);
export type Stop = z.output<typeof stopSchema>;

/**
 * What stops a person in a session, in words that anybody understands, and who has a word before they go on. Common
 * practice; the clinician's and the house's word first.
 */
const STOPS = {
  'chest, arm, jaw or back pain or pressure': 'doctor',
  'faint or dizzy': 'doctor',
  'unusual breathlessness or wheeze': 'doctor',
  'sharp joint pain': 'trainer',
  'heart racing or irregular': 'doctor',
  'sudden headache or change of sight': 'doctor',
  'confused, numb, weak or uncoordinated': 'doctor',
  'calf pain or swelling': 'doctor',
  'low-sugar signs': 'trainer',
  'bleeding, fluid or contractions in pregnancy': 'doctor',
  'something else': 'trainer',
} as const satisfies Record<string, 'doctor' | 'trainer'>;
export type StopSign = keyof typeof STOPS;
export const STOP_SIGNS = Object.keys(STOPS) as [StopSign, ...StopSign[]];
/** Of a sign that the table doesn't have a doctor has a word. */
const asksDoctor = (sign: string): boolean => STOPS[sign as StopSign] !== 'trainer';

interface Screened {
  readonly stops?: readonly Stop[] | undefined;
  readonly screening?: Screening | undefined;
  readonly pregnancyScreen?: z.output<typeof pregnancyScreenSchema> | undefined;
  readonly clearance?: Clearance | undefined;
  readonly override?: Override | undefined;
  /** The last day on which something about their health changed. */
  readonly healthChangedOn?: string | undefined;
}

/** Twelve months on, the last day that still counts. */
export function yearAfter(from: string): string {
  const date = new Date(`${from}T00:00:00Z`);
  date.setUTCFullYear(date.getUTCFullYear() + 1);
  date.setUTCDate(date.getUTCDate() - 1);
  return date.toISOString().slice(0, 10);
}

/** Somebody's word holds for twelve months, and until their health changes. */
const holds = (since: string, on: string, healthChangedOn: string | undefined): boolean =>
  since <= on &&
  yearAfter(since) >= on &&
  !(healthChangedOn !== undefined && healthChangedOn > since && healthChangedOn <= on);

/** A clearance counts for 12 months, until their health changes, and never for what it came before. */
function clearedBy({ clearance, healthChangedOn }: Screened, on: string, after: string | null): boolean {
  return (
    clearance !== undefined &&
    holds(clearance.on, on, healthChangedOn) &&
    (after === null || clearance.on >= after)
  );
}

/** What their conditions say that the answers should know of. */
interface Recorded {
  /** The day a child is due. */
  readonly due?: string | undefined;
  /** A known disease among their conditions, as it is called. */
  readonly disease?: string | null;
  /** What nothing begins with before a doctor's word, as it is called, and the day it began where that is known. */
  readonly waits?: { readonly name: string; readonly since: string | null } | null;
  /** The last day on which one of their conditions began. */
  readonly lastEvent?: string | undefined;
}

/** Another third of the pregnancy than the one in which the questions were asked; without a due date after 13 weeks. */
function anotherThird(askedOn: string, on: string, due: string | undefined): boolean {
  if (due !== undefined) return thirdOf(due, askedOn) !== thirdOf(due, on);
  return (Date.parse(on) - Date.parse(askedOn)) / 86_400_000 > 13 * 7;
}

/** Where somebody stands on a day: what the table says, what a clearance or the trainer's word changes. */
export function standingOf(
  it: Screened,
  on: string,
  pregnant: boolean,
  under18: boolean,
  recorded: Recorded = {},
): Standing {
  const { screening, clearance, override, healthChangedOn } = it;
  const base = { askAgain: null, holdsUntil: null, mayOverride: false };
  const open = it.stops?.find((stop) => stop.on <= on && !stop.closed);
  if (open)
    return {
      ...base,
      state: 'stop',
      mayTrain: false,
      maxRpe: 1,
      says: `Stopped on ${dayWords(open.on)}: ${open.sign}. ${
        asksDoctor(open.sign)
          ? 'Training waits until a doctor or nurse has said that it may go on.'
          : 'Ask what came of it and write it down before they go on.'
      }`,
    };
  const held = it.pregnancyScreen?.yes ?? [];
  if (pregnant && held.length > 0 && !clearedBy(it, on, it.pregnancyScreen!.on))
    return {
      ...base,
      state: 'stop',
      mayTrain: false,
      maxRpe: 1,
      says: `Exercise waits: ${PREGNANCY_REASONS[held[0]!].toLowerCase()}. The care team decides.`,
    };
  // Somebody who was active the week before a heart attack is not who answered the questions.
  if (recorded.waits && !clearedBy(it, on, recorded.waits.since))
    return {
      ...base,
      state: 'clearance recommended',
      mayTrain: false,
      maxRpe: 6,
      says: `A doctor’s word comes first: ${recorded.waits.name} is recorded.`,
    };
  // A disease in their file is known, whatever was answered or not yet asked.
  const disease = recorded.disease ?? null;
  if (!screening && disease !== null && !under18) {
    if (clearedBy(it, on, recorded.lastEvent ?? null)) return { ...base, ...cleared(clearance!, 6) };
    const taken = override && holds(override.on, on, healthChangedOn);
    // Nobody is freer for not having been asked: whoever isn't active needs a doctor's word first.
    return {
      ...base,
      state: taken ? 'overridden' : 'not screened',
      mayTrain: taken === true,
      maxRpe: 6,
      says: taken
        ? `${override.by} takes it on themselves: ${override.reason}`
        : `Not asked yet, and ${disease} is recorded: the three questions come first.`,
      mayOverride: !taken,
    };
  }
  if (!screening)
    return {
      ...base,
      state: 'not screened',
      // Nobody is freer for not having been asked: moderate, and under 18 nothing without consent.
      mayTrain: !under18,
      maxRpe: 6,
      says: under18
        ? 'Not asked yet: consent of whoever looks after them, and six questions.'
        : 'Not asked yet: moderate until the three questions are.',
    };
  const holdsUntil = yearAfter(screening.on);
  const changed = healthChangedOn !== undefined && healthChangedOn >= screening.on;
  const askAgain =
    holdsUntil < on
      ? 'The answers are more than 12 months old.'
      : changed
        ? 'Their health has changed since.'
        : pregnant && !it.pregnancyScreen
          ? 'Pregnant: ask the pregnancy questions.'
          : pregnant && anotherThird(it.pregnancyScreen!.on, on, recorded.due)
            ? 'Another third of the pregnancy has begun: ask the pregnancy questions again.'
            : screening.of === 'adult' && !screening.disease && disease !== null
              ? `They said no known disease, and ${disease} is recorded.`
              : under18 !== (screening.of === 'young')
                ? 'They were asked another age’s questions.'
                : null;
  const more = { askAgain, holdsUntil };

  if (screening.of === 'young') {
    if (screening.consentBy === '')
      return {
        ...base,
        ...more,
        state: 'consent missing',
        mayTrain: false,
        maxRpe: 6,
        says: 'Whoever looks after them has to agree first.',
      };
    if (screening.yes.length === 0)
      return {
        ...base,
        ...more,
        state: 'go',
        mayTrain: true,
        maxRpe: 8,
        says: `${screening.consentBy} agreed; nothing stands in the way.`,
      };
    if (clearedBy(it, on, screening.on)) return { ...base, ...more, ...cleared(clearance!, 8) };
    return {
      ...base,
      ...more,
      state: 'clearance recommended',
      mayTrain: false,
      maxRpe: 6,
      says: `A doctor’s word comes first: ${YOUNG_QUESTIONS[screening.yes[0]!].toLowerCase()}.`,
    };
  }

  const symptoms = screening.symptoms.length > 0;
  const row = decideScreening(screening.regular, screening.disease || disease !== null, symptoms);
  const rpe = askAgain ? Math.min(row.rpe, 6) : row.rpe;
  if (row.result === 'go')
    return { ...base, ...more, state: 'go', mayTrain: true, maxRpe: rpe, says: row.says };
  // Symptoms are new since the questions, so that an older clearance says nothing of them.
  if (clearedBy(it, on, symptoms ? screening.on : (recorded.lastEvent ?? null)))
    return {
      ...base,
      ...more,
      ...cleared(clearance!, row.result === 'moderate without clearance' || row.result === 'stop' ? 10 : 6),
    };
  if (row.result === 'moderate without clearance')
    return { ...base, ...more, state: row.result, mayTrain: true, maxRpe: rpe, says: row.says };
  const mayOverride = !symptoms;
  if (mayOverride && override && override.on >= screening.on && holds(override.on, on, healthChangedOn))
    return {
      ...base,
      ...more,
      state: 'overridden',
      mayTrain: true,
      maxRpe: rpe,
      says: `${override.by} takes it on themselves: ${override.reason}`,
    };
  return { ...base, ...more, state: row.result, mayTrain: false, maxRpe: rpe, says: row.says, mayOverride };
}

const cleared = (clearance: Clearance, rpe: number) => ({
  state: 'cleared' as const,
  mayTrain: true,
  maxRpe: Math.min(rpe, clearance.maxRpe ?? 10),
  says: `Cleared by ${clearance.by} on ${dayWords(clearance.on)}${clearance.says ? `: ${clearance.says.replace(/\.$/, '')}` : ''}.`,
});
