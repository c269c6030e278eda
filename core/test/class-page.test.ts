import {
  type ClassPlan,
  type ClassRequest,
  classChanges,
  gapOf,
  isGranted,
  planClass,
  runningIn,
  showingOf,
  taughtBy,
  trimsAt,
  wishesOf,
} from '@inner-rung/core/class';
import { createScaler } from '@inner-rung/core/engine';
import { compileLibrary } from '@inner-rung/core/forms';
import { laneSubject } from '@inner-rung/core/limits';
import { READY_ROOMS, ROOM_EXAMPLE } from '@inner-rung/core/room';
import { AS_WRITTEN, type Plan, thirdsRunning } from '@inner-rung/core/session';
import fc from 'fast-check';
import { PLANS } from '../../demo/src/index.ts';
import { circuit, session } from './sessions.ts';
import { shippedLibrary } from './shipped.ts';

const library = shippedLibrary();
const hall = { ...ROOM_EXAMPLE, ...READY_ROOMS.find((r) => r.id === 'ready-school-hall')! };
const scaler = createScaler(compileLibrary(library), hall);
const written = PLANS[0]!;
const plain = { blocks: written.blocks, forWhom: 'adults' as const };

const request = (
  levels: readonly (0 | 1 | 2 | 3)[],
  more: Partial<ClassRequest> = {},
  of: Pick<Plan, 'blocks' | 'forWhom'> = plain,
): ClassRequest => ({
  most: 3,
  people: levels.map((level, i) => ({
    id: `p${i}`,
    request: {
      session: of,
      writtenFor: 2 as const,
      dials: { ...AS_WRITTEN, ability: 'own rungs' as const },
      subject: laneSubject(level),
    },
  })),
  ...more,
});

const block = written.blocks[0]!;
const wish = (station: number, kind: 'bar' | 'give', move: string, person?: string) => ({
  block: block.id,
  station: block.stations[station]!.id,
  kind,
  form: { move },
  ...(person ? { person } : {}),
});

describe('what the trainer wants otherwise', () => {
  test('each wish stands at its station’s entry, in the order it was made', () => {
    const wishes = [wish(3, 'bar', 'squat'), wish(0, 'give', 'march', 'p1')];
    expect(wishesOf({ blocks: written.blocks, wishes })).toEqual([
      { entry: 3, kind: 'bar', form: { move: 'squat' } },
      { entry: 0, kind: 'give', form: { move: 'march' }, person: 'p1' },
    ]);
  });
  test('a station or a block that is gone takes its wish with it', () => {
    const gone = { ...wish(0, 'bar', 'squat'), station: 'gone' };
    const away = { ...wish(0, 'bar', 'squat'), block: 'gone' };
    expect(wishesOf({ blocks: written.blocks, wishes: [gone, away, wish(1, 'bar', 'squat')] })).toEqual([
      { entry: 1, kind: 'bar', form: { move: 'squat' } },
    ]);
    expect(wishesOf({ blocks: written.blocks })).toEqual([]);
  });
  test('entries are counted over every block, and past the parts of a chain', () => {
    const first = circuit(['squat', 'plank']);
    const chained = {
      ...first,
      stations: first.stations.map((s, i) => (i === 0 ? { ...s, chain: [{ move: 'march' }] } : s)),
    };
    const second = circuit(['lunge']);
    const blocks = [chained, { ...second, id: 'second' }];
    const at = {
      block: 'second',
      station: second.stations[0]!.id,
      kind: 'bar' as const,
      form: { move: 'x' },
    };
    expect(wishesOf({ blocks, wishes: [at] })[0]!.entry).toBe(3);
  });
  test('given what is open to them, they do it; given what isn’t, it is said', () => {
    const easy = wish(0, 'give', 'side-tap', 'p0');
    const hard = wish(9, 'give', 'burpee', 'p0');
    const people = request([0, 2]);
    for (const [one, done] of [
      [easy, true],
      [hard, false],
    ] as const) {
      const plan = { blocks: written.blocks, wishes: [one] };
      const answer = planClass(scaler, hall, { ...people, wishes: wishesOf(plan) });
      expect([one.form.move, isGranted(plan, answer, one)]).toEqual([one.form.move, done]);
    }
  });
  test('what is barred isn’t given to anybody; who isn’t here has nothing to be told', () => {
    const answer = planClass(scaler, hall, request([2]));
    expect(isGranted(written, answer, wish(0, 'bar', 'squat'))).toBe(true);
    expect(isGranted(written, answer, wish(9, 'give', 'burpee', 'somebody-else'))).toBe(true);
  });
});

describe('what a late change changes', () => {
  const small = planClass(scaler, hall, request([1, 2]));
  test('nothing, where nothing changed', () => {
    expect(classChanges(small, small)).toEqual([]);
  });
  test('every difference between two plans for the same people, and no other', () => {
    fc.assert(
      fc.property(
        fc.array(fc.constantFrom(0, 1, 2, 3), { minLength: 1, maxLength: 5 }),
        fc.array(fc.constantFrom(0, 1, 2, 3), { minLength: 1, maxLength: 5 }),
        (was, is) => {
          const before = planClass(scaler, hall, request(was));
          const now = planClass(scaler, hall, request(is, { most: 1 }));
          const old = taughtBy(before);
          const here = taughtBy(now);
          const said = new Set(classChanges(before, now).map((c) => `${c.person}/${c.entry}`));
          for (const [id, forms] of Object.entries(here))
            forms.forEach((form, entry) => {
              const other = old[id] && JSON.stringify(old[id]![entry]) !== JSON.stringify(form);
              expect(said.has(`${id}/${entry}`)).toBe(other === true);
            });
        },
      ),
      { numRuns: 25, seed: 20261125 },
    );
  });
  test('kept to what stood, somebody more in a plain class changes nobody', () => {
    const later = planClass(scaler, hall, request([1, 2, 2], { before: taughtBy(small) }));
    expect(classChanges(small, later)).toEqual([]);
  });
  test('what is taught to somebody is what they do, but for what is only said', () => {
    for (const [id, forms] of Object.entries(taughtBy(small)))
      forms.forEach((form, entry) => {
        expect(form?.move).toBe(small.uses[id]![entry]?.move);
      });
  });
});

/** A plan of holds and trims by hand. */
const use = (move: string, more: object = {}) =>
  ({
    move,
    settings: {},
    pace: null,
    holdSeconds: null,
    own: null,
    ...more,
  }) as ClassPlan['uses'][string][number];

describe('what is said and not shown', () => {
  test('who lets go sooner than others is told after how long', () => {
    const uses = {
      a: [use('plank', { holdSeconds: 30 })],
      b: [use('plank', { holdSeconds: 12 })],
      c: [use('plank', { holdSeconds: 12 })],
    };
    expect(trimsAt(library, { uses }, 0)).toEqual([
      { says: 'let go after 12 s, breathe, again', people: ['b', 'c'] },
    ]);
  });
  test('a trim in its own words; nobody told where nothing differs', () => {
    const move = library.moves.find((m) => m.trims.length > 0)!;
    const [trim] = move.trims;
    const uses = { a: [use(move.id, { settings: { trim: trim!.id } })], b: [use(move.id, { pace: 20 })] };
    expect(trimsAt(library, { uses }, 0)).toEqual([{ says: trim!.say, people: ['a'] }]);
    expect(trimsAt(library, { uses: { b: uses.b } }, 0)).toEqual([]);
    expect(trimsAt(library, { uses: { b: [null] } }, 0)).toEqual([]);
  });
});

describe('a joint three stations running', () => {
  const wrists = session(circuit(['push-up', 'plank', 'push-up-turn', 'squat', 'march']));
  test('the same for each as by what they do alone, alike ones together', () => {
    const plan = planClass(scaler, hall, request([3, 3, 0], {}, wrists));
    const runs = runningIn(library, wrists.blocks, plan);
    for (const id of ['p0', 'p1', 'p2']) {
      const own = thirdsRunning(library, wrists.blocks, (_, at) => plan.uses[id]![at] ?? null);
      expect(runs.filter((run) => run.people.includes(id)).map((run) => run.joint)).toEqual(
        own.map((run) => run.joint),
      );
    }
    const keys = runs.map((run) => `${run.block}/${run.station}/${run.joint}`);
    expect(new Set(keys).size).toBe(keys.length);
  });
  test('as written it loads the wrists up to the third station', () => {
    const uses = { a: ['push-up', 'plank', 'push-up-turn', 'squat', 'march'].map((m) => use(m)) };
    expect(runningIn(library, wrists.blocks, { uses })).toEqual([
      { block: 0, station: 2, joint: 'the wrists', people: ['a'] },
    ]);
    const apart = { a: ['push-up', 'squat', 'push-up-turn', 'squat', 'march'].map((m) => use(m)) };
    expect(runningIn(library, wrists.blocks, { uses: apart })).toEqual([]);
  });
});

describe('the foot of the page', () => {
  const shows = (...counts: number[]): Pick<ClassPlan, 'entries'> => ({
    entries: counts.map((n, entry) => ({
      entry,
      resting: [],
      forms: Array.from({ length: n }, () => ({ form: { move: 'squat' }, people: ['a'], asWritten: true })),
    })),
  });
  test('ten seconds a form, none where all rest', () => {
    expect(showingOf(shows(1, 3, 0))).toEqual({ forms: 4, seconds: 40 });
    expect(showingOf(shows())).toEqual({ forms: 0, seconds: 0 });
  });
  test('how far from the best it can be at most', () => {
    expect(gapOf({ cost: 4000, atLeast: 3000 })).toBe(0.25);
    expect(gapOf({ cost: 4000, atLeast: 4000 })).toBe(0);
    expect(gapOf({ cost: 0, atLeast: 0 })).toBe(0);
  });
});
