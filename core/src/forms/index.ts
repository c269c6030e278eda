export {
  type FormTable,
  LACKS_QUIET,
  LACKS_SPACE,
  rowAt,
  settingsOf,
  tabulateForms,
  taughtForms,
} from './forms.ts';
export {
  buffersOf,
  compileLibrary,
  type LibraryIndex,
  MUSCLE_COLUMNS,
  REGION_AT,
  ROW_SIZE,
  rowOf,
} from './library-index.ts';
export { metAt, paceFor } from './pace.ts';
