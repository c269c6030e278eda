import { useDraft } from '../ui/use-draft.ts';

/** By what people find their form on the wall. */
export const WALL_SAYS = [
  { value: 'nobody', says: 'forms alone' },
  { value: 'names', says: 'with first names' },
  { value: 'numbers', says: 'with numbers' },
] as const;
export type WallSays = (typeof WALL_SAYS)[number]['value'];

const USUAL: { readonly says: WallSays } = { says: 'nobody' };

/** What the trainer chose for the wall, on this device. */
export function useWallSays(): [WallSays, (says: WallSays) => void] {
  const [held, put] = useDraft<{ readonly says: WallSays }>('wall-says', USUAL);
  return [held.says, (says) => put({ says })];
}
