import { useShelf } from '../store/data.ts';

/** Who is here: everybody by name, or one of the groups. */
export function GroupSelect(props: {
  id: string;
  group: string | null;
  onGroup: (id: string | null) => void;
}) {
  const { groups } = useShelf();
  return (
    <select
      id={props.id}
      className="select touch w-full min-w-0"
      value={groups.some((g) => g.id === props.group) ? (props.group ?? '') : ''}
      onChange={(event) => props.onGroup(event.target.value || null)}
    >
      <option value="">everybody by name</option>
      {groups.map((g) => (
        <option key={g.id} value={g.id}>
          {g.name}
        </option>
      ))}
    </select>
  );
}
