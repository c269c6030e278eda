import {
  type ClassPlan,
  type ClassRequest,
  gapOf,
  planClass,
  type StationProblem,
  solveStation,
} from '@inner-rung/core/class';
import { createScaler, type Scaler } from '@inner-rung/core/engine';
import { compileLibrary } from '@inner-rung/core/forms';
import type { Library } from '@inner-rung/core/ladder';
import { laneSubject, type Subject } from '@inner-rung/core/limits';
import { type ConditionId, compileCondition } from '@inner-rung/core/person';
import { READY_ROOMS, ROOM_EXAMPLE } from '@inner-rung/core/room';
import { AS_WRITTEN } from '@inner-rung/core/session';
import loadHighs from 'highs';
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
export async function classRows(library: Library): Promise<Row[]> {
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
  const { solve } = await loadHighs();
  const problem = stationProblem(createScaler(compileLibrary(library), ample), asked(classOf(24)).people);
  const program = integerProgram(problem);
  const found = Math.round(solve(program).ObjectiveValue);
  const own = solveStation(problem).cost;
  return [
    row(
      `one station of a class of 24, three forms, ${problem.show.length} forms to choose from (${own === found ? 'the same optimum' : `${own} and ${found}`})`,
      times(50, () => solveStation(problem), 10),
      null,
      { name: 'HiGHS', samples: times(3, () => solve(program), 1) },
    ),
    ...[
      [library, 24, 60] as const,
      [library, 60, 3000] as const,
      [libraryOf(5000, library), 24, 150] as const,
    ].map(([lib, people, target]) => {
      const scaler = createScaler(compileLibrary(lib), ample);
      const request = asked(classOf(people));
      const plan = planClass(scaler, ample, request);
      return row(
        `a class of ${people}, twelve stations, three forms each, ${lib.moves.length} moves (${gapWords(plan)})`,
        times(60, () => planClass(scaler, ample, request), 10),
        target,
      );
    }),
    ...[
      [library, hall] as const,
      [library, READY_ROOMS.find((room) => room.id === 'ready-studio')!] as const,
      [libraryOf(5000, library), hall] as const,
    ].map(([lib, ready]) => {
      const room = { ...ROOM_EXAMPLE, ...ready };
      const scaler = createScaler(compileLibrary(lib), room);
      const request = asked(classOf(24));
      return row(
        `the same with what is in the ${ready.name.toLowerCase()}, ${lib.moves.length} moves (${gapWords(planClass(scaler, room, request))})`,
        times(5, () => planClass(scaler, room, request), 1),
        1200,
      );
    }),
  ];
}

const gapWords = (plan: ClassPlan) =>
  plan.cost === plan.atLeast ? 'proven best' : `at most ${(100 * gapOf(plan)).toFixed(2)} % from best`;

/** The first station of a class, as the engine puts it to itself. */
function stationProblem(scaler: Scaler, people: ClassRequest['people']): StationProblem {
  const costs = people.map(({ request }) => scaler.open({ ...request }).cheapest(0).cost);
  return {
    costs,
    weights: costs.map(() => 1),
    show: new Float64Array(costs[0]!.length).fill(1000),
    rest: 10_000_000,
    most: 3,
  };
}

/** The same as an integer program: forms opened, everybody served by one of them or resting. */
function integerProgram(p: StationProblem): string {
  const terms: string[] = [];
  const rows: string[] = [];
  const names: string[] = [];
  const open = [...p.show.keys()].filter((f) => p.costs.some((row) => Number.isFinite(row[f]!)));
  for (const f of open) {
    names.push(`y${f}`);
    terms.push(`${p.show[f]} y${f}`);
  }
  p.costs.forEach((row, g) => {
    const serves = [`r${g}`];
    names.push(`r${g}`);
    terms.push(`${p.rest} r${g}`);
    for (const f of open) {
      if (!Number.isFinite(row[f]!)) continue;
      names.push(`x${g}_${f}`);
      serves.push(`x${g}_${f}`);
      if (row[f]! > 0) terms.push(`${row[f]} x${g}_${f}`);
      rows.push(` o${g}_${f}: x${g}_${f} - y${f} <= 0`);
    }
    rows.push(` s${g}: ${serves.join(' + ')} = 1`);
  });
  rows.push(` k: ${open.map((f) => `y${f}`).join(' + ')} <= ${p.most}`);
  return `Minimize\n obj: ${terms.join(' + ')}\nSubject To\n${rows.join('\n')}\nBinary\n ${names.join(' ')}\nEnd`;
}
