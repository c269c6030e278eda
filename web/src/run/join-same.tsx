import type { Present } from '@inner-rung/core/run';

/** Somebody who walks in does as somebody who is here does, as far as that is open to whom nobody knows. */
export function JoinSame(props: { people: readonly Present[]; onJoin: (as: Present) => void }) {
  const here = props.people.filter((p) => p.is === 'here');
  if (here.length === 0) return null;
  return (
    <div className="mt-4">
      <p className="quiet mb-1 text-sm">or the same as somebody here, with nothing sore</p>
      <div className="flex flex-wrap gap-1">
        {here.map((person) => (
          <button
            key={person.id}
            type="button"
            className="btn btn-sm touch"
            onClick={() => props.onJoin(person)}
          >
            {person.name}
          </button>
        ))}
      </div>
    </div>
  );
}
