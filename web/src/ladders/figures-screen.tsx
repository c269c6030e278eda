import { type SheetChecked, shownFor } from '@inner-rung/core/figure';
import type { Ladder, Library } from '@inner-rung/core/ladder';
import type { Move } from '@inner-rung/core/move';
import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import { useAnswer } from '../engine/index.ts';
import { useShelf } from '../store/data.ts';
import { MoveFigure } from '../ui/move-figure.tsx';
import { PartsHeader } from '../ui/parts-header.tsx';
import { ServerAway, Waiting } from '../ui/shell.tsx';
import { useNear } from '../ui/use-near.ts';

const NOTHING = {};

/** Every move with its figure, a ladder at a time, with what the drawing and the data disagree on. */
export default function FiguresScreen() {
  const { library, failed } = useShelf();
  const checked = useAnswer(library, 'figures', NOTHING)?.answer ?? null;
  const ladders = useMemo(() => (library ? sheetOf(library) : []), [library]);
  if (failed) return <ServerAway />;
  if (!library) return <Waiting />;
  return (
    <div className="min-h-dvh">
      <PartsHeader here="ladders" />
      <main className="mx-auto max-w-7xl px-4 py-3 md:px-6">
        <h1 className="text-3xl">Figures</h1>
        <p className="quiet" role="status">
          {checked ? inWords(checked) : `Drawing ${library.moves.length} moves and checking each…`}
        </p>
        {ladders.map((ladder) => (
          <Sheet key={ladder.id} {...ladder} library={library} says={checked?.says ?? {}} />
        ))}
      </main>
    </div>
  );
}

interface SheetProps extends Pick<Ladder, 'id' | 'name'> {
  readonly moves: readonly Move[];
  readonly library: Library;
  readonly says: SheetChecked['says'];
}

function Sheet({ id, name, moves, library, says }: SheetProps) {
  const [ref, near] = useNear<HTMLElement>();
  const [moving, setMoving] = useState(false);
  return (
    <section ref={ref} className="mt-5" aria-labelledby={`figures-${id}`}>
      <div className="flex items-baseline gap-3 border-b-2 border-base-300">
        <h2 id={`figures-${id}`} className="text-xl">
          {name}
        </h2>
        <button
          type="button"
          className="btn btn-ghost btn-sm touch ml-auto"
          aria-pressed={moving}
          aria-label={`${name}: ${moving ? 'still' : 'moving'}`}
          onClick={() => setMoving(!moving)}
        >
          {moving ? 'Still' : 'Moving'}
        </button>
      </div>
      <ul className="grid grid-cols-2 gap-x-3 gap-y-2 sm:grid-cols-3 lg:grid-cols-5">
        {moves.map((move) => (
          <li key={move.id} className="min-w-0 pt-1" data-move={move.id}>
            {near ? <Drawn move={move} library={library} moving={moving} /> : <div className="h-28" />}
            <Link
              to={`/moves/${move.id}`}
              className="touch inline-flex items-center leading-tight font-semibold underline underline-offset-4"
            >
              {move.name}
            </Link>
            {says[move.id]?.map((line) => (
              <p key={line} className="text-sm leading-tight text-error">
                {line}
              </p>
            ))}
          </li>
        ))}
      </ul>
    </section>
  );
}

function Drawn({ move, library, moving }: { move: Move; library: Library; moving: boolean }) {
  const shown = useMemo(() => shownFor(library, { move: move.id }), [library, move.id]);
  if (!shown)
    return (
      <p className="quiet grid h-28 place-items-center border-2 border-dashed border-base-300 text-sm">
        not drawn
      </p>
    );
  return (
    <>
      <MoveFigure shown={shown} name={move.name} moving={moving} className="h-28 w-full" />
      {shown.like && <p className="quiet text-sm leading-tight">as {shown.like.name.toLowerCase()}</p>}
    </>
  );
}

function inWords({ own, near, none, says }: SheetChecked): string {
  const findings = Object.values(says).flat().length;
  return `${own} moves drawn of their own, ${near} shown by their nearest, ${none} without. ${findings} ${findings === 1 ? 'finding' : 'findings'}.`;
}

/** Moves by the ladder they stand on, and those that stand on none. */
function sheetOf(library: Library): (Pick<Ladder, 'id' | 'name'> & { moves: readonly Move[] })[] {
  const byId = new Map(library.moves.map((move) => [move.id, move]));
  const ladders = library.ladders.map(({ id, name, rungs }) => ({
    id,
    name,
    moves: [...new Set(rungs.map((rung) => rung.move))].flatMap((move) => byId.get(move) ?? []),
  }));
  const standing = new Set(ladders.flatMap((ladder) => ladder.moves));
  const loose = library.moves.filter((move) => !standing.has(move));
  return loose.length > 0 ? [...ladders, { id: 'none', name: 'On no ladder', moves: loose }] : ladders;
}
