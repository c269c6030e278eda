import { lastOf, nextRungs, toKnowBefore, whoIs } from '@inner-rung/core/log';
import { outlookOf, type Person, SYMPTOMS } from '@inner-rung/core/person';
import { PEOPLE, RECORDS } from '../../demo/src/index.ts';
import { shippedLibrary } from './shipped.ts';

const library = shippedLibrary();
const TODAY = '2026-11-24';
const last = RECORDS.at(-1)!;
const person = (id: string): Person => PEOPLE.find((p) => p.id === id)!;
const all = (people: readonly Person[] = PEOPLE, barOf: Parameters<typeof nextRungs>[6] = () => null) =>
  nextRungs(library, people, last, RECORDS, 'two clean', TODAY, barOf);
const ofLadder = (move: string, rungs = all()) =>
  rungs.filter(({ ladder }) => library.ladder(ladder)!.rungs.some((rung) => rung.move === move));

describe('the next rungs after a session', () => {
  test('one for each who was there on each ladder they worked on, none for who wasn’t or has no file', () => {
    const rungs = all();
    expect(new Set(rungs.map((one) => `${one.person.id}/${one.ladder}`)).size).toBe(rungs.length);
    expect(new Set(rungs.map((one) => one.person.id))).toEqual(
      new Set(['maud-ellery', 'tomas-wick', 'ines-calloway', 'saskia-dorn']),
    );
    expect(
      all(PEOPLE.filter((p) => p.id !== 'maud-ellery')).some((one) => one.person.id === 'maud-ellery'),
    ).toBe(false);
    const away = { ...last, results: last.results.map((result) => ({ ...result, present: false })) };
    expect(nextRungs(library, PEOPLE, away, RECORDS, 'two clean', TODAY, () => null)).toEqual([]);
  });
  test('what goes up or down can be put in the file, seen and dated; what stays can’t', () => {
    const rungs = all();
    expect(rungs.some((one) => one.placement)).toBe(true);
    for (const { decision, ladder, placement } of rungs) {
      const moves = decision.is === 'up' || decision.is === 'down';
      if (!moves) expect(placement).toBeNull();
      if (placement) expect(placement).toMatchObject({ ladder, evidence: 'observed', on: TODAY });
      if (placement) expect(placement.rung.move).toBe(library.ladder(ladder)!.rungs[decision.to]!.move);
    }
  });
  test('where they stand already there is nothing to take', () => {
    const up = all().find((one) => one.placement)!;
    const there: Person = {
      ...up.person,
      placements: [...up.person.placements.filter((p) => p.ladder !== up.ladder), up.placement!],
    };
    const again = all([there]).find((one) => one.ladder === up.ladder)!;
    expect(again.decision.is).toBe(up.decision.is);
    expect(again.placement).toBeNull();
  });
  test('a form barred for somebody isn’t where they go', () => {
    const up = all().filter((one) => one.decision.is === 'up');
    expect(up.length).toBeGreaterThan(0);
    const barred = all(PEOPLE, (who, form) => {
      const to = up.find((one) => one.person.id === who.id && one.placement?.rung.move === form.move);
      return to ? 'too hard on the wrist' : null;
    });
    for (const one of up.filter((o) => o.placement)) {
      const now = barred.find((b) => b.person.id === one.person.id && b.ladder === one.ladder)!;
      expect(now.placement?.rung.move).not.toBe(one.placement!.rung.move);
    }
  });
  test('a place on a branch decides which ladder a shared move counts for', () => {
    const shared = library.ladders.find(
      (ladder) =>
        ladder.branchOf.length > 0 &&
        ladder.rungs.some((rung) =>
          library.ladders.some((l) => l.branchOf.length === 0 && l.rungs.some((r) => r.move === rung.move)),
        ),
    )!;
    const rung = shared.rungs.find((r) =>
      library.ladders.some((l) => l.branchOf.length === 0 && l.rungs.some((o) => o.move === r.move)),
    )!;
    const who = (placed: boolean): Person => ({
      ...person('saskia-dorn'),
      placements: placed
        ? [{ ladder: shared.id, rung: { move: rung.move }, evidence: 'observed', on: TODAY }]
        : [],
    });
    const record = {
      ...last,
      results: last.results
        .filter((result) => result.person === 'saskia-dorn')
        .map((result) => ({
          ...result,
          pieces: [{ ...result.pieces[0]!, move: rung.move, settings: rung.settings }],
        })),
    };
    const on = (placed: boolean) =>
      nextRungs(library, [who(placed)], record, [record], 'two clean', TODAY, () => null).map(
        (n) => n.ladder,
      );
    expect(on(true)).toEqual([shared.id]);
    expect(library.ladder(on(false)[0]!)!.branchOf).toEqual([]);
  });
  test('older and clinical people are careful, who is under 18 a child', () => {
    expect(whoIs(person('maud-ellery'), TODAY)).toMatchObject({ careful: true, child: false });
    const child = PEOPLE.find((p) => p.kind === 'child or teenager')!;
    expect(whoIs(child, TODAY)).toMatchObject({ child: true });
    expect(whoIs(person('saskia-dorn'), TODAY)).toEqual({
      child: false,
      careful: false,
      steady: false,
      effortMax: 9,
    });
  });
  test('the demo’s jacks go up for Saskia, not past Tomas’s wrist', () => {
    const jacks = ofLadder('jumping-jack');
    expect(jacks.find((one) => one.person.id === 'saskia-dorn')?.decision.is).toBe('up');
    expect(jacks.find((one) => one.person.id === 'tomas-wick')?.decision.is).toBe('hold');
  });
});

describe('what to know before a session', () => {
  const hurt = RECORDS.find((record) => record.results.some((result) => result.pain))!;
  test('who hurt last time, by first name and place; a name nobody has a file for is left out', () => {
    expect(toKnowBefore(PEOPLE, [], hurt, TODAY)).toEqual(['Tomas: pain, right wrist last time']);
    expect(toKnowBefore([], [], hurt, TODAY)).toEqual([]);
    expect(toKnowBefore(PEOPLE, [], null, TODAY)).toEqual([]);
  });
  test('who has a symptom nobody has cleared waits; once they have none, they don’t', () => {
    const asked = { of: 'adult', on: TODAY, regular: true, disease: false } as const;
    const saskia = person('saskia-dorn');
    const waits = { ...saskia, screening: { ...asked, symptoms: [Object.keys(SYMPTOMS)[0]!] } } as Person;
    expect(toKnowBefore(PEOPLE, [waits], null, TODAY)).toEqual([
      expect.stringMatching(/^Saskia: .*(doctor|clear)/),
    ]);
    expect(toKnowBefore(PEOPLE, [{ ...saskia, screening: { ...asked, symptoms: [] } }], null, TODAY)).toEqual(
      [],
    );
  });
  test.each([
    [
      'stopped',
      { stops: [{ on: TODAY, sign: 'faint or dizzy', note: '', run: 'run-1' }] },
      /^Saskia: Stopped on .*: faint or dizzy/,
    ],
    ['a child nobody has agreed for', { born: '2018', screening: undefined }, /^Saskia: .*consent/],
    [
      'not well today',
      { today: { on: TODAY, marks: ['dizzy'], pain: [], readings: {} } },
      /^Saskia: Not today/,
    ],
  ])('who isn’t in it is told with what comes first: %s', (_, change, says) => {
    const waits = { ...person('saskia-dorn'), ...change } as Person;
    expect(toKnowBefore(PEOPLE, [waits], null, TODAY)).toEqual([expect.stringMatching(says)]);
    expect(outlookOf(waits, TODAY).mayTrain).toBe(false);
  });
  test('a sign they stopped for is said too', () => {
    const results = last.results.map((result) =>
      result.person === 'saskia-dorn' ? { ...result, sign: { sign: 'dizzy', note: '' } } : result,
    ) as typeof last.results;
    expect(toKnowBefore(PEOPLE, [], { ...last, results }, TODAY)).toEqual(['Saskia: dizzy last time']);
  });
  test('the newest record of that group, in whatever order they come', () => {
    const mixed = [
      RECORDS[1]!,
      last,
      RECORDS[0]!,
      { ...last, id: 'other', group: 'other', on: '2026-12-01' },
    ];
    expect(lastOf(mixed, last.group!)).toBe(last);
    expect(lastOf(mixed, 'nobody')).toBeNull();
  });
});
