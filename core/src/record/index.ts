export { lazily } from './lazily.ts';
export { merged, writtenAlike } from './merge.ts';
export { numberOf } from './number.ts';
export {
  type AnyRecordKind,
  namedIn,
  openRecord,
  type RecordKind,
  type RecordKindId,
  withoutErased,
} from './record.ts';
export { slugOf } from './slug.ts';
