import { clockText, SEGMENT_KINDS } from '@inner-rung/core/clock';
import type { Library } from '@inner-rung/core/ladder';
import { LEVELS } from '@inner-rung/core/person';
import { doesNow, type Present, SIGNS, switchTo, type Way } from '@inner-rung/core/run';
import { blockName } from '@inner-rung/core/session';
import {
  ArrowLeft,
  Monitor,
  OctagonX,
  Pause,
  Play,
  Plus,
  RotateCcw,
  SkipForward,
  Smartphone,
  Undo2,
  Volume2,
} from 'lucide-react';
import { memo, useMemo, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { Link } from 'react-router';
import { Chip } from '../ui/choice.tsx';
import { Dialog } from '../ui/dialog.tsx';
import { useDraft } from '../ui/use-draft.ts';
import { PhonesDialog } from './phones-dialog.tsx';
import { useAwake, useSounds } from './sounds.ts';
import { entryAt, type Live, lookAt, secondsLeft, useLive } from './use-live.ts';
import { type LiveRun, useTick } from './use-run.ts';
import { WithRun } from './with-run.tsx';

const HEARD = { volume: 0.5, speech: false };

/** The run in the coach's hand: the clock, everybody with their form, everything one tap away. */
export default function CoachScreen() {
  return <WithRun>{(library, live) => <Coach library={library} live={live} />}</WithRun>;
}

function Coach(props: { library: Library; live: LiveRun }) {
  const { library, live } = props;
  const { id } = live.run;
  const all = useLive(library, live);
  const [heard, setHeard] = useDraft('run/heard', HEARD);
  const [phones, setPhones] = useState(false);
  useSounds(all.clock, all.calls, live.now, heard);
  useAwake(true);
  useTick(8);
  const { here, now, next } = lookAt(live, all);
  const during = now?.key ?? '';
  const entry = entryAt(now, next, here.into);
  const { press } = live;
  const goOrPause = () =>
    here.is === 'running'
      ? press({ kind: 'pause', why: 'pause' })
      : here.is !== 'over' && press({ kind: 'go' });
  useHotkeys('space', (event) => {
    event.preventDefault();
    goOrPause();
  });
  useHotkeys('n', () => press({ kind: 'next', during }), [during]);
  useHotkeys('u', () => live.undo());
  const finishes = useMemo(() => new Date(Date.now() + here.toCome * 1000), [here.toCome]);
  const working = now?.segment.kind === 'work' || now?.segment.kind === 'hold';
  const block = now ? live.run.plan.blocks[now.segment.block] : undefined;
  const counted = block && (block.format.kind === 'amrap' || block.format.kind === 'for time');
  const out = all.people.filter((p) => p.is === 'out' && p.sign?.note === null);
  const running = here.is === 'running' || here.is === 'paused';
  return (
    <div className="flex min-h-dvh flex-col lg:h-dvh">
      <header className="flex flex-wrap items-center gap-x-3 gap-y-1 border-b-2 border-base-300 px-3 py-1.5">
        <Link to={`/plan/${live.run.plan.id}/class`} className="btn btn-ghost btn-sm touch">
          <ArrowLeft size={18} aria-hidden /> The class
        </Link>
        <h1 className="min-w-0 flex-1 truncate text-xl">{live.run.plan.title}</h1>
        <p
          className={`text-sm ${live.away ? '' : 'max-md:sr-only'}`}
          role="status"
          data-run={live.away ? 'away' : live.waiting > 0 ? 'sending' : 'together'}
        >
          {live.away
            ? `The server is away: the run goes on here${live.waiting > 0 ? `, ${live.waiting} to send` : ''}.`
            : 'All devices together'}
        </p>
        <Chip on={heard.volume > 0} onTurn={() => setHeard({ volume: heard.volume > 0 ? 0 : 0.5 })}>
          <Volume2 size={17} className="mr-1 inline" aria-hidden />
          Sound
        </Chip>
        <Chip on={heard.speech} onTurn={() => setHeard({ speech: !heard.speech })}>
          Voice
        </Chip>
        <button type="button" className="btn btn-sm touch" onClick={() => setPhones(true)}>
          <Smartphone size={17} aria-hidden /> Phones
        </button>
        <a href={`/run/${id}/wall`} target="_blank" rel="noreferrer" className="btn btn-sm touch">
          <Monitor size={17} aria-hidden /> Wall
        </a>
      </header>
      <main className="grid min-h-0 flex-1 grid-cols-1 lg:grid-cols-[26rem_minmax(0,1fr)]">
        <section
          aria-label="The clock"
          className={`flex flex-col gap-3 p-4 lg:overflow-auto ${working && here.is === 'running' ? 'bg-base-content text-base-100' : 'bg-base-200'}`}
        >
          <div className="flex items-baseline justify-between">
            <p className="font-semibold">
              {here.is === 'before'
                ? 'Ready when you are'
                : here.is === 'over'
                  ? 'Over'
                  : here.is === 'paused'
                    ? `Standing still${all.clock.paused?.why === 'drink' ? ': drink' : ''}`
                    : now
                      ? working
                        ? 'Work'
                        : SEGMENT_KINDS[now.segment.kind]
                      : ''}
            </p>
            <p className="tabular-nums">{clockText(here.toCome)} to go</p>
          </div>
          <p
            className="display text-[6.5rem] leading-[0.85] tabular-nums lg:text-[8.5rem]"
            role="timer"
            data-seconds
          >
            {here.is === 'over' ? '✓' : secondsLeft(here.left)}
          </p>
          <div>
            <p className="display text-2xl leading-tight" data-now>
              {working && now
                ? now.segment.does.map((d) => all.names[d.entry]).join(', then ')
                : next
                  ? `Next: ${next.segment.does.map((d) => all.names[d.entry]).join(', then ')}`
                  : ''}
            </p>
            <p>
              {now && block && live.run.plan.blocks.length > 1
                ? `${blockName(live.run.plan.blocks, now.segment.block)} · `
                : ''}
              {now && running ? `round ${now.segment.round + 1}` : ''}
              {now?.segment.side ? ` · ${now.segment.side} side` : ''}
              {now?.segment.note ? ` · ${now.segment.note}` : ''}
            </p>
            {working && next && next !== now && (
              <p className="opacity-80">
                Next: {next.segment.does.map((d) => all.names[d.entry]).join(', then ')}
              </p>
            )}
            {entry !== null && <Cue library={library} move={moveAt(all, entry)} />}
          </div>
          {here.is !== 'over' ? (
            <>
              <div className="grid grid-cols-2 gap-2">
                <button
                  type="button"
                  className="btn btn-primary btn-lg touch col-span-2 text-xl"
                  onClick={goOrPause}
                >
                  {here.is === 'running' ? <Pause aria-hidden /> : <Play aria-hidden />}
                  {here.is === 'before' ? 'Go' : here.is === 'running' ? 'Pause' : 'Go on'}
                </button>
                {running && (
                  <>
                    <Act onClick={() => press({ kind: 'next', during })}>
                      <SkipForward size={17} aria-hidden /> {working ? 'Skip on' : 'We’re ready'}
                    </Act>
                    <Act onClick={() => press({ kind: 'add', seconds: 10, during })}>
                      <Plus size={17} aria-hidden /> 10 s more
                    </Act>
                    <Act onClick={() => press({ kind: 'pause', why: 'drink' })}>Drink</Act>
                    <Act onClick={() => press({ kind: 'again', during })}>
                      <RotateCcw size={17} aria-hidden /> Once more
                    </Act>
                    <Act onClick={() => press({ kind: 'one more round', during })}>One more round</Act>
                    <Act onClick={() => press({ kind: 'end after this round', during })}>
                      End after this round
                    </Act>
                  </>
                )}
              </div>
              <p className="text-sm">
                {running
                  ? `Finishes about ${finishes.toLocaleTimeString([], { hour: '2-digit', minute: '2-digit' })}.`
                  : ''}
                {live.last && (
                  <button
                    type="button"
                    className="touch ml-2 underline underline-offset-4"
                    onClick={() => live.undo()}
                  >
                    <Undo2 size={15} className="mr-1 inline" aria-hidden />
                    Take back “{live.last.kind}”
                  </button>
                )}
              </p>
              {running && (
                <button
                  type="button"
                  className="touch self-start text-sm underline underline-offset-4"
                  onClick={() => press({ kind: 'finish' })}
                >
                  It is over for today
                </button>
              )}
            </>
          ) : (
            <Link to={`/run/${id}/record`} className="btn btn-primary btn-lg touch text-xl">
              What came of it
            </Link>
          )}
          <p className="mt-auto hidden text-sm opacity-80 lg:block">
            Space starts and stops, N goes on, U takes back. What their clinician or your house says comes
            first.
          </p>
        </section>
        <section aria-label="Everybody" className="min-h-0 overflow-auto p-3">
          {out.length > 0 && (
            <ul className="mb-3 grid gap-2">
              {out.map((person) => (
                <OutNote
                  key={person.id}
                  person={person}
                  emergency={live.run.emergency}
                  onNote={(note) => press({ kind: 'sign recorded', person: person.id, note })}
                />
              ))}
            </ul>
          )}
          <People
            people={all.people}
            entry={entry}
            block={counted ? (now?.segment.block ?? null) : null}
            press={press}
          />
          <JoinLine people={all.people} press={press} />
        </section>
      </main>
      {phones && <PhonesDialog run={id} people={all.people} onClose={() => setPhones(false)} />}
    </div>
  );
}

const Act = (props: { onClick: () => void; children: React.ReactNode }) => (
  <button type="button" className="btn touch text-base-content" onClick={props.onClick}>
    {props.children}
  </button>
);

/** The move that most do at an entry. */
function moveAt(all: Live, entry: number): string | null {
  const count = new Map<string, number>();
  for (const person of all.people) {
    const does = person.is === 'here' ? doesNow(person, entry) : null;
    if (does) count.set(does.move, (count.get(does.move) ?? 0) + 1);
  }
  return [...count].sort((a, b) => b[1] - a[1])[0]?.[0] ?? null;
}

/** One thing to say, one thing to look out for. */
function Cue(props: { library: Library; move: string | null }) {
  const move = props.move === null ? undefined : props.library.move(props.move);
  if (!move) return null;
  const [fault] = move.faults;
  return (
    <p className="mt-1 text-sm leading-snug">
      {move.cues[0]}. {fault && `Look out: ${fault.see}. “${fault.say}”`}
    </p>
  );
}

const WAY_WORDS: readonly (readonly [Way, string])[] = [
  ['down', 'easier'],
  ['up', 'harder'],
  ['wrist', 'wrist'],
  ['knee', 'knee'],
  ['back', 'back'],
];

/** Everybody with what they do now; drawn anew only when something was pressed or the station changed. */
const People = memo(function People(props: {
  people: readonly Present[];
  entry: number | null;
  block: number | null;
  press: LiveRun['press'];
}) {
  const { people, entry, block, press } = props;
  const [stopping, setStopping] = useState<string | null>(null);
  if (people.length === 0)
    return <p className="quiet text-lg">Nobody is named: the session runs as it is written.</p>;
  return (
    <>
      <ul className="divide-y-2 divide-base-300">
        {people.map((person) => {
          const does = entry === null ? null : doesNow(person, entry);
          const changed = entry !== null && (person.doing[entry]?.length ?? 0) > 1;
          const count = block === null ? null : (person.counts.get(block) ?? { rounds: 0, reps: 0 });
          return (
            <li
              key={person.id}
              data-person={person.id}
              className={`flex flex-wrap items-center gap-x-3 gap-y-1 py-1.5 ${person.is === 'here' ? '' : 'opacity-60'}`}
            >
              <div className="min-w-48 flex-1">
                <p className="leading-tight font-semibold">
                  {person.name}
                  {person.is === 'gone' && ', gone'}
                  {person.is === 'out' && `, out: ${person.sign?.sign}`}
                </p>
                {person.is === 'here' && entry !== null && (
                  <p className={`leading-tight ${changed ? 'text-primary' : ''}`} data-does>
                    {does ? does.name : 'easy movement'}
                    {does?.dose && <span className="quiet"> · {does.dose}</span>}
                  </p>
                )}
                {person.is === 'here' && person.cautions[0] && (
                  <p className="quiet text-sm leading-tight">{person.cautions[0]}</p>
                )}
              </div>
              {person.is === 'here' && count && block !== null && (
                <div className="flex items-center gap-1">
                  <button
                    type="button"
                    className="btn touch"
                    onClick={() =>
                      press({ kind: 'count', person: person.id, block, rounds: count.rounds + 1, reps: 0 })
                    }
                  >
                    {count.rounds} rounds +1<span className="sr-only"> for {person.name}</span>
                  </button>
                  <button
                    type="button"
                    className="btn btn-ghost touch"
                    aria-label={`A rep more for ${person.name}`}
                    onClick={() =>
                      press({
                        kind: 'count',
                        person: person.id,
                        block,
                        rounds: count.rounds,
                        reps: count.reps + 1,
                      })
                    }
                  >
                    +{count.reps}
                  </button>
                </div>
              )}
              {person.is === 'here' && entry !== null && (
                <div className="flex flex-wrap gap-1">
                  {WAY_WORDS.filter(([way]) => switchTo(person, entry, way) !== undefined).map(
                    ([way, says]) => (
                      <button
                        key={way}
                        type="button"
                        className="btn btn-sm touch"
                        aria-label={`${says} for ${person.name}`}
                        onClick={() => press({ kind: 'switch', person: person.id, entry, way })}
                      >
                        {says}
                      </button>
                    ),
                  )}
                </div>
              )}
              {person.is === 'here' && (
                <div className="flex gap-1">
                  <button
                    type="button"
                    className="btn btn-sm touch btn-ghost"
                    aria-label={`${person.name} leaves`}
                    onClick={() => press({ kind: 'leave', person: person.id })}
                  >
                    leaves
                  </button>
                  <button
                    type="button"
                    className="btn btn-sm touch text-error"
                    aria-label={`Stop sign for ${person.name}`}
                    onClick={() => setStopping(person.id)}
                  >
                    <OctagonX size={18} aria-hidden />
                  </button>
                </div>
              )}
            </li>
          );
        })}
      </ul>
      {stopping && (
        <Dialog
          title={`${people.find((p) => p.id === stopping)?.name}: stop now`}
          onClose={() => setStopping(null)}
        >
          <div className="grid gap-1">
            {SIGNS.map((sign) => (
              <button
                key={sign}
                type="button"
                className="btn touch justify-start first-letter:uppercase"
                onClick={() => {
                  press({ kind: 'sign', person: stopping, sign });
                  setStopping(null);
                }}
              >
                {sign}
              </button>
            ))}
          </div>
        </Dialog>
      )}
    </>
  );
});

/** Somebody who was stopped: what to do, and what came of it, before they are off the coach's mind. */
function OutNote(props: { person: Present; emergency: string; onNote: (note: string) => void }) {
  const [note, setNote] = useState('');
  return (
    <li className="border-4 border-error p-3" role="alert">
      <p className="text-lg font-semibold">
        {props.person.name}: {props.person.sign?.sign}. Their part is over.
      </p>
      <p>{props.emergency || 'Stay with them, and do as your house’s emergency plan says.'}</p>
      <form
        className="mt-2 flex flex-wrap gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          if (note.trim().length >= 3) props.onNote(note.trim());
        }}
      >
        <input
          className="input min-w-48 flex-1"
          aria-label={`What came of it for ${props.person.name}`}
          placeholder="what was done, how they are"
          value={note}
          onChange={(event) => setNote(event.target.value)}
        />
        <button type="submit" className="btn touch" disabled={note.trim().length < 3}>
          Write it down
        </button>
      </form>
    </li>
  );
}

/** Somebody who walks in does as somebody who is here does: two taps. */
function JoinLine(props: { people: readonly Present[]; press: LiveRun['press'] }) {
  const [open, setOpen] = useState(false);
  const here = props.people.filter((p) => p.is === 'here');
  if (here.length === 0) return null;
  return (
    <>
      <button type="button" className="btn btn-sm touch mt-3" onClick={() => setOpen(true)}>
        Somebody more
      </button>
      {open && (
        <Dialog title="Does the same as" onClose={() => setOpen(false)}>
          <p className="quiet mb-2">
            Anybody with a condition of their own: plan them in on the class page first. {LEVELS[0].says}: the
            easiest here.
          </p>
          <div className="grid gap-1 sm:grid-cols-2">
            {here.map((person) => (
              <button
                key={person.id}
                type="button"
                className="btn touch justify-start"
                onClick={() => {
                  const n = props.people.filter((p) => p.id.startsWith('walked-in-')).length + 1;
                  props.press({
                    kind: 'join',
                    who: {
                      ...person.cast,
                      id: `walked-in-${n}`,
                      name: `walk-in ${n}`,
                      byNumber: true,
                      cautions: [],
                      does: person.doing.map((list) => list.at(-1)?.does ?? null),
                    },
                  });
                  setOpen(false);
                }}
              >
                {person.name}
              </button>
            ))}
          </div>
        </Dialog>
      )}
    </>
  );
}
