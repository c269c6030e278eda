import { type BodyPlace, limitWords, type Side, TODAY, TODAY_IDS, type Today } from '@inner-rung/core/person';
import { Link } from 'react-router';
import type { PersonPage } from '../features/use-person.ts';
import { today } from '../store/day.ts';
import { Chip } from '../ui/choice.tsx';
import { BodyFigure, placeWords } from './body-figure.tsx';
import { ReadingsForm } from './readings-form.tsx';

const VERDICT = {
  'as usual': 'As usual',
  easier: 'Easier today',
  'ask first': 'Ask first',
  'not today': 'Not today',
} as const;

/** What is different today, in three taps, and what it means for this session only. */
export function TodayPart(props: { page: PersonPage }) {
  const { person, outlook, first, keep } = props.page;
  const day = today();
  const sheet: Today =
    person.today?.on === day ? person.today : { on: day, marks: [], pain: [], readings: {} };
  const put = (patch: Partial<Today>) => keep('Today’s sheet', { ...person, today: { ...sheet, ...patch } });
  const point = (place: BodyPlace, side: Side) => {
    const there = sheet.pain.some((p) => p.place === place && p.side === side);
    put({
      pain: there
        ? sheet.pain.filter((p) => p.place !== place || p.side !== side)
        : [...sheet.pain, { place, side }],
    });
  };
  const verdict = outlook.today;
  const lacking = [
    outlook.standing.askAgain && !outlook.standing.state.includes('not')
      ? { to: 'screening', says: outlook.standing.askAgain }
      : null,
    ...outlook.asks.map((ask) => ({ to: ask.on, says: ask.says })),
    outlook.standing.state === 'not screened' ? { to: 'screening', says: outlook.standing.says } : null,
    !outlook.mayTrain && outlook.today.is !== 'not today'
      ? { to: 'screening', says: outlook.standing.says }
      : null,
  ]
    .filter((one) => one !== null)
    .filter((one, i, all) => all.findIndex(({ says }) => says === one.says) === i);
  // Whatever is said of the day, who waits for a word doesn't train.
  const is = outlook.mayTrain ? verdict.is : 'not today';
  return (
    <div className="mt-2 grid grid-cols-1 gap-x-8 gap-y-4 md:grid-cols-[minmax(0,1fr)_15rem]">
      <div className="min-w-0">
        {lacking.map((one) => (
          <p key={one.says} className="mb-3 border-l-4 border-primary pl-3">
            {one.says}{' '}
            <Link
              to={`/people/${person.id}/${one.to}`}
              className="font-semibold underline underline-offset-4"
            >
              {one.to === 'screening' ? 'Before they begin' : 'Answer it'}
            </Link>
          </p>
        ))}
        <h3 className="text-xl">Anything different today?</h3>
        <div className="mt-2 flex flex-wrap gap-2">
          {TODAY_IDS.map((id) => (
            <Chip
              key={id}
              on={sheet.marks.includes(id)}
              onTurn={() =>
                put({
                  marks: sheet.marks.includes(id)
                    ? sheet.marks.filter((m) => m !== id)
                    : [...sheet.marks, id],
                })
              }
            >
              {TODAY[id].name}
            </Chip>
          ))}
        </div>

        <section
          aria-label="What it means today"
          aria-live="polite"
          className={`mt-5 border-y-2 border-base-300 py-3 ${is === 'not today' ? 'barred' : ''}`}
        >
          <p className="display text-3xl" data-today={is}>
            {VERDICT[is]}
          </p>
          {verdict.says.length === 0 ? (
            <p className="quiet">
              {outlook.waitsFor ?? `Nothing said about today: ${first} does what they usually do.`}
            </p>
          ) : (
            <ul className="mt-1 grid gap-1">
              {verdict.says.map((line) => (
                <li key={line}>{line}</li>
              ))}
            </ul>
          )}
          {verdict.limits.length > 0 && (
            <details className="mt-1">
              <summary className="touch flex cursor-pointer items-center underline underline-offset-4">
                {verdict.limits.length === 1 ? 'One limit' : `${verdict.limits.length} limits`} for this
                session only
              </summary>
              <ul className="text-sm">
                {verdict.limits.map((limit) => (
                  <li key={limit.id}>
                    {limit.reason} <span className="quiet">({limitWords(limit)})</span>
                  </li>
                ))}
              </ul>
            </details>
          )}
        </section>

        <ReadingsForm
          key={person.id}
          page={props.page}
          sheet={sheet}
          onKeep={(readings) => put({ readings })}
        />

        {outlook.cautions.length > verdict.says.length && (
          <section className="mt-5" aria-labelledby="always-h">
            <h3 id="always-h" className="text-xl">
              Always with {first}
            </h3>
            <ul className="mt-1 grid gap-1">
              {outlook.cautions.slice(verdict.says.length).map((line) => (
                <li key={line}>{line}</li>
              ))}
              {outlook.reminders.map((line) => (
                <li key={line} className="quiet">
                  {line}
                </li>
              ))}
            </ul>
          </section>
        )}
      </div>
      <section aria-labelledby="hurts-h" className="row-start-2 md:row-start-auto">
        <h3 id="hurts-h" className="text-xl">
          Sore today
        </h3>
        <BodyFigure on={sheet.pain} onPoint={point} />
        {sheet.pain.length > 0 && (
          <ul className="grid gap-1">
            {sheet.pain.map((p) => (
              <li key={`${p.place}${p.side}`} className="flex items-center justify-between gap-2">
                {placeWords(p.place, p.side)}
                <button type="button" className="btn btn-sm touch" onClick={() => point(p.place, p.side)}>
                  Not sore
                </button>
              </li>
            ))}
          </ul>
        )}
      </section>
    </div>
  );
}
