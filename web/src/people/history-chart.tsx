import {
  Chart,
  type ChartConfiguration,
  LinearScale,
  LineController,
  LineElement,
  PointElement,
  Tooltip,
} from 'chart.js';
import { useEffect, useRef } from 'react';
import { dayWords } from '../app/day.ts';
import { useApp } from '../store/index.ts';

Chart.register(LineController, LineElement, LinearScale, PointElement, Tooltip);

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
  const canvas = useRef<HTMLCanvasElement>(null);
  const theme = useApp((state) => state.view.theme);
  // biome-ignore lint/correctness/useExhaustiveDependencies: colours are read anew when the theme turns
  useEffect(() => {
    if (!canvas.current) return;
    const css = getComputedStyle(document.documentElement);
    const colour = (name: string) => css.getPropertyValue(name).trim();
    const ink = colour('--color-base-content');
    const points = results.map((r) => ({ x: dayOf(r.on), y: r.value }));
    const first = Math.min(...points.map((p) => p.x)) - 7;
    const last = Math.max(...points.map((p) => p.x)) + 7;
    const config: ChartConfiguration<'line'> = {
      type: 'line',
      data: {
        datasets: [
          {
            label: 'result',
            data: points,
            borderColor: ink,
            backgroundColor: colour('--color-primary'),
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
        animation: false,
        responsive: true,
        maintainAspectRatio: false,
        scales: {
          x: {
            type: 'linear',
            min: first,
            max: last,
            ticks: { color: ink, maxTicksLimit: 5, callback: (v) => dayWords(onDay(Number(v))) },
            grid: { display: false },
          },
          y: {
            beginAtZero: true,
            title: { display: true, text: unit, color: ink },
            ticks: { color: ink },
            grid: { color: colour('--color-base-300') },
          },
        },
        plugins: {
          tooltip: {
            callbacks: {
              title: (items) => (items[0] ? dayWords(onDay(Number(items[0].parsed.x))) : ''),
              label: (item) => `${item.formattedValue} ${unit}`,
            },
          },
        },
      },
    };
    const made = new Chart(canvas.current, config);
    return () => made.destroy();
  }, [results, unit, line, theme]);
  return (
    <div className="mt-2 h-44">
      <canvas
        ref={canvas}
        role="img"
        aria-label={`Results over time, ${unit}; the same figures stand in the list`}
      />
    </div>
  );
}
