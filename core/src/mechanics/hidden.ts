import { type Demand, type DemandKey, unsafeEnd } from '../move/index.ts';
import { type DrawnFigure, LIMB_SIDES, mostHidden, mostTurned } from '../pose/index.ts';
import { type Cuts, type Least, levelAt } from './levels.ts';

/**
 * Degrees from which a level begins: half of what a trunk, 45° of turn and 35° of side bend, has is small, nearly all of it
 * far; a head and thighs by what shows. Ranges are AAOS norms from memory, where they are cut is an estimate.
 */
const TURN: Cuts = [
  [23, 2],
  [8, 1],
];
const SIDE: Cuts = [
  [16, 2],
  [6, 1],
];
const FAR = { turn: 42, side: 32 } as const;
const HEAD: Cuts = [[20, 1]];
const CROSS: Cuts = [
  [20, 2],
  [5, 1],
];
const OUT: Cuts = [
  [35, 2],
  [15, 1],
];
const IN: Cuts = [
  [30, 2],
  [10, 1],
];
/** Levels of turning and side bend go no further. */
const MOST = 4;

/** Something is held, or a band pulls. */
const loaded = ({ props }: DrawnFigure): boolean => props.some((prop) => 'in' in prop);
/** Lying, a trunk bears nothing of what is over it. */
const lies = ({ poses, above }: DrawnFigure): boolean =>
  above === true || poses.every(({ lean, onSide }) => onSide === true || Math.abs(lean) > LYING);
const LYING = 70;

const spine = (figure: DrawnFigure, degrees: number, cuts: Cuts, far: number): number => {
  const level = levelAt(cuts, degrees);
  if (level === 0) return 0;
  return Math.min(MOST, level + (loaded(figure) ? 1 : 0) + (degrees >= far && !lies(figure) ? 1 : 0));
};

/** The least that what a drawing's view hides comes to, as it is marked on its poses; thighs of some sides only. */
export function hiddenLeasts(figure: DrawnFigure, sides: readonly (0 | 1)[] = LIMB_SIDES): Least[] {
  const [turned, bent] = [mostHidden(figure, 'trunk'), mostHidden(figure, 'side')];
  const thighs = mostTurned(figure, sides);
  const held = loaded(figure) ? ', and something held or a band against it' : '';
  const found: Least[] = [
    {
      key: 'spine.turn',
      least: spine(figure, turned, TURN, FAR.turn),
      why: `marked with the shoulders turned by ${turned}° against the hips${held}`,
    },
    {
      key: 'spine.sideBend',
      least: spine(figure, bent, SIDE, FAR.side),
      why: `marked with the trunk bent by ${bent}° to a side${held}`,
    },
    {
      key: 'balance.headTurn',
      least: levelAt(HEAD, mostHidden(figure, 'head')),
      why: `marked with the head turned by ${mostHidden(figure, 'head')}°`,
    },
    {
      key: 'hip.cross',
      least: levelAt(CROSS, mostHidden(figure, 'cross')),
      why: `marked with a leg ${mostHidden(figure, 'cross')}° across the middle`,
    },
    {
      key: 'hip.turnOut',
      least: levelAt(OUT, thighs.out),
      why: `marked with a thigh turned out by ${thighs.out}°`,
    },
    {
      key: 'hip.turnIn',
      least: levelAt(IN, thighs.in),
      why: `marked with a thigh turned in by ${thighs.in}°`,
    },
  ];
  return found.filter(({ least }) => least > 0);
}

/** What stands though no pose is marked with it, by move and figure, each with why. */
export const HIDDEN_LET_STAND: Readonly<Record<string, string>> = {
  'chin-tuck balance.headTurn': 'the head moves straight back, and turns nowhere',
};

/** Figures that one view can't show; of side bend and crossing a view from the front shows enough. */
const HIDES: readonly { readonly key: DemandKey; readonly seen: (figure: DrawnFigure) => boolean }[] = [
  { key: 'spine.turn', seen: () => false },
  { key: 'balance.headTurn', seen: () => false },
  { key: 'hip.turnOut', seen: () => false },
  { key: 'hip.turnIn', seen: () => false },
  { key: 'spine.sideBend', seen: broad },
  { key: 'hip.cross', seen: broad },
];
function broad({ view, poses }: DrawnFigure): boolean {
  return view === 'front' || poses.some(({ onSide }) => onSide);
}

/** Figures of turning, bending aside and crossing that no pose of a drawing is marked with: a view that hides it says nothing. */
export function hiddenFindings(demand: Demand, figure: DrawnFigure): { key: DemandKey; says: string }[] {
  const marked = new Set(hiddenLeasts(figure).map(({ key }) => key));
  return HIDES.flatMap(({ key, seen }) =>
    unsafeEnd(demand[key]) >= 1 &&
    Number.isFinite(unsafeEnd(demand[key])) &&
    !marked.has(key) &&
    !seen(figure)
      ? [{ key, says: `the library has ${unsafeEnd(demand[key])}, and no pose is marked with it` }]
      : [],
  );
}
