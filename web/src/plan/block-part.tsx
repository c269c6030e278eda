import { useDroppable } from '@dnd-kit/core';
import { SortableContext, verticalListSortingStrategy } from '@dnd-kit/sortable';
import { formatEntry, formatWords, lengthWords } from '@inner-rung/core/clock';
import { type Block, blockName, ROLES, type Role, roleOf, SHOWING } from '@inner-rung/core/session';
import { formName, writtenDose } from '@inner-rung/core/words';
import { ArrowDown, ArrowUp, Copy, Trash2 } from 'lucide-react';
import { useEffect, useRef } from 'react';
import { useSend } from '../store/index.ts';
import { planEvents } from '../store/plan-slice.ts';
import { Tick } from '../ui/choice.tsx';
import { NumberField } from '../ui/number-field.tsx';
import { Among, RESTING } from './builder-fields.tsx';
import type { BuilderProps } from './builder-parts.ts';
import { AddLine, aroundWords, Remake, Row } from './builder-parts.tsx';

export function BlockPart(props: BuilderProps & { block: Block; b: number }) {
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
