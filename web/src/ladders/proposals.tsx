import { type Ladder, type Library, leverWords } from '@inner-rung/core/ladder';

import {
  type Proposal,
  proposeAbove,
  proposeBelow,
  proposeBetween,
  proposeSideways,
} from '@inner-rung/core/propose';
import { formName } from '@inner-rung/core/words';
import { X } from 'lucide-react';
import { useMemo, useState } from 'react';

/** Where on a ladder something is looked for: the gap under rung `at`, an end, or beside a rung. */
export type Spot =
  | { readonly at: 'between'; readonly above: number }
  | { readonly at: 'above' | 'below' }
  | { readonly at: 'sideways'; readonly rung: number };

function proposalsFor(library: Library, ladder: Ladder, spot: Spot): Proposal[] {
  const most = 12;
  switch (spot.at) {
    case 'between':
      return proposeBetween(library, ladder, spot.above, most);
    case 'above':
      return proposeAbove(library, ladder, most);
    case 'below':
      return proposeBelow(library, ladder, most);
    case 'sideways':
      return proposeSideways(library, ladder, spot.rung, most);
  }
}

const HEADING = {
  between: 'Rungs that fit between',
  above: 'Harder than the top',
  below: 'Easier than the bottom',
  sideways: 'As hard, but kinder to a joint',
} as const;

const proposalName = (library: Library, p: Proposal) =>
  p.known ? formName(library, p.move.id, p.settings) : p.move.name;

/** Proposed rungs in their place, best first; each can be taken, taken and edited, or dropped from the list. */
export function Proposals(props: {
  library: Library;
  ladder: Ladder;
  spot: Spot;
  onTake: (proposal: Proposal, edit: boolean) => void;
  onSearch: () => void;
  onClose: () => void;
}) {
  const { library, ladder, spot } = props;
  const found = useMemo(() => proposalsFor(library, ladder, spot), [library, ladder, spot]);
  const [dropped, setDropped] = useState<ReadonlySet<string>>(new Set());
  const shown = found.filter((p) => !dropped.has(p.move.name)).slice(0, 4);
  return (
    <section
      aria-label={HEADING[spot.at]}
      className="my-1 border-2 border-primary bg-base-100 p-3 text-base-content"
    >
      <div className="flex items-center gap-2">
        <h2 className="mr-auto text-lg">{HEADING[spot.at]}</h2>
        <button type="button" className="btn btn-ghost btn-sm touch" onClick={props.onSearch}>
          Search all moves
        </button>
        <button
          type="button"
          className="btn btn-ghost btn-sm touch"
          aria-label="Close the proposals"
          onClick={props.onClose}
        >
          <X size={18} aria-hidden />
        </button>
      </div>
      {shown.length === 0 && (
        <p className="quiet py-1">
          No lever gives a rung here that two coaches would tell apart. Search all moves, or describe your
          own.
        </p>
      )}
      <ul className="divide-y divide-base-300">
        {shown.map((p) => (
          <li
            key={`${p.move.name}/${p.settings?.surfaceCm ?? ''}`}
            className="flex flex-wrap items-center gap-2 py-2"
          >
            <div className="min-w-0 flex-1 basis-60">
              <p className="leading-tight font-semibold">{proposalName(library, p)}</p>
              <p className="quiet text-sm">
                {p.known ? (p.settings ? 'the same move at another height' : 'in the library') : p.reason}
                {p.levers.length > 0 && !p.known && ` · ${leverWords(p.levers, p.move).join(', ')}`}
              </p>
            </div>
            <button
              type="button"
              className="btn btn-primary btn-sm touch"
              aria-label={`Take ${proposalName(library, p)}`}
              onClick={() => props.onTake(p, false)}
            >
              Take
            </button>
            {!p.known && (
              <button
                type="button"
                className="btn btn-sm touch"
                aria-label={`Take ${proposalName(library, p)} and edit it`}
                onClick={() => props.onTake(p, true)}
              >
                Edit
              </button>
            )}
            <button
              type="button"
              className="btn btn-ghost btn-sm touch"
              aria-label={`Drop ${proposalName(library, p)}`}
              onClick={() => setDropped(new Set([...dropped, p.move.name]))}
            >
              Drop
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}
