import type { Format } from '../clock/index.ts';
import type { KindId } from './kinds.ts';
import { AS_WRITTEN, type Block, type Dose, type Plan, type Role, type Station } from './plan.ts';

type Line = string | readonly [string, Dose] | Omit<Station, 'id' | 'sides'>;

const stationsOf = (lines: readonly Line[]): Station[] =>
  lines.map((line, i) => ({
    id: `s${i + 1}`,
    sides: 'swap at half',
    ...(typeof line === 'string' ? { move: line } : 'move' in line ? line : { move: line[0], dose: line[1] }),
  }));
const block = (role: Role, format: Format, lines: readonly Line[], more: Partial<Block> = {}): Block => ({
  id: role,
  role,
  format,
  stations: stationsOf(lines),
  ...more,
});
const intervals = (
  workSeconds: number,
  restSeconds: number,
  rounds: number,
  roundRestSeconds = 60,
): Format => ({ kind: 'intervals', workSeconds, restSeconds, rounds, roundRestSeconds, closingRest: false });

const s = (seconds: number): Dose => ({ seconds });
const n = (reps: number): Dose => ({ reps });
/** Straight through, so many seconds each. */
const flow = (role: 'warm-up' | 'cool-down', lines: readonly (readonly [string, number])[]): Block =>
  block(
    role,
    { kind: 'flow', restSeconds: 0 },
    lines.map(([move, seconds]) => [move, s(seconds)] as const),
  );
const WARM = flow('warm-up', [
  ['easy-walk', 60],
  ['arm-swing-march', 60],
  ['ankle-circles', 30],
  ['cat-camel', 30],
  ['shoulder-rolls', 30],
  ['arm-circles', 30],
  ['wrist-rock-wall', 30],
  ['hip-circles', 30],
  ['slow-hinge-reach', 30],
  ['squat-reach-easy', 60],
]);
const WARM_SEATED = flow('warm-up', [
  ['seated-march', 90],
  ['shoulder-rolls', 30],
  ['arm-circles', 30],
  ['elbow-wrist-circles', 30],
  ['seated-cat', 30],
  ['seated-turn-look', 30],
  ['ankle-circles', 30],
  ['seated-leg-straighten', 40],
  ['seated-march', 60],
]);
const COOL = flow('cool-down', [
  ['easy-walk', 90],
  ['calf-wall', 60],
  ['thigh-standing', 60],
  ['chest-doorway', 30],
  ['shoulder-across', 60],
]);
const COOL_SEATED = flow('cool-down', [
  ['seated-march', 60],
  ['hamstring-seated', 60],
  ['seat-figure-four-chair', 60],
  ['chest-seated-open', 30],
  ['neck-side', 40],
]);

const session = (
  id: string,
  title: string,
  forWhom: KindId,
  writtenFor: Plan['writtenFor'],
  tags: readonly string[],
  blocks: readonly Block[],
): Plan => ({
  version: 2,
  id: `ready-${id}`,
  title,
  writtenFor,
  forWhom,
  blocks: blocks.map((b, i) => ({
    ...b,
    id: `block-${i + 1}`,
    ...(i < blocks.length - 1 && b.after === undefined ? { after: { seconds: 60 } } : {}),
  })),
  person: null,
  room: null,
  dials: AS_WRITTEN,
  tags: [...tags],
});

/** Sessions to begin from, our own, across kinds of client, formats and equipment. Doses are common practice. */
export const READY_SESSIONS: readonly Plan[] = [
  session(
    'first-evening',
    'First evening, nothing needed',
    'beginners',
    1,
    ['beginners', 'no equipment'],
    [
      WARM,
      block('circuit', intervals(30, 20, 2), [
        'step-jack',
        'touch-squat',
        'wall-push-up',
        'high-march',
        'bird-dog',
        'bridge',
        'prone-arm-pull',
        'heel-tap',
      ]),
      COOL,
    ],
  ),
  session(
    'chair-morning',
    'Chair morning',
    'older',
    0,
    ['older adults', 'chairs', 'seated'],
    [
      WARM_SEATED,
      block(
        'circuit',
        intervals(30, 30, 2, 90),
        [
          'seated-jack',
          'sit-to-stand',
          'seated-elbow-back',
          'seated-heel-raise',
          'seated-arm-press',
          'seated-knee-lift-hold',
          'seated-turn',
          'seated-leg-straighten',
        ],
        { after: { seconds: 120, drink: true } },
      ),
      COOL_SEATED,
    ],
  ),
  session(
    'steady-feet',
    'Steady feet',
    'older',
    1,
    ['older adults', 'balance', 'chairs'],
    [
      flow('warm-up', [
        ['easy-walk', 60],
        ['arm-swing-march', 60],
        ['shoulder-rolls', 30],
        ['elbow-wrist-circles', 30],
        ['seated-cat', 30],
        ['ankle-circles', 30],
        ['squat-reach-easy', 60],
      ]),
      block('circuit', { kind: 'sets', sets: 2, restSeconds: 30, stationRestSeconds: 45 }, [
        ['sit-to-stand', n(8)],
        ['heel-raise-held', n(10)],
        { move: 'standing-side-leg-held', dose: n(8) },
        ['half-tandem-stand', s(20)],
        { move: 'one-leg-stand-held', dose: { seconds: 10, each: true } },
        ['step-tap', n(12)],
        ['wall-elbow-press', n(10)],
        ['wall-push-up', n(10)],
      ]),
      COOL_SEATED,
    ],
  ),
  session(
    'hall-thirty',
    'Hall thirty',
    'adults',
    2,
    ['mats', 'no equipment'],
    [
      WARM,
      block('circuit', intervals(40, 20, 3), [
        'jumping-jack',
        'squat',
        'push-up',
        'quick-high-step',
        'prone-arm-pull',
        'lunge',
        'plank',
        'skater-hop',
      ]),
      COOL,
    ],
  ),
  session(
    'weights-pairs',
    'Pairs with light weights',
    'adults',
    2,
    ['weights', 'supersets'],
    [
      WARM,
      block('circuit', { kind: 'superset', sets: 3, restSeconds: 15, pairRestSeconds: 60 }, [
        ['held-load-squat', n(12)],
        ['one-arm-row', n(10)],
        ['loaded-hinge', n(12)],
        ['standing-press', n(10)],
        ['lunge-load', n(10)],
        ['standing-curl', n(12)],
      ]),
      COOL,
    ],
  ),
  session(
    'twelve-together',
    'As many as we can, twelve minutes',
    'adults',
    2,
    ['no equipment', 'rounds counted'],
    [
      WARM,
      block('circuit', { kind: 'amrap', capSeconds: 720, led: false }, [
        ['squat', n(12)],
        ['push-up', n(8)],
        ['sit-up', n(10)],
        { move: 'lunge', dose: { reps: 12, each: false } },
        ['prone-arm-pull', n(12)],
      ]),
      COOL,
    ],
  ),
  session(
    'every-minute',
    'Every minute, slow and strong',
    'adults',
    2,
    ['weights', 'strength'],
    [
      WARM,
      block(
        'circuit',
        {
          kind: 'emom',
          minutes: 3,
          order: 'station by station',
          stationRestSeconds: 30,
          leastFillSeconds: 20,
        },
        [
          { move: 'held-load-squat', dose: { reps: 5, tempo: '3-1-1-0' }, chain: [{ move: 'march' }] },
          { move: 'push-up', dose: { reps: 4, tempo: '3-1-1-0' }, chain: [{ move: 'standing-punch' }] },
          { move: 'loaded-hinge', dose: { reps: 5, tempo: '3-1-1-0' }, chain: [{ move: 'side-touch' }] },
          { move: 'bent-row', dose: { reps: 5, tempo: '2-1-2-0' }, chain: [{ move: 'heel-dig' }] },
        ],
      ),
      COOL,
    ],
  ),
  session(
    'up-the-stairs',
    'Up the pyramid',
    'fit',
    3,
    ['no equipment', 'fit'],
    [
      WARM,
      block(
        'circuit',
        { kind: 'pyramid', from: 2, by: 2, to: 10, way: 'up and down', holdSeconds: 0, stepRestSeconds: 15 },
        ['squat', 'push-up', 'sit-up', 'step-back-lunge'],
      ),
      COOL,
    ],
  ),
  session(
    'five-to-one',
    'Five, four, three, two, one',
    'teenagers',
    2,
    ['teenagers', 'no equipment'],
    [
      WARM,
      block('circuit', { kind: 'descending', from: 5, by: 1, to: 1, rounds: 2 }, [
        'squat-jump',
        'knee-push-up',
        'sit-up',
        'floor-step-back-reach',
      ]),
      block('challenge', { kind: 'for time', rounds: 2, capSeconds: 240, led: false }, [
        ['shuttle-touch', n(6)],
        ['squat', n(12)],
      ]),
      COOL,
    ],
  ),
  session(
    'children-games',
    'Freeze and go',
    'children',
    1,
    ['children', 'games'],
    [
      flow('warm-up', [
        ['easy-walk', 40],
        ['side-touch-arms', 40],
        ['arm-circles', 30],
        ['squat-reach-easy', 40],
        ['easy-punches', 30],
      ]),
      block(
        'circuit',
        intervals(25, 20, 2, 90),
        [
          { move: 'jog-on-spot', dose: { calls: { says: 'freeze', times: 3, random: true } } },
          'bear-step',
          'line-hop',
          'crab-hold',
          'prone-arm-pull',
          'side-step-bend',
          { move: 'shuttle-jog', dose: { calls: { says: 'turn', times: 2, random: true } } },
        ],
        { after: { seconds: 90, drink: true } },
      ),
      block('challenge', { kind: 'amrap', capSeconds: 300, led: true }, [
        ['rise-and-reach', n(3)],
        ['knee-push-up', n(3)],
        ['squat', n(3)],
        ['side-touch', n(4)],
        ['sit-up', n(2)],
      ]),
      flow('cool-down', [
        ['easy-walk', 60],
        ['kneel-fold', 30],
        ['calf-wall', 40],
      ]),
    ],
  ),
  session(
    'minute-stations',
    'A minute each',
    'adults',
    1,
    ['steps', 'chairs'],
    [
      WARM,
      block('circuit', { kind: 'one-minute', rounds: 3, roundRestSeconds: 60 }, [
        'step-up',
        'raised-push-up',
        'high-march',
        'standing-cross-knee',
        'sit-to-stand',
      ]),
      COOL,
    ],
  ),
  session(
    'quiet-evening',
    'Quiet evening, people below',
    'adults',
    1,
    ['no jumps', 'small room'],
    [
      WARM,
      block('circuit', intervals(35, 15, 3, 45), [
        'step-jack',
        'half-squat-held',
        'standing-punch',
        'knee-plank',
        'bridge',
        'standing-opposite-reach',
        'side-lying-leg',
        'quick-high-step',
      ]),
      COOL,
    ],
  ),
  session(
    'one-clock',
    'Three finishes, one clock',
    'adults',
    1,
    ['mixed levels', 'no equipment'],
    [
      WARM,
      block(
        'circuit',
        {
          kind: 'staggered',
          workSeconds: 45,
          restSeconds: 20,
          rounds: 2,
          roundRestSeconds: 75,
          closingRest: false,
          innerPercent: 67,
          middlePercent: 83,
        },
        [
          'side-tap',
          'wide-squat',
          'raised-push-up',
          'punch-squat-knee',
          'bird-dog',
          'step-back-lunge',
          'wall-elbow-press',
        ],
      ),
      COOL,
    ],
  ),
  session(
    'rung-by-rung',
    'Rung by rung',
    'adults',
    1,
    ['mixed levels', 'chairs', 'steps'],
    [
      WARM,
      block(
        'circuit',
        {
          kind: 'progressive',
          workSeconds: 35,
          restSeconds: 20,
          rounds: 3,
          roundRestSeconds: 60,
          closingRest: false,
        },
        [
          { move: 'side-tap', byRound: [{ move: 'step-jack-low' }, { move: 'step-jack' }] },
          { move: 'half-squat-held', byRound: [{ move: 'touch-squat' }, { move: 'squat' }] },
          { move: 'wall-push-up', byRound: [{ move: 'raised-push-up' }, { move: 'knee-push-up' }] },
          { move: 'march', byRound: [{ move: 'high-march' }, { move: 'quick-high-step' }] },
          { move: 'small-bridge', byRound: [{ move: 'bridge' }, { move: 'pause-bridge' }] },
          { move: 'knee-plank', byRound: [{ move: 'forearm-plank' }, { move: 'plank' }] },
        ],
      ),
      COOL,
    ],
  ),
  session(
    'groups-round',
    'Four groups round the hall',
    'teenagers',
    2,
    ['rotation', 'weights', 'mats'],
    [
      WARM,
      block(
        'circuit',
        {
          kind: 'rotation',
          workSeconds: 45,
          restSeconds: 20,
          rounds: 2,
          roundRestSeconds: 90,
          closingRest: false,
          groups: 4,
        },
        [
          'held-load-squat',
          'rope-skip',
          'one-arm-row',
          'sit-up',
          'step-up',
          'push-up',
          'shuttle-touch',
          'side-plank',
        ],
        { after: { seconds: 90, drink: true } },
      ),
      COOL,
    ],
  ),
  session(
    'short-hard',
    'Short and hard to finish',
    'fit',
    3,
    ['fit', 'no equipment'],
    [
      WARM,
      block('circuit', intervals(45, 15, 3, 60), [
        'squat-jump',
        'push-up',
        'lunge',
        'plank-arm-reach',
        'prone-both-lift',
        'switch-jump-lunge',
        'side-plank-dip',
        'high-knees',
      ]),
      block('finisher', { kind: 'tabata', workSeconds: 20, restSeconds: 10, bouts: 8 }, [
        'high-knees',
        { move: 'push-up', dose: n(5), chain: [{ move: 'high-knees', dose: n(20) }] },
      ]),
      COOL,
    ],
  ),
  session(
    'back-to-it',
    'Back to it, gently',
    'clinical',
    0,
    ['clinic', 'chairs', 'seated'],
    [
      WARM_SEATED,
      block(
        'circuit',
        { kind: 'rounds', rounds: 2, mostRounds: 3, restSeconds: 40, roundRestSeconds: 90 },
        [
          ['hands-help-stand', n(6)],
          ['wall-push-up', n(8)],
          ['seated-elbow-back', n(10)],
          ['heel-raise-held', n(10)],
          { move: 'seated-knee-lift-hold', dose: { bouts: { times: 3, seconds: 5 }, seconds: 24 } },
          ['side-touch', n(16)],
        ],
        { after: { seconds: 120, mostSeconds: 180, untilReady: true, style: 'sitting', drink: true } },
      ),
      COOL_SEATED,
    ],
  ),
  session(
    'garden-forty',
    'Garden, three short blocks',
    'adults',
    2,
    ['outdoors', 'no equipment'],
    [
      WARM,
      block(
        'circuit',
        { kind: 'amrap', capSeconds: 420, led: false },
        [
          ['squat', n(10)],
          ['raised-push-up', n(8)],
          ['shuttle-jog', n(6)],
        ],
        { after: { seconds: 60, mostSeconds: 120 } },
      ),
      block(
        'circuit',
        { kind: 'for time', rounds: 3, capSeconds: 420, led: false },
        [
          { move: 'walking-lunge', dose: { reps: 12, each: false } },
          ['bear-crawl', n(8)],
          ['prone-arm-pull', n(10)],
        ],
        { after: { seconds: 90, drink: true } },
      ),
      block('finisher', { kind: 'tabata', workSeconds: 20, restSeconds: 10, bouts: 8 }, [
        'skater-hop',
        'plank',
      ]),
      COOL,
    ],
  ),
];
