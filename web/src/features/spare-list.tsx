import { type SessionRecord, type Spare, sparesAfter } from '@inner-rung/core/log';
import { addSore, BODY, letSoreGo, type Person } from '@inner-rung/core/person';
import { when } from '../store/day.ts';
import { people as shelf, useSend } from '../store/index.ts';

const placeWords = ({ place, side }: Spare) =>
  `${side === 'both' ? '' : `${side} `}${BODY[place].name.toLowerCase()}`;

/** What hurt, to be spared from now on at a tap, and what was spared and hasn't hurt for two sessions. */
export function SpareList(props: {
  people: readonly Person[];
  record: SessionRecord;
  all: readonly SessionRecord[];
}) {
  const send = useSend();
  const spares = sparesAfter(props.people, props.record, props.all);
  if (spares.length === 0) return null;
  const take = (one: Spare) => {
    const { person, place, side } = one;
    const next =
      one.is === 'begin'
        ? addSore(person, place, side, when(), { source: 'person' })
        : letSoreGo(person, place, side, when(), 'two sessions without pain');
    const says = one.is === 'begin' ? `Spare ${placeWords(one)}` : `No longer spared: ${placeWords(one)}`;
    send(shelf.step({ says: `${person.name}: ${says}`, put: [next] }));
  };
  return (
    <ul className="mt-3 border-l-4 border-primary pl-3">
      {spares.map((one) => (
        <li
          key={`${one.person.id}/${one.is}/${one.place}/${one.side}`}
          data-spare={one.is}
          className="flex flex-wrap items-center gap-x-3 py-1"
        >
          <span className="min-w-0 flex-1">
            <strong>{one.person.name}</strong>
            {one.is === 'begin'
              ? `: “${one.said}” hurt.`
              : `: nothing hurt for two sessions, and the ${placeWords(one)} is still spared.`}
          </span>
          <button type="button" className="btn btn-sm touch" onClick={() => take(one)}>
            {one.is === 'begin' ? `Spare the ${placeWords(one)}` : 'Let it go'}
          </button>
        </li>
      ))}
    </ul>
  );
}
