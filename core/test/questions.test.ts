import {
  type Asks,
  answerTo,
  createGround,
  QUESTION_IDS,
  QUESTIONS,
  QuestionFault,
  type QuestionId,
  stagesOf,
} from '@inner-rung/core/ask';
import { type ClassPlan, taughtBy } from '@inner-rung/core/class';
import { PERSON_EXAMPLE, type Person } from '@inner-rung/core/person';
import { ROOM_EXAMPLE } from '@inner-rung/core/room';
import { castOf } from '@inner-rung/core/run';
import { AS_WRITTEN, PLAN_EXAMPLE, type Plan } from '@inner-rung/core/session';
import { runOf } from './runs.ts';
import { circuit, session } from './sessions.ts';
import { shippedLibrary } from './shipped.ts';

const library = shippedLibrary();
const ground = createGround(library);
const on = '2026-11-25';
const room = ROOM_EXAMPLE;
const block = circuit(['jumping-jack', 'squat', 'push-up', 'plank']);
const plan: Plan = { ...PLAN_EXAMPLE, ...session(block), blocks: [block] };
const ada: Person = { ...PERSON_EXAMPLE, id: 'ada', name: 'Ada' };
const bo: Person = {
  ...PERSON_EXAMPLE,
  id: 'bo',
  name: 'Bo',
  assumedLevel: 0,
  conditions: [{ id: 'no-floor', side: 'both' }] as never,
};
const people = [ada, bo];
const dials = { writtenFor: plan.writtenFor, dials: AS_WRITTEN };
const classPeople = people.map((person) => ({ id: person.id, person, ability: 'own rungs' as const }));
const uses = answerTo(ground, 'class', {
  session: plan,
  dials,
  people: classPeople,
  room,
  on,
  most: 3,
  how: 'together',
}) as {
  plan: ClassPlan & { uses: Record<string, never[]> };
  switches: Record<string, never[]>;
};
const does = taughtBy(uses.plan);
const run = {
  ...runOf(block),
  cast: people.map((person) =>
    castOf(
      library,
      plan,
      on,
      { id: person.id, person },
      uses.plan.uses[person.id]!,
      uses.switches[person.id]!,
    ),
  ),
};
const inRun = { run, events: [], expected: people, dials, room, on };

/** One of each: a question more doesn't compile without one. */
const EXAMPLES: { readonly [K in QuestionId]: Asks<K> } = {
  scale: { session: plan, person: bo, others: [ada], room, on, forms: [{ move: 'squat' }] },
  class: {
    session: plan,
    dials,
    people: classPeople,
    room,
    on,
    most: 3,
    how: 'together',
    wishes: [],
    before: null,
  },
  share: {
    session: plan,
    block: 0,
    room,
    on,
    how: 'together',
    ahead: null,
    people: people.map((person) => ({ id: person.id, person, does: does[person.id]! })),
  },
  find: {
    room,
    person: bo,
    on,
    requests: [{ from: { move: 'push-up' }, without: [], withoutItems: [], by: 0, most: 5 }],
  },
  bars: { person: bo, room, on, by: 'own rungs', forms: [{ move: 'plank' }] },
  'open-to': { room, on, people: [{ person: bo, forms: [{ move: 'plank' }] }] },
  'who-may': { condition: 'sore-knees', side: 'both', person: null, on },
  around: { role: 'warm-up', session: plan, room, people, on, minutes: 6 },
  'walk-in': { ...inRun, id: 'walked-in-1', conditions: ['no-floor'], level: 1, as: 'ada' },
  newcomers: inRun,
  swap: { ...inRun, entry: 0, move: 'plank', person: 'ada' },
  order: { block, pinned: [false, false, false, false] },
  figures: {},
  timeline: plan,
  versions: { session: plan, people, room, on, lanes: 3 },
  'class-plan': { session: plan, people, room, on, how: 'together', most: 3, besides: false },
  read: { text: '40/20 x 3\nsquats\npress-ups', who: '12 people, two sore knees', vocabulary: {} },
};
const plain = (value: unknown) => JSON.parse(JSON.stringify(value)) as unknown;
const faultOf = (id: QuestionId, body: unknown): QuestionFault | null => {
  try {
    answerTo(ground, id, body);
    return null;
  } catch (error) {
    if (!(error instanceof QuestionFault)) throw error;
    return error;
  }
};
/** Left alone so that a law that holds for all is tried on each in reasonable time. */
const QUICK = QUESTION_IDS.filter((id) => id !== 'figures');

describe.each(QUICK)('the question %s', (id) => {
  const example = plain(EXAMPLES[id]) as Record<string, unknown>;
  test('is answered by value, twice alike, and asks for nothing to be changed', () => {
    const frozen = plain(example);
    const first = plain(answerTo(ground, id, example));
    expect(plain(answerTo(createGround(library), id, frozen))).toEqual(first);
    expect(frozen).toEqual(example);
  });
  test('gives in its last stage all of the answer, and nothing that an earlier stage said is taken back', () => {
    const stages = [...stagesOf(ground, id, EXAMPLES[id] as never)].map(plain);
    expect(stages.at(-1)).toEqual(plain(answerTo(ground, id, example)));
    for (const stage of stages.slice(0, -1))
      for (const [key, value] of Object.entries(stage as object))
        if (value !== null)
          expect([key, (stages.at(-1) as Record<string, unknown>)[key]]).toEqual([key, value]);
  });
  test('answers as is published', () => {
    const { answers } = QUESTIONS[id];
    if (answers) expect(answers.safeParse(answerTo(ground, id, example)).error?.issues ?? []).toEqual([]);
    else expect(['timeline', 'versions', 'class-plan', 'read']).not.toContain(id);
  });
  test.each([null, 7, 'squat', [], true])('%p is no question, and that is said', (body) => {
    expect(faultOf(id, body)).not.toBeNull();
  });
  test('a field that isn’t one of its own is named, not passed over', () => {
    const fault = faultOf(id, { ...example, flavour: 'mint' });
    expect(`${fault?.field}: ${fault?.message}`).toContain('flavour');
  });
  test.each(Object.keys(example))('%s of another kind is refused at its place', (field) => {
    for (const wrong of [{ nonsense: 1 }, 3.5, '¿', [[[]]]]) {
      const fault = faultOf(id, { ...example, [field]: wrong })?.field ?? null;
      // What may be any text may be this one, and any number three and a half.
      if (fault === null) {
        expect(['string', 'number']).toContain(typeof wrong);
        expect([field, typeof wrong]).toEqual([field, typeof example[field]]);
      }
      if (fault !== null) expect(fault === field || fault.startsWith(`${field}.`)).toBe(true);
    }
  });
});

describe('another move in the middle of a run', () => {
  const swap = (more: Partial<Asks<'swap'>>) =>
    answerTo(ground, 'swap', { ...EXAMPLES.swap, person: null, ...more }) as readonly {
      person: string;
      entry: number;
      does: { move: string } | null;
    }[];
  test('is given to whom it is open, and the others get what is open to them instead', () => {
    const swaps = swap({ move: 'plank' });
    expect(swaps.map((one) => one.person)).toEqual(['ada', 'bo']);
    expect(swaps.find((one) => one.person === 'bo')!.does?.move).not.toBe('plank');
    for (const { person, does } of swaps) {
      if (!does) continue;
      const bars = answerTo(ground, 'open-to', {
        room,
        on,
        people: [
          {
            person: people.find((p) => p.id === person),
            forms: [{ move: does.move, settings: (does as { settings?: object }).settings }],
          },
        ],
      });
      expect([person, does.move, bars]).toEqual([person, does.move, [[null]]]);
    }
  });
  test('for one alone changes nobody else', () => {
    expect(swap({ person: 'ada', move: 'squat' }).map((one) => [one.person, one.entry])).toEqual([
      ['ada', 0],
    ]);
  });
  test('who has left is given nothing', () => {
    const events = [{ id: 'press-0001', at: 1000, kind: 'leave' as const, person: 'ada' }];
    expect(swap({ events, move: 'squat' }).map((one) => one.person)).toEqual(['bo']);
  });
});
