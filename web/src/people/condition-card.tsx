import {
  asksOf,
  conditionLimits,
  conditionOf,
  DATED,
  datedCondition,
  limitWords,
  loosenLimit,
  movedOn,
  removeCondition,
  tightenAgain,
} from '@inner-rung/core/person';
import { useState } from 'react';
import type { PersonPage } from '../features/use-person.ts';
import { dayWords, today, when } from '../store/day.ts';
import { EaseForm, WhyForm } from './ease-form.tsx';

type Held = PersonPage['outlook']['conditions'][number];

/** A condition with its dates, what is to be asked about it, and its limits one by one. */
export function ConditionCard(props: { page: PersonPage; held: Held; recorded: Held | null }) {
  const { page, held, recorded } = props;
  const { person, keep } = page;
  const condition = conditionOf(held.id);
  const dated = recorded && DATED[recorded.id];
  const asks = recorded ? asksOf(recorded, today()) : [];
  const [removing, setRemoving] = useState(false);
  const [easing, setEasing] = useState<string | null>(null);
  const id = `cond-${held.id}-${held.side}`;
  return (
    <section className="mt-4 border-t-2 border-base-300 pt-2" aria-labelledby={id}>
      <div className="flex flex-wrap items-center gap-2">
        <h3 id={id} className="mr-auto text-xl">
          {condition.name}
          {held.side !== 'both' && `, ${held.side}`}
        </h3>
        {held.until && <span className="quiet text-sm">until {dayWords(held.until)}</span>}
        {recorded === null ? (
          <span className="quiet text-sm">from their age</span>
        ) : (
          <button type="button" className="btn btn-sm touch" onClick={() => setRemoving(!removing)}>
            Take away
          </button>
        )}
      </div>
      <p>{condition.caution}</p>
      {recorded && recorded.id !== held.id && (
        <p className="quiet text-sm">
          By the date given; recorded as {conditionOf(recorded.id).name.toLowerCase()}.
        </p>
      )}
      {asks.map((ask) => (
        <div
          key={ask.says}
          data-ask
          className="mt-1 flex flex-wrap items-center gap-x-3 border-l-4 border-primary pl-3"
        >
          <span className="min-w-0 flex-1">{ask.says}</span>
          {ask.to && (
            <button
              type="button"
              className="btn btn-sm touch"
              onClick={() => keep('A condition moves on', movedOn(person, ask, when()))}
            >
              Yes: {conditionOf(ask.to).name.toLowerCase()}
            </button>
          )}
        </div>
      ))}
      {recorded && dated && (
        <label className="mt-1 flex flex-wrap items-center gap-2">
          <span className="quiet text-sm">{dated.says}</span>
          <input
            type="date"
            className="input input-sm touch w-40"
            value={recorded[dated.field] ?? ''}
            onChange={(e) =>
              keep(
                'Date a condition',
                datedCondition(person, recorded, { [dated.field]: e.target.value || undefined }, when()),
              )
            }
          />
        </label>
      )}
      {removing && (
        <WhyForm
          label={`Why ${condition.name.toLowerCase()} no longer applies`}
          action="Take it away"
          onKeep={(why) =>
            keep('Take a condition away', removeCondition(person, recorded!.id, recorded!.side, when(), why))
          }
          onCancel={() => setRemoving(false)}
        />
      )}
      <ul className="mt-1">
        {conditionLimits(person, held.id, held.side).map(({ limit, loosened }) => (
          <li key={limit.id} data-limit={limit.id} className="border-t border-base-300 py-0.5">
            <div className="flex flex-wrap items-center gap-x-3">
              <span
                className={`min-w-0 flex-1 ${loosened && loosened.max === undefined ? 'line-through' : ''}`}
              >
                {limit.reason}{' '}
                {limitWords(limit) !== limit.reason && (
                  <span className="quiet text-sm">({limitWords(limit)})</span>
                )}
              </span>
              {loosened ? (
                <>
                  <span className="text-sm">
                    {loosened.max === undefined ? 'put aside' : `eased to ${loosened.max}`} by {loosened.by},{' '}
                    {dayWords(loosened.on)}: {loosened.why}
                  </span>
                  <button
                    type="button"
                    className="btn btn-sm touch"
                    aria-label={`Holds again: ${limit.reason}`}
                    onClick={() => keep('A limit holds again', tightenAgain(person, limit.id, when()))}
                  >
                    Holds again
                  </button>
                </>
              ) : (
                <button
                  type="button"
                  className="btn btn-ghost btn-sm touch"
                  aria-label={`Ease: ${limit.reason}`}
                  aria-expanded={easing === limit.id}
                  onClick={() => setEasing(easing === limit.id ? null : limit.id)}
                >
                  Ease…
                </button>
              )}
            </div>
            {easing === limit.id && !loosened && (
              <EaseForm
                limit={limit}
                onKeep={(how) => {
                  keep('Ease a limit', loosenLimit(person, limit, how, when()));
                  setEasing(null);
                }}
              />
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}
