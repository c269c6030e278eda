import type { Outlook, Person } from '@inner-rung/core/person';
import { Link } from 'react-router';

/** Why there is no paper for somebody yet, and the way to settle it. */
export function NotYet(props: {
  what: string;
  person: Person;
  outlook: Outlook;
  back: { readonly to: string; readonly says: string };
}) {
  const { person, outlook, back } = props;
  const today = outlook.today.is === 'not today';
  return (
    <main className="mx-auto max-w-xl p-8">
      <h1 className="text-3xl">
        No {props.what} for {person.name} yet
      </h1>
      <p className="mt-2 text-lg">{today ? outlook.today.says[0] : outlook.standing.says}</p>
      <p className="mt-4 flex gap-2">
        <Link className="btn btn-primary touch" to={`/people/${person.id}/${today ? 'today' : 'screening'}`}>
          Settle it
        </Link>
        <Link className="btn touch" to={back.to}>
          {back.says}
        </Link>
      </p>
    </main>
  );
}
