import { shownFor, stripOf, svgOf, turns } from '@inner-rung/core/figure';
import type { Library } from '@inner-rung/core/ladder';
import { difficultyOf, otherFigure } from '@inner-rung/core/ladder';
import { findingsOf } from '@inner-rung/core/mechanics';
import type { Demand, DemandKey } from '@inner-rung/core/move';
import {
  DEMAND_KEYS,
  DEMANDS,
  demandOf,
  LAWS,
  type LawId,
  LEVERS,
  LIMB_KEYS,
  type Move,
} from '@inner-rung/core/move';
import { Download } from 'lucide-react';
import { useId, useMemo } from 'react';
import { Link } from 'react-router';
import { FaultFigure } from '../ui/fault-figure.tsx';
import { MoveFigure } from '../ui/move-figure.tsx';
import { saveFile } from '../ui/save-file.ts';
import { savePng } from '../ui/save-png.ts';
import { needWords, ORIGIN } from './move-neighbours.ts';
import { figureWords, PART_WORD } from './part-bars.tsx';

type Shown = ReturnType<typeof shownFor>;

/** What a coach says and sees: cues, breath, faults, when to stop. */
export function Teach({ move, drawn }: { move: Move; drawn: Shown }) {
  return (
    <section aria-labelledby="teach">
      <h2 id="teach" className="text-2xl">
        Teach it
      </h2>
      <ul className="mt-1 list-disc pl-5 text-lg">
        {move.cues.map((cue) => (
          <li key={cue}>{cue}</li>
        ))}
      </ul>
      <p className="mt-2">
        <strong>{move.unit === 'hold' ? 'The hold' : 'One rep'}:</strong> {move.standard}
      </p>
      <p>
        <strong>Breath:</strong> {move.breath}
      </p>
      {move.pace && (
        <p>
          <strong>Pace:</strong> {move.pace[0]} to {move.pace[2]} a minute, usually {move.pace[1]}
          {move.tempo && `; tempo ${move.tempo}`}
        </p>
      )}
      {move.needs.length > 0 && (
        <p>
          <strong>Needs:</strong> {move.needs.map(needWords).join(', ')}
        </p>
      )}
      {move.serves && (
        <p>
          <strong>Readies:</strong>{' '}
          {[
            ...(move.serves.as === 'pulse' ? ['the pulse'] : []),
            ...move.serves.joints,
            ...move.serves.muscles,
          ].join(', ')}
        </p>
      )}
      {move.faults.map((fault) => (
        <div
          key={fault.see}
          className="mt-2 flex flex-wrap items-center gap-x-4 border-l-4 border-primary pl-3"
        >
          <p className="min-w-56 flex-1">
            <strong>See:</strong> {fault.see}. <strong>Say:</strong> {fault.say} <strong>Else:</strong>{' '}
            {fault.do} <span className="quiet">({LEVERS[fault.lever].easier})</span>.
          </p>
          {drawn && <FaultFigure shown={drawn} see={fault.see} say={fault.say} className="h-24 max-w-full" />}
        </div>
      ))}
      {move.stopIf.length > 0 && (
        <p className="mt-2">
          <strong>Stop if</strong> {move.stopIf.join(', or ')}.
        </p>
      )}
      {move.trims.length > 0 && (
        <p className="mt-2">
          <strong>Without another form:</strong> {move.trims.map((trim) => trim.say).join(' ')}
        </p>
      )}
    </section>
  );
}

/** What is asked of the limb that doesn't work, in words; both have what isn't a limb's own. */
function otherWords(library: Library, move: Move, key: DemandKey): string {
  if (!move.alone || !LIMB_KEYS[move.alone].includes(key)) return '';
  const other = otherFigure(library, move, key);
  return other === null ? 'as much' : figureWords(key, { lo: other, hi: other, from: 'drawing' });
}

/** Every figure of a move at a height, and where it comes from. */
export function Asks(props: {
  library: Library;
  move: Move;
  demand: Demand;
  surfaceCm: number | undefined;
  onHeight: (cm: number) => void;
}) {
  const { move, demand, surfaceCm } = props;
  const { surface } = move;
  const heightId = useId();
  const figures = DEMAND_KEYS.filter((key) => demand[key].hi !== 0);
  const parts = difficultyOf(demand).parts.slice(0, 4);
  const changes = DEMAND_KEYS.some((key) => demand[key].heights);
  return (
    <section aria-labelledby="asks" className="mt-8">
      <h2 id="asks" className="text-2xl">
        What it asks
      </h2>
      <p>
        Hardest in{' '}
        {parts.map((part) => `${PART_WORD[part.key]} (${Math.round(part.points)} of 100)`).join(', ')}.{' '}
        <span className="quiet">What isn’t listed is nothing. Limits read the high end.</span>
      </p>
      <p>
        <Link to={`/moves/${move.id}/forces`} className="btn btn-sm touch">
          See the forces, joint by joint
        </Link>
      </p>
      {surface && surfaceCm !== undefined && (surface.law !== 'place' || changes) && (
        <div className="mt-2 max-w-xl">
          <label htmlFor={heightId}>
            Height of the {surface.for}: <strong>{surfaceCm} cm</strong>
            {surface.law !== 'place' && <span className="quiet">, {LAWS[surface.law as LawId].says}</span>}
          </label>
          <input
            id={heightId}
            type="range"
            className="dial-range"
            min={surface.minCm}
            max={surface.maxCm}
            value={surfaceCm}
            onChange={(event) => props.onHeight(Number(event.target.value))}
          />
        </div>
      )}
      <table className="table table-sm mt-1 w-full text-[0.95rem]">
        <thead>
          <tr className="text-base-content">
            <th scope="col">Asks</th>
            <th scope="col">Figure</th>
            {move.alone && <th scope="col">Of the other {move.alone}</th>}
            <th scope="col">Where it comes from</th>
          </tr>
        </thead>
        <tbody>
          {figures.map((key) => (
            <tr key={key}>
              <th scope="row" className="font-normal">
                {DEMANDS[key].says}
              </th>
              <td>{figureWords(key, demand[key])}</td>
              {move.alone && <td>{otherWords(props.library, move, key)}</td>}
              <td className="quiet">
                {ORIGIN[demand[key].from]}
                {demand[key].source ? `: ${demand[key].source}` : ''}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}

/** The move as it is drawn, at the height that is set below; out as a picture; what it and the data disagree on. */
export function Drawn(props: { library: Library; move: Move; surfaceCm?: number }) {
  const { library, move, surfaceCm } = props;
  const shown = useMemo(
    () =>
      shownFor(library, { move: move.id, ...(surfaceCm === undefined ? {} : { settings: { surfaceCm } }) }),
    [library, move.id, surfaceCm],
  );
  if (!shown) return <p className="quiet mt-3">Nothing drawn is near enough to this move to stand for it.</p>;
  const own = library.demand.get(move.id);
  const demand = own && demandOf(move, own, surfaceCm === undefined ? {} : { surfaceCm });
  const findings = shown.like || !demand ? [] : findingsOf(move, demand, shown.figure);
  const stills = stripOf(shown.figure).map((still) => svgOf(still, move.name));
  return (
    <section className="mt-3 border-y-2 border-base-300 py-2" aria-label="How it looks">
      <MoveFigure shown={shown} name={move.name} moving className="mx-auto h-56 max-w-full" />
      <div className="flex flex-wrap items-center gap-2">
        <p className="quiet text-sm">
          {shown.like
            ? `Not drawn yet: shown as ${shown.like.name.toLowerCase()}, the nearest by posture and pattern.`
            : 'To scale for somebody 1.70 m tall.'}
          {turns(shown.figure) && ' In the circle, seen from the head: shoulders over hips.'}
        </p>
        <div className="ml-auto flex gap-2">
          <button
            type="button"
            className="btn btn-sm touch"
            onClick={() =>
              stills.forEach((svg, i) => {
                saveFile(`${move.id}-${i + 1}.svg`, 'image/svg+xml;charset=utf-8', svg);
              })
            }
          >
            <Download size={17} aria-hidden /> SVG
          </button>
          <button
            type="button"
            className="btn btn-sm touch"
            onClick={() => stills.forEach((svg, i) => void savePng(`${move.id}-${i + 1}.png`, svg))}
          >
            <Download size={17} aria-hidden /> PNG
          </button>
        </div>
      </div>
      {findings.map((finding) => (
        <p key={finding.what} className="text-sm text-error">
          {finding.what}: {finding.says}.
        </p>
      ))}
    </section>
  );
}
