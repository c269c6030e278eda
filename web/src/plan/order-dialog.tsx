import type { Library } from '@inner-rung/core/ladder';
import { countOrder, type OrderCount } from '@inner-rung/core/review';
import type { Block } from '@inner-rung/core/session';
import { useMemo, useState } from 'react';
import { useAnswer } from '../engine/index.ts';
import { Dialog } from '../ui/dialog.tsx';

const COUNTED: readonly (readonly [keyof OrderCount, string])[] = [
  ['floorChanges', 'times down or up in a round'],
  ['sameJoint', 'same joint loaded twice running'],
  ['sameMuscles', 'same muscles twice running'],
  ['bothHard', 'hard ones side by side'],
  ['bothEasy', 'easy ones side by side'],
  ['things', 'things fetched or left behind'],
];

/** The best order of the stations, in a worker; those that are kept in their place stay there. */
export function OrderDialog(props: {
  library: Library;
  block: Block;
  onTake: (order: readonly number[]) => void;
  onClose: () => void;
}) {
  const { library, block } = props;
  const n = block.stations.length;
  const [pinned, setPinned] = useState<readonly boolean[]>(() => Array(n).fill(false));
  const question = useMemo(() => ({ block, pinned: [...pinned] }), [block, pinned]);
  const answered = useAnswer(library, 'order', question);
  const answer = answered && answered.to.block === block ? answered.answer : null;
  const given = Array.from({ length: n }, (_, i) => i);
  const before = countOrder(library, block, given);
  const after = answer && countOrder(library, block, answer.order);
  const name = (i: number) => library.move(block.stations[i]!.move)?.name ?? block.stations[i]!.move;
  const same = answer?.order.every((station, at) => station === at) ?? true;
  return (
    <Dialog title="Best order" onClose={props.onClose} wide>
      <p className="quiet">
        Down and up as seldom as it goes, no joint or muscle twice running, hard ones apart and easy ones too,
        things walked to once, a gentle opener. Keep a station where it is, a peak where you want it, with its
        tick.
      </p>
      <div className="mt-2 grid grid-cols-1 gap-x-8 gap-y-3 sm:grid-cols-2">
        <section aria-label="As it is">
          <h3 className="text-xl">As it is</h3>
          <ol>
            {given.map((i) => (
              <li key={block.stations[i]!.id}>
                <label className="touch flex cursor-pointer items-center gap-2">
                  <input
                    type="checkbox"
                    className="checkbox"
                    checked={pinned[i] ?? false}
                    aria-label={`Keep ${i + 1}, ${name(i)}, in its place`}
                    onChange={(event) =>
                      setPinned(pinned.map((p, k) => (k === i ? event.target.checked : p)))
                    }
                  />
                  <span className="display w-6 text-right">{i + 1}</span> {name(i)}
                </label>
              </li>
            ))}
          </ol>
        </section>
        <section aria-label="Best" aria-live="polite">
          <h3 className="text-xl">{same ? 'Nothing better' : 'Best'}</h3>
          <ol>
            {(answer?.order ?? []).map((station, at) => (
              <li
                key={block.stations[station]!.id}
                className={`touch flex items-center gap-2 ${station === at ? 'quiet' : 'font-semibold'}`}
              >
                <span className="display w-6 text-right">{at + 1}</span> {name(station)}
              </li>
            ))}
          </ol>
        </section>
      </div>
      {after && (
        <table className="table table-sm mt-2 max-w-md">
          <thead>
            <tr className="text-base-content">
              <th scope="col">In a round</th>
              <th scope="col">now</th>
              <th scope="col">best</th>
            </tr>
          </thead>
          <tbody>
            {COUNTED.map(([key, says]) => (
              <tr key={key} data-count={key}>
                <th scope="row" className="font-normal">
                  {says}
                </th>
                <td>{before[key]}</td>
                <td className={after[key] < before[key] ? 'font-semibold' : ''}>{after[key]}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {answer && answer.atLeast < answer.cost && (
        <p className="quiet text-sm">
          With this many stations the best isn’t proven; it lies within{' '}
          {Math.round((1 - answer.atLeast / Math.max(1, answer.cost)) * 100)} %.
        </p>
      )}
      <button
        type="button"
        className="btn btn-primary touch mt-3"
        disabled={!answer || same}
        onClick={() => answer && props.onTake(answer.order)}
      >
        Take this order
      </button>
    </Dialog>
  );
}
