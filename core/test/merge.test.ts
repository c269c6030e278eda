import { PERSON } from '@inner-rung/core/person';
import { merged, openRecord } from '@inner-rung/core/record';
import { PLAN, type Plan } from '@inner-rung/core/session';
import fc from 'fast-check';
import { PEOPLE, PLANS } from '../../demo/src/index.ts';

/** A document like those that are kept: fields, a list by id, a list of words. */
interface Doc {
  readonly title?: string;
  readonly note?: string;
  readonly stations: readonly { readonly id: string; readonly move?: string; readonly seconds?: number }[];
  readonly members: readonly string[];
}
const word = fc.constantFrom('a', 'b', 'c', 'd');
const station = fc.record(
  { id: fc.constantFrom('s1', 's2', 's3', 's4', 's5'), move: word, seconds: fc.constantFrom(20, 30, 40) },
  { requiredKeys: ['id'] },
);
const doc: fc.Arbitrary<Doc> = fc.record(
  {
    title: word,
    note: word,
    stations: fc.uniqueArray(station, { selector: ({ id }) => id, maxLength: 5 }),
    members: fc.uniqueArray(fc.constantFrom('rosa', 'theo', 'kim', 'maud'), { maxLength: 4 }),
  },
  { requiredKeys: ['stations', 'members'] },
);
/** A document and two versions of it, each with some of its fields out of another. */
const versions = fc
  .tuple(doc, doc, doc, fc.array(fc.boolean(), { minLength: 8, maxLength: 8 }))
  .map(([base, first, second, takes]) => {
    const mixed = (other: Doc, from: number): Doc => {
      const part = <K extends keyof Doc>(field: K, i: number) => {
        const of = takes[from + i] ? other : base;
        return of[field] === undefined ? {} : { [field]: of[field] };
      };
      return {
        ...part('title', 0),
        ...part('note', 1),
        ...part('stations', 2),
        ...part('members', 3),
      } as unknown as Doc;
    };
    return [base, mixed(first, 0), mixed(second, 4)] as const;
  });
/** What a document says, whatever the order of its lists. */
const said = (of: Doc | null) =>
  of && {
    ...of,
    stations: [...of.stations].sort((a, b) => (a.id < b.id ? -1 : 1)),
    members: [...of.members].sort(),
  };

describe('two versions as one', () => {
  test('who changed nothing changes nothing; who changed the same changed it once', () => {
    fc.assert(
      fc.property(doc, doc, (base, other) => {
        expect(merged(base, other, base)).toEqual(other);
        expect(merged(base, base, other)).toEqual(other);
        expect(merged(base, other, other)).toEqual(other);
      }),
    );
  });
  test('whoever saves first, the same comes of it but for the order of a list', () => {
    fc.assert(
      fc.property(versions, ([base, mine, theirs]) => {
        expect(said(merged(base, mine, theirs))).toEqual(said(merged(base, theirs, mine)));
      }),
      { numRuns: 2000 },
    );
  });
  test('what either changed stands, and nothing that neither wrote; by a second reckoning, field by field', () => {
    const leaves = (of: Doc): Map<string, string> => {
      const all = new Map<string, string>();
      for (const field of ['title', 'note'] as const) if (of[field] !== undefined) all.set(field, of[field]);
      for (const one of of.stations)
        for (const [field, value] of Object.entries({ there: true, ...one }))
          if (value !== undefined) all.set(`${one.id}.${field}`, String(value));
      for (const one of of.members) all.set(`member ${one}`, 'in');
      return all;
    };
    let put = 0;
    fc.assert(
      fc.property(versions, ([base, mine, theirs]) => {
        const both = merged(base, mine, theirs);
        if (both === null) return;
        put++;
        const [was, ours, others, is] = [base, mine, theirs, both].map(leaves);
        for (const key of new Set([...was!.keys(), ...ours!.keys(), ...others!.keys(), ...is!.keys()])) {
          const [b, m, t] = [was!.get(key), ours!.get(key), others!.get(key)];
          // An entry that one takes away goes with all that it says, where the other left it alone.
          const expected = m === b ? t : t === b ? m : m;
          expect([key, is!.get(key)]).toEqual([key, expected]);
        }
      }),
      { numRuns: 4000 },
    );
    expect(put).toBeGreaterThan(1000);
  });
  test('one moves what the other changes: it is changed, in its new place', () => {
    const base: Doc = { stations: [{ id: 's1', move: 'a' }, { id: 's2' }, { id: 's3' }], members: [] };
    const moved: Doc = { ...base, stations: [base.stations[2]!, base.stations[0]!, base.stations[1]!] };
    const changed: Doc = { ...base, stations: [{ id: 's1', move: 'b' }, { id: 's2' }, { id: 's3' }] };
    const both = [{ id: 's3' }, { id: 's1', move: 'b' }, { id: 's2' }];
    expect(merged(base, moved, changed)?.stations).toEqual(both);
    expect(merged(base, changed, moved)?.stations).toEqual(both);
  });
  test('what each puts in stands behind what it was put behind', () => {
    const base: Doc = { stations: [{ id: 's1' }, { id: 's2' }], members: [] };
    const mine: Doc = { ...base, stations: [{ id: 's1' }, { id: 's3' }, { id: 's2' }] };
    const theirs: Doc = { ...base, stations: [{ id: 's1' }, { id: 's2' }, { id: 's4' }] };
    expect(merged(base, mine, theirs)?.stations.map(({ id }) => id)).toEqual(['s1', 's3', 's2', 's4']);
  });
  test.each<[string, Doc, Doc]>([
    [
      'the same field, each in its own way',
      { title: 'b', stations: [], members: [] },
      { title: 'c', stations: [], members: [] },
    ],
    [
      'one takes away what the other changes',
      { title: 'a', stations: [], members: [] },
      { title: 'a', stations: [{ id: 's1', move: 'z' }], members: [] },
    ],
  ])('somebody has to look: %s', (_, mine, theirs) => {
    const base: Doc = { title: 'a', stations: [{ id: 's1', move: 'a' }], members: [] };
    const [m, t] = [mine, theirs].map((one) =>
      one.title === 'a' ? one : { ...one, stations: base.stations },
    ) as [Doc, Doc];
    expect(merged(base, m, t)).toBeNull();
    expect(merged(base, t, m)).toBeNull();
  });
  test('numbers in a list are one thing: nobody knows which stands for which', () => {
    const base = { reps: [10, 8, 6] };
    expect(merged(base, { reps: [12, 8, 6] }, { reps: [10, 8, 4] })).toBeNull();
    expect(merged(base, { reps: [12, 8, 6] }, base)).toEqual({ reps: [12, 8, 6] });
  });
  test('left out and said to be nothing differ; not said at all and left out don’t', () => {
    expect(merged<object>({ a: 1 }, { a: null }, { a: 1, b: 2 })).toEqual({ a: null, b: 2 });
    expect(merged<object>({ a: 1 }, { a: undefined }, { a: 1, b: 2 })).toEqual({ b: 2 });
    expect(merged<object>({ a: 1 }, {}, { a: 2 })).toBeNull();
  });
});

describe('real documents', () => {
  test('a station changed by one, another and the title by the other', () => {
    const base = PLANS[0]!;
    const at = (plan: Plan, i: number, cue: string): Plan => ({
      ...plan,
      blocks: plan.blocks.map((block, b) =>
        b === 0
          ? { ...block, stations: block.stations.map((one, s) => (s === i ? { ...one, words: cue } : one)) }
          : block,
      ) as Plan['blocks'],
    });
    expect(base.blocks[0]!.stations.length).toBeGreaterThan(2);
    const both = merged(base, at(base, 0, 'mine'), { ...at(base, 2, 'theirs'), title: 'Renamed' });
    expect(both).toEqual({ ...at(at(base, 0, 'mine'), 2, 'theirs'), title: 'Renamed' });
    expect(openRecord(PLAN, both).ok).toBe(true);
  });
  test('notes by one and a condition by the other; of two that both touch health nothing is put together', () => {
    const rosa = PEOPLE[0]!;
    const put = (mine: object, theirs: object) =>
      merged(rosa, { ...rosa, ...mine }, { ...rosa, ...theirs }, PERSON.together);
    const conditions = [...rosa.conditions, { id: 'vertigo' as const, side: 'both' as const }];
    expect(put({ notes: 'Shy' }, { conditions })).toEqual({ ...rosa, notes: 'Shy', conditions });
    for (const cleared of [
      { clearance: { on: '2026-11-01', by: 'Dr Wren', says: '' } },
      { override: { on: '2026-11-01', says: 'Knows her' } },
      { effortMax: 8 },
    ])
      expect(put(cleared, { conditions })).toBeNull();
    // What only one of them touched is no clash, and neither is the very same change.
    expect(put({ conditions }, { conditions, notes: 'Shy' })).toEqual({ ...rosa, notes: 'Shy', conditions });
  });
});
