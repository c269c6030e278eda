import type { Library } from '@inner-rung/core/ladder';
import { clockFor, groupOf, planOf, type ReadSession, readWho, type Who } from '@inner-rung/core/read';
import { openRecord, slugOf } from '@inner-rung/core/record';
import { PLAN, type Plan } from '@inner-rung/core/session';
import { useState } from 'react';
import { useStore } from 'react-redux';
import { useNavigate } from 'react-router';
import { GroupSelect } from '../features/group-select.tsx';
import { RoomSelect } from '../features/room-select.tsx';
import { HeadcountLine } from '../people/headcount-line.tsx';
import { PasteForm } from '../plan/paste.tsx';
import { plans as allPlans, setAside } from '../store/api.ts';
import { copyId } from '../store/copy.ts';
import { useShelf } from '../store/data.ts';
import { newId, today } from '../store/day.ts';
import { groups as groupShelf, useApp, useSend } from '../store/index.ts';
import { openNewPlan } from '../store/sync.ts';
import { groupChosen } from '../store/view-slice.ts';
import { PartsHeader } from '../ui/parts-header.tsx';
import { ServerAway, Waiting } from '../ui/shell.tsx';
import { useDraft } from '../ui/use-draft.ts';
import { Coming } from './coming.tsx';
import { Runs } from './runs.tsx';
import { SessionShelf } from './session-shelf.tsx';

const NOBODY_SAID = { count: '' };

/** All sessions, and the box to paste another into. With none yet, the box is the page. */
export default function StartScreen() {
  const { library, rooms, groups, people, failed } = useShelf();
  const plans = allPlans.use();
  const aside = setAside.use();
  const store = useStore();
  const navigate = useNavigate();
  const send = useSend();
  const [{ count }, putCount, clearCount] = useDraft('paste/who', NOBODY_SAID);
  const [chosen, setChosen] = useState<string | null>(null);
  if (failed) return <ServerAway />;
  if (!library || (!plans.data && !plans.failed)) return <Waiting />;
  const where = chosen ?? rooms[0]?.id ?? null;
  const read = count.trim() === '' ? null : readWho(count);
  /** Who was said to be here is a group from now on, and the one that is planned for. */
  const takeAlong = () => {
    if (!read || read.problem) return;
    const made = groupOf(read, newId('g'), today());
    send(groupShelf.step({ says: 'Add a class', put: [made] }));
    send(groupChosen(made.id));
    clearCount();
  };
  /** A new plan out of what was pasted, for who is here. */
  const newPlan = (pasted: ReadSession) =>
    planOf(pasted, {
      id: `${slugOf(pasted.title ?? '', 40, 'circuit')}-${Date.now().toString(36)}`,
      room: where,
      forWhom: clockFor(read),
    });
  const open = (plan: Plan) => {
    openNewPlan(store, plan);
    void navigate(`/plan/${plan.id}`);
  };
  return (
    <>
      <PartsHeader here="circuits" />
      <main className="mx-auto max-w-5xl p-4 md:p-8">
        <Runs />
        <Coming groups={groups} people={people} plans={(plans.data ?? []).map(({ body }) => body)} />
        <h1 className="mb-1 text-3xl">Paste a circuit</h1>
        <p className="quiet mb-4 max-w-prose">
          As you wrote it down. Say who is here, and get one page to teach all of them from.
        </p>
        <PasteForm
          into="new"
          library={library}
          onUse={(pasted) => {
            const plan = newPlan(pasted);
            if (!plan) return;
            takeAlong();
            open(plan);
          }}
          also={{
            says: 'One page to teach from',
            onUse: (pasted) => {
              const plan = newPlan(pasted);
              if (!plan) return;
              takeAlong();
              openNewPlan(store, plan);
              void navigate(`/plan/${plan.id}/class`);
            },
          }}
        >
          <WhoAndWhere
            count={count}
            read={read}
            onCount={(text) => putCount({ count: text })}
            where={where}
            onWhere={setChosen}
          />
        </PasteForm>
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

/** Who is here, as a group that is known or by number; and where. */
function WhoAndWhere(props: {
  count: string;
  read: Who | null;
  onCount: (text: string) => void;
  where: string | null;
  onWhere: (room: string) => void;
}) {
  const { groups } = useShelf();
  const send = useSend();
  const group = useApp((state) => state.view.group);
  return (
    <div className="grid grid-cols-1 gap-x-4 gap-y-1 sm:grid-cols-2 lg:grid-cols-[1fr_2fr_1fr]">
      {groups.length > 0 && (
        <div className="flex flex-col">
          <label htmlFor="start-group" className="quiet text-sm">
            Who is here
          </label>
          <GroupSelect id="start-group" group={group} onGroup={(to) => send(groupChosen(to))} />
        </div>
      )}
      <div className="flex flex-col">
        <label htmlFor="start-count" className="quiet text-sm">
          {groups.length > 0 ? 'or in your words' : 'Who is here, in your words'}
        </label>
        <input
          id="start-count"
          className="input touch w-full"
          value={props.count}
          maxLength={2000}
          placeholder="14 people, two sore knees, one no floor; Ana 72, new knee"
          onChange={(event) => props.onCount(event.target.value)}
        />
      </div>
      <div className="flex flex-col">
        <label htmlFor="start-room" className="quiet text-sm">
          Where
        </label>
        <RoomSelect id="start-room" room={props.where} onRoom={props.onWhere} />
      </div>
      {props.read && (
        <div className="sm:col-span-2 lg:col-span-3">
          <HeadcountLine read={props.read} />
        </div>
      )}
    </div>
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
