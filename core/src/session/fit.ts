import { lengthOf } from '../clock/index.ts';
import { type Block, timelineOf } from './plan.ts';

/** What may be changed to land on a time. */
export const FIT_BY = {
  rounds: { says: 'rounds', from: 1, to: 20, step: 1 },
  workSeconds: { says: 'seconds of work', from: 10, to: 120, step: 5 },
  restSeconds: { says: 'seconds of rest', from: 0, to: 120, step: 5 },
  roundRestSeconds: { says: 'seconds between rounds', from: 0, to: 300, step: 15 },
} as const;
export type FitBy = keyof typeof FIT_BY;

export interface Fit {
  readonly by: FitBy;
  readonly value: number;
  readonly lengthSeconds: number;
  /** Seconds left over of the time there is. */
  readonly spareSeconds: number;
}

/**
 * For each thing that may be changed, the one value that fills a time best without going over; a thing for
 * which no value fits is left out. Closest first. Lengths are read off the timeline.
 */
export function fitTo(block: Block, seconds: number): Fit[] {
  const fits: Fit[] = [];
  for (const by of Object.keys(FIT_BY) as FitBy[]) {
    const { from, to, step } = FIT_BY[by];
    // Between rounds there is nothing to change where there is one round.
    if (by === 'roundRestSeconds' && block.format.rounds < 2) continue;
    let best: Fit | null = null;
    for (let value = from; value <= to; value += step) {
      const lengthSeconds = lengthOf(timelineOf({ ...block, format: { ...block.format, [by]: value } }));
      if (lengthSeconds > seconds) break;
      best = { by, value, lengthSeconds, spareSeconds: seconds - lengthSeconds };
    }
    if (best) fits.push(best);
  }
  return fits.sort((a, b) => a.spareSeconds - b.spareSeconds);
}
