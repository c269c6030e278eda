import * as z from 'zod';
import { idSchema } from '../move/index.ts';
import { lazily, type RecordKind } from '../record/index.ts';
import { type ConditionId, compileCondition } from './conditions.ts';
import { limitWords } from './edit.ts';

const moves = lazily(() => z.array(idSchema).max(6000));

/**
 * A clinician's word on what a condition leaves open: who, when, and what it was that they read, so that changes since
 * can be told. Its id is the condition's.
 */
export const reviewSchema = lazily(() =>
  z.strictObject({
    version: z.literal(1),
    id: idSchema,
    /** What the condition was called. */
    name: z.string().trim().min(1).max(80),
    by: z.string().trim().min(2, 'who read it').max(80),
    /** As what: "physiotherapist". */
    role: z.string().trim().min(2, 'as what').max(80),
    on: z.iso.date(),
    says: z.string().trim().max(1000).default(''),
    /** The limits as they stood, in words. */
    limits: z.array(z.string().max(300)).max(200),
    /** Moves that were open as they are, and with a hold. */
    open: moves,
    held: moves,
  }),
);
export type Review = z.output<typeof reviewSchema>;

export const REVIEW: RecordKind<Review> = {
  kind: 'review',
  collection: 'reviews',
  name: 'review of a condition',
  schema: reviewSchema,
  version: 1,
  upgrades: {},
  references: [],
  example: {
    version: 1,
    id: 'sore-knees',
    name: 'Sore knees',
    by: 'R. Osei',
    role: 'physiotherapist',
    on: '2026-11-02',
    says: '',
    limits: ['no kneeling'],
    open: ['wall-push-up'],
    held: [],
  },
};

/** The limits of a condition as a clinician reads and signs them. */
export const limitsSigned = (id: ConditionId): string[] =>
  compileCondition(id).map((limit) =>
    limitWords(limit) === limit.reason ? limit.reason : `${limit.reason} (${limitWords(limit)})`,
  );

/** What a condition's limits were, and what they left open or with a hold: as signed, as released, as it is now. */
export type Standing = Pick<Review, 'limits' | 'open' | 'held'>;

/** What is otherwise than when it was signed, or released. */
interface Since {
  readonly limitsNew: readonly string[];
  readonly limitsGone: readonly string[];
  /** Open now in some way and not then. */
  readonly opened: readonly string[];
  readonly barred: readonly string[];
}

/** What changed from one standing to another; null where nothing did. */
export function sinceThen(then: Standing, now: Standing): Since | null {
  const without = (some: readonly string[], others: readonly string[]) => {
    const known = new Set(others);
    return some.filter((one) => !known.has(one));
  };
  const before = [...then.open, ...then.held];
  const today = [...now.open, ...now.held];
  const since = {
    limitsNew: without(now.limits, then.limits),
    limitsGone: without(then.limits, now.limits),
    opened: without(today, before),
    barred: without(before, today),
  };
  return Object.values(since).some((list) => list.length > 0) ? since : null;
}
