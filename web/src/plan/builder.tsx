import {
  closestCenter,
  DndContext,
  type DragEndEvent,
  KeyboardSensor,
  PointerSensor,
  useSensor,
  useSensors,
} from '@dnd-kit/core';
import { sortableKeyboardCoordinates } from '@dnd-kit/sortable';
import type { Plan } from '@inner-rung/core/session';
import { useSend } from '../store/index.ts';
import { planEvents } from '../store/plan-slice.ts';
import { NumberField } from '../ui/number-field.tsx';
import { BlockPart } from './block-part.tsx';
import { AimFields, Among } from './builder-fields.tsx';
import { type BuilderProps, CLOCK_FOR, placeOf } from './builder-parts.ts';

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
