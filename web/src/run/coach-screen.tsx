import { swappedOtherwise } from '@inner-rung/core/ask';
import type { Library } from '@inner-rung/core/ladder';
import { type ConditionId, everybodyIn, type LevelIndex } from '@inner-rung/core/person';
import { unsaidRoom, withBorrowed } from '@inner-rung/core/room';
import { doesNow, positionAt } from '@inner-rung/core/run';
import { ArrowLeft, HeartPulse, Monitor, Smartphone } from 'lucide-react';
import { useCallback, useState } from 'react';
import { Link } from 'react-router';
import { engine } from '../engine/index.ts';
import { FromNowOn } from '../features/from-now-on.tsx';
import { MovePicker } from '../features/move-picker.tsx';
import { WalkInDialog } from '../features/walk-in-dialog.tsx';
import { plans as allPlans } from '../store/api.ts';
import { useShelf } from '../store/data.ts';
import { newId, today } from '../store/day.ts';
import { Coach } from './coach.tsx';
import { JoinSame } from './join-same.tsx';
import { PhonesDialog } from './phones-dialog.tsx';
import { StrapsDialog, useStraps } from './straps.tsx';
import { useLive } from './use-live.ts';
import { type LiveRun, useTick } from './use-run.ts';
import { useStopsInFiles } from './use-stops.ts';
import { useWallSays, WALL_SAYS, type WallSays } from './use-wall-says.ts';
import { WithRun } from './with-run.tsx';

/** The coach's face of a run, on this machine or another: with everything that takes the library and the server. */
export default function CoachScreen() {
  return <WithRun>{(library, live) => <CoachFace library={library} live={live} />}</WithRun>;
}

function CoachFace(props: { library: Library; live: LiveRun }) {
  const { library, live } = props;
  const { run } = live;
  const all = useLive(live);
  const { people: files, rooms, groups } = useShelf();
  useStopsInFiles(live, files);
  const [wall, setWall] = useWallSays();
  const plans = allPlans.use();
  const [open, setOpen] = useState<
    'phones' | 'straps' | 'join' | { person: string | null; entry: number } | null
  >(null);
  const [said, setSaid] = useState('');
  /** What somebody did until it was put aside for them: it may be for good. */
  const [aside, setAside] = useState<{ person: string; move: string } | null>(null);
  const leaves = (person: string | null, entry: number) => {
    const one = all.people.find(({ id }) => id === person);
    const does = one && doesNow(one, entry);
    setAside(
      one && does && files.some(({ id }) => id === person) ? { person: one.id, move: does.move } : null,
    );
  };
  // Hearts are read once a second; nothing else here has to look that often.
  useTick(1);
  const second = Math.floor(positionAt(all.clock, live.now()).done);
  const straps = useStraps(library, run, all.clock, all.people, files, second);
  const group = groups.find((g) => g.id === run.group) ?? null;
  const plan = plans.data?.find((p) => p.id === run.plan.id)?.body ?? null;
  const ground = () => ({
    run,
    events: [...live.events],
    on: today(),
    dials: plan && { writtenFor: plan.writtenFor, dials: plan.dials },
    room: withBorrowed(
      rooms.find((r) => r.name === run.room) ?? unsaidRoom(run.cast.length),
      plan?.borrowed ?? [],
    ),
    expected: [...files, ...(group ? everybodyIn(group, files) : [])],
  });
  const nameOf = (id: string | null) => all.people.find((p) => p.id === id)?.name ?? '';
  const join = async (conditions: readonly ConditionId[], level: LevelIndex, as: string | null = null) => {
    setOpen(null);
    setSaid('Planning them in…');
    // An id that nobody else who walks in at the same moment has.
    const id = newId('walked-in');
    const asked = { ...ground(), id, conditions: [...conditions], level, as };
    const who = await engine.once(library, 'walk-in', asked);
    live.press({ kind: 'join', who });
    setSaid(`${who.name} is in. Nobody else’s forms have changed.`);
  };
  const swap = async (person: string | null, entry: number, move: string) => {
    setOpen(null);
    leaves(person, entry);
    setSaid('Looking what is open to whom…');
    const swaps = await engine.once(library, 'swap', { ...ground(), entry, move, person });
    live.press(...swaps);
    const others = swappedOtherwise(swaps, move);
    setSaid(
      others.length === 0
        ? `${library.move(move)?.name}: for ${person === null ? 'everybody' : nameOf(person)}.`
        : `${library.move(move)?.name} isn’t open to everybody: ${others
            .map((o) => `${nameOf(o.person)} does ${o.does ? o.does.name.toLowerCase() : 'easy movement'}`)
            .join('; ')}.`,
    );
  };
  const ruledFor = files.find(({ id }) => id === aside?.person) ?? null;
  const onSwap = useCallback((person: string | null, entry: number) => setOpen({ person, entry }), []);
  return (
    <>
      <Coach
        live={live}
        all={all}
        hearts={straps.hearts}
        onSwap={onSwap}
        badges={wall === 'numbers'}
        back={
          <Link to={`/plan/${run.plan.id}/class`} className="btn btn-ghost btn-sm touch">
            <ArrowLeft size={18} aria-hidden /> The class
          </Link>
        }
        status={
          <p
            className={`text-sm ${live.away ? '' : 'max-md:sr-only'}`}
            role="status"
            data-run={live.away ? 'away' : live.waiting > 0 ? 'sending' : 'together'}
          >
            {live.away
              ? `The server is away: the run goes on here${live.waiting > 0 ? `, ${live.waiting} to send` : ''}.`
              : 'All devices together'}
          </p>
        }
        tools={
          <>
            <button type="button" className="btn btn-sm touch" onClick={() => setOpen('straps')}>
              <HeartPulse size={17} aria-hidden /> Hearts
            </button>
            <button type="button" className="btn btn-sm touch" onClick={() => setOpen('phones')}>
              <Smartphone size={17} aria-hidden /> Phones
            </button>
            <a
              href={`/run/${run.id}/wall${wall === 'nobody' ? '' : `?whose=${wall}`}`}
              target="_blank"
              rel="noreferrer"
              className="btn btn-sm touch"
            >
              <Monitor size={17} aria-hidden /> Wall
            </a>
            <select
              aria-label="On the wall, people find their form by"
              className="select select-sm touch w-auto"
              value={wall}
              onChange={(event) => setWall(event.target.value as WallSays)}
            >
              {WALL_SAYS.map(({ value, says }) => (
                <option key={value} value={value}>
                  {says}
                </option>
              ))}
            </select>
          </>
        }
        more={
          <div className="mt-3 flex flex-wrap items-center gap-3">
            <button type="button" className="btn btn-sm touch" onClick={() => setOpen('join')}>
              Somebody more
            </button>
            <p role="status" className="min-w-0 flex-1 text-sm">
              {said}
            </p>
            {ruledFor && aside && (
              <div className="flex flex-wrap items-center gap-2" data-from-now-on>
                <FromNowOn
                  library={library}
                  person={ruledFor}
                  move={aside.move}
                  against
                  onDone={(says) => {
                    setSaid(`${ruledFor.name}: ${says}`);
                    setAside(null);
                  }}
                />
                <button type="button" className="btn btn-ghost btn-sm touch" onClick={() => setAside(null)}>
                  only today
                </button>
              </div>
            )}
          </div>
        }
        after={
          <Link to={`/run/${run.id}/record`} className="btn btn-primary btn-lg touch text-xl">
            What came of it
          </Link>
        }
      />
      {open === 'phones' && <PhonesDialog run={run.id} people={all.people} onClose={() => setOpen(null)} />}
      {open === 'straps' && (
        <StrapsDialog source={straps.source} onFrom={straps.setFrom} onClose={() => setOpen(null)} />
      )}
      {open === 'join' && (
        <WalkInDialog
          onAdd={(conditions, level) => void join(conditions, level)}
          onClose={() => setOpen(null)}
        >
          <JoinSame
            people={all.people}
            onJoin={(as) => {
              // Of whom nobody knows anything it is taken that they do as that one does.
              void join([], as.cast.today.level ?? 1, as.id);
            }}
          />
        </WalkInDialog>
      )}
      {open !== null && typeof open === 'object' && (
        <MovePicker
          library={library}
          title={
            open.person === null ? 'Another move for everybody' : `Another move for ${nameOf(open.person)}`
          }
          onPick={(move) => void swap(open.person, open.entry, move)}
          besides={{
            name: open.person === null ? 'Nobody does this one' : 'Sits this one out',
            says: 'easy movement till the next',
            take: () => {
              setOpen(null);
              leaves(open.person, open.entry);
              live.press({ kind: 'swap', person: open.person, entry: open.entry, does: null });
              setSaid(
                `${all.names[open.entry]}: ${open.person === null ? 'left out' : `${nameOf(open.person)} sits it out`}. Take back puts it in again.`,
              );
            },
          }}
          onClose={() => setOpen(null)}
        />
      )}
    </>
  );
}
