import { flies, hi, main, named, type Pull, rhythmic, seconds, stands, strict, trains } from './pull.ts';

/** How far, how slowly, how fast up. Factors are estimates. */
export const RANGE_PULLS: readonly Pull[] = [
  {
    id: 'half-way',
    lever: 'range',
    to: 'easier',
    says: 'half of the way',
    fits: (f) =>
      stands(f) &&
      hi(f, 'knee.bendDeg') >= 80 &&
      hi(f, 'strength.legs') >= 40 &&
      !flies(f) &&
      !f.move.surface &&
      !named(f, /half|small|shallow/i),
    apply: (b) =>
      b
        .first('Half')
        .scale('knee.bendDeg', 0.65)
        .scale('hip.bendDeg', 0.65)
        .scale('strength.legs', 0.78)
        .scale('strength.back', 0.9)
        .atMost('knee.forward', 1)
        .effort(0.82)
        .cue('Stop half way, every time at the same place'),
  },
  {
    id: 'smaller',
    lever: 'range',
    to: 'easier',
    says: 'a smaller range',
    fits: (f) =>
      f.move.unit === 'reps' &&
      !stands(f) &&
      hi(f, 'strain.holdSeconds') === 0 &&
      main(f) >= 16 &&
      !f.move.surface &&
      !named(f, /small|half/i) &&
      hi(f, 'impact.class') <= 1 &&
      hi(f, 'posture.changes') === 0,
    apply: (b) =>
      b
        .first('Small')
        .strength(0.76)
        .add('spine.bend', -1)
        .add('spine.turn', -1)
        .add('spine.arch', -1)
        .add('strain.belly', -1)
        .effort(0.9)
        .cue('Half as far, twice as tidy'),
  },
  {
    id: 'deeper',
    lever: 'range',
    to: 'harder',
    says: 'further down',
    fits: (f) =>
      stands(f) &&
      strict(f) &&
      trains(f, 'squat', 'split stance', 'step') &&
      hi(f, 'knee.bendDeg') >= 55 &&
      hi(f, 'knee.bendDeg') <= 100 &&
      !f.move.surface &&
      !flies(f),
    apply: (b) =>
      b
        .first('Deep')
        .add('knee.bendDeg', 18)
        .add('hip.bendDeg', 18)
        .scale('strength.legs', 1.13)
        .scale('strength.back', 1.05)
        .add('knee.forward', 1)
        .effort(1.08)
        .cue('Only as deep as the heels stay down'),
  },
  {
    id: 'hold-it',
    lever: 'move',
    to: 'easier',
    says: 'held at the hard point instead of moved',
    fits: (f) => strict(f) && main(f) >= 30 && !flies(f) && hi(f, 'coordination.level') <= 2,
    apply: (b) => {
      b.also('held')
        .strength(0.94)
        .effort(0.78)
        .set('strain.holdSeconds', 20)
        .add('strain.breath', 1)
        .cue('Find the hard point and keep breathing');
      b.move.unit = 'hold';
      delete (b.move as { pace?: unknown }).pace;
      delete (b.move as { tempo?: unknown }).tempo;
      b.move.standard = 'The hard point, held.';
    },
  },
  {
    id: 'slow-lower',
    lever: 'tempo',
    to: 'harder',
    says: 'four seconds on the way down',
    fits: (f) => strict(f) && seconds(f.move.tempo) <= 4 && main(f) >= 14 && !named(f, /slow/i),
    apply: (b) => {
      b.first('Slow')
        .strength(1.08)
        .add('strain.breath', 1)
        .effort(0.95)
        .pace(0.55)
        .cue('Count four on the way down');
      b.move.tempo = '4-0-1-0';
    },
  },
  {
    id: 'pause',
    lever: 'tempo',
    to: 'harder',
    says: 'two seconds at the hard point',
    fits: (f) => strict(f) && seconds(f.move.tempo) <= 4 && main(f) >= 14 && !named(f, /pause/i),
    apply: (b) => {
      b.also('with a pause')
        .strength(1.11)
        .add('strain.breath', 1)
        .effort(0.94)
        .pace(0.6)
        .cue('Two counts where it is hardest');
      b.move.tempo = '2-2-1-0';
    },
  },
  {
    id: 'one-and-a-half',
    lever: 'tempo',
    to: 'harder',
    says: 'one and a half reps for one',
    fits: (f) =>
      strict(f) &&
      seconds(f.move.tempo) <= 4 &&
      trains(f, 'squat', 'split stance', 'push level', 'hinge') &&
      main(f) >= 20 &&
      !named(f, /half|quarter/i),
    apply: (b) => {
      b.also('one and a half')
        .strength(1.17)
        .add('strain.breath', 1)
        .add('coordination.level', 1)
        .effort(1.02)
        .pace(0.55)
        .cue('Down, half up, down, all the way up');
      delete (b.move as { tempo?: unknown }).tempo;
    },
  },
  {
    id: 'natural-speed',
    lever: 'tempo',
    to: 'easier',
    says: 'at its natural speed',
    fits: (f) => strict(f) && seconds(f.move.tempo) >= 5,
    apply: (b) => {
      b.also('natural speed')
        .strength(0.91)
        .add('strain.breath', -1)
        .effort(1.05)
        .pace(1.6)
        .cue('Two down, one up');
      b.move.tempo = '2-0-1-0';
    },
  },
  {
    id: 'fast-up',
    lever: 'explosive',
    to: 'harder',
    says: 'as fast as you can on the way up',
    fits: (f) =>
      strict(f) &&
      stands(f) &&
      trains(f, 'squat', 'split stance', 'step', 'push level') &&
      main(f) >= 36 &&
      !flies(f) &&
      hi(f, 'hands.busy') < 2,
    apply: (b) => {
      b.also('fast up')
        .scale('strength.legs', 1.07)
        .scale('strength.push', 1.07)
        .effort(1.22)
        .pace(1.2)
        .add('teach.skill', 1)
        .cue('Slow down, fast up, feet stay');
      delete (b.move as { tempo?: unknown }).tempo;
    },
  },
  {
    id: 'quicker',
    lever: 'pace',
    to: 'harder',
    says: 'quicker',
    fits: (f) =>
      rhythmic(f) &&
      !flies(f) &&
      trains(f, 'locomotion', 'brace', 'trunk turn', 'jump', 'balance') &&
      !named(f, /quick|fast/i) &&
      hi(f, 'effort.met') <= 7,
    apply: (b) =>
      b.first('Quick').pace(1.25).effort(1.28).add('strength.legs', 2).cue('Quick and small, still tidy'),
  },
  {
    id: 'steadier',
    lever: 'pace',
    to: 'easier',
    says: 'steadier',
    fits: (f) =>
      rhythmic(f) &&
      !flies(f) &&
      trains(f, 'locomotion', 'brace', 'trunk turn', 'jump', 'get up') &&
      hi(f, 'effort.met') >= 2.4 &&
      !named(f, /steady/i),
    apply: (b) => b.first('Steady').pace(0.75).effort(0.76).cue('A beat you could talk over'),
  },
];
