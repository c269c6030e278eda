import { type Climb, WEEKLY, type Week } from '@inner-rung/core/log';
import { BANDS } from '@inner-rung/core/person';
import { dayWords } from '../store/day.ts';
import { type MakeChart, nameAxis, valueAxis } from '../ui/picture.tsx';

/** A Monday as it is written under a column: "16 Nov". */
export const dayMonth = (day: string) => dayWords(day).replace(/ \d{4}$/, '');

/** Load week by week. */
export const loadChart =
  (weeks: readonly Week[]): MakeChart =>
  (css) => ({
    type: 'bar',
    data: {
      labels: weeks.map((week) => dayMonth(week.from)),
      datasets: [
        {
          label: 'load',
          data: weeks.map((week) => week.load),
          backgroundColor: css('--lane-3'),
          borderColor: css('--color-base-content'),
          borderWidth: 1,
        },
      ],
    },
    options: { scales: { x: nameAxis(css), y: valueAxis(css, 'session load') } },
  });

/** Minutes of work in each effort band, one on the other, with the weekly amount as a line. */
export const bandChart =
  (weeks: readonly Week[]): MakeChart =>
  (css) => ({
    type: 'bar',
    data: {
      labels: weeks.map((week) => dayMonth(week.from)),
      datasets: [
        ...BANDS.map((band, i) => ({
          label: band.id as string,
          data: weeks.map((week) => week.bands[i]!),
          backgroundColor: css(`--lane-${i}`),
          borderColor: css('--color-base-content'),
          borderWidth: 1,
          stack: 'bands',
        })),
        {
          type: 'line' as const,
          label: `towards ${WEEKLY.moderate} min`,
          data: weeks.map((week) => week.towards),
          stack: 'towards',
          borderColor: css('--color-primary'),
          backgroundColor: css('--color-primary'),
          borderWidth: 2.5,
          pointRadius: 4,
        },
      ] as never,
    },
    options: {
      scales: { x: { ...nameAxis(css), stacked: true }, y: { ...valueAxis(css, 'minutes'), stacked: true } },
      plugins: { legend: { display: true, labels: { color: css('--color-base-content'), boxWidth: 18 } } },
    },
  });

const DASHES = [[], [7, 5], [2, 3], [12, 4, 2, 4]] as const;

/** Rungs over time, a line a ladder, told apart by their dashes as much as by hue. */
export const climbChart =
  (climbs: readonly Climb[]): MakeChart =>
  (css) => {
    const days = [...new Set(climbs.flatMap((c) => c.steps.map((s) => s.on)))].sort();
    const colours = ['--color-base-content', '--color-primary', '--lane-3', '--quiet'];
    return {
      type: 'line',
      data: {
        labels: days.map(dayMonth),
        datasets: climbs.map((climb, i) => ({
          label: climb.ladder.name,
          data: days.map((day) => {
            const step = climb.steps.find((s) => s.on === day);
            return step ? step.rung + 1 : null;
          }),
          spanGaps: true,
          stepped: true as const,
          borderColor: css(colours[i % colours.length]!),
          backgroundColor: css(colours[i % colours.length]!),
          borderDash: [...DASHES[i % DASHES.length]!],
          borderWidth: 2.5,
          pointRadius: 4,
        })),
      },
      options: {
        scales: {
          x: nameAxis(css),
          y: {
            ...valueAxis(css, 'rung'),
            ticks: { color: css('--color-base-content'), precision: 0, stepSize: 1 },
          },
        },
        plugins: { legend: { display: true, labels: { color: css('--color-base-content'), boxWidth: 18 } } },
      },
    };
  };
