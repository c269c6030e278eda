import { amountOf, type MoveNow, moveWords, type Present } from '@inner-rung/core/run';
import { Badge } from './badge.tsx';
import { RunFigure } from './run-figure.tsx';

const LANES = [0, 1, 2, 3] as const;
/** Forms of one move that can be read from eight metres at once. */
const MOST_FORMS = 4;
/** Moves that have a picture beside them; more than these are read alone. */
const MOST_DRAWN = 5;

/** Who does a form: by first names, those known by number alone counted; or each by number, colour and shape. */
function Whose(props: { whose: string | null; people: readonly Present[]; all: readonly Present[] }) {
  const { whose, people, all } = props;
  if (whose === 'numbers')
    return (
      <span className="mt-[0.3vw] flex flex-wrap gap-[0.5vw]" data-whose>
        {people.map((one) => (
          <Badge key={one.id} n={all.indexOf(one) + 1} className="h-[3.4vw] w-[3.4vw]" />
        ))}
      </span>
    );
  if (whose !== 'names') return null;
  const named = people.filter((one) => !one.byNumber).map((one) => one.name);
  const others = people.length - named.length;
  const more = others === 0 ? [] : [named.length === 0 ? `${others} of you` : `${others} more`];
  return (
    <span className="block text-[2.2vw] leading-tight font-normal" data-whose>
      {[...named, ...more].join(', ')}
    </span>
  );
}

const LaneMarks = ({ lanes }: { lanes: ReadonlySet<number> }) => (
  <span className="flex gap-[0.3vw]" aria-hidden>
    {LANES.filter((lane) => lanes.has(lane)).map((lane) => (
      <span
        key={lane}
        className="inline-block h-[2.6vw] w-[1.3vw] rounded-sm border border-current"
        style={{ background: `var(--lane-${lane})` }}
      />
    ))}
  </span>
);

/** Whether those who do a form have stopped already, each of their lanes. */
const isDone = (lanes: ReadonlySet<number>, done: readonly number[]): boolean =>
  lanes.size > 0 && [...lanes].every((lane) => done.includes(lane));

/** The one move that is done, form by form, as large as it goes. */
export function OneMove(props: {
  move: MoveNow;
  whose: string | null;
  all: readonly Present[];
  /** Lanes that have stopped before the others. */
  done: readonly number[];
}) {
  const { move, whose, all, done } = props;
  const forms = move.forms.slice(0, MOST_FORMS);
  if (forms.length === 0)
    return <p className="display text-[6vw] leading-[1.02] [overflow-wrap:anywhere]">{moveWords(move)}</p>;
  return (
    <ul>
      {forms.map(({ does, lanes, people }) => (
        <li
          key={does!.name}
          className={`display flex items-center gap-[1.2vw] leading-[1.05] ${forms.length > 2 ? 'text-[3.8vw]' : 'text-[5.2vw]'} ${isDone(lanes, done) ? 'opacity-50' : ''}`}
          data-done={isDone(lanes, done)}
        >
          <LaneMarks lanes={lanes} />
          <span className="min-w-0 flex-1 [overflow-wrap:anywhere]">
            {moveWords(move, does)}
            <Whose whose={whose} people={people} all={all} />
          </span>
          <RunFigure
            does={does}
            className={`shrink-0 my-[0.4vw] ${forms.length > 2 ? 'h-[7vw] w-[13vw]' : 'h-[10vw] w-[17vw]'}`}
          />
        </li>
      ))}
      {move.choice && (
        <li className="display flex items-center gap-[1.2vw] text-[5.2vw] leading-[1.05]" data-choice>
          <span className="min-w-0 flex-1 [overflow-wrap:anywhere]">or {moveWords(move, move.choice)}</span>
          <RunFigure does={move.choice} className="my-[0.4vw] h-[10vw] w-[17vw] shrink-0" />
        </li>
      )}
    </ul>
  );
}

/** Everything of a round at once: how much of it, what most do, and what it is for the others. */
export function AllMoves(props: {
  moves: readonly MoveNow[];
  /** The one everybody is at, where all keep one count. */
  at: number | null;
  whose: string | null;
  all: readonly Present[];
  /** Lanes that have stopped before the others. */
  done: readonly number[];
}) {
  const { moves, at, whose, all, done } = props;
  const faded = (form: MoveNow['forms'][number] | undefined) =>
    form && isDone(form.lanes, done) ? 'opacity-50' : '';
  const drawn = moves.length <= MOST_DRAWN;
  const size = moves.length > 6 ? 'text-[2.5vw]' : moves.length > 4 ? 'text-[3.1vw]' : 'text-[3.8vw]';
  return (
    <ol
      className={`grid gap-[0.9vw] ${moves.length > 6 ? 'grid-flow-col gap-x-[2vw]' : ''}`}
      // Down one column, then down the other: in the order in which they are done.
      style={
        moves.length > 6
          ? {
              gridTemplateRows: `repeat(${Math.ceil(moves.length / 2)}, auto)`,
              gridTemplateColumns: 'repeat(2, minmax(0, 1fr))',
            }
          : undefined
      }
      data-moves
    >
      {moves.map((move, i) => {
        const [most, ...others] = [...move.forms].sort((a, b) => b.people.length - a.people.length);
        return (
          <li
            key={move.entry}
            className={`flex items-center gap-[1.2vw] rounded px-[0.6vw] ${i === at ? 'bg-base-100/20 outline-2 outline-current' : ''}`}
            aria-current={i === at ? 'step' : undefined}
          >
            <span
              className={`display w-[8vw] shrink-0 text-right leading-none whitespace-nowrap tabular-nums ${size}`}
            >
              {amountOf(move, most?.does) || (move.fills ? 'then' : '')}
            </span>
            <span className={`display min-w-0 flex-1 leading-[1.08] [overflow-wrap:anywhere] ${size}`}>
              <span className={faded(most)} data-done={faded(most) !== ''}>
                {most?.does?.name ?? move.name}
                {move.tempo && <span className="font-normal"> · {move.tempo}</span>}
                {whose && most && <Whose whose={whose} people={most.people} all={all} />}
              </span>
              {move.choice && (
                <span className="block text-[0.62em] leading-tight font-normal" data-choice>
                  or {moveWords(move, move.choice)}
                </span>
              )}
              {others.length > 0 && (
                <span className="block text-[0.62em] leading-tight font-normal">
                  {others.slice(0, MOST_FORMS - 1).map(({ does, people, lanes }, k) => (
                    <span
                      key={does!.name}
                      className={`inline-flex flex-wrap items-center gap-[0.5vw] pr-[1.4vw] ${isDone(lanes, done) ? 'opacity-50' : ''}`}
                    >
                      {k === 0 && 'or'} <LaneMarks lanes={lanes} />
                      {moveWords(move, does)}
                      <Whose whose={whose} people={people} all={all} />
                    </span>
                  ))}
                </span>
              )}
            </span>
            {drawn && most && <RunFigure does={most.does} className="h-[7vw] w-[12vw] shrink-0" />}
          </li>
        );
      })}
    </ol>
  );
}
