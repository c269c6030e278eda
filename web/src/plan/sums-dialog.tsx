import { clockText, lengthWords } from '@inner-rung/core/clock';
import type { Library } from '@inner-rung/core/ladder';
import { BANDS } from '@inner-rung/core/person';
import type { Sums } from '@inner-rung/core/review';
import { blockName, estimateOf, factsIn, type Plan } from '@inner-rung/core/session';
import { repsWords } from '@inner-rung/core/words';
import { Dialog } from '../ui/dialog.tsx';

const range = (lo: number, hi: number, digits = 0) =>
  lo.toFixed(digits) === hi.toFixed(digits)
    ? lo.toFixed(digits)
    : `${lo.toFixed(digits)}–${hi.toFixed(digits)}`;

/** What the session adds up to, by block, move, muscle and effort. */
export function SumsDialog(props: {
  library: Library;
  plan: Plan;
  sums: Sums;
  who: string;
  onClose: () => void;
}) {
  const { library, plan, sums } = props;
  const facts = factsIn(library);
  const most = Math.max(1, ...sums.muscles.map((m) => m.seconds));
  const work = Math.max(1, sums.workSeconds);
  return (
    <Dialog title={`The sums, ${props.who}`} wide onClose={props.onClose}>
      {/* biome-ignore lint/a11y/noNoninteractiveTabindex: a scrolling table must be reachable by keyboard */}
      <section className="overflow-x-auto" tabIndex={0} aria-label="By block">
        <table className="table table-sm">
          <thead>
            <tr className="text-base-content">
              <th scope="col">Block</th>
              <th scope="col">Length</th>
              <th scope="col">Work</th>
              <th scope="col">Rest</th>
              <th scope="col">Change</th>
              <th scope="col">MET</th>
              <th scope="col">Landings</th>
              <th scope="col">Down and up</th>
            </tr>
          </thead>
          <tbody>
            {[
              ...sums.blocks.map((sum, b) => ({ sum, name: blockName(plan.blocks, b) })),
              { sum: sums, name: 'In all' },
            ].map(({ sum, name }) => (
              <tr key={name} className={name === 'In all' ? 'font-semibold' : ''}>
                <th scope="row">{name}</th>
                <td>{lengthWords(sum.range)}</td>
                <td>{clockText(sum.workSeconds)}</td>
                <td>{clockText(sum.restSeconds)}</td>
                <td>{clockText(sum.changeSeconds)}</td>
                <td>{range(sum.metLo, sum.metHi, 1)}</td>
                <td>{sum.lightLandings + sum.hardLandings}</td>
                <td>{sum.floorChanges}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </section>
      {plan.blocks.map((block, b) => {
        const estimate = estimateOf(plan, b, facts);
        return estimate ? (
          <p key={block.id} className="mt-2" data-estimate>
            <strong>
              {blockName(plan.blocks, b)}: {estimate.says}.
            </strong>{' '}
            <span className="quiet">Made of: {estimate.madeOf.join('; ')}.</span>
          </p>
        ) : null;
      })}
      <div className="mt-3 grid grid-cols-1 gap-x-8 gap-y-4 sm:grid-cols-2">
        <section aria-labelledby="sums-moves">
          <h3 id="sums-moves" className="text-lg">
            By move
          </h3>
          <ul>
            {sums.moves.map((sum) => (
              <li key={sum.move} className="flex justify-between gap-3 border-b border-base-300">
                <span>{library.move(sum.move)?.name}</span>
                <span className="text-right whitespace-nowrap">
                  {sum.reps !== null &&
                    `${repsWords(sum.most !== null && sum.most > sum.reps * 1.05 ? `${sum.reps}–${sum.most}` : sum.reps)}, `}
                  {clockText(sum.seconds)}
                  {sum.left !== null && sum.right !== null && (
                    <span className="quiet">
                      {sum.left === sum.right
                        ? ', both sides alike'
                        : `, left ${clockText(sum.left)}, right ${clockText(sum.right)}`}
                    </span>
                  )}
                </span>
              </li>
            ))}
          </ul>
        </section>
        <section aria-labelledby="sums-muscles">
          <h3 id="sums-muscles" className="text-lg">
            By muscle
          </h3>
          <ul>
            {sums.muscles.slice(0, 10).map((m) => (
              <li key={m.muscle} className="grid grid-cols-[7rem_1fr_3rem] items-center gap-2">
                <span className="first-letter:uppercase">{m.muscle}</span>
                <span className="h-3 bg-base-200" aria-hidden>
                  <span
                    className="block h-3"
                    style={{ width: `${(m.seconds / most) * 100}%`, background: 'var(--lane-2)' }}
                  />
                </span>
                <span className="text-right">{clockText(m.seconds)}</span>
              </li>
            ))}
          </ul>
          <h3 className="mt-3 text-lg">By pattern</h3>
          <p>{sums.patterns.map((p) => `${p.pattern} ${clockText(p.seconds)}`).join(', ')}</p>
          <h3 className="mt-3 text-lg">By effort</h3>
          <p>
            {BANDS.map((band, i) =>
              sums.bands[i]! > 0 ? `${band.talk} ${Math.round((sums.bands[i]! / work) * 100)} %` : '',
            )
              .filter(Boolean)
              .join(', ')}{' '}
            of the work.
          </p>
        </section>
      </div>
      <p className="mt-3">
        Session load about {range(sums.load.lo, sums.load.hi)}: how hard the work is, 0 to 10, times the
        minutes.
        {sums.kcal && ` Energy ${range(sums.kcal.lo, sums.kcal.hi)} kcal.`} Up to {sums.mostLandingsAMinute}{' '}
        landings in any minute.
      </p>
    </Dialog>
  );
}
