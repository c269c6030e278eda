export { lazily } from './lazily.ts';
export { numberOf } from './number.ts';
export {
  type AnyRecordKind,
  type KindId,
  namedIn,
  openRecord,
  type RecordKind,
  withoutErased,
} from './record.ts';
export { slugOf } from './slug.ts';
