import { effortOn, type Outlook, type Person, standsFor } from '@inner-rung/core/person';
import { Link } from 'react-router';

/** Who a station is looked at for, how hard, what stands in the way; a way to their own page. */
export function WhoLine(props: { person: Person; outlook: Outlook }) {
  const { person, outlook } = props;
  const many = standsFor(person) !== null;
  const today = outlook.today.is;
  return (
    <div className="mb-3 border-b-2 border-base-300 pb-2 text-sm">
      <p className="flex items-center gap-2">
        <span className="min-w-0 flex-1">
          <strong>{person.name}</strong>, up to {effortOn(outlook)} of 10
          {outlook.limits.length > 0 && ` · ${outlook.limits.length} limits`}
        </span>
        {!many && (
          <Link to={`/people/${person.id}/today`} className="btn btn-sm touch">
            {today === 'as usual'
              ? 'Today'
              : today === 'easier'
                ? 'Easier today'
                : today === 'ask first'
                  ? 'Ask first'
                  : 'Not today'}
          </Link>
        )}
      </p>
      {!outlook.mayTrain && (
        <p className="border-l-4 border-primary pl-2">
          No card and no place in a session:{' '}
          {today === 'not today' ? outlook.today.says[0] : outlook.standing.says}{' '}
          <Link
            to={`/people/${person.id}/${today === 'not today' ? 'today' : 'screening'}`}
            className="font-semibold underline underline-offset-4"
          >
            Settle it
          </Link>
        </p>
      )}
      {outlook.mayTrain && outlook.standing.askAgain && (
        <p>
          {outlook.standing.askAgain}{' '}
          <Link to={`/people/${person.id}/screening`} className="underline underline-offset-4">
            Ask again
          </Link>
        </p>
      )}
    </div>
  );
}
