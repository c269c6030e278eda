import { everybodyIn, type Group, type Person, shortName } from '@inner-rung/core/person';
import type { Plan } from '@inner-rung/core/session';
import { useEffect } from 'react';
import { useSearchParams } from 'react-router';
import { GroupSelect } from '../features/group-select.tsx';
import { RoomSelect } from '../features/room-select.tsx';
import { tokenOf, useShelf } from '../store/data.ts';
import { useSend } from '../store/index.ts';
import { planEvents } from '../store/plan-slice.ts';
import { groupChosen } from '../store/view-slice.ts';

/** Whom and where a plan is for: the group that is here, the room. */
export function useWhoChoice(plan: Plan) {
  const send = useSend();
  const { people, groups } = useShelf();
  const [search, setSearch] = useSearchParams();
  /** The plan is for one of those who are here. */
  const chooseGroup = (to: string | null) => {
    send(groupChosen(to));
    const chosen = groups.find((g) => g.id === to);
    const here = chosen ? everybodyIn(chosen, people) : people;
    if (plan.person && here[0] && !here.some((p) => p.id === plan.person))
      send(planEvents.personPicked(here[0].id));
  };
  // An address may say for whom: ?who=… or ?group=…; taken once, then out of the address.
  const asksFor = search.get('who');
  const asksGroup = search.get('group');

  // biome-ignore lint/correctness/useExhaustiveDependencies: an address is taken at its word once
  useEffect(() => {
    if (asksFor === null && asksGroup === null) return;
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
  }, [asksFor, asksGroup]);

  return { chooseGroup };
}

/** Who it is for, who is here, where: one row over the floor. */
export function WhoBar(props: {
  plan: Plan;
  group: Group | null;
  offered: readonly Person[];
  choose: ReturnType<typeof useWhoChoice>;
}) {
  const { plan, group, offered } = props;
  const { chooseGroup } = props.choose;
  const send = useSend();
  const { groups } = useShelf();
  // The one it is for is brought into sight among many.
  // biome-ignore lint/correctness/useExhaustiveDependencies: looked for anew when another is chosen
  useEffect(() => {
    // With the next frame, that lays the page out anyway.
    const frame = requestAnimationFrame(() =>
      document
        .querySelector('#who input:checked')
        ?.closest('label')
        ?.scrollIntoView({ block: 'nearest', inline: 'center' }),
    );
    return () => cancelAnimationFrame(frame);
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
        <div className="flex min-w-0 items-center gap-2">
          <label htmlFor="who-group" className="quiet shrink-0 text-sm">
            Who is here
          </label>
          <div className="w-40 min-w-0">
            <GroupSelect id="who-group" group={group?.id ?? null} onGroup={chooseGroup} />
          </div>
        </div>
      )}
      <div className="flex min-w-0 items-center gap-2">
        <label htmlFor="who-room" className="quiet shrink-0 text-sm">
          Where
        </label>
        <RoomSelect id="who-room" room={plan.room} onRoom={(to) => send(planEvents.roomPicked(to))} />
      </div>
    </section>
  );
}
