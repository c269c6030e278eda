import { lanePinsOf } from '@inner-rung/core/class';
import { buffersOf, compileLibrary } from '@inner-rung/core/forms';
import type { Library } from '@inner-rung/core/ladder';
import { laneSubject, subjectOf } from '@inner-rung/core/limits';
import { floorSeconds, type Person } from '@inner-rung/core/person';
import { ROOM_EXAMPLE, type Room, withOwn } from '@inner-rung/core/room';
import type { Plan } from '@inner-rung/core/session';
import { useEffect, useMemo, useRef, useState } from 'react';
import { today } from '../app/day.ts';
import type { Scaled, Settled, ToWorker } from './scale.worker.ts';

/** A rung of the library by its place, in the order in which the worker is asked about all of them. */
export function rungsOf(library: Library) {
  return library.ladders.flatMap((ladder) =>
    ladder.rungs.map((rung, i) => ({ key: `${ladder.id}/${i}`, form: rung })),
  );
}

/** Lanes where the trainer hasn’t said how many: one for each named level. */
export const USUAL_LANES = 4;

export interface Picture extends Scaled {
  readonly plan: Plan;
  readonly barsByRung: ReadonlyMap<string, Scaled['bars'][number]>;
  /** What is worked out once the dials rest; null until it is. */
  readonly settled: Settled | null;
}

/**
 * The plan scaled in the worker. One question is under way at a time; while it is, only the newest
 * one waits, so a dragged dial never queues up.
 */
export function useScaled(
  plan: Plan | null,
  library: Library | null,
  person: Person | null,
  room: Room | null,
  others?: readonly Person[],
): Picture | null {
  const [picture, setPicture] = useState<Picture | null>(null);
  const worker = useRef<Worker | null>(null);
  const busy = useRef<{ number: number; plan: Plan } | null>(null);
  const waiting = useRef<{ message: ToWorker & { kind: 'scale' }; plan: Plan } | null>(null);
  const count = useRef(0);
  const rungs = useMemo(() => (library ? rungsOf(library) : []), [library]);

  useEffect(() => {
    if (!library) return;
    const made = new Worker(new URL('./scale.worker.ts', import.meta.url), { type: 'module' });
    const index = compileLibrary(library);
    made.postMessage({ kind: 'library', index } satisfies ToWorker, buffersOf(index));
    made.onmessage = ({ data }: MessageEvent<Scaled | Settled>) => {
      if ('switches' in data) {
        setPicture((now) => (now?.number === data.number ? { ...now, settled: data } : now));
        return;
      }
      const asked = busy.current;
      busy.current = null;
      if (asked?.number === data.number)
        setPicture({
          ...data,
          plan: asked.plan,
          settled: null,
          barsByRung: new Map(rungsOf(library).map((rung, i) => [rung.key, data.bars[i] ?? []])),
        });
      const next = waiting.current;
      waiting.current = null;
      if (next) {
        busy.current = { number: next.message.number, plan: next.plan };
        made.postMessage(next.message);
      }
    };
    worker.current = made;
    return () => {
      made.terminate();
      worker.current = null;
      busy.current = null;
      waiting.current = null;
    };
  }, [library]);

  useEffect(() => {
    if (!plan || !library || !worker.current) return;
    const { blocks, forWhom, writtenFor, dials } = plan;
    const session = { blocks, forWhom };
    const subject = person
      ? subjectOf(person, library, today())
      : laneSubject(typeof dials.ability === 'number' ? dials.ability : writtenFor);
    const changeSeconds = floorSeconds(subject.limits, 'change');
    const message: ToWorker & { kind: 'scale' } = {
      kind: 'scale',
      number: ++count.current,
      room: withOwn(room ?? ROOM_EXAMPLE, person?.equipment ?? []),
      subject: { session, writtenFor, dials, subject },
      lanes: {
        session,
        writtenFor,
        dials,
        count: plan.lanes?.count ?? USUAL_LANES,
        pins: lanePinsOf(plan),
      },
      others: (others ?? []).map((one) => ({
        id: one.id,
        request: {
          session,
          writtenFor,
          dials: { ...dials, ability: 'own rungs' },
          subject: subjectOf(one, library, today()),
        },
      })),
      rungs: rungs.map((rung) => rung.form),
      person: {
        massKg: person?.massKg,
        capacityMet: subject.capacityMet,
        ...(changeSeconds > 0 ? { changeSeconds } : {}),
      },
    };
    if (busy.current) waiting.current = { message, plan };
    else {
      busy.current = { number: message.number, plan };
      worker.current.postMessage(message);
    }
  }, [
    plan?.blocks,
    plan?.forWhom,
    plan?.writtenFor,
    plan?.dials,
    plan?.lanes,
    library,
    person,
    others,
    room,
    rungs,
    plan,
  ]);

  return picture;
}
