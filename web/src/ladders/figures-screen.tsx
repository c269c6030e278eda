import { type FigureFinding, faultsOf, figureFindings, shownFor } from '@inner-rung/core/figure';
import { type Library, rungDemand } from '@inner-rung/core/ladder';
import type { Move } from '@inner-rung/core/move';
import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import { Waiting } from '../app/app.tsx';
import { useShelf } from '../app/data.ts';
import { ServerAway } from '../start/start-screen.tsx';
import { MoveFigure } from '../ui/move-figure.tsx';
import { PartsHeader } from '../ui/parts-header.tsx';

/** Every move with its figure, a ladder at a time, with what the drawing and the data disagree on. */
export default function FiguresScreen() {
  const { library, failed } = useShelf();
  const [moving, setMoving] = useState<string | null>(null);
  const sheet = useMemo(() => (library ? sheetOf(library) : null), [library]);
  if (failed) return <ServerAway />;
  if (!library || !sheet) return <Waiting />;
  const { own, near, none, findings } = sheet;
  return (
    <div className="min-h-dvh">
      <PartsHeader here="ladders" />
      <main className="mx-auto max-w-7xl px-4 py-3 md:px-6">
        <h1 className="text-3xl">Figures</h1>
        <p className="quiet" role="status">
          {own} moves drawn of their own, {near} shown by their nearest, {none} without. {findings}{' '}
          {findings === 1 ? 'finding' : 'findings'}.
        </p>
        {sheet.ladders.map(({ id, name, cells }) => (
          <section key={id} className="mt-5" aria-labelledby={`figures-${id}`}>
            <div className="flex items-baseline gap-3 border-b-2 border-base-300">
              <h2 id={`figures-${id}`} className="text-xl">
                {name}
              </h2>
              <button
                type="button"
                className="btn btn-ghost btn-sm touch ml-auto"
                aria-pressed={moving === id}
                aria-label={`${name}: ${moving === id ? 'still' : 'moving'}`}
                onClick={() => setMoving(moving === id ? null : id)}
              >
                {moving === id ? 'Still' : 'Moving'}
              </button>
            </div>
            <ul className="grid grid-cols-2 gap-x-3 gap-y-2 sm:grid-cols-3 lg:grid-cols-5">
              {cells.map(({ move, shown, says }) => (
                <li key={move.id} className="min-w-0 pt-1" data-move={move.id}>
                  {shown ? (
                    <MoveFigure
                      shown={shown}
                      name={move.name}
                      moving={moving === id}
                      className="h-28 w-full"
                    />
                  ) : (
                    <p className="quiet grid h-28 place-items-center border-2 border-dashed border-base-300 text-sm">
                      not drawn
                    </p>
                  )}
                  <Link
                    to={`/moves/${move.id}`}
                    className="touch inline-flex items-center leading-tight font-semibold underline underline-offset-4"
                  >
                    {move.name}
                  </Link>
                  {shown?.like && (
                    <p className="quiet text-sm leading-tight">as {shown.like.name.toLowerCase()}</p>
                  )}
                  {says.map((line) => (
                    <p key={line} className="text-sm leading-tight text-error">
                      {line}
                    </p>
                  ))}
                </li>
              ))}
            </ul>
          </section>
        ))}
      </main>
    </div>
  );
}

interface Cell {
  readonly move: Move;
  readonly shown: ReturnType<typeof shownFor>;
  readonly says: readonly string[];
}

function sheetOf(library: Library) {
  const cells = new Map<string, Cell>();
  for (const move of library.moves) {
    const shown = shownFor(library, { move: move.id });
    const demand = rungDemand(library, { move: move.id });
    const findings: FigureFinding[] =
      shown && !shown.like && demand ? figureFindings(move, demand, shown.figure) : [];
    cells.set(move.id, {
      move,
      shown,
      says: [
        ...findings.map((f) => `${f.what}: ${f.says}`),
        ...(shown && !shown.like ? faultsOf(shown.figure) : []),
      ],
    });
  }
  const all = [...cells.values()];
  const onLadders = library.ladders.map((ladder) => ({
    id: ladder.id,
    name: ladder.name,
    cells: [...new Set(ladder.rungs.map((rung) => rung.move))].flatMap((id) => cells.get(id) ?? []),
  }));
  const standing = new Set(onLadders.flatMap((l) => l.cells));
  const loose = all.filter((cell) => !standing.has(cell));
  return {
    ladders: [...onLadders, { id: 'none', name: 'On no ladder', cells: loose }],
    own: all.filter((c) => c.shown && !c.shown.like).length,
    near: all.filter((c) => c.shown?.like).length,
    none: all.filter((c) => !c.shown).length,
    findings: all.reduce((sum, c) => sum + c.says.length, 0),
  };
}
