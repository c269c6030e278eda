import type { Review } from '@inner-rung/core/person';
import { useEffect } from 'react';
import { reviews, store, useApp } from '../store/index.ts';

/** Conditions that a clinician has signed; `ready` once they are here. */
export function useReviews(): { readonly docs: Readonly<Record<string, Review>>; readonly ready: boolean } {
  const docs = useApp(reviews.docs);
  const ready = useApp((state) => reviews.saveState(state).is !== 'loading');
  useEffect(() => {
    reviews.load(store).catch(() => undefined);
  }, []);
  return { docs, ready };
}
