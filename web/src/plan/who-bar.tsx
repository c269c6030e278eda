import { everybodyIn, type Group, type Person, shortName } from '@inner-rung/core/person';
import { READY_ROOMS } from '@inner-rung/core/room';
import type { Plan } from '@inner-rung/core/session';
import { useEffect } from 'react';
import { useSearchParams } from 'react-router';
import { tokenOf, useShelf } from '../app/data.ts';
import { rooms as roomShelf, useSend } from '../store/index.ts';
import { planEvents } from '../store/plan-slice.ts';
import { groupChosen } from '../store/view-slice.ts';

/** Whom and where a plan is for: the group that is here, the room. */
export function useWhoChoice(plan: Plan | null, open: boolean) {
  const send = useSend();
  const { people, groups, rooms } = useShelf();
  const [search, setSearch] = useSearchParams();
  const ready = plan !== null && open;
  /** The plan is for one of those who are here. */
  const chooseGroup = (to: string | null) => {
    send(groupChosen(to));
    const chosen = groups.find((g) => g.id === to);
    const here = chosen ? everybodyIn(chosen, people) : people;
    if (plan?.person && here[0] && !here.some((p) => p.id === plan.person))
      send(planEvents.personPicked(here[0].id));
  };
  /** A ready-made room becomes the trainer's own as it is picked. */
  const chooseRoom = (to: string) => {
    const ready = READY_ROOMS.find((r) => r.id === to);
    if (ready && !rooms.some((r) => r.id === to))
      send(roomShelf.step({ says: `Add ${ready.name}`, put: [ready] }));
    send(planEvents.roomPicked(to));
  };
  // An address may say for whom: ?who=… or ?group=…; taken once, then out of the address.
  const asksFor = search.get('who');
  const asksGroup = search.get('group');

  // biome-ignore lint/correctness/useExhaustiveDependencies: an address is taken at its word once, when all is here
  useEffect(() => {
    if (!ready || (asksFor === null && asksGroup === null)) return;
    if (asksGroup !== null) chooseGroup(asksGroup);
    if (asksFor !== null) send(planEvents.personPicked(asksFor));
    setSearch(
      (now) => {
        now.delete('who');
        now.delete('group');
        return now;
      },
      { replace: true },
    );
  }, [ready, asksFor, asksGroup]);

  return { chooseGroup, chooseRoom };
}

/** Who it is for, who is here, where: one row over the floor. */
export function WhoBar(props: {
  plan: Plan;
  group: Group | null;
  offered: readonly Person[];
  choose: ReturnType<typeof useWhoChoice>;
}) {
  const { plan, group, offered } = props;
  const { chooseGroup, chooseRoom } = props.choose;
  const send = useSend();
  const { groups, rooms } = useShelf();
  const room = rooms.find((r) => r.id === plan.room) ?? null;
  // The one it is for is brought into sight among many.
  // biome-ignore lint/correctness/useExhaustiveDependencies: looked for anew when another is chosen
  useEffect(() => {
    document
      .querySelector('#who input:checked')
      ?.closest('label')
      ?.scrollIntoView({ block: 'nearest', inline: 'center' });
  }, [plan.person]);
  return (
    <section
      aria-label="For whom"
      className="flex flex-wrap items-center gap-x-5 gap-y-2 border-b-2 border-base-300 px-3 py-2"
    >
      <fieldset id="who" className="contents">
        <div className="flex max-w-full min-w-0 gap-1.5 overflow-x-auto p-0.5 lg:flex-1 lg:basis-0">
          <legend className="sr-only">Who it is for</legend>
          {[null, ...offered].map((p) => {
            const on = plan.person === (p?.id ?? null);
            return (
              <label
                key={p?.id ?? 'lane'}
                className={`touch relative flex shrink-0 cursor-pointer items-center gap-2 rounded-full border-2 py-0.5 pr-3 pl-0.5 has-focus-visible:outline-3 has-focus-visible:outline-primary ${on ? 'border-base-content bg-base-content text-base-100' : 'border-base-300'}`}
                title={p ? p.name : 'A level with nobody behind it'}
              >
                <input
                  type="radio"
                  name="who"
                  className="sr-only"
                  checked={on}
                  onChange={() => send(planEvents.personPicked(p?.id ?? null))}
                />
                <span
                  className={`display grid h-9 w-9 place-items-center rounded-full text-sm ${on ? 'bg-primary text-primary-content' : 'bg-base-200'}`}
                  aria-hidden
                >
                  {p ? tokenOf(p) : 'L'}
                </span>
                <span className="text-[0.95rem] whitespace-nowrap">{p ? shortName(p) : 'A lane'}</span>
              </label>
            );
          })}
        </div>
      </fieldset>
      {groups.length > 0 && (
        <label className="flex min-w-0 items-center gap-2">
          <span className="quiet text-sm">Who is here</span>
          <select
            className="select touch w-40 min-w-0"
            value={group?.id ?? ''}
            onChange={(event) => chooseGroup(event.target.value || null)}
          >
            <option value="">everybody</option>
            {groups.map((g) => (
              <option key={g.id} value={g.id}>
                {g.name}
              </option>
            ))}
          </select>
        </label>
      )}
      <label className="flex min-w-0 items-center gap-2">
        <span className="quiet text-sm">Where</span>
        <select
          className="select touch min-w-0"
          value={plan.room ?? ''}
          onChange={(event) => chooseRoom(event.target.value)}
        >
          {!room && <option value="">a floor and a wall</option>}
          {rooms.map((r) => (
            <option key={r.id} value={r.id}>
              {r.name}
            </option>
          ))}
          <optgroup label="One like it">
            {READY_ROOMS.filter((r) => !rooms.some((own) => own.id === r.id)).map((r) => (
              <option key={r.id} value={r.id}>
                {r.name}
              </option>
            ))}
          </optgroup>
        </select>
      </label>
    </section>
  );
}
