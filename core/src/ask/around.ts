import * as z from 'zod';
import { lawIn, subjectOf } from '../limits/index.ts';
import { floorSeconds, outlookOf } from '../person/index.ts';
import { lazily } from '../record/index.ts';
import { ROOM_EXAMPLE } from '../room/index.ts';
import { type Block, isCircuit } from '../session/index.ts';
import { aroundBlock, coolDown, warmUp } from '../ways/index.ts';
import { day, personDocument, roomDocument, sessionDocument } from './parts.ts';
import { defineQuestion } from './question.ts';

const USUAL_MINUTES = { 'warm-up': 8, 'cool-down': 5 } as const;

/** A warm-up or cool-down made from a session's circuits, of what is open to everybody it is for. */
export const around = defineQuestion({
  says: 'A warm-up or a cool-down for a session',
  asks: lazily(() =>
    z.strictObject({
      role: z.enum(['warm-up', 'cool-down']),
      session: sessionDocument,
      room: roomDocument.nullable(),
      people: z.array(personDocument).max(200),
      on: day,
      minutes: z.number().min(1).max(60).nullable().default(null),
    }),
  ),
  answers: null,
  *run({ library }, { role, session, room, people, on, minutes }): Iterable<Omit<Block, 'id'>> {
    const subjects = people
      .filter((person) => outlookOf(person, on).mayTrain)
      .map((person) => subjectOf(person, library, on));
    const forms = session.blocks
      .filter(isCircuit)
      .flatMap((block) => block.stations)
      .map((s) => ({ move: s.move, ...(s.settings ? { settings: s.settings } : {}) }));
    const least = Math.ceil(
      floorSeconds(
        subjects.flatMap((subject) => subject.limits),
        role,
      ) / 60,
    );
    const asked = {
      library,
      law: lawIn(library, room ?? ROOM_EXAMPLE),
      forms,
      subjects,
      minutes: Math.max(minutes ?? USUAL_MINUTES[role], least),
    };
    yield aroundBlock(role, role === 'warm-up' ? warmUp(asked) : coolDown(asked));
  },
});
