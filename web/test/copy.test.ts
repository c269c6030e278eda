import { openRecord } from '@inner-rung/core/record';
import { RECORDS } from '@inner-rung/core/records';
import { scenarioOn } from '../../demo/src/index.ts';
import { copyOf } from '../src/store/copy.ts';

const scenario = scenarioOn('2026-11-25') as unknown as Readonly<
  Record<string, readonly { id: string; version: number }[]>
>;
type Doc = { id: string; version: number; name?: string; title?: string };

const documents = RECORDS.flatMap((record) =>
  [record.example as unknown as Doc, ...((scenario[record.collection] ?? []) as Doc[])].map(
    (doc) => [record.name, record, doc] as const,
  ),
);

describe.each(documents)('a copy of a %s', (_, record, doc) => {
  test('opens, under an id of its own, and says that it is one', () => {
    const copy = copyOf(doc) as Doc & { mine?: { name: string; id: string } };
    const read = openRecord(record, copy);
    expect(read.ok ? 'opens' : `${read.where}: ${read.message}`).toBe('opens');
    expect(copy.id).not.toBe(doc.id);
    expect(copyOf(doc).id).not.toBe(copy.id);
    expect(copy.id).toMatch(/^[a-z0-9]+(-[a-z0-9]+)*$/);
    expect(copy.title ?? copy.name ?? copy.mine?.name).toMatch(/ \(copy\)$/);
  });
  test('is otherwise what was copied, which stays as it was', () => {
    const before = JSON.stringify(doc);
    const { id: _id, name: _name, title: _title, ...rest } = copyOf(doc) as Doc & Record<string, unknown>;
    const { id, name, title, ...was } = doc as Doc & Record<string, unknown>;
    if (!('mine' in doc)) expect(rest).toEqual(was);
    expect(JSON.stringify(doc)).toBe(before);
  });
});

test('a name as long as may be is cut, not refused', () => {
  for (const [, record, doc] of documents) {
    const most = doc.title === undefined ? 80 : 120;
    if (doc.title === undefined && doc.name === undefined) continue;
    const long = {
      ...doc,
      ...(doc.title === undefined ? { name: 'n'.repeat(most) } : { title: 't'.repeat(most) }),
    };
    const copy = copyOf(long) as Doc;
    expect((copy.title ?? copy.name)!.length).toBe(most);
    expect(openRecord(record, copy).ok).toBe(true);
  }
});
