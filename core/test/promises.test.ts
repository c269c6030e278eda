import {
  createScaler,
  type ScaleRequest,
  SIDEWAYS,
  SIDEWAYS_IDS,
  switchesOf,
  type Use,
} from '@inner-rung/core/engine';
import { compileLibrary } from '@inner-rung/core/forms';
import { openLibrary, REGIONS } from '@inner-rung/core/ladder';
import { IMPACT } from '@inner-rung/core/limits';
import { bandCeilingMet, compileCondition, type Limit, levelAbility } from '@inner-rung/core/person';
import { sumUp } from '@inner-rung/core/review';
import { ROOM_EXAMPLE } from '@inner-rung/core/room';
import { AS_WRITTEN } from '@inner-rung/core/session';
import fc from 'fast-check';
import { anyRoomNumber, breaks, demandOfUse, index, scalers } from './broken.ts';
import { anyCap, anyRequest, anyRoom, cases, seenAge } from './cases.ts';
import { shippedFiles } from './shipped.ts';

test('1. no form offered breaks an active limit at its settings', () => {
  fc.assert(
    fc.property(anyRoomNumber, anyRequest, (roomNumber, request) => {
      const scaler = scalers[roomNumber]!;
      for (const use of scaler.scale(request).uses)
        if (use)
          for (const limit of request.subject.limits)
            if (breaks(limit, use, request.subject))
              throw new Error(`${use.move} ${JSON.stringify(use.settings)} breaks ${limit.id}`);
    }),
    cases(2000),
  );
});

test('1. no form offered mid-set breaks an active limit either: down, up and sideways', () => {
  fc.assert(
    fc.property(anyRoomNumber, anyRequest, (roomNumber, request) => {
      const scaler = scalers[roomNumber]!;
      const version = scaler.scale(request);
      switchesOf(scaler, request, version).forEach(({ down, up, hold, sideways }, entry) => {
        const kept = (to: Use | null, more: readonly Limit[], way: string) => {
          for (const limit of [...request.subject.limits, ...more])
            if (to && breaks(limit, to, request.subject))
              throw new Error(
                `entry ${entry} ${way}: ${to.move} ${JSON.stringify(to.settings)} breaks ${limit.id}`,
              );
        };
        kept(down, [], 'down');
        kept(up, [], 'up');
        kept(hold, [], 'held');
        for (const id of SIDEWAYS_IDS) {
          const to = sideways[id] === 'same' ? version.uses[entry]! : sideways[id];
          kept(to, compileCondition(SIDEWAYS[id].condition), id);
        }
        const dial = request.dials.impact;
        if (dial !== 'as written')
          for (const to of [down, up, hold])
            if (to) expect(demandOfUse(to)['impact.class'].hi!).toBeLessThanOrEqual(dial);
      });
    }),
    cases(200),
  );
});

test('1. a session’s budget of landings holds over the whole session', () => {
  fc.assert(
    fc.property(anyRoomNumber, anyRequest, (roomNumber, request) => {
      const scaler = scalers[roomNumber]!;
      const sums = sumUp(index, request.session, scaler.scale(request).uses);
      for (const limit of request.subject.limits)
        if (limit.kind === 'budget' && limit.per === 'session') {
          const spent = limit.on === 'impact.landings' ? sums.lightLandings : sums.hardLandings;
          if (spent > limit.max) throw new Error(`${spent} landings, ${limit.max} allowed`);
        }
    }),
    cases(1400),
  );
});

test('1. what isn’t known about a move counts as broken, not as zero', () => {
  const files = structuredClone(shippedFiles());
  for (const file of files)
    for (const move of (file.json as { moves?: { demand: Record<string, unknown> }[] }).moves ?? [])
      move.demand['neck.load'] = null;
  const unknowing = createScaler(compileLibrary(openLibrary(files)), {
    ...ROOM_EXAMPLE,
    id: 'r',
    lengthMetres: 5,
  });
  const [request] = fc.sample(anyRequest, { numRuns: 1, seed: 3 }) as [ScaleRequest];
  const version = unknowing.scale({
    ...request,
    dials: AS_WRITTEN,
    subject: {
      ...request.subject,
      limits: [
        {
          kind: 'cap',
          id: 'neck',
          on: 'neck.load',
          max: 3,
          source: 'clinician',
          side: 'both',
          acute: false,
          reason: 'neck',
        },
      ],
    },
  });
  expect(version.uses.every((use) => use === null)).toBe(true);
});

test('2. the same input gives the same output, however the library is shuffled', () => {
  const files = structuredClone(shippedFiles()).reverse();
  for (const file of files) {
    (file.json as { moves?: unknown[] }).moves?.reverse();
  }
  const shuffled = compileLibrary(openLibrary(files));
  const rooms = fc.sample(anyRoom, { numRuns: 6, seed: 11 });
  const pairs = rooms.map((room) => [createScaler(index, room), createScaler(shuffled, room)] as const);
  fc.assert(
    fc.property(fc.nat({ max: pairs.length - 1 }), anyRequest, (pair, request) => {
      const [a, b] = pairs[pair]!;
      expect(b.scale(request)).toEqual(a.scale(request));
    }),
    cases(400),
  );
});

test('3. impact, landings and ability stay within the dials', () => {
  fc.assert(
    fc.property(anyRoomNumber, anyRequest, (roomNumber, request) => {
      const scaler = scalers[roomNumber]!;
      const { uses } = scaler.scale(request);
      const { impact, ability, intensity } = request.dials;
      const can =
        ability === 'own rungs'
          ? request.subject.ability
          : ability === 'as written'
            ? null
            : levelAbility(ability);
      for (const use of uses) {
        if (!use) continue;
        const d = demandOfUse(use);
        if (impact !== 'as written') {
          const bounds = IMPACT[impact];
          if (d['impact.class'].hi! > bounds.classMax)
            throw new Error(`${use.move} is above the impact dial`);
          if (use.lightPerMinute > bounds.lightPerMinute || use.highPerMinute > bounds.highPerMinute)
            throw new Error(`${use.move} lands too often`);
        }
        REGIONS.forEach((region, r) => {
          if (can && d[region].hi! > can[r]! + 1e-9)
            throw new Error(`${use.move} is above ability in ${region}`);
        });
        if (
          intensity !== 'as written' &&
          use.metHi > bandCeilingMet(intensity, request.subject.capacityMet, seenAge(request.subject)) + 1e-9
        )
          throw new Error(`${use.move} is above the effort dial`);
      }
      if (impact !== 'as written') {
        const sums = sumUp(index, request.session, uses);
        if (
          sums.lightLandings > IMPACT[impact].lightPerSession ||
          sums.hardLandings > IMPACT[impact].highPerSession
        )
          throw new Error('too many landings in the session');
      }
    }),
    cases(2000),
  );
});

test('3. the impact dial’s bounds only fall as it eases', () => {
  for (let i = 1; i < IMPACT.length; i++)
    for (const key of [
      'classMax',
      'lightPerMinute',
      'highPerMinute',
      'lightPerSession',
      'highPerSession',
    ] as const)
      expect(IMPACT[i - 1]![key]).toBeLessThanOrEqual(IMPACT[i]![key]);
});

const withLimit = (request: ScaleRequest, limit: Limit): ScaleRequest => ({
  ...request,
  subject: { ...request.subject, limits: [...request.subject.limits, limit] },
});

test('4. a version that is legal under one more limit comes back unchanged', () => {
  let met = 0;
  fc.assert(
    fc.property(anyRoomNumber, anyRequest, anyCap, (roomNumber, request, limit) => {
      const scaler = scalers[roomNumber]!;
      const loose = scaler.scale(request);
      if (loose.uses.some((use) => use && breaks(limit, use, { ...request.subject, capacityMet: null })))
        return;
      met++;
      expect(scaler.scale(withLimit(request, limit)).uses).toEqual(loose.uses);
    }),
    cases(1600),
  );
  expect(met).toBeGreaterThan(200);
});

test('5. one more limit never lowers the total', () => {
  fc.assert(
    fc.property(anyRoomNumber, anyRequest, anyCap, (roomNumber, request, limit) => {
      const scaler = scalers[roomNumber]!;
      const loose = scaler.scale(request).cost;
      const tight = scaler.scale(withLimit(request, limit)).cost;
      if (tight < loose) throw new Error(`${tight} under ${limit.id}, ${loose} without`);
    }),
    cases(1600),
  );
});
