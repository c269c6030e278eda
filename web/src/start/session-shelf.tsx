import { formatEntry, formatWords, lengthWords } from '@inner-rung/core/clock';
import type { Library } from '@inner-rung/core/ladder';
import { plainName } from '@inner-rung/core/read';
import { factsIn, KINDS, type Plan, READY_SESSIONS, timelineOf } from '@inner-rung/core/session';
import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import { Chip } from '../ui/choice.tsx';

/** What a search looks through: title, tags, whom it is for, formats and moves. */
function wordsOf(library: Library, plan: Plan): string {
  const moves = plan.blocks.flatMap((block) => block.stations.map((s) => library.move(s.move)?.name ?? ''));
  const formats = plan.blocks.map((block) => formatEntry(block.format.kind).name);
  return plainName(
    [plan.title, ...(plan.tags ?? []), KINDS[plan.forWhom].name, ...formats, ...moves].join(' '),
  );
}

/** The trainer's sessions and ready-made ones: searched, sorted by tags, taken as a copy. */
export function SessionShelf(props: {
  library: Library;
  plans: readonly Plan[];
  onTake: (ready: Plan) => void;
}) {
  const { library } = props;
  const [text, setText] = useState('');
  const [tag, setTag] = useState<string | null>(null);
  const facts = useMemo(() => factsIn(library), [library]);
  const rows = useMemo(
    () =>
      [
        ...props.plans.map((plan) => ({ plan, own: true })),
        ...READY_SESSIONS.map((plan) => ({ plan, own: false })),
      ].map((row) => ({
        ...row,
        words: wordsOf(library, row.plan),
        range: timelineOf(row.plan, facts).range,
      })),
    [props.plans, library, facts],
  );
  const tags = [...new Set(rows.flatMap(({ plan }) => plan.tags ?? []))].sort();
  const asked = plainName(text).split(' ').filter(Boolean);
  const found = rows.filter(
    ({ words, plan }) =>
      asked.every((word) => words.includes(word)) && (tag === null || (plan.tags ?? []).includes(tag)),
  );
  const own = found.filter((row) => row.own);
  const ready = found.filter((row) => !row.own);
  const line = ({ plan, range }: (typeof rows)[number]) => (
    <>
      <span className="display text-xl">{plan.title}</span>
      <span className="quiet">
        {plan.blocks.length > 1
          ? `${plan.blocks.length} blocks`
          : `${plan.blocks[0]!.stations.length} stations · ${formatWords(plan.blocks[0]!.format)}`}{' '}
        · {lengthWords(range)} · {KINDS[plan.forWhom].name}
        {(plan.tags ?? []).length > 0 && ` · ${plan.tags!.join(', ')}`}
      </span>
    </>
  );
  return (
    <section className="mt-10" aria-label="Sessions">
      <div className="flex flex-wrap items-end gap-3">
        <h2 className="mr-auto text-2xl">Your sessions, and some to begin from</h2>
        <label className="flex items-center gap-2">
          <span className="quiet text-sm">Find</span>
          <input
            type="search"
            className="input touch w-56"
            value={text}
            placeholder="a name, a tag, a move"
            onChange={(event) => setText(event.target.value)}
          />
        </label>
      </div>
      {tags.length > 0 && (
        <div className="mt-2 flex flex-wrap gap-1.5">
          {tags.map((one) => (
            <Chip key={one} on={tag === one} onTurn={() => setTag(tag === one ? null : one)}>
              {one}
            </Chip>
          ))}
        </div>
      )}
      {found.length === 0 && <p className="mt-3">Nothing by that name or tag.</p>}
      {own.length > 0 && (
        <ul aria-label="Yours" className="mt-3 divide-y-2 divide-base-300 border-y-2 border-base-300">
          {own.map((row) => (
            <li key={row.plan.id}>
              <Link
                to={`/plan/${row.plan.id}`}
                className="touch flex flex-wrap items-baseline gap-x-4 gap-y-0 py-3 hover:bg-base-200"
              >
                {line(row)}
              </Link>
            </li>
          ))}
        </ul>
      )}
      {ready.length > 0 && (
        <>
          <h3 className="mt-6 text-lg">Ready-made</h3>
          <ul aria-label="Ready-made" className="divide-y divide-base-300 border-y border-base-300">
            {ready.map((row) => (
              <li key={row.plan.id}>
                <button
                  type="button"
                  className="touch flex w-full flex-wrap items-baseline gap-x-4 gap-y-0 py-2 text-left hover:bg-base-200"
                  onClick={() => props.onTake(row.plan)}
                >
                  {line(row)}
                </button>
              </li>
            ))}
          </ul>
        </>
      )}
    </section>
  );
}
