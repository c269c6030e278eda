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
import {
  SortableContext,
  sortableKeyboardCoordinates,
  useSortable,
  verticalListSortingStrategy,
} from '@dnd-kit/sortable';
import { CSS } from '@dnd-kit/utilities';
import { formatEntry, formatWords, lengthWords } from '@inner-rung/core/clock';
import type { Library } from '@inner-rung/core/ladder';
import { readSession, STANDS, SURE } from '@inner-rung/core/read';
import type { Sums } from '@inner-rung/core/review';
import {
  type Block,
  blockName,
  KIND_IDS,
  KINDS,
  type KindId,
  type Plan,
  REST_STYLES,
  type RestStyle,
  ROLES,
  type Role,
  roleOf,
  SHOWING,
} from '@inner-rung/core/session';
import { formName, writtenDose } from '@inner-rung/core/words';
import { ArrowDown, ArrowUp, Copy, GripVertical, Trash2, X } from 'lucide-react';
import { useEffect, useMemo, useRef, useState } from 'react';
import { useSend } from '../store/index.ts';
import { planEvents, type StationAt } from '../store/plan-slice.ts';
import { Tick } from '../ui/choice.tsx';
import { NumberField } from '../ui/number-field.tsx';

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
        <label className="flex flex-col">
          <span className="quiet text-sm">The clock is for</span>
          <select
            className="select touch"
            value={plan.forWhom}
            onChange={(event) => send(planEvents.planPatched({ forWhom: event.target.value as KindId }))}
          >
            {KIND_IDS.map((id) => (
              <option key={id} value={id}>
                {KINDS[id].name}
              </option>
            ))}
          </select>
        </label>
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
          <label className="col-span-2 flex flex-col sm:col-span-1">
            <span className="quiet text-sm">Forms are shown</span>
            <select
              className="select touch w-full"
              value={block.showing ?? ''}
              onChange={(event) =>
                patch({ showing: (event.target.value || undefined) as Block['showing'] } as Partial<Block>)
              }
            >
              <option value="">not planned</option>
              {Object.entries(SHOWING).map(([id, says]) => (
                <option key={id} value={id}>
                  {says}
                </option>
              ))}
            </select>
          </label>
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
                  <label className="flex flex-col">
                    <span className="quiet text-sm">Meanwhile they</span>
                    <select
                      className="select touch w-full"
                      value={block.after.style ?? 'moving'}
                      onChange={(event) =>
                        patch({
                          after: {
                            ...block.after!,
                            style: event.target.value as RestStyle,
                          },
                        })
                      }
                    >
                      {Object.entries(REST_STYLES).map(([id, says]) => (
                        <option key={id} value={id}>
                          {says}
                        </option>
                      ))}
                    </select>
                  </label>
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

/** A warm-up or cool-down made once more from the circuits, for so many minutes. */
function Remake(props: { length: number; onRemake: (minutes: number) => void }) {
  const [minutes, setMinutes] = useState(Math.max(3, Math.round(props.length / 60)));
  return (
    <div className="flex items-end gap-2 pb-1">
      <div className="w-28">
        <NumberField
          label="Minutes"
          unit=""
          value={minutes}
          min={3}
          max={30}
          step={1}
          onChange={setMinutes}
        />
      </div>
      <button type="button" className="btn touch" onClick={() => props.onRemake(minutes)}>
        Make it from the circuit
      </button>
    </div>
  );
}

function aroundWords(plan: Plan, b: number): string {
  const { readySeconds, showing, after } = plan.blocks[b]!;
  return [
    readySeconds ? `${readySeconds} s to get ready` : '',
    showing ? `shown ${SHOWING[showing]}` : '',
    after && b < plan.blocks.length - 1
      ? `${after.seconds}${after.mostSeconds && after.mostSeconds > after.seconds ? `–${after.mostSeconds}` : ''} s ${after.drink ? 'with a drink' : 'rest'} after${after.untilReady ? ', until ready' : ''}`
      : '',
  ]
    .filter(Boolean)
    .join(', ');
}

/** One station of the list, held by its handle or moved with the keyboard. */
function Row(props: {
  id: string;
  number: number;
  name: string;
  more: readonly string[];
  dose: string;
  chosen: boolean;
  onOpen: () => void;
  onCopy: () => void;
  onRemove: () => void;
}) {
  const { attributes, listeners, setNodeRef, transform, transition, isDragging } = useSortable({
    id: props.id,
  });
  return (
    <li
      ref={setNodeRef}
      style={{ transform: CSS.Translate.toString(transform), transition }}
      className={`flex items-center gap-1 border-b border-base-300 ${props.chosen ? 'bg-base-200' : ''} ${isDragging ? 'relative z-10 bg-base-100 shadow-lg' : ''}`}
    >
      <button
        type="button"
        className="touch grid cursor-grab touch-none place-items-center px-1"
        {...attributes}
        {...listeners}
        aria-label={`Drag ${props.name}`}
      >
        <GripVertical size={18} aria-hidden />
      </button>
      <button
        type="button"
        className="touch min-w-0 flex-1 py-1 text-left leading-tight"
        onClick={props.onOpen}
      >
        <span className="display mr-2 inline-block w-6 text-right text-primary">{props.number}</span>
        <span className="font-semibold">{props.name}</span>
        {props.more.length > 0 && <span>, then {props.more.join(', ')}</span>}
        {props.dose && <span className="quiet">, {props.dose}</span>}
      </button>
      <button
        type="button"
        className="btn btn-ghost btn-sm touch"
        aria-label={`${props.name} once more`}
        onClick={props.onCopy}
      >
        <Copy size={16} aria-hidden />
      </button>
      <button
        type="button"
        className="btn btn-ghost btn-sm touch"
        aria-label={`Take out ${props.name}`}
        onClick={props.onRemove}
      >
        <X size={17} aria-hidden />
      </button>
    </li>
  );
}

/** One line to type: "10 squats, 8 push-ups, 40s plank". What isn't known is asked about, and stays. */
function AddLine(props: { library: Library; block: number; after: number; name: string }) {
  const { library } = props;
  const send = useSend();
  const [text, setText] = useState('');
  const read = useMemo(() => readSession(library, text), [text, library]);
  const stations = read.blocks.flatMap((block) => block.stations);
  const doubtful = read.blocks
    .flatMap((block) => block.lines)
    .find((line) => line.kind === 'station' && (line.read[0]?.sure ?? 0) < SURE);
  return (
    <form
      className="mt-1"
      onSubmit={(event) => {
        event.preventDefault();
        if (stations.length === 0) return;
        send(planEvents.stationsAdded({ block: props.block, after: props.after, stations }));
        setText('');
      }}
    >
      <label className="flex items-center gap-2">
        <span className="sr-only">Add stations to {props.name}</span>
        <input
          className="input touch w-full"
          placeholder="Type or paste: 10 squats, 8 push-ups, 40s plank"
          value={text}
          onChange={(event) => setText(event.target.value)}
        />
        <button type="submit" className="btn touch" disabled={stations.length === 0}>
          Add{stations.length > 1 ? ` ${stations.length}` : ''}
        </button>
      </label>
      {doubtful && (
        <p className="mt-1 flex flex-wrap items-center gap-1" role="status">
          <span className="font-semibold">
            “{doubtful.text}”{' '}
            {(doubtful.read[0]?.sure ?? 0) >= STANDS ? 'can mean' : 'stands as you teach it. Or'}
          </span>
          {doubtful.read.map((one) => (
            <button
              key={one.moves.join('+')}
              type="button"
              className="btn btn-sm touch"
              onClick={() => setText(text.replace(doubtful.text, one.names.join(' + ')))}
            >
              {one.names.join(' + ')}
            </button>
          ))}
        </p>
      )}
    </form>
  );
}
