import { down, flies, handsFree, hi, named, type Pull, rhythmic, sits, stands, trains } from './pull.ts';

/** Into the air and back to the floor; round; across the room; arms and opposite limbs. Factors are estimates. */
export const FLIGHT_PULLS: readonly Pull[] = [
  {
    id: 'jump-it',
    lever: 'flight',
    to: 'harder',
    says: 'with a jump',
    fits: (f) =>
      stands(f) &&
      f.move.unit === 'reps' &&
      trains(f, 'squat', 'split stance', 'jump') &&
      !flies(f) &&
      hi(f, 'strength.legs') >= 44 &&
      handsFree(f) &&
      !f.move.surface,
    apply: (b) => {
      b.also('with a jump')
        .set('impact.class', 3)
        .set('impact.highLandings', 1)
        .set('impact.landings', 0)
        .scale('strength.legs', 1.25)
        .effort(1.55)
        .add('knee.load', 1)
        .set('ankle.load', 4)
        .set('space.noise', 3)
        .add('balance.level', 1)
        .add('coordination.level', 1)
        .set('strain.belly', 3)
        .add('teach.skill', 1)
        .cue('Land soft and still')
        .stopIf('landing hurts');
      delete (b.move as { tempo?: unknown }).tempo;
      b.move.pattern = 'jump';
    },
  },
  {
    id: 'hop-it',
    lever: 'flight',
    to: 'harder',
    says: 'with a small hop',
    fits: (f) =>
      stands(f) &&
      rhythmic(f) &&
      trains(f, 'locomotion', 'jump') &&
      !flies(f) &&
      hi(f, 'effort.met') >= 3 &&
      // Nobody hops with a load in the arms.
      handsFree(f) &&
      hi(f, 'hands.bearing') === 0 &&
      hi(f, 'strength.legs') <= 46 &&
      !named(f, /punch/i),
    apply: (b) =>
      b
        .also('with a hop')
        .set('impact.class', 2)
        .set('impact.landings', 2)
        .scale('strength.legs', 1.6)
        .effort(1.4)
        .add('balance.level', 1)
        .set('ankle.load', 3)
        .atLeast('knee.load', 2)
        .set('space.noise', 2)
        .atLeast('strain.belly', 2)
        .cue('Land on the front of the foot')
        .stopIf('landing hurts'),
  },
  {
    id: 'step-it',
    lever: 'flight',
    to: 'easier',
    says: 'stepping instead of jumping',
    fits: (f) =>
      flies(f) &&
      hi(f, 'posture.standing') > 0 &&
      f.move.unit === 'reps' &&
      !f.move.needs.some((n) => n.what === 'rope' || n.what === 'step'),
    apply: (b) => {
      b.also('stepping')
        .set('impact.class', 1)
        .set('impact.landings', 0)
        .set('impact.highLandings', 0)
        .set('impact.turnDeg', 0)
        .set('impact.dropCm', 0)
        .scale('strength.legs', 0.6)
        .effort(0.62)
        .add('balance.level', -1)
        .add('coordination.level', -1)
        .atMost('ankle.load', 2)
        .atMost('knee.load', 2)
        .atMost('space.noise', 1)
        .atMost('strain.belly', 1)
        .cue('One foot always on the floor');
      b.without('head room');
      if (b.move.pattern === 'jump') b.move.pattern = 'locomotion';
    },
  },
  {
    id: 'rise-instead',
    lever: 'flight',
    to: 'easier',
    says: 'rising onto the toes instead of jumping',
    fits: (f) =>
      hi(f, 'impact.class') === 3 &&
      stands(f) &&
      f.move.sides === 'both' &&
      hi(f, 'knee.bendDeg') >= 70 &&
      !f.move.needs.some((n) => n.what === 'step'),
    apply: (b) => {
      b.also('rising onto the toes')
        .set('impact.class', 1)
        .set('impact.highLandings', 0)
        .set('impact.landings', 0)
        .set('impact.turnDeg', 0)
        .scale('strength.legs', 0.78)
        .effort(0.68)
        .add('balance.level', -1)
        .add('coordination.level', -1)
        .atMost('ankle.load', 3)
        .atMost('knee.load', 2)
        .set('space.noise', 0)
        .atMost('strain.belly', 1)
        .cue('Drive up, the toes stay printed');
      b.without('head room');
    },
  },
  {
    id: 'quarter-turn',
    lever: 'turn',
    to: 'harder',
    says: 'a quarter turn in the air',
    fits: (f) =>
      hi(f, 'impact.class') === 3 && hi(f, 'impact.turnDeg') === 0 && stands(f) && f.move.sides === 'both',
    apply: (b) =>
      b
        .also('quarter turn')
        .set('impact.turnDeg', 90)
        .atLeast('knee.pivot', 2)
        .add('balance.level', 1)
        .add('coordination.level', 1)
        .add('strength.legs', 3)
        .effort(1.04)
        .add('teach.skill', 1)
        .cue('Head first, then the feet'),
  },
  {
    id: 'trunk-turn',
    lever: 'turn',
    to: 'harder',
    says: 'with a turn of the ribs',
    fits: (f) =>
      handsFree(f) &&
      f.move.unit === 'reps' &&
      hi(f, 'spine.turn') === 0 &&
      (stands(f) || sits(f)) &&
      trains(f, 'split stance', 'locomotion', 'squat') &&
      !flies(f) &&
      hi(f, 'coordination.level') <= 3,
    apply: (b) =>
      b
        .also('with a turn')
        .set('spine.turn', 2)
        .add('strength.side', 14)
        .add('coordination.level', 1)
        .atLeast('shoulder.raisedDeg', 80)
        .effort(1.05)
        .cue('Turn the ribs, not the knees'),
  },
  {
    id: 'face-front',
    lever: 'turn',
    to: 'easier',
    says: 'facing the front',
    fits: (f) =>
      (hi(f, 'spine.turn') >= 2 || hi(f, 'impact.turnDeg') > 0) &&
      !trains(f, 'trunk turn', 'mobility', 'stretch', 'anti-turn', 'brace'),
    apply: (b) =>
      b
        .also('facing front')
        .set('spine.turn', 0)
        .set('impact.turnDeg', 0)
        .set('knee.pivot', 0)
        .scale('strength.side', 0.5)
        .add('coordination.level', -1)
        .add('balance.level', -1)
        .effort(0.97)
        .cue('Chest stays ahead'),
  },
  {
    id: 'arms-overhead',
    lever: 'arms',
    to: 'harder',
    says: 'the arms reaching overhead',
    fits: (f) =>
      handsFree(f) &&
      rhythmic(f) &&
      trains(f, 'locomotion', 'jump', 'squat', 'get up') &&
      hi(f, 'shoulder.raisedDeg') < 100 &&
      hi(f, 'coordination.level') <= 4,
    apply: (b) =>
      b
        .also('arms overhead')
        .set('shoulder.raisedDeg', 165)
        .atLeast('shoulder.load', 1)
        .add('coordination.level', 1)
        .effort(1.15)
        .cue('Reach for the ceiling on every one'),
  },
  {
    id: 'arms-still',
    lever: 'arms',
    to: 'easier',
    says: 'the arms still',
    fits: (f) =>
      handsFree(f) &&
      hi(f, 'shoulder.raisedDeg') >= 60 &&
      trains(f, 'locomotion', 'jump', 'squat', 'get up') &&
      hi(f, 'shoulder.overheadLoad') === 0 &&
      !named(f, /punch|arm/i),
    apply: (b) =>
      b
        .also('arms still')
        .set('shoulder.raisedDeg', 15)
        .set('shoulder.load', 0)
        .add('coordination.level', -1)
        .effort(0.86)
        .cue('Hands on the hips'),
  },
  {
    id: 'on-the-spot',
    lever: 'travel',
    to: 'easier',
    says: 'on the spot',
    fits: (f) => hi(f, 'space.metres') >= 4 && trains(f, 'locomotion', 'split stance', 'balance', 'brace'),
    apply: (b) =>
      b
        .also('on the spot')
        .set('space.metres', 1)
        .add('balance.level', -1)
        .add('coordination.level', -1)
        .effort(0.9)
        .cue('Back to where you began'),
  },
  {
    id: 'travelling',
    lever: 'travel',
    to: 'harder',
    says: 'across the room',
    fits: (f) =>
      stands(f) &&
      rhythmic(f) &&
      hi(f, 'space.metres') <= 2 &&
      trains(f, 'locomotion', 'balance') &&
      !flies(f) &&
      hi(f, 'hands.bearing') === 0 &&
      !f.move.needs.some((n) => n.what === 'hand hold' || n.what === 'seat'),
    apply: (b) =>
      b
        .also('across the room')
        .set('space.metres', 6)
        .add('balance.level', 1)
        .effort(1.12)
        .atLeast('impact.class', 1)
        .cue('Eyes on the far wall'),
  },
  {
    id: 'opposite-limbs',
    lever: 'coordination',
    to: 'harder',
    says: 'the opposite arm joining in',
    fits: (f) =>
      f.move.unit === 'reps' &&
      f.move.sides === 'alternating' &&
      (down(f) || sits(f)) &&
      trains(f, 'brace', 'anti-turn', 'hinge') &&
      hi(f, 'coordination.level') <= 2 &&
      hi(f, 'hands.busy') === 0,
    apply: (b) =>
      b
        .also('opposite arm')
        .add('coordination.level', 1)
        .add('strength.front', 4)
        .add('strength.side', 4)
        .atLeast('shoulder.raisedDeg', 150)
        .effort(1.06)
        .cue('Opposite hand, opposite foot'),
  },
];
