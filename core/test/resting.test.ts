import { compileLibrary } from '@inner-rung/core/forms';
import { rungDemand } from '@inner-rung/core/ladder';
import { compileConstraints, lawIn, openForAll, subjectOf } from '@inner-rung/core/limits';
import { middle } from '@inner-rung/core/move';
import { CONDITION_IDS, PERSON_EXAMPLE, type Person } from '@inner-rung/core/person';
import { plainText, planOf, readSession } from '@inner-rung/core/read';
import { sumUp } from '@inner-rung/core/review';
import { EVERYWHERE } from '@inner-rung/core/room';
import {
  callsIn,
  castOf,
  clockOf,
  makeRun,
  peopleOf,
  type RunEvent,
  restCalled,
  restingSaid,
  runSchema,
} from '@inner-rung/core/run';
import { AS_WRITTEN, entriesOf, type Plan, REST_STYLES, type RestStyle } from '@inner-rung/core/session';
import { restingFor } from '@inner-rung/core/ways';
import { ROOMS } from '../../demo/src/index.ts';
import { shippedLibrary } from './shipped.ts';

const library = shippedLibrary();
const law = lawIn(library, EVERYWHERE);
const DAY = '2026-11-24';
const STYLES = Object.keys(REST_STYLES) as RestStyle[];
const pasted = (line: string) =>
  readSession(library, `40/20 x 3, 60 s between rounds\n${line}\nSquats\nPress-ups`);
const someone = (id: string, more: Partial<Person> = {}): Person =>
  ({
    ...PERSON_EXAMPLE,
    id,
    name: id,
    born: '1984',
    kind: 'general',
    activity: 'active',
    assumedLevel: 2,
    conditions: [],
    screening: { of: 'adult', on: DAY, regular: true, disease: false, symptoms: [] },
    ...more,
  }) as Person;
const having = (...ids: string[]) =>
  someone('Nell', { conditions: ids.map((id) => ({ id, side: 'both' })) as never });
const doing = (person: Person, style: RestStyle) => restingFor(law, subjectOf(person, library, DAY), style);

describe('what is done in the rests, as it is written', () => {
  test.each([
    ['March on the spot in the rests', 'marching'],
    ['Jog between stations', 'jogging'],
    ['Active rest: jog on the spot', 'jogging'],
    ['active recovery - march', 'marching'],
    ['Shake out in the breaks', 'shaking'],
    ['rest is marching on the spot', 'marching'],
    ['Stand still during the rests', 'standing'],
    ['Sit down in the rests', 'sitting'],
    ['Keep moving in the rests', 'moving'],
    ['Rest = jog on the spot', 'jogging'],
    // Stations of their own.
    ['Jog on the spot', null],
    ['March', null],
  ])('“%s”', (line, style) => {
    const { blocks, unread } = pasted(line);
    expect(blocks.map((block) => [block.resting, block.stations.length])).toEqual([[style, style ? 2 : 3]]);
    expect(unread).toEqual([]);
  });
  test.each(STYLES)('%s: session, its plain text, the same session', (style) => {
    const plan = planOf(pasted(''))!;
    const made = { ...plan, blocks: plan.blocks.map((block) => ({ ...block, resting: style })) };
    const again = planOf(readSession(library, plainText(library, made)))!;
    expect(again.blocks[0]!.resting).toBe(style);
    expect(again.blocks[0]!.format).toEqual(made.blocks[0]!.format);
  });
});

describe('nobody is asked to do in a rest what isn’t theirs', () => {
  test.each(CONDITION_IDS)(
    '%s: what is done in a rest is open to them, and no harder than their effort',
    (id) => {
      const subject = subjectOf(having(id), library, DAY);
      const c = compileConstraints(subject, AS_WRITTEN);
      for (const style of STYLES) {
        const { move } = restingFor(law, subject, style);
        if (move === null) continue;
        expect(openForAll(law, [c], { move })).not.toBeNull();
        const met = rungDemand(library, { move })!['effort.met'].hi!;
        expect(Math.min(...c.met.map(({ max }) => max))).toBeGreaterThanOrEqual(met);
      }
    },
  );
  // Written from what a clinician would say, common practice.
  test.each([
    ['jogging', [], 'jog on the spot'],
    ['jogging', ['no-jumping'], 'march on the spot'],
    ['jogging', ['sore-knees'], 'march on the spot'],
    ['marching', ['wheelchair'], 'march where you sit'],
    ['jogging', ['wheelchair'], 'march where you sit'],
    ['sitting', [], 'sit down'],
    ['sitting', ['high-blood-pressure'], 'move about gently'],
    ['standing', ['heart-disease'], 'move about gently'],
    ['shaking', ['high-blood-pressure'], 'shake out arms and legs'],
    ['standing', ['wheelchair'], 'breathe where you sit'],
    ['shaking', ['spinal-cord-injury'], 'shake out your arms'],
    ['sitting', ['seated-only'], 'rest where you sit'],
    ['moving', ['wheelchair'], 'keep moving'],
  ] as const)('asked for %s with %p: %s', (style, ids, says) => {
    const person = having(...ids);
    expect(doing({ ...person, clearance: { on: DAY, by: 'Dr Lund', maxRpe: 6 } } as Person, style).says).toBe(
      says,
    );
  });
});

describe('on the faces', () => {
  const plan = planOf(pasted('Jog on the spot in the rests'))! as Plan;
  const who = [
    someone('Ada'),
    someone('Bo'),
    someone('Cy', { conditions: [{ id: 'no-jumping', side: 'both' }] as never }),
  ];
  const cast = who.map((person, i) => castOf(library, plan, DAY, { id: person.id, person }, [], [], i));
  const run = makeRun(library, plan, null, ROOMS[0]!, cast, 'together', { id: 'a-run', on: DAY });
  const go: RunEvent = { kind: 'go', id: 'event-go', at: 0 };
  const rest = clockOf(run, [go]).stretches.find(({ segment }) => segment.kind === 'rest')!;
  test('called by what most do, then what it is for the others; who has gone isn’t meant', () => {
    const all = restingSaid(run, peopleOf(run, [go]));
    expect(restCalled(run, rest.segment, all)).toBe('jog on the spot, or march on the spot');
    const without = restingSaid(
      run,
      peopleOf(run, [go, { kind: 'leave', id: 'event-left', at: 5, person: 'Cy' }]),
    );
    expect(restCalled(run, rest.segment, without)).toBe('jog on the spot');
    expect(restCalled(run, rest.segment, restingSaid(run, peopleOf(run, [go]).slice(2)))).toBe(
      'march on the spot',
    );
    expect(runSchema.safeParse(JSON.parse(JSON.stringify(run))).success).toBe(true);
  });
  test('where nothing is asked for a rest is a rest, and nothing is said of it', () => {
    const plain = planOf(pasted(''))! as Plan;
    const silent = makeRun(library, plain, null, ROOMS[0]!, [], 'together', { id: 'a-run', on: DAY });
    expect(restingSaid(silent, [])).toEqual({});
    expect(restCalled(silent, rest.segment, {})).toBe('rest');
  });
  test('heard as the rest begins, before what comes next', () => {
    const { stretches } = clockOf(run, [go]);
    const calls = callsIn(
      run,
      stretches,
      (entry) => run.names[entry]!,
      undefined,
      restingSaid(run, peopleOf(run, [go])),
    );
    const at = stretches.findIndex(({ segment }) => segment.kind === 'rest');
    expect(
      calls[at]!.filter(({ says }) => says)
        .map(({ says, at: second }) => [second, says])
        .slice(0, 2),
    ).toEqual([
      [0, 'Jog on the spot, or march on the spot'],
      [3, 'Next: Push-up'],
    ]);
  });
  test('it is work of its own: jogging costs more than marching, sitting less than walking about', () => {
    const index = compileLibrary(library);
    const uses = entriesOf(plan.blocks).map(() => null);
    const met = (resting: RestStyle | null) => {
      const { resting: _, ...block } = plan.blocks[0]!;
      const sums = sumUp(index, { ...plan, blocks: [resting ? { ...block, resting } : block] }, uses);
      return (sums.metLo + sums.metHi) / 2;
    };
    const order = (['jogging', 'marching', null, 'sitting'] as const).map(met);
    expect([...order].sort((a, b) => b - a)).toEqual(order);
    expect(middle(rungDemand(library, { move: 'jog-on-spot' })!['effort.met'])).toBeGreaterThan(
      middle(rungDemand(library, { move: 'march' })!['effort.met']),
    );
  });
});
