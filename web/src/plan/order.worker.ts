import { type BestOrder, bestOrder, type OrderCosts } from '@inner-rung/core/review';

export interface OrderQuestion {
  readonly number: number;
  readonly costs: OrderCosts;
  readonly pinned: readonly boolean[];
}
export interface OrderAnswer extends BestOrder {
  readonly number: number;
}

self.onmessage = ({ data }: MessageEvent<OrderQuestion>) => {
  self.postMessage({ number: data.number, ...bestOrder(data.costs, data.pinned) } satisfies OrderAnswer);
};
