import { shownFor } from '@inner-rung/core/figure';
import { type Ladder, type Library, leverShows, type PartKey, rungDemand } from '@inner-rung/core/ladder';
import { LEVER_IDS, LEVERS, type LeverId } from '@inner-rung/core/move';
import { formName } from '@inner-rung/core/words';
import { ArrowDown, ArrowUp, Scissors, Trash2 } from 'lucide-react';
import { useId } from 'react';
import { Link } from 'react-router';
import { FaultFigure } from '../ui/fault-figure.tsx';
import { MoveFigure } from '../ui/move-figure.tsx';
import { StepPlot } from './part-bars.tsx';

/** The chosen rung: what makes it harder, how it compares with its neighbours, and what can be done with it. */
export function RungPanel(props: {
  ladder: Ladder;
  library: Library;
  rung: number;
  parts: readonly PartKey[];
  onLevers: (levers: LeverId[]) => void;
  onHeight: (cm: number) => void;
  onShift: (by: -1 | 1) => void;
  onRemove: () => void;
  onSplit: () => void;
  onSideways: () => void;
}) {
  const { ladder, library } = props;
  const heightId = useId();
  const rung = ladder.rungs[props.rung];
  if (!rung) return <p className="quiet">Choose a rung to see what makes it what it is.</p>;
  const move = library.move(rung.move);
  const shown = shownFor(library, rung);
  const demand = rungDemand(library, rung);
  const below = ladder.rungs[props.rung - 1];
  const belowDemand = below && rungDemand(library, below);
  const surface = move?.surface && move.surface.law !== 'place' ? move.surface : null;
  const toggle = (lever: LeverId) =>
    props.onLevers(
      rung.levers.includes(lever)
        ? rung.levers.filter((l) => l !== lever)
        : [...rung.levers, lever].slice(-2),
    );
  const likely = LEVER_IDS.filter(
    (lever) =>
      rung.levers.includes(lever) || (belowDemand && demand && leverShows(belowDemand, demand, lever)),
  );
  const unlikely = LEVER_IDS.filter((lever) => !likely.includes(lever));
  const chip = (lever: LeverId) => {
    const on = rung.levers.includes(lever);
    return (
      <button
        key={lever}
        type="button"
        aria-pressed={on}
        className={`btn btn-sm min-h-11 font-normal ${on ? 'btn-neutral' : ''}`}
        onClick={() => toggle(lever)}
      >
        {LEVERS[lever].harder}
      </button>
    );
  };
  return (
    <section aria-label="The chosen rung">
      <h2 className="text-2xl leading-tight">{formName(library, rung.move, rung.settings)}</h2>
      {shown && (
        <MoveFigure
          shown={shown}
          name={formName(library, rung.move, rung.settings)}
          className="my-2 h-32 w-full"
        />
      )}
      {shown && !shown.like && move?.faults[0] && (
        <div className="mb-2 flex flex-wrap items-center gap-x-3">
          <FaultFigure
            shown={shown}
            see={move.faults[0].see}
            say={move.faults[0].say}
            className="h-20 max-w-full"
          />
          <p className="min-w-40 flex-1 text-sm">
            See: {move.faults[0].see}. <strong>{move.faults[0].say}</strong>
          </p>
        </div>
      )}
      {move && (
        <p>
          <Link
            to={`/moves/${rung.move}`}
            className="touch inline-flex items-center underline underline-offset-4"
          >
            All about this move
          </Link>
        </p>
      )}
      <div className="mt-1 flex flex-wrap gap-1">
        <button
          type="button"
          className="btn btn-sm touch"
          aria-label="One rung up"
          disabled={props.rung === ladder.rungs.length - 1}
          onClick={() => props.onShift(1)}
        >
          <ArrowUp size={17} aria-hidden /> Up
        </button>
        <button
          type="button"
          className="btn btn-sm touch"
          aria-label="One rung down"
          disabled={props.rung === 0}
          onClick={() => props.onShift(-1)}
        >
          <ArrowDown size={17} aria-hidden /> Down
        </button>
        <button type="button" className="btn btn-sm touch" onClick={props.onRemove}>
          <Trash2 size={17} aria-hidden /> Take out
        </button>
        <button
          type="button"
          className="btn btn-sm touch"
          disabled={props.rung === 0}
          onClick={props.onSplit}
          title="From this rung up becomes a ladder of its own"
        >
          <Scissors size={17} aria-hidden /> Split here
        </button>
        <button type="button" className="btn btn-sm touch" onClick={props.onSideways}>
          Sideways
        </button>
      </div>
      {surface && (
        <div className="mt-4">
          <label htmlFor={heightId}>
            Height of the {surface.for}:{' '}
            <strong>{Math.round(rung.settings?.surfaceCm ?? surface.usualCm)} cm</strong>
          </label>
          <input
            id={heightId}
            type="range"
            className="dial-range"
            min={surface.minCm}
            max={surface.maxCm}
            value={rung.settings?.surfaceCm ?? surface.usualCm}
            onChange={(event) => props.onHeight(Number(event.target.value))}
          />
        </div>
      )}
      {below && demand && belowDemand && (
        <div className="mt-4">
          <h3 className="text-lg leading-tight">From {formName(library, below.move, below.settings)}</h3>
          <div className="mt-1">
            <StepPlot below={belowDemand} above={demand} parts={props.parts} />
          </div>
          <p className="quiet mt-1 text-sm">○ the rung below · ● this rung</p>
        </div>
      )}
      {props.rung > 0 && (
        <fieldset className="mt-4">
          <legend className="text-lg display">What makes it harder</legend>
          <p className="quiet text-sm">One lever, at most two.</p>
          <div className="mt-1 flex flex-wrap gap-1">{likely.map(chip)}</div>
          <details>
            <summary className="touch flex cursor-pointer items-center text-sm underline underline-offset-4">
              Levers the numbers don’t show
            </summary>
            <div className="mt-1 flex flex-wrap gap-1">{unlikely.map(chip)}</div>
          </details>
        </fieldset>
      )}
    </section>
  );
}
