import * as z from 'zod';
import { SEGMENT_KINDS, type SegmentKind } from '../clock/index.ts';
import { laneSubject } from '../limits/index.ts';
import { lazily } from '../record/index.ts';
import { check, sumUp } from '../review/index.ts';
import { ROOM_EXAMPLE } from '../room/index.ts';
import { AS_WRITTEN, entriesOf, factsIn, readSegment, timelineOf } from '../session/index.ts';
import { sessionDocument } from './parts.ts';
import { defineQuestion } from './question.ts';

const seconds = lazily(() => z.number().int().nonnegative().describe('whole seconds'));
const span = lazily(() => z.object({ lo: z.number(), hi: z.number() }).describe('least and most'));
const totals = {
  lengthSeconds: seconds,
  workSeconds: seconds,
  restSeconds: seconds,
  changeSeconds: seconds,
  metLo: z.number().describe('time-weighted MET, lower end'),
  metHi: z.number().describe('time-weighted MET, upper end'),
  lightLandings: z.number().int(),
  hardLandings: z.number().int(),
  floorChanges: z.number().int().describe('times down to the floor and up again'),
};
const segmentSchema = lazily(() =>
  z.object({
    startSeconds: seconds,
    lengthSeconds: seconds,
    kind: z.enum(Object.keys(SEGMENT_KINDS) as [SegmentKind, ...SegmentKind[]]),
    block: z.number().int(),
    station: z.number().int().describe('among all stations of the session; −1 for none'),
    slot: z.number().int(),
    round: z.number().int().describe('counted from 0'),
    side: z.enum(['left', 'right']).nullable(),
    does: z.array(
      z.object({
        entry: z.number().int(),
        seconds: z.number(),
        goes: z.number(),
        reps: z.number().nullable(),
        most: z.number().nullable(),
      }),
    ),
    open: span.nullable().describe('what it may come to where no clock fixes it'),
    laneEnds: z.array(seconds).optional(),
    note: z.string().optional(),
    says: z.string().describe('read in one line'),
  }),
);

/** What the timeline of a session answers; the description of the interface is made from this. */
const answers = lazily(() =>
  z.object({
    lengthSeconds: seconds,
    range: span,
    entries: z.array(
      z.object({
        block: z.number().int(),
        station: z.number().int(),
        part: z.number().int(),
        round: z.number().int().nullable(),
        move: z.string(),
      }),
    ),
    segments: z.array(segmentSchema),
    sums: z.object({
      ...totals,
      range: span,
      blocks: z.array(z.object({ ...totals, startSeconds: seconds, range: span })),
      mostLandingsAMinute: z.number().int(),
      moves: z.array(
        z.object({
          move: z.string(),
          seconds,
          reps: z.number().nullable(),
          most: z.number().nullable(),
          left: z.number().nullable(),
          right: z.number().nullable(),
        }),
      ),
      patterns: z.array(z.object({ pattern: z.string(), seconds })),
      muscles: z.array(z.object({ muscle: z.string(), seconds })),
      bands: z.array(seconds).describe('seconds of work in each effort band, light first'),
      load: span.describe('planned session load: effort 0–10 times minutes'),
    }),
    checks: z.array(
      z.object({
        check: z.string(),
        severity: z.enum(['stop', 'mend', 'note']),
        says: z.string(),
        block: z.number().int().nullable(),
        station: z.number().int().nullable(),
        at: z.string(),
        accepted: z.string().nullable(),
      }),
    ),
  }),
);

/** A session's timeline, sums and checks, as written and for nobody in particular. */
export const timeline = defineQuestion({
  says: 'A session’s timeline, sums and checks',
  asks: sessionDocument,
  answers,
  *run(ground, plan): Iterable<z.infer<typeof answers>> {
    const { library, index } = ground;
    const made = timelineOf(plan, factsIn(library));
    const { original } = ground.scaler(ROOM_EXAMPLE).scale({
      session: plan,
      writtenFor: plan.writtenFor,
      dials: AS_WRITTEN,
      subject: laneSubject(3),
    });
    const version = { original, uses: original, reasons: [], cost: 0 };
    const sums = sumUp(index, plan, original, {}, made);
    const entries = entriesOf(plan.blocks);
    const nameOf = (entry: number) => library.move(entries[entry]!.move)?.name ?? entries[entry]!.move;
    yield answers.parse({
      lengthSeconds: made.lengthSeconds,
      range: made.range,
      entries,
      segments: made.segments.map((segment) => ({ ...segment, says: readSegment(plan, segment, nameOf) })),
      sums,
      checks: check({ library, session: plan, version, sums }),
    });
  },
});
