import { formsOf } from '@inner-rung/core/forms';
import { compileConstraints, lawIn, subjectOf } from '@inner-rung/core/limits';
import { effortOn, outlookOf, PERSON_EXAMPLE, type Person } from '@inner-rung/core/person';
import { EVERYWHERE } from '@inner-rung/core/room';
import { AS_WRITTEN } from '@inner-rung/core/session';
import fc from 'fast-check';
import { shippedLibrary } from './shipped.ts';

const library = shippedLibrary();
const law = lawIn(library, EVERYWHERE);
const DAY = '2026-11-30';
const plus = (days: number): string =>
  new Date(Date.parse(`${DAY}T00:00:00Z`) + days * 86_400_000).toISOString().slice(0, 10);
const someone = (more: object): Person =>
  ({ ...PERSON_EXAMPLE, born: '1958', sex: 'female', ...more }) as Person;

/** Each thing that is kept with a day, as it would open something, on that day. */
const OPENS: Readonly<Record<string, (on: string) => object>> = {
  'answers that let anything go': (on) => ({
    screening: { of: 'adult', on, regular: true, disease: false, symptoms: [] },
  }),
  'a clearance': (on) => ({ clearance: { on, by: 'Dr Wren', says: '' } }),
  'a trainer’s word': (on) => ({ override: { on, by: 'Ines', reason: 'known her for years' } }),
  'the pregnancy questions': (on) => ({ pregnancyScreen: { on, yes: [] } }),
  'an eased limit': (on) => ({
    loosened: [{ limit: 'osteoporosis/spine.bend', by: 'Ines', why: 'the clinic says so', on }],
  }),
  'a test': (on) => ({ assessments: [{ id: 'walk', test: 'six-minute-walk', on, value: 690 }] }),
  'a rung': (on) => ({
    placements: [
      {
        ladder: 'push',
        rung: { move: 'push-up', settings: { surfaceCm: 0 } },
        evidence: 'assessed',
        on,
        clean: 20,
      },
    ],
  }),
  'what came of a stop': (on) => ({
    stops: [
      {
        run: 'r',
        on: plus(-3),
        sign: 'faint or dizzy',
        note: '',
        closed: { on, by: 'Dr Wren', says: 'looked at, all well' },
      },
    ],
  }),
};
/** People of whom each of these would change something. */
const PEOPLE: Readonly<Record<string, object>> = {
  'not asked yet': {},
  'known disease, not active': {
    screening: { of: 'adult', on: plus(-60), regular: false, disease: true, symptoms: [] },
  },
  'waits for a doctor’s word': { conditions: [{ id: 'heart-event-recent', side: 'both', since: plus(-40) }] },
  pregnant: {
    born: '1994',
    conditions: [{ id: 'pregnancy-early', side: 'both', due: plus(180) }],
    screening: { of: 'adult', on: plus(-60), regular: true, disease: false, symptoms: [] },
  },
  'thin bones': { conditions: [{ id: 'osteoporosis', side: 'both' }] },
  stopped: { stops: [{ run: 'r', on: plus(-3), sign: 'faint or dizzy', note: '' }] },
};

/** What is open to somebody on the day, by form, and how hard. */
function openTo(person: Person) {
  const outlook = outlookOf(person, DAY);
  const c = compileConstraints(subjectOf(person, library, DAY), AS_WRITTEN);
  const moves = library.moves.filter((_, i) => i % 4 === 0);
  const open = new Set(moves.flatMap(({ id }) => formsOf(law.table, id).filter((f) => law.isOpen(f, c))));
  return { open, effort: effortOn(outlook), mayTrain: outlook.mayTrain };
}

describe('a day that is still to come', () => {
  const cases = Object.keys(PEOPLE).flatMap((who) => Object.keys(OPENS).map((what) => [who, what] as const));
  test.each(cases)('%s: %s dated ahead opens nothing, and is asked about', (who, what) => {
    // What is put there takes the place of what was, which is what it is held against.
    const [fact] = Object.entries(OPENS[what]!(plus(20)));
    const base = someone(PEOPLE[who]!);
    const { [fact![0] as keyof Person]: _, ...without } = base;
    const kept =
      fact![0] === 'stops' ? { stops: [{ run: 'r', on: plus(-3), sign: 'faint or dizzy', note: '' }] } : {};
    const empty = ['loosened', 'assessments', 'placements'].includes(fact![0]) ? { [fact![0]]: [] } : kept;
    const before = openTo(someone({ ...without, ...empty }));
    const person = someone({ ...PEOPLE[who], ...OPENS[what]!(plus(20)) });
    const after = openTo(person);
    expect([...after.open].filter((f) => !before.open.has(f))).toEqual([]);
    expect(after.effort).toBeLessThanOrEqual(before.effort);
    if (after.mayTrain) expect(before.mayTrain).toBe(true);
    const asked = outlookOf(person, DAY).asks.filter(({ says }) => says.includes('a day to come'));
    expect(asked).toHaveLength(1);
    expect(asked[0]!.says).toContain('20 Dec 2026');
    // On its own day it counts, and nothing is asked.
    const then = outlookOf(someone({ ...PEOPLE[who], ...OPENS[what]!(plus(0)) }), DAY);
    expect(then.asks.filter(({ says }) => says.includes('a day to come'))).toEqual([]);
  });
  test('what closes something counts whatever its day', () => {
    const stopped = { stops: [{ run: 'r', on: plus(9), sign: 'faint or dizzy', note: '' }] };
    expect(outlookOf(someone(stopped), DAY).mayTrain).toBe(false);
    const cleared = {
      ...PEOPLE['known disease, not active'],
      clearance: { on: plus(-10), by: 'Dr Wren', says: '' },
    };
    expect(outlookOf(someone(cleared), DAY).mayTrain).toBe(true);
    expect(outlookOf(someone({ ...cleared, healthChangedOn: plus(9) }), DAY).mayTrain).toBe(false);
    const held = { ...PEOPLE['pregnant'], pregnancyScreen: { on: plus(9), yes: ['bleeding'] } };
    expect(outlookOf(someone(held), DAY).mayTrain).toBe(false);
  });
  test('somebody not yet born is asked about, and nobody’s age is less than nothing', () => {
    for (const born of ['2027', '2026-12-01']) {
      const { asks, mayTrain } = outlookOf(someone({ born, kind: 'general', conditions: [] }), DAY);
      expect([asks.map(({ on }) => on), mayTrain]).toEqual([['who'], false]);
    }
    expect(outlookOf(someone({ born: '2026' }), DAY).asks).toEqual([]);
  });
  test('who has no day to come is the very same person', () => {
    fc.assert(
      fc.property(fc.integer({ min: -400, max: 0 }), fc.constantFrom(...Object.keys(OPENS)), (days, what) => {
        const person = someone(OPENS[what]!(plus(days)));
        expect(outlookOf(person, DAY).asks.filter(({ says }) => says.includes('to come'))).toEqual([]);
      }),
    );
  });
});

describe('a test that speaks for a limit', () => {
  const balance = (on: string, tandem: number) => ({
    id: `b-${on}`,
    test: 'balance-four',
    on,
    value: 22,
    parts: [10, 10, tandem, 0],
  });
  const asked = (more: object) =>
    outlookOf(someone(more), DAY)
      .asks.filter(({ on }) => on === 'tests')
      .map(({ says }) => says);
  test('is told on their first page until it is among their limits, or a later one says otherwise', () => {
    const failed = balance(plus(-20), 9);
    expect(asked({ assessments: [failed] })).toEqual([
      'Four-stage balance speaks for “Unsure balance”, which isn’t among their limits.',
    ]);
    expect(asked({ assessments: [failed], conditions: [{ id: 'unsure-balance', side: 'both' }] })).toEqual(
      [],
    );
    expect(asked({ assessments: [failed, balance(plus(-2), 10)] })).toEqual([]);
    expect(asked({ assessments: [balance(plus(-2), 10)] })).toEqual([]);
  });
});
