import { isTallied } from '@inner-rung/core/clock';
import type { Library } from '@inner-rung/core/ladder';
import { toBeatOf } from '@inner-rung/core/log';
import type { Group, Person } from '@inner-rung/core/person';
import { everybodyIn } from '@inner-rung/core/person';
import type { Room } from '@inner-rung/core/room';
import { castOf, makeRun } from '@inner-rung/core/run';
import type { Plan } from '@inner-rung/core/session';
import { engine } from '../engine/index.ts';
import type { Ways } from '../features/class-today.ts';
import { sendRun } from '../features/send-run.ts';
import type { ClassAnswer } from '../features/use-class.ts';
import { newId, today } from '../store/day.ts';
import { records, store } from '../store/index.ts';

/** The longest that a run waits for what was recorded before. Estimate. */
const LONGEST_WAIT_MS = 1500;

/** What a run is made of: the class as it is planned on its page. */
interface Planned {
  readonly library: Library;
  readonly plan: Plan;
  readonly group: Group | null;
  readonly people: readonly Person[];
  readonly hall: Room;
  readonly room: Room;
  readonly how: Ways['how'];
  readonly answer: ClassAnswer;
}

/** Makes a run of a planned class and sends it; gives its id, or one sentence why it couldn't be begun. */
export async function beginRun(
  planned: Planned,
): Promise<{ readonly id: string; readonly wrong: string | null }> {
  const { library, plan, group, people, hall, room, how, answer } = planned;
  const { switches, taking, plan: made } = answer;
  // What somebody did before is on their row and phone where rounds are counted; nobody stands waiting for it.
  if (plan.blocks.some(({ format }) => isTallied(format)))
    await Promise.race([
      records.load(store).catch(() => undefined),
      new Promise((done) => setTimeout(done, LONGEST_WAIT_MS)),
    ]);
  const before = Object.values(records.docs(store.getState()));
  const run = makeRun(
    library,
    plan,
    group?.id ?? null,
    hall,
    taking.map((one, i) => {
      const uses = made.uses[one.id] ?? [];
      const toBeat = toBeatOf(before, one.id, plan, uses);
      return castOf(library, plan, today(), one, uses, switches?.[one.id] ?? [], i, toBeat);
    }),
    how,
    { id: newId('run'), on: today() },
  );
  // Where this fails the run is made all the same, and nobody more can be planned in away from the library.
  const newcomers = await engine
    .once(library, 'newcomers', {
      run,
      events: [],
      on: run.on,
      dials: { writtenFor: plan.writtenFor, dials: plan.dials },
      room,
      expected: [...people, ...(group ? everybodyIn(group, people) : [])],
    })
    .catch(() => []);
  const wrong = await sendRun({ ...run, newcomers: [...newcomers] });
  return { id: run.id, wrong };
}
