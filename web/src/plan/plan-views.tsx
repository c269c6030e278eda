import { USUAL_LANES } from '@inner-rung/core/ask';
import { formatWords } from '@inner-rung/core/clock';
import { LEVELS, shortName } from '@inner-rung/core/person';
import type { Sums } from '@inner-rung/core/review';
import { factsIn, type Plan, restTiers } from '@inner-rung/core/session';
import { lazy, Suspense } from 'react';
import { Link } from 'react-router';
import { useApp, useSend } from '../store/index.ts';
import { planEvents } from '../store/plan-slice.ts';
import { viewChosen } from '../store/view-slice.ts';
import { useWide } from '../ui/use-wide.ts';
import type { BlockPicture } from './block-picture.ts';
import { AddBlock } from './block-strip.tsx';
import { Floor } from './floor.tsx';
import { LaneSheet } from './lane-sheet.tsx';
import { PhoneList } from './phone-list.tsx';
import { VIEWS } from './plan-commands.ts';
import { Sheet } from './sheet.tsx';
import type { Bench } from './use-bench.ts';
import type { PlanActions } from './use-plan-actions.ts';

// What is dragged about is big, and seldom the first thing looked at.
const Builder = lazy(() => import('./builder.tsx').then((m) => ({ default: m.Builder })));

const VIEW_WORDS = { floor: 'Floor', sheet: 'Sheet', build: 'Build' } as const;
const wear = (on: boolean) => `btn btn-sm touch ${on ? 'btn-neutral' : 'btn-ghost'}`;

interface Shown {
  readonly bench: Bench;
  readonly actions: PlanActions;
  readonly shown: BlockPicture;
}

/** Which way a session is looked at, and what it comes to. */
export function ViewBar({ bench, actions, sums }: Omit<Shown, 'shown'> & { sums: Sums }) {
  const { plan, lanes, setLanes } = bench;
  const send = useSend();
  const view = useApp((state) => state.view.shows);
  return (
    <div className="flex items-center gap-1 px-3 pt-2 max-md:flex-wrap">
      {VIEWS.map((shows) => (
        <button
          key={shows}
          type="button"
          className={wear(view === shows)}
          aria-pressed={view === shows}
          onClick={() => send(viewChosen(shows))}
        >
          {VIEW_WORDS[shows]}
        </button>
      ))}
      {plan.blocks.length === 1 && <AddBlock blocks={1} onAdd={actions.addBlock} />}
      {view === 'sheet' && (
        <>
          <button type="button" className={wear(lanes)} aria-pressed={lanes} onClick={() => setLanes(!lanes)}>
            Lanes
          </button>
          <Link to={`/plan/${plan.id}/compare`} className={wear(false)}>
            Side by side
          </Link>
        </>
      )}
      <button
        type="button"
        className="quiet touch ml-auto rounded px-2 text-right text-sm leading-tight hover:bg-base-200"
        aria-haspopup="dialog"
        onClick={() => bench.setOpen('sums')}
      >
        <span className="sr-only">The sums: </span>
        {sumsWords(sums)}
      </button>
    </div>
  );
}

const sumsWords = (sums: Sums): string =>
  [
    `${sums.metLo.toFixed(1)}–${sums.metHi.toFixed(1)} MET`,
    sums.kcal && `${Math.round(sums.kcal.lo / 5) * 5}–${Math.round(sums.kcal.hi / 5) * 5} kcal`,
    sums.hardLandings + sums.lightLandings === 0
      ? 'no landings'
      : `${sums.lightLandings} light${sums.hardLandings > 0 ? `, ${sums.hardLandings} hard` : ''} landings`,
    sums.floorChanges === 0 ? 'stays off the floor' : `down and up ${sums.floorChanges}×`,
  ]
    .filter(Boolean)
    .join(' · ');

/** The session on its floor, as a sheet, or being built. */
export function PlanView(props: Shown) {
  const view = useApp((state) => state.view.shows);
  const { bench, actions, shown } = props;
  if (view === 'floor') return <FloorView {...props} />;
  if (view === 'sheet') return <SheetView {...props} />;
  return (
    <div className="min-h-0 flex-1">
      <Suspense fallback={null}>
        <Builder
          library={bench.library}
          plan={bench.plan}
          sums={shown.sums}
          open={shown.at}
          station={bench.at.station}
          onPick={bench.pickIn}
          onRemake={actions.remake}
        />
      </Suspense>
    </div>
  );
}

function FloorView({ bench, shown }: Shown) {
  const wide = useWide();
  const { library, at, person } = bench;
  const floor = {
    picture: shown,
    library,
    who: person?.name ?? 'Lane',
    formatWords: formatWords(shown.block.format),
    station: at.station,
  };
  if (!wide) {
    const pick = (to: number) => {
      bench.pick(to);
      bench.setPanel('station');
    };
    return (
      <div className="px-1">
        <Floor {...floor} onStation={pick} compact />
        <PhoneList picture={shown} library={library} onStation={pick} />
      </div>
    );
  }
  return (
    <>
      <div className="min-h-0 flex-1 px-1">
        <Floor {...floor} onStation={bench.pick} compact={false} />
      </div>
      <p className="flex flex-wrap justify-center gap-x-4 px-3 text-sm">
        <span className="quiet">Inside out</span>
        {LEVELS.map((level, lane) => (
          <span key={level.id} title={level.says}>
            <span
              className="mr-1.5 inline-block h-3 w-5 rounded-sm border border-current align-[-0.1em]"
              style={{ background: `var(--lane-${lane})` }}
              aria-hidden
            />
            {level.name}
          </span>
        ))}
        <span className="quiet">┄ as written</span>
      </p>
    </>
  );
}

function SheetView({ bench, actions, shown }: Shown) {
  const send = useSend();
  const { plan, library, at, lanes, pick } = bench;
  const count = plan.lanes?.count ?? USUAL_LANES;
  return (
    <div className="min-h-0 flex-1 px-2">
      {lanes ? (
        <LaneSheet
          picture={shown}
          library={library}
          count={count}
          pinned={(station, lane) => pinnedAt(plan, shown.at, station, lane)}
          station={at.station}
          onStation={pick}
          onCount={(to) => send(planEvents.lanesCounted(to))}
          onPin={(station, lane, form) =>
            send(planEvents.lanePinned({ block: shown.at, station, lane, count, form }))
          }
          tiers={restTiers(plan.blocks[shown.at]!, plan.forWhom, factsIn(library))}
          onOneClock={actions.setFormat}
          onWalk={actions.walk()}
        />
      ) : (
        <Sheet
          picture={shown}
          library={library}
          who={bench.person ? shortName(bench.person) : 'Lane'}
          station={at.station}
          onStation={pick}
        />
      )}
    </div>
  );
}

/** Whether the trainer put a form there by hand. */
function pinnedAt(plan: Plan, block: number, station: number, lane: number): boolean {
  const b = plan.blocks[block];
  const s = b?.stations[station];
  return (plan.lanes?.pins ?? []).some(
    (pin) => pin.block === b?.id && pin.station === s?.id && pin.lane === lane,
  );
}
