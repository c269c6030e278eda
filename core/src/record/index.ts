export { type Opened, openRecord, type RecordKind } from './record.ts';
