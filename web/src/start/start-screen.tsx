import { clockText, FORMATS, lengthOf } from '@inner-rung/core/clock';
import { PLAN_EXAMPLE, type Plan, timelineOf } from '@inner-rung/core/session';
import { useStore } from 'react-redux';
import { Link, useNavigate } from 'react-router';
import { Waiting } from '../app/app.tsx';
import { useShelf } from '../app/data.ts';
import { PasteForm } from '../plan/paste.tsx';
import { api } from '../store/api.ts';
import { openNewPlan } from '../store/sync.ts';
import { PartsHeader } from '../ui/parts-header.tsx';

const slug = (title: string) =>
  title
    .toLowerCase()
    .normalize('NFD')
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '')
    .slice(0, 40)
    .replace(/-+$/, '') || 'circuit';

/** All circuits, and the box to paste another into. With none yet, the box is the page. */
export function StartScreen() {
  const { library, rooms, failed } = useShelf();
  const plans = api.usePlansQuery(undefined, { refetchOnMountOrArgChange: true });
  const aside = api.useSetAsideQuery();
  const store = useStore();
  const navigate = useNavigate();
  if (failed) return <ServerAway />;
  if (!library || plans.isLoading) return <Waiting />;
  const format = PLAN_EXAMPLE.block.format;
  return (
    <>
      <PartsHeader here="circuits" />
      <main className="mx-auto max-w-5xl p-4 md:p-8">
        <h1 className="mb-1 text-3xl">Paste a circuit</h1>
        <p className="quiet mb-4 max-w-prose">
          As you wrote it down: a line with the work and rest, then one station a line. Pick a person next,
          and see what they do instead.
        </p>
        <PasteForm
          library={library}
          format={format}
          onUse={(circuit) => {
            const title = circuit.title ?? 'New circuit';
            const plan: Plan = {
              ...PLAN_EXAMPLE,
              id: `${slug(title)}-${Date.now().toString(36)}`,
              title: title.slice(0, 120),
              block: { id: 'main', format: { ...format, ...circuit.format }, stations: circuit.stations },
              person: null,
              room: rooms[0]?.id ?? null,
            };
            openNewPlan(store, plan);
            void navigate(`/plan/${plan.id}`);
          }}
        />
        {(plans.data?.length ?? 0) > 0 && (
          <section className="mt-10" aria-label="Your circuits">
            <h2 className="mb-2 text-2xl">Your circuits</h2>
            <ul className="divide-y-2 divide-base-300 border-y-2 border-base-300">
              {plans.data!.map(({ id, body }) => (
                <li key={id}>
                  <Link
                    to={`/plan/${id}`}
                    className="touch flex flex-wrap items-baseline gap-x-4 gap-y-0 py-3 hover:bg-base-200"
                  >
                    <span className="display text-xl">{body.title}</span>
                    <span className="quiet">
                      {body.block.stations.length} stations · {FORMATS.intervals.words(body.block.format)} ·{' '}
                      {clockText(lengthOf(timelineOf(body.block)))}
                    </span>
                  </Link>
                </li>
              ))}
            </ul>
          </section>
        )}
        {(aside.data?.length ?? 0) > 0 && (
          <section className="mt-8 border-l-4 border-primary pl-3" aria-label="Set aside">
            <h2 className="text-xl">Set aside</h2>
            <p className="quiet">
              These could not be read. They are kept as they are, and nothing else was touched.
            </p>
            <ul>
              {aside.data!.map((item) => (
                <li key={item.number}>
                  {item.kind} “{item.id}”: {item.reason}
                </li>
              ))}
            </ul>
          </section>
        )}
      </main>
    </>
  );
}

export function ServerAway() {
  return (
    <main className="grid min-h-dvh place-items-center p-6 text-center">
      <div>
        <h1 className="text-3xl">The server isn’t answering</h1>
        <p className="quiet mt-2">
          Start it again, then load this page. Edits not yet saved are kept in this browser.
        </p>
        <button type="button" className="btn btn-primary mt-4" onClick={() => location.reload()}>
          Try again
        </button>
      </div>
    </main>
  );
}
