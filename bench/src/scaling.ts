import { createScaler } from '@inner-rung/core/engine';
import { compileLibrary, decodeLibrary, encodeLibrary } from '@inner-rung/core/forms';
import type { Library } from '@inner-rung/core/ladder';
import { subjectOf } from '@inner-rung/core/limits';
import type { Dials } from '@inner-rung/core/session';
import { PEOPLE, PLANS, ROOMS } from '../../demo/src/index.ts';
import { libraryOf } from './generated.ts';
import { type Row, row, times } from './measure.ts';
import { scalePlainly } from './plain.ts';

const plan = PLANS[0]!;
// A dial being dragged: every run turns one, and each of the demo's people has a turn.
const impacts: Dials['impact'][] = [0, 1, 2, 3, 'as written'];
const abilities: Dials['ability'][] = ['own rungs', 0, 1, 2, 3, 'as written'];

/** Ten stations for one person, over the shipped library and a large one. */
export function scalingRows(base: Library): Row[] {
  const rows: Row[] = [];
  for (const count of [base.moves.length, 5000]) {
    const library = libraryOf(count, base);
    const index = compileLibrary(library);
    const scaler = createScaler(index, ROOMS[0]!);
    const subjects = PEOPLE.map((person) => subjectOf(person, library, '2026-11-24'));
    const block = {
      ...plan.blocks[0]!,
      stations: plan.blocks[0]!.stations.map((s, i) => ({
        ...s,
        move: library.move(s.move) ? s.move : library.moves[i * 7]!.id,
      })),
    };
    const turn = (i: number) =>
      scaler.scale({
        session: { blocks: [block], forWhom: 'adults' as const },
        writtenFor: plan.writtenFor,
        dials: { impact: impacts[i % 5]!, intensity: 'as written', ability: abilities[i % 6]! },
        subject: subjects[i % subjects.length]!,
      });
    const plainly = times(
      count > 1000 ? 8 : 20,
      (i) => scalePlainly(library, block, subjects[i % subjects.length]!.limits),
      2,
    );
    rows.push(
      row(`scale ten stations for one person, ${count} moves, a dial turned`, times(400, turn), 16, {
        name: 'object by object, one form a move',
        samples: plainly,
      }),
      row(
        `the same in a room just entered (${scaler.table.count} forms tabulated)`,
        times(
          30,
          (i) => {
            createScaler(index, ROOMS[i % 2]!).scale({
              session: { blocks: [block], forWhom: 'adults' as const },
              writtenFor: plan.writtenFor,
              dials: plan.dials,
              subject: subjects[i % subjects.length]!,
            });
          },
          3,
        ),
        null,
      ),
      row(
        `compile the library to its index, ${count} moves`,
        times(15, () => compileLibrary(library), 2),
        null,
      ),
    );
    const file = encodeLibrary(library).buffer;
    rows.push(
      row(
        `load the library from its file, ${count} moves`,
        times(25, () => decodeLibrary(file), 5),
        count === library.moves.length && count < 1000 ? 15 : null,
        {
          name: 'compiling it from what is open already',
          samples: times(10, () => compileLibrary(library), 2),
        },
      ),
    );
  }
  return rows;
}
