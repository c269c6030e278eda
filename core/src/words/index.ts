export {
  beginsWith,
  countWord,
  doseHere,
  formName,
  keptWords,
  knownAs,
  lostWords,
  ownWords,
  paceWords,
  repsWords,
  sayNearMiss,
  sayReason,
  sayStation,
  spokenAs,
  spokenOf,
  tempoWords,
  writtenDose,
} from './say.ts';
export { asOpened, ENGLISHES, type English, inEnglish, inOwnWords, restingName } from './spoken.ts';
export { COACH_STOP, HOME_STOP, OWN_STOP } from './stop.ts';
