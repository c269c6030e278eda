import { type Ladder, type Library, rungDemand } from '../ladder/index.ts';
import type { FormRef } from '../move/index.ts';
import { PROGRESS_SCHOOLS, type ProgressSchool, rungNamed } from '../person/index.ts';
import { isEnough, type Result, type SessionRecord } from './record.ts';

/** What one session says of one person on one ladder. */
export interface Evidence {
  readonly on: string;
  /** The rung most of the time was spent on. */
  readonly rung: number;
  /** A higher rung that was tried in it and held. */
  readonly reached: number;
  readonly clean: boolean;
  readonly effort: number | null;
  readonly range: Result['range'];
  readonly pain: boolean;
}

export interface Decision {
  readonly is: 'up' | 'hold' | 'down' | 'ask';
  /** The rung to be on next time. */
  readonly to: number;
  readonly says: string;
}

/** Who it is, as far as a decision has to know. */
export interface Progresses {
  /** By technique, never by numbers. */
  readonly child: boolean;
  /** Slower, in smaller steps: older and clinical people. */
  readonly careful: boolean;
  /** Nothing harder than last time at all. */
  readonly steady: boolean;
  /** The most effort that is theirs, 0–10. */
  readonly effortMax: number;
}

/** What keeps a rung from somebody, in words; null where it is open to them. */
export type Bars = (rung: number) => string | null;

/** What a school asks for before the next rung. */
export interface School {
  readonly says: string;
  /** Good sessions running on a rung. */
  readonly sessions: number;
  /** The most effort that still counts as good, 0–10. */
  readonly effortMax: number;
  /** A rung tried in the last round and held counts as one session more. */
  readonly reach: boolean;
}

/** Schools of progress. Common practice; the figures are theirs. */
export const PROGRESS = {
  'two clean': { says: 'two clean sessions running', sessions: 2, effortMax: 8, reach: false },
  'effort ceiling': {
    says: 'once it is clean and no more than 5 of 10',
    sessions: 1,
    effortMax: 5,
    reach: false,
  },
  'rounds first': {
    says: 'three clean sessions, rounds before rungs',
    sessions: 3,
    effortMax: 8,
    reach: false,
  },
  reach: { says: 'a higher rung tried in the last round and held', sessions: 2, effortMax: 8, reach: true },
} as const satisfies Record<ProgressSchool, School>;
export type SchoolId = ProgressSchool;
export const SCHOOL_IDS: readonly SchoolId[] = PROGRESS_SCHOOLS;

/** Effort from which a rung is too much for now, 0–10. Common practice. */
const TOO_HARD = 9;
/** Weeks away, and rungs stepped back for them. Common practice. */
const AWAY = [
  { weeks: 8, back: 2 },
  { weeks: 4, back: 1 },
  { weeks: 2, back: 0 },
] as const;

const daysBetween = (a: string, b: string) =>
  Math.round((Date.parse(`${b}T00:00:00Z`) - Date.parse(`${a}T00:00:00Z`)) / 86_400_000);

/** What records say of a person on a ladder, oldest first; sessions in which they weren't on it say nothing. */
export function evidenceOf(
  library: Library,
  ladder: Ladder,
  person: string,
  records: readonly SessionRecord[],
): Evidence[] {
  return records
    .flatMap((record): Evidence[] => {
      const result = record.results.find((r) => r.person === person);
      if (!result?.present) return [];
      // What wasn't done says nothing; that something hurt or stopped them says it all the same.
      const hurt = result.pain !== null || result.sign !== null;
      if (!isEnough(result) && !hurt) return [];
      const spent = new Map<number, number>();
      for (const piece of result.pieces) {
        const rung = rungNamed(ladder, piece);
        if (rung >= 0 && library.move(piece.move)) spent.set(rung, (spent.get(rung) ?? 0) + piece.seconds);
      }
      if (spent.size === 0) return [];
      const [rung] = [...spent].sort((a, b) => b[1] - a[1] || a[0] - b[0])[0]!;
      return [
        {
          on: record.on,
          rung,
          reached: Math.max(...spent.keys()),
          clean: result.clean,
          effort: result.effort,
          range: result.range,
          pain: hurt,
        },
      ];
    })
    .sort((a, b) => (a.on < b.on ? -1 : a.on > b.on ? 1 : 0));
}

/** Whether a session was good enough to count towards the next rung. */
function isGood(one: Evidence, school: School, who: Progresses): boolean {
  // Unsaid is not easy, and what is hard for them is too hard whatever a school allows.
  const easy = who.child || (one.effort !== null && one.effort <= Math.min(school.effortMax, who.effortMax));
  return one.clean && one.range === 'full' && easy && !one.pain;
}

/**
 * Where somebody goes next on a ladder, and why. Never up after pain; down after two that were too much or long
 * away; up when a school's sessions are there; else it stays. `bars` says what keeps a rung from them, null where
 * it is open: nobody is sent to one that isn't. Null where nothing is known of them on the ladder.
 */
export function decide(
  ladder: Pick<Ladder, 'rungs'>,
  evidence: readonly Evidence[],
  schoolId: SchoolId,
  who: Progresses,
  today: string,
  bars: Bars = () => null,
): Decision | null {
  const last = evidence.at(-1);
  if (!last) return null;
  const school = PROGRESS[schoolId];
  const top = ladder.rungs.length - 1;
  const at = Math.min(top, last.rung);
  /** So many rungs down, and on to the first that is open; asked where none is. */
  const down = (by: number, says: string): Decision => {
    for (let to = Math.max(0, at - by); to >= 0; to--) if (bars(to) === null) return { is: 'down', to, says };
    return { is: 'ask', to: at, says: `${says} No rung below is open to them: find another form together.` };
  };
  if (last.pain)
    return {
      is: 'ask',
      to: at,
      says: 'It hurt last time: ask what, when and where, and offer a form that goes round it.',
    };
  const weeks = daysBetween(last.on, today) / 7;
  const away = AWAY.find((step) => weeks >= step.weeks);
  if (away && away.back > 0 && at > 0)
    return down(
      away.back,
      `${Math.floor(weeks)} weeks away: ${away.back === 1 ? 'a rung' : 'two rungs'} back to begin with.`,
    );
  const tooMuch = (one: Evidence) => one.rung >= at && (!one.clean || (one.effort ?? 0) >= TOO_HARD);
  const before = evidence.at(-2);
  if (tooMuch(last)) {
    if (before && tooMuch(before) && at > 0)
      return down(1, 'Too much two times running: a rung down, and clean.');
    return {
      is: 'hold',
      to: at,
      says: last.clean ? 'Very hard last time: the same again.' : 'Not clean yet: the same again.',
    };
  }
  if (last.range !== 'full')
    return {
      is: 'hold',
      to: at,
      says: `${last.range === 'part' ? 'Part' : 'Most'} of the way so far: more range before the next rung.`,
    };
  if (away) return { is: 'hold', to: at, says: `${Math.floor(weeks)} weeks away: the same again first.` };
  if (who.steady) return { is: 'hold', to: at, says: 'No harder than last time, for now.' };
  if (at === top)
    return { is: 'hold', to: at, says: 'The top rung: slower, longer or more rounds from here.' };
  let good = 0;
  for (const one of [...evidence].reverse()) {
    if (one.rung < at || !isGood(one, school, who)) break;
    good++;
  }
  const held = school.reach && last.reached > at && isGood(last, school, who) ? 1 : 0;
  // After pain or a sign two good sessions are the least, whatever a school asks for.
  const hurt = evidence.slice(-3, -1).some((one) => one.pain);
  const needs = Math.max(school.sessions + (who.careful ? 1 : 0), hurt ? 2 : 1);
  const barred = bars(at + 1);
  if (good > 0 && good + held >= needs && barred !== null)
    return {
      is: 'hold',
      to: at,
      says: `Ready, but the next rung isn’t open to them: ${barred}. More of this one.`,
    };
  if (good > 0 && good + held >= needs)
    return {
      is: 'up',
      to: at + 1,
      says: `${good === 1 ? 'Clean' : `Clean ${good} times running`}${held ? ', and the next rung held when tried' : ''}: the next rung.`,
    };
  return {
    is: 'hold',
    to: at,
    says:
      good === 0
        ? last.effort === null && !who.child
          ? 'Clean, and nobody said how hard it was: the same again.'
          : 'Clean, but hard: the same again.'
        : `Clean ${good === 1 ? 'once' : `${good} times`}: ${needs - good - held === 1 ? 'once more' : `${needs - good - held} times more`}, then the next rung.`,
  };
}

/** What an outcome next time would lead to, before it happens. */
export function preview(
  ladder: Pick<Ladder, 'rungs'>,
  evidence: readonly Evidence[],
  schoolId: SchoolId,
  who: Progresses,
  next: Omit<Evidence, 'rung' | 'reached'>,
  bars: Bars = () => null,
): Decision | null {
  const at = evidence.at(-1)?.rung;
  return at === undefined
    ? null
    : decide(ladder, [...evidence, { ...next, rung: at, reached: at }], schoolId, who, next.on, bars);
}

/**
 * Two-for-two: two reps over the target in the last set at two sessions running, then more load (common practice,
 * as in NSCA texts, from memory).
 */
export function twoForTwo(target: number, lastSets: readonly (number | null)[]): boolean {
  const [a, b] = lastSets.slice(-2);
  return typeof a === 'number' && typeof b === 'number' && a >= target + 2 && b >= target + 2;
}

/** The form of a rung as a placement names it, where the library has it. */
export const formOfRung = (library: Library, ladder: Ladder, rung: number): FormRef | null => {
  const form = ladder.rungs[rung];
  return form && rungDemand(library, form)
    ? { move: form.move, ...(form.settings ? { settings: form.settings } : {}) }
    : null;
};
