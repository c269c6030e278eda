import type { ScaleRequest } from '@inner-rung/core/engine';
import { REGIONS, RUNG_STEP } from '@inner-rung/core/ladder';
import type { Subject } from '@inner-rung/core/limits';
import { type DemandKey, PATTERNS } from '@inner-rung/core/move';
import {
  CONDITION_IDS,
  compileCondition,
  type EffortAge,
  LEVELS,
  type Limit,
  limitSchema,
  rpeCeilingMet,
} from '@inner-rung/core/person';
import { EQUIPMENT_IDS, type Room } from '@inner-rung/core/room';
import type { Dials, Timed } from '@inner-rung/core/session';
import fc from 'fast-check';
import { anySession, circuit, session } from './sessions.ts';
import { shippedLibrary } from './shipped.ts';

const library = shippedLibrary();
const moveIds = library.moves.map((m) => m.id);

/** A cap on something that doesn't change what effort is aimed for. */
export const anyCap: fc.Arbitrary<Limit> = fc
  .constantFrom<[Extract<Limit, { kind: 'cap' }>['on'], number]>(
    ['impact.class', 1],
    ['impact.class', 2],
    ['posture.floor', 0],
    ['wrist.load', 8],
    ['wrist.bentBackDeg', 30],
    ['knee.bendDeg', 90],
    ['knee.kneel', 0],
    ['knee.load', 2],
    ['spine.bend', 1],
    ['spine.turn', 1],
    ['shoulder.raisedDeg', 100],
    ['shoulder.behind', 0],
    ['balance.level', 3],
    ['strain.breath', 1],
    ['strain.belly', 1],
    ['hip.bendDeg', 80],
    ['posture.supine', 0],
  )
  .map(([on, max]) =>
    limitSchema.parse({
      kind: 'cap',
      id: `own/${on}/${max}`,
      on,
      max,
      source: 'trainer',
      reason: `own limit on ${on}`,
    }),
  );

const anyBan: fc.Arbitrary<Limit> = fc.constantFrom(...PATTERNS.slice(0, 16)).map((pattern) =>
  limitSchema.parse({
    kind: 'ban',
    id: `ban/${pattern}`,
    pattern,
    source: 'trainer',
    reason: `no ${pattern}`,
  }),
);

/** Whether a move holds on by itself: to something it needs, or standing with both hands bearing all the while. */
export function holdsByItself(move: string): boolean {
  const { needs, posture } = library.move(move)!;
  const demand = library.demand.get(move)!;
  return (
    needs.some((need) => need.what === 'hand hold') ||
    (new Set([posture.start, posture.work, posture.end, 'standing']).size === 1 &&
      demand['posture.changes'].hi === 0 &&
      (demand['hands.bearing'].lo ?? 0) >= 2 &&
      demand['hands.leave'].hi === 0)
  );
}

/** Whose age nobody said is seen by their trainer, whose own word is of adults. */
export const seenAge = ({ effortAge }: Subject): EffortAge => effortAge ?? 'adult';

/** The MET where an effort ends: by a known capacity; for their health by the careful end of their age. */
export function effortCeiling(limit: Extract<Limit, { kind: 'effort' }>, subject: Subject): number {
  if (subject.capacityMet !== null) return rpeCeilingMet(limit.maxRpe, subject.capacityMet, 'adult');
  if (limit.source === 'trainer') return rpeCeilingMet(limit.maxRpe, null, seenAge(subject));
  const age = subject.effortAge ?? 'older';
  const absolute = rpeCeilingMet(limit.maxRpe, null, age);
  const taken = limit.maxRpe > 6 ? { child: 9, adult: 9, older: 6.5 } : { child: 9, adult: 6.5, older: 4.5 };
  return limit.source === 'screening'
    ? absolute
    : Math.min(absolute, rpeCeilingMet(limit.maxRpe, taken[age], age));
}
/** Seconds that an effort of 3 to 6 of 10 leaves a hold, for somebody's health. */
export const holdLeft = (limit: Extract<Limit, { kind: 'effort' }>): number =>
  (limit.source === 'trainer' ? undefined : [10, 15, 20, 30][Math.floor(limit.maxRpe) - 3]) ??
  Number.POSITIVE_INFINITY;
/** Shares of what somebody can do that an effort of 3 to 6 of 10 leaves them, for their health. */
const LEFT = [0.6, 0.8, 0.9, 1];
/** What a form asks of muscles and breath beyond an effort that is there for somebody's health. */
export function beyondEffort(
  limit: Extract<Limit, { kind: 'effort' }>,
  asked: (key: DemandKey) => number,
  ability: Subject['ability'],
  owns: readonly string[] = [],
  move = '',
  slack = 1e-9,
): string[] {
  const share = LEFT[Math.floor(limit.maxRpe) - 3];
  if (limit.source === 'trainer' || share === undefined || (share === 1 && owns.includes(move))) return [];
  return [
    ...REGIONS.filter(
      (r, i) =>
        r.startsWith('strength.') &&
        !(asked(r) <= share * ability[i]! + (share === 1 ? RUNG_STEP[r] : 0) + slack),
    ),
    ...(asked('strain.breath') <= (limit.maxRpe >= 6 ? 2 : 1) ? [] : ['strain.breath']),
  ];
}

const anyEffort: fc.Arbitrary<Limit> = fc.integer({ min: 3, max: 10 }).map((maxRpe) =>
  limitSchema.parse({
    kind: 'effort',
    id: 'effort',
    maxRpe,
    source: maxRpe % 2 === 0 ? 'trainer' : 'clinician',
    reason: 'for now',
  }),
);

export const anySubject: fc.Arbitrary<Subject> = fc
  .record({
    level: fc.integer({ min: 0, max: 3 }),
    shift: fc.array(fc.double({ min: 0.7, max: 1.25, noNaN: true }), { minLength: 9, maxLength: 9 }),
    conditions: fc.subarray(CONDITION_IDS, { maxLength: 3 }),
    side: fc.constantFrom('both' as const, 'both' as const, 'left' as const, 'right' as const),
    own: fc.array(fc.oneof({ weight: 4, arbitrary: anyCap }, { weight: 1, arbitrary: anyBan }), {
      maxLength: 3,
    }),
    effort: fc.option(anyEffort, { nil: undefined }),
    capacityMet: fc.option(fc.double({ min: 3.5, max: 14, noNaN: true }), { nil: null }),
    dislikes: fc.subarray(moveIds, { maxLength: 3 }),
  })
  .map(({ level, shift, conditions, side, own, effort, capacityMet, dislikes }) => ({
    ability: LEVELS[level as 0]!.ability.map((value, i) => value * shift[i]!),
    limits: [...conditions.flatMap((id) => compileCondition(id, side)), ...own, ...(effort ? [effort] : [])],
    capacityMet,
    dislikes,
    newMoves: [],
  }));

const position = fc.constantFrom(0 as const, 1 as const, 2 as const, 3 as const);
export const anyDials: fc.Arbitrary<Dials> = fc.record({
  impact: fc.oneof(fc.constant('as written' as const), position),
  intensity: fc.oneof(
    { weight: 2, arbitrary: fc.constant('as written' as const) },
    { weight: 1, arbitrary: position },
  ),
  ability: fc.oneof(fc.constant('as written' as const), fc.constant('own rungs' as const), position),
});

/** Mostly plain circuits, some sessions of other formats. */
const anyTimed: fc.Arbitrary<Timed> = fc.oneof(
  {
    weight: 3,
    arbitrary: fc
      .record({
        moves: fc.array(fc.constantFrom(...moveIds), { minLength: 1, maxLength: 12 }),
        twoSlots: fc.boolean(),
        workSeconds: fc.constantFrom(20, 30, 40, 45, 60),
        restSeconds: fc.constantFrom(0, 10, 15, 20, 30),
        rounds: fc.integer({ min: 1, max: 4 }),
        closingRest: fc.boolean(),
      })
      .map(({ moves, twoSlots, ...format }) =>
        session(
          circuit(
            moves.map((move) => ({
              move,
              sides: twoSlots && library.move(move)!.sides === 'one' ? 'two slots' : 'swap at half',
            })),
            format,
          ),
        ),
      ),
  },
  { weight: 1, arbitrary: anySession },
);

export const anyRoom: fc.Arbitrary<Room> = fc
  .record({
    items: fc.subarray(EQUIPMENT_IDS),
    count: fc.integer({ min: 1, max: 12 }),
    clear: fc.constantFrom(1, 2, 4, 12),
    flooring: fc.constantFrom('wood' as const, 'carpet' as const, 'grass' as const),
    ceilingCm: fc.constantFrom(215, 245, 400, null),
    quiet: fc.boolean(),
  })
  .map(({ items, count, clear, ...room }) => ({
    version: 2,
    id: 'any',
    name: 'Any',
    items: items.map((what) => ({ what, count })),
    lengthMetres: clear,
    widthMetres: clear,
    notes: '',
    ...room,
  }));

/** Few rooms, so that their form tables are made once; the promises are about the rest. */
export const anyRequest: fc.Arbitrary<ScaleRequest> = fc.record({
  session: anyTimed,
  writtenFor: position,
  dials: anyDials,
  subject: anySubject,
});

/** Two in five of them with every change; all where FULL is set, as before a release. */
export const cases = (numRuns: number) => ({
  numRuns: process.env['FULL'] ? numRuns : Math.ceil(numRuns * 0.4),
  seed: 20261124,
});
