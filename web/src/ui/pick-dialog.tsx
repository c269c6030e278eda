import { useId, useState } from 'react';
import { Dialog } from './dialog.tsx';

/** Something that can be picked. */
interface PickRow {
  readonly key: string;
  readonly name: string;
  readonly says: string;
  /** What it is, at the end of its row. */
  readonly kind?: string;
  /** A line parts it from those before it. */
  readonly apart?: boolean;
  readonly take: () => void;
}

/** Words in, and what they find to choose from, by pointer or by arrow keys. */
export function PickDialog(props: {
  title: string;
  /** What can be found. */
  label: string;
  placeholder?: string;
  found: string;
  text: string;
  onText: (text: string) => void;
  rows: readonly PickRow[];
  status: string;
  onClose: () => void;
}) {
  const { rows } = props;
  const [at, setAt] = useState(0);
  const list = useId();
  const chosen = Math.min(at, Math.max(0, rows.length - 1));
  return (
    <Dialog title={props.title} onClose={props.onClose}>
      <label className="block">
        <span className="quiet text-sm">{props.label}</span>
        <input
          data-first
          className="input input-lg mt-1 w-full"
          role="combobox"
          aria-expanded={rows.length > 0}
          aria-controls={list}
          aria-activedescendant={rows[chosen] ? `${list}-${chosen}` : undefined}
          autoComplete="off"
          value={props.text}
          placeholder={props.placeholder}
          onChange={(event) => {
            props.onText(event.target.value);
            setAt(0);
          }}
          onKeyDown={(event) => {
            const step = event.key === 'ArrowDown' ? 1 : event.key === 'ArrowUp' ? -1 : 0;
            if (step !== 0) {
              event.preventDefault();
              setAt(Math.max(0, Math.min(rows.length - 1, chosen + step)));
            } else if (event.key === 'Enter' && rows[chosen]) {
              event.preventDefault();
              rows[chosen].take();
            }
          }}
        />
      </label>
      <div
        id={list}
        role="listbox"
        aria-label={props.found}
        className="mt-2 max-h-[50dvh] min-h-64 overflow-y-auto"
      >
        {rows.map((row, i) => (
          <div
            key={row.key}
            id={`${list}-${i}`}
            role="option"
            tabIndex={-1}
            aria-selected={i === chosen}
            className={`touch flex cursor-pointer items-baseline gap-2 rounded px-3 py-1.5 ${i === chosen ? 'bg-base-300' : ''} ${row.apart ? 'mt-1 border-t-2 border-base-300' : ''}`}
            onMouseEnter={() => setAt(i)}
            onClick={row.take}
            onKeyDown={() => {}}
          >
            <span className="font-semibold">{row.name}</span>
            <span className="quiet min-w-0 flex-1 truncate text-sm">{row.says}</span>
            {row.kind && <span className="quiet shrink-0 text-xs">{row.kind}</span>}
          </div>
        ))}
      </div>
      <p className="quiet mt-2 text-sm" role="status">
        {props.status}
      </p>
    </Dialog>
  );
}
