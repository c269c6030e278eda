import {
  ARM_REST,
  along,
  type DrawnFigure,
  direction,
  hiddenAt,
  type InHand,
  LENGTHS,
  LIMB_SIDES,
  mostHidden,
  type Point,
  type Prop,
  poseAt,
  RADII,
  type Solved,
  type SolvedLimb,
  solve,
  step,
} from '../pose/index.ts';
import { stillsOf } from './stills.ts';

/** What a shape is: the near and the far half of somebody, what they use, what they stand on. */
export type Tone = 'near' | 'far' | 'thing' | 'line';
export interface Shape {
  readonly d: string;
  readonly tone: Tone;
  /** Kept apart from what it lies over by a thin edge. */
  readonly edged?: boolean;
}

/** Units of the drawing to a metre. */
export const SCALE = 100;
/** Tenths of a unit as they are written, from −400 to 400: a frame of figures is thousands of them. */
const REACH = 4000;
const TENTHS = Array.from({ length: 2 * REACH + 1 }, (_, i) => String((i - REACH) / 10));
const n = (v: number): string => {
  const tenths = Math.round(v * 10);
  return TENTHS[tenths + REACH] ?? String(tenths / 10);
};
const at = (p: Point) => `${n(p[0] * SCALE)} ${n(-p[1] * SCALE)}`;

/** A limb's part: round at both ends, thinner at the one. */
function capsule(a: Point, b: Point, [ra, rb]: readonly [number, number]): string {
  const length = Math.hypot(b[0] - a[0], b[1] - a[1]);
  const k = length < 1e-6 ? [0, 1] : [-(b[1] - a[1]) / length, (b[0] - a[0]) / length];
  const off = (p: Point, r: number): Point => [p[0] + k[0]! * r, p[1] + k[1]! * r];
  const arc = (r: number) => `A${n(r * SCALE)} ${n(r * SCALE)} 0 0 1 `;
  return `M${at(off(a, ra))}L${at(off(b, rb))}${arc(rb)}${at(off(b, -rb))}L${at(off(a, -ra))}${arc(ra)}${at(off(a, ra))}Z`;
}

const circle = (c: Point, r: number): string => {
  const [x, y] = [c[0] * SCALE, -c[1] * SCALE];
  const R = r * SCALE;
  return `M${n(x - R)} ${n(y)}A${n(R)} ${n(R)} 0 1 1 ${n(x + R)} ${n(y)}A${n(R)} ${n(R)} 0 1 1 ${n(x - R)} ${n(y)}Z`;
};
const polygon = (points: readonly Point[]): string => `M${points.map(at).join('L')}Z`;
const box = (x: number, y: number, w: number, h: number): string =>
  polygon([
    [x, y],
    [x + w, y],
    [x + w, y + h],
    [x, y + h],
  ]);

const limb = (kind: 'arm' | 'leg', l: SolvedLimb): string[] =>
  kind === 'arm'
    ? [
        capsule(l.root, l.joint, RADII.upperArm),
        capsule(l.joint, l.end, RADII.forearm),
        capsule(l.end, l.tip, RADII.hand),
      ]
    : [
        capsule(l.root, l.joint, RADII.thigh),
        capsule(l.joint, l.end, RADII.shank),
        capsule(along(l.heel, l.tip, 0.12), l.tip, RADII.foot),
        capsule(l.end, along(l.heel, l.tip, 0.3), [0.036, 0.034]),
      ];

function trunk(s: Solved): string[] {
  const head = along(s.headBase, s.crown, 0.5);
  const neck = capsule(s.neck, s.headBase, RADII.neck);
  if (s.broad) {
    const up = direction(s.hip, s.neck);
    const side = (p: Point, half: number) => [step(p, up - 90, -half), step(p, up - 90, half)] as const;
    const [a, b] = side(s.neck, LENGTHS.shoulderHalf - 0.01);
    const [c, d] = side(s.waist, LENGTHS.hipHalf + 0.05);
    const [e, f] = side(s.hip, LENGTHS.hipHalf - 0.01);
    return [
      capsule(s.neck, s.headBase, RADII.neck),
      polygon([
        step(b, up - 90, 0.03),
        d,
        step(f, up - 90, 0.078),
        step(e, up - 90, -0.078),
        c,
        step(a, up - 90, -0.03),
      ]),
      capsule(a, b, [0.056, 0.056]),
      capsule(e, f, [0.082, 0.082]),
      circle(head, RADII.head),
      neck,
    ];
  }
  // Where they look: a nose, so that front and back are told apart.
  const facing = direction(s.headBase, s.crown) - 90;
  return [
    capsule(s.hip, s.waist, RADII.loin),
    capsule(s.waist, s.neck, RADII.chest),
    neck,
    circle(head, RADII.head),
    ...(s.looks ? [] : [circle(step(head, facing, RADII.head * 0.98), 0.026)]),
  ];
}

/** Half the breadth of a wall seen from the front, m. */
const WALL_HALF = 0.72;

function propBehind(prop: Prop): Shape[] {
  const thing = (d: string): Shape => ({ d, tone: 'thing' });
  const line = (d: string): Shape => ({ d, tone: 'line' });
  switch (prop.is) {
    case 'mat':
      return prop.half
        ? [thing(box(prop.from, -prop.half, prop.to - prop.from, 2 * prop.half))]
        : [thing(box(prop.from, -0.035, prop.to - prop.from, 0.03))];
    case 'wall':
      return prop.behind
        ? [line(box(prop.x - WALL_HALF, 0, 2 * WALL_HALF, 2.05))]
        : [thing(box(prop.x, -0.02, 0.06, 2.15))];
    case 'surface':
      return [
        thing(box(prop.from, prop.height - 0.06, prop.to - prop.from, 0.06)),
        ...(prop.height > 0.12
          ? [
              thing(box(prop.from + 0.04, 0, 0.04, prop.height - 0.05)),
              thing(box(prop.to - 0.08, 0, 0.04, prop.height - 0.05)),
            ]
          : []),
      ];
    case 'step':
      return [thing(box(prop.from, 0, prop.to - prop.from, prop.height))];
    case 'seat': {
      const { x, height } = prop;
      return [
        thing(box(x - 0.22, height - 0.05, 0.44, 0.05)),
        thing(box(x - 0.21, 0, 0.035, height - 0.04)),
        thing(box(x + 0.175, 0, 0.035, height - 0.04)),
        ...(prop.back ? [thing(box(x - 0.25, height, 0.035, 0.48))] : []),
        ...(prop.arms ? [thing(box(x - 0.22, height + ARM_REST - 0.035, 0.38, 0.035))] : []),
      ];
    }
    case 'hold': {
      const { x, height, half = 0 } = prop;
      return [
        ...(half > 0 ? [-half + 0.02, half - 0.02] : [0]).map((off) =>
          thing(box(x + off - 0.02, 0, 0.04, height)),
        ),
        thing(box(x - 0.09 - half, height - 0.03, 0.18 + 2 * half, 0.03)),
      ];
    }
    case 'mark':
      // It runs towards the eye.
      return [
        {
          d: polygon([
            [prop.x - 0.02, 0],
            [prop.x + 0.02, 0],
            [prop.x + 0.06, -0.1],
            [prop.x - 0.06, -0.1],
          ]),
          tone: 'near',
        },
      ];
    case 'bar':
      return [
        thing(circle([prop.x, prop.height], 0.028)),
        line(`M${at([prop.x, prop.height])}L${at([prop.x, prop.height + 0.5])}`),
      ];
    case 'cushion':
      return [thing(capsule([prop.x - 0.16, 0.03], [prop.x + 0.16, 0.03], [0.03, 0.03]))];
    default:
      return [];
  }
}

const behind = new WeakMap<readonly Prop[], readonly Shape[]>();
/** What stands beside somebody is the same at every moment of a rep: drawn once. */
function thingsBehind(props: readonly Prop[]): readonly Shape[] {
  let made = behind.get(props);
  if (!made) {
    made = props.flatMap(propBehind);
    behind.set(props, made);
  }
  return made;
}

/** A stick goes on beyond either hand, m. */
const STICK_OVER = 0.16;
/** Feet so far off the floor let a rope pass beneath, m. */
const ROPE_UNDER = 0.03;

function propInHand(prop: Prop, s: Solved): Shape[] {
  const arm = (which: InHand) => s.arms[which === 'far' ? 1 : 0];
  const hands = (which: InHand) => (which === 'both' ? [s.arms[1], s.arms[0]] : [arm(which)]);
  const grip = (arm: SolvedLimb): Point => along(arm.end, arm.tip, 0.55);
  const thing = (d: string): Shape => ({ d, tone: 'thing', edged: true });
  switch (prop.is) {
    case 'dumbbell':
      return hands(prop.in).flatMap((arm) => {
        const g = grip(arm);
        const across = direction(arm.end, arm.tip) + (s.view === 'side' ? 0 : 90);
        if (s.view === 'side')
          return [thing(circle(g, 0.062)), { d: circle(g, 0.02), tone: 'line' as const }];
        const [a, b] = [step(g, across, 0.09), step(g, across, -0.09)];
        return [thing(capsule(a, b, [0.02, 0.02])), thing(circle(a, 0.05)), thing(circle(b, 0.05))];
      });
    case 'bell': {
      const g = prop.in === 'both' ? along(grip(s.arms[0]), grip(s.arms[1]), 0.5) : grip(arm(prop.in));
      const hang = step(g, 0, 0.1);
      return [thing(circle(hang, 0.085)), { d: `M${at(g)}L${at(hang)}`, tone: 'line' }];
    }
    case 'bottle':
      return hands(prop.in).flatMap((arm) => {
        const g = grip(arm);
        // Held round its middle, neck up where the hand points ahead.
        const up = direction(arm.end, arm.tip) + 90;
        return [
          thing(capsule(step(g, up, 0.05), step(g, up, -0.09), [0.036, 0.036])),
          thing(capsule(step(g, up, 0.06), step(g, up, 0.1), [0.016, 0.014])),
        ];
      });
    case 'ball': {
      const { end, tip } = arm(prop.in);
      const g = prop.in === 'both' ? along(s.arms[0].tip, s.arms[1].tip, 0.5) : tip;
      return [thing(circle(step(g, direction(end, tip), 0.07), 0.11))];
    }
    case 'stick':
    case 'towel': {
      const [a, b] = [grip(s.arms[0]), grip(s.arms[1])];
      const away = Math.hypot(a[0] - b[0], a[1] - b[1]) < 0.05;
      const way = direction(a, b);
      const over = prop.is === 'stick' ? STICK_OVER : 0;
      const ends: [Point, Point] = away
        ? [step(a, 180, 0.06), step(a, 0, 0.06)]
        : [step(a, way, -over), step(b, way, over)];
      return [thing(capsule(ends[0], ends[1], [0.018, 0.018]))];
    }
    case 'loop':
      return [
        {
          d: `M${LIMB_SIDES.map((i) => {
            const leg = s.legs[i];
            return at(
              prop.round === 'ankles' ? along(leg.joint, leg.end, 0.86) : along(leg.root, leg.joint, 0.8),
            );
          }).join('L')}`,
          tone: 'line' as const,
        },
      ];
    case 'rope': {
      // It goes round once for a leap: beneath those in the air, over those who stand.
      const hand = grip(s.arms[0]);
      const feet = LIMB_SIDES.flatMap((i) => [s.legs[i].tip, s.legs[i].heel]);
      const low = Math.min(...feet.map(([, y]) => y));
      const x = (Math.min(...feet.map((p) => p[0])) + Math.max(...feet.map((p) => p[0]))) / 2;
      const d =
        low > ROPE_UNDER
          ? `M${at(hand)}Q${at([x + 0.42, 0.3])} ${at([x + 0.1, 0.015])}L${at([x - 0.2, 0.015])}`
          : `M${at(hand)}Q${at([x - 0.65, 1.3])} ${at([s.crown[0] - 0.1, s.crown[1] + 0.16])}L${at([s.crown[0] + 0.14, s.crown[1] + 0.18])}`;
      return [{ d, tone: 'line' }];
    }
    case 'band':
      return hands(prop.in).map((arm) => ({
        d: `M${at(prop.from)}L${at(grip(arm))}`,
        tone: 'line' as const,
      }));
    default:
      return [];
  }
}

/** Turned by less than this nothing is to be seen, degrees. */
export const LEAST_TURN = 8;
/** Does a figure turn, so that it is worth seeing from a second side? */
export const turns = (figure: DrawnFigure): boolean =>
  mostHidden(figure, 'trunk') >= LEAST_TURN || mostHidden(figure, 'head') >= LEAST_TURN;

/** Halves of hips and shoulders as they are seen from the head, m, and how far the picture reaches. */
const ABOVE = { hips: 0.15, shoulders: 0.21, reach: 0.3 } as const;
/** Half of the square that {@link seenAlong} is drawn in, in the units of the drawing. */
export const ALONG_REACH = ABOVE.reach * SCALE;
/**
 * Somebody at a moment of a rep (0 to 1) as they are seen along the spine from the head: hips, shoulders over them, head
 * over those, about the middle. Who is drawn from the side looks to the right, who is drawn from the front at the eye.
 */
export function seenAlong(figure: DrawnFigure, t: number): Shape[] {
  const { trunk: turned, head } = hiddenAt(figure, t);
  const base = figure.view === 'front' ? -90 : 0;
  const way = (degrees: number): Point => {
    const a = ((base + degrees) * Math.PI) / 180;
    return [Math.cos(a), Math.sin(a)];
  };
  const bar = (degrees: number, half: number, r: number): string => {
    const [x, y] = way(degrees);
    return capsule([-y * half, x * half], [y * half, -x * half], [r, r]);
  };
  const [x, y] = way(turned + head);
  return [
    { d: bar(0, ABOVE.hips, 0.075), tone: 'far' },
    { d: bar(turned, ABOVE.shoulders, 0.055), tone: 'near', edged: true },
    { d: circle([0, 0], RADII.head * 0.9), tone: 'near', edged: true },
    { d: circle([x * RADII.head, y * RADII.head], 0.028), tone: 'near' },
  ];
}

/** Everything of a figure at a moment of its rep (0 to 1), in the order in which it is painted; y goes down. */
export function shapesOf(figure: DrawnFigure, t: number): Shape[] {
  return shapesOfPose(figure, solve(poseAt(figure, t), figure.view));
}

/** Whether an arm lies across the trunk in a front view. */
const crosses = (s: Solved): boolean =>
  s.arms.some((arm) => Math.abs(arm.end[0] - s.neck[0]) < 0.17 && arm.end[1] > s.hip[1] + 0.1);

/** The same of a solved pose. */
export function shapesOfPose(figure: Pick<DrawnFigure, 'props' | 'view'>, s: Solved): Shape[] {
  const far = s.broad ? 'near' : 'far';
  const whole = (d: string[], tone: Tone, edged = false): Shape => ({
    d: d.join(''),
    tone,
    ...(edged ? { edged } : {}),
  });
  return [
    ...thingsBehind(figure.props),
    whole(limb('arm', s.arms[1]), far),
    whole(limb('leg', s.legs[1]), far),
    whole(trunk(s), 'near'),
    whole(limb('leg', s.legs[0]), 'near', s.view === 'side'),
    whole(limb('arm', s.arms[0]), 'near', s.view === 'side' || crosses(s)),
    ...figure.props.flatMap((prop) => propInHand(prop, s)),
  ];
}

type Frame = readonly [x: number, y: number, width: number, height: number];
/** How far a mat goes on beyond somebody where only one moment is drawn, m. */
const MAT_BEYOND = 0.12;
const PAD = 0.06;

/** Left, top, width, height of what a figure covers at some moments, so that nothing of it is cut off. */
function extent(figure: DrawnFigure, moments: readonly number[]): Frame {
  let [left, right, top, low] = [Number.POSITIVE_INFINITY, Number.NEGATIVE_INFINITY, 0, 0];
  const cover = ([x, y]: Point, r: number) => {
    left = Math.min(left, x - r);
    right = Math.max(right, x + r);
    top = Math.max(top, y + r);
    if (figure.above) low = Math.min(low, y - r);
  };
  const roped = figure.props.some((prop) => prop.is === 'rope');
  for (const t of moments) {
    const s = solve(poseAt(figure, t), figure.view);
    cover(s.crown, 0.08);
    if (roped) {
      cover([s.crown[0] - 0.42, s.crown[1] + 0.18], 0.03);
      cover([s.crown[0] + 0.36, 0], 0.03);
    }
    cover(s.neck, 0.12);
    cover(s.hip, 0.12);
    for (const l of [...s.arms, ...s.legs]) for (const p of [l.joint, l.end, l.tip, l.heel]) cover(p, 0.1);
  }
  for (const prop of figure.props) {
    if (prop.is === 'seat') {
      cover([prop.x - 0.24, prop.height + (prop.back ? 0.48 : 0)], 0.03);
      cover([prop.x + 0.22, 0], 0.03);
    } else if (prop.is === 'surface' || prop.is === 'step' || prop.is === 'mat') {
      const half = prop.is === 'mat' ? (prop.half ?? 0) : 0;
      cover([prop.from, half], 0.02);
      cover([prop.to, -half], 0.02);
    } else if (prop.is === 'wall' && prop.behind) {
      cover([prop.x - WALL_HALF, 2.05], 0);
      cover([prop.x + WALL_HALF, 0], 0);
    } else if (prop.is === 'wall') cover([prop.x + 0.05, 1.6], 0.02);
    else if (prop.is === 'bar') cover([prop.x, prop.height], 0.1);
    else if (prop.is === 'hold')
      for (const half of [-(prop.half ?? 0), prop.half ?? 0]) cover([prop.x + half, prop.height], 0.1);
    else if (prop.is === 'mark') cover([prop.x, 0], 0.03);
    else if (prop.is === 'band') cover(prop.from, 0.03);
  }
  const h = top + PAD + 0.09 - low;
  return [(left - PAD) * SCALE, -(top + PAD) * SCALE, (right - left + 2 * PAD) * SCALE, h * SCALE];
}

/** Left, top, width, height of what a figure ever covers, so that nothing of it is cut off. */
export const frameOf = (figure: DrawnFigure, steps = 8): Frame => {
  const last = Math.max(1, figure.poses.length - 1);
  // Parts that follow each other reach furthest at their own moments, which needn't be eighths.
  const own = figure.parts ? figure.poses.map((_, i) => (i / last) * (figure.back ? 0.5 : 1)) : [];
  return extent(figure, [...Array.from({ length: steps + 1 }, (_, k) => k / steps), ...own]);
};

/** A moment of a rep with what is seen of it, in the units of its drawing. */
export interface Still {
  readonly t: number;
  readonly figure: DrawnFigure;
  readonly frame: Frame;
}

/** What is covered at one moment: a mat no further than somebody on it. */
function stillAt(figure: DrawnFigure, t: number): Omit<Still, 't'> {
  if (figure.above || !figure.props.some((prop) => prop.is === 'mat'))
    return { figure, frame: extent(figure, [t]) };
  const bare = { ...figure, props: figure.props.filter((prop) => prop.is !== 'mat') };
  const [x, , width] = extent(bare, [t]);
  const [from, to] = [x / SCALE - MAT_BEYOND, (x + width) / SCALE + MAT_BEYOND];
  const cut = {
    ...figure,
    props: figure.props.flatMap((prop): Prop[] => {
      if (prop.is !== 'mat') return [prop];
      const mat = { ...prop, from: Math.max(from, prop.from), to: Math.min(to, prop.to) };
      return mat.to > mat.from ? [mat] : [];
    }),
  };
  return { figure: cut, frame: extent(cut, [t]) };
}

const strips = new WeakMap<DrawnFigure, readonly Still[]>();

/**
 * A figure's stills to be drawn side by side, each no broader than it has to be: one scale, one floor and one top, so
 * that a row of them is as large as it can be.
 */
export function stripOf(figure: DrawnFigure): readonly Still[] {
  const known = strips.get(figure);
  if (known) return known;
  const each = stillsOf(figure).map((t) => ({ t, ...stillAt(figure, t) }));
  const top = Math.min(...each.map(({ frame }) => frame[1]));
  const bottom = Math.max(...each.map(({ frame }) => frame[1] + frame[3]));
  const made = each.map(({ frame, ...still }) => ({
    ...still,
    frame: [frame[0], top, frame[2], bottom - top] as const,
  }));
  strips.set(figure, made);
  return made;
}

const TONES: Readonly<Record<Tone, string>> = {
  near: '#17232e',
  far: '#8f979d',
  thing: '#cfc4ac',
  line: '#17232e',
};

/** A still as an SVG text of its own, in black and white as much as in colour. */
export function svgOf({ figure, t, frame }: Still, title: string): string {
  const [x, y, w, h] = frame.map((v) => Math.round(v));
  const safe = title.replaceAll('&', '&amp;').replaceAll('<', '&lt;');
  const paths = shapesOf(figure, t)
    .map(
      ({ d, tone, edged }) =>
        `<path d="${d}" fill="${tone === 'line' ? 'none' : TONES[tone]}"${
          tone === 'line'
            ? ` stroke="${TONES.line}" stroke-width="2.5"`
            : edged
              ? ' stroke="#fff" stroke-width="3" paint-order="stroke"'
              : ''
        }/>`,
    )
    .join('');
  const floor = figure.above ? '' : `<path d="M${x} 0H${x! + w!}" stroke="${TONES.line}" stroke-width="2"/>`;
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="${x} ${y} ${w} ${h}" width="${w}" height="${h}" role="img"><title>${safe}</title>${floor}${paths}</svg>\n`;
}
