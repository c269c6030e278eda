import type { Library } from '@inner-rung/core/ladder';
import { useId, useState } from 'react';
import { Dialog } from '../ui/dialog.tsx';
import { findMoves } from './move-search.ts';

/** Search and choose a move with pointer or arrow keys. */
export function MovePicker(props: {
  library: Library;
  title: string;
  onPick: (move: string) => void;
  onClose: () => void;
}) {
  const [text, setText] = useState('');
  const [at, setAt] = useState(0);
  const list = useId();
  const hits = findMoves(props.library, text, 9);
  const chosen = Math.min(at, Math.max(0, hits.length - 1));
  return (
    <Dialog title={props.title} onClose={props.onClose}>
      <label className="block">
        <span className="quiet text-sm">Name, everyday twin, muscle or pattern</span>
        <input
          data-first
          className="input input-lg mt-1 w-full"
          role="combobox"
          aria-expanded={hits.length > 0}
          aria-controls={list}
          aria-activedescendant={hits[chosen] ? `${list}-${chosen}` : undefined}
          autoComplete="off"
          value={text}
          placeholder="press-up, sofa, glutes…"
          onChange={(event) => {
            setText(event.target.value);
            setAt(0);
          }}
          onKeyDown={(event) => {
            if (event.key === 'ArrowDown' || event.key === 'ArrowUp') {
              event.preventDefault();
              setAt(Math.max(0, Math.min(hits.length - 1, chosen + (event.key === 'ArrowDown' ? 1 : -1))));
            } else if (event.key === 'Enter' && hits[chosen]) {
              event.preventDefault();
              props.onPick(hits[chosen].id);
            }
          }}
        />
      </label>
      <div id={list} role="listbox" aria-label="Moves found" className="mt-2 min-h-64">
        {hits.map((hit, i) => (
          <div
            key={hit.id}
            id={`${list}-${i}`}
            role="option"
            tabIndex={-1}
            aria-selected={i === chosen}
            className={`touch flex cursor-pointer items-baseline gap-2 rounded px-3 py-2 ${i === chosen ? 'bg-base-300' : ''}`}
            onMouseEnter={() => setAt(i)}
            onClick={() => props.onPick(hit.id)}
            onKeyDown={() => {}}
          >
            <span className="font-semibold">{hit.name}</span>
            <span className="quiet truncate text-sm">{hit.twins || hit.pattern}</span>
          </div>
        ))}
      </div>
      <p className="quiet mt-2 text-sm" role="status">
        {text.trim() && hits.length === 0
          ? 'No move by that name. Try what it works, or a shorter word.'
          : 'Arrow keys to choose, Enter to take it.'}
      </p>
    </Dialog>
  );
}
