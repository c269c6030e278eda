export { type Choice, withinBudgets } from './budget.ts';
export { COSTS, type Costs, costsFor, LEAST_INTENT } from './costs.ts';
export { inBouts, KEEPS, type OwnDose, ownDose } from './dose.ts';
export { factsInIndex, goesOf } from './goes.ts';
export { createScaler, type Opened, type ScaleRequest, type Scaler } from './scaler.ts';
export { type Scratch, scratchOf } from './scratch.ts';
export { similarityOf } from './similarity.ts';
export { SIDEWAYS, SIDEWAYS_IDS, type Switches, switchesOf } from './switches.ts';
export { type Reason, replay, type Use, type Version } from './version.ts';
