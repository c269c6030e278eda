import type { Answers, Asks } from '@inner-rung/core/ask';
import { type ClassPlan, taughtBy, wishesOf } from '@inner-rung/core/class';
import type { Library } from '@inner-rung/core/ladder';
import type { FormRef } from '@inner-rung/core/move';
import { numberOf } from '@inner-rung/core/record';
import type { Room } from '@inner-rung/core/room';
import type { Taking } from '@inner-rung/core/run';
import { levelFor, type Plan } from '@inner-rung/core/session';
import { useEffect, useMemo, useRef, useState } from 'react';
import { engine } from '../engine/index.ts';
import { today } from '../store/day.ts';
import { storage } from '../store/storage.ts';

/** A plan with the people it is for: while the next is worked out, they may be others already. */
export interface ClassAnswer {
  readonly plan: ClassPlan;
  readonly before: ClassPlan | null;
  /** The plan before the trainer wanted something otherwise: what it is compared with. */
  readonly was: ClassPlan | null;
  readonly switches: Answers<'class'>['switches'];
  readonly taking: readonly Taking[];
}

/** What everybody did when it was last planned, and on what ground: another page plans from there and not anew. */
interface Stands {
  readonly of: string;
  readonly does: Readonly<Record<string, readonly (FormRef | null)[]>>;
}
const keyOf = (key: string) => `inner-rung/form/class-stands/${key}`;

/**
 * The class planned by the engine. What stands is kept as far as it goes: a late change is planned from the plan
 * that was there before it.
 */
export function useClass(
  library: Library | null,
  plan: Plan | null,
  room: Room,
  taking: readonly Taking[],
  most: number,
  how: 'together' | 'rotation',
  /** Of which session and group: what stands is kept under it. Null where nothing is. */
  key: string | null,
): ClassAnswer | null {
  const [answer, setAnswer] = useState<ClassAnswer | null>(null);
  const channel = useMemo(() => engine.channel(), []);
  const last = useRef<{ plan: ClassPlan; of: string } | null>(null);
  // What is planned from scratch when it changes: everything but who is there.
  const ground = useMemo(
    () =>
      JSON.stringify([
        plan?.blocks,
        plan?.writtenFor,
        plan?.dials,
        plan?.wishes,
        plan?.levels,
        room,
        most,
        how,
      ]),
    [plan?.blocks, plan?.writtenFor, plan?.dials, plan?.wishes, plan?.levels, room, most, how],
  );
  useEffect(() => () => channel.drop(), [channel]);
  useEffect(() => {
    if (!library || !plan) return;
    const stands = last.current?.of === ground ? last.current.plan : null;
    const compared = stands ? null : (last.current?.plan ?? null);
    const kept = key === null ? null : storage.read<Stands>(keyOf(key));
    // What stood yesterday is no ground for today.
    const ofGround = `${today()}-${ground.length}-${numberOf(ground)}`;
    const before = stands
      ? taughtBy(stands)
      : last.current === null && kept?.of === ofGround
        ? kept.does
        : null;
    const { blocks, forWhom, writtenFor, dials } = plan;
    const question: Asks<'class'> = {
      session: { blocks, forWhom },
      dials: { writtenFor, dials },
      room,
      on: today(),
      most,
      how,
      wishes: wishesOf(plan).map((wish) => ({ ...wish })),
      before: before && Object.fromEntries(Object.entries(before).map(([id, forms]) => [id, [...forms]])),
      people: taking.map(({ id, person }) => ({ id, person, ability: levelFor(plan, id) ?? 'own rungs' })),
    };
    channel.ask(library, 'class', question, ({ plan: made, switches }) => {
      last.current = { plan: made, of: ground };
      if (key !== null)
        storage.set(keyOf(key), JSON.stringify({ of: ofGround, does: taughtBy(made) } satisfies Stands));
      setAnswer({
        plan: made,
        before: stands,
        was: compared && compared.entries.length === made.entries.length ? compared : null,
        switches,
        taking,
      });
    });
  }, [channel, library, plan, room, taking, most, how, ground, key]);
  return answer;
}
