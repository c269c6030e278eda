import {
  closestCenter,
  DndContext,
  KeyboardSensor,
  PointerSensor,
  useSensor,
  useSensors,
} from '@dnd-kit/core';
import { SortableContext, sortableKeyboardCoordinates, verticalListSortingStrategy } from '@dnd-kit/sortable';
import type { LadderFinding, Rung } from '@inner-rung/core/ladder';
import { betweenRungs, stepWords } from '@inner-rung/core/ladder';
import type { Ruler } from '@inner-rung/core/limits';
import type { Person } from '@inner-rung/core/person';
import { formName } from '@inner-rung/core/words';
import { Plus } from 'lucide-react';
import { useMemo } from 'react';
import { standingOn } from '../features/rung-look.ts';
import { Findings } from './findings.tsx';
import { PART_WORD, type partsOf } from './part-bars.tsx';
import { Proposals, type Spot } from './proposals.tsx';
import { RungRow } from './rung-row.tsx';
import type { LadderBench } from './use-ladder-bench.ts';

/** The ladder upright, top rung first: rungs to drag, what a coach would say of each, proposals in the gaps. */
export function LadderRungs(props: {
  bench: LadderBench;
  parts: ReturnType<typeof partsOf>;
  findings: readonly LadderFinding[];
  people: readonly Person[];
  /** What bars a rung for whom it is looked at; nobody where nothing is. */
  barsAt: (rung: number) => readonly Ruler[];
}) {
  const { bench, parts, findings } = props;
  const { library, ladder, spot, setSpot, chosen, fix } = bench;
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 5 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const ids = ladder.rungs.map((rung, i) => `${i}:${rung.move}:${rung.settings?.surfaceCm ?? ''}`);
  const isOpen = (s: Spot) => JSON.stringify(spot) === JSON.stringify(s);
  return (
    <section aria-label="The ladder, top rung first">
      <div className="mr-2 hidden justify-end gap-x-1.5 text-xs sm:flex" aria-hidden>
        {parts.map((key) => (
          <span key={key} className={`w-[2.9rem] ${ladder.measures.includes(key) ? 'font-bold' : 'quiet'}`}>
            {PART_WORD[key]}
          </span>
        ))}
      </div>
      <End bench={bench} at="above" open={isOpen({ at: 'above' })} />
      <DndContext
        sensors={sensors}
        collisionDetection={closestCenter}
        onDragEnd={({ active, over }) => {
          const [from, to] = [ids.indexOf(String(active.id)), ids.indexOf(String(over?.id))];
          if (from >= 0 && to >= 0 && from !== to) bench.move(from, to);
        }}
      >
        <SortableContext items={[...ids].reverse()} strategy={verticalListSortingStrategy}>
          <ol reversed className="border-x-[6px] border-base-content/80" aria-label={`${ladder.name}, rungs`}>
            {ladder.rungs
              .map((rung, i) => ({ rung, i }))
              .reverse()
              .map(({ rung, i }) => (
                <li key={ids[i]}>
                  {isOpen({ at: 'sideways', rung: i }) && <Offer bench={bench} spot={spot!} />}
                  <RungRow
                    id={ids[i]!}
                    rung={rung}
                    index={i}
                    ladder={ladder}
                    library={library}
                    parts={parts}
                    chosen={i === chosen}
                    bars={props.barsAt(i)}
                    people={standingOn(props.people, ladder.id, rung)}
                    onChoose={() => bench.choose(i)}
                  />
                  <div className="px-2">
                    <Findings findings={findings.filter((f) => f.rung === i)} onFix={fix} />
                  </div>
                  {i > 0 &&
                    (isOpen({ at: 'between', above: i }) ? (
                      <div className="px-2">
                        <Offer bench={bench} spot={spot!} />
                      </div>
                    ) : (
                      <Between bench={bench} rung={rung} at={i} onOpen={setSpot} />
                    ))}
                </li>
              ))}
          </ol>
        </SortableContext>
      </DndContext>
      <End bench={bench} at="below" open={isOpen({ at: 'below' })} />
      <p className="quiet mt-2 hidden text-sm lg:block">
        {Object.values(bench.commands)
          .map((command) => `${command.shown} ${command.says}`)
          .join(' · ')}{' '}
        · Ctrl Z takes back
      </p>
    </section>
  );
}

/**
 * What makes a rung harder than the one below it, and by what forms of the two a tall step is taken in
 * smaller ones; pressed, a rung between the two is looked for.
 */
function Between(props: { bench: LadderBench; rung: Rung; at: number; onOpen: (spot: Spot) => void }) {
  const { library, ladder } = props.bench;
  const { rung, at } = props;
  const forms = useMemo(() => betweenRungs(library, ladder, at) ?? [], [library, ladder, at]);
  return (
    <button
      type="button"
      className="quiet touch flex w-full items-center gap-2 px-3 text-left text-sm hover:bg-base-200"
      onClick={() => props.onOpen({ at: 'between', above: at })}
      aria-label={`Find a rung between ${formName(library, ladder.rungs[at - 1]!.move)} and ${formName(library, rung.move)}`}
    >
      <span className="min-w-0 flex-1">
        ↑ {stepWords(library, ladder.rungs, at).join(' · ')}
        {rung.step && `: ${rung.step}`}
        {forms.length > 0 && (
          <span className="block">
            by way of {forms.map((form) => formName(library, form.move, form.settings)).join(', then ')}
          </span>
        )}
      </span>
      <Plus size={17} aria-hidden />
    </button>
  );
}

function End(props: { bench: LadderBench; at: 'above' | 'below'; open: boolean }) {
  const { bench, at } = props;
  if (props.open) return <Offer bench={bench} spot={{ at }} />;
  return (
    <button
      type="button"
      className="btn btn-ghost btn-sm touch w-full justify-start"
      onClick={() => bench.setSpot({ at })}
    >
      <Plus size={17} aria-hidden /> {at === 'above' ? 'A rung above' : 'A rung below'}
    </button>
  );
}

function Offer({ bench, spot }: { bench: LadderBench; spot: Spot }) {
  const place =
    spot.at === 'between'
      ? spot.above
      : spot.at === 'sideways'
        ? spot.rung + 1
        : spot.at === 'above'
          ? bench.ladder.rungs.length
          : 0;
  return (
    <Proposals
      library={bench.library}
      ladder={bench.ladder}
      spot={spot}
      onTake={(proposal, edit) => bench.take(proposal, place, edit)}
      onSearch={() => bench.setSearching(place)}
      onClose={() => bench.setSpot(null)}
    />
  );
}
