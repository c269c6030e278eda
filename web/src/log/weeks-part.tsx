import { WEEKLY } from '@inner-rung/core/log';
import type { FormRef } from '@inner-rung/core/move';
import { formName } from '@inner-rung/core/words';
import { useMemo } from 'react';
import { Link } from 'react-router';
import type { PersonPage } from '../features/use-person.ts';
import { useShelf } from '../store/data.ts';
import { dayWords } from '../store/day.ts';
import { Picture } from '../ui/picture.tsx';
import { Scrolls } from '../ui/scrolls.tsx';
import { useWeeks, type Weeks } from './use-weeks.ts';
import { bandChart, climbChart, dayMonth, loadChart } from './week-charts.ts';
import { WeeksTable } from './weeks-table.tsx';

/** Somebody's weeks: load, minutes in each band, landings, rungs over time, bests; what rose suddenly, in words. */
export default function WeeksPart(props: { page: PersonPage }) {
  const { person, library } = props.page;
  const { groups } = useShelf();
  const all = useWeeks(library, person.id, groups);
  const load = useMemo(() => loadChart(all.weeks), [all.weeks]);
  const bands = useMemo(() => bandChart(all.weeks), [all.weeks]);
  const climbs = useMemo(() => climbChart(all.climbs), [all.climbs]);
  if (all.weeks.length === 0) return <p className="mt-2">No session recorded yet.</p>;
  return (
    <section>
      {all.rises.map((one) => (
        <p key={one} className="mt-1 border-l-4 border-primary pl-3">
          {one}
        </p>
      ))}
      <p className="mt-1">
        At {all.attendance.there} of {all.attendance.of} sessions.{' '}
        {all.ahead.sessions > 0 &&
          `Next seven days: ${all.ahead.sessions} ${all.ahead.sessions === 1 ? 'session' : 'sessions'}${all.ahead.load === null ? '' : `, a load of about ${all.ahead.load} if it is as hard as the last four`}.`}{' '}
        <Link to={`/people/${person.id}/weeks/page`} className="underline underline-offset-4">
          A page to hand over
        </Link>
      </p>
      <div className="grid grid-cols-1 gap-4 xl:grid-cols-2">
        <Picture make={load} says="Session load by week; the same figures stand in the table below" />
        <Picture
          make={bands}
          says="Minutes of work in each effort band by week; the same figures stand in the table below"
        />
      </div>
      <Scrolls label="Weeks" className="overflow-x-auto">
        <WeeksTable weeks={all.weeks} />
      </Scrolls>
      <p className="quiet mt-2 text-sm">
        Load is how hard it was on 0–10 by the minutes of the session (Foster et al. 2001). The weekly amount
        is the lower end of what WHO 2020 gives for adults: {WEEKLY.moderate} moderate minutes, a vigorous one
        counting as two; only work in recorded sessions is in it.
      </p>
      {all.climbs.length > 0 && (
        <>
          <h3 className="mt-6 text-xl">Rungs over time</h3>
          <Picture make={climbs} says="Rungs over time; the same stands in the list below" />
          <ul className="mt-1">
            {all.climbs.map(({ ladder, steps }) => (
              <li key={ladder.id}>
                {ladder.name}: {steps.map((s) => `${dayMonth(s.on)} ${s.rung + 1}`).join(', ')}{' '}
                <span className="quiet">of {ladder.rungs.length}</span>
              </li>
            ))}
          </ul>
        </>
      )}
      <Bests all={all} nameOf={(form) => formName(library, form.move, form.settings)} />
    </section>
  );
}

const RANGE_SAYS = { full: '', most: ', most of the way', part: ', part of the way' } as const;

function Bests(props: { all: Weeks; nameOf: (form: FormRef) => string }) {
  const { bests, further } = props.all;
  if (bests.length + further.length === 0) return null;
  const unit = (of: 'reps' | 'seconds' | 'rounds', n: number) =>
    of === 'seconds' ? 's in all' : n === 1 ? of.slice(0, -1) : of;
  return (
    <>
      <h3 className="mt-6 text-xl">Bests</h3>
      <p className="quiet text-sm">
        In one session, like with like: the same form at the same setting, the same part of the way, clean,
        reps that somebody counted.
      </p>
      <ul className="mt-1 columns-1 gap-8 md:columns-2">
        {further.map((one) => (
          <li key={`${one.on} ${JSON.stringify(one.form)}`}>
            <strong>{props.nameOf(one.form)}</strong>: from {one.from} of the way to{' '}
            {one.to === 'full' ? 'all of it' : one.to}, {dayWords(one.on)}
          </li>
        ))}
        {bests.map((best) => (
          <li key={JSON.stringify([best.form, best.circuit, best.of, best.range])}>
            <strong>{best.form ? props.nameOf(best.form) : best.circuit}</strong>: {best.most}
            {best.over > 0 ? ` + ${best.over}` : ''} {unit(best.of, best.most)}
            {RANGE_SAYS[best.range]}, {dayWords(best.on)}
            {best.before !== null && <span className="quiet">, before {best.before}</span>}
          </li>
        ))}
      </ul>
    </>
  );
}
