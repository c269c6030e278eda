import { Link } from 'react-router';
import { type Part, PartsHeader } from './parts-header.tsx';

/** An address with nothing at it: says so and shows the way. */
export function Missing(props: { here: Part; title: string; to: string; way: string }) {
  return (
    <div>
      <PartsHeader here={props.here} />
      <main className="p-6">
        <h1 className="text-3xl">{props.title}</h1>
        <Link to={props.to} className="btn btn-primary touch mt-4">
          {props.way}
        </Link>
      </main>
    </div>
  );
}
