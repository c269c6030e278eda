import { AVOID_IDS, type Avoid, type Library } from '@inner-rung/core/ladder';
import { CAPABILITIES, CAPABILITY_IDS, type Capability } from '@inner-rung/core/move';
import type { Found } from '@inner-rung/core/ways';
import { formName, lostWords } from '@inner-rung/core/words';
import { Search } from 'lucide-react';
import { useId, useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import { MovePicker } from '../features/move-picker.tsx';
import { useFinder } from '../features/use-finder.ts';
import { useShelf } from '../store/data.ts';
import { PartsHeader } from '../ui/parts-header.tsx';
import { ServerAway, Waiting } from '../ui/shell.tsx';

const MORE = [
  'three rungs easier',
  'two rungs easier',
  'a rung easier',
  'as hard',
  'a rung harder',
  'two rungs harder',
];

/** From a move, what must go, and how much easier or harder: the nearest forms with what is kept and lost. */
export default function FindScreen() {
  const { library, rooms, failed } = useShelf();
  const [search, setSearch] = useSearchParams();
  const [picking, setPicking] = useState(false);
  const byId = useId();
  const from = search.get('from') ?? '';
  const without = search.getAll('without').filter((w): w is Avoid => (AVOID_IDS as string[]).includes(w));
  const items = search.getAll('no').filter((c): c is Capability => (CAPABILITY_IDS as string[]).includes(c));
  const by = Math.max(-3, Math.min(2, Number(search.get('by') ?? 0) || 0));
  const room = rooms.find((r) => r.id === search.get('in')) ?? null;
  const move = library?.move(from);
  const found = useFinder(
    library,
    room,
    move ? [{ from: { move: from }, without, withoutItems: items, by, most: 8 }] : [],
  );
  if (failed) return <ServerAway />;
  if (!library) return <Waiting />;
  const change = (edit: (next: URLSearchParams) => void) => {
    const next = new URLSearchParams(search);
    edit(next);
    setSearch(next, { replace: true });
  };
  const toggle = (key: 'without' | 'no', value: string) =>
    change((next) => {
      const all = next.getAll(key);
      next.delete(key);
      for (const v of all.includes(value) ? all.filter((one) => one !== value) : [...all, value])
        next.append(key, v);
    });
  const needs = [...new Set((move?.needs ?? []).map((n) => n.what))];
  const chip = (key: 'without' | 'no', value: string, label: string, on: boolean) => (
    <button
      key={value}
      type="button"
      aria-pressed={on}
      className={`btn btn-sm min-h-11 font-normal ${on ? 'btn-neutral' : ''}`}
      onClick={() => toggle(key, value)}
    >
      {label}
    </button>
  );
  const list = found?.[0] ?? null;
  return (
    <div className="min-h-dvh">
      <PartsHeader here="find" />
      <main className="mx-auto max-w-6xl px-4 py-4 md:px-6">
        <h1 className="text-3xl">Find a form</h1>
        <p className="quiet">
          Say what must go and how much easier; the nearest forms of the whole library come up.
        </p>
        <div className="mt-4 grid gap-8 lg:grid-cols-[24rem_minmax(0,1fr)]">
          <section aria-label="What to find">
            <button
              type="button"
              className="btn btn-primary touch w-full justify-start"
              onClick={() => setPicking(true)}
            >
              <Search size={18} aria-hidden /> {move ? `From: ${move.name}` : 'From which move?'}
            </button>
            {move && (
              <>
                <div className="mt-4">
                  <label htmlFor={byId} className="display text-lg">
                    {MORE[by + 3]}
                  </label>
                  <input
                    id={byId}
                    type="range"
                    className="dial-range"
                    min={-3}
                    max={2}
                    value={by}
                    aria-valuetext={MORE[by + 3]}
                    onChange={(event) => change((next) => next.set('by', event.target.value))}
                  />
                </div>
                <h2 className="mt-3 text-lg">What must go</h2>
                <div className="mt-1 flex flex-wrap gap-1">
                  {AVOID_IDS.map((avoid) => chip('without', avoid, avoid, without.includes(avoid)))}
                </div>
                {needs.length > 0 && (
                  <>
                    <h2 className="mt-3 text-lg">What isn’t here</h2>
                    <div className="mt-1 flex flex-wrap gap-1">
                      {[...new Set([...needs, ...items])].map((what) =>
                        chip('no', what, CAPABILITIES[what], items.includes(what)),
                      )}
                    </div>
                  </>
                )}
                <label className="mt-3 flex items-center gap-2">
                  <span className="quiet text-sm">Where</span>
                  <select
                    className="select touch"
                    value={room?.id ?? ''}
                    onChange={(event) =>
                      change((next) =>
                        event.target.value ? next.set('in', event.target.value) : next.delete('in'),
                      )
                    }
                  >
                    <option value="">anywhere</option>
                    {rooms.map((r) => (
                      <option key={r.id} value={r.id}>
                        {r.name}
                      </option>
                    ))}
                  </select>
                </label>
              </>
            )}
          </section>
          <section aria-label="Forms found" aria-live="polite">
            {!move && (
              <p className="text-lg">
                Begin with the move somebody can’t do, or is bored with.{' '}
                <button
                  type="button"
                  className="underline underline-offset-4"
                  onClick={() => setPicking(true)}
                >
                  Choose it
                </button>
                .
              </p>
            )}
            {move && list?.length === 0 && (
              <p className="text-lg">
                Nothing in the library keeps enough of {move.name.toLowerCase()} under all of that. Let one
                thing go, or rest instead.
              </p>
            )}
            <ol className="divide-y-2 divide-base-300">
              {list?.map((form) => (
                <Result key={form.move} form={form} from={from} library={library} />
              ))}
            </ol>
          </section>
        </div>
      </main>
      {picking && (
        <MovePicker
          library={library}
          title="From which move?"
          onClose={() => setPicking(false)}
          onPick={(id) => {
            setPicking(false);
            setSearch(new URLSearchParams({ from: id, ...(room ? { in: room.id } : {}) }));
          }}
        />
      )}
    </div>
  );
}

/** How far a form lies from the one asked about: "half a rung harder", "2 rungs easier". */
function apart(rungs: number): string {
  const halves = Math.round(Math.abs(rungs) * 2);
  if (halves === 0) return 'about as hard';
  const far = halves === 1 ? 'half a rung' : halves === 2 ? 'a rung' : `${halves / 2} rungs`;
  return `${far} ${rungs < 0 ? 'easier' : 'harder'}`;
}

function Result(props: { form: Found; from: string; library: Library }) {
  const { form, library } = props;
  const lost = lostWords(library, { move: props.from, settings: {} }, form);
  return (
    <li className="py-3">
      <p className="text-xl leading-tight">
        <Link to={`/moves/${form.move}`} className="display underline decoration-2 underline-offset-4">
          {formName(library, form.move, form.settings)}
        </Link>
      </p>
      <p>
        Keeps {form.samePattern ? 'the pattern and ' : ''}
        {form.muscles > 0.995 ? 'all the muscles' : `${Math.round(form.muscles * 100)}% of the muscles`}
        {lost.length > 0 && <>, spares {lost.join(', ')}</>}; {apart(form.rungs)}.
      </p>
      <p className="quiet text-sm">{library.move(form.move)?.cues.join('. ')}.</p>
    </li>
  );
}
