export { FIT_BY, type Fit, type FitBy, fitTo } from './fit.ts';
export { namesOf, nextStationId, type Pasted, type PastedLine, parseCircuit, plainName } from './parse.ts';
export {
  AS_WRITTEN,
  type Block,
  type Dials,
  dialsSchema,
  PLAN,
  PLAN_EXAMPLE,
  type Plan,
  planSchema,
  type Station,
  slotsOf,
  stationSchema,
  timelineOf,
} from './plan.ts';
