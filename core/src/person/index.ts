export { type Ability, abilityFrom, LEVELS, type LevelIndex, levelAbility } from './ability.ts';
export { type Age, ageOn, ageWords, bornFault, bornSchema, dayWords, OLDEST, YOUNGEST } from './age.ts';
export {
  type Assessment,
  assessmentSchema,
  type Follow,
  followUp,
  type Reading,
  readTest,
  TEST_IDS,
  TESTS,
  type TestCard,
  type TestId,
  testCard,
} from './assess.ts';
export { BODY, BODY_PLACES, type BodyPlace, spare } from './body.ts';
export { type Occurrence, occurrencesOf, USUAL_MINUTES, weekdayOf } from './calendar.ts';
export {
  ACTIVITY,
  type ActivityId,
  type Capacity,
  capacityOf,
  friendMl,
  jurcaMet,
  LB_PER_KG,
  walkMl,
} from './capacity.ts';
export {
  CONDITION_GROUPS,
  CONDITION_IDS,
  CONDITIONS,
  type Condition,
  type ConditionId,
  compileCondition,
  conditionOf,
} from './conditions.ts';
export {
  addCondition,
  addLimit,
  addSore,
  assessed,
  clearedWith,
  conditionLimits,
  limitWords,
  loosenLimit,
  overriddenBy,
  place,
  removeCondition,
  removeLimit,
  screened,
  tightenAgain,
  unplace,
  type When,
} from './edit.ts';
export { BANDS, type BandIndex, bandCeilingMet, bandOfMet, bandOfRpe, kcalPerMinute } from './effort.ts';
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
  PROGRESS_SCHOOLS,
  type ProgressSchool,
  shortName,
  standIn,
  standInId,
  standsFor,
  USUAL_PROGRESS,
  WALK_INS,
  WEEKDAYS,
} from './group.ts';
export { type Headcount, type Part, partWords, readHeadcount } from './headcount.ts';
export {
  MAX_RATE,
  MAX_RATE_IDS,
  type MaxRateId,
  RATE_SPREAD,
  type RateTargets,
  rateBands,
  rateTargets,
  reserveRate,
} from './heart.ts';
export { DAYS, type Day, type HomeProgramme, MOST_SESSIONS, WEEKS } from './home.ts';
export {
  covers,
  FLOORS,
  type FloorId,
  floorSeconds,
  type Limit,
  limitSchema,
  limitsOn,
  SIDES,
  type Side,
} from './limits.ts';
export { CHAIR_STAND, normsFor, TANDEM_SECONDS, TWO_MINUTE_STEP, UP_AND_GO_SECONDS } from './norms.ts';
export {
  activeLimits,
  conditionsOn,
  effortOn,
  heldConditionSchema,
  KINDS,
  type LogEntry,
  type Outlook,
  outlookOf,
  PERSON,
  PERSON_EXAMPLE,
  type Person,
  type Placement,
  personSchema,
  type WrittenPerson,
} from './person.ts';
export { highestWithin, type Place, placesOf, rungNamed, rungShare, STALE_DAYS } from './placed.ts';
export {
  type Clearance,
  clearanceSchema,
  decide,
  type Override,
  overrideSchema,
  PREGNANCY_REASONS,
  type PregnancyId,
  type Screening,
  type Standing,
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
  type TodayId,
  todaySchema,
  todayVerdict,
  type Verdict,
} from './today.ts';
export { ANSWERS, type Answer, answered, beginTrial, LARGEST_CLIMB, type Trial, type Try } from './trial.ts';
