import { DEMANDS } from '@inner-rung/core/move';
import type { Limit } from '@inner-rung/core/person';
import { type FormEvent, useState } from 'react';

const NO_EASE = { by: '', why: '', max: '' };

export function EaseForm(props: {
  limit: Limit;
  onKeep: (how: { max?: number; by: string; why: string }) => void;
}) {
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

/** A reason in a few words, before something is loosened. */
export function WhyForm(props: {
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
