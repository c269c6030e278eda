import type { FormRef } from '@inner-rung/core/move';
import { shortName } from '@inner-rung/core/person';
import { ROOM_EXAMPLE } from '@inner-rung/core/room';
import { formName } from '@inner-rung/core/words';
import { useState } from 'react';
import { barsOf, type Picture } from '../features/use-scaled.ts';
import { LoadLine } from '../features/ways.tsx';
import { WaysFold } from '../features/ways-fold.tsx';
import { tokenOf } from '../store/data.ts';
import { useApp, useSend } from '../store/index.ts';
import { planEvents } from '../store/plan-slice.ts';
import { useLater } from '../ui/use-later.ts';
import type { BlockPicture } from './block-picture.ts';
import { FindingsList } from './findings-list.tsx';
import { PlanView, ViewBar } from './plan-views.tsx';
import { Ribbon } from './ribbon.tsx';
import { ScopeDialog } from './scope-dialog.tsx';
import { StationPanel } from './station-panel.tsx';
import type { Bench } from './use-bench.ts';
import { useFindings } from './use-findings.ts';
import type { PlanActions } from './use-plan-actions.ts';
import { WhoLine } from './who-line.tsx';

export function Middle(props: { bench: Bench; actions: PlanActions; shown: BlockPicture; picture: Picture }) {
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
export function Chosen(props: { bench: Bench; shown: BlockPicture; onShift: (by: -1 | 1) => void }) {
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
