import { useCallback } from 'react';
import { dayWords } from '../store/day.ts';
import { type Css, Picture, valueAxis } from '../ui/picture.tsx';

const DAY_MS = 86_400_000;
const dayOf = (on: string) => Date.parse(`${on}T00:00:00Z`) / DAY_MS;
const onDay = (day: number) => new Date(day * DAY_MS).toISOString().slice(0, 10);

/** Results over time, to scale in days; the same figures stand in the list beside it. */
export default function HistoryChart(props: {
  results: readonly { on: string; value: number }[];
  unit: string;
  /** Where a published table draws the line, when it does. */
  line: { value: number; says: string } | null;
}) {
  const { results, unit, line } = props;
  const make = useCallback(
    (css: Css) => {
      const ink = css('--color-base-content');
      const points = results.map((r) => ({ x: dayOf(r.on), y: r.value }));
      const first = Math.min(...points.map((p) => p.x)) - 7;
      const last = Math.max(...points.map((p) => p.x)) + 7;
      return {
        type: 'line' as const,
        data: {
          datasets: [
            {
              label: 'result',
              data: points,
              borderColor: ink,
              backgroundColor: css('--color-primary'),
              borderWidth: 2.5,
              pointRadius: 6,
            },
            ...(line
              ? [
                  {
                    label: line.says,
                    data: [
                      { x: first, y: line.value },
                      { x: last, y: line.value },
                    ],
                    borderColor: ink,
                    borderDash: [6, 5],
                    borderWidth: 1.5,
                    pointRadius: 0,
                  },
                ]
              : []),
          ],
        },
        options: {
          scales: {
            x: {
              type: 'linear' as const,
              min: first,
              max: last,
              ticks: {
                color: ink,
                maxTicksLimit: 5,
                callback: (v: string | number) => dayWords(onDay(Number(v))),
              },
              grid: { display: false },
            },
            y: valueAxis(css, unit),
          },
          plugins: {
            tooltip: {
              callbacks: {
                title: (items: readonly { parsed: { x: number | null } }[]) =>
                  items[0] ? dayWords(onDay(Number(items[0].parsed.x))) : '',
                label: (item: { formattedValue: string }) => `${item.formattedValue} ${unit}`,
              },
            },
          },
        },
      };
    },
    [results, unit, line],
  );
  return (
    <div className="mt-2">
      <Picture make={make} says={`Results over time, ${unit}; the same figures stand in the list`} />
    </div>
  );
}
