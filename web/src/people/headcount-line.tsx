import { partWords } from '@inner-rung/core/person';
import { groupOf, type Who } from '@inner-rung/core/read';
import { today } from '../store/day.ts';

/** What was understood of a class, what wasn't, and what should be asked. */
export function HeadcountLine(props: { read: Who }) {
  const { read } = props;
  const group = groupOf(read, 'shown', today());
  const unread = group.parts.some((part) => part.unread !== undefined);
  const ageless = group.parts.reduce((sum, part) => sum + (part.born || part.kind ? 0 : part.count), 0);
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
      {ageless > 0 && !read.problem && (
        <span className="quiet block text-sm">
          {ageless === read.total ? 'No age was said' : `Of ${ageless} no age was said`}: effort is taken as
          an adult’s, and limits for somebody’s health as an older person’s.
        </span>
      )}
      {unread && (
        <span className="block">
          What isn’t understood stands on every page, and those people are planned for at the careful end
          until you say what it is.
        </span>
      )}
    </p>
  );
}
