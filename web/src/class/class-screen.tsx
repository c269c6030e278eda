import { boughtBy, boughtWords, planMark } from '@inner-rung/core/class';
import type { FormRef } from '@inner-rung/core/move';
import { entriesOf } from '@inner-rung/core/session';
import { formName } from '@inner-rung/core/words';
import { useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { useClassToday } from '../features/class-today.ts';
import { useOpenPlan } from '../features/use-open-plan.ts';
import { useOwnWords } from '../features/use-own-words.ts';
import { WalkInDialog } from '../features/walk-in-dialog.tsx';
import { useShelf } from '../store/data.ts';
import { useGroupFromAddress } from '../store/group-address.ts';
import { useApp, useSend } from '../store/index.ts';
import { planEvents } from '../store/plan-slice.ts';
import { useRuns } from '../store/use-runs.ts';
import { Dialog } from '../ui/dialog.tsx';
import { MissingSession } from '../ui/missing.tsx';
import { ServerAway, Waiting } from '../ui/shell.tsx';
import { beginRun } from './begin-run.ts';
import { ClassBar } from './class-bar.tsx';
import { Foot } from './class-foot.tsx';
import { Changes, Heading, WhoRow } from './class-head.tsx';
import { Sheet } from './class-sheet.tsx';
import { PersonDialog } from './late-changes.tsx';

/** One page to teach a whole class from: per station the forms to show, who does which, what to say. */
export default function ClassScreen() {
  const { id = '' } = useParams();
  useGroupFromAddress();
  const send = useSend();
  const navigate = useNavigate();
  const [failedRun, setFailedRun] = useState<string | null>(null);
  const going = useRuns().underWay.find((run) => run.plan === id);
  const { library: shipped, people, groups, rooms, failed } = useShelf();
  const { plan, missing } = useOpenPlan(id);
  const library = useOwnWords(shipped, plan);
  const groupId = useApp((state) => state.view.group);
  const group = groups.find((g) => g.id === groupId) ?? null;
  const [wall, setWall] = useState(false);
  const [open, setOpen] = useState<
    | { is: 'person'; id: string; entry: number | null }
    | { is: 'walk-in' }
    | { is: 'form'; entry: number; form: FormRef }
    | null
  >(null);
  const { hall, room, who, answer, most, how, setWays } = useClassToday(
    shipped,
    plan,
    id,
    group,
    people,
    rooms,
  );
  if (failed || missing === 'away') return <ServerAway />;
  if (missing === 'gone') return <MissingSession />;
  if (!plan || !library) return <Waiting />;
  const wish = (entry: number, kind: 'bar' | 'give', form: FormRef, person?: string) => {
    const at = entriesOf(plan.blocks)[entry]!;
    const block = plan.blocks[at.block]!;
    send(
      planEvents.wished({
        block: block.id,
        station: block.stations[at.inBlock]!.id,
        kind,
        form,
        ...(person ? { person } : {}),
      }),
    );
    setOpen(null);
  };
  const runIt = async (planned: NonNullable<typeof answer>) => {
    const { id, wrong } = await beginRun({
      library,
      plan,
      group,
      people,
      hall,
      room,
      how,
      answer: planned,
    });
    if (wrong === null) void navigate(`/run/${id}`);
    else setFailedRun(wrong);
  };
  return (
    <div className="min-h-dvh bg-base-200 print:bg-white">
      <ClassBar
        id={id}
        ways={{ most, how }}
        onWays={setWays}
        wall={wall}
        onWall={setWall}
        onRun={answer?.switches ? () => void runIt(answer) : null}
      />
      <main className="mx-auto max-w-6xl bg-base-100 px-4 py-4 md:my-4 md:px-8 print:m-0 print:max-w-none print:p-0 print:text-black">
        {going && (
          <p
            className="no-print mb-2 flex flex-wrap items-center gap-3 border-l-4 border-primary pl-3"
            data-going
          >
            <span className="min-w-0 flex-1">
              This session is under way already; “Run it” begins another beside it.
            </span>
            <Link to={`/run/${going.id}`} className="btn btn-primary touch">
              Go on with it
            </Link>
          </p>
        )}
        {failedRun && (
          <p role="alert" className="no-print mb-2 border-l-4 border-error pl-3 font-semibold">
            {failedRun}
          </p>
        )}
        <Heading
          library={library}
          plan={plan}
          count={who.taking.length}
          where={room.name}
          group={group?.name}
          mark={answer ? planMark(answer.plan) : null}
        />
        {!wall && (
          <WhoRow
            who={who}
            onPerson={(one) => setOpen({ is: 'person', id: one, entry: null })}
            onWalkIn={() => setOpen({ is: 'walk-in' })}
          />
        )}
        {who.taking.length === 0 ? (
          <p className="mt-4 text-lg">
            Nobody to teach yet.{' '}
            <Link to="/people" className="underline underline-offset-4">
              Say who is here, by name or by number
            </Link>
            .
          </p>
        ) : answer === null ? (
          <p className="quiet mt-4" role="status">
            Working it out…
          </p>
        ) : (
          <>
            <Changes
              library={library}
              plan={plan}
              now={answer.plan}
              before={answer.before ?? answer.was}
              bought={answer.was ? boughtWords(boughtBy(answer.was, answer.plan)) : ''}
              taking={answer.taking}
            />
            <Sheet
              library={library}
              plan={plan}
              classPlan={answer.plan}
              taking={answer.taking}
              wall={wall}
              onForm={(entry, form) => setOpen({ is: 'form', entry, form })}
              onPerson={(one, entry) => setOpen({ is: 'person', id: one, entry })}
            />
            {!wall && (
              <Foot
                plan={plan}
                taking={answer.taking}
                classPlan={answer.plan}
                most={most}
                onUndo={(i) => send(planEvents.unwished(i))}
                room={hall}
                onBorrow={(item) => send(planEvents.borrowed(item))}
                onGiveBack={(i) => send(planEvents.givenBack(i))}
                onOwnLevel={(ids) => {
                  for (const person of ids) send(planEvents.levelGiven({ person, level: null }));
                }}
                library={library}
              />
            )}
          </>
        )}
      </main>
      {open?.is === 'person' && (
        <PersonDialog
          who={who}
          id={open.id}
          offers={
            open.entry === null || !answer
              ? []
              : answer.plan.entries[open.entry]!.forms.filter((f) => !f.people.includes(open.id)).map(
                  (f) => f.form,
                )
          }
          does={
            open.entry === null || !answer
              ? null
              : (answer.plan.entries[open.entry]!.forms.find((f) => f.people.includes(open.id))?.form ?? null)
          }
          library={library}
          switches={open.entry === null ? null : (answer?.switches?.[open.id]?.[open.entry] ?? null)}
          level={plan.levels?.find((one) => one.person === open.id)?.level ?? null}
          onLevel={(ids, level) => {
            for (const person of ids) send(planEvents.levelGiven({ person, level }));
          }}
          onGive={(ids, form) => {
            for (const person of ids) wish(open.entry!, 'give', form, person);
          }}
          onClose={() => setOpen(null)}
        />
      )}
      {open?.is === 'walk-in' && (
        <WalkInDialog
          onAdd={(conditions, level) => {
            who.walkIn(conditions, level);
            setOpen(null);
          }}
          onClose={() => setOpen(null)}
        />
      )}
      {open?.is === 'form' && (
        <Dialog title={formName(library, open.form.move, open.form.settings)} onClose={() => setOpen(null)}>
          <div className="grid gap-2">
            <button
              type="button"
              className="btn touch justify-start"
              onClick={() => wish(open.entry, 'bar', open.form)}
            >
              Not this one here
            </button>
            <Link className="btn touch justify-start" to={`/moves/${open.form.move}`}>
              All about it
            </Link>
          </div>
        </Dialog>
      )}
    </div>
  );
}
