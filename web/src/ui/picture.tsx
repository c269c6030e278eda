import {
  BarController,
  BarElement,
  CategoryScale,
  Chart,
  type ChartConfiguration,
  Legend,
  LinearScale,
  LineController,
  LineElement,
  PointElement,
  ScatterController,
  Tooltip,
} from 'chart.js';
import { type RefObject, useEffect, useRef } from 'react';
import { useTheme } from '../store/use-theme.ts';

Chart.register(
  BarController,
  BarElement,
  CategoryScale,
  Legend,
  LineController,
  LineElement,
  LinearScale,
  PointElement,
  ScatterController,
  Tooltip,
);
// Names stand in the text beside a picture; one that needs a legend asks for it.
Chart.defaults.plugins.legend.display = false;

/** A colour of the theme by its name. */
export type Css = (name: string) => string;
/** What is drawn, made anew when what it shows or the theme changes. */
export type MakeChart = (css: Css) => ChartConfiguration;

/** An axis of values, from nought, with what they are. */
export const valueAxis = (css: Css, text: string) => ({
  beginAtZero: true,
  title: { display: true, text, color: css('--color-base-content') },
  ticks: { color: css('--color-base-content') },
  grid: { color: css('--color-base-300') },
});

/** An axis of names. */
export const nameAxis = (css: Css) => ({
  ticks: { color: css('--color-base-content') },
  grid: { display: false },
});

/** Draws a chart anew when what it shows or the theme changes; what is drawn is in `chart`, to be moved by hand. */
export function useChart(make: MakeChart, chart?: RefObject<Chart | null>) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const theme = useTheme();
  // biome-ignore lint/correctness/useExhaustiveDependencies: colours are read anew when the theme turns
  useEffect(() => {
    if (!canvas.current) return;
    const css = getComputedStyle(document.documentElement);
    Chart.defaults.font = { ...Chart.defaults.font, family: css.getPropertyValue('--font-body'), size: 13 };
    const config = make((name) => css.getPropertyValue(name).trim());
    const made = new Chart(canvas.current, {
      ...config,
      options: { animation: false, responsive: true, maintainAspectRatio: false, ...config.options },
    });
    if (chart) chart.current = made;
    return () => made.destroy();
  }, [make, theme]);
  return canvas;
}

/** A chart; what it shows is said in words for who can't see it, and stands as a table beside it. */
export function Picture(props: { make: MakeChart; says: string; tall?: boolean }) {
  const canvas = useChart(props.make);
  return (
    <div className={props.tall ? 'h-80' : 'h-56'}>
      <canvas ref={canvas} role="img" aria-label={props.says} />
    </div>
  );
}
