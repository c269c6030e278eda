import { z } from 'zod';
import { compileFormat, formatSchema, type Segment, type Slot } from '../clock/index.ts';
import { idSchema, settingsSchema } from '../move/index.ts';
import type { RecordKind } from '../record/index.ts';

export const stationSchema = z.strictObject({
  id: idSchema,
  /** The trainer's move. */
  move: idSchema,
  settings: settingsSchema.optional(),
  /** What the trainer typed, when it was typed. */
  typed: z.string().max(200).optional(),
  /** Two slots make a station of its own of each side; otherwise sides swap at half time. */
  sides: z.enum(['swap at half', 'two slots']).default('swap at half'),
});
export type Station = z.output<typeof stationSchema>;

export const blockSchema = z.strictObject({
  id: idSchema,
  format: formatSchema,
  stations: z.array(stationSchema).max(40),
});
export type Block = z.output<typeof blockSchema>;

/** Dial positions. Impact 0–3 is the highest class allowed; ability 0–3 a named level. */
export const dialsSchema = z.strictObject({
  impact: z.union([z.literal('as written'), z.literal(0), z.literal(1), z.literal(2), z.literal(3)]),
  intensity: z.union([z.literal('as written'), z.literal(0), z.literal(1), z.literal(2), z.literal(3)]),
  ability: z.union([
    z.literal('as written'),
    z.literal('own rungs'),
    z.literal(0),
    z.literal(1),
    z.literal(2),
    z.literal(3),
  ]),
});
export type Dials = z.infer<typeof dialsSchema>;

export const AS_WRITTEN: Dials = {
  impact: 'as written',
  intensity: 'as written',
  ability: 'as written',
};

/** A circuit with whom and where it is being looked at for: one document, saved as one. */
export const planSchema = z.strictObject({
  version: z.literal(1),
  id: idSchema,
  title: z.string().trim().min(1).max(120),
  /** Who the circuit was written for, as a level; others are scaled in proportion. */
  writtenFor: z.union([z.literal(0), z.literal(1), z.literal(2), z.literal(3)]),
  block: blockSchema,
  person: idSchema.nullable(),
  room: idSchema.nullable(),
  dials: dialsSchema,
});
export type Plan = z.output<typeof planSchema>;

export const PLAN: RecordKind<Plan> = { name: 'circuit', schema: planSchema, version: 1, upgrades: {} };

export const PLAN_EXAMPLE: Plan = {
  version: 1,
  id: 'first-circuit',
  title: 'First circuit',
  writtenFor: 2,
  block: {
    id: 'main',
    format: {
      kind: 'intervals',
      workSeconds: 40,
      restSeconds: 20,
      rounds: 2,
      roundRestSeconds: 60,
      closingRest: false,
    },
    stations: [{ id: 's1', move: 'squat', sides: 'swap at half' }],
  },
  person: null,
  room: null,
  dials: AS_WRITTEN,
};

/** A block's slots in order: one a station, two where a one-sided station has a slot for each side. */
export function slotsOf(block: Block): Slot[] {
  return block.stations.flatMap((station, i): Slot[] =>
    station.sides === 'two slots'
      ? [
          { station: i, side: 'left' },
          { station: i, side: 'right' },
        ]
      : [{ station: i, side: null }],
  );
}

/** The block's one clock. Slot boundaries depend on nothing but the block. */
export function timelineOf(block: Block): Segment[] {
  return compileFormat(block.format, slotsOf(block));
}
