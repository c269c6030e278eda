import { useSortable } from '@dnd-kit/sortable';
import { CSS } from '@dnd-kit/utilities';
import type { Library } from '@inner-rung/core/ladder';
import { readSession, STANDS, SURE } from '@inner-rung/core/read';
import { type Plan, REST_STYLES, SHOWING } from '@inner-rung/core/session';
import { Copy, GripVertical, X } from 'lucide-react';
import { useMemo, useState } from 'react';
import { useSend } from '../store/index.ts';
import { planEvents } from '../store/plan-slice.ts';
import { NumberField } from '../ui/number-field.tsx';

/** A warm-up or cool-down made once more from the circuits, for so many minutes. */
export function Remake(props: { length: number; onRemake: (minutes: number) => void }) {
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

export function aroundWords(plan: Plan, b: number): string {
  const { readySeconds, showing, after, resting } = plan.blocks[b]!;
  return [
    readySeconds ? `${readySeconds} s to get ready` : '',
    showing ? `shown ${SHOWING[showing]}` : '',
    resting ? `in the rests ${REST_STYLES[resting].says}` : '',
    after && b < plan.blocks.length - 1
      ? `${after.seconds}${after.mostSeconds && after.mostSeconds > after.seconds ? `–${after.mostSeconds}` : ''} s ${after.drink ? 'with a drink' : 'rest'} after${after.untilReady ? ', until ready' : ''}`
      : '',
  ]
    .filter(Boolean)
    .join(', ');
}

/** One station of the list, held by its handle or moved with the keyboard. */
export function Row(props: {
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
export function AddLine(props: { library: Library; block: number; after: number; name: string }) {
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
