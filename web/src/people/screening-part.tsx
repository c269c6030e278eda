import { decideScreening, PREGNANCY_REASONS, type PregnancyId } from '@inner-rung/core/person';
import { useState } from 'react';
import type { PersonPage } from '../features/use-person.ts';
import { dayWords, today } from '../store/day.ts';
import { Tick } from '../ui/choice.tsx';
import { AdultQuestions, YoungQuestions } from './screening-answers.tsx';
import { ClearanceForm, OverrideForm } from './screening-words.tsx';
import { StopsPart } from './stops-part.tsx';

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
      row: decideScreening(regular, disease!, symptoms!),
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
