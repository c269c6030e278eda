import { cannot, GROUP_ASKS, outlookOf, type Person, standsFor } from '@inner-rung/core/person';
import { useMemo } from 'react';
import { today } from '../store/day.ts';
import { Scrolls } from '../ui/scrolls.tsx';

/** Who can’t do what, at a glance; nothing of why. */
export function Cannot(props: { everybody: readonly Person[] }) {
  const rows = useMemo(
    () =>
      props.everybody.map((person) => {
        const outlook = outlookOf(person, today());
        return { person, cant: cannot(outlook.limits), may: outlook.mayTrain };
      }),
    [props.everybody],
  );
  if (rows.length === 0) return null;
  const asks = GROUP_ASKS.filter((ask) => rows.some((row) => row.cant.has(ask.id)));
  return (
    <section className="mt-5" aria-labelledby="cannot-h">
      <h2 id="cannot-h" className="text-2xl">
        Who can’t…
      </h2>
      {asks.length === 0 ? (
        <p>Nothing common is barred for anybody here.</p>
      ) : (
        <Scrolls label="Who can’t do what" className="overflow-x-auto">
          <table className="mt-1 border-collapse">
            <thead>
              <tr>
                <th scope="col" className="sr-only">
                  Who
                </th>
                {asks.map((ask) => (
                  <th
                    key={ask.id}
                    scope="col"
                    className="w-24 px-1 pb-1 align-bottom text-sm leading-tight font-normal"
                  >
                    {ask.says}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {rows.map(({ person, cant, may }) => (
                <tr key={person.id} className="border-t border-base-300">
                  <th scope="row" className="py-1 pr-4 text-left font-semibold whitespace-nowrap">
                    {person.name}
                    {!may && <span className="quiet text-sm font-normal"> not in a session yet</span>}
                  </th>
                  {asks.map((ask) => (
                    <td key={ask.id} className="px-1 py-1 text-center">
                      {cant.has(ask.id) ? (
                        <span
                          className="display mx-auto grid h-7 w-7 place-items-center rounded bg-base-content text-base-100"
                          title={`${person.name} can’t ${ask.says}`}
                        >
                          ×<span className="sr-only">can’t</span>
                        </span>
                      ) : (
                        <span className="sr-only">can</span>
                      )}
                    </td>
                  ))}
                </tr>
              ))}
              <tr className="border-t-2 border-base-content">
                <th scope="row" className="py-1 pr-4 text-left font-normal">
                  all can but
                </th>
                {asks.map((ask) => (
                  <td key={ask.id} className="display text-center text-lg">
                    {rows
                      .filter((row) => row.cant.has(ask.id))
                      .reduce((sum, row) => sum + (standsFor(row.person) ?? 1), 0)}
                  </td>
                ))}
              </tr>
            </tbody>
          </table>
        </Scrolls>
      )}
    </section>
  );
}
