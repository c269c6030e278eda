import * as z from 'zod';
import {
  fixesOf,
  type Given,
  HOW,
  type How,
  needsInIndex,
  putOut,
  type Seat,
  type Sharing,
  type SharingFix,
  share as shareOut,
} from '../class/index.ts';
import type { Use } from '../engine/index.ts';
import { type Subject, subjectOf } from '../limits/index.ts';
import type { FormRef } from '../move/index.ts';
import { lazily } from '../record/index.ts';
import { entriesOf } from '../session/index.ts';
import { WAYS_TO_LOOK_FOR } from '../ways/index.ts';
import { day, form, personDocument, roomDocument, sessionDocument } from './parts.ts';
import { defineQuestion } from './question.ts';

export interface SharedOut {
  readonly sharing: Sharing;
  readonly putOut: readonly Given[];
  /** Changes that each way through the circuit would take. */
  readonly changes: Readonly<Record<How, number>>;
  /** What else would leave fewer changes; null while that is being worked out. */
  readonly fixes: readonly SharingFix[] | null;
  /** What everybody does as it was planned, station by station. */
  readonly forms: Readonly<Record<string, readonly (FormRef | null)[]>>;
}

/**
 * What somebody does first at each station of a block: what else they need there they have with them. `forms` are by
 * the entries of all the blocks.
 */
function firstForms(
  blocks: Parameters<typeof entriesOf>[0],
  block: number,
  forms: readonly (FormRef | null)[],
): (FormRef | null)[] {
  const first: (FormRef | null)[] = [];
  entriesOf(blocks).forEach((entry, i) => {
    if (entry.block === block && entry.part === 0 && (entry.round ?? 0) === 0)
      first[entry.inBlock] = forms[i] ?? null;
  });
  return first;
}

/** What everybody does as the class has them; then the room's pieces given out. */
export const share = defineQuestion({
  says: 'A room’s pieces given out to a class at one block',
  asks: lazily(() =>
    z.strictObject({
      session: sessionDocument,
      block: z.number().int().min(0).max(19),
      room: roomDocument,
      on: day,
      how: z.enum(Object.keys(HOW) as [How, ...How[]]),
      /** Stations that the second half starts ahead. */
      ahead: z.number().int().min(0).max(39).nullable(),
      people: z
        .array(
          z.strictObject({
            id: z.string().min(1).max(80),
            person: personDocument,
            /** What they do at each entry of the session, as it was planned for the class. */
            does: z.array(form.nullable()).max(2000),
          }),
        )
        .max(200),
    }),
  ),
  answers: null,
  *run(ground, { session: plan, block, room, on, how, people, ...rest }): Iterable<SharedOut> {
    const { index, library } = ground;
    const ahead = rest.ahead ?? undefined;
    const blocks = plan.blocks.slice(block, block + 1);
    const count = blocks.reduce((sum, one) => sum + one.stations.length, 0);
    const finder = ground.finder(room);
    const does: Record<string, readonly (FormRef | null)[]> = {};
    const subjects = new Map<string, Subject>();
    for (const { id, person, does: planned } of people) {
      does[id] = firstForms(plan.blocks, block, planned);
      subjects.set(id, subjectOf(person, library, on));
    }
    const forms = new Map(Object.entries(does));
    const looked = new Map<string, { move: string; settings: Use['settings'] }[]>();
    const othersOf = (seat: Seat) => {
      const subject = subjects.get(seat.person)!;
      const key = JSON.stringify([seat.form, subject]);
      const known =
        looked.get(key) ??
        finder
          .find({
            from: seat.form,
            without: [],
            withoutItems: [],
            by: 0,
            most: WAYS_TO_LOOK_FOR,
            subject,
            everyHeight: true,
          })
          .map(({ move, settings }) => ({ move, settings }));
      looked.set(key, known);
      return known;
    };
    const needsOf = needsInIndex(index);
    const momentsOf = (way: How) => HOW[way](forms, count, ahead);
    const shared = (way: How) => shareOut(needsOf, room, momentsOf(way), othersOf);
    const sharing = shared(how);
    const first: SharedOut = {
      sharing,
      putOut: putOut(room, sharing, momentsOf(how)),
      changes: Object.fromEntries(
        (Object.keys(HOW) as How[]).map((way) => [way, way === how ? sharing.changes : shared(way).changes]),
      ) as Record<How, number>,
      fixes: null,
      forms: does,
    };
    yield first;
    yield {
      ...first,
      fixes: sharing.changes > 0 ? fixesOf(needsOf, room, forms, count, how, ahead) : [],
    };
  },
});
