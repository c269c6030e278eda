export {
  type Ability,
  abilityFrom,
  LEVELS,
  type LevelIndex,
  levelAbility,
  levelReached,
  ownedAlone,
} from './ability.ts';
export {
  ADULT_FROM,
  ageOn,
  ageWords,
  bornFault,
  dayWords,
  OLDER_FROM,
  OLDEST,
  YOUNGEST,
  youngAt,
} from './age.ts';
export {
  type Assessment,
  assessmentSchema,
  followUp,
  readTest,
  TEST_IDS,
  type TestCard,
  type TestId,
  testCard,
} from './assess.ts';
export { BODY, BODY_PLACES, type BodyPlace, placeNamed } from './body.ts';
export { dayOf, type Occurrence, occurrencesOf, weekdayOf } from './calendar.ts';
export { ACTIVITY, capacityOf, friendMl, jurcaMet, LB_PER_KG, walkMl } from './capacity.ts';
export {
  COMES_WITH,
  CONDITION_GROUPS,
  CONDITION_IDS,
  CONDITIONS,
  type ConditionId,
  compileCondition,
  conditionOf,
  QUICK_CONDITIONS,
} from './conditions.ts';
export { asksOf, contradictions, courseOn, DATED } from './courses.ts';
export { knownOn } from './dated.ts';
export {
  addCondition,
  addLimit,
  addSore,
  assessed,
  clearedWith,
  conditionLimits,
  datedCondition,
  letSoreGo,
  limitWords,
  loosenLimit,
  movedOn,
  overriddenBy,
  place,
  removeCondition,
  removeLimit,
  screened,
  sorePlaces,
  stopClosed,
  stoppedIn,
  tightenAgain,
  unplace,
  type When,
} from './edit.ts';
export {
  BANDS,
  type BandIndex,
  bandCeilingMet,
  bandOfMet,
  bandOfRpe,
  CAREFUL_CAPACITY,
  type EffortAge,
  effortAgeOf,
  kcalPerMinute,
  ORDINARY_CAPACITY,
  rpeCeilingMet,
} from './effort.ts';
export {
  calledName,
  cannot,
  everybodyIn,
  GROUP,
  GROUP_ASKS,
  GROUP_EXAMPLE,
  GROW_IDS,
  type Group,
  type GroupPart,
  type GrowId,
  groupSchema,
  headcountOf,
  isAgeless,
  type OneOf,
  PROGRESS_SCHOOLS,
  type ProgressSchool,
  partWords,
  shortName,
  standIn,
  standsFor,
  takingPart,
  USUAL_PROGRESS,
  usualLevel,
  WALK_INS,
  type Waiting,
  WEEKDAYS,
} from './group.ts';
export { GUIDANCE } from './guidance.ts';
export { MAX_RATE, RATE_SPREAD, type RateTargets, rateBands, rateTargets, reserveRate } from './heart.ts';
export { DAYS, type Day, type HomeProgramme, MOST_SESSIONS, WEEKS } from './home.ts';
export { keptOf, lastInFile } from './keeping.ts';
export { covers, floorSeconds, type Limit, limitSchema, type Side, sideSchema } from './limits.ts';
export { CHAIR_STAND, normsFor, TWO_MINUTE_STEP, UP_AND_GO_SECONDS } from './norms.ts';
export {
  activeLimits,
  conditionsOn,
  effortOn,
  heldConditionSchema,
  type Outlook,
  outlookOf,
  PERSON,
  PERSON_EXAMPLE,
  PERSON_KINDS,
  type Person,
  type Placement,
  personSchema,
} from './person.ts';
export { type Place, placesOf, rungNamed, rungShare, STALE_DAYS } from './placed.ts';
export { limitsSigned, REVIEW, type Review, reviewSchema, type Standing, sinceThen } from './reviewed.ts';
export {
  type Clearance,
  clearanceSchema,
  decideScreening,
  overrideSchema,
  PREGNANCY_REASONS,
  type PregnancyId,
  type Screening,
  STOP_SIGNS,
  type StopSign,
  SYMPTOMS,
  type SymptomId,
  screeningSchema,
  standingOf,
  YOUNG_QUESTIONS,
  type YoungId,
  yearAfter,
} from './screening.ts';
export { type Cells, COLUMNS, type Column, cellsOf, columnOf, type RowFate, readPeople } from './table.ts';
export {
  MG_PER_MMOL,
  type Readings,
  readingsSchema,
  readReadings,
  TODAY,
  TODAY_IDS,
  type Today,
  todayVerdict,
} from './today.ts';
export { ANSWERS, type Answer, answered, beginTrial, LARGEST_CLIMB, type Trial } from './trial.ts';
