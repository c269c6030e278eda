export { collectionOf, RECORDS, recordOf } from './records.ts';
