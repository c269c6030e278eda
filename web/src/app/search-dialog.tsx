import { useDeferredValue, useMemo, useState } from 'react';
import { useNavigate } from 'react-router';
import { everything, type Found, type KindFound } from '../features/everything.ts';
import { plans } from '../store/api.ts';
import { useShelf } from '../store/data.ts';
import { commandsHere } from '../ui/commands.tsx';
import { PickDialog } from '../ui/pick-dialog.tsx';

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
  const looking = useDeferredValue(text);
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
  const take = ({ run, to }: Pick<Found, 'run' | 'to'>) => {
    props.onClose();
    if (run) run();
    else if (to) void navigate(to);
  };
  const makes =
    asked.length > 1 && find
      ? MAKES.map(({ says, to }, i) => ({
          key: to(asked),
          name: says(asked),
          says: '',
          apart: i === 0 && hits.length > 0,
          take: () => take({ to: to(asked) }),
        }))
      : [];
  return (
    <PickDialog
      title="Search"
      label="Sessions, people, moves by any name, conditions, things, rooms, pages, what can be done here"
      found="Found"
      text={text}
      onText={setText}
      rows={[
        ...hits.map((found) => ({
          key: `${found.kind}/${found.id}`,
          name: found.name,
          says: found.says,
          kind: KIND[found.kind],
          take: () => take(found),
        })),
        ...makes,
      ]}
      status={
        failed
          ? 'The server is away: nothing can be searched just now.'
          : asked && hits.length === 0 && find
            ? 'Nothing by that name.'
            : 'Arrow keys to choose, Enter to go there.'
      }
      onClose={props.onClose}
    />
  );
}
