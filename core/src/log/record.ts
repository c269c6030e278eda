import * as z from 'zod';
import { formRefSchema, idSchema } from '../move/index.ts';
import { STOP_SIGNS } from '../person/index.ts';
import { lazily, type RecordKind } from '../record/index.ts';
import {
  clockOf,
  entryFor,
  inOrder,
  type Present,
  peopleOf,
  positionAt,
  type Run,
  type RunEvent,
} from '../run/index.ts';

const words = (most: number) => z.string().trim().max(most);

/** Part of what somebody did: a form, for how long, how often. */
const pieceSchema = lazily(() =>
  z.strictObject({
    /** Place in the session's list of entries. */
    entry: z.number().int().min(0).max(399),
    ...formRefSchema.shape,
    seconds: z.number().int().min(0).max(36_000),
    /** In all; null for a hold, and where nobody counted. */
    reps: z.number().int().min(0).max(20_000).nullable(),
    /** Somebody counted them; otherwise they are by pace and time. */
    counted: z.boolean().default(false),
  }),
);
export type Piece = z.output<typeof pieceSchema>;

/** How much of the way was gone. More of it on one rung is progress before the next rung. */
export const RANGES = ['part', 'most', 'full'] as const;

/** Corrections of one result that are kept, the newest. */
export const MOST_CORRECTIONS = 200;

/** What came of a session for one person. */
export const resultSchema = lazily(() =>
  z.strictObject({
    /** Its name within the record, as long as the record is. */
    id: idSchema,
    /** Null: known by number alone, or erased since. */
    person: idSchema.nullable(),
    /** How they were known, where they have no file of their own. */
    known: words(80),
    present: z.boolean(),
    /** 0–10; null where nobody asked. */
    effort: z.number().int('whole steps').min(0, 'from 0').max(10, 'at most 10').nullable(),
    clean: z.boolean(),
    range: z.enum(RANGES),
    pain: z.strictObject({ where: words(80).min(1, 'say where'), note: words(300) }).nullable(),
    /** A stop sign in the run, and what came of it. */
    sign: z.strictObject({ sign: z.enum(STOP_SIGNS), note: words(600) }).nullable(),
    note: words(1000),
    /** How much of the work that was planned for them they did, 0 to 1. */
    share: z.number().min(0).max(1).default(1),
    /** Went before the end. */
    left: z.boolean().default(false),
    pieces: z.array(pieceSchema).max(800),
    counts: z
      .array(
        z.strictObject({
          block: z.number().int().min(0).max(19),
          rounds: z.number().int().min(0).max(200),
          reps: z.number().int().min(0).max(2000),
        }),
      )
      .max(20),
    /** What it said before it was corrected, in words, and when that was. */
    corrections: z
      .array(z.strictObject({ at: z.iso.datetime(), was: words(300).min(1) }))
      .max(MOST_CORRECTIONS)
      .default([]),
  }),
);
export type Result = z.output<typeof resultSchema>;

/** A session as it was done, for everybody who was to be there. */
export const recordSchema = lazily(() =>
  z.strictObject({
    version: z.literal(2),
    id: idSchema,
    run: idSchema.nullable(),
    plan: idSchema.nullable(),
    title: words(120).min(1),
    group: idSchema.nullable(),
    /** YYYY-MM-DD */
    on: z.iso.date(),
    /** Minutes from the first stretch to the end. */
    minutes: z.number().min(0).max(600),
    results: z.array(resultSchema).max(80),
  }),
);
export type SessionRecord = z.output<typeof recordSchema>;

const RECORD_EXAMPLE: SessionRecord = {
  version: 2,
  id: 'tuesday-1',
  run: null,
  plan: null,
  title: 'Tuesday evening',
  group: null,
  on: '2026-11-03',
  minutes: 0,
  results: [],
};

export const SESSION_RECORD: RecordKind<SessionRecord> = {
  kind: 'record',
  collection: 'records',
  name: 'record of a session',
  schema: recordSchema,
  version: 2,
  upgrades: {
    // Corrections were kept beside the results and named them by their place.
    1: ({ corrections, ...old }) => ({
      ...old,
      results: (old['results'] as object[]).map((result, i) => ({
        ...result,
        id: `r${i + 1}`,
        corrections: ((corrections ?? []) as { at: string; result: number; was: string }[])
          .filter((one) => one.result === i)
          .map(({ at, was }) => ({ at, was })),
      })),
    }),
  },
  references: [
    { to: 'person', at: 'results[].person', erased: 'drop' },
    { to: 'plan', at: 'plan', erased: 'null' },
    { to: 'group', at: 'group', erased: 'null' },
  ],
  example: RECORD_EXAMPLE,
};

/** A name for one result more, which no other of its record has. */
export function newResultId(results: readonly Pick<Result, 'id'>[]): string {
  let n = results.length + 1;
  while (results.some((result) => result.id === `r${n}`)) n++;
  return `r${n}`;
}

/** Reps a hold doesn't have; what else is by pace over the time. */
const repsIn = (pace: number | null, seconds: number): number | null =>
  pace === null ? null : Math.round((pace * seconds) / 60);

/** A piece shorter than this is a way over and back. Estimate. */
const LEAST_SECONDS = 3;

/**
 * What somebody did, stretch by stretch as it was run, with every change of form at its second. `gone` says how many
 * seconds of the session had gone by at a moment of the run's clock.
 */
function piecesOf(
  run: Run,
  events: readonly RunEvent[],
  person: Present,
  gone: (at: number) => number,
): Piece[] {
  const clock = clockOf(run, events);
  const pieces = new Map<string, Piece>();
  if (clock.beganAt === null) return [];
  // Moments at which what they do may change, and those at which the clock stands still, on the run's clock.
  const ends = Math.max(clock.beganAt, ...inOrder(events).map((e) => e.at)) + 1;
  const over = overAt(run, events) ?? ends;
  const left = gone(Math.min(person.leftAt ?? over, over));
  const joined = gone(person.joinedAt);
  const away = person.away.map(({ from, to }) => [gone(from), gone(to)] as const);
  let at = 0;
  for (const { segment, seconds } of clock.stretches) {
    const from = at;
    at += seconds;
    if (segment.kind !== 'work' && segment.kind !== 'hold') continue;
    let share = 0;
    for (const doing of segment.does) {
      const whole = Math.max(0.001, segment.lengthSeconds);
      const begins = from + (seconds * share) / whole;
      share += doing.seconds;
      const until = Math.min(from + seconds, from + (seconds * share) / whole);
      const entry = entryFor(run, person.cast.group, doing.entry);
      const list = person.doing[entry] ?? [];
      list.forEach((one, i) => {
        const since = Math.max(gone(one.since), joined);
        const next = list[i + 1];
        const to = Math.min(next ? gone(next.since) : Number.POSITIVE_INFINITY, left);
        const [first, last] = [Math.max(begins, since), Math.min(until, to)];
        const missed = away.reduce(
          (sum, [out, back]) => sum + Math.max(0, Math.min(last, back) - Math.max(first, out)),
          0,
        );
        const took = last - first - missed;
        if (!one.does || took < Math.min(LEAST_SECONDS, until - begins)) return;
        const key = `${entry}/${one.does.move}/${JSON.stringify(one.does.settings ?? {})}`;
        const known = pieces.get(key);
        const total = (known?.seconds ?? 0) + Math.round(took);
        pieces.set(key, {
          entry,
          move: one.does.move,
          ...(one.does.settings ? { settings: one.does.settings } : {}),
          seconds: total,
          reps: repsIn(one.does.pace, total),
          counted: false,
        });
      });
    }
  }
  return [...pieces.values()].filter((piece) => piece.seconds > 0);
}

/** Seconds of work that were planned for somebody, at the stations where they have something to do. */
function plannedFor(run: Run, events: readonly RunEvent[], person: Present): number {
  const segments = new Set(clockOf(run, events).stretches.map(({ segment }) => segment));
  let seconds = 0;
  for (const segment of segments) {
    if (segment.kind !== 'work' && segment.kind !== 'hold') continue;
    for (const doing of segment.does) {
      const entry = entryFor(run, person.cast.group, doing.entry);
      if ((person.doing[entry] ?? []).some((one) => one.does !== null)) seconds += doing.seconds;
    }
  }
  return seconds;
}

/** The id of a result by whose it is in the run's order. */
const resultIdAt = (i: number): string => `r${i + 1}`;

/** The id of the record that is made from a run. */
export const recordIdOf = (run: string): string => `${run}-record`.slice(0, 80);

/** Seconds of the session that had gone by at a moment of the run's clock, pauses not counted. */
function sinceStart(run: Run, events: readonly RunEvent[], at: number): number {
  const before = inOrder(events).filter((event) => event.at <= at);
  return positionAt(clockOf(run, before), at).done;
}

/** When it was over, on the run's clock; null where it still goes on. */
function overAt(run: Run, events: readonly RunEvent[]): number | null {
  const clock = clockOf(run, events);
  if (clock.beganAt === null) return null;
  if (clock.finishedAt !== null) return clock.finishedAt;
  if (clock.paused) return null;
  return clock.beganAt + clock.stoodMs + clock.stretches.reduce((sum, s) => sum + s.seconds, 0) * 1000;
}

/**
 * The record as a run leaves it, to be corrected by exception: who was there, what each did in pieces, rounds as
 * counted. Clean and full until somebody says otherwise; effort is never guessed. `fileOf` says whose id is a
 * file's. The same run and events give the same record.
 */
export function recordFrom(
  run: Run,
  events: readonly RunEvent[],
  fileOf: (id: string) => string | null,
): SessionRecord {
  const over = overAt(run, events);
  const clock = clockOf(run, events);
  const known = new Map<number, number>();
  const gone = (at: number): number => {
    const seconds = known.get(at) ?? sinceStart(run, events, at);
    known.set(at, seconds);
    return seconds;
  };
  const last = over ?? Math.max(0, ...events.map((e) => e.at));
  return {
    version: 2,
    id: recordIdOf(run.id),
    run: run.id,
    plan: run.plan.id,
    title: run.plan.title,
    group: run.group,
    on: run.on,
    minutes: clock.beganAt === null ? 0 : Math.round(((last - clock.beganAt) / 60_000) * 10) / 10,
    results: peopleOf(run, events).map((person, i) => {
      const file = fileOf(person.id);
      const pieces = piecesOf(run, events, person, gone);
      const planned = plannedFor(run, events, person);
      const done = pieces.reduce((sum, piece) => sum + piece.seconds, 0);
      const share = planned === 0 ? 1 : Math.min(1, Math.round((100 * done) / planned) / 100);
      const stopped = person.sign !== null;
      return {
        id: resultIdAt(i),
        person: file,
        known: file ? '' : person.name,
        present: pieces.length > 0 && !(person.is === 'gone' && (person.leftAt ?? 0) <= (clock.beganAt ?? 0)),
        effort: null,
        // Somebody who was stopped did nothing clean and to the end.
        clean: !stopped,
        range: stopped ? 'part' : 'full',
        share,
        left: !stopped && person.is === 'gone' && (person.leftAt ?? 0) < last,
        pain: null,
        sign: person.sign ? { sign: person.sign.sign, note: person.sign.note ?? '' } : null,
        note: '',
        pieces,
        counts: [...person.counts].map(([block, { rounds, reps }]) => ({ block, rounds, reps })),
        corrections: [],
      };
    }),
  };
}

/** Said this much over or under what was aimed for, it was another session than the one planned. Estimate. */
const FAR_FROM_AIM = 2;

/** What each had to aim for in a run, by the id their result has in its record. */
export const aimsIn = (run: Run, events: readonly RunEvent[]): ReadonlyMap<string, number> =>
  new Map(
    peopleOf(run, events).flatMap(({ cast }, i) =>
      cast.aim ? [[resultIdAt(i), cast.aim.effort] as const] : [],
    ),
  );

/**
 * What was said of how hard it was beside what each aimed for: the mean of what was said, and how many said far more or
 * far less than they had to aim for. Null where nobody who had an aim has said anything.
 */
export function aimMet(
  results: readonly Pick<Result, 'id' | 'present' | 'effort'>[],
  aims: ReadonlyMap<string, number>,
): { readonly mean: number; readonly over: number; readonly under: number } | null {
  const off = results.flatMap(({ id, present, effort }) => {
    const aim = aims.get(id);
    return present && effort !== null && aim !== undefined ? [{ effort, by: effort - aim }] : [];
  });
  if (off.length === 0) return null;
  return {
    mean: Math.round((10 * off.reduce((sum, { effort }) => sum + effort, 0)) / off.length) / 10,
    over: off.filter(({ by }) => by >= FAR_FROM_AIM).length,
    under: off.filter(({ by }) => by <= -FAR_FROM_AIM).length,
  };
}

/** So much of what was planned has to be done for it to count towards anything. Common practice. */
const LEAST_SHARE = 0.5;

/** A change of places takes so much of the work without anybody having done less. Estimate. */
export const SLACK = 0.1;

/** "stopped: faint or dizzy, after 20 % of it", the gravest first; empty where all went as it was planned. */
export function outcomeWords(result: Result): string {
  const after = `${Math.round(result.share * 100)} % of it`;
  if (!result.present) return 'not there';
  if (result.sign !== null) return `stopped: ${result.sign.sign}, after ${after}`;
  if (result.left) return `left after ${after}`;
  return result.share < 1 - SLACK ? `did ${after}` : '';
}

const SHARE = /(?:after|did) (\d{1,3}) % of it$/;
/** What {@link outcomeWords} said, taken apart again; null where it isn't that. */
export function readOutcome(said: string, handled: string): Pick<Result, 'sign' | 'share' | 'left'> | null {
  if (said === '') return { sign: null, share: 1, left: false };
  const share = Number(SHARE.exec(said)?.[1] ?? Number.NaN) / 100;
  if (!(share >= 0 && share <= 1)) return null;
  const sign = STOP_SIGNS.find((one) => said.startsWith(`stopped: ${one}, `));
  if (said.startsWith('stopped: '))
    return sign ? { sign: { sign, note: handled }, share, left: false } : null;
  return { sign: null, share, left: said.startsWith('left ') };
}

/** Was enough of it done, and to its end, to say anything of what they can do? */
export const isEnough = (result: Result): boolean =>
  result.present && result.sign === null && result.share >= LEAST_SHARE;

/**
 * Foster's session load: how hard it was on 0–10 by minutes (Foster et al. 2001, from memory), of the minutes they
 * were in it; null without an answer.
 */
export const loadOf = (record: SessionRecord, result: Result): number | null =>
  result.effort === null || !result.present
    ? null
    : Math.round(result.effort * record.minutes * result.share);

/** How long it was and who was there: "20 minutes, 5 of 6 there". */
export function turnoutWords({ minutes, results }: Pick<SessionRecord, 'minutes' | 'results'>): string {
  const whole = Math.round(minutes);
  return `${whole} ${whole === 1 ? 'minute' : 'minutes'}, ${results.filter((r) => r.present).length} of ${results.length} there`;
}
