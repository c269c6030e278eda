import {
  type Decision,
  decide,
  type Evidence,
  evidenceOf,
  loadOf,
  outcomeWords,
  PROGRESS,
  preview,
  recordFrom,
  SCHOOL_IDS,
  type SchoolId,
  SESSION_RECORD,
  type SessionRecord,
  twoForTwo,
} from '@inner-rung/core/log';
import { openRecord } from '@inner-rung/core/record';
import { factsFor, type Run, type RunEvent, runEventSchema } from '@inner-rung/core/run';
import fc from 'fast-check';
import { readOutcome } from '../src/log/record.ts';
import { circuit, facts } from './sessions.ts';
import { shippedLibrary } from './shipped.ts';

const library = shippedLibrary();
const ladder = library.ladder('push')!;
const TODAY = '2026-11-25';
const anyone = { child: false, careful: false, steady: false, effortMax: 10 };
const day = (weeksAgo: number) =>
  new Date(Date.parse(TODAY) - weeksAgo * 7 * 86_400_000).toISOString().slice(0, 10);
const was = (weeksAgo: number, more: Partial<Evidence> = {}): Evidence => ({
  on: day(weeksAgo),
  rung: 2,
  reached: more.rung ?? 2,
  clean: true,
  effort: 6,
  range: 'full',
  pain: false,
  ...more,
});
const of = (evidence: Evidence[], school: SchoolId = 'two clean', who = anyone) =>
  decide(ladder, evidence, school, who, TODAY)!;

describe('the next rung, both sides of each threshold (common practice)', () => {
  test.each<[string, Evidence[], SchoolId, Decision['is'], number]>([
    ['one clean session isn’t two', [was(1)], 'two clean', 'hold', 2],
    ['two clean sessions are', [was(2), was(1)], 'two clean', 'up', 3],
    ['clean at 8 of 10 counts', [was(2, { effort: 8 }), was(1, { effort: 8 })], 'two clean', 'up', 3],
    ['two not clean lead down', [was(2, { clean: false }), was(1, { clean: false })], 'two clean', 'down', 1],
    ['one not clean is the same again', [was(2), was(1, { clean: false })], 'two clean', 'hold', 2],
    ['9 of 10 once is the same again', [was(2), was(1, { effort: 9 })], 'two clean', 'hold', 2],
    ['9 of 10 twice leads down', [was(2, { effort: 9 }), was(1, { effort: 9 })], 'two clean', 'down', 1],
    ['once at 5 of 10 is enough under a ceiling', [was(1, { effort: 5 })], 'effort ceiling', 'up', 3],
    ['once at 6 of 10 isn’t', [was(1, { effort: 6 })], 'effort ceiling', 'hold', 2],
    [
      'two clean of which nobody said how hard stay',
      [was(2, { effort: null }), was(1, { effort: null })],
      'two clean',
      'hold',
      2,
    ],
    ['one said and one unsaid stay', [was(2), was(1, { effort: null })], 'two clean', 'hold', 2],
    [
      'one clean since it hurt is not enough under a ceiling',
      [was(2, { pain: true }), was(1, { effort: 4 })],
      'effort ceiling',
      'hold',
      2,
    ],
    [
      'two clean since are',
      [was(3, { pain: true }), was(2, { effort: 4 }), was(1, { effort: 4 })],
      'effort ceiling',
      'up',
      3,
    ],
    ['two aren’t three', [was(2), was(1)], 'rounds first', 'hold', 2],
    ['three are', [was(3), was(2), was(1)], 'rounds first', 'up', 3],
    ['a try that held counts as one', [was(1, { reached: 3 })], 'reach', 'up', 3],
    ['without it, it doesn’t', [was(1)], 'reach', 'hold', 2],
    ['most of the way: range before the rung', [was(2), was(1, { range: 'most' })], 'two clean', 'hold', 2],
    ['pain asks', [was(2), was(1, { pain: true })], 'two clean', 'ask', 2],
    ['just under two weeks away changes nothing', [was(3), was(1.8)], 'two clean', 'up', 3],
    ['two weeks away: the same again', [was(3), was(2)], 'two clean', 'hold', 2],
    ['four weeks away: a rung back', [was(5), was(4)], 'two clean', 'down', 1],
    ['eight weeks away: two rungs back', [was(9), was(8)], 'two clean', 'down', 0],
  ])('%s', (_says, evidence, school, is, to) => {
    // Away is away, whatever came of it: those cases say so themselves.
    const decision = of(evidence, school);
    expect([decision.is, decision.to]).toEqual([is, to]);
    expect(decision.says.length).toBeGreaterThan(8);
  });
  test('nothing known, nothing decided', () => {
    expect(decide(ladder, [], 'two clean', anyone, TODAY)).toBeNull();
  });
  test('older and clinical people need one more; a steady hand holds; a child isn’t told by numbers', () => {
    const two = [was(1.5), was(1)];
    expect(of(two, 'two clean', { ...anyone, careful: true }).is).toBe('hold');
    expect(of([was(1.8), ...two], 'two clean', { ...anyone, careful: true }).is).toBe('up');
    expect(of(two, 'two clean', { ...anyone, steady: true, effortMax: 10 }).is).toBe('hold');
    const hard = [was(1.5, { effort: 8 }), was(1, { effort: 8 })];
    expect(of([was(1, { effort: 8 })], 'effort ceiling').is).toBe('hold');
    expect(of([was(1, { effort: 8 })], 'effort ceiling', { ...anyone, child: true }).is).toBe('up');
    expect(of(hard).is).toBe('up');
  });
  test('the top rung stays, the bottom rung doesn’t go lower', () => {
    const top = ladder.rungs.length - 1;
    expect(of([was(2, { rung: top }), was(1, { rung: top })])).toMatchObject({ is: 'hold', to: top });
    const low = { rung: 0, reached: 0, clean: false };
    expect(of([was(2, low), was(1, low)]).to).toBe(0);
  });
  test('an outcome can be looked at before it happens', () => {
    const before = [was(1)];
    const next = { on: TODAY, clean: true, effort: 6, range: 'full' as const, pain: false };
    expect(preview(ladder, before, 'two clean', anyone, next)).toMatchObject({ is: 'up', to: 3 });
    expect(preview(ladder, before, 'two clean', anyone, { ...next, pain: true })!.is).toBe('ask');
    expect(of(before).is).toBe('hold');
  });
  test('two-for-two: two reps over at two sessions running', () => {
    expect(twoForTwo(10, [12, 12])).toBe(true);
    expect(twoForTwo(10, [12, 11])).toBe(false);
    expect(twoForTwo(10, [11, 12])).toBe(false);
    expect(twoForTwo(10, [12])).toBe(false);
    expect(twoForTwo(10, [12, null])).toBe(false);
  });
});

describe('promises of the decision, on thousands of random histories', () => {
  const anyEvidence = fc
    .array(
      fc.record({
        gap: fc.integer({ min: 1, max: 40 }),
        rung: fc.integer({ min: 0, max: ladder.rungs.length - 1 }),
        over: fc.integer({ min: 0, max: 2 }),
        clean: fc.boolean(),
        effort: fc.option(fc.integer({ min: 0, max: 10 })),
        range: fc.constantFrom('part' as const, 'most' as const, 'full' as const),
        pain: fc.boolean(),
      }),
      { minLength: 1, maxLength: 8 },
    )
    .map((list) => {
      let ago = list.reduce((sum, one) => sum + one.gap, 0);
      return list.map(({ gap, over, ...one }): Evidence => {
        ago -= gap;
        return {
          ...one,
          reached: Math.min(ladder.rungs.length - 1, one.rung + over),
          on: new Date(Date.parse(TODAY) - ago * 86_400_000).toISOString().slice(0, 10),
        };
      });
    });
  const anySchool = fc.constantFrom(...SCHOOL_IDS);
  const anyWho = fc.record({
    child: fc.boolean(),
    careful: fc.boolean(),
    steady: fc.boolean(),
    effortMax: fc.integer({ min: 1, max: 10 }),
  });
  const order = { down: 0, ask: 1, hold: 1, up: 2 };

  test('never up after pain, never more than one rung up, never off the ladder', () => {
    fc.assert(
      fc.property(anyEvidence, anySchool, anyWho, (evidence, school, who) => {
        const decision = decide(ladder, evidence, school, who, TODAY)!;
        const last = evidence.at(-1)!;
        if (last.pain) expect(decision.is).toBe('ask');
        if (who.steady) expect(decision.is).not.toBe('up');
        expect(decision.to).toBeGreaterThanOrEqual(0);
        expect(decision.to).toBeLessThan(ladder.rungs.length);
        expect(decision.to - last.rung).toBeLessThanOrEqual(1);
        expect(decision.is === 'up').toBe(decision.to > last.rung);
      }),
      { numRuns: 4000, seed: 20261125 },
    );
  });
  test('nobody is ever sent to a rung that isn’t open to them, up or down', () => {
    fc.assert(
      fc.property(
        anyEvidence,
        anySchool,
        anyWho,
        fc.array(fc.boolean(), { minLength: 12, maxLength: 12 }),
        (evidence, school, who, shut) => {
          const bars = (rung: number) => (shut[rung] ? 'no weight on the wrists' : null);
          const decision = decide(ladder, evidence, school, who, TODAY, bars)!;
          if (decision.is === 'up' || decision.is === 'down') expect(bars(decision.to)).toBeNull();
          if (/isn’t open to them/.test(decision.says))
            expect(decision.says).toContain('no weight on the wrists');
        },
      ),
      { numRuns: 4000, seed: 3 },
    );
  });
  test('more evidence of ease never leads lower', () => {
    fc.assert(
      fc.property(anyEvidence, anySchool, anyWho, (evidence, school, who) => {
        const last = evidence.at(-1)!;
        const easier: Evidence = {
          ...last,
          clean: true,
          range: 'full',
          effort: last.effort === null ? null : Math.max(0, last.effort - 2),
        };
        const a = decide(ladder, evidence, school, who, TODAY)!;
        const b = decide(ladder, [...evidence.slice(0, -1), easier], school, who, TODAY)!;
        expect(order[b.is]).toBeGreaterThanOrEqual(order[a.is]);
        expect(b.to).toBeGreaterThanOrEqual(a.to);
      }),
      { numRuns: 4000, seed: 7 },
    );
  });
  test('every school is looser than none: what it asks for is there in its words', () => {
    for (const id of SCHOOL_IDS) expect(PROGRESS[id].says.length).toBeGreaterThan(10);
  });
});

describe('the record a run leaves', () => {
  let n = 0;
  const event = (loose: object): RunEvent =>
    runEventSchema.parse({ id: `event-${String(++n).padStart(6, '0')}`, ...loose });
  const does = (move: string, pace: number | null = 20) => ({
    move,
    name: move,
    dose: '',
    pace,
    lane: 1 as const,
  });
  const same = { wrist: 'same' as const, knee: 'same' as const, back: 'same' as const };
  const cast = (id: string) => ({
    id,
    name: id,
    byNumber: false,
    group: 0,
    does: [does('push-up'), does('plank', null)],
    switches: [
      { down: does('knee-push-up'), up: null, ...same },
      { down: null, up: null, ...same },
    ],
    cautions: [],
    today: { conditions: [], level: null },
  });
  const run: Run = {
    version: 1,
    id: 'tuesday',
    plan: {
      id: 'p',
      title: 'Tuesday',
      forWhom: 'adults',
      blocks: [
        circuit(['push-up', 'plank'], { workSeconds: 40, restSeconds: 20, rounds: 2, roundRestSeconds: 60 }),
      ],
    },
    facts: factsFor(['push-up', 'plank'], facts),
    how: 'together',
    group: null,
    room: 'Hall',
    on: TODAY,
    cast: [cast('ada'), cast('bo')],
    names: [],
    cues: {},
    emergency: '',
  };
  const whole = 260_000;
  const record = (...events: RunEvent[]) => recordFrom(run, events, (id) => id);
  const go = event({ kind: 'go', at: 0 });

  test('run to its end it is what was planned: 80 s of push-ups at 20 a minute are 27', () => {
    const made = record(go, event({ kind: 'finish', at: whole }));
    expect(made.results.map((r) => r.present)).toEqual([true, true]);
    expect(made.results[0]!.pieces).toEqual([
      { entry: 0, move: 'push-up', seconds: 80, reps: 27, counted: false },
      { entry: 1, move: 'plank', seconds: 80, reps: null, counted: false },
    ]);
    expect(made.minutes).toBeCloseTo(4.3, 1);
    expect(openRecord(SESSION_RECORD, made).ok).toBe(true);
  });
  test('half on one rung and half on the one below are two pieces, at the second of the switch', () => {
    const made = record(
      go,
      event({ kind: 'switch', at: 15_000, person: 'ada', entry: 0, way: 'down' }),
      event({ kind: 'finish', at: whole }),
    );
    const [ada, bo] = made.results;
    expect(ada!.pieces.filter((p) => p.entry === 0).map((p) => [p.move, p.seconds])).toEqual([
      ['push-up', 15],
      ['knee-push-up', 65],
    ]);
    expect(bo!.pieces[0]!.seconds).toBe(80);
  });
  test('who leaves half way has half; who never came has nothing', () => {
    const made = record(
      event({ kind: 'leave', at: 0, person: 'bo' }),
      event({ kind: 'go', at: 10 }),
      event({ kind: 'leave', at: 120_010, person: 'ada' }),
      event({ kind: 'finish', at: whole }),
    );
    expect(made.results[1]!.present).toBe(false);
    expect(made.results[0]!.pieces.map((p) => p.seconds)).toEqual([40, 40]);
    expect(made.results[0]).toMatchObject({ share: 0.5, left: true });
    expect(outcomeWords(made.results[0]!)).toBe('left after 50 % of it');
  });
  test('who goes out for a breath and is back in has what was done before and after, and didn’t leave', () => {
    const made = record(
      go,
      // Ten seconds out in the first stretch, then from the last five of the second to five into the third.
      event({ kind: 'leave', at: 20_000, person: 'ada' }),
      event({ kind: 'back', at: 30_000, person: 'ada' }),
      event({ kind: 'leave', at: 95_000, person: 'ada' }),
      event({ kind: 'back', at: 145_000, person: 'ada' }),
      event({ kind: 'finish', at: whole }),
    );
    const [ada, bo] = made.results;
    const whenAll = bo!.pieces.reduce((sum, { seconds }) => sum + seconds, 0);
    // 40 s of work, 20 of rest, 40, then a minute between rounds: 10 + 5 s of work were missed.
    expect(ada!.pieces.map((p) => [p.move, p.seconds])).toEqual([
      ['push-up', 70],
      ['plank', 75],
    ]);
    expect(whenAll).toBe(160);
    expect(ada).toMatchObject({ left: false, present: true, share: 0.91 });
  });
  test('who was stopped isn’t back in by a press', () => {
    const made = record(
      go,
      event({ kind: 'sign', at: 20_000, person: 'ada', sign: 'faint or dizzy' }),
      event({ kind: 'back', at: 30_000, person: 'ada' }),
      event({ kind: 'finish', at: whole }),
    );
    expect(made.results[0]!.pieces.map((p) => p.seconds)).toEqual([20]);
    expect(made.results[0]!.sign).not.toBeNull();
  });
  test('a pause isn’t work, and a stop sign is written down', () => {
    const made = record(
      go,
      event({ kind: 'pause', at: 10_000, why: 'stop sign' }),
      event({ kind: 'sign', at: 11_000, person: 'bo', sign: 'faint or dizzy' }),
      event({ kind: 'sign recorded', at: 20_000, person: 'bo', note: 'sat down, went home' }),
      event({ kind: 'go', at: 130_000 }),
      event({ kind: 'finish', at: whole + 120_000 }),
    );
    expect(made.results[0]!.pieces[0]!.seconds).toBe(80);
    expect(made.results[1]!.pieces.map((p) => p.seconds)).toEqual([10]);
    expect(made.results[1]!.sign).toEqual({ sign: 'faint or dizzy', note: 'sat down, went home' });
    // Ten seconds of 160: neither clean nor in full, and nothing of it says what they can do.
    expect(made.results[1]).toMatchObject({ clean: false, range: 'part', share: 0.06, left: false });
    expect(outcomeWords(made.results[1]!)).toBe('stopped: faint or dizzy, after 6 % of it');
    expect(outcomeWords(made.results[0]!)).toBe('');
    expect(evidenceOf(library, ladder, 'bo', [made])).toEqual([expect.objectContaining({ pain: true })]);
  });
  test('a run of twelve seconds says nothing of anybody, and loads nobody with its minutes', () => {
    const made = record(go, event({ kind: 'finish', at: 12_000 }));
    expect(made.results[0]).toMatchObject({ present: true, share: 0.08 });
    expect(evidenceOf(library, ladder, 'ada', [made])).toEqual([]);
    const done = record(go, event({ kind: 'finish', at: whole }));
    expect(done.results[0]!.share).toBe(1);
    expect(loadOf(made, { ...made.results[0]!, effort: 10 })).toBe(0);
  });
  test('what a table says of an outcome is read back', () => {
    const made = record(
      go,
      event({ kind: 'sign', at: 11_000, person: 'bo', sign: 'calf pain or swelling' }),
      event({ kind: 'sign recorded', at: 20_000, person: 'bo', note: 'sent to the doctor' }),
      event({ kind: 'leave', at: 120_010, person: 'ada' }),
      event({ kind: 'finish', at: whole }),
    );
    for (const result of made.results)
      expect(readOutcome(outcomeWords(result), result.sign?.note ?? '')).toEqual({
        sign: result.sign,
        share: result.share,
        left: result.left,
      });
    expect(readOutcome('stopped: bored, after 6 % of it', '')).toBeNull();
    expect(readOutcome('left after 600 % of it', '')).toBeNull();
  });
  test('the same run and events give the same record, in whatever order they are read', () => {
    const events = [
      go,
      event({ kind: 'switch', at: 15_000, person: 'ada', entry: 0, way: 'down' }),
      event({ kind: 'add', at: 50_000, seconds: 10, during: '1' }),
      event({ kind: 'finish', at: whole }),
    ];
    expect(record(...[...events].reverse())).toEqual(record(...events));
  });
  test('session load is effort by minutes: 6 of 10 over 4.3 minutes is 26 (Foster et al. 2001)', () => {
    const made = record(go, event({ kind: 'finish', at: whole }));
    expect(loadOf(made, { ...made.results[0]!, effort: 6 })).toBe(26);
    expect(loadOf(made, made.results[0]!)).toBeNull();
  });
  test('its evidence: the rung most time was spent on; effort 11 isn’t a record', () => {
    const made = record(go, event({ kind: 'finish', at: whole }));
    const [found] = evidenceOf(library, ladder, 'ada', [made]);
    expect(ladder.rungs[found!.rung]!.move).toBe('push-up');
    expect(evidenceOf(library, ladder, 'nobody', [made])).toEqual([]);
    const wrong: SessionRecord = { ...made, results: [{ ...made.results[0]!, effort: 11 }] };
    expect(openRecord(SESSION_RECORD, wrong)).toMatchObject({ ok: false, where: 'results.0.effort' });
  });
});
