import {
  difficultyOf,
  type Ladder,
  type Library,
  PART_KEYS,
  type PartKey,
  rungDemand,
} from '@inner-rung/core/ladder';
import { DEMANDS, type Demand, type DemandKey, type Figure } from '@inner-rung/core/move';

/** A part of difficulty in a word, for the head of a column. */
export const PART_WORD: Readonly<Record<PartKey, string>> = {
  'strength.legs': 'legs',
  'strength.push': 'push',
  'strength.pull': 'pull',
  'strength.front': 'front',
  'strength.side': 'side',
  'strength.back': 'back',
  'strength.grip': 'grip',
  'balance.level': 'balance',
  'coordination.level': 'co-ord',
  'effort.met': 'effort',
  'impact.class': 'impact',
};
const MOST_POINTS = 110;

/** The parts worth a column on a ladder: what it climbs in first, then what else rises, at most `most`. */
export function partsOf(library: Library, ladder: Ladder, most: number): PartKey[] {
  const top = new Map<PartKey, number>();
  for (const rung of ladder.rungs) {
    const demand = rungDemand(library, rung);
    if (demand)
      for (const part of difficultyOf(demand).parts)
        top.set(part.key, Math.max(top.get(part.key) ?? 0, part.points));
  }
  const others = PART_KEYS.filter((key) => !ladder.measures.includes(key) && (top.get(key) ?? 0) >= 20).sort(
    (a, b) => (top.get(b) ?? 0) - (top.get(a) ?? 0),
  );
  return [...ladder.measures, ...others].slice(0, most);
}

const range = ({ lo, hi }: Figure) => {
  const short = (v: number) => String(Math.round(v * 10) / 10);
  return lo === null || hi === null ? 'not known' : lo === hi ? short(hi) : `${short(lo)}–${short(hi)}`;
};

/** A figure with its unit as it is said: "64% body mass", "2 of 4", "yes". */
export function figureWords(key: DemandKey, figure: Figure): string {
  const { unit } = DEMANDS[key];
  const value = range(figure);
  if (figure.lo === null || figure.hi === null) return value;
  if (unit === '0 or 1') return figure.hi === 0 ? 'no' : figure.lo === 1 ? 'yes' : 'it may';
  const scale = /0–(\d+)$/.exec(unit);
  if (scale) return `${value} of ${scale[1]}`;
  return unit.startsWith('%') || unit === '°' ? `${value}${unit}` : `${value} ${unit}`;
}

/** One rung's demand as bars, one a part, on the same columns as its neighbours'. */
export function PartBars(props: { demand: Demand; parts: readonly PartKey[]; measures: readonly PartKey[] }) {
  const points = new Map(difficultyOf(props.demand).parts.map((part) => [part.key, part.points]));
  return (
    <span
      className="grid shrink-0 gap-x-1.5"
      style={{ gridTemplateColumns: `repeat(${props.parts.length}, 2.9rem)` }}
    >
      {props.parts.map((key) => {
        const share = Math.min(1, (points.get(key) ?? 0) / MOST_POINTS);
        const figure = `${DEMANDS[key].says}: ${figureWords(key, props.demand[key])}`;
        return (
          <span key={key} title={figure} className="block h-2.5 self-center border-l border-current/40">
            <span
              className={`block h-full bg-current ${props.measures.includes(key) ? '' : 'opacity-55'}`}
              style={{ width: `${share * 100}%` }}
            />
            <span className="sr-only">{figure}</span>
          </span>
        );
      })}
    </span>
  );
}

/** The same parts of two rungs, one under the other: what changes on the step between them. */
export function StepPlot(props: { below: Demand; above: Demand; parts: readonly PartKey[] }) {
  const of = (demand: Demand) => new Map(difficultyOf(demand).parts.map((part) => [part.key, part.points]));
  const [a, b] = [of(props.below), of(props.above)];
  const x = (points: number) => 6 + (Math.min(MOST_POINTS, points) / MOST_POINTS) * 128;
  return (
    <div className="grid grid-cols-[4.2rem_1fr] items-center gap-x-2 text-sm">
      {props.parts.map((key) => {
        const [from, to] = [a.get(key) ?? 0, b.get(key) ?? 0];
        return (
          <div key={key} className="contents">
            <span className="quiet">{PART_WORD[key]}</span>
            <svg
              viewBox="0 0 140 16"
              className="h-4 w-full max-w-60"
              role="img"
              aria-label={`${DEMANDS[key].says}: ${figureWords(key, props.below[key])} to ${figureWords(key, props.above[key])}`}
            >
              <path d="M6 8h128" stroke="var(--color-base-300)" strokeWidth="2" />
              <path d={`M${x(from)} 8H${x(to)}`} stroke="var(--line)" strokeWidth="3" />
              <circle
                cx={x(from)}
                cy="8"
                r="4"
                fill="var(--color-base-100)"
                stroke="var(--line)"
                strokeWidth="2"
              />
              <circle
                cx={x(to)}
                cy="8"
                r="4.500"
                fill={to >= from ? 'var(--line)' : 'var(--color-primary)'}
              />
            </svg>
          </div>
        );
      })}
    </div>
  );
}
