import { MOMENT_JOINTS, type MomentJoint, type Rep, shareAt, USUAL_BODY } from '@inner-rung/core/mechanics';
import type { ChartConfiguration } from 'chart.js';
import { useCallback } from 'react';
import { type Css, Picture, valueAxis } from '../ui/picture.tsx';

export const JOINT_SAYS: Readonly<Record<MomentJoint, string>> = {
  ankle: 'Ankle',
  knee: 'Knee',
  hip: 'Hip',
  shoulder: 'Shoulder',
  elbow: 'Elbow',
  wrist: 'Wrist',
};

/** Each joint through the rep, with its key. */
export function ForcesCurves({ rep, here }: { rep: Rep; here: number }) {
  const make = useCallback((css: Css) => curves(rep, here, css), [rep, here]);
  return (
    <div className="mt-3">
      <p className="flex flex-wrap gap-x-5 text-sm" aria-hidden="true">
        {MOMENT_JOINTS.map((joint) => (
          <span key={joint} className="inline-flex items-center gap-2">
            <svg width="34" height="6" aria-hidden="true">
              <path
                d="M0 3h34"
                stroke={`var(${COLOURS[joint].name})`}
                strokeWidth={3}
                strokeDasharray={COLOURS[joint].dash.join(' ')}
              />
            </svg>
            {JOINT_SAYS[joint]}
          </span>
        ))}
      </p>
      <Picture
        make={make}
        says="Each joint’s share of what its muscles can make through the rep; the most of each stands in the table below"
      />
    </div>
  );
}

const COLOURS: Readonly<Record<MomentJoint, { name: string; dash: number[] }>> = {
  knee: { name: '--color-primary', dash: [] },
  hip: { name: '--color-base-content', dash: [] },
  shoulder: { name: '--lane-3', dash: [] },
  ankle: { name: '--color-primary', dash: [6, 4] },
  elbow: { name: '--lane-3', dash: [6, 4] },
  wrist: { name: '--lane-3', dash: [2, 3] },
};

/** Each joint's share through the rep, and where in it one looks. */
function curves(rep: Rep, here: number, css: Css): ChartConfiguration {
  const x = (frame: Rep['frames'][number]) => Math.round(frame.t * 100);
  return {
    type: 'line',
    data: {
      datasets: [
        ...MOMENT_JOINTS.map((joint) => ({
          label: JOINT_SAYS[joint],
          data: rep.frames.map((frame) => ({ x: x(frame), y: shareAt(frame, joint, USUAL_BODY) * 100 })),
          borderColor: css(COLOURS[joint].name),
          borderDash: COLOURS[joint].dash,
          borderWidth: 2.5,
          pointRadius: rep.frames.map((_, i) => (i === here ? 4 : 0)),
          pointBackgroundColor: css(COLOURS[joint].name),
        })),
      ],
    },
    options: {
      scales: {
        x: {
          type: 'linear',
          min: 0,
          max: 100,
          title: { display: true, text: '% of the rep', color: css('--color-base-content') },
          ticks: { color: css('--color-base-content') },
          grid: { color: css('--color-base-300') },
        },
        y: valueAxis(css, '% of strength'),
      },
    },
  };
}
