import { KNEE_PUSH_UP_SHARE, PUSH_UP_SHARE, readCurve } from '../move/index.ts';
import { frontSupport, hi, named, onHands, type Pull, trains } from './pull.ts';

const FLAT = readCurve(PUSH_UP_SHARE, 0).y;
const CHAIR_CM = 43;
/** What a chair under the hands leaves of the share on the floor, and knees down, and a chair under the feet. */
const CHAIR = readCurve(PUSH_UP_SHARE, CHAIR_CM).y / FLAT;
const KNEES = KNEE_PUSH_UP_SHARE / FLAT;
const FEET_UP = readCurve(PUSH_UP_SHARE, -CHAIR_CM).y / FLAT;
/** At a wall about 15 % of the body is on the hands. Estimate. */
const WALL = 15 / FLAT;

/** Less than this of the belly nobody feels, points of strength. Estimate. */
const LEAST_BORNE = 8;

/** Higher and lower, longer and shorter: how much of the body has to be moved. Shares of weight from Ebben et al. 2011 where a chair or the knees are meant; the rest are estimates. */
export const SURFACE_PULLS: readonly Pull[] = [
  {
    id: 'hands-raised',
    lever: 'surface',
    to: 'easier',
    says: 'the hands on a chair or bench',
    fits: (f) => frontSupport(f) && onHands(f) && !f.move.surface && !named(f, /raised/i),
    apply: (b) =>
      b
        .also('hands raised')
        .scale('strength.push', CHAIR)
        .scale('strength.front', CHAIR)
        .scale('strength.side', CHAIR)
        .scale('wrist.load', CHAIR)
        .set('posture.floor', 0)
        .set('posture.standing', 1)
        .set('posture.changes', 0)
        .set('balance.fall', 1)
        .effort(0.85)
        .posture('standing')
        .needs({ what: 'firm surface', min: 35, max: 60, count: 1 })
        .without('mat')
        .cue('Chest over the edge, not behind it'),
  },
  {
    id: 'at-the-wall',
    lever: 'surface',
    to: 'easier',
    says: 'at the wall',
    fits: (f) =>
      hi(f, 'hands.bearing') === 2 &&
      hi(f, 'strength.front') >= 28 &&
      hi(f, 'posture.supine') === 0 &&
      hi(f, 'shoulder.behind') === 0 &&
      hi(f, 'hip.bendDeg') <= 20 &&
      hi(f, 'posture.changes') === 0,
    apply: (b) =>
      b
        .also('at the wall')
        .scale('strength.push', WALL)
        .scale('strength.front', 0.35)
        .scale('strength.side', 0.4)
        .scale('wrist.load', WALL)
        .set('posture.floor', 0)
        .set('posture.standing', 1)
        .set('knee.kneel', 0)
        .set('toes.curl', 1)
        .atLeast('balance.level', 2)
        .set('balance.fall', 2)
        .atMost('strain.belly', 1)
        .effort(0.6)
        .posture('standing')
        .needs({ what: 'wall', count: 1 })
        .without('mat')
        .without('firm surface')
        .cue('Feet a long step from the wall'),
  },
  {
    id: 'feet-raised',
    lever: 'surface',
    to: 'harder',
    says: 'the feet on a chair',
    fits: (f) => frontSupport(f) && !f.move.surface && hi(f, 'strain.headLow') === 0,
    apply: (b) =>
      b
        .also('feet raised')
        .scale('strength.push', FEET_UP)
        .scale('strength.front', 1.15)
        .scale('wrist.load', FEET_UP)
        .set('strain.headLow', 1)
        .add('shoulder.load', 1)
        .add('strain.breath', 1)
        .effort(1.08)
        .needs({ what: 'firm surface', min: 25, max: 50, count: 1 })
        .cue('Toes or shins on the chair, one line'),
  },
  {
    id: 'knees-down',
    lever: 'length',
    to: 'easier',
    says: 'the knees down',
    fits: frontSupport,
    apply: (b) =>
      b
        .also('from the knees')
        .scale('strength.push', KNEES)
        .scale('strength.front', 0.68)
        .scale('strength.side', 0.75)
        .scale('wrist.load', KNEES)
        .set('knee.kneel', 3)
        .set('knee.bendDeg', 90)
        .set('toes.curl', 0)
        .effort(0.85)
        .posture('kneeling')
        .needs({ what: 'mat', count: 1 })
        .cue('One line from head to knees'),
  },
  {
    id: 'arms-ahead',
    lever: 'length',
    to: 'harder',
    says: 'the hands or elbows farther ahead',
    fits: (f) => frontSupport(f) && f.move.unit === 'hold' && hi(f, 'shoulder.raisedDeg') < 110,
    apply: (b) =>
      b
        .also('arms ahead')
        .scale('strength.front', 1.25)
        .set('shoulder.raisedDeg', 120)
        .add('strain.breath', 1)
        .add('strain.belly', 1)
        .add('spine.arch', 1)
        .add('teach.skill', 1)
        .effort(1.05)
        .cue('Walk the hands two palms ahead'),
  },
  {
    id: 'knees-bent',
    lever: 'length',
    to: 'easier',
    says: 'the knees bent',
    fits: (f) =>
      hi(f, 'posture.supine') === 1 &&
      trains(f, 'brace', 'trunk bend') &&
      hi(f, 'strength.front') >= 34 &&
      !named(f, /bent/i),
    apply: (b) =>
      b
        .also('knees bent')
        .scale('strength.front', 0.72)
        .add('strain.belly', -1)
        .add('spine.arch', -1)
        .add('strain.breath', -1)
        .effort(0.92)
        .cue('Knees stay at a right angle'),
  },
  {
    id: 'legs-long',
    lever: 'length',
    to: 'harder',
    says: 'the legs straighter',
    fits: (f) =>
      hi(f, 'posture.supine') === 1 &&
      trains(f, 'brace', 'trunk bend') &&
      // Where the belly bears nothing, longer legs are no harder.
      hi(f, 'strength.front') >= LEAST_BORNE &&
      hi(f, 'strength.front') < 60 &&
      !named(f, /straight|long/i),
    apply: (b) =>
      b
        .also('legs straighter')
        .scale('strength.front', 1.3)
        .add('strain.belly', 1)
        .effort(1.08)
        .cue('Straighter only while the waistband stays down'),
  },
];
