import { CHANGE } from '../ladder/index.ts';
import { SESSION_RECORD } from '../log/index.ts';
import { GROUP, PERSON, REVIEW } from '../person/index.ts';
import type { AnyRecordKind, RecordKind, RecordKindId } from '../record/index.ts';
import { ROOM } from '../room/index.ts';
import { PLAN } from '../session/index.ts';

const any = <T extends { version: number }>(kind: RecordKind<T>): AnyRecordKind =>
  kind as unknown as AnyRecordKind;

/**
 * Every kind of document there is: the server's addresses, its description, seeding, erasing and the browser's store
 * loop over it. A kind more is its own file, its entry here, and its name in `KindId`.
 */
export const RECORDS: readonly AnyRecordKind[] = [
  any(PERSON),
  any(GROUP),
  any(ROOM),
  any(SESSION_RECORD),
  any(PLAN),
  any(CHANGE),
  any(REVIEW),
];

const byCollection = new Map(RECORDS.map((record) => [record.collection, record]));
const byKind = new Map(RECORDS.map((record) => [record.kind, record]));

/** The kind that has its place at an address; undefined where none has. */
export const collectionOf = (collection: string): AnyRecordKind | undefined => byCollection.get(collection);

export const recordOf = (kind: RecordKindId): AnyRecordKind => byKind.get(kind)!;
