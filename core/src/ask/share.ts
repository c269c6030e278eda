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
import type { Use, Version } from '../engine/index.ts';
import { type Subject, subjectOf } from '../limits/index.ts';
import { entriesOf } from '../session/index.ts';
import { WAYS_TO_LOOK_FOR } from '../ways/index.ts';
import { day, personDocument, roomDocument, sessionDocument } from './parts.ts';
import { defineQuestion } from './question.ts';

export interface SharedOut {
  readonly sharing: Sharing;
  readonly putOut: readonly Given[];
  /** Changes that each way through the circuit would take. */
  readonly changes: Readonly<Record<How, number>>;
  /** What else would leave fewer changes; null while that is being worked out. */
  readonly fixes: readonly SharingFix[] | null;
  /** What everybody would do were there enough of everything. */
  readonly uses: Readonly<Record<string, readonly (Use | null)[]>>;
}

/** What somebody does first at each station: what else they need there they have with them. */
function firstUses(blocks: Parameters<typeof entriesOf>[0], uses: Version['uses']): (Use | null)[] {
  const first: (Use | null)[] = [];
  entriesOf(blocks).forEach((entry, i) => {
    if (entry.part === 0 && (entry.round ?? 0) === 0) first[entry.station] = uses[i] ?? null;
  });
  return first;
}

/** Everybody scaled as if there were enough of everything, then the room's pieces given out. */
export const share = defineQuestion({
  says: 'A room’s pieces given out to a class at one block',
  asks: z.strictObject({
    session: sessionDocument,
    block: z.number().int().min(0).max(19),
    room: roomDocument,
    on: day,
    how: z.enum(Object.keys(HOW) as [How, ...How[]]),
    /** Stations that the second half starts ahead. */
    ahead: z.number().int().min(0).max(39).nullable(),
    people: z.array(z.strictObject({ id: z.string().min(1).max(80), person: personDocument })).max(200),
  }),
  answers: null,
  *run(ground, { session: plan, block, room, on, how, people, ...rest }): Iterable<SharedOut> {
    const { index, library } = ground;
    const ahead = rest.ahead ?? undefined;
    const blocks = plan.blocks.slice(block, block + 1);
    const count = blocks.reduce((sum, one) => sum + one.stations.length, 0);
    const scaler = ground.scaler(room);
    const finder = ground.finder(room);
    const uses: Record<string, readonly (Use | null)[]> = {};
    const subjects = new Map<string, Subject>();
    const alike = new Map<string, readonly (Use | null)[]>();
    for (const { id, person } of people) {
      const subject = subjectOf(person, library, on);
      const key = JSON.stringify(subject);
      const { writtenFor, dials, forWhom } = plan;
      const scaled =
        alike.get(key) ??
        firstUses(blocks, scaler.scale({ session: { blocks, forWhom }, writtenFor, dials, subject }).uses);
      alike.set(key, scaled);
      uses[id] = scaled;
      subjects.set(id, subject);
    }
    const forms = new Map(Object.entries(uses));
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
      uses,
    };
    yield first;
    yield {
      ...first,
      fixes: sharing.changes > 0 ? fixesOf(needsOf, room, forms, count, how, ahead) : [],
    };
  },
});
