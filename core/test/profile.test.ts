import { createScaler } from '@inner-rung/core/engine';
import { compileLibrary } from '@inner-rung/core/forms';
import { laneSubject } from '@inner-rung/core/limits';
import { COMPARED, LOADED, profileOf, sumUp } from '@inner-rung/core/review';
import { EVERYWHERE } from '@inner-rung/core/room';
import { AS_WRITTEN, type Timed } from '@inner-rung/core/session';

import fc from 'fast-check';
import { anySession, circuit, session } from './sessions.ts';
import { shippedLibrary } from './shipped.ts';

const library = shippedLibrary();
const index = compileLibrary(library);
const scaler = createScaler(index, EVERYWHERE);
const scaled = (timed: Timed, impact: 'as written' | 1 = 'as written') =>
  scaler.scale({
    session: timed,
    writtenFor: 2,
    dials: { ...AS_WRITTEN, impact },
    subject: laneSubject(3),
  });

test('one jack, 40 s of work: 72 landings in the first minute, 8 MET, then easy', () => {
  const one = session(circuit(['jumping-jack'], { rounds: 1, closingRest: true }));
  const { original } = scaled(one);
  const profile = profileOf(library, one, original);
  // 54 a minute, two landings each, for two thirds of a minute.
  expect(profile.landings).toEqual([{ light: 72, hard: 0 }]);
  expect(profile.effort[0]).toEqual({ at: 0, met: 8 });
  expect(profile.effort[1]!.at).toBe(40);
  expect(profile.effort[1]!.met).toBeLessThan(3);
});

test('a step jack has the same place in time and no landings', () => {
  const one = session(circuit(['jumping-jack'], { rounds: 1 }));
  const { uses, original } = scaled(one, 1);
  const a = profileOf(library, one, original);
  const b = profileOf(library, one, uses);
  expect(b.effort.map((e) => e.at)).toEqual(a.effort.map((e) => e.at));
  expect(b.landings[0]).toEqual({ light: 0, hard: 0 });
  const knees = LOADED.findIndex((l) => l.joint === 'knees');
  expect(b.joints[knees]!).toBeLessThanOrEqual(a.joints[knees]!);
});

test('the pictures say what the sums say: effort and landings over any session', () => {
  fc.assert(
    fc.property(anySession, (timed) => {
      const { uses } = scaled(timed);
      const sums = sumUp(index, timed, uses);
      const { effort, landings } = profileOf(library, timed, uses);
      const area = effort.reduce(
        (sum, { at, met }, i) => sum + met * ((effort[i + 1]?.at ?? sums.lengthSeconds) - at),
        0,
      );
      const middle = ((sums.metLo + sums.metHi) / 2) * sums.lengthSeconds;
      expect(area).toBeCloseTo(middle, 3);
      const all = landings.reduce((sum, m) => sum + m.light + m.hard, 0);
      // The sums count whole landings of every go, the picture shares them out: less, by less than one a go.
      expect(all).toBeLessThanOrEqual(sums.lightLandings + sums.hardLandings + 1e-6);
    }),
    { numRuns: 300, seed: 20261125 },
  );
});

test('every row of the table is worked out from the sums', () => {
  const one = session(circuit(['jumping-jack', 'plank']));
  const sums = sumUp(index, one, scaled(one).uses);
  const said = Object.fromEntries(COMPARED.map((row) => [row.says, row.of(sums)]));
  expect(said['Light landings']).toBe(String(sums.lightLandings));
  expect(said['Down to the floor and up']).toBe(`${sums.floorChanges} times`);
  expect(said['Effort']).toMatch(/^\d\.\d to \d\.\d MET$/);
});
