import { needsIn, type Seat, share, together } from '@inner-rung/core/class';
import { createScaler } from '@inner-rung/core/engine';
import { compileLibrary } from '@inner-rung/core/forms';
import type { Library } from '@inner-rung/core/ladder';
import { subjectOf } from '@inner-rung/core/limits';
import { EVERYWHERE, READY_ROOMS } from '@inner-rung/core/room';
import { createFinder, WAYS_TO_LOOK_FOR } from '@inner-rung/core/ways';
import { referenceSolver } from '../../core/test/reference.ts';
import { PEOPLE, PLANS } from '../../demo/src/index.ts';
import { libraryOf } from './generated.ts';
import { type Row, row, times } from './measure.ts';

const DAY = '2026-11-24';
const CLASS_OF = 30;

/** Substitutes, and a class of thirty at twelve stations sharing a small studio. */
export async function roomRows(base: Library): Promise<Row[]> {
  const large = libraryOf(5000, base);
  const finder = createFinder(compileLibrary(large), EVERYWHERE);
  const small = createFinder(compileLibrary(base), EVERYWHERE);
  const subjects = PEOPLE.map((person) => subjectOf(person, large, DAY));
  const asked = (i: number, library: Library) => ({
    from: { move: library.moves[(i * 37) % library.moves.length]!.id },
    without: [],
    withoutItems: [],
    by: 0,
    most: WAYS_TO_LOOK_FOR,
    itself: true,
    subject: subjects[i % subjects.length]!,
  });

  const studio = READY_ROOMS.find((room) => room.id === 'ready-studio')!;
  const index = compileLibrary(base);
  const scaler = createScaler(index, studio);
  const here = createFinder(index, studio);
  const plan = PLANS[1]!;
  const forms = new Map(
    Array.from({ length: CLASS_OF }, (_, i) => {
      const person = PEOPLE[i % PEOPLE.length]!;
      const { uses } = scaler.scale({
        session: plan,
        writtenFor: plan.writtenFor,
        dials: plan.dials,
        subject: subjectOf(person, base, DAY),
      });
      return [`p${i}`, uses] as const;
    }),
  );
  const moments = together(forms, plan.blocks[0]!.stations.length);
  const needs = needsIn(base);
  const others = new Map<string, { move: string; settings: object }[]>();
  const othersOf = (seat: Seat) => {
    const key = JSON.stringify(seat.form);
    const known =
      others.get(key) ??
      here.find({
        from: seat.form,
        without: [],
        withoutItems: [],
        by: 0,
        most: WAYS_TO_LOOK_FOR,
        everyHeight: true,
      });
    others.set(key, known);
    return known;
  };
  const fewest = await referenceSolver(needs);
  const { changes, atLeast } = share(needs, studio, moments, othersOf);
  return [
    row(
      `substitutes for one move and person over 5,000 moves, everything there`,
      times(60, (i) => finder.find(asked(i, large))),
      20,
      {
        name: `over the ${base.moves.length} moves that ship`,
        samples: times(60, (i) => small.find(asked(i, base))),
      },
    ),
    row(
      `share a small studio, ${CLASS_OF} people at ${plan.blocks[0]!.stations.length} stations (${changes} changes, at least ${atLeast})`,
      times(40, () => {
        others.clear();
        share(needs, studio, moments, othersOf);
      }),
      300,
      {
        name: 'the number of changes alone, by HiGHS',
        samples: times(5, () => moments.reduce((sum, moment) => sum + fewest(studio, moment), 0), 1),
      },
    ),
  ];
}
