import { Search } from 'lucide-react';
import { createContext, useContext } from 'react';

/** Opens the search over everything; null where a page has none. */
export const Searching = createContext<(() => void) | null>(null);

/** The search over everything, in a header. */
export function SearchButton(props: { className?: string }) {
  const open = useContext(Searching);
  if (!open) return null;
  return (
    <button
      type="button"
      className={`btn btn-ghost btn-sm touch shrink-0 ${props.className ?? ''}`}
      aria-keyshortcuts="Control+K"
      onClick={open}
    >
      <Search size={18} aria-hidden />
      <span className="hidden lg:inline">Search</span>
      <span className="sr-only lg:hidden">Search everything</span>
    </button>
  );
}
