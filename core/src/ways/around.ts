import { type Library, rungDemand } from '../ladder/index.ts';
import {
  type Constraints,
  compileConstraints,
  type Law,
  NOBODY,
  openForAll,
  type Subject,
} from '../limits/index.ts';
import { type Demand, type FormRef, JOINTS, type Joint, type Move, MUSCLES, middle } from '../move/index.ts';
import { AS_WRITTEN, type Block } from '../session/index.ts';

/** One stretch of time before or after a circuit. */
export interface Around {
  readonly part: 'pulse' | 'mobility' | 'rehearse' | 'keep moving' | 'stretch';
  readonly form: FormRef;
  readonly seconds: number;
  /** What it is there for: the joints or muscles it serves, the move it rehearses. */
  readonly says: string;
}

export interface AroundRequest {
  readonly library: Library;
  /** The law of what is open, in the room where it is done. */
  readonly law: Law;
  /** The circuit's forms, in its order. */
  readonly forms: readonly FormRef[];
  /** Everybody who does it: what is open to all of them is offered. */
  readonly subjects: readonly Subject[];
  readonly minutes: number;
}

const SHARE = { pulse: 0.4, mobility: 0.35, rehearse: 0.25, 'keep moving': 0.4, stretch: 0.6 } as const;
const PULSE_SECONDS = 60;
const MOBILITY_SECONDS = 30;
const REHEARSE_SECONDS = 30;
const STRETCH_SECONDS = 30;

const high = (demand: Demand, key: keyof Demand) => demand[key].hi ?? Number.POSITIVE_INFINITY;

/** When a joint counts as used: a figure of the demand at or above which it is. Common practice. */
const USES: Readonly<Record<Joint, readonly (readonly [keyof Demand, number])[]>> = {
  neck: [['neck.load', 1]],
  shoulders: [
    ['shoulder.raisedDeg', 60],
    ['shoulder.load', 1],
  ],
  elbows: [['elbow.load', 2]],
  wrists: [['wrist.load', 12]],
  'upper back': [
    ['spine.turn', 1],
    ['strength.pull', 25],
  ],
  'lower back': [
    ['spine.bend', 1],
    ['spine.turn', 1],
    ['strength.back', 40],
  ],
  hips: [['hip.bendDeg', 45]],
  knees: [['knee.bendDeg', 45]],
  ankles: [
    ['impact.class', 1],
    ['ankle.load', 2],
  ],
};

/** Joints a circuit uses, and how much of each muscle, most used first. */
export function usedBy(library: Library, forms: readonly FormRef[]) {
  const demands = forms.flatMap((form) => rungDemand(library, form) ?? []);
  const joints = JOINTS.filter((joint) =>
    USES[joint].some(([key, least]) => demands.some((demand) => high(demand, key) >= least)),
  );
  const muscles = MUSCLES.map((muscle) => ({
    muscle,
    share: forms.reduce((sum, form) => sum + (library.move(form.move)?.muscles[muscle] ?? 0), 0),
  }))
    .filter((m) => m.share > 0)
    .sort((a, b) => b.share - a.share);
  return { joints, muscles };
}

/** Down on the floor first, then seated, and standing last: ready to begin. */
const rise = (move: Move): number =>
  move.posture.work === 'standing' ? 2 : move.posture.work === 'seated' ? 1 : 0;

/** A move and the form of it that is open to everybody. */
interface Open {
  readonly move: Move;
  readonly form: FormRef;
}

/** What holds for everybody, made once a request. */
interface Asked extends AroundRequest {
  readonly all: readonly Constraints[];
}
const withLimits = (asked: AroundRequest): Asked => ({
  ...asked,
  all: (asked.subjects.length > 0 ? asked.subjects : [NOBODY]).map((subject) =>
    compileConstraints(subject, AS_WRITTEN),
  ),
});

function openTo({ library, law, all }: Asked, keep: (move: Move) => boolean): Open[] {
  return library.moves.flatMap((move) => {
    const form = keep(move) ? openForAll(law, all, { move: move.id }) : null;
    return form ? [{ move, form }] : [];
  });
}

const met = (library: Library, move: Move) => middle(library.demand.get(move.id)!['effort.met']);

/** Gentle ways to raise the pulse; where none of those is open, any steady travelling on a low rung. */
function pulses(asked: Asked): Open[] {
  const meant = openTo(asked, (move) => move.serves?.as === 'pulse');
  const some =
    meant.length > 0
      ? meant
      : openTo(
          asked,
          (move) =>
            move.unit === 'reps' &&
            move.serves === undefined &&
            (move.pattern === 'locomotion' || move.pattern === 'jump') &&
            met(asked.library, move) <= 4,
        );
  return some.sort(
    (a, b) => met(asked.library, a.move) - met(asked.library, b.move) || (a.move.id < b.move.id ? -1 : 1),
  );
}

/** Takes, one after another, what serves most of what isn't served yet; then what serves most at all. */
function cover<T>(
  from: readonly Open[],
  wanted: ReadonlyMap<T, number>,
  served: (move: Move) => readonly T[],
): Open[] {
  const left = new Map(wanted);
  const rest = [...from];
  const chosen: Open[] = [];
  while (rest.length > 0) {
    const worth = ({ move }: Open) => served(move).reduce((sum, one) => sum + (left.get(one) ?? 0), 0);
    rest.sort((a, b) => worth(b) - worth(a) || (a.move.id < b.move.id ? -1 : 1));
    const next = rest.shift()!;
    if (worth(next) <= 0) break;
    chosen.push(next);
    for (const one of served(next.move)) if (left.has(one)) left.set(one, left.get(one)! * 0.2);
  }
  return chosen;
}

const bothSides = (move: Move, seconds: number) => (move.sides === 'one' ? seconds * 2 : seconds);

/** As many as fit, each with its time. */
function fill(
  part: Around['part'],
  moves: readonly Open[],
  seconds: number,
  each: number,
  says: (move: Move) => string,
): Around[] {
  const list: Around[] = [];
  let left = seconds;
  for (const { move, form } of moves) {
    const takes = bothSides(move, each);
    if (takes > left) continue;
    list.push({ part, form, seconds: takes, says: says(move) });
    left -= takes;
  }
  return list;
}

/** What is left of the time goes to the parts that can be longer without harm. */
function stretchOut(list: Around[], total: number, longer: Around['part']): Around[] {
  const has = list.reduce((sum, one) => sum + one.seconds, 0);
  const may = list.filter((one) => one.part === longer).length;
  if (may === 0) return list;
  let spare = total - has;
  let to = may;
  return list.map((one) => {
    if (one.part !== longer) return one;
    const more = Math.floor(spare / to);
    spare -= more;
    to--;
    return { ...one, seconds: one.seconds + more };
  });
}

/**
 * A warm-up made from the circuit: the pulse raised slowly, the joints that will be used, each main move
 * on a low rung, slowly; ends standing. Empty where nothing is open to everybody.
 */
export function warmUp(request: AroundRequest): Around[] {
  const asked = withLimits(request);
  const { library, law, forms, all } = asked;
  const total = Math.round(asked.minutes * 60);
  const { joints } = usedBy(library, forms);
  const raise = pulses(asked);
  const mobile = cover(
    openTo(asked, (move) => move.serves?.as === 'mobility'),
    new Map(joints.map((joint) => [joint, 1] as const)),
    (move) => move.serves!.joints,
  );
  const low = forms.flatMap((form): { move: Move; for: string; form: FormRef }[] => {
    const ladder = library.ladders.find((l) => l.rungs.some((rung) => rung.move === form.move));
    const at = ladder?.rungs.findIndex((rung) => rung.move === form.move) ?? -1;
    for (let i = Math.max(0, at - 1); i >= 0 && ladder && at >= 0; i--) {
      const rung = ladder.rungs[i]!;
      const move = library.move(rung.move);
      // A rung's own height where the room has it, else the move at whatever is there.
      const exact = { move: rung.move, ...(rung.settings ? { settings: rung.settings } : {}) };
      const here = openForAll(law, all, exact);
      if (move && here) return [{ move, for: library.move(form.move)!.name, form: here }];
    }
    return [];
  });
  const rehearsed = [...new Map(low.map((one) => [one.move.id, one])).values()];
  const mobility = fill('mobility', mobile, total * SHARE.mobility, MOBILITY_SECONDS, (move) =>
    move.serves!.joints.join(', '),
  ).sort((a, b) => rise(library.move(a.form.move)!) - rise(library.move(b.form.move)!));
  const rehearse: Around[] = [];
  let left = total * SHARE.rehearse;
  for (const one of rehearsed) {
    if (REHEARSE_SECONDS > left) break;
    rehearse.push({
      part: 'rehearse',
      form: one.form,
      seconds: REHEARSE_SECONDS,
      says: `slowly, for ${one.for.toLowerCase()}`,
    });
    left -= REHEARSE_SECONDS;
  }
  rehearse.sort((a, b) => rise(library.move(a.form.move)!) - rise(library.move(b.form.move)!));
  const pulse = fill(
    'pulse',
    raise,
    total * SHARE.pulse,
    Math.min(PULSE_SECONDS, total * SHARE.pulse),
    () => 'the pulse, rising slowly',
  );
  return stretchOut([...pulse, ...mobility, ...rehearse], total, pulse.length > 0 ? 'pulse' : 'mobility');
}

/** A cool-down made from the circuit: kept moving, ever slower, then the muscles used most are stretched. */
export function coolDown(request: AroundRequest): Around[] {
  const asked = withLimits(request);
  const { library, forms, subjects } = asked;
  const total = Math.round(asked.minutes * 60);
  const { muscles } = usedBy(library, forms);
  const slow = pulses(asked).slice(0, 3).reverse();
  const longest = cover(
    openTo(asked, (move) => move.serves?.as === 'stretch'),
    new Map(muscles.map((m) => [m.muscle, m.share] as const)),
    (move) => move.serves!.muscles,
  );
  const moving = fill(
    'keep moving',
    slow,
    total * SHARE['keep moving'],
    Math.min(PULSE_SECONDS, total * SHARE['keep moving']),
    () => 'slower and slower',
  );
  const hold = subjects
    .flatMap((subject) => subject.limits)
    .reduce(
      (most, l) => (l.kind === 'cap' && l.on === 'strain.holdSeconds' ? Math.min(most, l.max) : most),
      STRETCH_SECONDS,
    );
  const inHolds = hold < STRETCH_SECONDS ? `, in holds of ${hold} s` : '';
  const stretches = fill(
    'stretch',
    longest,
    total * SHARE.stretch,
    STRETCH_SECONDS,
    (move) => `${move.serves!.muscles.join(', ')}${inHolds}`,
  ).sort((a, b) => rise(library.move(b.form.move)!) - rise(library.move(a.form.move)!));
  return stretchOut([...moving, ...stretches], total, moving.length > 0 ? 'keep moving' : 'stretch');
}

/** A warm-up or cool-down as a block of a session, to be edited like any other. */
export function aroundBlock(role: 'warm-up' | 'cool-down', list: readonly Around[]): Omit<Block, 'id'> {
  return {
    role,
    format: { kind: 'flow', restSeconds: 0 },
    stations: list.map((one, i) => ({
      id: `s${i + 1}`,
      move: one.form.move,
      ...(one.form.settings ? { settings: one.form.settings } : {}),
      sides: 'swap at half',
      dose: { seconds: Math.max(1, Math.round(one.seconds)) },
    })),
  };
}
