import { doesNow, entryName, formsAt, type Present, type Run, walkedIn } from '@inner-rung/core/run';
import { blockName, entriesOf } from '@inner-rung/core/session';
import { type ReactNode, useMemo, useState } from 'react';
import { Coach } from '../run/coach.tsx';
import { type Live, useLive } from '../run/use-live.ts';
import { newId } from '../store/day.ts';
import { Dialog } from '../ui/dialog.tsx';
import { PackRecord } from './pack-record.tsx';
import { canKeep, type Packed, usePackRun } from './use-pack-run.ts';

const VIEWS = ['run', 'class', 'cards', 'record', 'about'] as const;
type View = (typeof VIEWS)[number];
const SAYS: Readonly<Record<View, string>> = {
  run: 'Run',
  class: 'Class sheet',
  cards: 'Cards',
  record: 'What came of it',
  about: 'About',
};
/** A session in one file: its clock, its sounds, who does what, and what came of it, with no server anywhere. */
export function Pack(props: { packed: Packed }) {
  const live = usePackRun(props.packed);
  const all = useLive(live);
  const [view, setView] = useState<View>('run');
  const [joining, setJoining] = useState(false);
  const keeps = useMemo(canKeep, []);
  const newcomers = live.run.newcomers ?? [];
  const nav = (
    <nav aria-label="Parts of the pack" className="flex flex-wrap gap-1">
      {VIEWS.filter((v) => v !== view).map((v) => (
        <button key={v} type="button" className="btn btn-sm touch" onClick={() => setView(v)}>
          {SAYS[v]}
        </button>
      ))}
    </nav>
  );
  const warning = !keeps && (
    <p role="alert" className="bg-error px-3 py-1 font-semibold text-error-content">
      This browser keeps nothing for a page from storage: don’t reload, and save the results at the end.
    </p>
  );
  if (view === 'run')
    return (
      <>
        {warning}
        <Coach
          live={live}
          all={all}
          hearts={null}
          onSwap={null}
          back={null}
          status={
            <p className="text-sm" role="status" data-run="pack">
              On this device alone
            </p>
          }
          tools={nav}
          more={
            <button type="button" className="btn btn-sm touch mt-3" onClick={() => setJoining(true)}>
              Somebody more
            </button>
          }
          after={
            <button
              type="button"
              className="btn btn-primary btn-lg touch text-xl"
              onClick={() => setView('record')}
            >
              What came of it
            </button>
          }
        />
        {joining && (
          <Dialog title="Somebody more" onClose={() => setJoining(false)}>
            {newcomers.length === 0 ? (
              <p>This session was made without anybody more in it: here nobody can be planned in.</p>
            ) : (
              <p>Planned beforehand for whom nobody knows, with nothing sore.</p>
            )}
            <div className="grid grid-cols-2 gap-2">
              {newcomers.map((newcomer) => (
                <button
                  key={newcomer.id}
                  type="button"
                  className="btn touch"
                  onClick={() => {
                    live.press({ kind: 'join', who: walkedIn(all.people, newcomer, newId) });
                    setJoining(false);
                  }}
                >
                  {newcomer.name}
                </button>
              ))}
            </div>
          </Dialog>
        )}
      </>
    );
  return (
    <div className="min-h-dvh">
      {warning}
      <header className="no-print sticky top-0 z-10 flex flex-wrap items-center gap-3 border-b-2 border-base-300 bg-base-100 px-3 py-1.5">
        <h1 className="min-w-0 flex-1 truncate text-xl">
          {SAYS[view]}: {live.run.plan.title}
        </h1>
        {nav}
      </header>
      <main className="mx-auto max-w-5xl px-4 py-3">
        {view === 'class' && <ClassSheet run={live.run} all={all} />}
        {view === 'cards' && <Cards run={live.run} people={all.people} />}
        {view === 'record' && <PackRecord live={live} />}
        {view === 'about' && <About />}
      </main>
    </div>
  );
}

/** What everybody does at every station, by form. */
function ClassSheet(props: { run: Run; all: Live }) {
  const { run, all } = props;
  const { blocks } = run.plan;
  return (
    <ol className="grid gap-3">
      {entriesOf(blocks).map((entry, i) => {
        const forms = formsAt({ ...run, how: 'together' }, all.people, i);
        const name = entryName(run, i);
        return (
          // biome-ignore lint/suspicious/noArrayIndexKey: an entry is its place
          <li key={i} className="break-inside-avoid border-b-2 border-base-300 pb-2">
            <h2 className="text-lg">
              {blocks.length > 1 && entry.inBlock === 0 && entry.part === 0
                ? `${blockName(blocks, entry.block)}: `
                : ''}
              {entry.station + 1}. {name}
            </h2>
            <ul>
              {forms.map(({ does, people }) => (
                <li key={does?.name ?? 'easy'}>
                  <strong>{does ? does.name : 'easy movement'}</strong>
                  {does?.dose && <span className="quiet"> {does.dose}</span>}:{' '}
                  {people.map((p) => p.name).join(', ')}
                </li>
              ))}
            </ul>
            {run.cues[entry.move]?.say && <p className="quiet text-sm">{run.cues[entry.move]!.say}.</p>}
          </li>
        );
      })}
    </ol>
  );
}

/** Each one's own list. */
function Cards(props: { run: Run; people: readonly Present[] }) {
  const { run, people } = props;
  if (people.length === 0) return <p>Nobody is named.</p>;
  return (
    <div className="grid grid-cols-1 gap-6 md:grid-cols-2">
      {people.map((person) => (
        <section key={person.id} className="break-inside-avoid" aria-label={person.name}>
          <h2 className="text-xl">{person.name}</h2>
          {person.cautions.map((line) => (
            <p key={line} className="text-sm font-semibold">
              {line}
            </p>
          ))}
          <ol className="mt-1 text-lg">
            {entriesOf(run.plan.blocks).map((entry, i) => {
              const does = doesNow(person, i);
              return (
                // biome-ignore lint/suspicious/noArrayIndexKey: an entry is its place
                <li key={i}>
                  {entry.station + 1}. {does ? does.name : 'easy movement'}
                  {does?.dose && <span className="quiet"> {does.dose}</span>}
                </li>
              );
            })}
          </ol>
        </section>
      ))}
    </div>
  );
}

const Point = (props: { children: ReactNode }) => <li className="ml-5 list-disc">{props.children}</li>;

function About() {
  return (
    <div className="max-w-prose">
      <p>
        This is one session in one file. It asks no network for anything and tells nobody anything: what
        happens stays in this browser until you save the results.
      </p>
      <ul className="mt-2 grid gap-1">
        <Point>
          Clock, sounds, class sheet, cards, changes for one person, counts and the record are all here.
        </Point>
        <Point>
          Other devices aren’t together with it, and nobody is planned anew: that takes the library at home.
        </Point>
        <Point>
          The screen is kept awake where the browser lets a page from storage ask for it; else set the phone
          to stay on.
        </Point>
        <Point>
          A file viewer that shows pages without running them shows nothing of this: open it with a browser.
        </Point>
        <Point>Opened again it goes on where it was, at the right second.</Point>
      </ul>
      <p className="mt-2">What their clinician or your house says comes first.</p>
    </div>
  );
}
