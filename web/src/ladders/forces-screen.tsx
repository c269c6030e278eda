import { shownFor } from '@inner-rung/core/figure';
import {
  couldStop,
  handLoad,
  hardestFrame,
  heldAs,
  type Rep,
  repOf,
  USUAL_BODY,
} from '@inner-rung/core/mechanics';
import { demandOf } from '@inner-rung/core/move';
import type { DrawnFigure } from '@inner-rung/core/pose';
import { useId, useMemo, useState } from 'react';
import { Link, useParams } from 'react-router';
import { useShelf } from '../store/data.ts';
import { Missing } from '../ui/missing.tsx';
import { PartsHeader } from '../ui/parts-header.tsx';
import { ServerAway, Waiting } from '../ui/shell.tsx';
import { ForcesCurves } from './forces-curves.tsx';
import { ForcesPicture } from './forces-picture.tsx';
import { Decides, MostOfRep, SharesNow } from './forces-tables.tsx';

/** A slider for a weight goes at least so far, kg. */
const SOME_KG = 10;

/** A move as its forces: drawn through the rep, joint by joint, at any height and load. */
export default function ForcesScreen() {
  const { id = '' } = useParams();
  const { library, failed } = useShelf();
  const [asked, ask] = useState<{ move: string; cm?: number; kg?: number }>({ move: id });
  const move = library?.move(id);
  const set = asked.move === id ? asked : { move: id };
  const cm = set.cm ?? move?.surface?.usualCm;
  const load = move ? handLoad(move) : null;
  const kg = set.kg ?? load?.middling ?? 0;
  const shown = useMemo(
    () =>
      library && move
        ? shownFor(library, { move: id, ...(cm === undefined ? {} : { settings: { surfaceCm: cm } }) })
        : null,
    [library, move, id, cm],
  );
  const rep = useMemo(
    () => (shown ? repOf(shown.figure, { held: heldAs(shown.figure, kg) }) : null),
    [shown, kg],
  );
  const own = library?.demand.get(id);
  const demand = move && own && demandOf(move, own, cm === undefined ? {} : { surfaceCm: cm });
  const heightId = useId();
  const loadId = useId();
  if (failed) return <ServerAway />;
  if (!library) return <Waiting />;
  if (!move) return <Missing here="ladders" title="No such move" to="/ladders" way="See all ladders" />;
  return (
    <div className="min-h-dvh">
      <PartsHeader here="ladders" />
      <main className="mx-auto max-w-5xl px-4 py-4 md:px-6">
        <p>
          <Link
            to={`/moves/${id}`}
            className="quiet touch inline-flex items-center underline underline-offset-4"
          >
            {move.name}
          </Link>
        </p>
        <h1 className="text-3xl leading-tight">What {move.name.toLowerCase()} asks of a body</h1>
        <div className="mt-2 flex flex-wrap gap-x-8 gap-y-2">
          {move.surface && cm !== undefined && (
            <label htmlFor={heightId} className="min-w-60 flex-1">
              Height of the {move.surface.for}: <strong>{cm} cm</strong>
              <input
                id={heightId}
                type="range"
                className="dial-range"
                min={move.surface.minCm}
                max={move.surface.maxCm}
                value={cm}
                onChange={(event) => ask({ ...set, cm: Number(event.target.value) })}
              />
            </label>
          )}
          {load && (
            <label htmlFor={loadId} className="min-w-60 flex-1">
              In the hands: <strong>{kg} kg</strong>
              <input
                id={loadId}
                type="range"
                className="dial-range"
                min={0}
                max={Math.max(load.most, SOME_KG)}
                step={0.5}
                value={kg}
                onChange={(event) => ask({ ...set, kg: Number(event.target.value) })}
              />
            </label>
          )}
        </div>
        {shown && rep && typeof rep !== 'string' ? (
          <>
            <Reckoned figure={shown.figure} rep={rep} pace={move.pace?.[1] ?? null} />
            {!shown.like && demand && <Decides move={move} demand={demand} figure={shown.figure} />}
            <Believed like={shown.like?.name ?? null} />
          </>
        ) : (
          <p className="quiet mt-4 text-lg">
            {rep === 'seen from above'
              ? 'It is drawn from above, where weight points at the eye: nothing is reckoned from that.'
              : 'Nothing drawn is near enough to this move to be reckoned with.'}
          </p>
        )}
      </main>
    </div>
  );
}

function Reckoned(props: { figure: DrawnFigure; rep: Rep; pace: number | null }) {
  const { figure, rep, pace } = props;
  const hardest = useMemo(() => hardestFrame(rep), [rep]);
  const [at, setAt] = useState<number | null>(null);
  const i = Math.min(at ?? hardest, rep.frames.length - 1);
  const frame = rep.frames[i]!;
  const momentId = useId();
  return (
    <>
      <div className="mt-2 grid gap-x-8 gap-y-2 md:grid-cols-[3fr_2fr]">
        <div className="min-w-0">
          <ForcesPicture figure={figure} frame={frame} rep={rep} />
          <label htmlFor={momentId}>
            Through the rep
            <input
              id={momentId}
              type="range"
              className="dial-range"
              min={0}
              max={rep.frames.length - 1}
              value={i}
              aria-valuetext={`${Math.round(frame.t * 100)} % of the rep`}
              onChange={(event) => setAt(Number(event.target.value))}
            />
          </label>
          {!couldStop(frame) && (
            <p className="text-sm">
              {frame.standing.reactions.length === 0
                ? 'In the air: nothing bears.'
                : 'Carried on by its speed here: nobody could stop in this place.'}
            </p>
          )}
        </div>
        <SharesNow frame={frame} />
      </div>
      <ForcesCurves rep={rep} here={i} />
      <MostOfRep rep={rep} pace={pace} />
    </>
  );
}

/** How far the reckoning is to be believed. */
const Believed = ({ like }: { like: string | null }) => (
  <p className="quiet mt-3 max-w-prose text-sm">
    Reckoned from the drawing{like ? ` of ${like.toLowerCase()}` : ''} for somebody of {USUAL_BODY.massKg} kg
    and {USUAL_BODY.heightM.toFixed(2)} m, slowly and in one plane: throws, landings, turning, and muscles
    that brace against each other come on top; elbows that go out to the sides come out too hard. On the hands
    it is within 3 in 100 of the published figures; for the low back of somebody lying or bracing it is too
    low. It supports your judgement, and defers to a clinician’s.
  </p>
);
