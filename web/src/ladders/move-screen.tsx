import { shownFor } from '@inner-rung/core/figure';
import type { Rung } from '@inner-rung/core/ladder';
import { breaksPromise, rungDemand } from '@inner-rung/core/ladder';
import { demandOf } from '@inner-rung/core/move';
import { formName } from '@inner-rung/core/words';
import { Pencil } from 'lucide-react';
import { useState } from 'react';
import { Link, useParams } from 'react-router';
import { useFinder } from '../features/use-finder.ts';
import { WaysSomewhere } from '../features/ways-somewhere.tsx';
import { useOwn, useShelf } from '../store/data.ts';
import { Missing } from '../ui/missing.tsx';
import { PartsHeader } from '../ui/parts-header.tsx';
import { ServerAway, Waiting } from '../ui/shell.tsx';
import { neighboursOf, WAYS_ROUND } from './move-neighbours.ts';
import { Asks, Drawn, Teach } from './move-parts.tsx';

/** Everything known of one move, in the order in which a trainer teaches it. */
export default function MoveScreen() {
  const { id = '' } = useParams();
  const { library, rooms, failed } = useShelf();
  const { states } = useOwn();
  const [height, setHeight] = useState<{ move: string; cm: number } | null>(null);
  const known = library?.move(id);
  const asked = known && library ? rungDemand(library, { move: id }) : undefined;
  const ways = asked ? WAYS_ROUND.filter(([avoid]) => breaksPromise(avoid, asked)) : [];
  const found = useFinder(
    library,
    null,
    known
      ? ways.map(([avoid]) => ({ from: { move: id }, without: [avoid], withoutItems: [], by: 0, most: 1 }))
      : [],
  );
  if (failed) return <ServerAway />;
  if (!library) return <Waiting />;
  const move = known;
  if (!move) return <Missing here="ladders" title="No such move" to="/ladders" way="See all ladders" />;
  const { surface } = move;
  const surfaceCm = height?.move === move.id ? height.cm : surface?.usualCm;
  const demand = demandOf(move, library.demand.get(move.id)!, surfaceCm === undefined ? {} : { surfaceCm });
  const drawn = shownFor(library, {
    move: move.id,
    ...(surfaceCm === undefined ? {} : { settings: { surfaceCm } }),
  });
  const changed = states.find((s) => s.change.kind === 'move' && s.change.of === move.id);
  const link = (rung: Rung | null, none: string) =>
    rung ? (
      <Link
        to={`/moves/${rung.move}`}
        className="touch inline-flex items-center font-semibold underline decoration-2 underline-offset-4"
      >
        {formName(library, rung.move, rung.settings)}
      </Link>
    ) : (
      <span className="quiet touch inline-flex items-center">{none}</span>
    );
  return (
    <div className="min-h-dvh">
      <PartsHeader here="ladders" />
      <main className="mx-auto max-w-5xl px-4 py-4 md:px-6">
        <div className="flex flex-wrap items-start gap-x-4 gap-y-1">
          <div className="mr-auto min-w-0">
            <p className="quiet">
              {move.pattern} · {move.posture.work} ·{' '}
              {move.sides === 'one'
                ? 'one side at a time'
                : move.sides === 'alternating'
                  ? 'sides in turn'
                  : 'both sides together'}
            </p>
            <h1 className="text-4xl leading-tight">{move.name}</h1>
            {move.twins.length > 0 && <p className="quiet">also: {move.twins.join(', ')}</p>}
          </div>
          {changed && (
            <Link to={`/yours#${changed.change.id}`} className="btn btn-sm touch">
              {changed.change.was ? 'Changed by you: compare' : 'Yours'}
            </Link>
          )}
          <Link to={`/moves/${move.id}/edit`} className="btn btn-sm touch">
            <Pencil size={17} aria-hidden /> Edit
          </Link>
        </div>
        <Drawn library={library} move={move} {...(surfaceCm === undefined ? {} : { surfaceCm })} />
        <div className="mt-4 grid gap-x-10 gap-y-6 md:grid-cols-2">
          <Teach move={move} drawn={drawn} />
          <section aria-labelledby="rungs">
            <h2 id="rungs" className="text-2xl">
              Easier and harder
            </h2>
            {neighboursOf(library, move.id).map((n) => (
              <div key={n.id} className="mt-2 border-x-4 border-base-content/80 px-3 py-0.5">
                <p className="text-sm">
                  <Link
                    to={`/ladders/${n.id}`}
                    className="quiet touch inline-flex items-center underline underline-offset-4"
                  >
                    {n.ladder}
                  </Link>
                </p>
                <p>
                  ↑ {link(n.harder, 'the top')} <span className="quiet text-sm">{n.levers.up}</span>
                </p>
                <p>
                  ↓ {link(n.easier, 'the bottom')}{' '}
                  <span className="quiet text-sm">{n.easier ? n.levers.down : ''}</span>
                </p>
              </div>
            ))}
            {move.easier && <p className="mt-2">Easier: {link({ ...move.easier, levers: [] }, '')}</p>}
            {ways.length > 0 && (
              <>
                <h2 className="mt-5 text-2xl">Sideways</h2>
                <ul>
                  {ways.map(([avoid, word], i) => {
                    const form = found?.[i]?.[0];
                    return (
                      <li key={avoid} className="flex items-center gap-3">
                        <span className="quiet w-28 shrink-0">{word}</span>
                        {form
                          ? link({ move: form.move, settings: form.settings, levers: [] }, '')
                          : found && (
                              <span className="quiet touch inline-flex items-center">nothing near</span>
                            )}
                      </li>
                    );
                  })}
                </ul>
              </>
            )}
            <p className="mt-1 flex flex-wrap gap-2">
              <Link to={`/find?from=${move.id}`} className="btn btn-sm touch">
                Find another form
              </Link>
              <Link to={`/ladders/new?from=${move.id}`} className="btn btn-sm touch">
                A ladder from this move
              </Link>
            </p>
            <WaysSomewhere library={library} rooms={rooms} move={move.id} />
            <h2 className="mt-5 text-2xl">What works</h2>
            <ul className="mt-1">
              {Object.entries(move.muscles)
                .sort(([, a], [, b]) => b - a)
                .map(([muscle, share]) => (
                  <li key={muscle} className="flex items-center gap-3">
                    <span className="w-28 shrink-0">{muscle}</span>
                    <span
                      className="h-3 rounded-sm bg-[var(--lane-3)]"
                      style={{ width: `${share * 55}%` }}
                      aria-hidden="true"
                    />
                    <span className="quiet text-sm">{Math.round(share * 100)} %</span>
                  </li>
                ))}
            </ul>
          </section>
        </div>
        <Asks
          library={library}
          move={move}
          demand={demand}
          surfaceCm={surfaceCm}
          onHeight={(cm) => setHeight({ move: move.id, cm })}
        />
      </main>
    </div>
  );
}
