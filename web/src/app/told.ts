import { useEffect } from 'react';
import { matchPath } from 'react-router';
import { asJson } from '../store/use-ask.ts';
import { FILE_SAVED } from '../ui/save-file.ts';

/** Pages from which something of people is printed or put into a file, as the trail calls them. */
const PAGES: readonly (readonly [path: string, page: string, kind?: 'person' | 'group' | 'plan'])[] = [
  ['/people/:id/weeks/page', 'the weeks', 'person'],
  ['/people/:id/page', 'the whole file', 'person'],
  ['/people/:id/home', 'the home programme', 'person'],
  ['/people/:id/*', 'the file', 'person'],
  ['/people', 'the list of people'],
  ['/groups/:id', 'the page', 'group'],
  ['/plan/:id/class', 'the class page', 'plan'],
  ['/plan/:id/card', 'cards', 'plan'],
  ['/plan/:id/paper', 'the sheets', 'plan'],
  ['/plan/:id/*', 'a version', 'plan'],
  ['/run/:id/*', 'a run'],
  ['/log', 'the log'],
  ['/may/*', 'who may do what'],
  ['/trail', 'who did what'],
];

function pageAt(pathname: string) {
  for (const [path, page, kind] of PAGES) {
    const found = matchPath(path, pathname) as { params: { id?: string } } | null;
    if (found) return { page, ...(kind && found.params.id ? { kind, id: found.params.id } : {}) };
  }
  return null;
}

/** Tells the server what a browser does by itself, which leaves no trace there otherwise. Nothing waits for it. */
function tell(deed: 'printed' | 'exported' | 'saw', pathname: string): void {
  const at = pageAt(pathname);
  if (at)
    void fetch('/api/trail/told', { ...asJson('POST', { deed, ...at }), keepalive: true }).catch(() => {});
}

/** What is printed, put into a file, and whose file is opened, told as it happens. */
export function useTold(pathname: string): void {
  useEffect(() => {
    if (pageAt(pathname)?.kind === 'person') tell('saw', pathname);
    const printed = () => tell('printed', pathname);
    const exported = () => tell('exported', pathname);
    window.addEventListener('beforeprint', printed);
    window.addEventListener(FILE_SAVED, exported);
    return () => {
      window.removeEventListener('beforeprint', printed);
      window.removeEventListener(FILE_SAVED, exported);
    };
  }, [pathname]);
}
