import { SIDES, type Sides } from '@inner-rung/core/clock';
import type { Library } from '@inner-rung/core/ladder';
import type { Station } from '@inner-rung/core/session';
import { writtenDose } from '@inner-rung/core/words';
import { Plus, X } from 'lucide-react';
import { useState } from 'react';
import { MovePicker } from '../features/move-picker.tsx';
import { Tick } from '../ui/choice.tsx';
import { NumberField } from '../ui/number-field.tsx';
import { DoseForm, orNone, without } from './dose-form.tsx';

/** A station's dose, its sides, and what follows in the same go. */
export function DoseFold(props: {
  library: Library;
  station: Station;
  /** In a minute that is to be filled, what follows fills it. */
  fills: boolean;
  /** Sets of the others, where the clock goes in sets; null where it doesn't. */
  sets: number | null;
  onPatch: (patch: Partial<Station>) => void;
}) {
  const { library, station, onPatch } = props;
  const [adding, setAdding] = useState(false);
  const sided = library.move(station.move)?.sides === 'one';
  const chain = station.chain ?? [];
  const setChain = (next: Station['chain']) =>
    onPatch({ chain: next && next.length > 0 ? next : undefined } as Partial<Station>);
  const says = writtenDose(station.dose, sided);
  return (
    <details className="mt-2" data-dose>
      <summary className="touch flex cursor-pointer items-center gap-2">
        <span className="underline underline-offset-4">Dose</span>
        <span className="quiet truncate text-sm">
          {says || 'as the clock gives'}
          {chain.length > 0
            ? `, then ${chain.map((p) => library.move(p.move)?.name.toLowerCase()).join(', ')}`
            : ''}
        </span>
      </summary>
      {props.sets !== null && (
        <NumberField
          label="Sets here"
          unit="×"
          value={station.dose?.sets ?? props.sets}
          min={1}
          max={12}
          step={1}
          onChange={(sets) =>
            onPatch({
              dose: orNone(
                sets === props.sets ? without(station.dose ?? {}, 'sets') : { ...station.dose, sets },
              ),
            } as Partial<Station>)
          }
        />
      )}
      <DoseForm dose={station.dose} sided={sided} onDose={(dose) => onPatch({ dose } as Partial<Station>)} />
      {sided && (
        <label className="mt-2 flex flex-col">
          <span className="quiet text-sm">Sides</span>
          <select
            className="select touch w-full"
            value={station.sides}
            onChange={(event) => onPatch({ sides: event.target.value as Sides })}
          >
            {Object.entries(SIDES).map(([id, words]) => (
              <option key={id} value={id}>
                {words}
              </option>
            ))}
          </select>
        </label>
      )}
      <Tick
        on={station.isNew ?? false}
        onTurn={(on) => onPatch({ isNew: on || undefined } as Partial<Station>)}
      >
        New to them: longer to show
      </Tick>
      {chain.map((part, k) => {
        const name = library.move(part.move)?.name ?? part.move;
        const partSided = library.move(part.move)?.sides === 'one';
        return (
          // biome-ignore lint/suspicious/noArrayIndexKey: parts have no id of their own and never reorder
          <div key={k} className="mt-2 border-l-4 border-base-300 pl-3">
            <p className="flex items-center justify-between">
              <span>
                <span className="quiet">{props.fills ? 'to fill it: ' : 'then: '}</span>
                <strong>{name}</strong>
              </span>
              <button
                type="button"
                className="btn btn-ghost btn-sm touch"
                aria-label={`Take out ${name}`}
                onClick={() => setChain(chain.filter((_, i) => i !== k))}
              >
                <X size={17} aria-hidden />
              </button>
            </p>
            <DoseForm
              dose={part.dose}
              sided={partSided}
              onDose={(dose) =>
                setChain(
                  chain.map((p, i) => {
                    if (i !== k) return p;
                    const { dose: _, ...rest } = p;
                    return dose ? { ...rest, dose } : rest;
                  }),
                )
              }
            />
          </div>
        );
      })}
      {chain.length < 3 && (
        <button type="button" className="btn btn-sm touch mt-1" onClick={() => setAdding(true)}>
          <Plus size={17} aria-hidden />{' '}
          {props.fills ? 'Something to fill the minute' : 'Then something more'}
        </button>
      )}
      {adding && (
        <MovePicker
          library={library}
          title={props.fills ? 'What fills the minute' : 'And then'}
          onClose={() => setAdding(false)}
          onPick={(move) => {
            setChain([...chain, { move, ...(props.fills ? {} : { dose: { reps: 5 } }) }]);
            setAdding(false);
          }}
        />
      )}
    </details>
  );
}
