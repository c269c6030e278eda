import {
  couldStop,
  type Frame,
  JOINT_ROWS,
  LOW_BACK_ACTION_N,
  leastsOf,
  MOMENT_JOINTS,
  type MomentJoint,
  metOfRaising,
  momentAt,
  mostOf,
  onHands,
  type Rep,
  shareAt,
  USUAL_BODY,
} from '@inner-rung/core/mechanics';
import { DEMANDS, type Demand, type DemandKey, type Move, unsafeEnd } from '@inner-rung/core/move';
import type { DrawnFigure } from '@inner-rung/core/pose';
import { JOINT_SAYS } from './forces-curves.tsx';
import { figureWords } from './part-bars.tsx';

/** MomentJoint by joint, in the moment that is shown. */
export function SharesNow({ frame }: { frame: Frame }) {
  const hands = onHands(frame, USUAL_BODY);
  return (
    <section aria-label="In this moment">
      <ul className="mt-1">
        {MOMENT_JOINTS.map((joint) => {
          const share = shareAt(frame, joint, USUAL_BODY);
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

/** The most of each over the rep, as a table; what is carried on by speed is left out. */
export function MostOfRep({ rep, pace }: { rep: Rep; pace: number | null }) {
  const frames: Rep = { ...rep, frames: rep.frames.filter(couldStop) };
  if (frames.frames.length === 0) return null;
  const perKg = (joint: MomentJoint) => mostOf(frames, (frame) => momentAt(frame, joint, USUAL_BODY));
  const back = mostOf(frames, ({ lowBack }) => lowBack.compression);
  const hands = mostOf(frames, (frame) => onHands(frame, USUAL_BODY).reduce((a, b) => a + b, 0));
  return (
    <table className="table table-sm mt-3 w-full max-w-2xl text-[0.95rem]">
      <caption className="text-left text-xl font-semibold">The most over one rep</caption>
      <tbody>
        {MOMENT_JOINTS.map((joint) => (
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
            {back > LOW_BACK_ACTION_N
              ? `over ${LOW_BACK_ACTION_N.toLocaleString('en-GB')} N, where lifting at work calls for action`
              : `${Math.round((back / LOW_BACK_ACTION_N) * 100)} % of the limit for lifting at work`}
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

/** What the drawing makes of the figures that limits read, and where an author says more than it shows. */
export function Decides({ move, demand, figure }: { move: Move; demand: Demand; figure: DrawnFigure }) {
  const by = new Map<DemandKey, { least: number; why: string }>();
  for (const one of leastsOf(move, figure)) {
    const known = by.get(one.key);
    if (!known || known.least < one.least) by.set(one.key, one);
  }
  if (by.size === 0) return null;
  return (
    <table className="table table-sm mt-4 w-full text-[0.95rem]">
      <caption className="text-left text-xl font-semibold">What limits read, and what decides it</caption>
      <thead>
        <tr className="text-base-content">
          <th scope="col">Figure</th>
          <th scope="col">Stands at</th>
          <th scope="col">Decided by</th>
        </tr>
      </thead>
      <tbody>
        {[...by].map(([key, { least, why }]) => (
          <tr key={key}>
            <th scope="row" className="font-normal">
              {DEMANDS[key].says}
            </th>
            <td>{figureWords(key, demand[key])}</td>
            <td>
              {unsafeEnd(demand[key]) > least
                ? `its author, who is more careful than ${least}: `
                : 'the drawing: '}
              {why}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
