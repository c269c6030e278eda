import {
  closestCenter,
  DndContext,
  type DragEndEvent,
  KeyboardSensor,
  PointerSensor,
  useDroppable,
  useSensor,
  useSensors,
} from '@dnd-kit/core';
import { SortableContext, sortableKeyboardCoordinates, verticalListSortingStrategy } from '@dnd-kit/sortable';
import { formatEntry, formatWords, lengthWords } from '@inner-rung/core/clock';
import type { Library } from '@inner-rung/core/ladder';
import type { Sums } from '@inner-rung/core/review';
import {
  type Block,
  blockName,
  KIND_IDS,
  KINDS,
  type KindId,
  type Plan,
  ROLES,
  type Role,
  roleOf,
  SHOWING,
} from '@inner-rung/core/session';
import { formName, writtenDose } from '@inner-rung/core/words';
import { ArrowDown, ArrowUp, Copy, Trash2 } from 'lucide-react';
import { useEffect, useRef } from 'react';
import { useSend } from '../store/index.ts';
import { planEvents, type StationAt } from '../store/plan-slice.ts';
import { Tick } from '../ui/choice.tsx';
import { NumberField } from '../ui/number-field.tsx';
import { AimFields, Among, RESTING } from './builder-fields.tsx';
import { AddLine, aroundWords, Remake, Row } from './builder-parts.tsx';

const CLOCK_FOR = Object.fromEntries(KIND_IDS.map((id) => [id, KINDS[id].name])) as Record<KindId, string>;

const placeOf = (id: string): StationAt | null => {
  const [block, station] = id.split('/').map(Number);
  return block === undefined || station === undefined || Number.isNaN(station) ? null : { block, station };
};

interface BuilderProps {
  readonly library: Library;
  readonly plan: Plan;
  readonly sums: Sums;
  readonly open: number;
  readonly station: number;
  readonly onPick: (block: number, station: number) => void;
  readonly onRemake: (block: number, role: 'warm-up' | 'cool-down', minutes: number) => void;
}

/** The session as a list to be built: blocks down, stations under them, dragged, typed, pasted. */
export function Builder(props: BuilderProps) {
  const { plan } = props;
  const send = useSend();
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 6 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const said = (id: string | number): string => {
    const at = placeOf(String(id));
    const station = at && plan.blocks[at.block]?.stations[at.station];
    return station
      ? `${props.library.move(station.move)?.name ?? station.move}, station ${at.station + 1}`
      : 'the end of the block';
  };
  const drop = ({ active, over }: DragEndEvent) => {
    const from = placeOf(String(active.id));
    if (!from || !over || active.id === over.id) return;
    const into = String(over.id);
    // Over a block rather than a station: to its end.
    const to = into.startsWith('block/') ? { block: Number(into.slice(6)), station: 99 } : placeOf(into);
    if (!to) return;
    send(planEvents.stationMoved({ from, to }));
    props.onPick(to.block, to.station === 99 ? plan.blocks[to.block]!.stations.length : to.station);
  };
  return (
    // biome-ignore lint/a11y/noNoninteractiveTabindex: a scrolling part must be reachable by keyboard
    <section className="h-full overflow-auto px-3 pb-4" aria-label="Build the session" tabIndex={0}>
      <div className="flex flex-wrap items-end gap-3 py-2">
        <Among
          label="The clock is for"
          value={plan.forWhom}
          of={CLOCK_FOR}
          onChoose={(forWhom) => forWhom && send(planEvents.planPatched({ forWhom }))}
        />
        <div className="w-28">
          <NumberField
            label="Booked"
            unit="min"
            value={plan.bookedMinutes}
            min={1}
            max={240}
            step={5}
            onEmpty={() => send(planEvents.planPatched({ bookedMinutes: undefined } as Partial<Plan>))}
            onChange={(bookedMinutes) => send(planEvents.planPatched({ bookedMinutes }))}
          />
        </div>
        <AimFields plan={plan} />
        <label className="flex min-w-40 flex-1 flex-col">
          <span className="quiet text-sm">Tags, with commas</span>
          <input
            key={plan.id}
            className="input touch w-full"
            defaultValue={(plan.tags ?? []).join(', ')}
            onBlur={(event) => {
              const tags = event.target.value
                .split(',')
                .map((tag) => tag.trim().slice(0, 30))
                .filter(Boolean)
                .slice(0, 12);
              send(planEvents.planPatched({ tags: tags.length > 0 ? tags : undefined } as Partial<Plan>));
            }}
          />
        </label>
      </div>
      <DndContext
        sensors={sensors}
        collisionDetection={closestCenter}
        onDragEnd={drop}
        accessibility={{
          announcements: {
            onDragStart: ({ active }) => `Holding ${said(active.id)}.`,
            onDragOver: ({ over }) => (over ? `Over ${said(over.id)}.` : 'Over nothing.'),
            onDragEnd: ({ over }) => (over ? `Put down at ${said(over.id)}.` : 'Put back.'),
            onDragCancel: () => 'Put back.',
          },
          screenReaderInstructions: {
            draggable: 'Space takes hold, arrow keys move, space puts down, escape puts back.',
          },
        }}
      >
        {plan.blocks.map((block, b) => (
          <BlockPart key={block.id} {...props} block={block} b={b} />
        ))}
      </DndContext>
    </section>
  );
}

function BlockPart(props: BuilderProps & { block: Block; b: number }) {
  const { library, plan, block, b } = props;
  const send = useSend();
  const { setNodeRef } = useDroppable({ id: `block/${b}` });
  const part = useRef<HTMLElement>(null);
  const isOpen = b === props.open;
  useEffect(() => {
    if (isOpen) part.current?.scrollIntoView({ block: 'nearest' });
  }, [isOpen]);
  const name = blockName(plan.blocks, b);
  const role = roleOf(block);
  const patch = (change: Partial<Block>) => send(planEvents.blockPatched({ block: b, patch: change }));
  const shift = (by: -1 | 1) => send(planEvents.blockShifted({ block: b, by }));
  return (
    <section
      ref={(node) => {
        part.current = node;
        setNodeRef(node);
      }}
      aria-label={name}
      className={`mt-2 border-l-4 pl-3 ${b === props.open ? 'border-primary' : 'border-base-300'}`}
    >
      <div className="flex flex-wrap items-center gap-2">
        <input
          aria-label={`Name of ${name}`}
          className="display min-w-0 flex-1 rounded bg-transparent px-1 text-xl placeholder:text-base-content hover:bg-base-200"
          value={block.name ?? ''}
          placeholder={name}
          maxLength={60}
          onChange={(event) => patch({ name: event.target.value || undefined } as Partial<Block>)}
        />
        <select
          aria-label={`What ${name} is`}
          className="select select-sm touch w-32"
          value={role}
          onChange={(event) => patch({ role: event.target.value as Role })}
        >
          {Object.entries(ROLES).map(([id, says]) => (
            <option key={id} value={id}>
              {says}
            </option>
          ))}
        </select>
        <span className="display text-lg">
          {lengthWords(props.sums.blocks[b]?.range ?? { lo: 0, hi: 0 })}
        </span>
        <span className="flex">
          <button
            type="button"
            className="btn btn-ghost btn-sm touch"
            aria-label={`${name} earlier`}
            disabled={b === 0}
            onClick={() => shift(-1)}
          >
            <ArrowUp size={17} aria-hidden />
          </button>
          <button
            type="button"
            className="btn btn-ghost btn-sm touch"
            aria-label={`${name} later`}
            disabled={b === plan.blocks.length - 1}
            onClick={() => shift(1)}
          >
            <ArrowDown size={17} aria-hidden />
          </button>
          <button
            type="button"
            className="btn btn-ghost btn-sm touch"
            aria-label={`${name} once more`}
            onClick={() => {
              const { id: _, ...copy } = block;
              send(planEvents.blockAdded({ at: b + 1, block: copy }));
            }}
          >
            <Copy size={17} aria-hidden />
          </button>
          <button
            type="button"
            className="btn btn-ghost btn-sm touch"
            aria-label={`Take out ${name}`}
            disabled={plan.blocks.length === 1}
            onClick={() => send(planEvents.blockRemoved(b))}
          >
            <Trash2 size={17} aria-hidden />
          </button>
        </span>
      </div>
      <p className="quiet text-sm">
        <button
          type="button"
          className="touch underline underline-offset-4"
          onClick={() => props.onPick(b, 0)}
        >
          {formatEntry(block.format.kind).name}: {formatWords(block.format)}
        </button>
      </p>
      {(role === 'warm-up' || role === 'cool-down') && (
        <Remake
          length={props.sums.blocks[b]?.lengthSeconds ?? 0}
          onRemake={(minutes) => props.onRemake(b, role, minutes)}
        />
      )}
      <SortableContext
        items={block.stations.map((_, i) => `${b}/${i}`)}
        strategy={verticalListSortingStrategy}
      >
        <ol>
          {block.stations.map((station, i) => (
            <Row
              key={station.id}
              id={`${b}/${i}`}
              number={i + 1}
              name={formName(library, station.move, station.settings)}
              more={(station.chain ?? []).map((p) => {
                const part = library.move(p.move);
                const dose = writtenDose(p.dose, part?.sides === 'one');
                return `${part?.name.toLowerCase() ?? p.move}${dose ? `, ${dose}` : ''}`;
              })}
              dose={writtenDose(station.dose, library.move(station.move)?.sides === 'one')}
              chosen={b === props.open && i === props.station}
              onOpen={() => props.onPick(b, i)}
              onCopy={() => send(planEvents.stationCopied({ block: b, station: i }))}
              onRemove={() => send(planEvents.stationRemoved({ block: b, station: i }))}
            />
          ))}
        </ol>
      </SortableContext>
      <AddLine library={library} block={b} after={block.stations.length - 1} name={name} />
      <details className="mt-1">
        <summary className="touch flex cursor-pointer items-center gap-2 text-sm">
          <span className="underline underline-offset-4">Before and after</span>
          <span className="quiet">{aroundWords(plan, b)}</span>
        </summary>
        <div className="grid max-w-2xl grid-cols-2 items-end gap-x-3 gap-y-2 sm:grid-cols-3">
          <NumberField
            label="Get ready"
            unit="s"
            value={block.readySeconds}
            min={0}
            max={60}
            step={5}
            onEmpty={() => patch({ readySeconds: undefined } as Partial<Block>)}
            onChange={(readySeconds) => patch({ readySeconds })}
          />
          <Among
            label="Forms are shown"
            value={block.showing}
            none="not planned"
            of={SHOWING}
            onChoose={(showing) => patch({ showing } as Partial<Block>)}
          />
          <Among
            label="In the rests they"
            value={block.resting}
            none="walk about easily"
            of={RESTING}
            onChoose={(resting) => patch({ resting } as Partial<Block>)}
          />
          {b < plan.blocks.length - 1 && (
            <>
              <NumberField
                label="Rest after it"
                unit="s"
                value={block.after?.seconds}
                min={0}
                max={900}
                step={15}
                onEmpty={() => patch({ after: undefined } as Partial<Block>)}
                onChange={(seconds) => patch({ after: { ...block.after, seconds } })}
              />
              {block.after && (
                <>
                  <NumberField
                    label="At most"
                    unit="s"
                    value={block.after.mostSeconds}
                    min={0}
                    max={1800}
                    step={15}
                    onEmpty={() => {
                      const { mostSeconds: _, ...rest } = block.after!;
                      patch({ after: rest });
                    }}
                    onChange={(mostSeconds) => patch({ after: { ...block.after!, mostSeconds } })}
                  />
                  <Among
                    label="Meanwhile they"
                    value={block.after.style ?? 'moving'}
                    of={RESTING}
                    onChoose={(style) => style && patch({ after: { ...block.after!, style } })}
                  />
                  <Tick
                    on={block.after.untilReady ?? false}
                    onTurn={(untilReady) => patch({ after: { ...block.after!, untilReady } })}
                  >
                    until they are ready
                  </Tick>
                  <Tick
                    on={block.after.drink ?? false}
                    onTurn={(drink) => patch({ after: { ...block.after!, drink } })}
                  >
                    a drink
                  </Tick>
                </>
              )}
            </>
          )}
        </div>
      </details>
    </section>
  );
}
