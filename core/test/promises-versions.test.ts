import { goesOf, replay } from '@inner-rung/core/engine';
import { SHORTEST_HOLD_SECONDS } from '@inner-rung/core/limits';
import { DEMAND_KEYS } from '@inner-rung/core/move';
import { sumUp } from '@inner-rung/core/review';
import { AS_WRITTEN, entriesOf, timelineOf } from '@inner-rung/core/session';
import fc from 'fast-check';
import { anyRoomNumber, breaks, index, library, scalers } from './broken.ts';
import { anyRequest, cases } from './cases.ts';
import { circuit, facts, session } from './sessions.ts';

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
    cases(2000),
  );
});

test('7. replaying the reasons on the original gives the version exactly', () => {
  fc.assert(
    fc.property(anyRoomNumber, anyRequest, (roomNumber, request) => {
      const scaler = scalers[roomNumber]!;
      const version = scaler.scale(request);
      expect(replay(version.original, version.reasons)).toEqual(version.uses);
    }),
    cases(1000),
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
    cases(1400),
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
    cases(2000),
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
    cases(700),
  );
});

test('the index holds what the records hold, unknown as NaN', () => {
  for (let m = 0; m < index.count; m += 7)
    DEMAND_KEYS.forEach((key, k) => {
      const figure = library.demand.get(index.ids[m]!)![key];
      expect(index.hi[m * DEMAND_KEYS.length + k]).toBe(figure.hi ?? Number.NaN);
    });
});
