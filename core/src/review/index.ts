export {
  type Checked,
  check,
  type Finding,
  type Fix,
  isCircuit,
  JOINTS,
  type ThirdRunning,
  thirdsRunning,
} from './checks.ts';
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
export { COMPARED, type CompareRow, LOADED, type Profile, profileOf } from './profile.ts';
export { type Change, type MoveSum, type Sums, type SumsFor, sumUp, type Totals } from './sums.ts';
