import { type ClassRequest, gapOf, planClass } from '@inner-rung/core/class';
import { createScaler } from '@inner-rung/core/engine';
import { compileLibrary } from '@inner-rung/core/forms';
import type { Library } from '@inner-rung/core/ladder';
import { laneSubject, type Subject } from '@inner-rung/core/limits';
import { CONDITION_IDS, compileCondition } from '@inner-rung/core/person';
import { READY_ROOMS, type Room } from '@inner-rung/core/room';
import { AS_WRITTEN } from '@inner-rung/core/session';
import { PLANS } from '../../demo/src/index.ts';
import { random } from './generated.ts';
import { type Row, row } from './measure.ts';

const CLASSES = 200;

/** A class of 8 to 40 at 6 to 16 stations of any moves, 1 to 4 forms each, with what a ready room has. */
function anyClass(next: () => number, library: Library, rooms: readonly Room[]) {
  const pick = <T>(list: readonly T[]): T => list[Math.floor(next() * list.length)]!;
  const between = (from: number, to: number) => from + Math.floor(next() * (to - from + 1));
  const subjects: Subject[] = Array.from({ length: between(8, 40) }, () => {
    const lane = laneSubject(between(0, 3) as 0 | 1 | 2 | 3);
    const conditions = next() < 0.4 ? [pick(CONDITION_IDS)] : [];
    return { ...lane, limits: [...lane.limits, ...conditions.flatMap((id) => compileCondition(id))] };
  });
  const block = PLANS[1]!.blocks[0]!;
  const stations = Array.from({ length: between(6, 16) }, (_, i) => ({
    id: `s${i}`,
    move: pick(library.moves).id,
    sides: 'swap at half' as const,
  }));
  const session = { blocks: [{ ...block, stations }], forWhom: 'adults' as const };
  const request: ClassRequest = {
    most: between(1, 4),
    how: next() < 0.5 ? 'together' : 'rotation',
    people: subjects.map((subject, i) => ({
      id: `p${i}`,
      request: {
        session,
        writtenFor: 2,
        dials: { ...AS_WRITTEN, ability: 'own rungs' },
        subject,
      },
    })),
  };
  return { request, room: pick(rooms) };
}

/** How far from the best a plan may be at most, over many random classes; and how long the longest of them took. */
export function gapRows(library: Library): Row[] {
  const next = random(20);
  const scalers = new Map(
    READY_ROOMS.map((room) => [room, createScaler(compileLibrary(library), room)] as const),
  );
  const gaps: { how: string; gap: number; ms: number; rests: number }[] = [];
  for (let i = 0; i < CLASSES; i++) {
    const { request, room } = anyClass(next, library, READY_ROOMS);
    const start = performance.now();
    const plan = planClass(scalers.get(room)!, room, request);
    gaps.push({
      how: request.how ?? 'together',
      gap: 100 * gapOf(plan),
      ms: performance.now() - start,
      rests: plan.entries.reduce((sum, { resting }) => sum + resting.length, 0),
    });
  }
  const of = (...hows: readonly string[]) =>
    gaps.filter(({ how, rests }) => hows.includes(how) && rests === 0).map(({ gap }) => gap);
  const without = of('together', 'rotation').length;
  const percent = (name: string, list: readonly number[]) => row(name, list, 1.5, undefined, '%');
  return [
    percent(
      `how far from best at most, ${CLASSES} random classes`,
      gaps.map(({ gap }) => gap),
    ),
    percent(`the ${without} of them in which nobody rests, all at one station at a time`, of('together')),
    percent('and rotating', of('rotation')),
    row(
      'a random class planned',
      gaps.map(({ ms }) => ms),
      1200,
    ),
  ];
}
