import { lawIn, oddLimits, openMoves } from '@inner-rung/core/limits';
import { DEMAND_KEYS, DEMANDS, type DemandKey } from '@inner-rung/core/move';
import {
  addCondition,
  addLimit,
  addSore,
  BODY,
  type BodyPlace,
  CONDITION_GROUPS,
  CONDITION_IDS,
  CONDITIONS,
  type ConditionId,
  conditionLimits,
  conditionOf,
  type Limit,
  limitSchema,
  limitWords,
  loosenLimit,
  removeCondition,
  removeLimit,
  type Side,
  tightenAgain,
} from '@inner-rung/core/person';
import { CONDITION_NAMES } from '@inner-rung/core/read';
import { EVERYWHERE } from '@inner-rung/core/room';
import { type FormEvent, useMemo, useState } from 'react';
import { dayWords, newId, when } from '../store/day.ts';
import { Choice } from '../ui/choice.tsx';
import { Scrolls } from '../ui/scrolls.tsx';
import { useDraft } from '../ui/use-draft.ts';
import { BodyFigure, placeWords } from './body-figure.tsx';
import type { PersonPage } from './use-person.ts';

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
  const automatic = outlook.conditions.filter((c) => !person.conditions.includes(c));
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
            No clinician has reviewed these limits yet: what {first}’s own says comes first.
          </p>
        )}
        {[...person.conditions, ...automatic].map((held) => (
          <ConditionCard
            key={`${held.id}/${held.side}`}
            page={props.page}
            held={held}
            automatic={automatic.includes(held)}
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

type Held = PersonPage['outlook']['conditions'][number];

function ConditionCard(props: { page: PersonPage; held: Held; automatic: boolean }) {
  const { page, held } = props;
  const { person, keep } = page;
  const condition = conditionOf(held.id);
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
        {props.automatic ? (
          <span className="quiet text-sm">from their age</span>
        ) : (
          <button type="button" className="btn btn-sm touch" onClick={() => setRemoving(!removing)}>
            Take away
          </button>
        )}
      </div>
      <p>{condition.caution}</p>
      {removing && (
        <WhyForm
          label={`Why ${condition.name.toLowerCase()} no longer applies`}
          action="Take it away"
          onKeep={(why) =>
            keep('Take a condition away', removeCondition(person, held.id, held.side, when(), why))
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

const NO_EASE = { by: '', why: '', max: '' };

function EaseForm(props: { limit: Limit; onKeep: (how: { max?: number; by: string; why: string }) => void }) {
  const { limit } = props;
  const [form, setForm] = useState(NO_EASE);
  const [wrong, setWrong] = useState<string | null>(null);
  const submit = (event: FormEvent) => {
    event.preventDefault();
    const max = form.max.trim() === '' ? undefined : Number(form.max.replace(',', '.'));
    if (form.by.trim().length < 2) return setWrong('Say who allowed it.');
    if (form.why.trim().length < 5) return setWrong('Give the reason in a few words.');
    if (max !== undefined && !(Number.isFinite(max) && limit.kind === 'cap' && max > limit.max))
      return setWrong(`To ease it, the figure has to be above ${limit.kind === 'cap' ? limit.max : 0}.`);
    props.onKeep({ by: form.by.trim(), why: form.why.trim(), ...(max === undefined ? {} : { max }) });
  };
  return (
    <form
      onSubmit={submit}
      className="mb-2 grid grid-cols-1 gap-2 bg-base-200 p-3 sm:grid-cols-[10rem_minmax(0,1fr)]"
      noValidate
    >
      <label className="block">
        <span className="quiet text-sm">Who allowed it</span>
        <input
          className="input touch w-full"
          value={form.by}
          maxLength={80}
          onChange={(e) => setForm({ ...form, by: e.target.value })}
        />
      </label>
      <label className="block">
        <span className="quiet text-sm">Why</span>
        <input
          className="input touch w-full"
          value={form.why}
          maxLength={300}
          onChange={(e) => setForm({ ...form, why: e.target.value })}
        />
      </label>
      {limit.kind === 'cap' && (
        <label className="block">
          <span className="quiet text-sm">At most instead ({DEMANDS[limit.on].unit})</span>
          <input
            className="input touch w-24"
            inputMode="decimal"
            placeholder="no limit"
            value={form.max}
            onChange={(e) => setForm({ ...form, max: e.target.value })}
          />
        </label>
      )}
      <div className="self-end">
        {wrong && (
          <p role="alert" className="text-sm font-semibold text-error">
            {wrong}
          </p>
        )}
        <button type="submit" className="btn touch">
          {form.max.trim() === '' ? 'Put it aside' : 'Ease it'}
        </button>
      </div>
    </form>
  );
}

function WhyForm(props: {
  label: string;
  action: string;
  onKeep: (why: string) => void;
  onCancel: () => void;
}) {
  const [why, setWhy] = useState('');
  const [tried, setTried] = useState(false);
  return (
    <form
      className="my-2 flex flex-wrap items-end gap-2 bg-base-200 p-3"
      onSubmit={(event) => {
        event.preventDefault();
        setTried(true);
        if (why.trim().length >= 3) props.onKeep(why.trim());
      }}
    >
      <label className="block min-w-0 flex-1">
        <span className="quiet text-sm">{props.label}</span>
        <input
          className="input touch w-full"
          value={why}
          maxLength={300}
          onChange={(e) => setWhy(e.target.value)}
        />
        {tried && why.trim().length < 3 && (
          <span role="alert" className="block text-sm font-semibold text-error">
            Give the reason; it is kept.
          </span>
        )}
      </label>
      <button type="submit" className="btn touch">
        {props.action}
      </button>
      <button type="button" className="btn btn-ghost touch" onClick={props.onCancel}>
        Leave it
      </button>
    </form>
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

const ADD_EMPTY = {
  until: '',
  source: 'person' as 'person' | 'trainer' | 'clinician',
  look: '',
  on: '',
  max: '',
  why: '',
};

function AddLimits(props: { page: PersonPage }) {
  const { person, keep } = props.page;
  const [form, put] = useDraft(`add-limit/${person.id}`, ADD_EMPTY);
  const [side, setSide] = useState<Record<string, Side>>({});
  const [wrong, setWrong] = useState<string | null>(null);
  const until = form.until ? { until: form.until } : {};
  const pointed = (Object.keys(BODY) as BodyPlace[]).flatMap((place) =>
    (['left', 'right', 'both'] as const).flatMap((s) =>
      person.limits.some((l) => l.id.startsWith(`sore/${place}/`) && l.side === s)
        ? [{ place, side: s as Side }]
        : [],
    ),
  );
  const found = CONDITION_IDS.filter((id) => {
    const text = form.look.trim().toLowerCase();
    const said = `${CONDITIONS[id].name} ${CONDITIONS[id].caution} ${CONDITION_NAMES[id].join(' ')}`;
    return text === '' || said.toLowerCase().includes(text);
  });
  const add = (id: ConditionId) =>
    keep('Add a condition', addCondition(person, { id, side: side[id] ?? 'both', ...until }, when()));
  const byHand = (event: FormEvent) => {
    event.preventDefault();
    const max = Number(form.max.replace(',', '.'));
    if (!form.on) return setWrong('Choose what it limits.');
    if (form.max.trim() === '' || !Number.isFinite(max) || max < 0)
      return setWrong('How much at the most, as a number from 0.');
    const read = limitSchema.safeParse({
      kind: 'cap',
      id: newId('own'),
      on: form.on,
      max,
      source: form.source,
      reason: form.why,
      ...until,
    });
    if (!read.success) return setWrong(read.error.issues[0]!.message);
    setWrong(null);
    keep('Add a limit', addLimit(person, read.data, when()));
    put({ on: '', max: '', why: '' });
  };
  return (
    <section aria-labelledby="add-h" className="min-w-0">
      <h3 id="add-h" className="text-xl">
        Add a limit
      </h3>
      <div className="mt-1 flex flex-wrap items-end gap-x-4 gap-y-2">
        <Choice
          legend="Who said so"
          name="source"
          value={form.source}
          of={[
            { value: 'person', says: 'They' },
            { value: 'trainer', says: 'I' },
            { value: 'clinician', says: 'Clinic' },
          ]}
          onChoose={(source) => put({ source })}
        />
        <label className="block">
          <span className="quiet block text-sm">Until, if it ends</span>
          <input
            type="date"
            className="input touch w-40"
            value={form.until}
            onChange={(e) => put({ until: e.target.value })}
          />
        </label>
      </div>
      <p className="mt-3">Point at what has to be spared:</p>
      <BodyFigure
        on={pointed}
        onPoint={(place, at) => {
          const there = pointed.some((p) => p.place === place && p.side === at);
          if (there)
            keep('No longer spared', {
              ...person.limits
                .filter((l) => l.id.startsWith(`sore/${place}/`) && l.side === at)
                .reduce((p, l) => removeLimit(p, l.id, when(), 'pointed at again'), person),
            });
          else
            keep(
              `Spare ${placeWords(place, at)}`,
              addSore(person, place, at, when(), { source: form.source, ...until }),
            );
        }}
      />
      <label className="mt-3 block">
        <span className="quiet text-sm">Or look for it in the list</span>
        <input
          type="search"
          className="input touch w-full"
          placeholder="knee, pregnancy, asthma…"
          value={form.look}
          onChange={(e) => put({ look: e.target.value })}
        />
      </label>
      <Scrolls label="Conditions" className="mt-1 max-h-96 overflow-auto border-y-2 border-base-300">
        {CONDITION_GROUPS.map((group) => {
          const ids = found.filter((id) => CONDITIONS[id].group === group);
          if (ids.length === 0) return null;
          return (
            <div key={group}>
              <h4 className="display quiet sticky top-0 bg-base-100 pt-1">{group}</h4>
              <ul>
                {ids.map((id) => (
                  <li key={id} className="flex items-center gap-1 border-t border-base-300">
                    <span className="min-w-0 flex-1 leading-tight">{CONDITIONS[id].name}</span>
                    {conditionOf(id).sided && (
                      <select
                        aria-label={`Side: ${CONDITIONS[id].name}`}
                        className="select touch w-24"
                        value={side[id] ?? 'both'}
                        onChange={(e) => setSide({ ...side, [id]: e.target.value as Side })}
                      >
                        <option value="both">both</option>
                        <option value="left">left</option>
                        <option value="right">right</option>
                      </select>
                    )}
                    <button
                      type="button"
                      className="btn btn-sm touch"
                      aria-label={`Add ${CONDITIONS[id].name}`}
                      disabled={person.conditions.some((c) => c.id === id && c.side === (side[id] ?? 'both'))}
                      onClick={() => add(id)}
                    >
                      Add
                    </button>
                  </li>
                ))}
              </ul>
            </div>
          );
        })}
        {found.length === 0 && (
          <p className="p-2">Nothing by that word. Point at the body, or set a limit by hand below.</p>
        )}
      </Scrolls>
      <details className="mt-3" open={form.on !== '' || undefined}>
        <summary className="touch flex cursor-pointer items-center underline underline-offset-4">
          Something particular, by hand
        </summary>
        <form onSubmit={byHand} noValidate className="grid gap-2">
          <label className="block">
            <span className="quiet text-sm">What</span>
            <select
              className="select touch w-full"
              value={form.on}
              onChange={(e) => put({ on: e.target.value })}
            >
              <option value="">choose…</option>
              {DEMAND_KEYS.map((key) => (
                <option key={key} value={key}>
                  {DEMANDS[key].says} ({DEMANDS[key].unit})
                </option>
              ))}
            </select>
          </label>
          <label className="block">
            <span className="quiet text-sm">
              At most{form.on ? `, ${DEMANDS[form.on as DemandKey].unit}` : ''}
            </span>
            <input
              className="input touch w-24"
              inputMode="decimal"
              value={form.max}
              onChange={(e) => put({ max: e.target.value })}
            />
          </label>
          <label className="block">
            <span className="quiet text-sm">Why, as you would say it</span>
            <input
              className="input touch w-full"
              maxLength={120}
              value={form.why}
              onChange={(e) => put({ why: e.target.value })}
            />
          </label>
          {wrong && (
            <p role="alert" className="text-sm font-semibold text-error">
              {wrong}
            </p>
          )}
          <button type="submit" className="btn touch justify-self-start">
            Set this limit
          </button>
        </form>
      </details>
    </section>
  );
}
