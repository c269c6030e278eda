import { createScaler, type ScaleRequest, type Scaler, type Use } from '@inner-rung/core/engine';
import { compileLibrary } from '@inner-rung/core/forms';
import { REGIONS, RUNG_STEP, rungDemand } from '@inner-rung/core/ladder';
import { IMPACT, type Subject } from '@inner-rung/core/limits';
import { bandCeilingMet, bandOfRpe, type Limit, limitSchema } from '@inner-rung/core/person';
import { sumUp } from '@inner-rung/core/review';
import fc from 'fast-check';
import { anyCap, anyDials, anyRequest, anyRoom, anySubject, seenAge } from './cases.ts';
import { moveIds } from './sessions.ts';
import { shippedLibrary } from './shipped.ts';

/*
 * A hunt for what the promises forbid. Random cases seldom come near a bound; here each case is changed bit by bit
 * towards using up as much of its bounds as it can, and a promise breaks where more than all of one is used.
 */
const library = shippedLibrary();
const index = compileLibrary(library);
const scalers: readonly Scaler[] = fc
  .sample(anyRoom, { numRuns: 6, seed: 19 })
  .map((room) => createScaler(index, room));

interface Used {
  /** Share of the bound that is used; over 1 breaks a promise. */
  readonly share: number;
  readonly what: string;
}

function usedOf(limit: Limit, use: Use, subject: Subject): Used {
  const demand = rungDemand(library, use)!;
  const of = (value: number, max: number, what: string): Used => ({
    // Nothing of nothing is within the bound.
    share: max === 0 ? (value > 0 ? 2 : 0) : value / max,
    what: `${what}: ${value} of ${max} by ${use.move} ${JSON.stringify(use.settings)}`,
  });
  if (limit.kind === 'effort')
    return of(
      use.metHi,
      bandCeilingMet(bandOfRpe(limit.maxRpe), subject.capacityMet, seenAge(subject)),
      'effort',
    );
  if (limit.kind === 'budget' && limit.per === 'minute')
    return of(
      limit.on === 'impact.landings' ? use.lightPerMinute : use.highPerMinute,
      limit.max,
      'landings a minute',
    );
  if (limit.kind === 'cap' && limit.side === 'both') {
    if (limit.on === 'strain.holdSeconds' && use.holdSeconds !== null)
      return of(use.holdSeconds, limit.max, 'hold');
    return of(demand[limit.on].hi ?? Number.POSITIVE_INFINITY, limit.max, limit.on);
  }
  return { share: 0, what: '' };
}

/** The most of any bound that a version uses. */
function closest(scaler: Scaler, request: ScaleRequest): Used {
  const version = scaler.scale(request);
  let best: Used = { share: 0, what: '' };
  const see = (used: Used) => {
    if (used.share > best.share) best = used;
  };
  const { dials, subject } = request;
  for (const use of version.uses) {
    if (!use) continue;
    for (const limit of subject.limits) see(usedOf(limit, use, subject));
    const demand = rungDemand(library, use)!;
    if (dials.impact !== 'as written') {
      const bounds = IMPACT[dials.impact];
      if (demand['impact.class'].hi! > bounds.classMax)
        see({ share: 2, what: `impact class of ${use.move}` });
      if (bounds.lightPerMinute > 0)
        see({ share: use.lightPerMinute / bounds.lightPerMinute, what: `landings a minute of ${use.move}` });
    }
    if (dials.intensity !== 'as written')
      see({
        share: use.metHi / bandCeilingMet(dials.intensity, subject.capacityMet, seenAge(subject)),
        what: `effort dial by ${use.move} at ${use.pace}`,
      });
    if (dials.ability === 'own rungs')
      REGIONS.forEach((region, r) => {
        // Within a rung of what they can do, read from a rung below.
        const over = (demand[region].hi! - subject.ability[r]!) / RUNG_STEP[region];
        see({ share: 1 + over, what: `${region} of ${use.move}` });
      });
  }
  const sums = sumUp(index, request.session, version.uses);
  for (const limit of subject.limits)
    if (limit.kind === 'budget' && limit.per === 'session' && limit.max > 0)
      see({
        share: (limit.on === 'impact.landings' ? sums.lightLandings : sums.hardLandings) / limit.max,
        what: `landings a session, ${limit.max} allowed`,
      });
  return best;
}

const aBudget = fc
  .record({
    on: fc.constantFrom('impact.landings' as const, 'impact.highLandings' as const),
    per: fc.constantFrom('minute' as const, 'session' as const),
    max: fc.integer({ min: 5, max: 600 }),
  })
  .map(({ on, per, max }) =>
    limitSchema.parse({
      kind: 'budget',
      id: 'hunted',
      on,
      per,
      max,
      source: 'trainer',
      reason: 'few landings',
    }),
  );

/** Small changes to a case, one at a time. */
const anyChange: fc.Arbitrary<(request: ScaleRequest) => ScaleRequest> = fc.oneof(
  fc.tuple(fc.nat(), fc.constantFrom(...moveIds)).map(
    ([n, move]) =>
      (r: ScaleRequest): ScaleRequest => ({
        ...r,
        session: {
          ...r.session,
          blocks: r.session.blocks.map((b, i) =>
            i !== n % r.session.blocks.length || b.stations.length === 0
              ? b
              : {
                  ...b,
                  stations: b.stations.map((s, k) => {
                    if (k !== n % b.stations.length) return s;
                    const { settings: _, ...rest } = s;
                    return { ...rest, move };
                  }),
                },
          ),
        },
      }),
  ),
  anyDials.map(
    (dials) =>
      (r: ScaleRequest): ScaleRequest => ({ ...r, dials }),
  ),
  fc.oneof(anyCap, aBudget).map(
    (limit) =>
      (r: ScaleRequest): ScaleRequest => ({
        ...r,
        subject: { ...r.subject, limits: [...r.subject.limits.filter((l) => l.id !== limit.id), limit] },
      }),
  ),
  anySubject.map(
    ({ ability }) =>
      (r: ScaleRequest): ScaleRequest => ({ ...r, subject: { ...r.subject, ability } }),
  ),
  fc.double({ min: 3.5, max: 14, noNaN: true }).map(
    (capacityMet) =>
      (r: ScaleRequest): ScaleRequest => ({ ...r, subject: { ...r.subject, capacityMet } }),
  ),
  fc.integer({ min: 1, max: 40 }).map(
    (reps) =>
      (r: ScaleRequest): ScaleRequest => ({
        ...r,
        subject: {
          ...r.subject,
          clean: r.session.blocks.flatMap((b) =>
            b.stations.map((s) => ({ move: s.move, surfaceCm: null, reps })),
          ),
        },
      }),
  ),
);

test('hunted for over 2,400 cases, each nearer a bound than the one before: no bound is ever passed', () => {
  const starts = fc.sample(anyRequest, { numRuns: 12, seed: 4 });
  const changes = fc.sample(anyChange, { numRuns: 2400, seed: 5 });
  const reached: Used[] = [];
  starts.forEach((start, s) => {
    const scaler = scalers[s % scalers.length]!;
    let request = start;
    let near = closest(scaler, request);
    for (let step = 0; step < 200; step++) {
      const next = changes[s * 200 + step]!(request);
      const found = closest(scaler, next);
      if (found.share > 1 + 1e-9) throw new Error(`${Math.round(found.share * 100)} %: ${found.what}`);
      if (found.share >= near.share) {
        near = found;
        request = next;
      }
    }
    reached.push(near);
  });
  // A hunt that comes near nothing proves nothing.
  expect(reached.filter((used) => used.share > 0.97).length).toBeGreaterThan(9);
});
