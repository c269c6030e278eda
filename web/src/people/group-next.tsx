import type { Library } from '@inner-rung/core/ladder';
import { lastOf } from '@inner-rung/core/log';
import {
  everybodyIn,
  type Group,
  type Occurrence,
  occurrencesOf,
  type Person,
  standsFor,
} from '@inner-rung/core/person';
import type { Plan } from '@inner-rung/core/session';
import { useMemo } from 'react';
import { Link } from 'react-router';
import { dayWords, today } from '../store/day.ts';
import { useRecords } from '../store/use-records.ts';
import { Tick } from '../ui/choice.tsx';
import { Made } from './group-made.tsx';
import type { Put } from './group-members.tsx';

const DAYS_AHEAD = 35;

/** The next session of a group, made from what came of the last: what changes and why, and what to tell whom. */
export function GroupNext(props: {
  library: Library;
  group: Group;
  people: readonly Person[];
  plans: readonly Plan[];
  put: Put;
}) {
  const { group, plans } = props;
  const { all } = useRecords();
  const day = today();
  const next = useMemo(
    () => occurrencesOf([group], day, DAYS_AHEAD).find((one) => !one.off) ?? null,
    [group, day],
  );
  const plan = plans.find((p) => p.id === (next?.plan ?? group.plan)) ?? null;
  if (!next && !plan) return null;
  return (
    <section className="mt-5 border-y-2 border-base-content py-3" aria-labelledby="next-h">
      <div className="flex flex-wrap items-baseline gap-x-4 gap-y-1">
        <h2 id="next-h" className="text-2xl">
          Next: {next ? `${next.on === day ? 'today' : dayWords(next.on)} ${next.time ?? ''}` : 'no day set'}
        </h2>
        {plan ? (
          <>
            <span className="text-lg">{plan.title}</span>
            <Link
              to={`/plan/${plan.id}/class?group=${group.id}`}
              className="btn btn-sm touch btn-primary ml-auto"
            >
              One page to teach from
            </Link>
          </>
        ) : (
          <span>Choose a session above.</span>
        )}
      </div>
      {next && <WhoIsComing {...props} next={next} />}
      {plan && <Made {...props} plan={plan} next={next} all={all} last={lastOf(all, group.id)} />}
    </section>
  );
}

/** Who said they aren't coming: on the day they aren't planned for. */
function WhoIsComing(props: { group: Group; people: readonly Person[]; put: Put; next: Occurrence }) {
  const { group, put, next } = props;
  const expected = everybodyIn(group, props.people).flatMap((person) => {
    const many = standsFor(person);
    return many === null
      ? [{ id: person.id, name: person.name }]
      : Array.from({ length: many }, (_, i) => ({
          id: `${person.id}#${i + 1}`,
          name: `${person.name.replace(/^\d+: /, '')} ${i + 1}`,
        }));
  });
  if (expected.length === 0) return null;
  const turn = (id: string, coming: boolean) => {
    const old = group.changes.find((c) => c.on === next.on) ?? { on: next.on, off: false };
    const away = coming ? next.away.filter((one) => one !== id) : [...next.away, id];
    put(
      { changes: [...group.changes.filter((c) => c.on !== next.on), { ...old, away }] },
      coming ? 'Is coming' : 'Isn’t coming',
    );
  };
  const known = next.away.filter((id) => expected.some((e) => e.id === id));
  return (
    <details className="mt-1">
      <summary className="touch inline-flex cursor-pointer items-center underline underline-offset-4">
        {expected.length - known.length} of {expected.length} coming
      </summary>
      <div className="grid grid-cols-2 gap-x-4 md:grid-cols-4">
        {expected.map(({ id, name }) => (
          <Tick key={id} on={!next.away.includes(id)} onTurn={(coming) => turn(id, coming)}>
            {name}
          </Tick>
        ))}
      </div>
    </details>
  );
}
