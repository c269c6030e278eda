import { type ConditionId, conditionOf, type Review, reviewSchema } from '@inner-rung/core/person';
import { type FormEvent, useState } from 'react';
import { today } from '../store/day.ts';
import { reviews, useSend } from '../store/index.ts';
import { useDraft } from '../ui/use-draft.ts';

const EMPTY = { by: '', role: '', says: '' };

/** A clinician's name under what they have read, kept with the limits and moves as they stood. */
export function SignReview(props: { id: ConditionId; now: Pick<Review, 'limits' | 'open' | 'held'> }) {
  const { id, now } = props;
  const [form, put] = useDraft('sign-review', EMPTY);
  const [wrong, setWrong] = useState<string | null>(null);
  const send = useSend();
  const sign = (event: FormEvent) => {
    event.preventDefault();
    const read = reviewSchema.safeParse({
      version: 1,
      id,
      name: conditionOf(id).name.slice(0, 80),
      on: today(),
      ...form,
      ...now,
    });
    if (!read.success) return setWrong(`Say ${read.error.issues[0]!.message}.`);
    setWrong(null);
    send(reviews.step({ says: 'Sign a condition', put: [read.data] }));
  };
  return (
    <details className="no-print mt-3">
      <summary className="touch inline-flex cursor-pointer items-center font-semibold underline underline-offset-4">
        Sign it as a clinician
      </summary>
      <form
        onSubmit={sign}
        noValidate
        className="grid max-w-2xl grid-cols-1 gap-2 bg-base-200 p-3 sm:grid-cols-2"
      >
        <label className="block">
          <span className="quiet text-sm">Name</span>
          <input
            className="input touch w-full"
            maxLength={80}
            value={form.by}
            onChange={(event) => put({ by: event.target.value })}
          />
        </label>
        <label className="block">
          <span className="quiet text-sm">As what</span>
          <input
            className="input touch w-full"
            placeholder="physiotherapist"
            maxLength={80}
            value={form.role}
            onChange={(event) => put({ role: event.target.value })}
          />
        </label>
        <label className="block sm:col-span-2">
          <span className="quiet text-sm">A word on it, if there is one</span>
          <input
            className="input touch w-full"
            maxLength={1000}
            value={form.says}
            onChange={(event) => put({ says: event.target.value })}
          />
        </label>
        {wrong && (
          <p role="alert" className="font-semibold text-error sm:col-span-2">
            {wrong}
          </p>
        )}
        <button type="submit" className="btn btn-primary touch justify-self-start">
          I have read this page and sign it
        </button>
      </form>
    </details>
  );
}
