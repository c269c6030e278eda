import {
  checkLadder,
  type Ladder,
  type Library,
  nameStep,
  setHeight,
  splitLadder,
} from '@inner-rung/core/ladder';
import { freshId } from '@inner-rung/core/propose';
import { lazy, Suspense, useMemo } from 'react';
import { Link, useParams, useSearchParams } from 'react-router';
import { MovePicker } from '../features/move-picker.tsx';
import { useBars } from '../features/use-bars.ts';
import { useEdits } from '../features/use-edits.ts';
import { useOwn, useShelf } from '../store/data.ts';
import { PartsHeader } from '../ui/parts-header.tsx';
import { ServerAway, Waiting } from '../ui/shell.tsx';
import { Findings } from './findings.tsx';
import { LadderHead } from './ladder-head.tsx';
import { LadderRungs } from './ladder-rungs.tsx';
import { partsOf } from './part-bars.tsx';
import { RungPanel } from './rung-panel.tsx';
import { useLadderBench } from './use-ladder-bench.ts';

const PushChart = lazy(() => import('./push-chart.tsx'));

/** One ladder, once the library is here and has it. */
export default function LadderScreen() {
  const { id = '' } = useParams();
  const { library, failed } = useShelf();
  const { reference } = useOwn();
  if (failed) return <ServerAway />;
  if (!library || !reference) return <Waiting />;
  const ladder = library.ladder(id);
  if (!ladder) return <NoSuchLadder />;
  return <OneLadder library={library} reference={reference} ladder={ladder} />;
}

/** The workbench: one ladder upright, what a coach would say of it beside the rungs, proposals in the gaps. */
function OneLadder(props: { library: Library; reference: Library; ladder: Ladder }) {
  const { library, ladder } = props;
  const { people, rooms } = useShelf();
  const edits = useEdits(props.reference, library);
  const bench = useLadderBench(library, ladder, edits);
  const [search] = useSearchParams();
  const person = people.find((p) => p.id === search.get('for')) ?? null;
  const room = rooms.find((r) => r.id === search.get('in')) ?? rooms[0] ?? null;
  const bars = useBars(library, person, room);
  const findings = useMemo(() => checkLadder(library, ladder), [library, ladder]);
  const parts = partsOf(library, ladder, 6);
  const { chosen, keep } = bench;
  return (
    <div className="min-h-dvh">
      <PartsHeader here="ladders" />
      <main className="mx-auto max-w-7xl px-4 py-3 md:px-6">
        <LadderHead bench={bench} people={people} person={person} />
        <Findings findings={findings.filter((f) => f.rung === null)} onFix={bench.fix} />
        <div className="mt-2 grid gap-6 lg:grid-cols-[minmax(0,1fr)_22rem]">
          <LadderRungs
            bench={bench}
            parts={parts}
            findings={findings}
            people={people}
            barsAt={(rung) => (person ? (bars.get(`${ladder.id}/${rung}`) ?? []) : [])}
          />
          <aside className="lg:sticky lg:top-3 lg:self-start">
            <RungPanel
              ladder={ladder}
              library={library}
              rung={chosen}
              parts={parts}
              onLevers={(levers) => keep('Name the lever', nameStep(ladder, chosen, levers))}
              onHeight={(cm) => keep('Set the height…', setHeight(ladder, chosen, cm))}
              onShift={bench.shift}
              onRemove={bench.remove}
              onSplit={() =>
                edits.keep('Split the ladder', [
                  ...splitLadder(library, ladder, chosen, freshId(library, `${ladder.id} upper`)),
                ])
              }
              onSideways={() => bench.setSpot({ at: 'sideways', rung: chosen })}
            />
            {ladder.rungs.some((rung) => library.move(rung.move)?.surface?.law === 'push-hands') && (
              <Suspense fallback={null}>
                <PushChart library={library} ladder={ladder} room={room} />
              </Suspense>
            )}
          </aside>
        </div>
      </main>
      {bench.searching !== null && (
        <MovePicker
          library={library}
          title="Put a move on the ladder"
          onClose={() => bench.setSearching(null)}
          onPick={bench.put}
        />
      )}
    </div>
  );
}

function NoSuchLadder() {
  return (
    <div>
      <PartsHeader here="ladders" />
      <main className="p-6">
        <h1 className="text-3xl">No such ladder</h1>
        <p className="quiet mt-1">It may have been put away, or taken out of the library.</p>
        <Link to="/ladders" className="btn btn-primary touch mt-4">
          See all ladders
        </Link>{' '}
        <Link to="/yours" className="btn touch mt-4">
          See what is put away
        </Link>
      </main>
    </div>
  );
}
