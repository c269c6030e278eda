import { type ComponentType, lazy } from 'react';
import { matchPath } from 'react-router';
import { fetchPlan } from '../features/use-open-plan.ts';
import { fetchGround } from '../store/data.ts';
import { store } from '../store/index.ts';

interface Ways {
  /** Which of several pages of one session it is, all of them headed by its title. */
  readonly face?: string;
  /** What it asks the server for before it shows anything, besides what every page of the trainer's does. */
  readonly needs?: readonly string[];
  /** Somebody's own link: it stands on nothing of the trainer's. */
  readonly alone?: true;
}

type Load = () => Promise<{ default: ComponentType }>;
interface Screen {
  readonly path: string;
  readonly ways: Ways;
  readonly load: Load;
  Component: ComponentType;
}

/**
 * A screen at its address. Its script and what it needs are named in the page as the server sends it
 * (`first-scripts.ts` reads this table when the product is built), so that neither waits for the other.
 */
const screen = (path: string, load: Load, ways: Ways = {}): Screen => ({
  path,
  ways,
  load,
  Component: lazy(load),
});

/** Every address that shows something, but for home. */
export const SCREENS: readonly Screen[] = [
  screen('/circuits', () => import('../start/start-screen.tsx'), {
    needs: ['plans', 'runs', 'set-aside', 'records'],
  }),
  screen('/plan/:id', () => import('../plan/plan-screen.tsx'), { needs: ['plans/:id'] }),
  screen('/plan/:id/setup', () => import('../rooms/setup-screen.tsx'), { needs: ['plans/:id'] }),
  screen('/plan/:id/card', () => import('../paper/card-screen.tsx'), {
    face: 'card',
    needs: ['plans/:id'],
  }),
  screen('/plan/:id/class', () => import('../class/class-screen.tsx'), {
    face: 'class',
    needs: ['plans/:id', 'runs'],
  }),
  screen('/plan/:id/paper', () => import('../paper/paper-screen.tsx'), {
    face: 'on paper',
    needs: ['plans/:id'],
  }),
  screen('/plan/:id/compare', () => import('../compare/compare-screen.tsx'), {
    face: 'side by side',
    needs: ['plans/:id'],
  }),
  screen('/plan/:id/run-sheet', () => import('../run-sheet/run-sheet-screen.tsx'), {
    face: 'run sheet',
    needs: ['plans/:id'],
  }),
  screen('/log', () => import('../log/log-screen.tsx'), { needs: ['records'] }),
  screen('/p/:token', () => import('../run/person-screen.tsx'), { alone: true }),
  screen('/c/:token', () => import('../paper/card-link-screen.tsx'), { alone: true }),
  screen('/run/:id', () => import('../run/coach-screen.tsx'), { face: 'run' }),
  screen('/run/:id/wall', () => import('../run/wall-screen.tsx'), { face: 'wall' }),
  screen('/run/:id/second', () => import('../run/second-screen.tsx'), { face: 'second coach' }),
  screen('/run/:id/record', () => import('../run/record-screen.tsx'), { face: 'what came of it' }),
  screen('/people', () => import('../people/people-screen.tsx')),
  screen('/people/:id/weeks/page', () => import('../log/weeks-page.tsx')),
  screen('/people/:id/page', () => import('../people/person-page.tsx')),
  screen('/people/:id/home', () => import('../paper/home-screen.tsx')),
  screen('/people/:id/:part?', () => import('../people/person-screen.tsx')),
  screen('/rooms', () => import('../rooms/rooms-screen.tsx')),
  screen('/rooms/:id', () => import('../rooms/room-screen.tsx')),
  screen('/groups/:id', () => import('../people/group-screen.tsx')),
  screen('/ladders', () => import('../ladders/ladders-screen.tsx')),
  screen('/ladders/new', () => import('../ladders/new-ladder-screen.tsx')),
  screen('/figures', () => import('../ladders/figures-screen.tsx')),
  screen('/find', () => import('../ladders/find-screen.tsx')),
  screen('/may/:id?', () => import('../people/may-screen.tsx'), { needs: ['reviews'] }),
  screen('/settings', () => import('../settings/settings-screen.tsx')),
  screen('/team', () => import('../team/team-screen.tsx')),
  screen('/team/sheet', () => import('../team/sheet-screen.tsx'), { alone: true }),
  screen('/trail', () => import('../team/trail-screen.tsx')),
  screen('/copies', () => import('../kept/copies-screen.tsx')),
  screen('/yours', () => import('../ladders/yours-screen.tsx')),
  screen('/ladders/:id/poster', () => import('../paper/poster-screen.tsx')),
  screen('/ladders/:id', () => import('../ladders/ladder-screen.tsx')),
  screen('/moves/:id', () => import('../ladders/move-screen.tsx')),
  screen('/moves/:id/forces', () => import('../ladders/forces-screen.tsx')),
  screen('/moves/:id/edit', () => import('../ladders/move-edit-screen.tsx')),
];

/** The screen at an address; undefined at home and where there is none. */
export const screenAt = (pathname: string): Screen | undefined =>
  SCREENS.find(({ path }) => matchPath(path, pathname));

/** So long a first page is held back for what it stands on; then it says that it waits. Estimate. */
const HELD_BACK_MS = 400;

/**
 * Has the script of what an address shows run, and fetches what it stands on, before anything is drawn: a page that
 * begins by saying that it waits is drawn once more for each thing that comes, and later. What can't be had is asked
 * for again by the page itself, and told there.
 */
export async function beginsWith(pathname: string): Promise<void> {
  const first = screenAt(pathname);
  if (!first) return;
  let waits = true;
  const here: Promise<unknown>[] = [
    first.load().then((script) => {
      first.Component = script.default;
    }),
  ];
  if (!first.ways.alone) here.push(fetchGround());
  const plan = matchPath('/plan/:id/*', pathname)?.params.id;
  if (plan && first.ways.needs?.includes('plans/:id')) here.push(fetchPlan(store, plan, () => waits));
  await Promise.race([
    Promise.allSettled(here),
    new Promise((over) => {
      setTimeout(over, HELD_BACK_MS);
    }),
  ]);
  // From here on it is the page that asks, and knows whether it still wants it.
  waits = false;
}
