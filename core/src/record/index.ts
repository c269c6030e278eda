export { type AnyRecordKind, type KindId, openRecord, type RecordKind, withoutErased } from './record.ts';
export { slugOf } from './slug.ts';
