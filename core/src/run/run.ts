import * as z from 'zod';
import { span } from '../clock/index.ts';
import { countSchema, formRefSchema, idSchema } from '../move/index.ts';
import { heldConditionSchema, STOP_SIGNS } from '../person/index.ts';
import { drawingSchema } from '../pose/index.ts';
import { lazily } from '../record/index.ts';
import {
  aimSchema,
  blockSchema,
  entriesOf,
  type Facts,
  KIND_IDS,
  restStyleSchema,
  UNKNOWN_FACTS,
} from '../session/index.ts';

const words = (most: number) => z.string().trim().max(most);
const name = lazily(() => words(80).min(1));
const whole = lazily(() => z.number().int());

/** Ways somebody goes from what they do, in the middle of a set. */
const WAYS = ['down', 'up', 'hold', 'wrist', 'knee', 'back'] as const;
export type MidSetWay = (typeof WAYS)[number];

/** What somebody does at an entry: the form, at what pace, how it is said. Null is easy movement. */
const doneSchema = lazily(() =>
  z.strictObject({
    move: idSchema,
    /** The trainer's own drawing of it: a phone has no library to look in. */
    drawing: drawingSchema.optional(),
    settings: formRefSchema.shape.settings,
    /** The form as it is called. */
    name: words(200).min(1),
    /** How much of it, as it is said. */
    dose: words(200),
    /** So many of it each time through, where that isn't what was written. */
    reps: whole.min(1).max(2000).optional(),
    /** Reps a minute; null for a hold. */
    pace: z.number().positive().max(600).nullable(),
    /** Lane whose moment of a staggered finish holds, 0 innermost. */
    lane: whole.min(0).max(3),
  }),
);
const doesSchema = () => doneSchema.nullable();
export type Does = z.output<typeof doneSchema> | null;

const switchesSchema = lazily(() =>
  z.strictObject({
    down: doesSchema(),
    up: doesSchema(),
    /** Held still instead; not told of runs begun before there was this way. */
    hold: doesSchema().optional(),
    wrist: z.union([doesSchema(), z.literal('same')]),
    knee: z.union([doesSchema(), z.literal('same')]),
    back: z.union([doesSchema(), z.literal('same')]),
  }),
);

export const castSchema = lazily(() =>
  z.strictObject({
    id: words(80).min(1),
    /** What the coach calls them; the wall never shows it. */
    name,
    /** One of several who are known by number. */
    byNumber: z.boolean(),
    /** By entry of the session. */
    does: z.array(doesSchema()).max(400),
    switches: z.array(switchesSchema).max(400),
    /** Which group they go round with, where groups go round; 0 first. */
    group: whole.min(0).max(59).default(0),
    /** What the coach has to know: one line each. */
    cautions: z.array(words(300)).max(20),
    /** What holds for them today beyond any file, so that whatever is planned in the run keeps to it. */
    today: z
      .strictObject({
        conditions: z.array(heldConditionSchema).max(100),
        /** A level for the day, or what somebody without a file is taken to be; null where their own rungs hold. */
        level: z.union([z.literal(0), z.literal(1), z.literal(2), z.literal(3)]).nullable(),
      })
      .default({ conditions: [], level: null }),
    /** What they do in rests, by what is asked of all there: others than that where it isn't open to them. */
    resting: z.partialRecord(restStyleSchema, words(80)).optional(),
    /** How hard it is meant to feel for them on 0–10, and the beats a minute of that where they mean something. */
    aim: z
      .strictObject({
        effort: whole.min(1).max(10),
        beats: z.tuple([whole.min(30).max(250), whole.min(30).max(250)]).optional(),
      })
      .optional(),
    /** The most they have done of a block that is counted in rounds, by the same forms, and when. */
    toBeat: z
      .array(
        z.strictObject({
          block: whole.min(0).max(19),
          rounds: whole.min(0).max(200),
          reps: whole.min(0).max(2000),
          on: z.iso.date(),
        }),
      )
      .max(20)
      .optional(),
  }),
);
export type Cast = z.output<typeof castSchema>;

const levelSchema = lazily(() => z.union([z.literal(0), z.literal(1), z.literal(2)]));

/** A session that is being run: everything it needs, by value. What happens to it are events. */
export const runSchema = lazily(() =>
  z.strictObject({
    version: z.literal(1),
    id: idSchema,
    plan: z.strictObject({
      id: idSchema,
      title: words(120).min(1),
      forWhom: z.enum(KIND_IDS),
      blocks: z.array(blockSchema).min(1).max(20),
      aim: aimSchema.optional(),
    }),
    /**
     * What the clock has to know of the session's moves, as it was when the run was made: seconds a rep takes
     * (quickest, usual, slowest; null for a hold), one side at a time, posture at either end. A library that changes
     * later bends no run.
     */
    facts: z.record(
      idSchema,
      z.strictObject({
        rep: z.tuple([z.number().positive(), z.number().positive(), z.number().positive()]).nullable(),
        sided: z.boolean(),
        starts: levelSchema,
        ends: levelSchema,
        counts: z.array(countSchema).max(4).optional(),
      }),
    ),
    /** Whether all are at one station, or spread over the stations and going round. */
    how: z.enum(['together', 'rotation']).default('together'),
    group: idSchema.nullable(),
    room: words(80),
    /** YYYY-MM-DD */
    on: z.iso.date(),
    cast: z.array(castSchema).max(60),
    /**
     * Whom nobody knows, at each level, planned when the run was made and named by the level: who walks in where
     * nothing can be planned. None in an older run.
     */
    newcomers: z.array(castSchema).max(4).optional(),
    /** What each entry is called as it is written. */
    names: z.array(words(200)).max(400).default([]),
    /** One thing to say of a move, one to look out for and what is said then; by move. */
    cues: z
      .record(idSchema, z.strictObject({ say: words(300), see: words(300), fix: words(300) }))
      .default({}),
    /** What the trainer does in an emergency, in their words. */
    emergency: words(600),
  }),
);
export type Run = z.output<typeof runSchema>;

/** What an entry is called; its move's id where an older run doesn't say. */
export const entryName = (run: Pick<Run, 'names' | 'plan'>, entry: number): string =>
  run.names[entry] || (entriesOf(run.plan.blocks)[entry]?.move.replaceAll('-', ' ') ?? '');

const factsByRun = new WeakMap<Run['facts'], Facts>();

/** The facts a run carries, as its clock asks for them. */
export function factsOfRun(run: Pick<Run, 'facts'>): Facts {
  const made = factsByRun.get(run.facts);
  if (made) return made;
  const known = new Map(
    Object.entries(run.facts).map(([move, { rep, counts, ...rest }]) => [
      move,
      { ...rest, rep: rep && span(...rep), ...(counts ? { counts } : {}) },
    ]),
  );
  const facts: Facts = (move) => known.get(move) ?? UNKNOWN_FACTS;
  factsByRun.set(run.facts, facts);
  return facts;
}

/** A library's facts of a session's moves, to be carried by a run. */
export function factsFor(moves: readonly string[], facts: Facts): Run['facts'] {
  return Object.fromEntries(
    moves.map((move) => {
      const { rep, sided, starts, ends, counts } = facts(move);
      return [
        move,
        {
          rep: rep && [rep.lo, rep.mid, rep.hi],
          sided,
          starts,
          ends,
          ...(counts ? { counts: [...counts] } : {}),
        },
      ];
    }),
  );
}

const common = () => ({
  /** Made by whoever pressed; the same press sent twice is one event. */
  id: z.string().regex(/^[a-z0-9-]{8,60}$/, 'an id of 8 to 60 small letters, digits and hyphens'),
  /** Milliseconds on the run's own clock, as the server has it. */
  at: z.number().int().min(0),
});
const person = lazily(() => words(80).min(1));
const entry = lazily(() => whole.min(0).max(399));
/** The stretch that was shown where it was pressed: a second press of the same finds another one and does nothing. */
const during = lazily(() => z.string().max(40));

export const runEventSchema = lazily(() =>
  z.discriminatedUnion('kind', [
    z.strictObject({ ...common(), kind: z.literal('go') }),
    z.strictObject({ ...common(), kind: z.literal('pause'), why: z.enum(['pause', 'drink', 'stop sign']) }),
    z.strictObject({ ...common(), kind: z.literal('add'), seconds: whole.min(5).max(600), during }),
    z.strictObject({ ...common(), kind: z.literal('next'), during }),
    z.strictObject({ ...common(), kind: z.literal('again'), during }),
    z.strictObject({ ...common(), kind: z.literal('one more round'), during }),
    z.strictObject({ ...common(), kind: z.literal('end after this round'), during }),
    z.strictObject({ ...common(), kind: z.literal('switch'), person, entry, way: z.enum(WAYS) }),
    /** For everybody where there is no person. */
    z.strictObject({
      ...common(),
      kind: z.literal('swap'),
      person: person.nullable(),
      entry,
      does: doesSchema(),
      /** Where they can go from it in the middle of a set. */
      switches: switchesSchema.optional(),
    }),
    z.strictObject({
      ...common(),
      kind: z.literal('count'),
      person,
      block: whole.min(0).max(19),
      rounds: whole.min(0).max(200),
      reps: whole.min(0).max(2000),
    }),
    z.strictObject({ ...common(), kind: z.literal('leave'), person }),
    /** Whoever has gone is in again: after a breath, the door, a shoelace. */
    z.strictObject({ ...common(), kind: z.literal('back'), person }),
    z.strictObject({ ...common(), kind: z.literal('join'), who: castSchema }),
    z.strictObject({ ...common(), kind: z.literal('sign'), person, sign: z.enum(STOP_SIGNS) }),
    /** What came of it has been written down. */
    z.strictObject({ ...common(), kind: z.literal('sign recorded'), person, note: words(600).min(3) }),
    z.strictObject({ ...common(), kind: z.literal('undo'), of: common().id }),
    z.strictObject({ ...common(), kind: z.literal('finish') }),
  ]),
);
export type RunEvent = z.output<typeof runEventSchema>;

/** Events with those of others that aren't among them, each once, in the order in which they were heard. */
export function withEvents(events: readonly RunEvent[], others: readonly RunEvent[]): RunEvent[] {
  const known = new Map(events.map((event) => [event.id, event]));
  for (const event of others) if (!known.has(event.id)) known.set(event.id, event);
  return [...known.values()];
}

/** In the order in which they hold everywhere: by time, then by id. An event sent twice is there once. */
export function inOrder(events: readonly RunEvent[]): RunEvent[] {
  const known = new Map(events.map((event) => [event.id, event]));
  const sorted = [...known.values()].sort((a, b) => a.at - b.at || (a.id < b.id ? -1 : 1));
  // What was undone never was; an undo can itself be undone.
  const off = new Set<string>();
  for (const event of [...sorted].reverse())
    if (event.kind === 'undo' && !off.has(event.id)) off.add(event.of);
  return sorted.filter((event) => event.kind !== 'undo' && !off.has(event.id));
}
