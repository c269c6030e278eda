import { useDeferredValue, useId, useMemo, useState } from 'react';
import { useNavigate } from 'react-router';
import { everything, type Found, type KindFound } from '../features/everything.ts';
import { plans } from '../store/api.ts';
import { useShelf } from '../store/data.ts';
import { commandsHere } from '../ui/commands.tsx';
import { Dialog } from '../ui/dialog.tsx';

const KIND: Readonly<Record<KindFound, string>> = {
  command: 'do it here',
  page: 'page',
  session: 'session',
  person: 'person',
  group: 'group',
  room: 'room',
  ladder: 'ladder',
  move: 'move',
  condition: 'condition',
  thing: 'thing',
};

/** What isn't there can be made from its name. */
const MAKES: readonly { readonly says: (text: string) => string; readonly to: (text: string) => string }[] = [
  {
    says: (text) => `Make “${text}” a move of your own`,
    to: (text) => `/ladders/new?name=${encodeURIComponent(text)}`,
  },
  {
    says: (text) => `Somebody new called “${text}”`,
    to: (text) => `/people?new=${encodeURIComponent(text)}`,
  },
];

/** One search over sessions, people, moves, conditions, things, rooms, pages and what can be done on this one. */
export default function SearchDialog(props: { onClose: () => void }) {
  const { library, people, groups, rooms, failed } = useShelf();
  const { data: stored } = plans.use();
  const navigate = useNavigate();
  const [text, setText] = useState('');
  const [at, setAt] = useState(0);
  const looking = useDeferredValue(text);
  const list = useId();
  const find = useMemo(
    () =>
      library &&
      everything({
        library,
        plans: (stored ?? []).map(({ body }) => body),
        people,
        groups,
        rooms,
        commands: commandsHere(),
      }),
    [library, stored, people, groups, rooms],
  );
  const asked = looking.trim();
  const hits: readonly Found[] = useMemo(() => (find && asked ? find(asked) : []), [find, asked]);
  const makes =
    asked.length > 1 && find
      ? MAKES.map(
          ({ says, to }): Found => ({
            kind: 'page',
            id: to(asked),
            name: says(asked),
            says: '',
            to: to(asked),
          }),
        )
      : [];
  const rows = [...hits, ...makes];
  const chosen = Math.min(at, Math.max(0, rows.length - 1));
  const take = (found: Found) => {
    props.onClose();
    if (found.run) found.run();
    else if (found.to) void navigate(found.to);
  };
  return (
    <Dialog title="Search" onClose={props.onClose}>
      <label className="block">
        <span className="quiet text-sm">
          Sessions, people, moves by any name, conditions, things, rooms, pages, what can be done here
        </span>
        <input
          data-first
          className="input input-lg mt-1 w-full"
          role="combobox"
          aria-expanded={rows.length > 0}
          aria-controls={list}
          aria-activedescendant={rows[chosen] ? `${list}-${chosen}` : undefined}
          autoComplete="off"
          value={text}
          onChange={(event) => {
            setText(event.target.value);
            setAt(0);
          }}
          onKeyDown={(event) => {
            const step = event.key === 'ArrowDown' ? 1 : event.key === 'ArrowUp' ? -1 : 0;
            if (step !== 0) {
              event.preventDefault();
              setAt(Math.max(0, Math.min(rows.length - 1, chosen + step)));
            } else if (event.key === 'Enter' && rows[chosen]) {
              event.preventDefault();
              take(rows[chosen]);
            }
          }}
        />
      </label>
      <div
        id={list}
        role="listbox"
        aria-label="Found"
        className="mt-2 max-h-[50dvh] min-h-64 overflow-y-auto"
      >
        {rows.map((found, i) => (
          <div
            key={`${found.kind}/${found.id}`}
            id={`${list}-${i}`}
            role="option"
            tabIndex={-1}
            aria-selected={i === chosen}
            className={`touch flex cursor-pointer items-baseline gap-2 rounded px-3 py-1.5 ${i === chosen ? 'bg-base-300' : ''} ${i === hits.length && hits.length > 0 ? 'mt-1 border-t-2 border-base-300' : ''}`}
            onMouseEnter={() => setAt(i)}
            onClick={() => take(found)}
            onKeyDown={() => {}}
          >
            <span className="font-semibold">{found.name}</span>
            <span className="quiet min-w-0 flex-1 truncate text-sm">{found.says}</span>
            {i < hits.length && <span className="quiet shrink-0 text-xs">{KIND[found.kind]}</span>}
          </div>
        ))}
      </div>
      <p className="quiet mt-2 text-sm" role="status">
        {failed
          ? 'The server is away: nothing can be searched just now.'
          : asked && hits.length === 0 && find
            ? 'Nothing by that name.'
            : 'Arrow keys to choose, Enter to go there.'}
      </p>
    </Dialog>
  );
}
