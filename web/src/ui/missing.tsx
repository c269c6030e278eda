import { Link } from 'react-router';
import { type Part, PartsHeader } from './parts-header.tsx';

/** An address with nothing at it: says so and shows the way. */
export function Missing(props: { here: Part; title: string; says?: string; to: string; way: string }) {
  return (
    <div>
      <PartsHeader here={props.here} />
      <main className="p-6">
        <h1 className="text-3xl">{props.title}</h1>
        {props.says && <p className="quiet mt-2">{props.says}</p>}
        <Link to={props.to} className="btn btn-primary touch mt-4">
          {props.way}
        </Link>
      </main>
    </div>
  );
}

/** A session that isn't there. */
export const MissingSession = () => (
  <Missing
    here="circuits"
    title="No such session"
    says="It may have been deleted, or set aside because it could not be read."
    to="/circuits"
    way="See your sessions"
  />
);
