import { clearanceSchema, clearedWith, overriddenBy, overrideSchema } from '@inner-rung/core/person';
import { type FormEvent, useState } from 'react';
import type { PersonPage } from '../features/use-person.ts';
import { dayWords, today, when } from '../store/day.ts';
import { Fold } from '../ui/fold.tsx';
import { useDraft } from '../ui/use-draft.ts';

export function ClearanceForm(props: { page: PersonPage }) {
  const { person, keep } = props.page;
  const [form, put, clear] = useDraft(`clearance/${person.id}`, NO_CLEARANCE);
  const [wrong, setWrong] = useState<{ field: string; says: string } | null>(null);
  const submit = (event: FormEvent) => {
    event.preventDefault();
    const on = form.on || today();
    const read = clearanceSchema.safeParse({
      on,
      by: form.by,
      says: form.says,
      ...(form.maxRpe.trim() === '' ? {} : { maxRpe: Number(form.maxRpe) }),
    });
    if (!read.success) {
      const issue = read.error.issues[0]!;
      return setWrong({ field: String(issue.path[0]), says: issue.message });
    }
    if (on > today())
      return setWrong({ field: 'on', says: 'that day hasn’t come yet: a clearance can’t be dated ahead' });
    setWrong(null);
    keep('Clearance', clearedWith(person, read.data, when()));
    clear();
  };
  const fault = (field: string) =>
    wrong?.field === field ? (
      <span role="alert" className="block text-sm font-semibold text-error">
        {wrong.says}
      </span>
    ) : null;
  return (
    <Fold
      key={props.page.outlook.standing.state}
      begins={form.by !== '' || props.page.outlook.standing.state === 'clearance recommended'}
      summary="display text-xl"
      says={person.clearance ? `Cleared by ${person.clearance.by}` : 'A doctor’s word'}
    >
      {person.clearance && (
        <p>
          {dayWords(person.clearance.on)}
          {person.clearance.says && `: ${person.clearance.says}`}
          {person.clearance.maxRpe && ` Up to ${person.clearance.maxRpe} of 10.`}
        </p>
      )}
      <form onSubmit={submit} noValidate className="mt-1 grid gap-2" aria-label="A doctor’s word">
        <div className="grid grid-cols-[minmax(0,1fr)_10rem] gap-2">
          <label className="block">
            <span className="quiet text-sm">Who cleared them</span>
            <input
              className="input touch w-full"
              value={form.by}
              maxLength={80}
              onChange={(e) => put({ by: e.target.value })}
            />
            {fault('by')}
          </label>
          <label className="block">
            <span className="quiet text-sm">On</span>
            <input
              type="date"
              className="input touch w-full"
              value={form.on || today()}
              onChange={(e) => put({ on: e.target.value })}
            />
            {fault('on')}
          </label>
        </div>
        <label className="block">
          <span className="quiet text-sm">What they allow, in their words</span>
          <input
            className="input touch w-full"
            value={form.says}
            maxLength={400}
            onChange={(e) => put({ says: e.target.value })}
          />
        </label>
        <label className="block">
          <span className="quiet text-sm">Effort of 10 at the most, if they said</span>
          <input
            className="input touch w-20"
            inputMode="numeric"
            value={form.maxRpe}
            onChange={(e) => put({ maxRpe: e.target.value })}
          />
          {fault('maxRpe')}
        </label>
        <button type="submit" className="btn touch justify-self-start">
          Keep the clearance
        </button>
      </form>
    </Fold>
  );
}
const NO_CLEARANCE = { by: '', on: '', says: '', maxRpe: '' };
const NO_OVERRIDE = { by: '', reason: '' };

export function OverrideForm(props: { page: PersonPage }) {
  const { person, keep } = props.page;
  const [form, put, clear] = useDraft(`override/${person.id}`, NO_OVERRIDE);
  const [wrong, setWrong] = useState<string | null>(null);
  const submit = (event: FormEvent) => {
    event.preventDefault();
    const read = overrideSchema.safeParse({ on: today(), ...form });
    if (!read.success) return setWrong(read.error.issues[0]!.message);
    keep('Go ahead without', overriddenBy(person, read.data, when()));
    clear();
  };
  return (
    <Fold
      begins={form.by !== '' || form.reason !== ''}
      summary="display text-xl"
      says="Go ahead without, on your word"
    >
      <form onSubmit={submit} noValidate className="mt-1 grid gap-2" aria-label="Go ahead without">
        <label className="block">
          <span className="quiet text-sm">Your name</span>
          <input
            className="input touch w-full"
            value={form.by}
            maxLength={80}
            onChange={(e) => put({ by: e.target.value })}
          />
        </label>
        <label className="block">
          <span className="quiet text-sm">Why</span>
          <input
            className="input touch w-full"
            value={form.reason}
            maxLength={400}
            onChange={(e) => put({ reason: e.target.value })}
          />
        </label>
        {wrong && (
          <p role="alert" className="text-sm font-semibold text-error">
            {wrong}
          </p>
        )}
        <button type="submit" className="btn touch justify-self-start">
          I take it on myself
        </button>
      </form>
    </Fold>
  );
}
