import { type Headcount, partWords } from '@inner-rung/core/person';
import { othersIn } from './new-group.ts';

/** What was understood of a class by number, and what wasn't. */
export function HeadcountLine(props: { read: Headcount; unreadSays?: string }) {
  const { read } = props;
  const others = othersIn(read);
  return (
    <p role="status" className="mt-1">
      {read.problem ? (
        <span className="font-semibold text-error">{read.problem}</span>
      ) : (
        <>
          <strong>{read.total}</strong>:{' '}
          {[...read.parts.map(partWords), ...(others > 0 ? [`${others} others`] : [])].join(' · ')}
        </>
      )}
      {read.unread.length > 0 && (
        <span className="block">
          Not understood: {read.unread.map((piece) => `“${piece}”`).join(', ')}. {props.unreadSays}
        </span>
      )}
    </p>
  );
}
