import { clockText, formatWords, lengthWords } from '@inner-rung/core/clock';
import type { Sums } from '@inner-rung/core/review';
import { blockName, type Plan, type Role } from '@inner-rung/core/session';
import { Plus } from 'lucide-react';
import { useRef } from 'react';

/** What can be added to a session; a warm-up and a cool-down come made from its circuits. */
const ADD: readonly (readonly [Role, string])[] = [
  ['warm-up', 'Warm-up, made from the circuit'],
  ['circuit', 'Another circuit'],
  ['finisher', 'Finisher'],
  ['challenge', 'Challenge'],
  ['cool-down', 'Cool-down, made from the circuit'],
];

/** A session's blocks side by side in its order: which one is open, how long each is, and one more. */
export function BlockStrip(props: {
  plan: Plan;
  sums: Sums;
  open: number;
  onOpen: (block: number) => void;
  onAdd: (role: Role) => void;
}) {
  const { plan, sums } = props;
  return (
    <nav
      aria-label="Blocks of the session"
      className="flex items-stretch gap-1 overflow-x-auto border-b-2 border-base-300 px-3 py-1"
    >
      {plan.blocks.map((block, b) => {
        const on = b === props.open;
        return (
          <button
            key={block.id}
            type="button"
            aria-current={on ? 'true' : undefined}
            className={`touch shrink-0 rounded px-3 py-0.5 text-left leading-tight ${on ? 'bg-base-content text-base-100' : 'hover:bg-base-200'}`}
            onClick={() => props.onOpen(b)}
          >
            <span className="display block">{blockName(plan.blocks, b)}</span>
            <span className={`block text-xs ${on ? '' : 'quiet'}`}>
              {lengthWords(sums.blocks[b]?.range ?? { lo: 0, hi: 0 })}
              {plan.blocks.length < 5 ? ` · ${formatWords(block.format)}` : ''}
            </span>
          </button>
        );
      })}
      <AddBlock blocks={plan.blocks.length} onAdd={props.onAdd} />
      <p className="ml-auto self-center pl-3 text-right leading-tight whitespace-nowrap">
        <span className="display text-lg">{lengthWords(sums.range)}</span>
        {sums.range.hi - sums.lengthSeconds >= 30 && (
          <span className="quiet block text-xs">likeliest {clockText(sums.lengthSeconds)}</span>
        )}
      </p>
    </nav>
  );
}

/** One more block, of a kind that is chosen from a short list. */
export function AddBlock(props: { blocks: number; onAdd: (role: Role) => void }) {
  const menu = useRef<HTMLDetailsElement>(null);
  if (props.blocks >= 20) return null;
  return (
    <details ref={menu} className="dropdown shrink-0 self-center">
      <summary className="btn btn-ghost btn-sm touch">
        <Plus size={17} aria-hidden /> <span className="hidden sm:inline">Add a block</span>
        <span className="sr-only sm:hidden">Add a block</span>
      </summary>
      <ul className="menu fixed z-20 w-72 rounded border-2 border-base-300 bg-base-100 p-1">
        {ADD.map(([role, says]) => (
          <li key={role}>
            <button
              type="button"
              className="touch text-base"
              onClick={() => {
                if (menu.current) menu.current.open = false;
                props.onAdd(role);
              }}
            >
              {says}
            </button>
          </li>
        ))}
      </ul>
    </details>
  );
}
