import { along, type DrawnFigure, MASSES, type Point, type Solved } from '../pose/index.ts';
import { type Body, GRAVITY, scaleOf } from './body.ts';
import { type Contact, contactsOf } from './contacts.ts';
import {
  ABOVE_LOW_BACK,
  BACK_MOST,
  BELOW_LOW_BACK,
  JOINT_ROWS,
  jointAt,
  lowBackAt,
  MOMENT_JOINTS,
  type Part,
  turnAbout,
} from './joints.ts';
import { nonNegativeLeastSquares } from './nnls.ts';

/** A mass at a place, m and kg; `side` for limbs and what a hand holds. */
export interface Mass {
  readonly part: Part;
  readonly side: 0 | 1 | null;
  readonly at: Point;
  readonly kg: number;
}

/** A force on the body at a place, N. */
export interface Reaction extends Contact {
  readonly force: Point;
}

/** How the body stands in one moment. */
export interface Standing {
  readonly masses: readonly Mass[];
  readonly centre: Point;
  readonly reactions: readonly Reaction[];
  /** Force that nothing takes up, as a share of weight: 0 where it can bear itself; 1 in the air. */
  readonly unborne: number;
  /** Turning that nothing takes up, as a share of weight times height. */
  readonly tips: number;
  /** Metres from the centre of mass to the nearer edge of what bears, below 0 outside; null where nothing does. */
  readonly margin: number | null;
}

/** A pull from outside that is known: of a band in a hand, N. */
export interface Pull {
  readonly side: 0 | 1;
  readonly at: Point;
  readonly force: Point;
}

/** What each hand holds, kg. */
export type Held = readonly [number, number];
export const NOTHING_HELD: Held = [0, 0];

/** The masses of a drawn body with what it holds, at a body's own size. */
function massesOf(s: Solved, body: Body, held: Held): Mass[] {
  const k = scaleOf(body);
  const big = ([x, y]: Point): Point => [x * k, y * k];
  const found: Mass[] = [];
  const add = (
    part: Part,
    side: 0 | 1 | null,
    a: Point,
    b: Point,
    { share, at }: { share: number; at: number },
  ) => found.push({ part, side, at: big(along(a, b, at)), kg: share * body.massKg });
  add('head', null, s.neck, s.crown, MASSES.head);
  add('chest', null, s.waist, s.neck, MASSES.chest);
  add('loin', null, s.hip, s.waist, MASSES.loin);
  for (const side of [0, 1] as const) {
    const arm = s.arms[side];
    add('upper arm', side, arm.root, arm.joint, MASSES.upperArm);
    add('forearm', side, arm.joint, arm.end, MASSES.forearm);
    add('hand', side, arm.end, arm.tip, MASSES.hand);
    const leg = s.legs[side];
    add('thigh', side, leg.root, leg.joint, MASSES.thigh);
    add('shank', side, leg.joint, leg.end, MASSES.shank);
    add('foot', side, leg.heel, leg.tip, MASSES.foot);
    if (held[side] > 0)
      found.push({ part: 'load', side, at: big(along(arm.end, arm.tip, 0.5)), kg: held[side] });
  }
  return found;
}

/** How dear a force is beside a moment at a joint's limit, a share of weight for a share of strength. Estimates. */
const DEAR = { ground: 0.15, grip: 0.5 } as const;
/** Shoes on a gym's floor, hands on a wall. Common practice for dry rubber, on the low side. */
const FRICTION = 0.6;
/** Equilibrium before everything else. */
const FIRM = 300;

/** Moments about the joints as they come of the forces at the contacts: what is there without them, and of each. */
function effortRows(
  s: Solved,
  body: Body,
  masses: readonly Mass[],
  contacts: readonly Contact[],
  ways: Problem['ways'],
  pulls: readonly Reaction[],
  twins: boolean,
): { row: number[]; right: number }[] {
  const k = scaleOf(body);
  const weight = body.massKg * GRAVITY;
  // Asked at every frame of every form: loops rather than lists.
  const one = (
    [x, y]: Point,
    most: number,
    has: (mass: Mass) => boolean,
    bears: (contact: Contact) => boolean,
    times: number,
  ) => {
    const [ax, ay] = [x * k, y * k];
    let own = 0;
    for (const mass of masses) if (has(mass)) own -= (mass.at[0] - ax) * mass.kg * GRAVITY;
    for (const pull of pulls)
      if (bears(pull)) own += (pull.at[0] - ax) * pull.force[1] - (pull.at[1] - ay) * pull.force[0];
    const share = times / (most * body.massKg);
    const row = new Array<number>(ways.length);
    for (let j = 0; j < ways.length; j++) {
      const { i, also, force } = ways[j]!;
      const contact = contacts[i]!;
      const of = (bears(contact) ? 1 : 0) + (also !== null && bears(contacts[also]!) ? 1 : 0);
      row[j] = of * ((contact.at[0] - ax) * force[1] - (contact.at[1] - ay) * force[0]) * weight * share;
    }
    return { row, right: -own * share };
  };
  const rows: { row: number[]; right: number }[] = [];
  for (const joint of MOMENT_JOINTS) {
    const { parts, bears, most } = JOINT_ROWS[joint];
    for (const side of twins ? ([0] as const) : ([0, 1] as const))
      rows.push(
        one(
          jointAt(s, joint, side),
          most,
          (mass) => mass.side === side && parts.includes(mass.part),
          (contact) => contact.side === side && bears.includes(contact.part),
          twins ? Math.SQRT2 : 1,
        ),
      );
  }
  rows.push(
    one(
      lowBackAt(s),
      BACK_MOST,
      (mass) => ABOVE_LOW_BACK.includes(mass.part),
      (contact) => !BELOW_LOW_BACK.includes(contact.part),
      1,
    ),
  );
  return rows;
}

/** The forces sought, and what they are sought by; forces are shares of the body's weight. */
export interface Problem {
  /** A force of size one at contact `i`, and the same at its twin on the other side, as each unknown is counted. */
  readonly ways: readonly {
    readonly i: number;
    readonly also: number | null;
    readonly force: Point;
    readonly dear: number;
  }[];
  /** Must hold: nothing is left over sideways, upwards and in turning. */
  readonly firm: readonly { readonly row: readonly number[]; readonly right: number }[];
  /** As small as can be, squared and added up. */
  readonly soft: readonly { readonly row: readonly number[]; readonly right: number }[];
}

interface Ground {
  readonly masses: readonly Mass[];
  readonly whole: number;
  readonly centre: Point;
  readonly contacts: readonly Contact[];
  readonly pulls: readonly Reaction[];
  /** What is to be borne: weight and pulls, N and N·m about the centre of mass. */
  readonly drawn: { readonly x: number; readonly y: number; readonly turn: number };
}

function groundOf(figure: DrawnFigure, s: Solved, body: Body, held: Held, pulled: readonly Pull[]): Ground {
  const masses = massesOf(s, body, held);
  const whole = masses.reduce((sum, { kg }) => sum + kg, 0);
  const centre: Point = [
    masses.reduce((sum, { at, kg }) => sum + at[0] * kg, 0) / whole,
    masses.reduce((sum, { at, kg }) => sum + at[1] * kg, 0) / whole,
  ];
  const k = scaleOf(body);
  const big = ([x, y]: Point): Point => [x * k, y * k];
  const pulls = pulled.map(
    ({ side, at, force }): Reaction => ({ part: 'hand', side, kind: 'grip', at: big(at), force }),
  );
  return {
    masses,
    whole,
    centre,
    contacts: contactsOf(figure, s).map((one) => ({ ...one, at: big(one.at) })),
    pulls,
    drawn: added({ x: 0, y: -whole * GRAVITY, turn: 0 }, pulls, centre),
  };
}

const added = (from: Ground['drawn'], forces: readonly Reaction[], about: Point): Ground['drawn'] =>
  forces.reduce(
    (sum, { at, force }) => ({
      x: sum.x + force[0],
      y: sum.y + force[1],
      turn: sum.turn + turnAbout(about, at, force),
    }),
    from,
  );

const near = (a: Point, b: Point): boolean => Math.abs(a[0] - b[0]) + Math.abs(a[1] - b[1]) < 1e-9;
/** Both sides drawn in the same place, with the same in both hands. */
const alike = (s: Solved, masses: readonly Mass[]): boolean =>
  near(s.arms[0].end, s.arms[1].end) &&
  near(s.legs[0].end, s.legs[1].end) &&
  near(s.legs[0].tip, s.legs[1].tip) &&
  near(s.arms[0].joint, s.arms[1].joint) &&
  near(s.legs[0].joint, s.legs[1].joint) &&
  near(s.arms[0].root, s.arms[1].root) &&
  near(s.legs[0].root, s.legs[1].root) &&
  masses.filter(({ part, side }) => part === 'load' && side === 0).reduce((sum, { kg }) => sum + kg, 0) ===
    masses.filter(({ part, side }) => part === 'load' && side === 1).reduce((sum, { kg }) => sum + kg, 0);

/**
 * What the forces at a pose's contacts are found by. Firm: equilibrium. Soft: each joint's moment as a share of what its
 * muscles can make, and the forces themselves, so that of all that would bear it those are taken that ask least.
 */
function problemOf(s: Solved, body: Body, ground: Ground): Problem {
  const { masses, centre, contacts, pulls, drawn } = ground;
  // Where both sides are drawn alike they bear alike, and half of the forces are to be found.
  const twins = alike(s, masses) && pulls.length % 2 === 0;
  const twinOf = contacts.map((contact, i) =>
    twins && contact.side === 0
      ? contacts.findIndex(
          (other, j) =>
            j > i && other.side === 1 && other.part === contact.part && near(other.at, contact.at),
        )
      : -1,
  );
  // A force within its cone of friction is one along each edge of it, none of them below nought.
  const ways = contacts.flatMap(({ kind, at }, i) => {
    if (twinOf.includes(i)) return [];
    const also = twinOf[i]! < 0 ? null : twinOf[i]!;
    const to = (x: number, y: number, dear: number) => ({
      i,
      also,
      force: [x, y] as Point,
      dear: also === null ? dear : dear * Math.SQRT2,
    });
    if (kind === 'ground') return [to(FRICTION, 1, DEAR.ground), to(-FRICTION, 1, DEAR.ground)];
    const away = at[0] > centre[0] ? -1 : 1;
    if (kind === 'wall') return [to(away, FRICTION, DEAR.ground), to(away, -FRICTION, DEAR.ground)];
    return [to(0, 1, DEAR.grip), to(0, -1, DEAR.grip), to(1, 0, DEAR.grip), to(-1, 0, DEAR.grip)];
  });
  const count = (also: number | null) => (also === null ? 1 : 2);
  const weight = body.massKg * GRAVITY;
  return {
    ways,
    firm: [
      { row: ways.map(({ force, also }) => count(also) * force[0]), right: -drawn.x / weight },
      { row: ways.map(({ force, also }) => count(also) * force[1]), right: -drawn.y / weight },
      {
        row: ways.map(({ i, force, also }) => count(also) * turnAbout(centre, contacts[i]!.at, force)),
        right: -drawn.turn / weight,
      },
    ],
    soft: [
      ...effortRows(s, body, masses, contacts, ways, pulls, twins),
      ...ways.map((way, j) => ({ row: ways.map((_, m) => (m === j ? way.dear : 0)), right: 0 })),
    ],
  };
}

/** The problem that {@link placedOf} solves, for a second solver to be held against it. */
export const problemAt = (figure: DrawnFigure, s: Solved, body: Body, held: Held = NOTHING_HELD): Problem =>
  problemOf(s, body, groundOf(figure, s, body, held, []));

/** Sizes of the forces sought, as shares of the body's weight. */
export function solved({ ways, firm, soft }: Problem): number[] {
  if (ways.length === 0) return [];
  return nonNegativeLeastSquares(
    [...firm.map(({ row }) => row.map((one) => FIRM * one)), ...soft.map(({ row }) => row)],
    [...firm.map(({ right }) => FIRM * right), ...soft.map(({ right }) => right)],
  );
}

/**
 * Which forces bear a pose, by planar equilibrium, nothing pulling where nothing is gripped. Where a pose can't bear
 * itself, because something moves it on or the drawing is wrong, what is left over is said.
 */
export function placedOf(
  figure: DrawnFigure,
  s: Solved,
  body: Body,
  held: Held = NOTHING_HELD,
  pulled: readonly Pull[] = [],
): Standing {
  const ground = groundOf(figure, s, body, held, pulled);
  const { masses, centre, contacts, pulls, whole, drawn } = ground;
  const problem = problemOf(s, body, ground);
  const unit = body.massKg * GRAVITY;
  const sizes = solved(problem);
  const forces = contacts.map((): [number, number] => [0, 0]);
  problem.ways.forEach(({ i, also, force }, j) => {
    for (const at of also === null ? [i] : [i, also]) {
      forces[at]![0] += force[0] * sizes[j]! * unit;
      forces[at]![1] += force[1] * sizes[j]! * unit;
    }
  });
  const borne = contacts.map((contact, i): Reaction => ({ ...contact, force: forces[i]! }));
  const left = added(drawn, borne, centre);
  const bearing = contacts.filter(({ kind }) => kind !== 'grip').map(({ at }) => at[0]);
  const weight = whole * GRAVITY;
  return {
    masses,
    centre,
    reactions: [...borne, ...pulls],
    unborne: Math.hypot(left.x, left.y) / weight,
    tips: Math.abs(left.turn) / (weight * body.heightM),
    margin:
      bearing.length === 0
        ? null
        : Math.min(centre[0] - Math.min(...bearing), Math.max(...bearing) - centre[0]),
  };
}
