import { Link } from 'react-router';
import { dayWords } from '../store/day.ts';
import { useRuns } from '../store/use-runs.ts';

/** What is going on and what has still to be recorded, each a tap away from anywhere that begins a session. */
export function Runs() {
  const { underWay, toRecord } = useRuns();
  if (underWay.length + toRecord.length === 0) return null;
  return (
    <section className="mb-6" aria-labelledby="runs">
      <h2 id="runs" className="text-2xl">
        {underWay.length > 0 ? 'Under way' : 'To be recorded'}
      </h2>
      <ul className="divide-y-2 divide-base-300 border-y-2 border-base-300">
        {[...underWay, ...toRecord].map((run) => (
          <li key={run.id} data-run-line={run.is} className="flex flex-wrap items-center gap-x-4 py-1.5">
            <span className="min-w-0 flex-1 leading-tight">
              <strong>{run.title}</strong>{' '}
              <span className="quiet">
                {dayWords(run.on)} · {run.people} {run.people === 1 ? 'person' : 'people'}
              </span>
            </span>
            {run.is === 'under way' ? (
              <Link to={`/run/${run.id}`} className="btn btn-primary touch">
                Go on with it
              </Link>
            ) : (
              <Link to={`/run/${run.id}/record`} className="btn touch">
                Say what came of it
              </Link>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}
