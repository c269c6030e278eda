import type { Ladder, Library } from '@inner-rung/core/ladder';
import { KNEE_PUSH_UP_SHARE, PUSH_UP_SHARE, readCurve } from '@inner-rung/core/move';
import { offersOf, type Room } from '@inner-rung/core/room';
import { formName } from '@inner-rung/core/words';
import type { Chart, ChartConfiguration } from 'chart.js';
import { useEffect, useId, useRef, useState } from 'react';
import { useApp } from '../store/index.ts';
import { type Css, useChart } from '../ui/picture.tsx';

const LOWEST = -61;
const HIGHEST = 95;

/** The published points, what lies between and beyond them, and a point for the height that is asked about. */
function pushChart(css: Css): ChartConfiguration {
  const ink = css('--color-base-content');
  const grid = css('--color-base-300');
  const curve = Array.from({ length: (HIGHEST - LOWEST) / 2 + 1 }, (_, i) => {
    const x = LOWEST + i * 2;
    return { x, y: readCurve(PUSH_UP_SHARE, x).y, inside: readCurve(PUSH_UP_SHARE, x).inside };
  });
  return {
    type: 'line',
    data: {
      datasets: [
        {
          label: 'between published points',
          data: curve.filter((p) => p.inside),
          borderColor: ink,
          borderWidth: 2.5,
          pointRadius: 0,
        },
        {
          label: 'estimate beyond them',
          data: curve.filter((p) => !p.inside || p.x === 61),
          borderColor: ink,
          borderDash: [5, 5],
          borderWidth: 2,
          pointRadius: 0,
        },
        {
          label: PUSH_UP_SHARE.source,
          data: PUSH_UP_SHARE.x.map((x, i) => ({ x, y: PUSH_UP_SHARE.y[i]! })),
          borderColor: ink,
          backgroundColor: css('--color-base-100'),
          showLine: false,
          pointRadius: 5,
          pointBorderWidth: 2.5,
        },
        {
          label: `knees down, ${PUSH_UP_SHARE.source}`,
          data: [{ x: 0, y: KNEE_PUSH_UP_SHARE }],
          borderColor: ink,
          backgroundColor: css('--lane-2'),
          showLine: false,
          pointRadius: 5,
          pointStyle: 'triangle',
          pointBorderWidth: 2,
        },
        {
          label: 'here',
          data: [],
          borderColor: css('--color-primary'),
          backgroundColor: css('--color-primary'),
          showLine: false,
          pointRadius: 8,
        },
      ],
    },
    options: {
      scales: {
        x: {
          type: 'linear',
          min: LOWEST,
          max: HIGHEST,
          reverse: true,
          title: { display: true, text: 'hands raised ← cm → feet raised', color: ink },
          ticks: { color: ink, callback: (v) => Math.abs(Number(v)) },
          grid: { color: grid },
        },
        y: {
          min: 0,
          max: 80,
          title: { display: true, text: '% of body weight', color: ink },
          ticks: { color: ink },
          grid: { color: grid },
        },
      },
      plugins: { tooltip: { callbacks: { label: (item) => `${item.formattedValue} %` } } },
    },
  };
}

/** Share of body weight on the hands by their height, with the published points, and the height found in the room. */
export default function PushChart(props: { library: Library; ladder: Ladder; room: Room | null }) {
  const { library, ladder, room } = props;
  const [cm, setCm] = useState(43);
  const chart = useRef<Chart | null>(null);
  const theme = useApp((state) => state.view.theme);
  const id = useId();
  const here = room
    ? [...new Set((offersOf(room).get('firm surface') ?? []).flatMap((offer) => offer.size ?? []))]
    : [];
  const share = readCurve(PUSH_UP_SHARE, cm);

  const canvas = useChart(pushChart, chart);

  // biome-ignore lint/correctness/useExhaustiveDependencies: a new chart of another theme wants its point again
  useEffect(() => {
    const made = chart.current;
    if (!made) return;
    made.data.datasets[4]!.data = [{ x: cm, y: share.y }];
    made.update('none');
  }, [cm, share.y, theme]);

  const nearest = [...ladder.rungs].sort((a, b) => {
    const away = (rung: Ladder['rungs'][number]) => {
      const move = library.move(rung.move);
      if (move?.surface?.law !== 'push-hands') return 999;
      return Math.abs((rung.settings?.surfaceCm ?? move.surface.usualCm) - cm);
    };
    return away(a) - away(b);
  })[0];
  return (
    <section aria-labelledby={`${id}-h`} className="mt-6 border-t-2 border-base-300 pt-3">
      <h2 id={`${id}-h`} className="text-xl">
        How much of you is on your hands
      </h2>
      <label htmlFor={id} className="mt-1 block">
        The surface here: <strong>{cm} cm</strong> carries <strong>{Math.round(share.y)} %</strong>
        <span className="quiet">{share.inside ? '' : ' (estimate)'}</span>
      </label>
      <input
        id={id}
        type="range"
        className="dial-range"
        min={0}
        max={HIGHEST}
        value={cm}
        list={`${id}-here`}
        onChange={(event) => setCm(Number(event.target.value))}
      />
      <datalist id={`${id}-here`}>
        {here.map((size) => (
          <option key={size} value={size} />
        ))}
      </datalist>
      {here.length > 0 && (
        <p className="flex flex-wrap items-center gap-1 text-sm">
          <span className="quiet">{room!.name}:</span>
          {here.map((size) => (
            <button key={size} type="button" className="btn btn-sm min-h-11" onClick={() => setCm(size)}>
              {size} cm
            </button>
          ))}
        </p>
      )}
      {nearest && (
        <p className="mt-1 text-sm">
          Nearest rung: <strong>{formName(library, nearest.move, nearest.settings)}</strong>
        </p>
      )}
      <div className="mt-2 h-56">
        <canvas
          ref={canvas}
          role="img"
          aria-label="Share of body weight on the hands by their height; the same figures stand in the table below"
        />
      </div>
      <details className="mt-1">
        <summary className="touch flex cursor-pointer items-center text-sm underline underline-offset-4">
          The published points as a table
        </summary>
        <table className="table table-sm">
          <caption className="quiet text-left text-sm">{PUSH_UP_SHARE.source}, from memory</caption>
          <tbody>
            {PUSH_UP_SHARE.x.map((x, i) => (
              <tr key={x}>
                <th scope="row" className="font-normal">
                  {x < 0 ? `feet raised ${-x} cm` : x === 0 ? 'flat' : `hands raised ${x} cm`}
                </th>
                <td className="text-right">{PUSH_UP_SHARE.y[i]} %</td>
              </tr>
            ))}
            <tr>
              <th scope="row" className="font-normal">
                knees down, hands flat
              </th>
              <td className="text-right">{KNEE_PUSH_UP_SHARE} %</td>
            </tr>
          </tbody>
        </table>
      </details>
    </section>
  );
}
