import { type MakeChart, nameAxis, valueAxis } from '../ui/picture.tsx';

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

/** Effort over the session, a step for every stretch of the clock. */
export function effortChart(
  versions: readonly (Drawn & { readonly effort: readonly { at: number; met: number }[] })[],
  lengthSeconds: number,
): MakeChart {
  return (css) => ({
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
      scales: {
        x: {
          type: 'linear',
          min: 0,
          max: lengthSeconds / 60,
          title: { display: true, text: 'minutes', color: css('--color-base-content') },
          ticks: { color: css('--color-base-content') },
          grid: { display: false },
        },
        y: valueAxis(css, 'MET'),
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
): MakeChart {
  return (css) => {
    const values = valueAxis(css, unit);
    const axis = nameAxis(css);
    const names = { ...axis, ticks: { ...axis.ticks, autoSkip: !lying } };
    return {
      type: 'bar',
      data: {
        labels: [...labels],
        datasets: versions.map((version) => ({
          label: version.name,
          data: [...version.values],
          backgroundColor: css(LOOKS[version.look]!.colour),
          borderColor: css('--color-base-content'),
          borderWidth: 1,
        })),
      },
      options: {
        indexAxis: lying ? 'y' : 'x',
        scales: lying ? { x: values, y: names } : { x: names, y: values },
      },
    };
  };
}
