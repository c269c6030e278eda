export {
  type AnyRecordKind,
  type KindId,
  type Opened,
  openRecord,
  type RecordKind,
  type Reference,
  withoutErased,
} from './record.ts';
export { slugOf } from './slug.ts';
