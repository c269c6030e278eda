import type { Library } from '../ladder/index.ts';
import type { Move, Settings } from '../move/index.ts';
import {
  armRaised,
  type DrawnFigure,
  kneeBend,
  LIMB_SIDES,
  mostHidden,
  poseAt,
  type Solved,
  solve,
  touchesOf,
} from '../pose/index.ts';
import { adapted } from './adapt.ts';
import { LEAST_TURN } from './draw.ts';
import { liesOnSide } from './facts.ts';
import { FIGURES } from './figures/index.ts';
import { stillsOf } from './stills.ts';

/** A form's figure, and whose it is where it isn't its own. */
export interface Shown {
  readonly figure: DrawnFigure;
  /** The move it was drawn for, where this one has no drawing of its own. */
  readonly like: Move | null;
  /** Seconds of one rep; null for something held. */
  readonly repSeconds: number | null;
  /** The next rep is done with the other side. */
  readonly alternates: boolean;
}

/** A height where nobody says: a chair's. Common practice. */
const USUAL_CM = 43;
/** The tallest thing that is drawn as something to use, m: a chair of three metres is refused. */
const TALLEST = 1.3;

/** Why a height can't be drawn, in words; null where it can. */
export function heightFault(cm: number): string | null {
  if (!Number.isFinite(cm) || cm < 0) return 'A height is a number of centimetres from 0.';
  return cm / 100 > TALLEST
    ? `${cm} cm is higher than anybody gets on to: at most ${TALLEST * 100} cm.`
    : null;
}

const needs = (move: Move) => new Set(move.needs.map((n) => n.what));

/** A form's own drawing where there is no library to look in; null where it has none. */
export function drawnOf(
  form: {
    readonly move: string;
    readonly settings?: { readonly surfaceCm?: number | undefined } | undefined;
    readonly drawing?: DrawnFigure | undefined;
  },
  pace: number | null,
): Shown | null {
  const { drawing } = form;
  const make = drawing ? () => drawing : FIGURES[form.move];
  const cm = form.settings?.surfaceCm ?? USUAL_CM;
  return make && heightFault(cm) === null
    ? {
        figure: make(cm / 100),
        like: null,
        repSeconds: pace === null ? null : 60 / pace,
        alternates: false,
      }
    : null;
}

/** Whether sides go in turn and one rep of the drawing is one side's. */
const alternates = (move: Move, figure: DrawnFigure): boolean =>
  move.sides === 'alternating' && figure.poses.length === 2 && !figure.flight;

/** How unlike two moves are to look at: posture first, then pattern, sides and what is used. Estimate. */
function unlike(a: Move, b: Move): number {
  let points = 0;
  if (a.posture.work !== b.posture.work) points += 6;
  if (a.pattern !== b.pattern) points += 4;
  if (a.unit !== b.unit) points += 2;
  if (a.sides !== b.sides) points += 1;
  if ((a.surface?.for ?? null) !== (b.surface?.for ?? null)) points += 2;
  const [mine, theirs] = [needs(a), needs(b)];
  for (const what of mine) if (!theirs.has(what)) points += 1;
  for (const what of theirs) if (!mine.has(what)) points += 1;
  // Of moves that are as like as that, the one with words of its name in common.
  const [own, others] = [wordsOf(a), wordsOf(b)];
  return points - Math.min(MOST_WORDS, [...own].filter((word) => others.has(word)).length) * 0.4;
}
const MOST_WORDS = 2;
const words = new WeakMap<Move, ReadonlySet<string>>();
/** Each move is compared with every other: its words are taken apart once. */
function wordsOf(move: Move): ReadonlySet<string> {
  const known = words.get(move);
  if (known) return known;
  const { name, twins } = move;
  const made = new Set([name, ...twins].flatMap((text) => text.toLowerCase().match(/[a-z]{3,}/g) ?? []));
  words.set(move, made);
  return made;
}

const MOST_UNLIKE = 9;

/** The drawn move that looks most like one without a drawing; null where none is near enough. */
export function nearestDrawn(moves: readonly Move[], move: Move): Move | null {
  let best: { move: Move; points: number } | null = null;
  for (const one of moves) {
    if (!FIGURES[one.id] || one.id === move.id) continue;
    const points = unlike(move, one);
    if (
      points <= MOST_UNLIKE &&
      (!best || points < best.points || (points === best.points && one.id < best.move.id))
    )
      best = { move: one, points };
  }
  return best?.move ?? null;
}

const nearest = new WeakMap<Library, Map<string, Move | null>>();

/** What a form looks like at its setting; null where nothing drawn is near enough. */
export function shownFor(
  library: Library,
  form: { readonly move: string; readonly settings?: Settings | undefined },
): Shown | null {
  const move = library.move(form.move);
  if (!move) return null;
  const known = nearest.get(library) ?? new Map<string, Move | null>();
  nearest.set(library, known);
  let like: Move | null = null;
  if (!move.drawing && !FIGURES[move.id]) {
    like = known.get(move.id) ?? null;
    if (!known.has(move.id)) {
      like = nearestDrawn(library.moves, move);
      known.set(move.id, like);
    }
    if (!like) return null;
  }
  const asked = form.settings?.surfaceCm ?? move.surface?.usualCm ?? like?.surface?.usualCm ?? 0;
  const cm = heightFault(asked) === null ? asked : (move.surface?.usualCm ?? 0);
  const tempo = move.tempo ? move.tempo.split('-').reduce((sum, d) => sum + Number(d), 0) : 0;
  const drawn = move.drawing ?? FIGURES[like?.id ?? move.id]!(cm / 100);
  const demand = library.demand.get(move.id);
  const figure = form.settings && demand ? adapted(drawn, move, demand, form.settings) : drawn;
  return {
    figure,
    like,
    alternates: alternates(move, figure),
    repSeconds: move.unit === 'hold' ? null : tempo > 0 ? tempo : move.pace ? 60 / move.pace[1] : null,
  };
}

const trunkLean = (s: Solved): number =>
  Math.round((Math.atan2(s.neck[0] - s.hip[0], s.neck[1] - s.hip[1]) * 180) / Math.PI);

/** Sitting is on something at least so high, m; lower is on the floor. */
const SEAT = 0.2;
/** What a pose rests on in words, where it isn't the feet alone. */
function restsOn(figure: DrawnFigure, s: Solved): string | null {
  const touches = touchesOf(figure, s);
  const has = (part: (typeof touches)[number]['part']) => touches.some((t) => t.part === part);
  if (has('back') || has('chest')) return null;
  const hip = touches.find((t) => t.part === 'hip');
  if (hip) return hip.height > SEAT ? 'sitting' : 'sitting on the floor';
  const legs = has('knee') ? 'knees' : 'feet';
  if (figure.props.some((p) => p.is === 'bar')) return has('hand') ? 'hanging by the hands' : null;
  if (has('elbow')) return `on forearms and ${legs}`;
  if (has('hand') && Math.abs(trunkLean(s)) > BENT) return `on hands and ${legs}`;
  return has('knee') ? 'kneeling' : null;
}
/** Lean of the trunk from which hands that touch carry, degrees. Estimate. */
const BENT = 35;

/** One pose in words, for whoever can't see it. */
function poseWords(figure: DrawnFigure, t: number): string {
  const pose = poseAt(figure, t);
  const s = solve(pose, figure.view);
  const lean = trunkLean(s);
  const knees = LIMB_SIDES.map((i) => {
    return Math.round(kneeBend(s, i) / 10) * 10;
  });
  const arms = Math.max(...LIMB_SIDES.map((i) => armRaised(s, i)));
  const onSide = figure.above ? figure.view === 'side' : liesOnSide(pose, figure.view);
  const trunk = onSide
    ? 'on the side'
    : figure.above
      ? 'on the back'
      : Math.abs(lean) > 70
        ? lean < 0
          ? 'on the back'
          : 'face down'
        : Math.abs(lean) > 20
          ? `leaning ${lean > 0 ? (s.view === 'front' ? 'sideways' : 'forwards') : 'back'} ${Math.abs(Math.round(lean / 5) * 5)} degrees`
          : 'upright';
  const [a, b] = knees as [number, number];
  const legs =
    Math.abs(a - b) > 25
      ? `one knee bent ${Math.max(a, b)} degrees, the other ${Math.min(a, b) < 15 ? 'straight' : Math.min(a, b)}`
      : a < 15
        ? 'legs straight'
        : `knees bent ${a} degrees`;
  const hands =
    arms > 140
      ? 'arms overhead'
      : arms > 65
        ? s.view === 'front'
          ? 'arms out to the sides'
          : 'arms ahead'
        : 'arms low';
  const on = onSide || figure.above ? null : restsOn(figure, s);
  return `${on ? `${on}, ` : ''}${trunk}, ${legs}, ${hands}${pose.looks ? ', head turned' : ''}`;
}

/** What the view hides, in words. */
const turnWords = (figure: DrawnFigure): string[] =>
  [
    { of: mostHidden(figure, 'trunk'), says: 'The shoulders turn against the hips' },
    { of: mostHidden(figure, 'head'), says: 'The head turns' },
  ].flatMap(({ of, says }) => (of >= LEAST_TURN ? [`${says} by up to ${of}°.`] : []));

/** A rep in words made from its poses: where it begins and where it goes. */
export function figureWords(figure: DrawnFigure): string {
  const said = stillsOf(figure).map((t) => poseWords(figure, t));
  const [from, ...on] = said.filter((words, i) => words !== said[i - 1]);
  const whole =
    figure.poses.length === 1
      ? `Held: ${from}.`
      : on.length === 0
        ? `From ${from}, and back.`
        : `From ${from}; to ${on.join('; then ')}.`;
  return [whole, ...turnWords(figure)].join(' ');
}
