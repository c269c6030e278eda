import type { Library } from '@inner-rung/core/ladder';
import { type ConditionId, compileCondition } from '@inner-rung/core/person';
import { READY_ROOMS, ROOM_EXAMPLE } from '@inner-rung/core/room';
import { compileLibrary, createScaler, laneSubject, planClass, type Subject } from '@inner-rung/core/scale';
import { AS_WRITTEN } from '@inner-rung/core/session';
import { PLANS } from '../../demo/src/index.ts';
import { libraryOf } from './generated.ts';
import { type Row, row, times } from './measure.ts';

const CONDITIONS: readonly (readonly ConditionId[])[] = [
  [],
  [],
  [],
  ['sore-knees'],
  ['no-floor'],
  ['wrist-no-load'],
  ['sore-shoulder'],
  ['back-worse-bending'],
];

/** People of four levels and eight kinds of trouble, round and round. */
const classOf = (n: number): Subject[] =>
  Array.from({ length: n }, (_, i) => {
    const lane = laneSubject((i % 4) as 0 | 1 | 2 | 3);
    return {
      ...lane,
      limits: [...lane.limits, ...CONDITIONS[i % CONDITIONS.length]!.flatMap((id) => compileCondition(id))],
    };
  });

/** A class at the twelve published stations, at most three forms each, with everything there is enough of. */
export function classRows(library: Library): Row[] {
  const hall = READY_ROOMS.find((room) => room.id === 'ready-school-hall')!;
  const ample = { ...ROOM_EXAMPLE, ...hall, items: hall.items.map((item) => ({ ...item, count: 60 })) };
  const session = { blocks: PLANS[1]!.blocks, forWhom: 'adults' as const };
  const asked = (subjects: readonly Subject[]) => ({
    most: 3,
    people: subjects.map((subject, i) => ({
      id: `p${i}`,
      request: {
        session,
        writtenFor: 2 as const,
        dials: { ...AS_WRITTEN, ability: 'own rungs' as const },
        subject,
      },
    })),
  });
  return [
    [library, 24, 60] as const,
    [library, 60, 3000] as const,
    [libraryOf(5000, library), 24, 150] as const,
  ].map(([lib, people, target]) => {
    const scaler = createScaler(compileLibrary(lib), ample);
    const request = asked(classOf(people));
    const plan = planClass(scaler, ample, request);
    const proven = plan.cost === plan.atLeast ? 'proven best' : 'not proven';
    return row(
      `a class of ${people}, twelve stations, three forms each, ${lib.moves.length} moves (${proven})`,
      times(20, () => planClass(scaler, ample, request), 10),
      target,
    );
  });
}
