import { middle } from '@inner-rung/core/move';
import {
  BANDS,
  type BandIndex,
  bandOfMet,
  bandOfRpe,
  effortOn,
  MAX_RATE,
  RATE_SPREAD,
  rateTargets,
} from '@inner-rung/core/person';
import { Link } from 'react-router';
import type { PersonPage } from '../features/use-person.ts';
import { RatePicture } from './rate-picture.tsx';

const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);
/** What everybody can picture, to show how hard the same thing is for this one person. */
const EXAMPLES = ['easy-walk', 'march', 'squat', 'step-up', 'high-knees', 'jumping-jack'];

/** How hard is hard for them: words and breath always, heart rates where they mean something, capacity. */
export default function EffortPart(props: { page: PersonPage }) {
  const { person, outlook, first, library } = props.page;
  const most = effortOn(outlook);
  const top = bandOfRpe(most);
  const targets = rateTargets(outlook.age, person.sex, person.restingRate, outlook.byWords);
  const { capacity, lacks } = outlook.capacity;
  const likely = capacity?.likely ?? null;
  return (
    <div className="mt-2 grid gap-8">
      <section aria-labelledby="words-h">
        <h3 id="words-h" className="text-xl">
          By breath and by number
        </h3>
        <ol className="mt-1 grid grid-cols-1 gap-1 sm:grid-cols-4" aria-label="The four bands of effort">
          {BANDS.map((band, i) => (
            <li
              key={band.id}
              data-band={band.id}
              className={`border-2 border-base-content/60 px-3 py-2 ${i > top ? 'barred' : ''}`}
              style={
                i > top
                  ? undefined
                  : {
                      background: `var(--lane-${i})`,
                      color: i === 3 ? 'var(--lane-3-ink)' : 'var(--lane-0-ink)',
                    }
              }
            >
              <span className="display block text-xl">{capital(band.talk)}</span>
              <span className="block">
                {band.rpe} of 10, {band.id}
              </span>
              {i > top && <span className="block text-sm font-semibold">above their {most}</span>}
            </li>
          ))}
        </ol>
        <p className="quiet mt-1 text-sm">
          {first} goes up to {most} of 10. Breathlessness that doesn’t fit the work is a reason to stop,
          whatever the number.
        </p>
      </section>

      <section aria-labelledby="rate-h">
        <h3 id="rate-h" className="text-xl">
          By heart rate
        </h3>
        {targets.length === 0 ? (
          <p data-no-rates className="max-w-prose text-lg">
            {outlook.age.lo < 18
              ? 'No targets under 18: the formulas are made from adults. Breath and number tell.'
              : 'No heart-rate targets: something changes the heart rate. Breath and number tell.'}
          </p>
        ) : (
          <>
            <p className="max-w-prose">
              {targets[0]!.by === 'reserve'
                ? `Reckoned from the reserve, as the pulse at rest is known (${person.restingRate}).`
                : 'Reckoned as a share of the highest rate; with the pulse at rest it would be from the reserve, which fits one person better.'}{' '}
              Each formula is a mean: a third of people lie more than {RATE_SPREAD} beats from it, so that the
              breath has the last word.
            </p>
            <RatePicture targets={targets} top={top} />
            <p className="quiet text-sm">
              {MAX_RATE.tanaka.source} was made from healthy adults of all ages; {MAX_RATE.gulati.source} from
              women alone; {MAX_RATE.fox.source} is the oldest and reads low for older people. All from
              memory.
              {outlook.age.lo !== outlook.age.hi &&
                ` Only the year of birth is known: read at ${outlook.age.hi}.`}
            </p>
          </>
        )}
      </section>

      <section aria-labelledby="capacity-h">
        <h3 id="capacity-h" className="text-xl">
          How much they have
        </h3>
        {capacity && likely ? (
          <>
            <p>
              <strong className="display text-2xl">
                {capacity.lo}–{capacity.hi} MET
              </strong>
              , {capacity.from}. A wide band: forecasts read its middle, the talk test rules on the day.
            </p>
            <table className="table table-sm mt-1 max-w-2xl">
              <caption className="quiet text-left text-sm">
                The same things, as {first} would feel them
              </caption>
              <thead className="sr-only">
                <tr>
                  <th scope="col">Move</th>
                  <th scope="col">MET</th>
                  <th scope="col">For them</th>
                </tr>
              </thead>
              <tbody>
                {EXAMPLES.map((id) => {
                  const move = library.move(id);
                  const demand = library.demand.get(id);
                  if (!move || !demand) return null;
                  const met = middle(demand['effort.met']);
                  const band: BandIndex = bandOfMet(met, likely, 'adult');
                  return (
                    <tr key={id}>
                      <th scope="row" className="font-normal">
                        {move.name}
                      </th>
                      <td className="text-right">{met.toFixed(1)}</td>
                      <td className={band > top ? 'font-semibold' : ''}>
                        {BANDS[band].id}
                        {band > top && ', above their limit'}
                      </td>
                    </tr>
                  );
                })}
              </tbody>
            </table>
            <p className="quiet text-sm">
              MET by the library; Compendium 2011 where it has the activity, else an estimate.
            </p>
          </>
        ) : (
          <p className="max-w-prose">
            Not reckoned: {lacks}.{' '}
            {!outlook.byWords && (
              <Link to={`/people/${person.id}/who`} className="underline underline-offset-4">
                Add what is missing
              </Link>
            )}
          </p>
        )}
      </section>
    </div>
  );
}
