import { aimMet, aimsIn } from '@inner-rung/core/log';
import { cardsOf } from '@inner-rung/core/paper';
import { effortOn, outlookOf, type Person } from '@inner-rung/core/person';
import { plainText, planOf, readSession } from '@inner-rung/core/read';
import { castOf, makeRun, runSchema } from '@inner-rung/core/run';
import { aimFor, aimWords, type Plan, planSchema } from '@inner-rung/core/session';
import { PEOPLE, ROOMS } from '../../demo/src/index.ts';
import { result } from './results.ts';
import { shippedLibrary } from './shipped.ts';

const library = shippedLibrary();
const DAY = '2026-11-24';
const pasted = (line: string) => `Tuesday\n40/20 x 3\n${line}\nSquats\nPress-ups\nPlank`;
const read = (line: string) => readSession(library, pasted(line));

describe('how hard it is meant to feel, as it is written', () => {
  test.each([
    ['Effort 8 of 10, beginners 7', { effort: 8, newcomers: 7 }],
    ['RPE 7', { effort: 7 }],
    ['@ RPE 7', { effort: 7 }],
    ['Aim for 6/10, newcomers 5', { effort: 6, newcomers: 5 }],
    ['Intensity: 7 out of 10', { effort: 7 }],
    ['Target effort 7-8', { effort: 7 }],
    ['effort level 6 to 7 of 10', { effort: 6 }],
    ['How hard: 8/10 (beginners 6/10)', { effort: 8, newcomers: 6 }],
    ['We want 7 out of 10 today', { effort: 7 }],
    ['Effort 7/10', { effort: 7 }],
    ['Aim: about 8 of 10; beginners 6 of 10', { effort: 8, newcomers: 6 }],
    ['Overall exertion: seven out of ten', { effort: 7 }],
    ['RPE 8, 6 for those new to it', { effort: 8, newcomers: 6 }],
    ['Effort: beginners 6, everybody else 8', { effort: 8, newcomers: 6 }],
    // Not what is asked of all, or not on this scale.
    ['Effort 13', null],
    ['RPE 13', null],
    ['Effort 70 %', null],
    ['Effort 5, beginners 8', null],
    ['Aim for 10 squats', null],
    ['10 of 10', null],
    ['Push hard for 10', null],
  ])('“%s”', (line, aim) => {
    expect(read(line).aim ?? null).toEqual(aim);
  });
  test('it is no station, changes no clock, and isn’t kept as a note besides', () => {
    const without = read('');
    for (const line of ['Effort 8 of 10, beginners 7', 'RPE 7', 'Intensity: 7 out of 10', 'How hard: 8/10']) {
      const { blocks, notes, unread } = read(line);
      expect([line, blocks.map(({ format, stations }) => [format, stations.map((s) => s.move)])]).toEqual([
        line,
        without.blocks.map(({ format, stations }) => [format, stations.map((s) => s.move)]),
      ]);
      expect([line, notes, unread]).toEqual([line, [], []]);
    }
  });
  test('it is no title, first or last', () => {
    for (const text of [
      'Effort 8 of 10\n40/20 x 3\nSquats\nPress-ups',
      '40/20 x 3\nSquats\nPress-ups\nEffort 8 of 10',
    ]) {
      const { title, aim, blocks } = readSession(library, text);
      expect([title, aim, blocks.map((block) => block.stations.length)]).toEqual([null, { effort: 8 }, [2]]);
    }
  });
  test('text, session, its plain text: the same aim again', () => {
    const plan = planOf(read('Effort 8 of 10, beginners 7'))!;
    expect(plan.aim).toEqual({ effort: 8, newcomers: 7 });
    expect(planOf(readSession(library, plainText(library, plan)))!.aim).toEqual(plan.aim);
  });
});

describe('who aims for what', () => {
  const aim = { effort: 8, newcomers: 6 };
  test('newcomers on the first level for theirs, the others for all’s, nobody over their own limit', () => {
    expect([0, 1, 2, 3].map((level) => aimFor(aim, level as 0, 10))).toEqual([6, 8, 8, 8]);
    expect([0, 1].map((level) => aimFor(aim, level as 0, 5))).toEqual([5, 5]);
    expect(aimFor({ effort: 8 }, 0, 10)).toBe(8);
    expect(aimFor(undefined, 2, 10)).toBeNull();
  });
  test('said with what one can still do at it (common practice)', () => {
    expect(aimWords(aim)).toBe('8 of 10, short sentences; new to this 6 of 10, could chat');
    expect(aimWords({ effort: 4, newcomers: 4 })).toBe('4 of 10, could sing');
  });
  test('newcomers can’t be asked for more than the others, and no aim is off the scale', () => {
    const plan = { ...planOf(read('RPE 7'))! };
    const faults = (bad: object) => {
      const made = planSchema.safeParse({ ...plan, aim: bad });
      return made.success
        ? []
        : made.error.issues.map(({ path, message }) => `${path.join('.')}: ${message}`);
    };
    expect(faults({ effort: 6, newcomers: 8 })).toEqual([
      'aim.newcomers: newcomers aim for no more than the others',
    ]);
    expect(faults({ effort: 11 })).toEqual(['aim.effort: at most 10']);
    expect(faults({ effort: 6.5 })).toEqual(['aim.effort: whole steps']);
    expect(faults({ effort: 0 })).toEqual(['aim.effort: from 1']);
  });
});

describe('on every face', () => {
  const plan = { ...planOf(read('Effort 9 of 10, beginners 7'))! } as Plan;
  const cast = PEOPLE.map((person, i) => castOf(library, plan, DAY, { id: person.id, person }, [], [], i));
  const most = (person: Person) => effortOn(outlookOf(person, DAY));
  test('in a run each has their own, under their own limit, and beats only where they mean something', () => {
    PEOPLE.forEach((person, i) => {
      const asked = person.assumedLevel === 0 ? 7 : 9;
      expect([person.id, cast[i]!.aim?.effort]).toEqual([person.id, Math.min(asked, most(person))]);
      const { byWords, age } = outlookOf(person, DAY);
      expect([person.id, cast[i]!.aim?.beats !== undefined]).toEqual([person.id, !byWords && age.lo >= 18]);
    });
    // Garber et al. 2011 by 206.9 − 0.67 × age or the like (from memory): no band lies outside what hearts do.
    for (const { aim } of cast)
      if (aim?.beats) {
        const [from, to] = aim.beats;
        expect(from).toBeLessThan(to);
        expect(from).toBeGreaterThan(80);
        expect(to).toBeLessThan(200);
      }
    const run = makeRun(library, plan, null, ROOMS[0]!, cast, 'together', { id: 'a-run', on: DAY });
    expect(run.plan.aim).toEqual(plan.aim);
    expect(runSchema.safeParse(JSON.parse(JSON.stringify(run))).success).toBe(true);
  });
  test('a card says what the phone says, on the level that somebody has today as well', () => {
    const [first, ...others] = PEOPLE.map((person) => ({ id: person.id, person }));
    const taking = [{ ...first!, today: { conditions: [], level: 0 as const } }, ...others];
    const levels = [{ person: others[0]!.id, level: 0 as const }];
    const answer = { plan: { entries: [], uses: {} }, switches: null, taking } as unknown as Parameters<
      typeof cardsOf
    >[3];
    const cards = cardsOf(library, { ...plan, levels }, ROOMS[0]!, answer, DAY, false);
    taking.forEach((one, i) => {
      const { aim } = castOf(library, { ...plan, levels }, DAY, one, [], [], i);
      expect([one.id, /about (\d+) of 10/.exec(cards[i]!.effort)?.[1]]).toEqual([
        one.id,
        String(aim!.effort),
      ]);
    });
  });
  test('the record sets what was said beside what each had to aim for', () => {
    const run = makeRun(library, plan, null, ROOMS[0]!, cast, 'together', { id: 'a-run', on: DAY });
    const aims = aimsIn(run, []);
    expect([...aims.values()]).toEqual(cast.map(({ aim }) => aim!.effort));
    const said = [...aims].map(([id, aim], i) =>
      result({ id, effort: i === 0 ? Math.min(10, aim + 3) : aim }),
    );
    const met = aimMet(said, aims)!;
    expect([met.over, met.under]).toEqual([1, 0]);
    const mean = said.reduce((sum, { effort }) => sum + effort!, 0) / said.length;
    expect(met.mean).toBeCloseTo(mean, 1);
    expect(
      aimMet(
        said.map((one) => ({ ...one, effort: null })),
        aims,
      ),
    ).toBeNull();
    expect(
      aimMet(
        said.map((one) => ({ ...one, present: false })),
        aims,
      ),
    ).toBeNull();
  });
});
