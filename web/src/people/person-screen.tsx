import { ageWords, BANDS, bandOfRpe, effortOn } from '@inner-rung/core/person';
import { lazy, type ReactNode, Suspense, useEffect } from 'react';
import { Link, useParams } from 'react-router';
import { type PersonPage, usePersonPage } from '../features/use-person.ts';
import { initials, useShelf } from '../store/data.ts';
import { people as peopleShelf } from '../store/index.ts';
import { Missing } from '../ui/missing.tsx';
import { PartsHeader } from '../ui/parts-header.tsx';
import { SaveLine } from '../ui/save-line.tsx';
import { ServerAway, Waiting } from '../ui/shell.tsx';
import { LimitsPart } from './limits-part.tsx';
import { RecordPart } from './record-part.tsx';
import { ScreeningPart } from './screening-part.tsx';
import { TodayPart } from './today-part.tsx';
import { WhoPart } from './who-part.tsx';

const TestsPart = lazy(() => import('./tests-part.tsx'));
const WeeksPart = lazy(() => import('../log/weeks-part.tsx'));
const RungsPart = lazy(() => import('./rungs-part.tsx'));
const EffortPart = lazy(() => import('./effort-part.tsx'));

const PARTS: readonly { id: string; name: string; show: (page: PersonPage) => ReactNode }[] = [
  { id: 'today', name: 'Today', show: (page) => <TodayPart page={page} /> },
  { id: 'who', name: 'Who they are', show: (page) => <WhoPart page={page} /> },
  { id: 'screening', name: 'Before they begin', show: (page) => <ScreeningPart page={page} /> },
  { id: 'limits', name: 'Limits', show: (page) => <LimitsPart page={page} /> },
  { id: 'tests', name: 'Tests', show: (page) => <TestsPart page={page} /> },
  { id: 'rungs', name: 'Rungs', show: (page) => <RungsPart page={page} /> },
  { id: 'weeks', name: 'Weeks', show: (page) => <WeeksPart page={page} /> },
  { id: 'effort', name: 'Effort', show: (page) => <EffortPart page={page} /> },
  { id: 'record', name: 'Kept', show: (page) => <RecordPart page={page} /> },
];

/** One person: who they are, what they may do, where they stand. */
export default function PersonScreen() {
  const { id = '', part = 'today' } = useParams();
  const { library, failed } = useShelf();
  const page = usePersonPage(id, library);
  const shown = page !== null;
  // On a phone the parts are a strip: the one that is open is brought into sight.
  useEffect(() => {
    if (shown && part)
      document.querySelector('nav a[aria-current="page"][href^="/people/"]')?.scrollIntoView({
        block: 'nearest',
        inline: 'center',
      });
  }, [shown, part]);
  if (failed) return <ServerAway />;
  if (!library) return <Waiting />;
  if (!page)
    return <Missing here="people" title="Nobody here by that address" to="/people" way="See everybody" />;
  const { person, outlook, first } = page;
  const most = effortOn(outlook);
  const here = PARTS.find((p) => p.id === part) ?? PARTS[0]!;
  // On the first page all of them stand; elsewhere the first, where that isn't its own page.
  const [ask] = outlook.asks;
  return (
    <div className="min-h-dvh">
      <PartsHeader here="people" />
      <main className="mx-auto grid max-w-7xl grid-cols-1 lg:grid-cols-[16rem_minmax(0,1fr)]">
        <div className="border-base-300 px-4 pt-3 lg:min-h-[calc(100dvh-4rem)] lg:border-r-2 lg:pb-6">
          <div className="flex items-center gap-3">
            <span
              className={`display grid h-14 w-14 shrink-0 place-items-center rounded-full text-xl ${outlook.mayTrain ? 'bg-base-content text-base-100' : 'barred border-2 border-base-content'}`}
              aria-hidden
            >
              {initials(person.name)}
            </span>
            <div className="min-w-0">
              <h1 className="text-2xl leading-tight break-words">{person.name}</h1>
              <p className="quiet leading-tight">
                {ageWords(outlook.age)} · {person.kind}
              </p>
            </div>
          </div>
          <p className="mt-2 flex items-baseline gap-2 lg:mt-4">
            <span className="display text-4xl leading-none">{most}</span>
            <span className="leading-tight">of 10 at the most: can still {BANDS[bandOfRpe(most)].can}</span>
          </p>
          {!outlook.mayTrain && (
            <p className="mt-2 border-l-4 border-primary pl-2 font-semibold">
              No card and no place in a session{outlook.today.is === 'not today' ? ' today' : ' yet'}.
            </p>
          )}
          {outlook.notAlone && <p className="mt-1 text-sm">Not to be left to work alone.</p>}
          {ask && here.id !== 'today' && here.id !== ask.on && (
            <p className="mt-2 border-l-4 border-primary pl-2">
              {ask.says}{' '}
              <Link
                to={`/people/${person.id}/${ask.on}`}
                className="font-semibold underline underline-offset-4"
              >
                {outlook.asks.length === 1 ? 'Answer it' : `Answer it, and ${outlook.asks.length - 1} more`}
              </Link>
            </p>
          )}
          <Link to={`/?who=${person.id}`} className="btn btn-primary touch mt-3 w-full">
            Scale the circuit for {first}
          </Link>
          <nav
            aria-label={`Parts of ${person.name}’s page`}
            className="-mx-4 mt-3 flex overflow-x-auto border-y-2 border-base-300 px-2 lg:mx-0 lg:flex-col lg:border-0 lg:px-0"
          >
            {PARTS.map((p) => (
              <Link
                key={p.id}
                to={`/people/${person.id}/${p.id}`}
                aria-current={p === here ? 'page' : undefined}
                className={`touch flex shrink-0 items-center rounded px-3 text-lg whitespace-nowrap ${p === here ? 'display bg-base-300' : 'hover:bg-base-200'}`}
              >
                {p.name}
              </Link>
            ))}
          </nav>
        </div>
        <div className="min-w-0 px-4 py-3 md:px-6">
          <div className="flex flex-wrap items-center gap-2">
            <h2 className="mr-auto text-3xl">{here.name}</h2>
            <SaveLine shelf={peopleShelf} />
          </div>
          <Suspense fallback={<p className="quiet">One moment…</p>}>{here.show(page)}</Suspense>
          <p className="quiet mt-10 border-t-2 border-base-300 pt-2 text-sm">
            Their doctor’s, physiotherapist’s or care team’s word, your own training and local rules come
            first.
          </p>
        </div>
      </main>
    </div>
  );
}
