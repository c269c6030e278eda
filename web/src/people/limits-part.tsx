import { lawIn, oddLimits, openMoves } from '@inner-rung/core/limits';
import {
  conditionOf,
  contradictions,
  courseOn,
  type Limit,
  limitWords,
  removeLimit,
} from '@inner-rung/core/person';
import { EVERYWHERE } from '@inner-rung/core/room';
import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import type { PersonPage } from '../features/use-person.ts';
import { dayWords, today, when } from '../store/day.ts';
import { AddLimits } from './add-limits.tsx';
import { ConditionCard } from './condition-card.tsx';
import { WhyForm } from './ease-form.tsx';
import { useReviews } from './use-reviews.ts';

const SOURCE_WORDS: Readonly<Record<Limit['source'], string>> = {
  person: 'they said',
  trainer: 'you set',
  clinician: 'a clinician said',
  condition: 'usual with it',
  screening: 'from the questions',
  today: 'today only',
};

/** Conditions and limits one by one, each with its reason and source; added by pointing or from the list. */
export function LimitsPart(props: { page: PersonPage }) {
  const { person, outlook, library, first, keep } = props.page;
  // Of what was worked out nobody can take anything away, so that only entered limits are talked about.
  const odd = useMemo(
    () =>
      oddLimits(lawIn(library, EVERYWHERE), outlook.limits).filter(
        (o) => o.id === null || person.limits.some((l) => l.id === o.id),
      ),
    [library, outlook.limits, person.limits],
  );
  const open = useMemo(
    () => openMoves(lawIn(library, EVERYWHERE), outlook.limits).length,
    [library, outlook.limits],
  );
  const shown = person.conditions.map((recorded) => ({ recorded, held: courseOn(recorded, today()) }));
  const automatic = outlook.conditions.filter(
    (c) => !shown.some(({ held }) => held.id === c.id && held.side === c.side),
  );
  const { docs } = useReviews();
  const unsigned = outlook.conditions.filter((c) => !docs[c.id]);
  const mixed = contradictions(outlook.conditions, { sex: person.sex, age: outlook.age });
  const other = outlook.limits.filter((l) => l.source !== 'condition' && l.source !== 'today');
  const own = other.filter((l) => person.limits.some((p) => p.id === l.id));
  const worked = other.filter((l) => !own.includes(l));
  return (
    <div className="mt-2 grid grid-cols-1 gap-x-10 gap-y-6 xl:grid-cols-[minmax(0,1fr)_21rem]">
      <div className="min-w-0">
        <p className="text-lg">
          <strong className="display text-2xl">{open}</strong> of {library.moves.length} moves stay open to{' '}
          {first} as they are; many more held, raised or trimmed.
        </p>
        {odd.map((finding) => (
          <p key={finding.says} data-odd className="mt-2 border-l-4 border-primary pl-3">
            {finding.says}
          </p>
        ))}
        {person.conditions.length === 0 && automatic.length === 0 && own.length === 0 && (
          <p className="quiet mt-3">
            No condition and no limit of their own. Point at the body, or choose from the list.
          </p>
        )}
        {person.conditions.length + automatic.length > 0 && (
          <p className="quiet mt-3 text-sm">
            {unsigned.length === 0
              ? `A clinician has signed these; what ${first}’s own says comes first. `
              : `${
                  unsigned.length === outlook.conditions.length
                    ? 'No clinician has reviewed these limits yet'
                    : `Not yet reviewed by a clinician: ${unsigned.map((c) => conditionOf(c.id).name.toLowerCase()).join(', ')}`
                }: what ${first}’s own says comes first. `}
            <Link
              to={`/may/${(unsigned[0] ?? outlook.conditions[0])?.id ?? ''}`}
              className="underline underline-offset-4"
            >
              Who may do what
            </Link>
          </p>
        )}
        {mixed.map((ask) => (
          <p key={ask.says} data-ask className="mt-2 border-l-4 border-primary pl-3">
            {ask.says} Until one is taken away both hold.
          </p>
        ))}
        {[...shown, ...automatic.map((held) => ({ recorded: null, held }))].map(({ recorded, held }) => (
          <ConditionCard
            key={`${(recorded ?? held).id}/${(recorded ?? held).side}`}
            page={props.page}
            held={held}
            recorded={recorded}
          />
        ))}
        {own.length > 0 && (
          <section className="mt-5" aria-labelledby="own-limits-h">
            <h3 id="own-limits-h" className="text-xl">
              Limits of their own
            </h3>
            <ul className="divide-y-2 divide-base-300 border-y-2 border-base-300">
              {own.map((limit) => (
                <OwnLimit
                  key={limit.id}
                  limit={limit}
                  onRemove={(why) => keep('Take a limit away', removeLimit(person, limit.id, when(), why))}
                />
              ))}
            </ul>
          </section>
        )}
        {worked.length > 0 && (
          <section className="mt-5" aria-labelledby="worked-h">
            <h3 id="worked-h" className="text-xl">
              From the questions and a usual week
            </h3>
            <ul>
              {worked.map((limit) => (
                <li key={limit.id}>
                  {limitWords(limit)} <span className="quiet text-sm">({limit.reason})</span>
                </li>
              ))}
            </ul>
          </section>
        )}
      </div>
      <AddLimits page={props.page} />
    </div>
  );
}

function OwnLimit(props: { limit: Limit; onRemove: (why: string) => void }) {
  const { limit } = props;
  const [removing, setRemoving] = useState(false);
  return (
    <li data-limit={limit.id} className="py-1">
      <div className="flex flex-wrap items-center gap-x-3">
        <span className="min-w-0 flex-1">
          {limit.reason}{' '}
          <span className="quiet text-sm">
            ({limitWords(limit)}; {SOURCE_WORDS[limit.source]}
            {limit.until ? `, until ${dayWords(limit.until)}` : ''})
          </span>
        </span>
        <button
          type="button"
          className="btn btn-sm touch"
          aria-label={`Take away: ${limit.reason}`}
          onClick={() => setRemoving(!removing)}
        >
          Take away
        </button>
      </div>
      {removing && (
        <WhyForm
          label="Why it no longer holds"
          action="Take it away"
          onKeep={props.onRemove}
          onCancel={() => setRemoving(false)}
        />
      )}
    </li>
  );
}
