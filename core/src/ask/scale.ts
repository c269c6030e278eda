import * as z from 'zod';
import { givenTo, type LanesMade, lanePinsOf, makeLanes } from '../class/index.ts';
import { factsInIndex, goesOf, type Switches, switchesOf, type Version } from '../engine/index.ts';
import { laneSubject, type Ruler, subjectOf } from '../limits/index.ts';
import { floorSeconds } from '../person/index.ts';
import { lazily } from '../record/index.ts';
import { type Sums, sumUp } from '../review/index.ts';
import { ROOM_EXAMPLE, withOwn } from '../room/index.ts';
import { entriesOf, timelineOf } from '../session/index.ts';
import { day, form, personDocument, roomDocument, sessionDocument } from './parts.ts';
import { defineQuestion } from './question.ts';

/** Lanes where the trainer hasn’t said how many: one for each named level. */
export const USUAL_LANES = 4;

export interface Scaled {
  readonly version: Version;
  readonly sums: Sums;
  /** Every entry's longest single go, in seconds. */
  readonly longest: readonly number[];
  /** What bars each form that was asked about; empty when it is open. */
  readonly bars: readonly (readonly Ruler[])[];
  /** What is ten times the work: worked out once the dials rest; null until it is. */
  readonly settled: {
    readonly lanes: LanesMade;
    /** What others do, by their ids. */
    readonly others: readonly { readonly id: string; readonly uses: Version['uses'] }[];
    /** Where somebody can go in the middle of a set, entry by entry. */
    readonly switches: readonly Switches[];
  } | null;
}

/** A session as one person does it in a room on a day, or a lane where nobody is named. */
export const scale = defineQuestion({
  says: 'A session scaled for one person, with its sums, lanes and ways out mid-set',
  asks: lazily(() =>
    z.strictObject({
      session: sessionDocument,
      person: personDocument.nullable(),
      others: z.array(personDocument).max(200).default([]),
      room: roomDocument.nullable(),
      on: day,
      /** Forms of which is told what bars them. */
      forms: z.array(form).max(4000).default([]),
    }),
  ),
  answers: null,
  *run(ground, { session: plan, person, others, room, on, forms }): Iterable<Scaled> {
    const { library, index } = ground;
    const { blocks, forWhom, writtenFor, dials } = plan;
    const session = { blocks, forWhom };
    const subject = person
      ? subjectOf(person, library, on)
      : laneSubject(typeof dials.ability === 'number' ? dials.ability : writtenFor);
    const scaler = ground.scaler(withOwn(room ?? ROOM_EXAMPLE, person?.equipment ?? []));
    const gives = person ? givenTo(plan, person.id) : [];
    const request = { session, writtenFor, dials, subject, gives };
    const version = scaler.scale(request);
    const changeSeconds = floorSeconds(subject.limits, 'change');
    const goes = goesOf(timelineOf(session, factsInIndex(index)).segments, entriesOf(blocks).length);
    const first: Scaled = {
      version,
      sums: sumUp(index, session, version.uses, {
        massKg: person?.massKg,
        capacityMet: subject.capacityMet,
        effortAge: subject.effortAge,
        ...(changeSeconds > 0 ? { changeSeconds } : {}),
      }),
      longest: goes.map((go) => go.longest),
      bars: scaler.bars(forms, request),
      settled: null,
    };
    yield first;
    const count = plan.lanes?.count ?? USUAL_LANES;
    yield {
      ...first,
      settled: {
        lanes: makeLanes(scaler, { session, writtenFor, dials, count, pins: lanePinsOf(plan) }),
        others: others.map((one) => ({
          id: one.id,
          uses: scaler.scale({
            session,
            writtenFor,
            dials: { ...dials, ability: 'own rungs' },
            subject: subjectOf(one, library, on),
            gives: givenTo(plan, one.id),
          }).uses,
        })),
        switches: switchesOf(scaler, request, version),
      },
    };
  },
});
