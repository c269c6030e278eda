import { FIGURES, shownFor } from '@inner-rung/core/figure';
import type { Library } from '@inner-rung/core/ladder';
import { findingsOf, otherLimb, readDrawing } from '@inner-rung/core/mechanics';
import {
  DEMAND_KEYS,
  DEMANDS,
  type Demand,
  type DemandKey,
  LEVER_IDS,
  LEVERS,
  type LeverId,
  type Move,
} from '@inner-rung/core/move';
import type { DrawnFigure } from '@inner-rung/core/pose';
import { Pencil } from 'lucide-react';
import type { ReactNode } from 'react';
import { Num, Text } from '../ui/fields.tsx';
import { MoveFigure } from '../ui/move-figure.tsx';
import { FigureEditor } from './figure-editor.tsx';

/** How a move is edited: kept where all of it is still well formed, and what is wrong told beside its field. */
export interface MoveEdits {
  readonly library: Library;
  readonly move: Move;
  readonly demand: Demand;
  readonly put: (field: string, patch: Partial<Move>, figures?: Partial<Demand>, says?: string) => boolean;
  readonly wrong: (field: string) => ReactNode;
}

/** What a drawing begins with where nothing is like the move. */
const shownStanding = (): DrawnFigure => FIGURES['feet-together-stand']!(0);

/** The faults to watch: what is seen, what is said, which lever is pulled. */
export function FaultFields({ move, put, wrong }: MoveEdits) {
  const setFault = (i: number, patch: Partial<Move['faults'][number]>) =>
    put('faults', { faults: move.faults.map((f, k) => (k === i ? { ...f, ...patch } : f)) });
  return (
    <>
      {move.faults.map((fault, i) => (
        <fieldset
          // biome-ignore lint/suspicious/noArrayIndexKey: a fault has no name of its own
          key={`${move.id}/fault-${i}`}
          className="border-l-4 border-primary pl-3"
        >
          <legend className="display">The fault to watch</legend>
          <Text label="What you see" value={fault.see} rows={1} onValue={(v) => setFault(i, { see: v })} />
          <Text label="What you say" value={fault.say} rows={1} onValue={(v) => setFault(i, { say: v })} />
          <label className="mt-1 block">
            <span className="quiet text-sm">The lever to pull</span>
            <select
              className="select touch w-full"
              value={fault.lever}
              onChange={(e) => setFault(i, { lever: e.target.value as LeverId })}
            >
              {LEVER_IDS.map((lever) => (
                <option key={lever} value={lever}>
                  {LEVERS[lever].easier}
                </option>
              ))}
            </select>
          </label>
          <Text label="Which comes to" value={fault.do} rows={1} onValue={(v) => setFault(i, { do: v })} />
          {wrong('faults')}
        </fieldset>
      ))}
    </>
  );
}

/** The move's own drawing, or the nearest that there is and a way to begin from it. */
export function LookFields({ library, move, demand, put, wrong }: MoveEdits) {
  const looks = shownFor(library, { move: move.id });
  const shipped = FIGURES[move.id];
  // What it asks is read off its own drawing from then on.
  const drawnAs = (drawing: DrawnFigure): Partial<Move> => ({
    drawing,
    drawn: readDrawing(move, () => drawing),
    other: otherLimb(move, () => drawing),
  });
  return (
    <>
      <h2 className="text-xl">How it looks</h2>
      {move.drawing ? (
        <FigureEditor
          key={move.id}
          drawing={move.drawing}
          findings={findingsOf(move, demand, move.drawing)}
          onKeep={(drawing, says) => put('drawing', drawnAs(drawing), {}, says)}
          onAway={() =>
            put(
              'drawing',
              {
                drawing: undefined,
                drawn: shipped && readDrawing(move, (cm) => shipped(cm / 100)),
                other: shipped && otherLimb(move, (cm) => shipped(cm / 100)),
              },
              {},
              'Take the drawing away',
            )
          }
        />
      ) : (
        <>
          {looks && <MoveFigure shown={looks} name={move.name} className="mt-1 h-36 max-w-full" />}
          <p className="quiet text-sm">
            {looks?.like
              ? `No drawing of its own: shown as ${looks.like.name.toLowerCase()}, the nearest by posture and pattern.`
              : looks
                ? 'As it is drawn. Your own drawing takes its place; heights then stay as you set them.'
                : 'Nothing drawn is near enough to stand for it.'}
          </p>
          <button
            type="button"
            className="btn btn-sm touch"
            onClick={() => put('drawing', drawnAs(looks?.figure ?? shownStanding()), {}, 'Draw it')}
          >
            <Pencil size={17} aria-hidden /> Draw it {looks ? 'from this' : 'from somebody standing'}
          </button>
        </>
      )}
      {wrong('drawing')}
    </>
  );
}

/** Every figure that isn't nothing, low and high end; and one more. */
export function DemandFields({ demand, put, wrong }: MoveEdits) {
  const shown = DEMAND_KEYS.filter((key) => demand[key].hi !== 0);
  const hidden = DEMAND_KEYS.filter((key) => demand[key].hi === 0);
  const figure = (key: DemandKey, lo: number | null, hi: number | null) =>
    put(`demand.${key}`, {}, { [key]: { lo, hi, from: 'estimate', source: 'set by hand' } });
  return (
    <>
      <h2 className="mt-4 text-xl">What it asks</h2>
      <p className="quiet text-sm">
        Low and high end. Limits read the high end; an empty high end means not known, which bars.
      </p>
      <table className="mt-1 w-full text-[0.95rem]">
        <thead className="sr-only">
          <tr>
            <th scope="col">Asks</th>
            <th scope="col">Low</th>
            <th scope="col">High</th>
          </tr>
        </thead>
        <tbody>
          {shown.map((key) => (
            <tr key={key}>
              <th scope="row" className="py-0.5 pr-2 text-left leading-tight font-normal">
                {DEMANDS[key].says} <span className="quiet text-sm">{DEMANDS[key].unit}</span>
                {wrong(`demand.${key}`)}
              </th>
              {(['lo', 'hi'] as const).map((side) => (
                <td key={side} className="w-20 py-0.5 pl-1">
                  <Num
                    bare
                    label={`${DEMANDS[key].says}, ${side === 'lo' ? 'low' : 'high'} end`}
                    value={demand[key][side]}
                    onValue={(v) =>
                      side === 'lo'
                        ? figure(key, v, Math.max(v, demand[key].hi ?? v))
                        : figure(key, Math.min(v, demand[key].lo ?? v), v)
                    }
                    onEmpty={() => figure(key, null, null)}
                  />
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
      <label className="mt-2 block">
        <span className="quiet text-sm">Something else it asks</span>
        <select
          className="select touch w-full"
          value=""
          onChange={(e) => e.target.value && figure(e.target.value as DemandKey, 1, 1)}
        >
          <option value="">choose a demand…</option>
          {hidden.map((key) => (
            <option key={key} value={key}>
              {DEMANDS[key].says}
            </option>
          ))}
        </select>
      </label>
    </>
  );
}
