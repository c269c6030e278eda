export {
  type CardLine,
  LEAST_PT,
  ladderPoster,
  type PersonCard,
  type PosterRung,
  personCards,
  type StationCard,
  stationCards,
  WALL_PT,
} from './cards.ts';
export { type Item, type Measure, MM, type Page, SIZE_IDS, SIZES, type SizeId, wrapText } from './page.ts';
