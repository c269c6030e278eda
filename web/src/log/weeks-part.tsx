import { rises, WEEKLY, type Week, weeksOf } from '@inner-rung/core/log';
import {
  BarController,
  BarElement,
  CategoryScale,
  Chart,
  type ChartConfiguration,
  LinearScale,
} from 'chart.js';
import { useCallback, useEffect, useMemo } from 'react';
import { dayWords, today } from '../app/day.ts';
import { Picture } from '../compare/charts.tsx';
import type { PersonPage } from '../people/use-person.ts';
import { records, store, useApp } from '../store/index.ts';

Chart.register(BarController, BarElement, CategoryScale, LinearScale);
const SHOWN = 12;
/** A Monday as it is written over a column: "16 Nov". */
const dayMonth = (day: string) => dayWords(day).replace(/ \d{4}$/, '');

/** Somebody's weeks: load, minutes in each band towards the weekly amount, landings; what rose suddenly, in words. */
export default function WeeksPart(props: { page: PersonPage }) {
  const { person, library } = props.page;
  const docs = useApp(records.docs);
  useEffect(() => {
    records.load(store).catch(() => undefined);
  }, []);
  const weeks = useMemo(
    () => weeksOf(library, person.id, Object.values(docs), today()).slice(-SHOWN),
    [library, person.id, docs],
  );
  const make = useCallback((css: (name: string) => string) => weekChart(weeks, css), [weeks]);
  if (weeks.length === 0) return <p className="mt-2">No session recorded yet.</p>;
  const said = rises(weeks);
  return (
    <section>
      {said.map((one) => (
        <p key={one} className="mt-1 border-l-4 border-primary pl-3">
          {one}
        </p>
      ))}
      <Picture make={make} says="Session load by week; the same figures stand in the table below" />
      <table className="table table-sm mt-2 text-[0.95rem]">
        <thead>
          <tr className="text-base-content">
            <th scope="col">Week of</th>
            <th scope="col">Sessions</th>
            <th scope="col">Load</th>
            <th scope="col">Light</th>
            <th scope="col">Moderate</th>
            <th scope="col">Vigorous</th>
            <th scope="col">Of {WEEKLY.moderate} min</th>
            <th scope="col">Landings</th>
          </tr>
        </thead>
        <tbody>
          {[...weeks].reverse().map((week) => (
            <tr key={week.from}>
              <th scope="row" className="font-normal whitespace-nowrap">
                {dayMonth(week.from)}
              </th>
              <td>{week.sessions}</td>
              <td>
                {week.load}
                {week.unknown > 0 && <span className="quiet"> + {week.unknown} not asked</span>}
              </td>
              <td>{Math.round(week.bands[0]!)} min</td>
              <td>{Math.round(week.bands[1]!)} min</td>
              <td>{Math.round(week.bands[2]! + week.bands[3]!)} min</td>
              <td>{week.towards} min</td>
              <td>{week.landings}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="quiet mt-2 text-sm">
        Load is how hard it was on 0–10 by the minutes of the session (Foster et al. 2001). The weekly amount
        is the lower end of what WHO 2020 gives for adults: 150 moderate minutes, a vigorous one counting as
        two; only work in recorded sessions is in it.
      </p>
    </section>
  );
}

function weekChart(weeks: readonly Week[], css: (name: string) => string): ChartConfiguration {
  const ink = css('--color-base-content');
  return {
    type: 'bar',
    data: {
      labels: weeks.map((week) => dayMonth(week.from)),
      datasets: [
        {
          label: 'load',
          data: weeks.map((week) => week.load),
          backgroundColor: css('--lane-3'),
          borderColor: ink,
          borderWidth: 1,
        },
      ],
    },
    options: {
      animation: false,
      responsive: true,
      maintainAspectRatio: false,
      scales: {
        x: { ticks: { color: ink }, grid: { display: false } },
        y: {
          beginAtZero: true,
          title: { display: true, text: 'session load', color: ink },
          ticks: { color: ink },
          grid: { color: css('--color-base-300') },
        },
      },
    },
  };
}
