import { type MoveNow, moveWords } from '@inner-rung/core/run';

/** Which of a round's moves everybody's buttons are for. */
export function WhichMove(props: {
  moves: readonly MoveNow[];
  entry: number | null;
  onPick: (entry: number) => void;
}) {
  return (
    <fieldset className="mb-2 flex flex-wrap items-center gap-2">
      <legend className="quiet text-sm">Easier, harder and another move are for</legend>
      {props.moves.map((move) => (
        <button
          key={move.entry}
          type="button"
          aria-pressed={move.entry === props.entry}
          className={`btn btn-sm touch ${move.entry === props.entry ? 'btn-primary' : ''}`}
          onClick={() => props.onPick(move.entry)}
        >
          {moveWords(move)}
        </button>
      ))}
    </fieldset>
  );
}
