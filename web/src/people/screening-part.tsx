import {
  clearanceSchema,
  clearedWith,
  decide,
  overriddenBy,
  overrideSchema,
  PREGNANCY_REASONS,
  type PregnancyId,
  type Screening,
  SYMPTOMS,
  type SymptomId,
  screened,
  screeningSchema,
  YOUNG_QUESTIONS,
  type YoungId,
} from '@inner-rung/core/person';
import { type FormEvent, useState } from 'react';
import { dayWords, today, when } from '../store/day.ts';
import { Choice, Tick } from '../ui/choice.tsx';
import { useDraft } from '../ui/use-draft.ts';
import { StopsPart } from './stops-part.tsx';
import type { PersonPage } from './use-person.ts';

const STATE: Readonly<Record<PersonPage['outlook']['standing']['state'], string>> = {
  'not screened': 'Not asked yet',
  go: 'Go ahead',
  'moderate without clearance': 'Go ahead, moderate',
  cleared: 'Cleared',
  overridden: 'On your word',
  'consent missing': 'Consent first',
  'clearance recommended': 'A doctor’s word first',
  stop: 'Stop',
};

/** The questions before exercise, what the published table makes of them, and what was allowed since. */
export function ScreeningPart(props: { page: PersonPage }) {
  const { person, outlook, first } = props.page;
  const { standing, age } = outlook;
  const [asking, setAsking] = useState(false);
  const young = age.lo < 18;
  const ask = asking || standing.state === 'not screened';
  return (
    <div className="mt-2">
      <section aria-label="Where they stand" className="border-y-2 border-base-300 py-3">
        <p className="display text-3xl" data-standing={standing.state}>
          {STATE[standing.state]}
        </p>
        <p className="mt-1 max-w-prose text-lg">
          {standing.says.replace(/^Not asked yet: (.)/, (_, first: string) => first.toUpperCase())}
        </p>
        {standing.askAgain && <p className="font-semibold text-error">{standing.askAgain} Ask again.</p>}
        <p className="quiet">
          {person.screening && `Asked on ${dayWords(person.screening.on)}`}
          {standing.holdsUntil && `, holds until ${dayWords(standing.holdsUntil)}`}
          {standing.maxRpe < 10 && `${person.screening ? ' · ' : ''}effort up to ${standing.maxRpe} of 10`}
          {!standing.mayTrain && ' · no card, and no place in a session'}
        </p>
        {!ask && (
          <button type="button" className="btn touch mt-2" onClick={() => setAsking(true)}>
            Ask again
          </button>
        )}
      </section>
      <StopsPart page={props.page} />
      <div className="mt-4 grid grid-cols-1 gap-x-10 gap-y-6 md:grid-cols-2">
        {ask ? (
          young ? (
            <YoungQuestions key={person.id} page={props.page} onDone={() => setAsking(false)} />
          ) : (
            <AdultQuestions key={person.id} page={props.page} onDone={() => setAsking(false)} />
          )
        ) : (
          person.screening?.of === 'adult' && <Table page={props.page} />
        )}
        <div className="grid content-start gap-6">
          {ask && person.screening?.of !== 'young' && !young && person.screening && (
            <Table page={props.page} />
          )}
          <Pregnancy page={props.page} />
          <ClearanceForm key={`c${person.id}`} page={props.page} />
          {standing.mayOverride && <OverrideForm key={`o${person.id}`} page={props.page} />}
          {standing.state === 'clearance recommended' && !standing.mayOverride && !young && (
            <p>With signs or symptoms only a doctor’s word counts; {first} waits for it.</p>
          )}
        </div>
      </div>
    </div>
  );
}

type YesNo = 'yes' | 'no' | null;
const NO_ANSWERS = {
  regular: null as YesNo,
  disease: null as YesNo,
  symptoms: [] as SymptomId[],
  none: false,
};

function AdultQuestions(props: { page: PersonPage; onDone: () => void }) {
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

function YoungQuestions(props: { page: PersonPage; onDone: () => void }) {
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

/** The published table whole, with the row their answers lead to marked. */
function Table(props: { page: PersonPage }) {
  const { screening } = props.page.person;
  if (screening?.of !== 'adult') return null;
  const rows = [true, false].flatMap((regular) =>
    [
      [false, false],
      [true, false],
      [false, true],
    ].map(([disease, symptoms]) => ({
      regular,
      disease: disease!,
      symptoms: symptoms!,
      row: decide(regular, disease!, symptoms!),
    })),
  );
  const symptoms = screening.symptoms.length > 0;
  return (
    <section aria-labelledby="table-h">
      <h3 id="table-h" className="text-xl">
        Where the answers lead
      </h3>
      <table className="table table-sm mt-1">
        <caption className="quiet text-left text-sm">
          ACSM 2015 (Riebe et al.), from memory, in our own words
        </caption>
        <thead className="sr-only">
          <tr>
            <th scope="col">Exercises regularly</th>
            <th scope="col">Known</th>
            <th scope="col">What follows</th>
          </tr>
        </thead>
        <tbody>
          {rows.map((one) => {
            const here =
              one.regular === screening.regular &&
              one.symptoms === symptoms &&
              (symptoms || one.disease === screening.disease);
            return (
              <tr
                key={`${one.regular}${one.disease}${one.symptoms}`}
                aria-current={here ? 'true' : undefined}
                className={here ? 'bg-base-300 font-semibold' : ''}
              >
                <td>{one.regular ? 'regular' : 'not regular'}</td>
                <td>{one.symptoms ? 'signs' : one.disease ? 'disease' : 'nothing'}</td>
                <td>{one.row.says}</td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </section>
  );
}

function Pregnancy(props: { page: PersonPage }) {
  const { person, outlook, keep } = props.page;
  if (!outlook.conditions.some((c) => c.id.startsWith('pregnancy'))) return null;
  const yes = person.pregnancyScreen?.yes ?? [];
  const put = (next: PregnancyId[]) =>
    keep('Pregnancy questions', { ...person, pregnancyScreen: { on: today(), yes: next } });
  return (
    <section aria-labelledby="pregnant-h">
      <h3 id="pregnant-h" className="text-xl">
        Pregnant: has the care team said any of these?
      </h3>
      {(Object.keys(PREGNANCY_REASONS) as PregnancyId[]).map((id) => (
        <Tick
          key={id}
          on={yes.includes(id)}
          onTurn={(on) => put(on ? [...yes, id] : yes.filter((y) => y !== id))}
        >
          {PREGNANCY_REASONS[id]}
        </Tick>
      ))}
      {!person.pregnancyScreen && (
        <button type="button" className="btn touch mt-1" onClick={() => put([])}>
          None of these
        </button>
      )}
      {person.pregnancyScreen && yes.length === 0 && (
        <p className="quiet">None, asked on {dayWords(person.pregnancyScreen.on)}.</p>
      )}
    </section>
  );
}

function ClearanceForm(props: { page: PersonPage }) {
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
    <details
      open={form.by !== '' || props.page.outlook.standing.state === 'clearance recommended' || undefined}
    >
      <summary className="touch display flex cursor-pointer items-center text-xl">
        {person.clearance ? `Cleared by ${person.clearance.by}` : 'A doctor’s word'}
      </summary>
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
    </details>
  );
}
const NO_CLEARANCE = { by: '', on: '', says: '', maxRpe: '' };
const NO_OVERRIDE = { by: '', reason: '' };

function OverrideForm(props: { page: PersonPage }) {
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
    <details open={form.by !== '' || form.reason !== '' || undefined}>
      <summary className="touch display flex cursor-pointer items-center text-xl">
        Go ahead without, on your word
      </summary>
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
    </details>
  );
}
