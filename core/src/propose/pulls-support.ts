import {
  down,
  flies,
  frontSupport,
  handsFree,
  hi,
  named,
  onHands,
  type Pull,
  rhythmic,
  sits,
  stands,
  strict,
  trains,
} from './pull.ts';

const leg = ['squat', 'split stance', 'hinge', 'step'] as const;

/** What holds the body up: hands, chairs, one foot or two, fists or forearms. Factors are estimates. */
export const SUPPORT_PULLS: readonly Pull[] = [
  {
    id: 'hold-on',
    lever: 'support',
    to: 'easier',
    says: 'a hand on a chair',
    fits: (f) =>
      stands(f) && handsFree(f) && hi(f, 'balance.level') >= 3 && !flies(f) && hi(f, 'space.metres') <= 2,
    apply: (b) =>
      b
        .also('holding on')
        .add('balance.level', -1.5)
        .atMost('balance.singleLeg', 2)
        .scale('strength.legs', 0.92)
        .set('hands.busy', 1)
        .atMost('shoulder.raisedDeg', 100)
        .needs({ what: 'hand hold', count: 1 })
        .cue('Fingertips, not a grip'),
  },
  {
    id: 'sit-down',
    lever: 'support',
    to: 'easier',
    says: 'sitting down',
    fits: (f) =>
      stands(f) &&
      // Who hangs from a bar can't do it on a chair.
      f.move.base !== 'hanging' &&
      hi(f, 'hands.hang') === 0 &&
      f.move.unit === 'reps' &&
      hi(f, 'hands.bearing') === 0 &&
      hi(f, 'impact.class') <= 1 &&
      hi(f, 'strength.legs') <= 24 &&
      hi(f, 'balance.level') <= 4 &&
      hi(f, 'space.metres') <= 2 &&
      trains(
        f,
        'locomotion',
        'push level',
        'push overhead',
        'pull level',
        'pull overhead',
        'anti-turn',
        'trunk turn',
        'trunk bend',
        'brace',
        'mobility',
      ) &&
      !f.move.needs.some((n) => n.what === 'hand hold' || n.what === 'wall' || n.what === 'seat'),
    apply: (b) =>
      b
        .first('Seated')
        .set('posture.standing', 0)
        .set('balance.level', 1)
        .set('balance.singleLeg', 0)
        .set('balance.fall', 1)
        .set('impact.class', 0)
        .scale('strength.legs', 0.5)
        .strength(0.8)
        .set('knee.pivot', 0)
        .set('knee.load', 0)
        .set('knee.bendDeg', 0)
        .atLeast('hip.bendDeg', 90)
        .set('hip.extensionDeg', 0)
        .set('space.metres', 1)
        .set('toes.curl', 0)
        .effort(0.6)
        .posture('seated')
        .needs({ what: 'seat', min: 38, max: 60, count: 1 })
        .cue('Sit tall on the front half of the seat'),
  },
  {
    id: 'stand-up',
    lever: 'support',
    to: 'harder',
    says: 'standing up',
    fits: (f) =>
      sits(f) &&
      rhythmic(f) &&
      trains(f, 'locomotion', 'pull level', 'push overhead', 'trunk turn') &&
      f.move.needs.length === 1 &&
      f.move.needs[0]!.what === 'seat' &&
      hi(f, 'strain.holdSeconds') === 0,
    apply: (b) =>
      b
        .name((name) => `${name.replace(/^Seated /, '').replace(/^./, (c) => c.toUpperCase())}, standing`)
        .without('seat')
        .set('posture.standing', 1)
        .set('balance.level', 2)
        .set('balance.fall', 2)
        .atLeast('strength.legs', 12)
        .atLeast('knee.bendDeg', 15)
        .set('hip.bendDeg', 15)
        .effort(1.45)
        .posture('standing')
        .cue('Soft knees, tall crown'),
  },
  {
    id: 'feet-wide',
    lever: 'base',
    to: 'easier',
    says: 'the feet wider',
    fits: (f) => frontSupport(f) && hi(f, 'strength.side') >= 30 && !named(f, /wide/i),
    apply: (b) =>
      b
        .also('feet wide')
        .scale('strength.side', 0.82)
        .scale('strength.front', 0.93)
        .add('balance.level', -1)
        .cue('Feet as wide as the mat'),
  },
  {
    id: 'feet-together',
    lever: 'base',
    to: 'harder',
    says: 'the feet together',
    fits: (f) => frontSupport(f) && hi(f, 'strength.side') < 45 && !named(f, /together/i),
    apply: (b) =>
      b
        .also('feet together')
        .add('strength.side', 8)
        .scale('strength.front', 1.04)
        .add('balance.level', 1)
        .cue('Zip the legs'),
  },
  {
    id: 'one-foot-back',
    lever: 'base',
    to: 'harder',
    says: 'one foot a step back',
    fits: (f) =>
      stands(f) &&
      strict(f) &&
      f.move.sides === 'both' &&
      trains(f, 'squat', 'hinge') &&
      hi(f, 'balance.level') <= 3 &&
      hi(f, 'strength.legs') >= 16 &&
      !f.move.surface,
    apply: (b) => {
      b.also('one foot back')
        .scale('strength.legs', 1.12)
        .scale('strength.back', 1.15)
        .atLeast('balance.level', 3.5)
        .effort(0.98)
        .pace(0.85)
        .cue('The back foot is a kickstand');
      b.move.sides = 'one';
    },
  },
  {
    id: 'one-leg',
    lever: 'limbs',
    to: 'harder',
    says: 'on one leg',
    fits: (f) =>
      f.move.sides === 'both' &&
      !flies(f) &&
      f.move.unit === 'reps' &&
      stands(f) &&
      handsFree(f) &&
      trains(f, ...leg) &&
      hi(f, 'strength.legs') <= 56 &&
      hi(f, 'coordination.level') <= 2 &&
      !f.move.surface &&
      hi(f, 'impact.class') === 0,
    apply: (b) => {
      b.first('One-leg')
        .scale('strength.legs', 1.5)
        .scale('strength.back', 1.6)
        .set('balance.level', 5)
        .set('balance.singleLeg', 2)
        .set('impact.class', 1)
        .add('knee.load', 1)
        .add('ankle.load', 1)
        .add('teach.skill', 1)
        .effort(0.95)
        .pace(0.75)
        .cue('Stand tall on a soft knee first')
        .stopIf('the standing knee gives way');
      b.move.sides = 'one';
    },
  },
  {
    id: 'one-leg-lying',
    lever: 'limbs',
    to: 'harder',
    says: 'one foot off the floor',
    fits: (f) =>
      f.move.sides === 'both' &&
      hi(f, 'posture.supine') > 0 &&
      trains(f, 'hinge') &&
      hi(f, 'strength.back') <= 50 &&
      hi(f, 'strength.back') >= 14,
    apply: (b) => {
      b.first('One-leg')
        .scale('strength.back', 1.7)
        .scale('strength.legs', 1.7)
        .add('balance.level', 1)
        .add('coordination.level', 1)
        .add('strain.breath', 1)
        .effort(1.1)
        .pace(0.8)
        .cue('Both hip bones face the ceiling');
      b.move.sides = 'one';
    },
  },
  {
    id: 'one-limb-off',
    lever: 'limbs',
    to: 'harder',
    says: 'one foot off the floor at a time',
    fits: (f) => frontSupport(f) && f.move.unit === 'hold',
    apply: (b) =>
      b
        .also('one foot lifted')
        .scale('strength.front', 1.14)
        .add('strength.side', 10)
        .add('balance.level', 1)
        .add('coordination.level', 1)
        .effort(1.08)
        .cue('Lift a hand high; the hips don’t notice'),
  },
  {
    id: 'one-at-a-time',
    lever: 'limbs',
    to: 'easier',
    says: 'one leg at a time',
    fits: (f) =>
      f.move.sides === 'both' &&
      f.move.unit === 'reps' &&
      hi(f, 'posture.supine') === 1 &&
      trains(f, 'brace', 'trunk bend') &&
      hi(f, 'strength.front') >= 30 &&
      'hip flexors' in f.move.muscles,
    apply: (b) => {
      b.also('one leg at a time')
        .scale('strength.front', 0.64)
        .add('strain.belly', -1)
        .add('strain.breath', -1)
        .add('spine.arch', -1)
        .effort(0.9)
        .cue('The other foot stays on the floor');
      b.move.sides = 'alternating';
    },
  },
  {
    id: 'one-arm',
    lever: 'limbs',
    to: 'harder',
    says: 'one arm at a time, the trunk square',
    fits: (f) =>
      f.move.sides === 'both' &&
      strict(f) &&
      trains(f, 'push level', 'push overhead', 'pull level') &&
      f.move.needs.some((n) => n.what === 'hand load' || n.what === 'pull anchor') &&
      hi(f, 'hands.bearing') === 0,
    apply: (b) => {
      b.first('One-arm')
        .scale('strength.push', 1.22)
        .scale('strength.pull', 1.22)
        .scale('strength.grip', 1.15)
        .add('strength.side', 18)
        .scale('strength.front', 1.1)
        .add('balance.level', 1)
        .cue('Belt buckle stays ahead');
      b.move.sides = 'one';
      b.move.needs = b.move.needs.map((n) => ({ ...n, count: 1 }));
      b.set('hands.busy', 1);
    },
  },
  {
    id: 'forearms',
    lever: 'joint',
    to: 'sideways',
    says: 'on the forearms, so that the wrists rest',
    fits: (f) =>
      onHands(f) && !f.move.surface && down(f) && f.move.unit === 'hold' && hi(f, 'shoulder.behind') === 0,
    apply: (b) =>
      b
        .also('on the forearms')
        .set('wrist.load', 0)
        .set('wrist.bentBackDeg', 0)
        .add('elbow.load', 1)
        .scale('strength.front', 1.05)
        .cue('Elbows under the shoulders'),
  },
  {
    id: 'fists',
    lever: 'joint',
    to: 'sideways',
    says: 'on the fists or on handles, the wrists straight',
    fits: (f) => onHands(f) && down(f) && hi(f, 'wrist.bentBackDeg') > 30 && hi(f, 'impact.class') <= 1,
    apply: (b) =>
      b
        .also('on the fists')
        .set('wrist.bentBackDeg', 5)
        .add('teach.skill', 1)
        .cue('Knuckles of two fingers, wrists straight'),
  },
  {
    id: 'hover-knees',
    lever: 'joint',
    to: 'sideways',
    says: 'the knees just off the floor',
    fits: (f) => down(f) && hi(f, 'knee.kneel') >= 2 && onHands(f) && hi(f, 'hip.bendDeg') >= 80,
    apply: (b) =>
      b
        .also('knees hovering')
        .set('knee.kneel', 0)
        .set('toes.curl', 2)
        .add('strength.front', 8)
        .add('strength.legs', 8)
        .add('strain.belly', 1)
        .add('strain.breath', 1)
        .effort(1.2)
        .cue('Knees a finger off the floor'),
  },
  {
    id: 'hands-help',
    lever: 'assistance',
    to: 'easier',
    says: 'hands pushing on the thighs',
    fits: (f) =>
      stands(f) &&
      handsFree(f) &&
      strict(f) &&
      trains(f, 'squat', 'split stance', 'get up') &&
      hi(f, 'strength.legs') >= 30 &&
      hi(f, 'shoulder.raisedDeg') < 60,
    apply: (b) =>
      b
        .also('hands helping')
        .scale('strength.legs', 0.82)
        .add('strength.push', 8)
        .set('hands.busy', 2)
        .effort(0.94)
        .cue('Hands on the thighs, push as much as you need'),
  },
  {
    id: 'cushion-underfoot',
    lever: 'stability',
    to: 'harder',
    says: 'on a cushion or folded mat',
    fits: (f) =>
      stands(f) &&
      handsFree(f) &&
      trains(f, 'balance') &&
      hi(f, 'balance.level') >= 2 &&
      hi(f, 'balance.level') <= 5 &&
      hi(f, 'space.metres') <= 1,
    apply: (b) =>
      b
        .also('on a cushion')
        .add('balance.level', 1)
        .add('ankle.load', 1)
        .needs({ what: 'cushion', count: 1 })
        .cue('Let the ankles work, wall in reach')
        .stopIf('the ankle gives way'),
  },
  {
    id: 'head-turns',
    lever: 'head',
    to: 'harder',
    says: 'the head turning',
    fits: (f) =>
      trains(f, 'balance') &&
      hi(f, 'balance.headTurn') === 0 &&
      hi(f, 'balance.level') >= 2 &&
      hi(f, 'balance.level') <= 5,
    apply: (b) =>
      b
        .also('head turning')
        .set('balance.headTurn', 1)
        .add('balance.level', 1)
        .cue('Eyes lead, the head follows')
        .stopIf('dizzy'),
  },
];
