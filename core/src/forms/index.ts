export { decodeLibrary, encodeLibrary } from './binary.ts';
export {
  type FormTable,
  formsOf,
  isHere,
  LACKS_QUIET,
  LACKS_SPACE,
  rowAt,
  settingsOf,
  tabulateForms,
  taughtForms,
  usualCmOf,
} from './forms.ts';
export {
  compileLibrary,
  indexOf,
  type LibraryIndex,
  MUSCLE_COLUMNS,
  OTHER_AT,
  OTHER_SIZE,
  REGION_AT,
  ROW_SIZE,
  rowOf,
} from './library-index.ts';
export { metAt, paceFor } from './pace.ts';
