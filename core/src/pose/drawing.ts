import * as z from 'zod';
import { lazily } from '../record/index.ts';
import type { DrawnFigure } from './figure.ts';
import { RANGE_OF, THIGH_TURNS } from './hidden.ts';

/** Metres that a drawing may reach from its middle; a hall is larger, a drawing isn't. */
const FAR = 4;
const metres = lazily(() => z.number().min(-FAR).max(FAR));
const degrees = lazily(() => z.number().min(-720).max(720));
const point = lazily(() => z.tuple([metres, metres]));
const pair = lazily(() => z.tuple([degrees, degrees]));

const limb = lazily(() =>
  z
    .strictObject({
      at: point.optional(),
      turned: pair.optional(),
      bend: z.union([z.literal(-1), z.literal(1)]).optional(),
      end: degrees.optional(),
      seen: z.tuple([z.number().min(0).max(1), z.number().min(0).max(1)]).optional(),
      ahead: z.number().min(0).max(1).optional(),
      fist: z.literal(true).optional(),
      atEye: z.literal(true).optional(),
    })
    .refine((l) => (l.at === undefined) !== (l.turned === undefined), {
      message: 'a limb either reaches to a place (at) or is turned by hand (turned)',
    }),
);

const pose = lazily(() =>
  z.strictObject({
    hip: point,
    lean: degrees,
    curl: degrees,
    nod: degrees,
    shrug: z.number().min(0).max(0.2).optional(),
    seen: z.number().min(0).max(1).optional(),
    onSide: z.literal(true).optional(),
    looks: z.literal('at you').optional(),
    arms: z.tuple([limb, limb]),
    legs: z.tuple([limb, limb]),
  }),
);

/** The tallest thing that somebody uses, m. */
const height = lazily(() => z.number().min(0).max(2.6));
const hands = lazily(() => z.enum(['near', 'far', 'both']));
const prop = lazily(() =>
  z.discriminatedUnion('is', [
    z.strictObject({
      is: z.literal('mat'),
      from: metres,
      to: metres,
      half: z.number().positive().max(FAR).optional(),
    }),
    z.strictObject({
      is: z.literal('seat'),
      x: metres,
      height,
      back: z.boolean(),
      arms: z.boolean().optional(),
    }),
    z.strictObject({ is: z.enum(['surface', 'step']), from: metres, to: metres, height }),
    z.strictObject({ is: z.literal('wall'), x: metres, behind: z.literal(true).optional() }),
    z.strictObject({
      is: z.literal('hold'),
      x: metres,
      height,
      half: z.number().positive().max(FAR).optional(),
    }),
    z.strictObject({ is: z.literal('bar'), x: metres, height }),
    z.strictObject({ is: z.literal('mark'), x: metres }),
    z.strictObject({ is: z.literal('rope') }),
    z.strictObject({ is: z.literal('cushion'), x: metres }),
    z.strictObject({ is: z.enum(['dumbbell', 'bell', 'bottle', 'ball', 'towel', 'stick']), in: hands }),
    z.strictObject({ is: z.literal('band'), from: point, in: hands }),
    z.strictObject({ is: z.literal('loop'), round: z.enum(['thighs', 'ankles']) }),
  ]),
);

/** What a view hides: no further than people go. */
const hidden = lazily(() => {
  const upTo = (most: number) => z.number().min(-most).max(most);
  return z.strictObject({
    trunk: upTo(RANGE_OF.trunk).optional(),
    head: upTo(RANGE_OF.head).optional(),
    side: upTo(RANGE_OF.side).optional(),
    cross: upTo(RANGE_OF.cross).optional(),
    thighs: z.tuple([upTo(THIGH_TURNS), upTo(THIGH_TURNS)]).optional(),
  });
});

/** Key poses that a drawing of one's own may have. */
export const MOST_POSES = 8;

/**
 * A move's figure as it is kept in a file: places in metres (y up, x the way somebody looks from the side), directions in
 * degrees from straight down. Refuses what no figure can be made of; whether the poses can be is `faultsOf`'s to say.
 */
export const drawingSchema = lazily(() =>
  z
    .strictObject({
      view: z.enum(['side', 'front']),
      poses: z.array(pose).min(1).max(MOST_POSES),
      props: z.array(prop).max(8),
      back: z.boolean(),
      travels: z.boolean().optional(),
      parts: z.literal(true).optional(),
      above: z.literal(true).optional(),
      works: z.literal('far').optional(),
      hidden: z.array(hidden).max(MOST_POSES).optional(),
      flight: z
        .strictObject({
          from: z.union([z.literal('each'), z.number().int().nonnegative()]),
          height: z.number().positive().max(1.2),
        })
        .optional(),
    })
    .refine((f) => !f.flight || f.flight.from === 'each' || f.flight.from < f.poses.length - 1, {
      message: 'a flight begins at a pose that another one follows',
    })
    .refine((f) => !f.hidden || f.hidden.length === f.poses.length, {
      message: 'what the view hides is marked on every pose or on none',
      path: ['hidden'],
    }),
) as unknown as z.ZodType<DrawnFigure, DrawnFigure>;
