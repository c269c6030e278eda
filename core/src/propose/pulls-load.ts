import { flies, handsFree, hi, loads, main, named, type Pull, sits, stands, trains } from './pull.ts';

/** What is held, squeezed or joined on. Factors are estimates. */
export const LOAD_PULLS: readonly Pull[] = [
  {
    id: 'hold-a-weight',
    lever: 'load',
    to: 'harder',
    says: 'hugging a weight',
    fits: (f) =>
      handsFree(f) &&
      f.move.unit === 'reps' &&
      trains(f, 'squat', 'split stance', 'step', 'trunk turn') &&
      hi(f, 'strength.legs') + hi(f, 'strength.side') >= 20 &&
      !flies(f) &&
      hi(f, 'shoulder.raisedDeg') < 100,
    apply: (b) =>
      b
        .also('with a weight')
        .scale('strength.legs', 1.16)
        .scale('strength.side', 1.3)
        .atLeast('strength.front', 16)
        .scale('strength.front', 1.1)
        .atLeast('strength.grip', 20)
        .set('hands.busy', 2)
        .add('knee.load', 1)
        .add('strain.breath', 1)
        .atLeast('strain.belly', 1)
        .effort(1.1)
        .needs({ what: 'hand load', min: 2, max: 12, count: 1 })
        .cue('Weight close to the breastbone'),
  },
  {
    id: 'heavier',
    lever: 'load',
    to: 'harder',
    says: 'a heavier weight',
    fits: (f) => Boolean(loads(f)) && (loads(f)!.min ?? 0) <= 8 && !named(f, /heav/i),
    apply: (b) => {
      b.also('heavier')
        .strength(1.14)
        .scale('strength.grip', 1.2)
        .add('strain.breath', 1)
        .effort(1.06)
        .cue('The last two are hard and clean');
      b.move.needs = b.move.needs.map((n) =>
        n.what === 'hand load'
          ? { ...n, min: Math.max(2, Math.round((n.min ?? 1) * 1.8)), max: Math.round((n.max ?? 16) * 1.5) }
          : n,
      );
    },
  },
  {
    id: 'no-weight',
    lever: 'load',
    to: 'easier',
    says: 'without the weight',
    fits: (f) =>
      Boolean(loads(f)) &&
      trains(f, 'squat', 'split stance', 'step', 'trunk turn', 'trunk bend', 'jump', 'hinge') &&
      !named(f, /swing|weight.*overhead/i),
    apply: (b) =>
      b
        .also('no weight')
        .strength(0.82)
        .set('strength.grip', 0)
        .set('hands.busy', 0)
        .set('shoulder.overheadLoad', 0)
        .add('strain.breath', -1)
        .add('strain.belly', -1)
        .effort(0.9)
        .without('hand load')
        .cue('Hands where they help you balance'),
  },
  {
    id: 'lighter',
    lever: 'load',
    to: 'easier',
    says: 'a lighter weight or band',
    fits: (f) =>
      (Boolean(loads(f)) || f.move.needs.some((n) => n.what === 'pull anchor' || n.what === 'band')) &&
      main(f) >= 14 &&
      !named(f, /light/i),
    apply: (b) => {
      b.also('lighter')
        .strength(0.82)
        .scale('strength.grip', 0.75)
        .add('strain.breath', -1)
        .effort(0.93)
        .cue('Light enough to do it beautifully');
      b.move.needs = b.move.needs.map((n) =>
        n.what === 'hand load'
          ? { ...n, min: Math.max(0.5, (n.min ?? 1) / 2), max: Math.max(1, (n.max ?? 8) / 2) }
          : n,
      );
    },
  },
  {
    id: 'add-press',
    lever: 'parts',
    to: 'harder',
    says: 'and a press overhead',
    fits: (f) =>
      stands(f) &&
      handsFree(f) &&
      f.move.unit === 'reps' &&
      trains(f, 'squat', 'split stance', 'step') &&
      hi(f, 'coordination.level') <= 2 &&
      !flies(f) &&
      hi(f, 'shoulder.raisedDeg') < 100,
    apply: (b) =>
      b
        .also('and press')
        .atLeast('strength.push', 24)
        .atLeast('strength.grip', 22)
        .atLeast('strength.front', 16)
        .set('shoulder.raisedDeg', 170)
        .set('shoulder.overheadLoad', 2)
        .atLeast('shoulder.load', 2)
        .set('hands.busy', 2)
        .add('coordination.level', 1)
        .add('strain.breath', 1)
        .effort(1.12)
        .pace(0.85)
        .needs({ what: 'hand load', min: 1, max: 6, count: 2 })
        .cue('Stand first, then press'),
  },
  {
    id: 'add-knee-lift',
    lever: 'parts',
    to: 'harder',
    says: 'and a knee lift',
    fits: (f) =>
      stands(f) &&
      f.move.unit === 'reps' &&
      trains(f, 'split stance', 'squat') &&
      !flies(f) &&
      hi(f, 'coordination.level') <= 2 &&
      hi(f, 'balance.level') <= 4 &&
      hi(f, 'impact.class') <= 1 &&
      hi(f, 'strength.legs') >= 30 &&
      !f.move.surface &&
      !named(f, /knee lift/i),
    apply: (b) => {
      b.also('and knee lift')
        .atLeast('balance.level', 5)
        .set('balance.singleLeg', 2)
        .add('coordination.level', 1)
        .atLeast('impact.class', 1)
        .add('strength.legs', 3)
        .atLeast('hip.bendDeg', 90)
        .effort(1.12)
        .pace(0.85)
        .cue('Stand tall before the knee comes');
      delete (b.move as { tempo?: unknown }).tempo;
    },
  },
  {
    id: 'one-part-fewer',
    lever: 'parts',
    to: 'easier',
    says: 'one part fewer',
    fits: (f) =>
      hi(f, 'coordination.level') >= 3 &&
      f.move.unit === 'reps' &&
      trains(f, 'locomotion', 'get up', 'jump', 'split stance', 'squat') &&
      !named(f, /simpler/i),
    apply: (b) =>
      b
        .also('simpler')
        .add('coordination.level', -1)
        .add('teach.skill', -1)
        .effort(0.9)
        .cue('Leave out the part that trips you'),
  },
  {
    id: 'squeeze-a-cushion',
    lever: 'squeeze',
    to: 'harder',
    says: 'squeezing a cushion between the knees',
    fits: (f) =>
      (sits(f) || hi(f, 'posture.supine') === 1) &&
      f.move.sides === 'both' &&
      trains(f, 'hinge', 'brace', 'squat') &&
      hi(f, 'hip.cross') === 0 &&
      main(f) <= 50,
    apply: (b) =>
      b
        .also('squeezing a cushion')
        .add('strength.legs', 5)
        .add('strength.front', 4)
        .strength(1.03)
        .add('strain.breath', 1)
        .needs({ what: 'cushion', count: 1 })
        .cue('Squeeze before you move'),
  },
  {
    id: 'harder-grip',
    lever: 'grip',
    to: 'harder',
    says: 'a towel round the handle',
    fits: (f) =>
      hi(f, 'strength.grip') >= 18 &&
      hi(f, 'strength.grip') <= 50 &&
      trains(f, 'pull level', 'pull overhead', 'anti-turn', 'hinge') &&
      f.move.needs.some((n) => n.what === 'hand load' || n.what === 'low bar'),
    apply: (b) =>
      b
        .also('towel grip')
        .scale('strength.grip', 1.35)
        .scale('strength.pull', 1.03)
        .needs({ what: 'towel', count: 1 })
        .cue('Squeeze the towel before you pull'),
  },
];
