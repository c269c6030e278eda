import { lastOf, type SessionRecord, toKnowBefore } from '@inner-rung/core/log';
import {
  everybodyIn,
  type Group,
  headcountOf,
  type Occurrence,
  occurrencesOf,
  type Person,
} from '@inner-rung/core/person';
import type { Plan } from '@inner-rung/core/session';
import { useMemo } from 'react';
import { Link } from 'react-router';
import { dayWords, today } from '../store/day.ts';
import { useRecords } from '../store/use-records.ts';

const DAYS_AHEAD = 7;

/** What is today and this week, for whom, what to know before it, where to what is put out. */
export function Coming(props: {
  groups: readonly Group[];
  people: readonly Person[];
  plans: readonly Plan[];
}) {
  const { groups, people, plans } = props;
  const { all } = useRecords();
  const day = today();
  const coming = useMemo(() => occurrencesOf(groups, day, DAYS_AHEAD), [groups, day]);
  if (coming.length === 0) return null;
  return (
    <section className="mb-6" aria-labelledby="coming">
      <h2 id="coming" className="text-2xl">
        {coming.some((one) => one.on === day && !one.off) ? 'Today' : 'This week'}
      </h2>
      <ul className="divide-y-2 divide-base-300 border-y-2 border-base-300">
        {coming.map((one) => (
          <Session
            key={`${one.group}/${one.on}`}
            one={one}
            now={one.on === day}
            group={groups.find((g) => g.id === one.group)!}
            people={people}
            plan={plans.find((p) => p.id === one.plan) ?? null}
            last={lastOf(all, one.group)}
          />
        ))}
      </ul>
    </section>
  );
}

function Session(props: {
  one: Occurrence;
  now: boolean;
  group: Group;
  people: readonly Person[];
  plan: Plan | null;
  last: SessionRecord | null;
}) {
  const { one, group, people, plan, last } = props;
  const expected = everybodyIn(group, people);
  const know = toKnowBefore(people, expected, last, one.on);
  // Who said no and isn't of the group any more doesn't count.
  const ids = new Set(expected.map((person) => person.id));
  const coming = headcountOf(group) - one.away.filter((id) => ids.has(id.replace(/#\d+$/, ''))).length;
  return (
    <li
      className={`flex flex-wrap items-baseline gap-x-4 gap-y-1 py-2 ${one.off ? 'opacity-60' : ''}`}
      data-on={one.on}
    >
      <span className="display w-36 text-lg">
        {props.now ? 'Today' : dayWords(one.on).replace(/ \d{4}$/, '')} {one.time ?? ''}
      </span>
      <span className="min-w-0 flex-1">
        <Link to={`/groups/${one.group}`} className="font-semibold underline underline-offset-4">
          {one.name}
        </Link>
        , {one.away.length > 0 ? `${coming} of ${headcountOf(group)} coming` : `${headcountOf(group)} people`}
        {one.off ? ', not held' : ''}
        {know.length > 0 && !one.off && <span className="block text-sm">{know.join(' · ')}</span>}
      </span>
      {!one.off &&
        (plan ? (
          <span className="flex flex-wrap gap-2">
            <Link to={`/plan/${plan.id}/class?group=${one.group}`} className="btn btn-sm touch btn-primary">
              {plan.title}
            </Link>
            <Link to={`/plan/${plan.id}/setup?group=${one.group}`} className="btn btn-sm touch">
              What to put out
            </Link>
          </span>
        ) : (
          <Link to={`/groups/${one.group}`} className="btn btn-sm touch">
            Choose a session
          </Link>
        ))}
    </li>
  );
}
