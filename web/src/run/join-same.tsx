import type { Cast, Present } from '@inner-rung/core/run';
import { newcomer } from './newcomer.ts';

/** Somebody who walks in does as somebody who is here does. */
export function JoinSame(props: { people: readonly Present[]; onJoin: (who: Cast) => void }) {
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
            onClick={() => {
              const { id, n } = newcomer(props.people);
              props.onJoin({
                ...person.cast,
                id,
                name: `walk-in ${n}`,
                byNumber: true,
                cautions: [],
                does: person.doing.map((list) => list.at(-1)?.does ?? null),
              });
            }}
          >
            {person.name}
          </button>
        ))}
      </div>
    </div>
  );
}
