import { WEEKLY, type Week } from '@inner-rung/core/log';
import { dayMonth } from './week-charts.ts';

/** Weeks as figures, the newest first. */
export function WeeksTable(props: { weeks: readonly Week[] }) {
  return (
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
        {[...props.weeks].reverse().map((week) => (
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
  );
}
