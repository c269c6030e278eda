import {
  type Cast,
  clockOf,
  isAbout,
  positionAt,
  type Run,
  type RunEvent,
  runEventSchema,
  runSchema,
} from '@inner-rung/core/run';
import * as z from 'zod';
import type { Db } from './database.ts';
import { ProblemError } from './problem.ts';

const sql = String.raw;

interface Row {
  id: string;
  body: string;
  created_at: number;
  latest_at: number;
}

/** What everybody who looks on is told. */
interface Told {
  readonly events: readonly RunEvent[];
}
type Listener = (told: Told) => void;

const DAY_MS = 86_400_000;

/** Where a run stands by what was pressed in it: begun and not over is under way, paused as well. */
function stateOf(
  run: Run,
  rows: readonly { body: string }[],
  now: number,
): 'not begun' | 'under way' | 'over' {
  const events = rows.map(({ body }) => JSON.parse(body) as RunEvent);
  const { is } = positionAt(clockOf(run, events), now);
  return is === 'before' ? 'not begun' : is === 'over' ? 'over' : 'under way';
}

/** Presses later than this on a client's own reckoning are taken as now: nobody presses in the future. */
const AHEAD_MS = 250;
const MOST_EVENTS = 20_000;
/** No run goes on for longer, in milliseconds on its own clock. Estimate. */
const LONGEST_RUN = DAY_MS / 2;
const tooManyEvents = () =>
  new ProblemError({
    status: 409,
    title: 'Too much for one run',
    detail: `A run holds ${MOST_EVENTS} events. Finish this one and begin another.`,
  });
const takenSchema = z.strictObject({ run: runSchema, events: z.array(runEventSchema).max(MOST_EVENTS) });

/** What only the coach has to know of somebody. */
const withoutHealth = (cast: Cast): Cast => ({
  ...cast,
  cautions: [],
  today: { conditions: [], level: null },
});

/** An event as somebody may know it: the clock is everybody's, the rest is their own; null where it is none of theirs. */
export function redactedFor(event: RunEvent, person: string): RunEvent | null {
  if ('person' in event)
    return event.person === person || (event.kind === 'swap' && event.person === null) ? event : null;
  if (event.kind !== 'join') return event;
  return event.who.id === person ? { ...event, who: withoutHealth(event.who) } : null;
}

/**
 * Runs and what happened to them, one row an event, kept for good as they come in. A run has a clock of its own, in
 * milliseconds since it was made, which goes on whatever is done to the machine's: it never goes back.
 */
export function runs(db: Db, wall: () => number, steady: () => number) {
  const insert = db.prepare(sql`INSERT INTO run (id, body, created_at, latest_at) VALUES (?, ?, ?, 0)`);
  const one = db.prepare<[string], Row>(sql`SELECT id, body, created_at, latest_at FROM run WHERE id = ?`);
  const all = db.prepare<[], Row>(
    sql`SELECT id, body, created_at, latest_at FROM run ORDER BY created_at DESC, id`,
  );
  const groupOf = db.prepare<[string], { found: string | null }>(sql`
    SELECT body ->> '$.group' AS found FROM run WHERE id = ?
  `);
  const addEvent = db.prepare(sql`
    INSERT INTO run_event (run_id, id, at, body) VALUES (?, ?, ?, ?) ON CONFLICT (run_id, id) DO NOTHING
  `);
  const countEvents = db.prepare<[string], { n: number }>(
    sql`SELECT count(*) AS n FROM run_event WHERE run_id = ?`,
  );
  const eventsOf = db.prepare<[string], { body: string }>(sql`
    SELECT body FROM run_event WHERE run_id = ? ORDER BY at, id
  `);
  const later = db.prepare(sql`UPDATE run SET latest_at = max(latest_at, ?) WHERE id = ?`);
  const rewrite = db.prepare(sql`UPDATE run SET body = ? WHERE id = ?`);
  const dropEvents = db.prepare(sql`DELETE FROM run_event WHERE run_id = ? AND id = ?`);
  const listeners = new Map<string, Set<Listener>>();
  // The machine's clock is read once; from then on a steady one counts.
  const bootWall = wall();
  const bootSteady = steady();

  const rowOf = (id: string): Row => {
    const row = one.get(id);
    if (!row)
      throw new ProblemError({
        status: 404,
        title: 'No such run',
        detail: 'There is no run of that name here.',
      });
    return row;
  };
  /** Milliseconds on a run's own clock. */
  const nowIn = (row: Row): number =>
    Math.max(row.latest_at, Math.round(bootWall + (steady() - bootSteady) - row.created_at));

  const read = (id: string) => {
    const row = rowOf(id);
    return {
      run: JSON.parse(row.body) as Run,
      events: eventsOf.all(id).map(({ body }) => JSON.parse(body) as RunEvent),
      now: nowIn(row),
      /** The wall's time when the run's clock stood at 0, ms since 1970. */
      began: row.created_at,
    };
  };

  return {
    read,
    /** The group it is for; null for none, and where there is no such run. */
    groupOf: (id: string): string | null => groupOf.get(id)?.found ?? null,
    now: (id: string): number => nowIn(rowOf(id)),
    list: () =>
      all.all().map((row) => {
        const run = JSON.parse(row.body) as Run;
        const { plan, on, cast, group } = run;
        const daysAgo = Math.floor(nowIn(row) / DAY_MS);
        return {
          id: row.id,
          title: plan.title,
          plan: plan.id,
          on,
          group,
          people: cast.length,
          daysAgo,
          // What was begun days ago isn't going on any more, whatever nobody pressed.
          is: daysAgo > 0 ? ('over' as const) : stateOf(run, eventsOf.all(row.id), nowIn(row)),
        };
      }),
    create(body: unknown): Run {
      const asked = runSchema.safeParse(body);
      if (!asked.success) {
        const [first] = asked.error.issues;
        throw new ProblemError({
          status: 422,
          title: 'Not a run',
          detail: first!.message,
          field: first!.path.join('.') || '(top)',
        });
      }
      if (one.get(asked.data.id))
        throw new ProblemError({
          status: 412,
          title: 'It is there already',
          detail: 'A run of that name is there.',
        });
      insert.run(asked.data.id, JSON.stringify(asked.data), Math.round(bootWall + (steady() - bootSteady)));
      return asked.data;
    },
    /**
     * Takes in what was pressed. `at` is where the sender thinks the run's clock was; without one, or ahead of the
     * clock, it is now. Sent twice, it is there once.
     */
    press(id: string, body: unknown): { events: RunEvent[]; now: number } {
      const row = rowOf(id);
      const list = Array.isArray(body) ? body : [body];
      const now = nowIn(row);
      const events = list.map((raw, i): RunEvent => {
        const at = (raw as { at?: unknown } | null)?.at;
        const held = typeof at === 'number' && at >= 0 && at <= now + AHEAD_MS ? Math.round(at) : now;
        const read = runEventSchema.safeParse({ ...(raw as object), at: held });
        if (!read.success) {
          const [first] = read.error.issues;
          throw new ProblemError({
            status: 422,
            title: 'Not something that happens in a run',
            detail: first!.message,
            field: [String(i), ...first!.path.map(String)].join('.'),
          });
        }
        return read.data;
      });
      if (countEvents.get(id)!.n + events.length > MOST_EVENTS) throw tooManyEvents();
      db.transaction(() => {
        for (const event of events) addEvent.run(id, event.id, event.at, JSON.stringify(event));
        later.run(Math.max(now, ...events.map((e) => e.at)), id);
      })();
      for (const listener of listeners.get(id) ?? []) listener({ events });
      return { events, now };
    },
    /**
     * Takes in a run that went on elsewhere, with all that happened at the moments at which it did. One that is here
     * already gets what it hasn't got; nothing of it is taken away.
     */
    takeIn(body: unknown): { id: string; added: number } {
      const asked = takenSchema.safeParse(body);
      if (!asked.success) {
        const [first] = asked.error.issues;
        throw new ProblemError({
          status: 422,
          title: 'Not the results of a run',
          detail: first!.message,
          field: first!.path.join('.') || '(top)',
        });
      }
      const { run, events } = asked.data;
      const row = one.get(run.id);
      // The sender's clock may be ahead of this one, which stands still while the machine sleeps; but no run is that long.
      const ahead = events.findIndex((event) => event.at > LONGEST_RUN);
      if (ahead >= 0)
        throw new ProblemError({
          status: 422,
          title: 'Not the results of a run',
          detail: `This happened ${Math.round(events[ahead]!.at / 3_600_000)} hours into the run, and no run goes on for longer than ${LONGEST_RUN / 3_600_000}.`,
          field: `events.${ahead}.at`,
        });
      const latest = Math.max(0, ...events.map((event) => event.at));
      return db.transaction(() => {
        if (!row)
          insert.run(
            run.id,
            JSON.stringify(run),
            Math.round(bootWall + (steady() - bootSteady)) - Math.max(latest, 0),
          );
        const before = countEvents.get(run.id)!.n;
        for (const event of events) addEvent.run(run.id, event.id, event.at, JSON.stringify(event));
        later.run(latest, run.id);
        const added = countEvents.get(run.id)!.n - before;
        if (before + added > MOST_EVENTS) throw tooManyEvents();
        if (added > 0) for (const listener of listeners.get(run.id) ?? []) listener({ events });
        return { id: run.id, added };
      })();
    },
    listen(id: string, listener: Listener): () => void {
      rowOf(id);
      const set = listeners.get(id) ?? new Set();
      set.add(listener);
      listeners.set(id, set);
      return () => {
        set.delete(listener);
        if (set.size === 0) listeners.delete(id);
      };
    },
    /**
     * A run as one of its people may see it: their own forms, the clock's own events and theirs. Gone once the run
     * is over.
     */
    readFor(id: string, person: string) {
      const { run, events, ...when } = read(id);
      if (events.some((event) => event.kind === 'finish'))
        throw new ProblemError({ status: 410, title: 'Over', detail: 'This session is over. Well done.' });
      const mine = run.cast.filter((one) => one.id === person);
      if (mine.length === 0)
        throw new ProblemError({
          status: 404,
          title: 'Not in it',
          detail: 'This link leads nowhere, or no more.',
        });
      return {
        run: {
          ...run,
          group: null,
          cast: mine.map(withoutHealth),
          newcomers: [],
          emergency: '',
        },
        events: events.flatMap((event) => redactedFor(event, person) ?? []),
        ...when,
      };
    },
    /** Takes somebody out of every run: out of its people and of all that happened. */
    erase(person: string): void {
      db.transaction(() => {
        for (const row of all.all()) {
          const run = JSON.parse(row.body) as Run;
          const cast = run.cast.filter((one) => one.id !== person);
          if (cast.length !== run.cast.length) rewrite.run(JSON.stringify({ ...run, cast }), row.id);
          for (const { body } of eventsOf.all(row.id)) {
            const event = JSON.parse(body) as RunEvent;
            if (isAbout(event, person)) dropEvents.run(row.id, event.id);
          }
        }
      })();
    },
    /** A group that was erased has no runs any more; the runs stay. */
    forgetGroup(group: string): void {
      for (const row of all.all()) {
        const run = JSON.parse(row.body) as Run;
        if (run.group === group) rewrite.run(JSON.stringify({ ...run, group: null }), row.id);
      }
    },
  };
}
export type Runs = ReturnType<typeof runs>;
