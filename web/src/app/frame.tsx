import { lazy, Suspense, useCallback, useEffect, useRef, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { Link, Outlet, useLocation, useNavigationType } from 'react-router';
import { useStanding } from '../offline/standing.ts';
import { dayAndTime, dayOf, timeWords, today } from '../store/day.ts';
import { PartsHeader } from '../ui/parts-header.tsx';
import { Searching } from '../ui/searching.tsx';
import { Waiting } from '../ui/shell.tsx';
import { screenAt } from './screens.ts';
import { useTold } from './told.ts';

const SearchDialog = lazy(() => import('./search-dialog.tsx'));
const ALONE = /^\/[pc]\/|\/wall$/;

const NAME = 'Inner Rung';

/** The heading of what is shown; null until there is one. */
const headingNow = () => document.querySelector('h1')?.textContent?.replace(/\s+/g, ' ').trim() || null;

/** While the server is away: of when what is shown is, and what becomes of changes. */
function Standing() {
  const since = useStanding();
  if (since === null) return null;
  const at = new Date(since);
  return (
    <p role="status" className="no-print bg-warning px-4 py-1 text-sm text-warning-content" data-standing>
      The server isn’t answering. This is how it stood{' '}
      {dayOf(at) === today() ? `at ${timeWords(at)}` : `on ${dayAndTime(at)}`}. What you change is kept in
      this browser and saved when the server is back.
    </p>
  );
}

/**
 * What every page has about it: a way past its header, a title of its own, and, after going somewhere, the top of it
 * in sight and its heading said to whoever can't see it.
 */
export function Frame() {
  const { pathname } = useLocation();
  const how = useNavigationType();
  const face = screenAt(pathname)?.ways.face;
  const [says, setSays] = useState('');
  const first = useRef(true);
  // biome-ignore lint/correctness/useExhaustiveDependencies: it is going to another address that this follows
  useEffect(() => {
    // Back and forward go where one was; a page opened by its address begins at its top by itself.
    if (!first.current && how !== 'POP') window.scrollTo(0, 0);
    const tell = (heading: string) => {
      document.title = `${face ? `${heading}, ${face}` : heading} · ${NAME}`;
      if (!first.current) setSays(heading);
      first.current = false;
    };
    // Until the page has its heading it is nobody's: least of all the last one's.
    document.title = NAME;
    let told: string | null = null;
    const look = () => {
      const heading = headingNow();
      if (heading === null || heading === told) return;
      told = heading;
      tell(heading);
    };
    look();
    // A page's heading comes with its script and its data.
    const seen = new MutationObserver(look);
    seen.observe(document.body, { childList: true, subtree: true, characterData: true });
    return () => seen.disconnect();
  }, [pathname, how, face]);
  useTold(pathname);
  const [searching, setSearching] = useState(false);
  // Somebody's own link and the wall are nobody's to search from.
  const searchable = !ALONE.test(pathname);
  const open = useCallback(() => setSearching(true), []);
  useHotkeys('mod+k', open, {
    preventDefault: true,
    enableOnFormTags: true,
    enabled: searchable && !searching,
  });
  return (
    <Searching value={searchable ? open : null}>
      <button
        type="button"
        className="no-print btn btn-primary touch sr-only z-20 focus:not-sr-only focus:absolute focus:top-1 focus:left-1"
        onClick={() => {
          const main = document.querySelector<HTMLElement>('main');
          if (!main) return;
          main.tabIndex = -1;
          main.focus();
        }}
      >
        To the content
      </button>
      {searchable && <Standing />}
      <Suspense fallback={<Waiting />}>
        <Outlet />
      </Suspense>
      <p className="no-print sr-only" aria-live="polite" data-announced>
        {says}
      </p>
      {searching && searchable && (
        <Suspense>
          <SearchDialog onClose={() => setSearching(false)} />
        </Suspense>
      )}
    </Searching>
  );
}

/** An address that leads nowhere says so, and keeps what was typed in sight. */
export function NotHere() {
  const { pathname } = useLocation();
  return (
    <div className="min-h-dvh">
      <PartsHeader here="none" />
      <main className="mx-auto max-w-prose px-4 py-10">
        <h1 className="text-3xl">There is no such page</h1>
        <p className="mt-2">
          Nothing is at <code className="break-all">{pathname}</code>. It may have been typed wrong, or a link
          is from an older Inner Rung. What is saved is where it was.
        </p>
        <p className="mt-4 flex flex-wrap gap-3">
          <Link to="/circuits" className="btn btn-primary touch">
            All sessions
          </Link>
          <Link to="/people" className="btn touch">
            People
          </Link>
        </p>
      </main>
    </div>
  );
}
