export { CHECK_IDS, check, type Finding, isCircuit, JOINTS, thirdsRunning } from './checks.ts';
export {
  type BestOrder,
  bestOrder,
  costOfOrder,
  countOrder,
  EXACT_STATIONS,
  type OrderCosts,
  type OrderCount,
  orderCosts,
} from './order.ts';
export { COMPARED, LOADED, profileOf } from './profile.ts';
export { type Sums, sumUp } from './sums.ts';
