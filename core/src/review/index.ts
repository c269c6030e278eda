export type { Finding } from './check.ts';
export { CHECK_IDS, check } from './checks.ts';
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
