import { DEMAND_KEYS, DEMANDS, type DemandKey } from '@inner-rung/core/move';
import {
  addCondition,
  addLimit,
  addSore,
  CONDITION_GROUPS,
  CONDITION_IDS,
  CONDITIONS,
  type ConditionId,
  conditionOf,
  letSoreGo,
  limitSchema,
  type Side,
  sorePlaces,
} from '@inner-rung/core/person';
import { CONDITION_NAMES } from '@inner-rung/core/read';
import { type FormEvent, useState } from 'react';
import type { PersonPage } from '../features/use-person.ts';
import { newId, when } from '../store/day.ts';
import { Choice } from '../ui/choice.tsx';
import { Fold } from '../ui/fold.tsx';
import { Scrolls } from '../ui/scrolls.tsx';
import { useDraft } from '../ui/use-draft.ts';
import { BodyFigure, placeWords } from './body-figure.tsx';

const ADD_EMPTY = {
  until: '',
  source: 'person' as 'person' | 'trainer' | 'clinician',
  look: '',
  on: '',
  max: '',
  why: '',
};

/** Conditions from the list, places pointed at, and single limits by hand. */
export function AddLimits(props: { page: PersonPage }) {
  const { person, keep } = props.page;
  const [form, put] = useDraft(`add-limit/${person.id}`, ADD_EMPTY);
  const [side, setSide] = useState<Record<string, Side>>({});
  const [wrong, setWrong] = useState<string | null>(null);
  const until = form.until ? { until: form.until } : {};
  const pointed = sorePlaces(person);
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
          if (there) keep('No longer spared', letSoreGo(person, place, at, when(), 'pointed at again'));
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
      <Fold
        className="mt-3"
        begins={form.on !== ''}
        summary="underline underline-offset-4"
        says="Something particular, by hand"
      >
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
      </Fold>
    </section>
  );
}
