import { type Format, formatEntry, INPUTS, type InputKey } from '../clock/index.ts';
import { type Block, blockName, isCircuit } from './plan.ts';
import { type Facts, secondsOf, type Timed, timelineOf } from './timeline.ts';

/** What a trainer reaches for first to land on a time. */
export const FIT_SCHOOLS = {
  rounds: 'rounds first',
  rests: 'rests first',
  work: 'work first',
  stations: 'stations first',
} as const;
export type FitSchool = keyof typeof FIT_SCHOOLS;

const SCHOOL_OF: Partial<Record<InputKey, FitSchool>> = {
  rounds: 'rounds',
  sets: 'rounds',
  bouts: 'rounds',
  minutes: 'rounds',
  to: 'rounds',
  restSeconds: 'rests',
  roundRestSeconds: 'rests',
  stationRestSeconds: 'rests',
  pairRestSeconds: 'rests',
  stepRestSeconds: 'rests',
  workSeconds: 'work',
  capSeconds: 'work',
};

/** Nothing shorter is work worth setting a clock for, nothing longer a slot. Common practice. */
const SENSIBLE: Partial<Record<InputKey, readonly [number, number]>> = {
  workSeconds: [10, 120],
  restSeconds: [0, 120],
  roundRestSeconds: [0, 300],
};

export interface Fit {
  readonly block: number;
  readonly by: FitSchool;
  /** "Circuit 2: 4 rounds". */
  readonly says: string;
  /** The block as it would be. */
  readonly becomes: Block;
  readonly lengthSeconds: number;
  /** Seconds left over of the time there is. */
  readonly spareSeconds: number;
}

const saysOf = (key: InputKey, value: number): string => {
  const { says, unit } = INPUTS[key];
  const word = says.toLowerCase();
  if (key === 'rounds' || key === 'sets' || key === 'bouts')
    return `${value} ${value === 1 ? word.slice(0, -1) : word}`;
  return `${word} ${value}${unit === 's' ? ' s' : unit === 'min' ? ' min' : ''}`;
};

const unsoundStep = (format: Format): boolean => {
  const steps = formatEntry(format.kind).steps?.(format);
  return steps !== undefined && (steps.high - steps.low) % steps.by !== 0;
};

const valuesOf = (from: number, to: number, step: number, sound: (value: number) => boolean): number[] => {
  const values: number[] = [];
  for (let value = from; value <= to; value += step) if (sound(value)) values.push(value);
  return values;
};

/**
 * Ways to land a session on a time by changing one thing of one block, each as close as it comes without
 * going over: the trainer's school first, then the closest. Warm-ups and cool-downs are left as they are.
 * A thing that can't be brought there is left out; with `only` one block is looked at, by that school alone. Lengths are read off the timeline.
 */
export function fitTo(
  session: Timed,
  facts: Facts,
  seconds: number,
  school: FitSchool = 'rounds',
  only?: { readonly block: number },
): Fit[] {
  const fits: Fit[] = [];
  const now = timelineOf(session, facts);
  // Blocks don't share a second: what one comes to is all that changes.
  const lengthWith = (b: number, block: Block) =>
    now.lengthSeconds - now.blocks[b]!.lengthSeconds + secondsOf(block, session.forWhom, facts);
  session.blocks.forEach((block, b) => {
    if (!isCircuit(block) || block.stations.length === 0) return;
    if (only && only.block !== b) return;
    const name = session.blocks.length > 1 ? `${blockName(session.blocks, b)}: ` : '';
    for (const input of formatEntry(block.format.kind).inputs) {
      const key = input.replace('?', '') as InputKey;
      const by = SCHOOL_OF[key];
      const current = (block.format as unknown as Record<string, number | undefined>)[key];
      if (!by || current === undefined || (only && by !== school)) continue;
      // Between rounds there is nothing to change where there is one round.
      if (key === 'roundRestSeconds' && 'rounds' in block.format && block.format.rounds < 2) continue;
      const { min, max, step } = INPUTS[key];
      const [from, to] = SENSIBLE[key] ?? [min, max];
      const withValue = (value: number): Block => ({
        ...block,
        format: { ...block.format, [key]: value } as Format,
      });
      // More of anything is never shorter: the largest that fits is walked to from what there is.
      const values = valuesOf(from, to, step, (value) => !unsoundStep(withValue(value).format));
      const fitsIn = (at: number) => lengthWith(b, withValue(values[at]!)) <= seconds;
      let low = values.filter((value) => value <= current).length - 1;
      while (low >= 0 && !fitsIn(low)) low--;
      while (low + 1 < values.length && fitsIn(low + 1)) low++;
      const value = values[low];
      if (value === undefined || value === current) continue;
      const becomes = withValue(value);
      const lengthSeconds = lengthWith(b, becomes);
      fits.push({
        block: b,
        by,
        says: name + saysOf(key, value),
        becomes,
        lengthSeconds,
        spareSeconds: seconds - lengthSeconds,
      });
    }
    for (let keep = block.stations.length - 1; keep >= 2 && !(only && school !== 'stations'); keep--) {
      const becomes = { ...block, stations: block.stations.slice(0, keep) };
      const lengthSeconds = lengthWith(b, becomes);
      if (lengthSeconds > seconds) continue;
      const without = block.stations.length - keep;
      fits.push({
        block: b,
        by: 'stations',
        says: `${name}without the last ${without === 1 ? 'station' : `${without} stations`}`,
        becomes,
        lengthSeconds,
        spareSeconds: seconds - lengthSeconds,
      });
      break;
    }
  });
  return fits.sort(
    (a, b) => Number(a.by !== school) - Number(b.by !== school) || a.spareSeconds - b.spareSeconds,
  );
}
