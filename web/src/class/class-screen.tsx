import {
  boughtBy,
  boughtWords,
  type ClassPlan,
  type ClassRun,
  classChanges,
  gapOf,
  isGranted,
  planMark,
  restForShowing,
  runningIn,
  showingOf,
  trimsAt,
} from '@inner-rung/core/class';
import { formatWords, lengthWords } from '@inner-rung/core/clock';
import type { Library } from '@inner-rung/core/ladder';
import type { FormRef } from '@inner-rung/core/move';
import { calledName, everybodyIn, LEVELS, standsFor } from '@inner-rung/core/person';
import { EQUIPMENT, type Room, type RoomItem, sizeUnit } from '@inner-rung/core/room';
import type { Taking } from '@inner-rung/core/run';
import { castOf, makeRun } from '@inner-rung/core/run';
import { blockName, entriesOf, factsIn, type Plan, timelineOf } from '@inner-rung/core/session';
import {
  COACH_STOP,
  countWord,
  formName,
  knownAs,
  restingName,
  sayStation,
  spokenAs,
  spokenOf,
} from '@inner-rung/core/words';
import { ArrowLeft, IdCard, Monitor, Play, Printer } from 'lucide-react';
import { useMemo, useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { engine } from '../engine/index.ts';
import { WaitingLine } from '../people/waiting-line.tsx';
import { useOpenPlan } from '../plan/use-open-plan.ts';
import { useOwnWords } from '../plan/use-own-words.ts';
import { sendRun } from '../run/send-run.ts';
import { WalkInDialog } from '../run/walk-in-dialog.tsx';
import { useShelf } from '../store/data.ts';
import { dayWords, newId, today } from '../store/day.ts';
import { useGroupFromAddress } from '../store/group-address.ts';
import { useApp, useSend } from '../store/index.ts';
import { planEvents } from '../store/plan-slice.ts';
import { useRuns } from '../store/use-runs.ts';
import { Chip, Choice } from '../ui/choice.tsx';
import { Dialog } from '../ui/dialog.tsx';
import { MissingSession } from '../ui/missing.tsx';
import { ServerAway, Waiting } from '../ui/shell.tsx';
import { useClassToday } from './class-today.ts';
import { PersonDialog } from './late-changes.tsx';
import type { useWhoToday } from './who-today.ts';

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
  const runIt = async () => {
    if (!answer?.switches) return;
    const { switches, taking, plan: made } = answer;
    const run = makeRun(
      library,
      plan,
      group?.id ?? null,
      hall,
      taking.map((one, i) =>
        castOf(library, plan, today(), one, made.uses[one.id] ?? [], switches[one.id] ?? [], i),
      ),
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
    if (wrong === null) void navigate(`/run/${run.id}`);
    else setFailedRun(wrong);
  };
  return (
    <div className="min-h-dvh bg-base-200 print:bg-white">
      <header className="no-print z-10 flex flex-wrap items-center gap-x-4 gap-y-1 border-b-2 md:sticky md:top-0 border-base-300 bg-base-100 px-4 py-2">
        <Link to={`/plan/${id}`} className="btn btn-ghost btn-sm touch">
          <ArrowLeft size={18} aria-hidden /> Back to the floor
        </Link>
        <Choice
          legend="Forms at a station, at most"
          name="most"
          value={most}
          of={[1, 2, 3, 4].map((n) => ({ value: n, says: String(n) }))}
          onChoose={(most) => setWays({ most })}
        />
        <Choice
          legend="At the stations"
          name="how"
          value={how}
          of={[
            { value: 'together', says: 'all at one' },
            { value: 'rotation', says: 'going round' },
          ]}
          onChoose={(how) => setWays({ how })}
        />
        <Chip on={wall} onTurn={() => setWall(!wall)}>
          <Monitor size={17} className="mr-1 inline" aria-hidden />
          For the wall
        </Chip>
        <Link to={`/plan/${id}/paper`} className="btn touch ml-auto">
          <IdCard size={18} aria-hidden /> Cards
        </Link>
        <button type="button" className="btn touch" onClick={() => window.print()}>
          <Printer size={18} aria-hidden /> Print
        </button>
        <button
          type="button"
          className="btn btn-primary touch max-md:grow"
          disabled={!answer?.switches}
          onClick={() => void runIt()}
        >
          <Play size={18} aria-hidden /> Run it
        </button>
      </header>
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
                onOwnLevel={(person) => send(planEvents.levelGiven({ person, level: null }))}
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
          onLevel={(level) => send(planEvents.levelGiven({ person: open.id, level }))}
          onGive={(form) => wish(open.entry!, 'give', form, open.id)}
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

function Heading(props: {
  library: Library;
  plan: Plan;
  count: number;
  where: string;
  group: string | undefined;
  /** Which plan it is: on paper as well, so that a page printed before a change is known for old. */
  mark: string | null;
}) {
  const { library, plan } = props;
  const range = timelineOf(plan, factsIn(library)).range;
  return (
    <>
      <div className="flex flex-wrap items-baseline justify-between gap-x-6 border-b-4 border-current pb-2">
        <h1 className="text-3xl">{plan.title}</h1>
        <p className="display text-2xl">{lengthWords(range)}</p>
      </div>
      <p className="quiet print:text-black">
        {props.count} {props.count === 1 ? 'person' : 'people'}
        {props.group ? `, ${props.group}` : ''} · {props.where}
        {props.mark && (
          <>
            {' '}
            · {dayWords(today())} · plan <span data-mark>{props.mark}</span>
          </>
        )}
      </p>
    </>
  );
}

/** Everybody as a name to tap: not here, something sore; and somebody more. */
function WhoRow(props: {
  who: ReturnType<typeof useWhoToday>;
  onPerson: (id: string) => void;
  onWalkIn: () => void;
}) {
  const { who } = props;
  // Those who are known by number and alike today are one to tap.
  const chips = new Map<string, { ids: string[]; says: string; away: boolean; sore: boolean }>();
  for (const { id, person } of [...who.expected, ...who.walkIns]) {
    const away = who.day.away.includes(id);
    const sore = who.day.sore[id] ?? [];
    const byNumber = standsFor(person) !== null;
    const says = calledName(person);
    const key = byNumber ? `${says}/${away}/${sore.join()}` : id;
    const known = chips.get(key);
    if (known) known.ids.push(id);
    else chips.set(key, { ids: [id], says, away, sore: sore.length > 0 });
  }
  return (
    <section aria-label="Who is here" className="no-print mt-2 flex flex-wrap gap-1.5">
      {[...chips.values()].map(({ ids, says, away, sore }) => (
        <button
          key={ids[0]}
          type="button"
          className={`touch rounded-full border-2 px-3 text-[0.95rem] leading-tight ${away ? 'border-dashed border-base-300 line-through' : sore ? 'border-primary font-semibold' : 'border-base-300'} hover:bg-base-200`}
          onClick={() => props.onPerson(ids[0]!)}
        >
          {ids.length > 1 ? knownAs(ids.length, says) : says}
          {away && <span className="sr-only">, not here</span>}
          {sore && !away && ', sore today'}
        </button>
      ))}
      <button type="button" className="btn btn-sm touch" onClick={props.onWalkIn}>
        Somebody more
      </button>
      <WaitingLine waiting={who.waiting} className="w-full" />
    </section>
  );
}

/** What a late change changed for the others, each in a sentence. */
function Changes(props: {
  library: Library;
  plan: Plan;
  now: ClassPlan;
  before: ClassPlan | null;
  /** What a wish came to; empty after a late change. */
  bought: string;
  taking: readonly Taking[];
}) {
  const { library, now, before, plan } = props;
  const entries = entriesOf(plan.blocks);
  const said = useMemo(() => {
    const name = (form: FormRef) => formName(library, form.move, form.settings).toLowerCase();
    return before
      ? classChanges(before, now).flatMap(({ person, entry, was, is }) => {
          const one = props.taking.find((t) => t.id === person);
          const what = is ? name(is) : 'easy movement';
          return one
            ? [
                `${spokenAs(one.person).name}, station ${entries[entry]!.inBlock + 1}: ${what}${was ? ` for ${name(was)}` : ''}.`,
              ]
            : [];
        })
      : null;
  }, [before, now, library, props.taking, entries]);
  if (!said) return null;
  return (
    <div className="no-print mt-2 border-l-4 border-primary pl-3" role="status" data-changes={said.length}>
      {props.bought && <p className="font-semibold">{props.bought}</p>}
      {said.length === 0 ? (
        <p>{props.bought ? 'Nobody does anything else.' : 'Nothing changes for the others.'}</p>
      ) : (
        <ul>
          {said.slice(0, 6).map((one, i) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: sentences may be alike for people known by number
            <li key={i}>{one}</li>
          ))}
          {said.length > 6 && <li>And {said.length - 6} more.</li>}
        </ul>
      )}
    </div>
  );
}

function Sheet(props: {
  library: Library;
  plan: Plan;
  classPlan: ClassPlan;
  taking: readonly Taking[];
  wall: boolean;
  onForm: (entry: number, form: FormRef) => void;
  onPerson: (id: string, entry: number) => void;
}) {
  const { library, plan, classPlan, wall } = props;
  const entries = entriesOf(plan.blocks);
  const byId = new Map(props.taking.map((t) => [t.id, t]));
  const half = props.taking.length / 2;
  return (
    <>
      {plan.blocks.map((block, b) => (
        <section key={block.id} aria-labelledby={`class-${block.id}`} className="mt-4">
          {plan.blocks.length > 1 && (
            <h2 id={`class-${block.id}`} className="flex items-baseline gap-3 text-2xl">
              {blockName(plan.blocks, b)}
            </h2>
          )}
          <p
            className="quiet text-sm print:text-black"
            id={plan.blocks.length > 1 ? undefined : `class-${block.id}`}
          >
            {formatWords(block.format)}
          </p>
          <ol className="divide-y-2 divide-base-300 border-y-2 border-base-300">
            {classPlan.entries
              .filter(({ entry }) => entries[entry]!.block === b && (entries[entry]!.round ?? 0) === 0)
              .map(({ entry, forms, resting }) => {
                const at = entries[entry]!;
                const chained = at.part > 0;
                const trims = trimsAt(library, classPlan, entry);
                const line = sayStation(
                  library,
                  forms.map((f) => ({
                    form: f.form,
                    people: f.people.map((id) => spokenAs(byId.get(id)!.person)),
                  })),
                  trims.map(({ says, people: who }) => ({
                    says,
                    people: who.map((id) => spokenAs(byId.get(id)!.person)),
                  })),
                );
                return (
                  <li
                    key={entry}
                    data-station={at.inBlock + 1}
                    className="grid break-inside-avoid grid-cols-[2.2rem_1fr] gap-x-3 py-2"
                  >
                    <span className="display text-right text-2xl text-primary print:text-black">
                      {chained ? '+' : at.inBlock + 1}
                    </span>
                    <div className="min-w-0">
                      <div className="flex flex-wrap gap-x-8 gap-y-1">
                        {forms.map((form, k) => (
                          <div
                            key={`${form.form.move}${JSON.stringify(form.form.settings)}`}
                            className="min-w-44 flex-1"
                          >
                            <button
                              type="button"
                              className={`display min-h-8 text-left leading-tight underline-offset-4 hover:underline max-md:min-h-11 ${k === 0 ? 'text-xl' : 'text-lg'}`}
                              onClick={() => props.onForm(entry, form.form)}
                            >
                              {formName(library, form.form.move, form.form.settings)}
                            </button>
                            {!wall && (
                              <p className="leading-snug">
                                {k === 0 && form.people.length > half && forms.length > 1 ? (
                                  <span>
                                    <strong>{form.people.length}</strong>: all the others
                                  </span>
                                ) : (
                                  <>
                                    <strong>{form.people.length}</strong>:{' '}
                                    <Names
                                      ids={form.people}
                                      byId={byId}
                                      onPerson={(id) => props.onPerson(id, entry)}
                                    />
                                  </>
                                )}
                              </p>
                            )}
                          </div>
                        ))}
                        {resting.length > 0 && (
                          <div className="min-w-44 flex-1">
                            <p className="display text-lg">{restingName(library, at.move)}</p>
                            {!wall && (
                              <p>
                                <strong>{resting.length}</strong>:{' '}
                                <Names
                                  ids={resting}
                                  byId={byId}
                                  onPerson={(id) => props.onPerson(id, entry)}
                                />
                              </p>
                            )}
                          </div>
                        )}
                      </div>
                      {!wall && (forms.length > 1 || trims.length > 0) && (
                        <p
                          className="mt-0.5 border-l-4 border-base-300 pl-2 text-[0.95rem] print:border-black"
                          data-say
                        >
                          “{line}”
                        </p>
                      )}
                    </div>
                  </li>
                );
              })}
          </ol>
        </section>
      ))}
    </>
  );
}

/** Names to tap; those known by number as how many of each. */
function Names(props: {
  ids: readonly string[];
  byId: ReadonlyMap<string, Taking>;
  onPerson: (id: string) => void;
}) {
  const kinds = new Map<string, { ids: string[]; byNumber: boolean; name: string }>();
  for (const id of props.ids) {
    const one = spokenAs(props.byId.get(id)!.person);
    const key = one.byNumber ? one.name : id;
    const known = kinds.get(key) ?? { ids: [], byNumber: one.byNumber, name: one.name };
    known.ids.push(id);
    kinds.set(key, known);
  }
  return (
    <>
      {[...kinds.values()].map((kind, i) => (
        <span key={kind.ids[0]}>
          {i > 0 && ', '}
          <button
            type="button"
            className="inline min-h-6 py-0.5 text-left leading-6 decoration-dotted underline-offset-4 hover:underline"
            onClick={() => props.onPerson(kind.ids[0]!)}
          >
            {kind.byNumber ? knownAs(kind.ids.length, kind.name) : kind.name}
          </button>
        </span>
      ))}
    </>
  );
}

/** Who loads a joint three stations running, at most two sentences of it. */
const runWords = (runs: readonly ClassRun[], plan: Plan, taking: readonly Taking[]): string[] =>
  runs.slice(0, 2).map(({ block, station, joint, people }) => {
    const where = `station ${station + 1}${plan.blocks.length > 1 ? ` of ${blockName(plan.blocks, block).toLowerCase()}` : ''}`;
    const who = taking.filter((t) => people.includes(t.id)).map((t) => spokenAs(t.person));
    return `For ${who.length === taking.length ? 'everybody' : spokenOf(who)} three stations running load ${joint}, up to ${where}.`;
  });

/** How good it is, what showing takes, what the trainer asked for otherwise. */
function Foot(props: {
  library: Library;
  plan: Plan;
  classPlan: ClassPlan;
  taking: readonly Taking[];
  most: number;
  onUndo: (index: number) => void;
  room: Room;
  onBorrow: (item: Pick<RoomItem, 'what' | 'size'>) => void;
  onGiveBack: (index: number) => void;
  onOwnLevel: (person: string) => void;
}) {
  const [borrowing, setBorrowing] = useState(false);
  const { classPlan, plan, library } = props;
  const gap = gapOf(classPlan);
  const rest = useMemo(() => restForShowing(plan, factsIn(library)), [plan, library]);
  const { forms: shown, seconds } = showingOf(classPlan);
  const running = useMemo(
    () => runWords(runningIn(library, plan.blocks, classPlan), plan, props.taking),
    [library, plan, classPlan, props.taking],
  );
  const short = new Set(classPlan.shortOf.map((one) => one.person)).size;
  return (
    <div className="mt-4 text-sm">
      <p>
        {shown} forms to show, about {Math.ceil(seconds / 60)} minutes of it
        {seconds > rest
          ? `; the rests leave ${Math.floor(rest / 60)}: show some before it begins`
          : ', which the rests hold'}
        .{' '}
        {gap < 0.001
          ? `No plan with at most ${countWord(props.most)} ${props.most === 1 ? 'form' : 'forms'} a station suits them better.`
          : `No plan with at most ${countWord(props.most)} a station can be better by more than ${Math.max(1, Math.round(gap * 100))} %${short > 0 ? '; things are short' : ''}.`}
        {short > 0 &&
          ` For ${countWord(short)} of them something is short: they do another form of those shown; “Set up” says where.`}
      </p>
      {running.map((one) => (
        <p key={one}>{one}</p>
      ))}
      {(plan.wishes ?? []).length > 0 && (
        <ul className="no-print mt-1" aria-label="As you wanted it">
          {plan.wishes!.map((wish, i) => (
            <li key={JSON.stringify(wish)} className="flex items-center gap-2">
              <span>
                {wish.kind === 'bar' ? 'Not shown' : 'Given'}:{' '}
                {formName(library, wish.form.move, wish.form.settings)}
                {!isGranted(plan, classPlan, wish) && ', but it isn’t open to them here'}
              </span>
              <button type="button" className="btn btn-ghost btn-sm touch" onClick={() => props.onUndo(i)}>
                Take back
              </button>
            </li>
          ))}
        </ul>
      )}
      <div className="no-print mt-1 flex flex-wrap items-center gap-2">
        {(plan.levels ?? []).map(({ person, level }) => {
          const one = props.taking.find((t) => t.id === person);
          return one ? (
            <button
              key={person}
              type="button"
              className="btn btn-sm touch"
              onClick={() => props.onOwnLevel(person)}
            >
              {spokenAs(one.person).name}: {LEVELS[level].name.toLowerCase()} ×
              <span className="sr-only">, as they are</span>
            </button>
          ) : null;
        })}
        {(plan.borrowed ?? []).map((item, i) => (
          <button
            key={`${item.what}${item.size ?? ''}`}
            type="button"
            className="btn btn-sm touch"
            onClick={() => props.onGiveBack(i)}
          >
            {item.count} more: {itemWords(item)} ×<span className="sr-only">, give back</span>
          </button>
        ))}
        <button type="button" className="btn btn-sm touch" onClick={() => setBorrowing(true)}>
          What if we borrowed…
        </button>
      </div>
      {borrowing && (
        <Dialog title="One more of" onClose={() => setBorrowing(false)}>
          <div className="grid gap-1 sm:grid-cols-2">
            {props.room.items
              .filter((item) => item.what !== 'wall')
              .map((item) => (
                <button
                  key={`${item.what}${item.size ?? ''}`}
                  type="button"
                  className="btn touch justify-start"
                  onClick={() => {
                    props.onBorrow({
                      what: item.what,
                      ...(item.size === undefined ? {} : { size: item.size }),
                    });
                    setBorrowing(false);
                  }}
                >
                  {itemWords(item)}
                </button>
              ))}
          </div>
        </Dialog>
      )}
      <p className="mt-2 border-t-2 border-current pt-2">{COACH_STOP}</p>
    </div>
  );
}

/** A thing as it is asked for: "Dumbbell, 4 kg". */
const itemWords = (item: Pick<RoomItem, 'what' | 'size'>): string =>
  `${EQUIPMENT[item.what].name}${item.size === undefined ? '' : `, ${item.size} ${sizeUnit(item.what) ?? ''}`}`;
