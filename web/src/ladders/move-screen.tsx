import { shownFor, stripOf, svgOf } from '@inner-rung/core/figure';
import type { Library, Rung } from '@inner-rung/core/ladder';
import { breaksPromise, difficultyOf, rungDemand } from '@inner-rung/core/ladder';
import { findingsOf } from '@inner-rung/core/mechanics';
import { DEMAND_KEYS, DEMANDS, demandOf, LAWS, type LawId, LEVERS, type Move } from '@inner-rung/core/move';
import { formName } from '@inner-rung/core/words';
import { Download, Pencil } from 'lucide-react';
import { useId, useMemo, useState } from 'react';
import { Link, useParams } from 'react-router';
import { WaysSomewhere } from '../rooms/ways-somewhere.tsx';
import { useOwn, useShelf } from '../store/data.ts';
import { FaultFigure } from '../ui/fault-figure.tsx';
import { Missing } from '../ui/missing.tsx';
import { MoveFigure } from '../ui/move-figure.tsx';
import { PartsHeader } from '../ui/parts-header.tsx';
import { saveFile } from '../ui/save-file.ts';
import { savePng } from '../ui/save-png.ts';
import { ServerAway, Waiting } from '../ui/shell.tsx';
import { needWords, neighboursOf, ORIGIN, WAYS_ROUND } from './move-neighbours.ts';
import { figureWords, PART_WORD } from './part-bars.tsx';
import { useFinder } from './use-finder.ts';

/** Everything known of one move, in the order in which a trainer teaches it. */
export default function MoveScreen() {
  const { id = '' } = useParams();
  const { library, rooms, failed } = useShelf();
  const { states } = useOwn();
  const [height, setHeight] = useState<{ move: string; cm: number } | null>(null);
  const heightId = useId();
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
  const figures = DEMAND_KEYS.filter((key) => demand[key].hi !== 0);
  const parts = difficultyOf(demand).parts.slice(0, 4);
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
                {drawn && (
                  <FaultFigure shown={drawn} see={fault.see} say={fault.say} className="h-24 max-w-full" />
                )}
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
          {surface && surface.law !== 'place' && surfaceCm !== undefined && (
            <div className="mt-2 max-w-xl">
              <label htmlFor={heightId}>
                Height of the {surface.for}: <strong>{surfaceCm} cm</strong>
                <span className="quiet">, {LAWS[surface.law as LawId].says}</span>
              </label>
              <input
                id={heightId}
                type="range"
                className="dial-range"
                min={surface.minCm}
                max={surface.maxCm}
                value={surfaceCm}
                onChange={(event) => setHeight({ move: move.id, cm: Number(event.target.value) })}
              />
            </div>
          )}
          <table className="table table-sm mt-1 w-full text-[0.95rem]">
            <thead>
              <tr className="text-base-content">
                <th scope="col">Asks</th>
                <th scope="col">Figure</th>
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
                  <td className="quiet">
                    {ORIGIN[demand[key].from]}
                    {demand[key].source ? `: ${demand[key].source}` : ''}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </section>
      </main>
    </div>
  );
}

/** The move as it is drawn, at the height that is set below; out as a picture; what it and the data disagree on. */
function Drawn(props: { library: Library; move: Move; surfaceCm?: number }) {
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
