import {
  type Screening,
  SYMPTOMS,
  type SymptomId,
  screened,
  screeningSchema,
  YOUNG_QUESTIONS,
  type YoungId,
} from '@inner-rung/core/person';
import { type FormEvent, useState } from 'react';
import type { PersonPage } from '../features/use-person.ts';
import { today, when } from '../store/day.ts';
import { Choice, Tick } from '../ui/choice.tsx';
import { useDraft } from '../ui/use-draft.ts';

type YesNo = 'yes' | 'no' | null;
const NO_ANSWERS = {
  regular: null as YesNo,
  disease: null as YesNo,
  symptoms: [] as SymptomId[],
  none: false,
};

export function AdultQuestions(props: { page: PersonPage; onDone: () => void }) {
  const { person, keep } = props.page;
  const [form, put, clear] = useDraft(`screening/${person.id}`, NO_ANSWERS);
  const [tried, setTried] = useState(false);
  const answered = form.regular !== null && form.disease !== null && (form.symptoms.length > 0 || form.none);
  const yesNo = (name: 'regular' | 'disease', legend: string) => (
    <Choice
      question
      legend={legend}
      name={name}
      value={form[name]}
      of={[
        { value: 'yes', says: 'Yes' },
        { value: 'no', says: 'No' },
      ]}
      onChoose={(value) => put({ [name]: value })}
    />
  );
  const submit = (event: FormEvent) => {
    event.preventDefault();
    setTried(true);
    if (!answered) return;
    const screening: Screening = screeningSchema.parse({
      of: 'adult',
      on: today(),
      regular: form.regular === 'yes',
      disease: form.disease === 'yes',
      symptoms: form.symptoms,
    });
    keep('Screening', screened(person, screening, when()));
    clear();
    props.onDone();
  };
  return (
    <form onSubmit={submit} className="grid content-start gap-4" aria-label="Questions before they begin">
      <h3 className="text-xl">Three questions</h3>
      {yesNo('regular', '1. At least half an hour, three days a week, for the last three months?')}
      {yesNo('disease', '2. A known disease of heart or vessels, diabetes, or of the kidneys?')}
      <fieldset>
        <legend>3. Any of these, now or lately?</legend>
        {(Object.keys(SYMPTOMS) as SymptomId[]).map((id) => (
          <Tick
            key={id}
            on={form.symptoms.includes(id)}
            onTurn={(on) =>
              put({
                symptoms: on ? [...form.symptoms, id] : form.symptoms.filter((s) => s !== id),
                none: false,
              })
            }
          >
            {SYMPTOMS[id]}
          </Tick>
        ))}
        <Tick on={form.none} onTurn={(none) => put({ none, ...(none ? { symptoms: [] } : {}) })}>
          <strong>None of these</strong>
        </Tick>
      </fieldset>
      {tried && !answered && (
        <p role="alert" className="font-semibold text-error">
          {form.regular === null
            ? 'Question 1 has no answer yet.'
            : form.disease === null
              ? 'Question 2 has no answer yet.'
              : 'Question 3: tick what applies, or “None of these”.'}
        </p>
      )}
      <button type="submit" className="btn btn-primary touch justify-self-start">
        Keep these answers
      </button>
    </form>
  );
}

const NO_YOUNG = { regular: null as YesNo, consentBy: '', yes: [] as YoungId[], none: false };

export function YoungQuestions(props: { page: PersonPage; onDone: () => void }) {
  const { person, keep, first } = props.page;
  const [form, put, clear] = useDraft(`screening-young/${person.id}`, NO_YOUNG);
  const [tried, setTried] = useState(false);
  const answered = form.yes.length > 0 || form.none;
  const submit = (event: FormEvent) => {
    event.preventDefault();
    setTried(true);
    if (!answered) return;
    const screening = screeningSchema.parse({
      of: 'young',
      on: today(),
      regular: form.regular === 'yes',
      consentBy: form.consentBy,
      yes: form.yes,
    });
    keep('Screening', screened(person, screening, when()));
    clear();
    props.onDone();
  };
  return (
    <form onSubmit={submit} className="grid content-start gap-4" aria-label="Questions before they begin">
      <h3 className="text-xl">With whoever looks after {first}</h3>
      <label className="block">
        <span className="quiet text-sm">Who agreed: name, and mother, father or guardian</span>
        <input
          className="input touch w-full"
          value={form.consentBy}
          maxLength={80}
          onChange={(event) => put({ consentBy: event.target.value })}
        />
      </label>
      <Choice
        question
        legend="Moves about most days?"
        name="young-regular"
        value={form.regular}
        of={[
          { value: 'yes', says: 'Yes' },
          { value: 'no', says: 'No' },
        ]}
        onChoose={(regular) => put({ regular })}
      />
      <fieldset>
        <legend>Any of these?</legend>
        {(Object.keys(YOUNG_QUESTIONS) as YoungId[]).map((id) => (
          <Tick
            key={id}
            on={form.yes.includes(id)}
            onTurn={(on) =>
              put({ yes: on ? [...form.yes, id] : form.yes.filter((s) => s !== id), none: false })
            }
          >
            {YOUNG_QUESTIONS[id]}
          </Tick>
        ))}
        <Tick on={form.none} onTurn={(none) => put({ none, ...(none ? { yes: [] } : {}) })}>
          <strong>None of these</strong>
        </Tick>
      </fieldset>
      {tried && !answered && (
        <p role="alert" className="font-semibold text-error">
          Tick what applies, or “None of these”.
        </p>
      )}
      <button type="submit" className="btn btn-primary touch justify-self-start">
        Keep these answers
      </button>
    </form>
  );
}
