import { SCALE, shownFor } from '@inner-rung/core/figure';
import {
  type Frame,
  GRAVITY,
  heldAs,
  JOINT_ROWS,
  JOINTS,
  type Joint,
  jointAt,
  metOfRaising,
  mostOf,
  onHands,
  type Rep,
  repOf,
  USUAL_BODY,
} from '@inner-rung/core/mechanics';
import type { Figure, Point } from '@inner-rung/core/pose';
import type { ChartConfiguration } from 'chart.js';
import { useCallback, useId, useMemo, useState } from 'react';
import { Link, useParams } from 'react-router';
import { useShelf } from '../store/data.ts';
import { FigureShapes, THEME } from '../ui/figure-shapes.tsx';
import { Missing } from '../ui/missing.tsx';
import { PartsHeader } from '../ui/parts-header.tsx';
import { type Css, Picture, valueAxis } from '../ui/picture.tsx';
import { ServerAway, Waiting } from '../ui/shell.tsx';

/** Loads that are held, where a move has no figure of its own, kg. */
const SOME_KG = 6;
/** Left over of a weight, or of its turning, from which a moment of a rep is carried on by its speed. */
const CARRIED = 0.03;
/** An action limit for the low back in lifting, N (NIOSH 1981, from memory). */
const LOW_BACK_N = 3400;

const still = ({ standing }: Frame) => standing.unborne < CARRIED && standing.tips < CARRIED;
/** A joint's moment as a share of what a usual adult's muscles can make, the harder side. */
const shareOf = (frame: Frame, joint: Joint): number =>
  Math.max(...frame.moments[joint].map(Math.abs)) / (JOINT_ROWS[joint].most * USUAL_BODY.massKg);

/** A move as its forces: drawn through the rep, joint by joint, at any height and load. */
export default function ForcesScreen() {
  const { id = '' } = useParams();
  const { library, failed } = useShelf();
  const [asked, ask] = useState<{ move: string; cm?: number; kg?: number }>({ move: id });
  const move = library?.move(id);
  const set = asked.move === id ? asked : { move: id };
  const cm = set.cm ?? move?.surface?.usualCm;
  const load = move?.needs.find((need) => need.what === 'hand load');
  const kg = set.kg ?? (load ? ((load.min ?? SOME_KG) + (load.max ?? SOME_KG)) / 2 : 0);
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
                max={Math.max(load.max ?? 0, 2 * kg, 10)}
                step={0.5}
                value={kg}
                onChange={(event) => ask({ ...set, kg: Number(event.target.value) })}
              />
            </label>
          )}
        </div>
        {shown && rep && typeof rep !== 'string' ? (
          <Reckoned
            figure={shown.figure}
            rep={rep}
            like={shown.like?.name ?? null}
            pace={move.pace?.[1] ?? null}
          />
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

function Reckoned(props: { figure: Figure; rep: Rep; like: string | null; pace: number | null }) {
  const { figure, rep, like, pace } = props;
  const hardest = useMemo(() => hardestOf(rep), [rep]);
  const [at, setAt] = useState<number | null>(null);
  const i = Math.min(at ?? hardest, rep.frames.length - 1);
  const frame = rep.frames[i]!;
  const momentId = useId();
  const make = useCallback((css: Css) => curves(rep, i, css), [rep, i]);
  return (
    <>
      <div className="mt-2 grid gap-x-8 gap-y-2 md:grid-cols-[3fr_2fr]">
        <div className="min-w-0">
          <Forces figure={figure} frame={frame} rep={rep} />
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
          {!still(frame) && (
            <p className="text-sm">
              {frame.standing.reactions.length === 0
                ? 'In the air: nothing bears.'
                : 'Carried on by its speed here: nobody could stop in this place.'}
            </p>
          )}
        </div>
        <Shares frame={frame} />
      </div>
      <div className="mt-3">
        <p className="flex flex-wrap gap-x-5 text-sm" aria-hidden="true">
          {JOINTS.map((joint) => (
            <span key={joint} className="inline-flex items-center gap-2">
              <svg width="34" height="6" aria-hidden="true">
                <path
                  d="M0 3h34"
                  stroke={`var(${COLOURS[joint].name})`}
                  strokeWidth={3}
                  strokeDasharray={COLOURS[joint].dash.join(' ')}
                />
              </svg>
              {JOINT_SAYS[joint]}
            </span>
          ))}
        </p>
        <Picture
          make={make}
          says="Each joint’s share of what its muscles can make through the rep; the most of each stands in the table below"
        />
      </div>
      <Most rep={rep} pace={pace} />
      <p className="quiet mt-3 max-w-prose text-sm">
        Reckoned from the drawing{like ? ` of ${like.toLowerCase()}` : ''} for somebody of {USUAL_BODY.massKg}{' '}
        kg and {USUAL_BODY.heightM.toFixed(2)} m, slowly and in one plane: throws, landings, turning, and
        muscles that brace against each other come on top; elbows that go out to the sides come out too hard.
        On the hands it is within 3 in 100 of the published figures; for the low back of somebody lying or
        bracing it is too low. It supports your judgement, and defers to a clinician’s.
      </p>
    </>
  );
}

/** The moment of a rep in which some joint comes nearest to what it can. */
function hardestOf(rep: Rep): number {
  let most = 0;
  let at = 0;
  rep.frames.forEach((frame, i) => {
    const share = still(frame) ? Math.max(...JOINTS.map((joint) => shareOf(frame, joint))) : 0;
    if (share > most + 1e-9) {
      most = share;
      at = i;
    }
  });
  return at;
}

/** Length of an arrow as long as the body's weight is great, in the units of the drawing. */
const WEIGHT_LONG = 90;
/** A ring round a joint at its limit. */
const FULL_RING = 17;
const MARGIN = 34;

function Forces(props: { figure: Figure; frame: Frame; rep: Rep }) {
  const { figure, frame, rep } = props;
  const place = ([x, y]: Point): Point => [x * SCALE, -y * SCALE];
  const box = useMemo(() => boxOf(rep), [rep]);
  const { standing, solved } = frame;
  const unit = USUAL_BODY.massKg * GRAVITY;
  const rings = JOINTS.flatMap((joint) =>
    ([0, 1] as const).map((side) => ({
      key: `${joint} ${side}`,
      at: place(jointAt(solved, joint, side)),
      share: Math.abs(frame.moments[joint][side]) / (JOINT_ROWS[joint].most * USUAL_BODY.massKg),
    })),
  );
  const [cx, cy] = place(standing.centre);
  const says = standing.reactions
    .filter(({ force }) => Math.hypot(...force) > unit * 0.02)
    .map(({ part, force }) => `${part} ${Math.round((Math.hypot(...force) / unit) * 100)} %`)
    .join(', ');
  return (
    <svg
      viewBox={box.join(' ')}
      className="mx-auto h-80 max-w-full"
      role="img"
      aria-label={`Forces: ${says}`}
    >
      <FigureShapes figure={figure} t={frame.t} colours={THEME} floor={[box[0], box[2]]} />
      {rings.map(({ key, at: [x, y], share }) => (
        <circle
          key={key}
          cx={x}
          cy={y}
          r={Math.min(1.3, share) * FULL_RING}
          fill="var(--color-primary)"
          fillOpacity={0.55}
          stroke="var(--color-base-100)"
          strokeWidth={1.5}
        />
      ))}
      {standing.reactions.map(({ part, side, at, force }, k) => {
        const [x, y] = place(at);
        const [dx, dy] = [(force[0] / unit) * WEIGHT_LONG, (-force[1] / unit) * WEIGHT_LONG];
        const long = Math.hypot(dx, dy);
        if (long < 2) return null;
        const [ux, uy] = [dx / long, dy / long];
        return (
          <path
            // biome-ignore lint/suspicious/noArrayIndexKey: a foot bears in two places
            key={`${part}${side}${k}`}
            d={`M${x} ${y}l${dx} ${dy}m${-ux * 7 - uy * 5} ${-uy * 7 + ux * 5}L${x + dx} ${y + dy}l${-ux * 7 + uy * 5} ${-uy * 7 - ux * 5}`}
            fill="none"
            stroke="var(--color-primary)"
            strokeWidth={3}
          />
        );
      })}
      <path
        d={`M${cx - 6} ${cy}h12M${cx} ${cy - 6}v12`}
        stroke="var(--figure-edge)"
        strokeWidth={5}
        strokeLinecap="round"
      />
      <path d={`M${cx - 6} ${cy}h12M${cx} ${cy - 6}v12`} stroke="var(--figure-near)" strokeWidth={2} />
    </svg>
  );
}

/** The frame round all of a rep, in the units of its drawing. */
function boxOf(rep: Rep): readonly [number, number, number, number] {
  const points = rep.frames.flatMap(({ solved, standing }) => [
    solved.crown,
    solved.hip,
    ...solved.arms.flatMap((arm) => [arm.joint, arm.tip]),
    ...solved.legs.flatMap((leg) => [leg.joint, leg.tip, leg.heel]),
    ...standing.reactions.map(({ at }) => at),
  ]);
  const xs = points.map(([x]) => x * SCALE);
  const ys = points.map(([, y]) => -y * SCALE);
  const [left, top] = [Math.min(...xs) - MARGIN, Math.min(...ys) - MARGIN];
  return [left, top, Math.max(...xs) + MARGIN - left, Math.max(0, ...ys) + 12 - top];
}

const JOINT_SAYS: Readonly<Record<Joint, string>> = {
  ankle: 'Ankle',
  knee: 'Knee',
  hip: 'Hip',
  shoulder: 'Shoulder',
  elbow: 'Elbow',
  wrist: 'Wrist',
};

/** Joint by joint, in the moment that is shown. */
function Shares({ frame }: { frame: Frame }) {
  const hands = onHands(frame, USUAL_BODY);
  return (
    <section aria-label="In this moment">
      <ul className="mt-1">
        {JOINTS.map((joint) => {
          const share = shareOf(frame, joint);
          return (
            <li key={joint} className="flex items-center gap-3 py-0.5">
              <span className="w-20 shrink-0">{JOINT_SAYS[joint]}</span>
              <span className="h-4 flex-1 bg-base-200" aria-hidden="true">
                <span className="block h-4 bg-primary" style={{ width: `${Math.min(100, share * 100)}%` }} />
              </span>
              <strong className="w-14 shrink-0 text-right">{Math.round(share * 100)} %</strong>
            </li>
          );
        })}
      </ul>
      <p className="quiet mt-1 text-sm">of what a usual adult’s muscles can make there, the harder side</p>
      <dl className="mt-2 grid grid-cols-[auto_1fr] gap-x-4">
        <dt>Low back</dt>
        <dd>
          {Math.round(frame.lowBack.compression).toLocaleString('en-GB')} N pressed, by the{' '}
          {frame.lowBack.moment >= 0 ? 'back’s' : 'belly’s'} muscles
        </dd>
        {hands[0] + hands[1] > 0.005 && (
          <>
            <dt>On the hands</dt>
            <dd>{Math.round((hands[0] + hands[1]) * 100)} % of their weight</dd>
          </>
        )}
        {frame.standing.margin !== null && (
          <>
            <dt>Balance</dt>
            <dd>{Math.round(frame.standing.margin * 100)} cm from the edge of what bears</dd>
          </>
        )}
      </dl>
    </section>
  );
}

const COLOURS: Readonly<Record<Joint, { name: string; dash: number[] }>> = {
  knee: { name: '--color-primary', dash: [] },
  hip: { name: '--color-base-content', dash: [] },
  shoulder: { name: '--lane-3', dash: [] },
  ankle: { name: '--color-primary', dash: [6, 4] },
  elbow: { name: '--lane-3', dash: [6, 4] },
  wrist: { name: '--lane-3', dash: [2, 3] },
};

/** Each joint's share through the rep, and where in it one looks. */
function curves(rep: Rep, here: number, css: Css): ChartConfiguration {
  const x = (frame: Frame) => Math.round(frame.t * 100);
  return {
    type: 'line',
    data: {
      datasets: [
        ...JOINTS.map((joint) => ({
          label: JOINT_SAYS[joint],
          data: rep.frames.map((frame) => ({ x: x(frame), y: shareOf(frame, joint) * 100 })),
          borderColor: css(COLOURS[joint].name),
          borderDash: COLOURS[joint].dash,
          borderWidth: 2.5,
          pointRadius: rep.frames.map((_, i) => (i === here ? 4 : 0)),
          pointBackgroundColor: css(COLOURS[joint].name),
        })),
      ],
    },
    options: {
      scales: {
        x: {
          type: 'linear',
          min: 0,
          max: 100,
          title: { display: true, text: '% of the rep', color: css('--color-base-content') },
          ticks: { color: css('--color-base-content') },
          grid: { color: css('--color-base-300') },
        },
        y: valueAxis(css, '% of strength'),
      },
    },
  };
}

/** The most of each over the rep, as a table; what is carried on by speed is left out. */
function Most({ rep, pace }: { rep: Rep; pace: number | null }) {
  const frames: Rep = { ...rep, frames: rep.frames.filter(still) };
  if (frames.frames.length === 0) return null;
  const perKg = (joint: Joint) =>
    mostOf(frames, ({ moments }) => Math.max(...moments[joint].map(Math.abs))) / USUAL_BODY.massKg;
  const back = mostOf(frames, ({ lowBack }) => lowBack.compression);
  const hands = mostOf(frames, (frame) => onHands(frame, USUAL_BODY).reduce((a, b) => a + b, 0));
  return (
    <table className="table table-sm mt-3 w-full max-w-2xl text-[0.95rem]">
      <caption className="text-left text-xl font-semibold">The most over one rep</caption>
      <tbody>
        {JOINTS.map((joint) => (
          <tr key={joint}>
            <th scope="row" className="font-normal">
              {JOINT_SAYS[joint]}
            </th>
            <td className="text-right">{perKg(joint).toFixed(2)} N·m/kg</td>
            <td className="text-right">
              {Math.round((perKg(joint) / JOINT_ROWS[joint].most) * 100)} % of strength
            </td>
          </tr>
        ))}
        <tr>
          <th scope="row" className="font-normal">
            Low back, pressed
          </th>
          <td className="text-right">{Math.round(back).toLocaleString('en-GB')} N</td>
          <td className="text-right">
            {back > LOW_BACK_N
              ? `over ${LOW_BACK_N.toLocaleString('en-GB')} N, where lifting at work calls for action`
              : `${Math.round((back / LOW_BACK_N) * 100)} % of the limit for lifting at work`}
          </td>
        </tr>
        {hands > 0.005 && (
          <tr>
            <th scope="row" className="font-normal">
              On the hands
            </th>
            <td className="text-right">{Math.round(hands * 100)} %</td>
            <td className="text-right">of their weight</td>
          </tr>
        )}
        {pace !== null && (
          <tr>
            <th scope="row" className="font-normal">
              Raised in a rep
            </th>
            <td className="text-right">{Math.round(rep.raised * 100)} cm</td>
            <td className="text-right">
              {pace} a minute come to {metOfRaising(rep.raised, pace).toFixed(1)} MET by lifting alone
            </td>
          </tr>
        )}
      </tbody>
    </table>
  );
}
