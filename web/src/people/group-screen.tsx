import { everybodyIn, type Group, groupSchema, headcountOf } from '@inner-rung/core/person';
import { useNavigate, useParams } from 'react-router';
import { plans as allPlans } from '../store/api.ts';
import { useShelf } from '../store/data.ts';
import { groups as groupShelf, useApp, useSend } from '../store/index.ts';
import { groupChosen } from '../store/view-slice.ts';
import { Text } from '../ui/fields.tsx';
import { Missing } from '../ui/missing.tsx';
import { PartsHeader } from '../ui/parts-header.tsx';
import { SaveLine } from '../ui/save-line.tsx';
import { ServerAway, Waiting } from '../ui/shell.tsx';
import { Attendance } from './group-attendance.tsx';
import { Cannot } from './group-cannot.tsx';
import { WhoComes } from './group-members.tsx';
import { GroupNext } from './group-next.tsx';
import { Spread } from './group-spread.tsx';
import { GroupWhen } from './group-when.tsx';

/** A group: who comes, who can’t do what, where they stand, who was there. */
export default function GroupScreen() {
  const { id = '' } = useParams();
  const { library, people, rooms, failed } = useShelf();
  const group = useApp(groupShelf.docs)[id];
  const plans = allPlans.use();
  const send = useSend();
  const navigate = useNavigate();
  if (failed) return <ServerAway />;
  if (!library) return <Waiting />;
  if (!group) return <Missing here="people" title="No such group" to="/people" way="See everybody" />;
  const put = (patch: Partial<Group>, says = 'Edit the group…'): boolean => {
    const next: Record<string, unknown> = { ...group, ...patch };
    for (const [key, value] of Object.entries(patch)) if (value === undefined) delete next[key];
    const read = groupSchema.safeParse(next);
    if (read.success) send(groupShelf.step({ says, put: [read.data] }));
    return read.success;
  };
  const everybody = everybodyIn(group, people);
  return (
    <div className="min-h-dvh">
      <PartsHeader here="people" />
      <main className="mx-auto max-w-7xl px-4 py-3 md:px-6">
        <div className="flex flex-wrap items-center gap-3">
          <h1 className="sr-only">{group.name}</h1>
          <label className="min-w-0 flex-1 basis-full sm:basis-0">
            <span className="sr-only">Name of the group</span>
            <input
              className="display w-full min-w-0 rounded bg-transparent px-1 text-3xl hover:bg-base-200"
              value={group.name}
              maxLength={80}
              onChange={(event) => event.target.value.trim() && put({ name: event.target.value })}
            />
          </label>
          <span className="display text-3xl">{headcountOf(group)}</span>
          <SaveLine shelf={groupShelf} />
          <button
            type="button"
            className="btn btn-primary touch"
            onClick={() => {
              send(groupChosen(group.id));
              void navigate(`/?group=${group.id}`);
            }}
          >
            Plan for them
          </button>
        </div>
        <GroupWhen group={group} rooms={rooms} plans={plans.data ?? []} put={put} />
        <GroupNext
          library={library}
          group={group}
          people={people}
          plans={(plans.data ?? []).map(({ body }) => body)}
          put={put}
        />
        <Cannot everybody={everybody} />
        <div className="mt-8 grid grid-cols-1 gap-x-10 gap-y-8 lg:grid-cols-2">
          <WhoComes group={group} people={people} put={put} />
          <Attendance group={group} people={people} put={put} />
        </div>
        <Spread library={library} everybody={everybody} />
        <section className="mt-8 max-w-xl">
          <Text label="Notes" value={group.notes} rows={2} onValue={(notes) => put({ notes })} />
          <button
            type="button"
            className="btn btn-sm touch mt-3"
            onClick={() => {
              send(groupShelf.step({ says: `Take ${group.name} away`, remove: [group.id] }));
              void navigate('/people');
            }}
          >
            Take the group away
          </button>
          <p className="quiet text-sm">Its people stay; undo brings it back.</p>
        </section>
      </main>
    </div>
  );
}
