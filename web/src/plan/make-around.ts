import type { Library } from '@inner-rung/core/ladder';
import { lawIn, subjectOf } from '@inner-rung/core/limits';
import { floorSeconds, outlookOf, type Person } from '@inner-rung/core/person';
import { ROOM_EXAMPLE, type Room } from '@inner-rung/core/room';
import { type Block, type Plan, roleOf } from '@inner-rung/core/session';
import { aroundBlock, coolDown, warmUp } from '@inner-rung/core/ways';
import { today } from '../app/day.ts';

const USUAL_MINUTES = { 'warm-up': 8, 'cool-down': 5 } as const;

/** A warm-up or cool-down made from a session's circuits, within the limits of everybody it is for. */
export function makeAround(
  role: 'warm-up' | 'cool-down',
  library: Library,
  plan: Plan,
  room: Room | null,
  people: readonly Person[],
  wanted: number = USUAL_MINUTES[role],
): Omit<Block, 'id'> {
  const subjects = people
    .filter((person) => outlookOf(person, today()).mayTrain)
    .map((person) => subjectOf(person, library, today()));
  const limits = subjects.flatMap((subject) => subject.limits);
  const forms = plan.blocks
    .filter((block) => roleOf(block) !== 'warm-up' && roleOf(block) !== 'cool-down')
    .flatMap((block) => block.stations)
    .map((s) => ({ move: s.move, ...(s.settings ? { settings: s.settings } : {}) }));
  const minutes = Math.max(wanted, Math.ceil(floorSeconds(limits, role) / 60));
  const law = lawIn(library, room ?? ROOM_EXAMPLE);
  const asked = { library, law, forms, subjects, minutes };
  return aroundBlock(role, role === 'warm-up' ? warmUp(asked) : coolDown(asked));
}
