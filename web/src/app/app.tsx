import { type ComponentType, useEffect } from 'react';
import { createBrowserRouter, Navigate, RouterProvider, useLocation } from 'react-router';
import { plans, team } from '../store/api.ts';
import { useApp } from '../store/index.ts';
import { useTheme } from '../store/use-theme.ts';
import { Waiting } from '../ui/shell.tsx';
import { Broken } from './broken.tsx';
import { Frame, NotHere } from './frame.tsx';
import { Gate } from './gate.tsx';

/** The newest circuit, for whom the address says, or the page on which to paste the first one. */
function Home() {
  const { search } = useLocation();
  const { data, failed } = plans.use();
  const who = team.use();
  if ((!data && !failed) || (!who.data && !who.failed)) return <Waiting />;
  // Who came to read and sign has nothing to teach.
  if (who.data?.me?.role === 'reader') return <Navigate replace to="/may" />;
  const first = data?.[0];
  return <Navigate replace to={first ? `/plan/${first.id}${search}` : '/circuits'} />;
}

interface Ways {
  /** Which of several pages of one session it is, all of them headed by its title. */
  readonly face?: string;
  /** What it asks the server for before it shows anything, besides what every page of the trainer's does. */
  readonly needs?: readonly string[];
  /** Somebody's own link: it stands on nothing of the trainer's. */
  readonly alone?: true;
}

/**
 * A screen at its address. Its script and what it needs are named in the page as the server sends it
 * (`first-scripts.ts` reads this table when the product is built), so that neither waits for the other.
 */
const screen = (path: string, load: () => Promise<{ default: ComponentType }>, { face }: Ways = {}) => ({
  path,
  handle: face,
  lazy: async () => ({ Component: (await load()).default }),
  HydrateFallback: Waiting,
});

const router = createBrowserRouter([
  {
    element: <Frame />,
    errorElement: <Broken />,
    children: [
      { path: '/', element: <Home /> },
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
      { path: '*', element: <NotHere /> },
    ],
  },
]);

export function App() {
  const theme = useTheme();
  const type = useApp((state) => state.view.type);
  useEffect(() => {
    document.documentElement.dataset['theme'] = theme;
    document.documentElement.dataset['type'] = type;
  }, [theme, type]);
  return (
    <Gate>
      <RouterProvider router={router} />
    </Gate>
  );
}
