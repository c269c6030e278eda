export { cardSchema } from './card-file.ts';
export {
  type CardLine,
  LEAST_PT,
  ladderPoster,
  type PersonCard,
  personCards,
  type StationCard,
  stationCards,
  type Times,
  WALL_PT,
} from './cards.ts';
export { cardsOf, pictureCard, stationsOf } from './class-cards.ts';
export { classSheetOf } from './class-sheet.ts';
export {
  ARROW_HEAD,
  type Item,
  type Measure,
  MM,
  type Page,
  SIZE_IDS,
  SIZES,
  type SizeId,
  wrapText,
} from './page.ts';
export { runSheetOf } from './run-rows.ts';
export { fitWords, formsForEach, inReach, setupSheetOf, whoWords } from './setup-sheet.ts';
export {
  type ClassSheet,
  COACH_ONLY,
  classSheetPages,
  type RunRow,
  type RunSheet,
  runSheetPages,
  type SetupSheet,
  setupPages,
} from './sheets.ts';
