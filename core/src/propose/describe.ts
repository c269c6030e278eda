import { type Library, rungDemand } from '../ladder/index.ts';
import { DEMAND_KEYS, type DemandKey, type Figure, type Move, type Pattern } from '../move/index.ts';
import type { Draft } from './bench.ts';
import { freshId } from './draft-ladder.ts';
import { plainWords } from './plain-words.ts';

/** The few things a trainer is asked about a move the library doesn't know. */
export interface MoveAnswers {
  readonly name: string;
  readonly pattern: Pattern;
  /** A base posture of the library: where the body is while it works. */
  readonly base: string;
  /** A move of the library that asks about as much and works much the same muscles. */
  readonly like: string;
  readonly counted: 'to a beat' | 'slowly' | 'held';
  readonly feet: 'stay' | 'one down' | 'low hops' | 'jumps';
  readonly holds: 'nothing' | 'light' | 'heavy';
  readonly arms: 'low' | 'shoulder' | 'overhead';
  readonly knees: 'straight' | 'half' | 'deep';
  readonly back: 'long' | 'bends' | 'turns' | 'bends and turns';
  readonly sides: Move['sides'];
}

export const MOVE_QUESTIONS: {
  readonly [K in Exclude<keyof MoveAnswers, 'name' | 'pattern' | 'base' | 'like'>]: {
    readonly asks: string;
    readonly answers: readonly MoveAnswers[K][];
  };
} = {
  counted: { asks: 'How is it counted?', answers: ['slowly', 'to a beat', 'held'] },
  feet: { asks: 'Do the feet leave the floor?', answers: ['stay', 'one down', 'low hops', 'jumps'] },
  holds: { asks: 'What do the hands hold?', answers: ['nothing', 'light', 'heavy'] },
  arms: { asks: 'How high do the arms go?', answers: ['low', 'shoulder', 'overhead'] },
  knees: { asks: 'How far do the knees bend under load?', answers: ['straight', 'half', 'deep'] },
  back: { asks: 'What does the back do?', answers: ['long', 'bends', 'turns', 'bends and turns'] },
  sides: { asks: 'And the two sides?', answers: ['both', 'alternating', 'one'] },
};

const IMPACT = { stay: 0, 'one down': 1, 'low hops': 2, jumps: 3 } as const;
const ARMS = { low: 30, shoulder: 90, overhead: 170 } as const;
const KNEES = { straight: 20, half: 60, deep: 110 } as const;

/** Figures that only what it is like can say: how hard. The rest come from the posture and the answers. */
const LIKE = ['strength.', 'effort.', 'coordination.', 'teach.'];

/**
 * A whole move from a few answers. How hard it is comes from the move it is said to be like; where
 * neither the posture nor the answers speak of a joint, the higher of the two stands, so that a limit
 * never lets through what nobody has looked at. Every figure is an estimate.
 */
export function describeMove(library: Library, answers: MoveAnswers): Draft {
  const like = library.move(answers.like);
  const known = rungDemand(library, { move: answers.like });
  const base = library.bases.get(answers.base);
  if (!like || !known || !base)
    throw new Error('A move is described by a posture and a move that the library has.');
  const source = `described as like ${like.name}`;
  const figures = {} as Record<DemandKey, Figure>;
  const estimate = (lo: number | null, hi: number | null): Figure => ({ lo, hi, from: 'estimate', source });
  for (const key of DEMAND_KEYS) {
    const a = known[key];
    const b = base.demand[key];
    if (LIKE.some((group) => key.startsWith(group)) || !b) figures[key] = estimate(a.lo, a.hi);
    else if (/^(posture|hands|space|impact|balance)\./.test(key)) figures[key] = estimate(b.lo, b.hi);
    else
      figures[key] =
        a.hi === null || b.hi === null
          ? estimate(null, null)
          : estimate(Math.max(a.lo ?? 0, b.lo ?? 0), Math.max(a.hi, b.hi));
  }
  const set = (key: DemandKey, value: number) => {
    figures[key] = estimate(value, value);
  };
  const atLeast = (key: DemandKey, value: number) => {
    const { lo, hi } = figures[key];
    figures[key] = estimate(
      lo === null ? null : Math.max(lo, value),
      hi === null ? null : Math.max(hi, value),
    );
  };
  const impact = IMPACT[answers.feet];
  set('impact.class', impact);
  set('impact.landings', impact === 2 ? (answers.sides === 'alternating' ? 2 : 1) : 0);
  set('impact.highLandings', impact === 3 ? 1 : 0);
  if (impact >= 2) {
    atLeast('ankle.load', impact + 1);
    atLeast('space.noise', impact);
    atLeast('strain.belly', impact);
    atLeast('balance.level', impact + 1);
  } else if (impact === 1) atLeast('balance.level', 2);
  set('shoulder.raisedDeg', ARMS[answers.arms]);
  set('knee.bendDeg', KNEES[answers.knees]);
  if (answers.knees !== 'straight') atLeast('knee.load', answers.knees === 'deep' ? 3 : 2);
  set('spine.bend', answers.back.includes('bends') ? 3 : 0);
  set('spine.turn', answers.back.includes('turns') ? 2 : 0);
  if (answers.holds === 'nothing') {
    set('hands.busy', 0);
    set('strength.grip', 0);
    set('shoulder.overheadLoad', 0);
  } else {
    set('hands.busy', 2);
    set('strength.grip', answers.holds === 'heavy' ? 40 : 20);
    if (answers.arms === 'overhead') set('shoulder.overheadLoad', answers.holds === 'heavy' ? 3 : 2);
  }
  const held = answers.counted === 'held';
  if (held) atLeast('strain.holdSeconds', 20);
  const standing = (base.demand['posture.standing']?.hi ?? 0) > 0;
  const floor = (base.demand['posture.floor']?.hi ?? 0) > 0;
  const at = standing ? 'standing' : floor ? postureOf(answers.base) : 'seated';
  const {
    surface: _surface,
    support: _support,
    serves: _serves,
    easier: _easier,
    drawn: _drawn,
    counts: _counts,
    ...rest
  } = like;
  const { tempo: _tempo, pace: _pace, source: _source, ...plain } = rest;
  const move: Move = {
    ...plain,
    id: freshId(library, answers.name),
    name: answers.name.trim(),
    twins: [],
    pattern: answers.pattern,
    posture: { start: at, work: at, end: at },
    sides: answers.sides,
    unit: held ? 'hold' : 'reps',
    standard: 'As you teach it.',
    // Of what it is like only how hard it is holds for it: its words may say what it hasn't got.
    ...plainWords(answers.pattern, answers.holds !== 'nothing'),
    stopIf: [],
    ...(held ? {} : { pace: like.pace ?? ([8, 14, 22] as [number, number, number]) }),
    ...(answers.counted === 'slowly' ? { tempo: like.tempo ?? '2-0-1-0' } : {}),
    trims: [],
    needs: [
      ...(answers.holds === 'nothing'
        ? []
        : [
            answers.holds === 'heavy'
              ? ({ what: 'hand load', min: 4, max: 20, count: 1 } as const)
              : ({ what: 'hand load', min: 1, max: 6, count: 1 } as const),
          ]),
      ...(standing || floor ? [] : [{ what: 'seat', min: 35, max: 60, count: 1 } as const]),
    ],
    base: answers.base,
    demand: {},
    from: 'estimate',
  };
  return { move, demand: figures };
}

function postureOf(base: string): Move['posture']['work'] {
  if (/back/.test(base)) return base === 'back-raised' ? 'sitting on the floor' : 'lying on the back';
  if (/front$/.test(base)) return 'lying on the front';
  if (/side/.test(base)) return 'lying on the side';
  if (/kneel/.test(base)) return 'kneeling';
  if (/seat|crab/.test(base)) return 'sitting on the floor';
  return 'all fours';
}
