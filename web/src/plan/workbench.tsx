import type { Library } from '@inner-rung/core/ladder';
import type { Plan } from '@inner-rung/core/session';
import { formName } from '@inner-rung/core/words';
import { useNavigate } from 'react-router';
import { useApp, useSend } from '../store/index.ts';
import { planEvents } from '../store/plan-slice.ts';
import { useCommands } from '../ui/commands.tsx';
import { useLater } from '../ui/use-later.ts';
import { type BlockPicture, blockPicture } from './block-picture.ts';
import { BlockStrip } from './block-strip.tsx';
import { ClockBar } from './clock-bar.tsx';
import { DialSet, KeepSelect } from './dials.tsx';
import { FitFold } from './fit-fold.tsx';
import { usePlanCommands } from './plan-commands.ts';
import { PlanDialogs } from './plan-dialogs.tsx';
import { PlanHeader } from './plan-header.tsx';
import { ElsewhereBanner } from './save-state.tsx';
import { type Bench, useBench } from './use-bench.ts';
import { type PlanActions, usePlanActions } from './use-plan-actions.ts';
import { useWhoChoice, WhoBar } from './who-bar.tsx';
import { Chosen, Middle } from './workbench-middle.tsx';

const PANELS = [
  ['floor', 'Floor'],
  ['station', 'Station'],
  ['dials', 'Dials'],
] as const;

/** A session at work: who it is for, dials and clock, the floor or a sheet of it, the chosen station. */
export function Workbench(props: { plan: Plan; shipped: Library }) {
  const { plan } = props;
  const bench = useBench(plan, props.shipped);
  const { picture, at, panel, outlook } = bench;
  const navigate = useNavigate();
  const choose = useWhoChoice(plan);
  const actions = usePlanActions(bench);
  const commands = usePlanCommands(bench);
  const letters = useApp((state) => state.view.letterKeys);
  useCommands(commands, { all: bench.open === null, letters, typing: true });
  const beside = useLater(picture !== null);
  // Until the next picture is worked out the one before may have fewer blocks.
  const shown = picture ? blockPicture(picture, Math.min(at.block, picture.plan.blocks.length - 1)) : null;
  return (
    <div className="flex min-h-dvh flex-col lg:h-dvh">
      <PlanHeader
        id={plan.id}
        title={plan.title}
        mayTrain={outlook?.mayTrain ?? true}
        commands={commands}
        onMore={() => bench.setOpen('more')}
      />
      <ElsewhereBanner
        onCopied={(copy) => void navigate(`/plan/${copy}`)}
        onGone={() => void navigate('/circuits')}
      />
      <WhoBar plan={plan} group={bench.group} offered={bench.offered} choose={choose} />
      {plan.blocks.length > 1 && picture && (
        <BlockStrip
          plan={plan}
          sums={picture.sums}
          open={at.block}
          onOpen={(b) => bench.pickIn(b, 0)}
          onAdd={actions.addBlock}
        />
      )}
      {picture && shown ? (
        <main className="grid min-h-0 flex-1 grid-cols-1 pb-20 lg:grid-cols-[13.5rem_minmax(0,1fr)_22.5rem] lg:pb-0">
          <Turned bench={bench} actions={actions} shown={shown} />
          <Middle bench={bench} actions={actions} shown={shown} picture={picture} />
          {beside && (
            <Chosen
              bench={bench}
              shown={shown}
              onShift={(by) => commands[by < 0 ? 'earlier' : 'later'].run()}
            />
          )}
        </main>
      ) : (
        <AsWritten bench={bench} />
      )}
      <nav
        className="no-print fixed inset-x-0 bottom-0 z-10 grid grid-cols-3 border-t-2 border-base-300 bg-base-100 lg:hidden"
        aria-label="Parts of the plan"
      >
        {PANELS.map(([part, label]) => (
          <button
            key={part}
            type="button"
            aria-pressed={panel === part}
            className={`display h-16 text-lg ${panel === part ? 'bg-base-content text-base-100' : ''}`}
            onClick={() => bench.setPanel(part)}
          >
            {label}
          </button>
        ))}
      </nav>
      <PlanDialogs bench={bench} shown={shown} commands={commands} />
    </div>
  );
}

/** What the trainer wrote, until it is worked out what becomes of it. */
function AsWritten({ bench }: { bench: Bench }) {
  const { plan, library, at } = bench;
  return (
    <main className="flex-1 px-6 py-8">
      <p className="quiet" role="status">
        Laying out the floor…
      </p>
      <ol className="quiet mt-3 list-inside list-decimal">
        {plan.blocks[at.block]?.stations.map((station) => (
          <li key={station.id}>{formName(library, station.move, station.settings)}</li>
        ))}
      </ol>
    </main>
  );
}

/** Dials, clock and order: what a session is turned with. */
function Turned(props: { bench: Bench; actions: PlanActions; shown: BlockPicture }) {
  const { bench, actions, shown } = props;
  const { plan, library } = bench;
  const send = useSend();
  return (
    <section
      aria-label="Dials and clock"
      className={`${bench.panel === 'dials' ? 'block' : 'hidden'} border-base-300 p-4 lg:block lg:overflow-auto lg:border-r-2`}
    >
      <DialSet
        dials={plan.dials}
        person={bench.person !== null}
        onTurn={(turn) => send(planEvents.dialTurned(turn))}
      />
      <hr className="my-4 border-t-2 border-base-300" />
      <ClockBar
        key={shown.block.id}
        format={(plan.blocks[shown.at] ?? shown.block).format}
        onChange={actions.setFormat}
      />
      <FitFold
        key={plan.id}
        library={library}
        plan={plan}
        onBooked={(bookedMinutes) => send(planEvents.planPatched({ bookedMinutes } as Partial<Plan>))}
        onTake={actions.setBlock}
      />
      <KeepSelect dials={plan.dials} onTurn={(turn) => send(planEvents.dialTurned(turn))} />
      {shown.block.stations.length > 2 && (
        <button type="button" className="btn btn-sm touch mt-2 w-full" onClick={() => bench.setOpen('order')}>
          Best order…
        </button>
      )}
    </section>
  );
}
