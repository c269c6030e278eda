import {
  type AnyRecordKind,
  namedIn,
  openRecord,
  type RecordKindId,
  withoutErased,
} from '@inner-rung/core/record';
import { collectionOf, RECORDS, recordOf } from '@inner-rung/core/records';
import fc from 'fast-check';
import { scenarioOn } from '../../demo/src/index.ts';

const KINDS: readonly RecordKindId[] = ['person', 'group', 'room', 'plan', 'record', 'change'];
const scenario = scenarioOn('2026-11-25') as unknown as Readonly<Record<string, readonly { id: string }[]>>;

/** Every document of the scenario, with its kind. */
const documents = RECORDS.flatMap((record) =>
  (scenario[record.collection] ?? []).map((body): { record: AnyRecordKind; body: { id: string } } => ({
    record,
    body,
  })),
);
const opens = (record: AnyRecordKind, body: unknown) => {
  const read = openRecord(record, body);
  return read.ok ? 'opens' : `${read.where}: ${read.message}`;
};

/** A document of a kind with an id at every place of a reference, as far as lists and fields are there to hold it. */
function naming(value: unknown, [step, ...rest]: readonly string[], id: string): unknown {
  if (step === undefined) return id;
  if (step === '[]') {
    const list = Array.isArray(value) ? value : [];
    return rest.length === 0 ? [...list, id] : list.map((one) => naming(one, rest, id));
  }
  const now = (value ?? {}) as Record<string, unknown>;
  return { ...now, [step]: naming(now[step], rest, id) };
}
const stepsOf = (at: string) =>
  at.split('.').flatMap((part) => (part.endsWith('[]') ? [part.slice(0, -2), '[]'] : [part]));

test('the scenario names people, rooms and sessions, so that there is something to erase', () => {
  const named = (kind: RecordKindId) => documents.flatMap(({ record, body }) => namedIn(record, body, kind));
  for (const kind of ['person', 'room', 'plan'] as const) expect(named(kind)).not.toEqual([]);
});

test.each(RECORDS.map((record) => [record.name, record] as const))(
  'a %s that names what is erased still opens afterwards, and names it no more',
  (_, record) => {
    const all = documents.filter((one) => one.record === record);
    for (const { body } of all)
      for (const kind of KINDS)
        for (const id of new Set(namedIn(record, body, kind))) {
          const now = withoutErased(record, body, { kind, id });
          expect(namedIn(record, now, kind)).not.toContain(id);
          expect([body.id, kind, id, opens(record, now)]).toEqual([body.id, kind, id, 'opens']);
        }
  },
);

test('each reference of each kind is a place that the kind’s documents have, filled or not', () => {
  for (const { record, body } of documents)
    for (const { to, at } of record.references) {
      const filled = naming(body, stepsOf(at), 'goes-away');
      const named = namedIn(record, filled, to);
      const list = at.replace(/\[\]$/, '').includes('[]');
      // A list that is empty has no entry to name anybody.
      if (!list)
        expect([record.kind, at, named]).toEqual([record.kind, at, expect.arrayContaining(['goes-away'])]);
      const now = withoutErased(record, filled, { kind: to, id: 'goes-away' });
      expect([record.kind, at, namedIn(record, now, to).includes('goes-away')]).toEqual([
        record.kind,
        at,
        false,
      ]);
      // A place that hangs in the air opened neither way.
      if (opens(record, filled) === 'opens')
        expect([record.kind, at, opens(record, now)]).toEqual([record.kind, at, 'opens']);
    }
});

test('what is of another kind stays though it is called alike, and so does all that names it nowhere', () => {
  fc.assert(
    fc.property(
      fc.constantFrom(...documents),
      fc.constantFrom(...KINDS),
      fc.string(),
      ({ record, body }, kind, noise) => {
        // Words that stand somewhere in the document, and some that don't.
        const words =
          JSON.stringify(body)
            .match(/"[a-z-]{3,}"/g)
            ?.map((word) => word.slice(1, -1)) ?? [];
        for (const id of [...words.slice(0, 40), noise]) {
          const now = withoutErased(record, body, { kind, id });
          if (!namedIn(record, body, kind).includes(id)) expect(now).toBe(body);
        }
      },
    ),
    { numRuns: 60 },
  );
});

test('erased twice is erased once, and the order in which two go doesn’t matter', () => {
  for (const { record, body } of documents)
    for (const kind of KINDS) {
      const ids = [...new Set(namedIn(record, body, kind))];
      const [a, b] = ids;
      if (a === undefined) continue;
      const once = withoutErased(record, body, { kind, id: a });
      expect(withoutErased(record, once, { kind, id: a })).toBe(once);
      if (b === undefined) continue;
      expect(withoutErased(record, once, { kind, id: b })).toEqual(
        withoutErased(record, withoutErased(record, body, { kind, id: b }), { kind, id: a }),
      );
    }
});

test('plain JSON of any shape is read without a fall', () => {
  fc.assert(
    fc.property(
      fc.jsonValue(),
      fc.constantFrom(...RECORDS),
      fc.constantFrom(...KINDS),
      (value, record, kind) => {
        const before = JSON.stringify(value);
        for (const id of ['x', ...namedIn(record, value, kind)]) withoutErased(record, value, { kind, id });
        expect(JSON.stringify(value)).toBe(before);
      },
    ),
  );
});

test('every kind is found by its address and by its name, and its least example opens', () => {
  for (const record of RECORDS) {
    expect(collectionOf(record.collection)).toBe(record);
    expect(recordOf(record.kind)).toBe(record);
    expect([record.kind, opens(record, record.example)]).toEqual([record.kind, 'opens']);
    for (let version = 1; version < record.version; version++)
      expect([record.kind, version, typeof record.upgrades[version]]).toEqual([
        record.kind,
        version,
        'function',
      ]);
  }
  expect(collectionOf('constructor')).toBeUndefined();
});
