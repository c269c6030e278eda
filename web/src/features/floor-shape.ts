/** The floor seen from above: a loop with lanes as rings, drawn in units of its own view box. */
export const FLOOR = { width: 1150, height: 760, lane: 43, holeX: 216, holeY: 122 } as const;
const CENTRE = { x: FLOOR.width / 2, y: FLOOR.height / 2 };
const ROUNDNESS = 2.7;

export interface Point {
  readonly x: number;
  readonly y: number;
}

/** A point of the ring that lies `lanes` lane widths out from the hole's edge, at an angle from the top. */
function ringPoint(lanes: number, angle: number): Point {
  const a = FLOOR.holeX + lanes * FLOOR.lane;
  const b = FLOOR.holeY + lanes * FLOOR.lane;
  const power = (v: number) => Math.sign(v) * Math.abs(v) ** (2 / ROUNDNESS);
  return {
    x: CENTRE.x + a * power(Math.sin(angle)),
    y: CENTRE.y - b * power(Math.cos(angle)),
  };
}

const SAMPLES = 720;
/** Angles at even steps along the middle of the track, so that stations stand equally far apart. */
const evenAngles = (() => {
  const lengths = [0];
  let last = ringPoint(2, 0);
  for (let i = 1; i <= SAMPLES; i++) {
    const next = ringPoint(2, (i / SAMPLES) * 2 * Math.PI);
    lengths.push(lengths[i - 1]! + Math.hypot(next.x - last.x, next.y - last.y));
    last = next;
  }
  const total = lengths[SAMPLES]!;
  return (share: number) => {
    let i = 0;
    while (i < SAMPLES && lengths[i + 1]! < share * total) i++;
    const span = lengths[i + 1]! - lengths[i]! || 1;
    return ((i + (share * total - lengths[i]!) / span) / SAMPLES) * 2 * Math.PI;
  };
})();

export function stationAngle(station: number, count: number): number {
  return evenAngles(station / Math.max(1, count));
}

/** Middle of a lane at a station's angle; lane −1 is the hole (rest), 4 the rim where labels start. */
export function lanePoint(lane: number, angle: number): Point {
  return ringPoint(lane + 0.5, angle);
}

/** Outline of the ring `lanes` widths out, with the slightly uneven hand of a painted chart. */
export function ringPath(lanes: number): string {
  const points: string[] = [];
  const steps = 120;
  for (let i = 0; i < steps; i++) {
    const angle = (i / steps) * 2 * Math.PI;
    const wobble = 0.035 * Math.sin(angle * 5 + lanes) + 0.025 * Math.sin(angle * 11 - lanes * 2);
    const { x, y } = ringPoint(lanes + wobble, angle);
    points.push(`${x.toFixed(1)} ${y.toFixed(1)}`);
  }
  return `M${points.join('L')}Z`;
}

/** A closed line through points that leans into its corners: the way somebody walks the circuit. */
export function walkPath(points: readonly Point[]): string {
  const n = points.length;
  if (n === 0) return 'M0 0';
  const p = (i: number) => points[(i + n) % n]!;
  const f = (v: number) => v.toFixed(1);
  let path = `M${f(p(0).x)} ${f(p(0).y)}`;
  for (let i = 0; i < n; i++) {
    const [a, b, c, d] = [p(i - 1), p(i), p(i + 1), p(i + 2)];
    const pull = 0.14;
    path += `C${f(b.x + (c.x - a.x) * pull)} ${f(b.y + (c.y - a.y) * pull)} ${f(c.x - (d.x - b.x) * pull)} ${f(c.y - (d.y - b.y) * pull)} ${f(c.x)} ${f(c.y)}`;
  }
  return `${path}Z`;
}

/** Breaks a name into lines of at most so many letters, at spaces. */
export function wrap(text: string, letters: number, lines: number): string[] {
  const out: string[] = [];
  for (const word of text.split(' ')) {
    const last = out.at(-1);
    if (last !== undefined && `${last} ${word}`.length <= letters) out[out.length - 1] = `${last} ${word}`;
    else out.push(word);
  }
  if (out.length <= lines) return out;
  return [...out.slice(0, lines - 1), `${out[lines - 1]!.replace(/,$/, '')}…`];
}
