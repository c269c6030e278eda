import type { Library } from '@inner-rung/core/ladder';
import { openRecord } from '@inner-rung/core/record';
import { PLAN, PLAN_EXAMPLE, type Plan } from '@inner-rung/core/session';
import { useState } from 'react';
import { useStore } from 'react-redux';
import { useNavigate } from 'react-router';
import { Waiting } from '../app/app.tsx';
import { useShelf } from '../app/data.ts';
import { copyId } from '../plan/more-dialog.tsx';
import { type PastedSession, PasteForm } from '../plan/paste.tsx';
import { api } from '../store/api.ts';
import { openNewPlan } from '../store/sync.ts';
import { PartsHeader } from '../ui/parts-header.tsx';
import { SessionShelf } from './session-shelf.tsx';

const slug = (title: string) =>
  title
    .toLowerCase()
    .normalize('NFD')
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '')
    .slice(0, 40)
    .replace(/-+$/, '') || 'circuit';

/** A new plan out of what was pasted. */
function planFrom(pasted: PastedSession, room: string | null): Plan {
  const title = pasted.title ?? 'New session';
  return {
    ...PLAN_EXAMPLE,
    id: `${slug(title)}-${Date.now().toString(36)}`,
    title: title.slice(0, 120),
    blocks: pasted.blocks.map((block, i) => ({ ...block, id: `block-${i + 1}` })),
    person: null,
    room,
  };
}

/** All sessions, and the box to paste another into. With none yet, the box is the page. */
export function StartScreen() {
  const { library, rooms, failed } = useShelf();
  const plans = api.usePlansQuery(undefined, { refetchOnMountOrArgChange: true });
  const aside = api.useSetAsideQuery();
  const store = useStore();
  const navigate = useNavigate();
  if (failed) return <ServerAway />;
  if (!library || plans.isLoading) return <Waiting />;
  const open = (plan: Plan) => {
    openNewPlan(store, plan);
    void navigate(`/plan/${plan.id}`);
  };
  return (
    <>
      <PartsHeader here="circuits" />
      <main className="mx-auto max-w-5xl p-4 md:p-8">
        <h1 className="mb-1 text-3xl">Paste a circuit</h1>
        <p className="quiet mb-4 max-w-prose">
          As you wrote it down: a line with the work and rest, then one station a line. Pick a person next,
          and see what they do instead.
        </p>
        <PasteForm
          library={library}
          format={PLAN_EXAMPLE.blocks[0]!.format}
          onUse={(pasted) => open(planFrom(pasted, rooms[0]?.id ?? null))}
        />
        <SessionShelf
          library={library}
          plans={(plans.data ?? []).map(({ body }) => body)}
          onTake={(ready) => open({ ...ready, id: copyId(ready.id), room: rooms[0]?.id ?? null })}
        />
        <FilePart library={library} onOpen={open} taken={(plans.data ?? []).map(({ id }) => id)} />
        {(aside.data?.length ?? 0) > 0 && (
          <section className="mt-8 border-l-4 border-primary pl-3" aria-label="Set aside">
            <h2 className="text-xl">Set aside</h2>
            <p className="quiet">
              These could not be read. They are kept as they are, and nothing else was touched.
            </p>
            <ul>
              {aside.data!.map((item) => (
                <li key={item.number}>
                  {item.kind} “{item.id}”: {item.reason}
                </li>
              ))}
            </ul>
          </section>
        )}
      </main>
    </>
  );
}

/** A session from a file, as it was kept: the same to the letter, under an id that is free. */
function FilePart(props: { library: Library; taken: readonly string[]; onOpen: (plan: Plan) => void }) {
  const [fault, setFault] = useState('');
  return (
    <div className="mt-6">
      <label className="touch inline-flex cursor-pointer items-center gap-3">
        A session’s file
        <input
          type="file"
          accept=".json,application/json"
          className="file-input"
          onChange={async (event) => {
            const file = event.target.files?.[0];
            event.target.value = '';
            if (!file) return;
            setFault('');
            let raw: unknown;
            try {
              raw = JSON.parse(await file.text());
            } catch {
              setFault(`${file.name} isn’t JSON.`);
              return;
            }
            const read = openRecord(PLAN, raw);
            if (!read.ok) {
              setFault(`${file.name}: ${read.where}: ${read.message}.`);
              return;
            }
            const { value } = read;
            props.onOpen(props.taken.includes(value.id) ? { ...value, id: copyId(value.id) } : value);
          }}
        />
      </label>
      {fault && (
        <p role="alert" className="font-semibold text-error">
          {fault}
        </p>
      )}
    </div>
  );
}

export function ServerAway() {
  return (
    <main className="grid min-h-dvh place-items-center p-6 text-center">
      <div>
        <h1 className="text-3xl">The server isn’t answering</h1>
        <p className="quiet mt-2">
          Start it again, then load this page. Edits not yet saved are kept in this browser.
        </p>
        <button type="button" className="btn btn-primary mt-4" onClick={() => location.reload()}>
          Try again
        </button>
      </div>
    </main>
  );
}
