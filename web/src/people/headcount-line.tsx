import { partWords } from '@inner-rung/core/person';
import { groupOf, type Who } from '@inner-rung/core/read';
import { today } from '../store/day.ts';

/** What was understood of a class, what wasn't, and what should be asked. */
export function HeadcountLine(props: { read: Who }) {
  const { read } = props;
  const group = groupOf(read, 'shown', today());
  const unread = group.parts.some((part) => part.unread !== undefined);
  return (
    <p role="status" className="mt-1">
      {read.problem ? (
        <span className="font-semibold text-error">{read.problem}</span>
      ) : (
        <>
          <strong>{read.total === 1 ? 'One person' : `${read.total} people`}.</strong>{' '}
          {group.parts.map(partWords).join(' · ')}
        </>
      )}
      {read.asks.map((ask) => (
        <span key={ask} className="block font-semibold">
          {ask}
        </span>
      ))}
      {unread && (
        <span className="block">
          What isn’t understood stands on every page, and those people are planned for at the careful end
          until you say what it is.
        </span>
      )}
    </p>
  );
}
