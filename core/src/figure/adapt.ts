import type { Demand, Move, Settings } from '../move/index.ts';
import {
  armRaised,
  between,
  type DrawnFigure,
  faultsOf,
  type KeyPose,
  LIMB_SIDES,
  type Limb,
  otherSide,
  type Prop,
  poseBetween,
  solve,
  to,
} from '../pose/index.ts';

/** What is held on to: its height, and how far beside somebody it stands, m. Common practice. */
const RAIL = { height: 0.95, ahead: 0.42, beside: 0.44 } as const;
const WALL_HAND = 1.15;
/** A range is never drawn shorter or longer than these shares of the whole. */
const RANGE = { least: 0.35, most: 1.25 } as const;
/** Who leans further than this has the hands elsewhere, degrees. */
const UPRIGHT = 55;

const legal = (figure: DrawnFigure, otherwise: DrawnFigure): DrawnFigure =>
  faultsOf(figure).length === 0 ? figure : otherwise;
const withArms = (pose: KeyPose, arms: readonly Limb[]): KeyPose => ({
  ...pose,
  arms: arms as unknown as readonly [Limb, Limb],
});

/** Whether hands have something to be on already. */
const holds = (figure: DrawnFigure): boolean =>
  figure.props.some((p) => p.is === 'hold' || p.is === 'bar' || p.is === 'wall');

/** The far hand on a rail, a chair back or a wall, where somebody stands and stays where they are. */
function supported(figure: DrawnFigure, say: string): DrawnFigure {
  const { poses, view } = figure;
  if (holds(figure) || figure.above || figure.travels || poses.some((p) => Math.abs(p.lean) > UPRIGHT))
    return figure;
  const [x] = poses[0]!.hip;
  const atWall = /wall/.test(say) && view === 'side';
  const height = atWall ? WALL_HAND : RAIL.height;
  const at = x + (view === 'side' ? RAIL.ahead : RAIL.beside);
  // A wall to steady oneself by runs along beside: before somebody, knees would go through it.
  const prop: Prop = atWall ? { is: 'wall', x, behind: true } : { is: 'hold', x: at, height };
  const hand = to([at - (atWall ? 0.12 : 0.02), height + 0.02], atWall ? 120 : 90);
  const held: DrawnFigure = {
    ...figure,
    poses: poses.map((pose) => withArms(pose, [pose.arms[0], hand])),
    props: [...figure.props, prop],
  };
  return legal(held, figure);
}

/** More or less of the way from the first pose; what touches goes on touching. */
function ranged(figure: DrawnFigure, k: number): DrawnFigure {
  const [first, ...others] = figure.poses;
  if (!first || others.length === 0 || figure.travels || figure.flight) return figure;
  const at = (pose: KeyPose): KeyPose =>
    k <= 1
      ? poseBetween(first, pose, k, figure.view, !figure.above)
      : {
          ...pose,
          hip: [between(first.hip[0], pose.hip[0], k), between(first.hip[1], pose.hip[1], k)],
          lean: between(first.lean, pose.lean, k),
          curl: between(first.curl, pose.curl, k),
        };
  return legal({ ...figure, poses: [first, ...others.map(at)] }, figure);
}

/** Arms no higher than so many degrees from hanging; what a hand touches stays. */
function lowered(figure: DrawnFigure, most: number): DrawnFigure {
  if (holds(figure)) return figure;
  const poses = figure.poses.map((pose) => {
    const s = solve(pose, figure.view);
    return withArms(
      pose,
      LIMB_SIDES.map((side) => {
        const limb = pose.arms[side];
        const over = armRaised(s, side) - most;
        if (!limb.turned || limb.seen || over <= 0) return limb;
        const [upper, lower] = limb.turned;
        const back = upper >= 0 ? over : -over;
        return { ...limb, turned: [upper - back, lower - back] as const };
      }),
    );
  });
  return legal({ ...figure, poses }, figure);
}

/** Hands flat on something close to fists. */
function onFists(figure: DrawnFigure): DrawnFigure {
  const poses = figure.poses.map((pose) =>
    withArms(
      pose,
      pose.arms.map((limb) =>
        limb.at && limb.end === 90
          ? { at: [limb.at[0], limb.at[1] + 0.06] as const, end: 0, fist: true as const }
          : limb,
      ),
    ),
  );
  return legal({ ...figure, poses }, figure);
}

/**
 * A move's figure with the settings of a form on it: a hand held, less or more of the way, arms kept low, on fists, the
 * other side. What can't be drawn so is drawn as it was.
 */
export function adapted(
  figure: DrawnFigure,
  move: Pick<Move, 'support' | 'trims' | 'alone'>,
  demand: Demand,
  settings: Settings,
): DrawnFigure {
  let made = figure;
  const trim = move.trims.find((t) => t.id === settings.trim);
  if (trim) {
    for (const key of ['knee.bendDeg', 'hip.bendDeg'] as const) {
      const [by, whole] = [trim.effect[key], demand[key].hi];
      if (!by || !whole) continue;
      made = ranged(made, Math.min(RANGE.most, Math.max(RANGE.least, (whole + by) / whole)));
      break;
    }
    const [arms, raised] = [trim.effect['shoulder.raisedDeg'], demand['shoulder.raisedDeg'].hi];
    if (arms && arms < 0 && raised) made = lowered(made, Math.max(0, raised + arms));
    if ((trim.effect['wrist.bentBackDeg'] ?? 0) < 0) made = onFists(made);
  }
  if (settings.support && move.support) made = supported(made, move.support.say);
  // Seen from their right: the near limbs are the right ones.
  const drawn = figure.works === 'far' ? 'left' : 'right';
  if (settings.side && settings.side !== drawn && move.alone && !figure.above) made = otherSide(made);
  return made;
}
