import * as z from 'zod';
import { demandKeySchema, idSchema, PATTERNS } from '../move/index.ts';
import { lazily } from '../record/index.ts';

const SIDES = ['left', 'right', 'both'] as const;
export const sideSchema = lazily(() => z.enum(SIDES));
export type Side = z.infer<typeof sideSchema>;

/** Where a limit comes from. `screening` and `today` are worked out; the others are entered. */
const SOURCES = ['person', 'trainer', 'clinician', 'condition', 'screening', 'today'] as const;

const common = () => ({
  id: z.string().min(1),
  side: sideSchema.default('both'),
  source: z.enum(SOURCES),
  /** The condition that set it, when one did. */
  condition: idSchema.optional(),
  /** Why, as a trainer would say it. */
  reason: z.string().trim().min(3, 'say in a few words why').max(120),
  /** An acute limit (new pain, this week's injury) is never offered for loosening. */
  acute: z.boolean().default(false),
  /** Last day on which it holds, as YYYY-MM-DD. */
  until: z.iso.date().optional(),
});

/** What there must be time for at least. */
export const FLOORS = {
  change: 'to get from one place to the next and ready',
  rest: 'of rest after each bout',
  'warm-up': 'of warm-up, rising slowly',
  'cool-down': 'of cooling down, never stopping dead',
} as const;
export type FloorId = keyof typeof FLOORS;

/** What the engine obeys. Several limits on one thing meet at the strictest. */
export const limitSchema = lazily(() =>
  z.discriminatedUnion('kind', [
    /** At most this of a figure. */
    z.strictObject({
      kind: z.literal('cap'),
      on: demandKeySchema,
      max: z.number().nonnegative(),
      ...common(),
    }),
    z.strictObject({ kind: z.literal('ban'), pattern: z.enum(PATTERNS), ...common() }),
    /** Forms that ask for more balance than this are done holding on. */
    z.strictObject({
      kind: z.literal('require'),
      supportAboveBalance: z.number().nonnegative(),
      ...common(),
    }),
    /** At least this long. */
    z.strictObject({
      kind: z.literal('floor'),
      what: z.enum(Object.keys(FLOORS) as [FloorId, ...FloorId[]]),
      seconds: z.number().nonnegative().max(3600),
      ...common(),
    }),
    z.strictObject({
      kind: z.literal('budget'),
      on: z.enum(['impact.landings', 'impact.highLandings']),
      per: z.enum(['minute', 'session']),
      max: z.number().nonnegative(),
      ...common(),
    }),
    z.strictObject({ kind: z.literal('effort'), maxRpe: z.number().min(1).max(10), ...common() }),
  ]),
);
export type Limit = z.output<typeof limitSchema>;
type WrittenLimit = z.input<typeof limitSchema>;

/** Limits in force on a day given as YYYY-MM-DD. */
export function limitsOn(limits: readonly Limit[], day: string): Limit[] {
  return limits.filter((limit) => limit.until === undefined || limit.until >= day);
}

/** The seconds that the limits ask for at least; 0 where none does. */
export function floorSeconds(limits: readonly Limit[], what: FloorId): number {
  return limits.reduce(
    (most, limit) => (limit.kind === 'floor' && limit.what === what ? Math.max(most, limit.seconds) : most),
    0,
  );
}

/** A limit as a table has it: what it says, before it is somebody's. */
export type Preset = WrittenLimit extends infer L
  ? L extends unknown
    ? Omit<L, 'id' | 'source' | 'condition' | 'side' | 'until'>
    : never
  : never;

/** What two limits are about: the same thing on sides that overlap. */
const about = (limit: Preset): string =>
  limit.kind === 'cap' || limit.kind === 'budget'
    ? `${limit.kind} ${limit.on}${limit.kind === 'budget' ? limit.per : ''}`
    : limit.kind === 'ban'
      ? `ban ${limit.pattern}`
      : limit.kind === 'floor'
        ? `floor ${limit.what}`
        : limit.kind;

const strictness = (limit: Preset): number => {
  switch (limit.kind) {
    case 'cap':
    case 'budget':
      return -limit.max;
    case 'require':
      return -limit.supportAboveBalance;
    case 'effort':
      return -limit.maxRpe;
    case 'floor':
      return limit.seconds;
    case 'ban':
      return 0;
  }
};

/** Is one limit about the same thing as another, and at least as strict? */
export const asStrict = (one: Preset, other: Preset): boolean =>
  about(one) === about(other) && strictness(one) >= strictness(other);

/** Does one limit make another of no effect: about the same thing and sides, and at least as strict? */
export function covers(one: Limit, other: Limit): boolean {
  return (one.side === 'both' || one.side === other.side) && asStrict(one, other);
}
