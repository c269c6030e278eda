import {
  createScaler,
  goesOf,
  replay,
  type ScaleRequest,
  type Scaler,
  SIDEWAYS,
  SIDEWAYS_IDS,
  switchesOf,
  type Use,
} from '@inner-rung/core/engine';
import { compileLibrary } from '@inner-rung/core/forms';
import { openLibrary, REGIONS, rungDemand } from '@inner-rung/core/ladder';
import { IMPACT, SHORTEST_HOLD_SECONDS, type Subject } from '@inner-rung/core/limits';
import { DEMAND_KEYS, type Demand, LIMB_KEYS } from '@inner-rung/core/move';
import { bandCeilingMet, compileCondition, type Limit, levelAbility } from '@inner-rung/core/person';
import { sumUp } from '@inner-rung/core/review';
import { ROOM_EXAMPLE } from '@inner-rung/core/room';
import { AS_WRITTEN, entriesOf, timelineOf } from '@inner-rung/core/session';
import fc from 'fast-check';
import {
  anyCap,
  anyRequest,
  anyRoom,
  beyondEffort,
  effortCeiling,
  holdLeft,
  holdsByItself,
} from './cases.ts';
import { circuit, facts, session } from './sessions.ts';
import { shippedFiles, shippedLibrary } from './shipped.ts';

const library = shippedLibrary();
const index = compileLibrary(library);
// A spread of rooms drawn once from a fixed seed; each case picks one.
const scalers: readonly Scaler[] = fc
  .sample(anyRoom, { numRuns: 24, seed: 7 })
  .map((room) => createScaler(index, room));
// Cases carry the room's number, so that a counterexample prints as something a person can read.
const anyRoomNumber = fc.nat({ max: scalers.length - 1 });
const cases = (numRuns: number) => ({ numRuns, seed: 20261124 });

const demands = new Map<string, Demand>();
const demandOfUse = (use: Use): Demand => {
  const key = `${use.move} ${JSON.stringify(use.settings)}`;
  const known = demands.get(key) ?? rungDemand(library, use)!;
  demands.set(key, known);
  return known;
};
const isHold = (use: Use) => use.pace === null;

/** Written apart from the engine, on the plain demand records: does a use break a limit? */
/** The other side does it alone, and the figure is one of that limb's own. */
function worksAlone(use: Use, limit: Extract<Limit, { kind: 'cap' }>): boolean {
  const { side } = use.settings;
  const { alone } = library.move(use.move)!;
  return Boolean(
    side && alone && limit.side !== 'both' && limit.side !== side && LIMB_KEYS[alone].includes(limit.on),
  );
}

function breaks(limit: Limit, use: Use, subject: Subject, slack = 1e-9): boolean {
  const d = demandOfUse(use);
  switch (limit.kind) {
    case 'cap':
      if (limit.on === 'strain.holdSeconds' && isHold(use)) return !(use.holdSeconds! <= limit.max);
      if (worksAlone(use, limit)) return false;
      return !((d[limit.on].hi ?? Number.NaN) <= limit.max);
    case 'ban':
      return library.move(use.move)!.pattern === limit.pattern;
    case 'require':
      return (
        !((d['balance.level'].hi ?? 9) <= limit.supportAboveBalance) &&
        !use.settings.support &&
        !holdsByItself(use.move)
      );
    case 'effort':
      return (
        !(use.metHi <= effortCeiling(limit, subject) + slack) ||
        beyondEffort(limit, (key) => d[key].hi ?? Number.NaN, subject.ability, subject.owns, use.move)
          .length > 0 ||
        (use.holdSeconds !== null && use.holdSeconds > holdLeft(limit))
      );
    case 'budget':
      return (
        limit.per === 'minute' &&
        (limit.on === 'impact.landings' ? use.lightPerMinute : use.highPerMinute) > limit.max + slack
      );
    default:
      return false;
  }
}

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
    cases(3000),
  );
});

test('1. no form offered mid-set breaks an active limit either: down, up and sideways', () => {
  fc.assert(
    fc.property(anyRoomNumber, anyRequest, (roomNumber, request) => {
      const scaler = scalers[roomNumber]!;
      const version = scaler.scale(request);
      switchesOf(scaler, request, version).forEach(({ down, up, sideways }, entry) => {
        const kept = (to: Use | null, more: readonly Limit[], way: string) => {
          for (const limit of [...request.subject.limits, ...more])
            if (to && breaks(limit, to, request.subject))
              throw new Error(
                `entry ${entry} ${way}: ${to.move} ${JSON.stringify(to.settings)} breaks ${limit.id}`,
              );
        };
        kept(down, [], 'down');
        kept(up, [], 'up');
        for (const id of SIDEWAYS_IDS) {
          const to = sideways[id] === 'same' ? version.uses[entry]! : sideways[id];
          kept(to, compileCondition(SIDEWAYS[id].condition), id);
        }
        const dial = request.dials.impact;
        if (dial !== 'as written')
          for (const to of [down, up])
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
    cases(2000),
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
    cases(600),
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
          use.metHi > bandCeilingMet(intensity, request.subject.capacityMet) + 1e-9
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
    cases(3000),
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
    cases(2500),
  );
  expect(met).toBeGreaterThan(300);
});

test('5. one more limit never lowers the total', () => {
  fc.assert(
    fc.property(anyRoomNumber, anyRequest, anyCap, (roomNumber, request, limit) => {
      const scaler = scalers[roomNumber]!;
      const loose = scaler.scale(request).cost;
      const tight = scaler.scale(withLimit(request, limit)).cost;
      if (tight < loose) throw new Error(`${tight} under ${limit.id}, ${loose} without`);
    }),
    cases(2500),
  );
});

test('6. as written changes only what is illegal or can’t be done here', () => {
  fc.assert(
    fc.property(anyRoomNumber, anyRequest, (roomNumber, request) => {
      const scaler = scalers[roomNumber]!;
      const version = scaler.scale({ ...request, dials: AS_WRITTEN });
      for (const reason of version.reasons) {
        const original = version.original[reason.entry]!;
        const illegal = request.subject.limits.some((limit) => breaks(limit, original, request.subject, 0));
        const budget =
          request.subject.limits.some((l) => l.kind === 'budget') &&
          original.highPerMinute + original.lightPerMinute > 0;
        const [here] = scaler.bars([original], {
          subject: { ...request.subject, limits: [] },
          dials: AS_WRITTEN,
        });
        const room = here!.some((ruler) => ruler.kind === 'room');
        if (!illegal && !room && !budget) throw new Error(`${original.move} was legal here and changed`);
      }
    }),
    cases(3000),
  );
});

test('7. replaying the reasons on the original gives the version exactly', () => {
  fc.assert(
    fc.property(anyRoomNumber, anyRequest, (roomNumber, request) => {
      const scaler = scalers[roomNumber]!;
      const version = scaler.scale(request);
      expect(replay(version.original, version.reasons)).toEqual(version.uses);
    }),
    cases(1500),
  );
});

test('7. without the one ruler that is named, the near miss is legal', () => {
  let met = 0;
  fc.assert(
    fc.property(anyRoomNumber, anyRequest, (roomNumber, request) => {
      const scaler = scalers[roomNumber]!;
      for (const { nearMiss } of scaler.scale(request).reasons) {
        if (!nearMiss || nearMiss.ruler.kind === 'room') continue;
        met++;
        const { ruler } = nearMiss;
        const freed = {
          subject: { ...request.subject, limits: request.subject.limits.filter((l) => l.id !== ruler.id) },
          dials: {
            ...request.dials,
            ...(ruler.kind === 'impact' || ruler.kind === 'intensity' || ruler.kind === 'ability'
              ? { [ruler.kind]: 'as written' }
              : {}),
          },
        };
        const [bars] = scaler.bars([nearMiss], freed);
        if (bars!.length > 0) throw new Error(`${nearMiss.move} is still barred by ${bars![0]!.id}`);
      }
    }),
    cases(2000),
  );
  expect(met).toBeGreaterThan(500);
});

test('8. where nothing is left, taking away what is named in the way leaves something', () => {
  let met = 0;
  fc.assert(
    fc.property(anyRoomNumber, anyRequest, (roomNumber, request) => {
      const scaler = scalers[roomNumber]!;
      const version = scaler.scale(request);
      const entries = entriesOf(request.session.blocks);
      for (const reason of version.reasons) {
        if (reason.use !== null || reason.rulers.length === 0) continue;
        if (reason.rulers.some((ruler) => ruler.kind === 'room')) continue;
        met++;
        const gone = new Set(reason.rulers.map((ruler) => ruler.id));
        const kinds = new Set(reason.rulers.map((ruler) => ruler.kind));
        const freed = scaler.scale({
          ...request,
          session: session(
            circuit([
              {
                move: entries[reason.entry]!.move,
                ...(entries[reason.entry]!.settings ? { settings: entries[reason.entry]!.settings } : {}),
              },
            ]),
          ),
          dials: {
            impact: kinds.has('impact') ? 'as written' : request.dials.impact,
            intensity: kinds.has('intensity') ? 'as written' : request.dials.intensity,
            ability: kinds.has('ability') ? 'as written' : request.dials.ability,
          },
          subject: { ...request.subject, limits: request.subject.limits.filter((l) => !gone.has(l.id)) },
        });
        if (freed.uses[0] === null)
          throw new Error(`${version.original[reason.entry]!.move} is still closed`);
      }
    }),
    cases(2500),
  );
  expect(met).toBeGreaterThan(50);
});

test('9. slot boundaries are the block’s own: no person, room or dial moves them', () => {
  fc.assert(
    fc.property(anyRoomNumber, anyRequest, (roomNumber, request) => {
      const scaler = scalers[roomNumber]!;
      const before = timelineOf(request.session, facts);
      const { uses } = scaler.scale(request);
      const sums = sumUp(index, request.session, uses);
      expect(timelineOf(request.session, facts)).toEqual(before);
      expect(sums.lengthSeconds).toBe(before.lengthSeconds);
    }),
    cases(400),
  );
});

test('a hold is never longer than its slot, nor shorter than trains anything', () => {
  fc.assert(
    fc.property(anyRoomNumber, anyRequest, (roomNumber, request) => {
      const scaler = scalers[roomNumber]!;
      const goes = goesOf(
        timelineOf(request.session, facts).segments,
        entriesOf(request.session.blocks).length,
      );
      scaler.scale(request).uses.forEach((use, i) => {
        if (use?.holdSeconds == null) return;
        const { longest } = goes[i]!;
        const shortest = Math.min(SHORTEST_HOLD_SECONDS, Math.floor(longest / 2));
        if (use.holdSeconds > longest || use.holdSeconds < shortest)
          throw new Error(`${use.move} is held ${use.holdSeconds} s of ${longest}`);
      });
    }),
    cases(1000),
  );
});

test('the index holds what the records hold, unknown as NaN', () => {
  for (let m = 0; m < index.count; m += 7)
    DEMAND_KEYS.forEach((key, k) => {
      const figure = library.demand.get(index.ids[m]!)![key];
      expect(index.hi[m * DEMAND_KEYS.length + k]).toBe(figure.hi ?? Number.NaN);
    });
});
