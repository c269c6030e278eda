import type { Waiting } from '@inner-rung/core/person';
import { Link } from 'react-router';

/** Who isn't in this session, and what comes before they are. */
export function WaitingLine({
  waiting,
  className = '',
}: {
  waiting: readonly Waiting[];
  className?: string;
}) {
  if (waiting.length === 0) return null;
  return (
    <ul aria-label="Not in this session" className={`border-l-4 border-primary pl-3 ${className}`}>
      {waiting.map(({ person, waitsFor }) => (
        <li key={person.id}>
          Not in this session:{' '}
          <Link to={`/people/${person.id}/screening`} className="underline underline-offset-4">
            {person.name}
          </Link>
          . {waitsFor}
        </li>
      ))}
    </ul>
  );
}
