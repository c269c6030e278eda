import { Link } from 'react-router';

/** An address of a run that isn't there. */
export function NoRun() {
  return (
    <main className="grid min-h-dvh place-items-center p-6 text-center">
      <div>
        <h1 className="text-2xl">There is no such run here</h1>
        <p className="mt-2">It was made on another machine, or the address is cut short.</p>
        <Link to="/circuits" className="btn btn-primary touch mt-4">
          All sessions
        </Link>
      </div>
    </main>
  );
}
