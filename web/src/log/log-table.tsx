import type { LogLine, SessionRecord } from '@inner-rung/core/log';
import { useMemo } from 'react';
import { Link } from 'react-router';
import { dayWords } from '../store/day.ts';

/** Results a line each: who, in which session, how hard, what they did and what happened. */
export function LogTable(props: { lines: readonly LogLine[]; all: readonly SessionRecord[] }) {
  const { all } = props;
  const runOf = useMemo(
    () => new Map(all.map((record) => [`${record.on}/${record.title}`, record.run])),
    [all],
  );
  return (
    // biome-ignore lint/a11y/noNoninteractiveTabindex: a scrolling table must be reachable by keyboard
    <section className="overflow-x-auto" tabIndex={0} aria-label="Results">
      <table className="table table-sm text-[0.95rem]">
        <thead>
          <tr className="display text-base text-base-content">
            <th scope="col">When</th>
            <th scope="col">Who</th>
            <th scope="col">Session</th>
            <th scope="col">How hard</th>
            <th scope="col">What they did</th>
            <th scope="col">Said</th>
          </tr>
        </thead>
        <tbody>
          {props.lines.map((line, i) => {
            const run = runOf.get(`${line.date}/${line.session}`);
            return (
              // biome-ignore lint/suspicious/noArrayIndexKey: a line is of one person in one session
              <tr key={i} className={line.there === 'yes' ? '' : 'quiet'}>
                <td className="whitespace-nowrap">{dayWords(line.date)}</td>
                <th scope="row">{line.person}</th>
                <td>
                  {run ? (
                    <Link to={`/run/${run}/record`} className="underline underline-offset-4">
                      {line.session}
                    </Link>
                  ) : (
                    line.session
                  )}
                </td>
                <td className="whitespace-nowrap">
                  {line.there === 'no' ? 'not there' : line.effort ? `${line.effort} of 10` : '–'}
                </td>
                <td className="max-w-md">
                  {line.outcome && (
                    <strong className="block" data-outcome>
                      {line.outcome}
                      {line.handled && `: ${line.handled}`}
                    </strong>
                  )}
                  {line.there === 'yes' ? line.forms : ''}
                </td>
                <td>
                  {[line.clean === 'no' ? 'not clean' : '', line.pain ? `pain: ${line.pain}` : '', line.note]
                    .filter(Boolean)
                    .join(' · ')}
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </section>
  );
}
