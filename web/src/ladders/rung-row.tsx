import { useSortable } from '@dnd-kit/sortable';
import { type Ladder, type Library, type PartKey, type Rung, rungDemand } from '@inner-rung/core/ladder';
import type { Ruler } from '@inner-rung/core/limits';
import type { Person } from '@inner-rung/core/person';
import { formName } from '@inner-rung/core/words';
import { GripVertical } from 'lucide-react';
import { laneStyle, lookOf } from '../features/rung-look.ts';
import { initials } from '../store/data.ts';
import { FlightMark, FloorMark } from '../ui/marks.tsx';
import { PartBars } from './part-bars.tsx';

/** One rung: chosen by a tap, dragged by its handle, its demand as bars on its neighbours' columns. */
export function RungRow(props: {
  id: string;
  rung: Rung;
  index: number;
  ladder: Ladder;
  library: Library;
  parts: readonly PartKey[];
  chosen: boolean;
  bars: readonly Ruler[];
  people: readonly Person[];
  onChoose: () => void;
}) {
  const { rung, library } = props;
  const { attributes, listeners, setNodeRef, setActivatorNodeRef, transform, transition, isDragging } =
    useSortable({ id: props.id });
  const demand = rungDemand(library, rung);
  const look = lookOf(library, rung);
  const name = formName(library, rung.move, rung.settings);
  return (
    <div
      ref={setNodeRef}
      style={{
        ...laneStyle(look.lane),
        transform: transform ? `translate3d(0, ${Math.round(transform.y)}px, 0)` : undefined,
        transition,
      }}
      className={`flex items-stretch border-y-2 border-base-content/70 ${props.chosen ? 'outline-4 -outline-offset-2 outline-primary' : ''} ${isDragging ? 'relative z-10 shadow-lg' : ''}`}
    >
      <button
        type="button"
        ref={setActivatorNodeRef}
        {...attributes}
        {...listeners}
        className="touch grid cursor-grab touch-none place-items-center"
        aria-label={`Move ${name} up or down the ladder`}
      >
        <GripVertical size={18} aria-hidden />
      </button>
      <button
        type="button"
        data-rung={rung.move}
        aria-pressed={props.chosen}
        className="touch flex min-w-0 flex-1 items-center gap-2 py-1 pr-2 text-left leading-tight"
        onClick={props.onChoose}
      >
        <span className="min-w-0 flex-1 font-semibold">
          <span className={props.bars.length > 0 ? 'line-through decoration-2' : ''}>{name}</span>
          {props.bars.length > 0 && (
            <span className="block text-sm font-normal">barred: {props.bars[0]!.says}</span>
          )}
        </span>
        {look.flies && (
          <span title="Leaves the floor">
            <FlightMark />
          </span>
        )}
        {look.floor && (
          <span title="Down on the floor">
            <FloorMark />
          </span>
        )}
        {props.people.map((p) => (
          <span
            key={p.id}
            title={`${p.name} owns this rung`}
            className="display grid h-7 w-7 shrink-0 place-items-center rounded-full bg-[var(--line)] text-xs text-base-100"
          >
            {initials(p.name)}
          </span>
        ))}
        {demand && (
          <span className="hidden sm:block">
            <PartBars demand={demand} parts={props.parts} measures={props.ladder.measures} />
          </span>
        )}
      </button>
    </div>
  );
}
