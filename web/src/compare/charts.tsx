import {
  BarController,
  BarElement,
  CategoryScale,
  Chart,
  type ChartConfiguration,
  LinearScale,
  LineController,
  LineElement,
  PointElement,
  Tooltip,
} from 'chart.js';
import { useEffect, useRef } from 'react';
import { useApp } from '../store/index.ts';

Chart.register(
  BarController,
  BarElement,
  CategoryScale,
  LineController,
  LineElement,
  LinearScale,
  PointElement,
  Tooltip,
);

/** How a version is told from the others: by its hue, and by its dashes where there is none. */
export const LOOKS = [
  { colour: '--color-base-content', dash: [7, 5] },
  { colour: '--color-primary', dash: [] },
  { colour: '--lane-3', dash: [] },
  { colour: '--lane-1', dash: [2, 3] },
  { colour: '--quiet', dash: [12, 4, 2, 4] },
] as const;

export interface Drawn {
  readonly name: string;
  /** Place in {@link LOOKS}. */
  readonly look: number;
}

/** Draws a chart anew when what it shows or the theme changes. */
function useChart(make: (css: (name: string) => string) => ChartConfiguration) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const theme = useApp((state) => state.view.theme);
  // biome-ignore lint/correctness/useExhaustiveDependencies: colours are read anew when the theme turns
  useEffect(() => {
    if (!canvas.current) return;
    const css = getComputedStyle(document.documentElement);
    Chart.defaults.font = { ...Chart.defaults.font, family: css.getPropertyValue('--font-body'), size: 13 };
    const made = new Chart(
      canvas.current,
      make((name) => css.getPropertyValue(name).trim()),
    );
    return () => made.destroy();
  }, [make, theme]);
  return canvas;
}

/** Effort over the session, a step for every stretch of the clock. */
export function effortChart(
  versions: readonly (Drawn & { readonly effort: readonly { at: number; met: number }[] })[],
  lengthSeconds: number,
) {
  return (css: (name: string) => string): ChartConfiguration => ({
    type: 'line',
    data: {
      datasets: versions.map((version) => ({
        label: version.name,
        data: [
          ...version.effort.map(({ at, met }) => ({ x: at / 60, y: met })),
          { x: lengthSeconds / 60, y: version.effort.at(-1)?.met ?? 0 },
        ],
        stepped: true as const,
        borderColor: css(LOOKS[version.look]!.colour),
        borderDash: [...LOOKS[version.look]!.dash],
        borderWidth: 2.5,
        pointRadius: 0,
      })),
    },
    options: {
      animation: false,
      responsive: true,
      maintainAspectRatio: false,
      scales: {
        x: {
          type: 'linear',
          min: 0,
          max: lengthSeconds / 60,
          title: { display: true, text: 'minutes', color: css('--color-base-content') },
          ticks: { color: css('--color-base-content') },
          grid: { display: false },
        },
        y: {
          beginAtZero: true,
          title: { display: true, text: 'MET', color: css('--color-base-content') },
          ticks: { color: css('--color-base-content') },
          grid: { color: css('--color-base-300') },
        },
      },
      plugins: { tooltip: { enabled: false } },
    },
  });
}

/** One bar a version for each of several things. */
export function barChart(
  versions: readonly (Drawn & { readonly values: readonly number[] })[],
  labels: readonly string[],
  unit: string,
  lying: boolean,
) {
  return (css: (name: string) => string): ChartConfiguration => {
    const ink = css('--color-base-content');
    const values = {
      beginAtZero: true,
      title: { display: true, text: unit, color: ink },
      ticks: { color: ink },
      grid: { color: css('--color-base-300') },
    };
    const names = { ticks: { color: ink, autoSkip: !lying }, grid: { display: false } };
    return {
      type: 'bar',
      data: {
        labels: [...labels],
        datasets: versions.map((version) => ({
          label: version.name,
          data: [...version.values],
          backgroundColor: css(LOOKS[version.look]!.colour),
          borderColor: ink,
          borderWidth: 1,
        })),
      },
      options: {
        animation: false,
        responsive: true,
        maintainAspectRatio: false,
        indexAxis: lying ? 'y' : 'x',
        scales: lying ? { x: values, y: names } : { x: names, y: values },
      },
    };
  };
}

/** A picture of the comparison; what it shows is said in words for who can't see it. */
export function Picture(props: {
  make: (css: (name: string) => string) => ChartConfiguration;
  says: string;
  tall?: boolean;
}) {
  const canvas = useChart(props.make);
  return (
    <div className={props.tall ? 'h-80' : 'h-56'}>
      <canvas ref={canvas} role="img" aria-label={props.says} />
    </div>
  );
}
