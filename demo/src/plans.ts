import { type Plan, READY_SESSIONS } from '@inner-rung/core/session';

const stations = (moves: readonly string[]): Plan['blocks'][number]['stations'] =>
  moves.map((move, i) => ({ id: `s${i + 1}`, move, sides: 'swap at half' }));

const hall = READY_SESSIONS.find((plan) => plan.id === 'ready-hall-thirty')!;

/** The circuit that opens first, a whole session, and the twelve stations of Klika and Jordan 2013 beside it. */
export const PLANS: readonly Plan[] = [
  {
    version: 2,
    id: 'tuesday-ten',
    title: 'Tuesday ten',
    writtenFor: 2,
    forWhom: 'adults',
    blocks: [
      {
        id: 'main',
        format: {
          kind: 'intervals',
          workSeconds: 40,
          restSeconds: 20,
          rounds: 2,
          roundRestSeconds: 60,
          closingRest: false,
        },
        stations: stations([
          'jumping-jack',
          'squat',
          'push-up',
          'high-knees',
          'bent-row',
          'lunge',
          'plank',
          'step-up',
          'sit-up',
          'burpee',
        ]),
      },
    ],
    person: 'maud-ellery',
    room: 'tannery-lane-hall',
    dials: { impact: 'as written', intensity: 'as written', ability: 'own rungs' },
  },
  {
    version: 2,
    id: 'twelve-by-thirty',
    title: 'Twelve by thirty (Klika and Jordan 2013)',
    writtenFor: 2,
    forWhom: 'adults',
    blocks: [
      {
        id: 'main',
        format: {
          kind: 'intervals',
          workSeconds: 30,
          restSeconds: 10,
          rounds: 1,
          roundRestSeconds: 0,
          closingRest: false,
        },
        stations: stations([
          'jumping-jack',
          'wall-sit',
          'push-up',
          'crunch',
          'high-step-up',
          'squat',
          'chair-dip-bent',
          'plank',
          'high-knees',
          'lunge',
          'push-up-turn',
          'side-plank',
        ]).map((s) => (s.move === 'side-plank' ? { ...s, sides: 'two slots' } : s)),
      },
    ],
    person: 'tomas-wick',
    room: 'tannery-lane-hall',
    dials: { impact: 'as written', intensity: 'as written', ability: 'own rungs' },
  },
  {
    ...hall,
    id: 'thursday-hall',
    title: 'Thursday hall',
    blocks: hall.blocks.map((block) =>
      block.role === 'circuit'
        ? {
            ...block,
            showing: 'over the warm-up' as const,
            readySeconds: 10,
            after: { seconds: 90, drink: true },
          }
        : block,
    ),
    bookedMinutes: 45,
    tags: ['Thursday', 'mats'],
    room: 'tannery-lane-hall',
  },
];
