import { useSyncExternalStore } from 'react';
import { useApp } from './index.ts';

const DARK = '(prefers-color-scheme: dark)';
const subscribe = (listener: () => void) => {
  const query = window.matchMedia(DARK);
  query.addEventListener('change', listener);
  return () => query.removeEventListener('change', listener);
};
const isDark = () => window.matchMedia(DARK).matches;

/** Light for planning or dark for the hall, as it is shown now: as the device has it where nothing was chosen. */
export function useTheme(): 'paper' | 'hall' {
  const chosen = useApp((state) => state.view.theme);
  const dark = useSyncExternalStore(subscribe, isDark);
  return chosen === 'system' ? (dark ? 'hall' : 'paper') : chosen;
}
