export { openRecord, type RecordKind } from './record.ts';
export { slugOf } from './slug.ts';
