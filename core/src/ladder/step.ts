import {
  type Demand,
  type DemandKey,
  type FormRef,
  LEVERS,
  type LeverId,
  leverMoves,
  leverTouches,
  type Move,
  middle,
  type Settings,
} from '../move/index.ts';
import { type PartKey, REGIONS, RUNG_STEP, rungsApart } from './difficulty.ts';

/** A form with what it asks, as one end of a step. */
export interface StepEnd {
  readonly move: Move;
  readonly settings: Settings | undefined;
  readonly demand: Demand;
}

const rise = (below: Demand, above: Demand, key: DemandKey) => middle(above[key]) - middle(below[key]);

/** Rises this small are noise between two estimates: in rung steps, levels, and share of MET. */
const NOISE = { strength: 0.85, level: 1.01, effort: 0.3 } as const;

/** Figure by figure the harder of two. */
export function harderOf(a: Demand, b: Demand): Demand {
  return Object.fromEntries(
    (Object.keys(a) as DemandKey[]).map((key) => [key, middle(a[key]) > middle(b[key]) ? a[key] : b[key]]),
  ) as unknown as Demand;
}

/** The demands that rise from one form to the next by more than two authors would differ in. */
export function risesIn(below: Demand, above: Demand): DemandKey[] {
  const rises: DemandKey[] = REGIONS.filter((region) => {
    const by = rise(below, above, region) / RUNG_STEP[region];
    return by > (region.startsWith('strength.') ? NOISE.strength : NOISE.level);
  });
  if (middle(above['effort.met']) > middle(below['effort.met']) * (1 + NOISE.effort))
    rises.push('effort.met');
  if (rise(below, above, 'impact.class') > 0 && (above['impact.class'].hi ?? 9) >= 2)
    rises.push('impact.class');
  return rises;
}

/** What rises between two rungs that none of the levers on the step accounts for. */
export function unexplained(below: Demand, above: Demand, levers: readonly LeverId[]): DemandKey[] {
  return risesIn(below, above).filter((key) => !levers.some((lever) => leverTouches(lever, key)));
}

/** Does at least one of the figures a lever is pulled for differ? */
export function leverShows(below: Demand, above: Demand, lever: LeverId): boolean {
  return (Object.keys(below) as DemandKey[]).some(
    (key) => leverMoves(lever, key) && middle(above[key]) !== middle(below[key]),
  );
}

const seconds = (move: Move) => [...(move.tempo ?? '')].reduce((sum, c) => sum + (Number(c) || 0), 0);
const loads = (move: Move) => move.needs.find((n) => n.what === 'hand load')?.min ?? 0;
const asks = (move: Move, what: string) => move.needs.some((n) => n.what === what);

/** Signs of a lever that the figures alone don't show, strongest first. */
const SIGNS: readonly (readonly [LeverId, (a: StepEnd, b: StepEnd) => boolean])[] = [
  ['surface', (a, b) => a.move.id === b.move.id && a.settings?.surfaceCm !== b.settings?.surfaceCm],
  [
    'flight',
    (a, b) => (b.demand['impact.class'].hi ?? 0) >= 2 && rise(a.demand, b.demand, 'impact.class') > 0,
  ],
  [
    'tempo',
    (a, b) => seconds(a.move) > 0 && seconds(b.move) > seconds(a.move) && a.move.base === b.move.base,
  ],
  ['load', (a, b) => loads(b.move) > loads(a.move)],
  ['move', (a, b) => a.move.unit === 'hold' && b.move.unit === 'reps'],
  ['hold', (a, b) => a.move.unit === 'reps' && b.move.unit === 'hold'],
  ['support', (a, b) => asks(a.move, 'hand hold') && !asks(b.move, 'hand hold')],
  ['support', (a, b) => asks(a.move, 'seat') && !asks(b.move, 'seat')],
  ['surface', (a, b) => Boolean(a.move.surface) !== Boolean(b.move.surface)],
  ['limbs', (a, b) => a.move.sides === 'both' && b.move.sides === 'one'],
  ['head', (a, b) => rise(a.demand, b.demand, 'balance.headTurn') > 0],
  [
    'turn',
    (a, b) => rise(a.demand, b.demand, 'impact.turnDeg') > 0 || rise(a.demand, b.demand, 'spine.turn') > 0,
  ],
  ['length', (a, b) => rise(a.demand, b.demand, 'knee.kneel') < 0],
  ['arms', (a, b) => rise(a.demand, b.demand, 'shoulder.raisedDeg') > 40],
  ['parts', (a, b) => rise(a.demand, b.demand, 'coordination.level') > 0],
  [
    'travel',
    (a, b) => rise(a.demand, b.demand, 'posture.changes') > 0 || rise(a.demand, b.demand, 'space.metres') > 0,
  ],
  [
    'range',
    (a, b) => rise(a.demand, b.demand, 'knee.bendDeg') > 8 || rise(a.demand, b.demand, 'hip.bendDeg') > 15,
  ],
  ['base', (a, b) => rise(a.demand, b.demand, 'balance.level') > 0],
  ['pace', (a, b) => (b.move.pace?.[1] ?? 0) > (a.move.pace?.[1] ?? 0)],
  ['length', (a, b) => rise(a.demand, b.demand, 'strength.front') > 0],
  ['range', () => true],
];

/** The one or two levers that account for a step best; an author's first suggestion, not a verdict. */
export function explainStep(below: StepEnd, above: StepEnd): LeverId[] {
  const signs = SIGNS.filter(([, sign]) => sign(below, above)).map(([lever]) => lever);
  const first = signs.find((lever) => leverShows(below.demand, above.demand, lever)) ?? 'range';
  const open = unexplained(below.demand, above.demand, [first]);
  if (open.length === 0) return [first];
  const rest = [...signs, ...(Object.keys(LEVERS) as LeverId[])].filter((lever) => lever !== first);
  const covers = (lever: LeverId) => open.filter((key) => leverTouches(lever, key)).length;
  const second = rest.reduce<LeverId | null>(
    (best, lever) => (covers(lever) > (best ? covers(best) : 0) ? lever : best),
    null,
  );
  return second ? [first, second] : [first];
}

/** How tall a step is on a ladder, in rungs of what rises most. */
export function stepHeight(measures: readonly PartKey[], below: Demand, above: Demand): number {
  return Math.max(...measures.map((key) => rungsApart(key, below, above)));
}

type Way = 'harder' | 'easier';
const OF_HANDS = { harder: LEVERS.surface.harder, easier: LEVERS.surface.easier };
/** Which way a surface goes to make a move harder, and easier: hands and seats lower, steps and feet higher. */
const SURFACES: Readonly<Record<NonNullable<Move['surface']>['for'], Readonly<Record<Way, string>>>> = {
  hands: OF_HANDS,
  elbows: OF_HANDS,
  seat: { harder: 'lower seat', easier: 'higher seat' },
  step: { harder: 'higher step', easier: 'lower step' },
  feet: { harder: 'feet higher', easier: 'feet lower' },
};

/** What "limbs" comes to, by which sides work below and above: one leg for two is harder, and so are two arms for one. */
function limbsWords(below: Move | undefined, above: Move | undefined): Readonly<Record<Way, string>> {
  if (!below || !above) return LEVERS.limbs;
  if (above.sides === 'one') return { harder: 'one limb instead of two', easier: 'two limbs instead of one' };
  if (below.sides === 'both' && above.sides === 'alternating')
    return { harder: 'limbs in turn', easier: 'both limbs together' };
  if (below.sides !== 'both' && above.sides === 'both')
    return { harder: 'both limbs at once', easier: 'one limb at a time' };
  return LEVERS.limbs;
}

/**
 * What makes a move harder than the one below, in a trainer's words, a lever each; going down, what makes the one
 * below easier than it. Which move is below may be unknown.
 */
export function leverWords(
  levers: readonly LeverId[],
  move: Move | undefined,
  way: Way = 'harder',
  below?: Move,
): string[] {
  return levers.map((lever) => {
    if (lever === 'surface' && move?.surface) return SURFACES[move.surface.for][way];
    return lever === 'limbs' ? limbsWords(below, move)[way] : LEVERS[lever][way];
  });
}

/** The same for a rung of a ladder, counted from 0 at the bottom. */
export function stepWords(
  library: { move(id: string): Move | undefined },
  rungs: readonly (FormRef & { readonly levers: readonly LeverId[] })[],
  rung: number,
  way: Way = 'harder',
): string[] {
  const at = rungs[rung];
  const below = rungs[rung - 1];
  return at ? leverWords(at.levers, library.move(at.move), way, below && library.move(below.move)) : [];
}
