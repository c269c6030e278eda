import type { Library } from '@inner-rung/core/ladder';
import type { FormRef } from '@inner-rung/core/move';
import { shortName } from '@inner-rung/core/person';
import { ROOM_EXAMPLE } from '@inner-rung/core/room';
import type { Plan } from '@inner-rung/core/session';
import { formName } from '@inner-rung/core/words';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { barsOf, type Picture } from '../features/use-scaled.ts';
import { LoadLine } from '../features/ways.tsx';
import { WaysFold } from '../features/ways-fold.tsx';
import { tokenOf } from '../store/data.ts';
import { useApp, useSend } from '../store/index.ts';
import { planEvents } from '../store/plan-slice.ts';
import { useCommands } from '../ui/commands.tsx';
import { useLater } from '../ui/use-later.ts';
import { type BlockPicture, blockPicture } from './block-picture.ts';
import { BlockStrip } from './block-strip.tsx';
import { ClockBar } from './clock-bar.tsx';
import { DialSet, KeepSelect } from './dials.tsx';
import { FindingsList } from './findings-list.tsx';
import { FitFold } from './fit-fold.tsx';
import { usePlanCommands } from './plan-commands.ts';
import { PlanDialogs } from './plan-dialogs.tsx';
import { PlanHeader } from './plan-header.tsx';
import { PlanView, ViewBar } from './plan-views.tsx';
import { Ribbon } from './ribbon.tsx';
import { ElsewhereBanner } from './save-state.tsx';
import { ScopeDialog } from './scope-dialog.tsx';
import { StationPanel } from './station-panel.tsx';
import { type Bench, useBench } from './use-bench.ts';
import { useFindings } from './use-findings.ts';
import { type PlanActions, usePlanActions } from './use-plan-actions.ts';
import { useWhoChoice, WhoBar } from './who-bar.tsx';
import { WhoLine } from './who-line.tsx';

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

function Middle(props: { bench: Bench; actions: PlanActions; shown: BlockPicture; picture: Picture }) {
  const { bench, actions, shown, picture } = props;
  const send = useSend();
  const view = useApp((state) => state.view.shows);
  const findings = useFindings(bench);
  const ribbon = useLater();
  return (
    <div className={`${bench.panel === 'floor' ? 'flex' : 'hidden'} min-h-0 min-w-0 flex-col lg:flex`}>
      <ViewBar bench={bench} actions={actions} sums={picture.sums} />
      <PlanView bench={bench} actions={actions} shown={shown} />
      <FindingsList
        findings={findings}
        most={view === 'build' ? 1 : 3}
        onFix={actions.fix}
        onGo={(finding) => bench.pickIn(finding.block ?? shown.at, finding.station ?? 0)}
        onAccept={(finding, why) =>
          send(planEvents.findingAccepted({ check: finding.check, at: finding.at, why }))
        }
      />
      <div className="min-h-36 border-t-2 border-base-300 px-3 pt-2 pb-2">
        {ribbon && (
          <Ribbon
            picture={picture}
            library={bench.library}
            block={shown.at}
            station={bench.at.station}
            onStation={bench.pickIn}
          />
        )}
      </div>
    </div>
  );
}

/** The chosen station: what they do there, why, and every other way. */
function Chosen(props: { bench: Bench; shown: BlockPicture; onShift: (by: -1 | 1) => void }) {
  const { bench, shown } = props;
  const { plan, library, person, outlook, pick } = bench;
  const send = useSend();
  const station = Math.max(0, Math.min(bench.at.station, shown.block.stations.length - 1));
  const here = { block: shown.at, station };
  const room = bench.room ?? ROOM_EXAMPLE;
  const [asking, setAsking] = useState<FormRef | null>(null);
  const planned = plan.blocks[shown.at]?.stations[station];
  const everybody = ({ move, settings }: FormRef) =>
    send(planEvents.moveChosen({ ...here, move, ...(settings ? { settings } : {}) }));
  // While somebody is looked at, whose it is to be is asked before anything changes.
  const choose = (form: FormRef) => (person ? setAsking(form) : everybody(form));
  const wishAt = person
    ? (plan.wishes ?? []).findIndex(
        (wish) => wish.kind === 'give' && wish.station === planned?.id && wish.person === person.id,
      )
    : -1;
  const wish = plan.wishes?.[wishAt];
  return (
    <aside
      aria-label="The chosen station"
      className={`${bench.panel === 'station' ? 'block' : 'hidden'} min-h-0 border-base-300 p-4 lg:block lg:overflow-auto lg:border-l-2`}
    >
      {person && outlook && <WhoLine person={person} outlook={outlook} />}
      <StationPanel
        picture={shown}
        live={plan.blocks[shown.at]?.stations[station]}
        library={library}
        station={station}
        who={person ? shortName(person) : 'Lane'}
        initials={person ? tokenOf(person) : 'L'}
        onChangeMove={() => bench.setOpen('move')}
        onAdd={() => bench.setOpen('add')}
        onRemove={() => {
          send(planEvents.stationRemoved(here));
          pick(Math.max(0, station - 1));
        }}
        onShift={props.onShift}
        onCopy={() => send(planEvents.stationCopied(here))}
        onPick={(move, settings) => choose({ move, ...(settings ? { settings } : {}) })}
        onPatch={(patch) => send(planEvents.stationPatched({ ...here, patch }))}
      >
        {wish && person && (
          <p className="mt-2 flex flex-wrap items-center gap-2 text-sm" data-given>
            <span>
              Given to {shortName(person)} here: {formName(library, wish.form.move, wish.form.settings)}.
            </span>
            <button
              type="button"
              className="btn btn-sm touch"
              onClick={() => send(planEvents.unwished(wishAt))}
            >
              Take back
            </button>
          </p>
        )}
        <LoadLine
          library={library}
          room={room}
          move={shown.version.uses[station]?.move ?? ''}
          level={person?.assumedLevel ?? plan.writtenFor}
          limits={outlook?.limits ?? []}
        />
        <WaysFold
          library={library}
          room={room}
          station={shown.block.stations[station]}
          person={person}
          onTake={(move, settings) => choose({ move, ...(settings ? { settings } : {}) })}
        />
      </StationPanel>
      {asking && person && planned && (
        <ScopeDialog
          name={formName(library, asking.move, asking.settings)}
          form={asking}
          who={shortName(person)}
          bars={barsOf(bench.picture, library, asking)}
          onPerson={(form) => {
            send(
              planEvents.wished({
                block: plan.blocks[shown.at]!.id,
                station: planned.id,
                kind: 'give',
                form,
                person: person.id,
              }),
            );
            setAsking(null);
          }}
          onEverybody={(form) => {
            everybody(form);
            setAsking(null);
          }}
          onClose={() => setAsking(null)}
        />
      )}
    </aside>
  );
}
