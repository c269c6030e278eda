import { lazy, Suspense, useEffect } from 'react';
import { createBrowserRouter, Navigate, RouterProvider, useLocation } from 'react-router';
import { PlanScreen } from '../plan/plan-screen.tsx';
import { StartScreen } from '../start/start-screen.tsx';
import { api } from '../store/api.ts';
import { useApp } from '../store/index.ts';
import { Broken } from './broken.tsx';
import { Gate } from './gate.tsx';

const LadderWall = lazy(() => import('../ladders/wall.tsx'));
const LadderScreen = lazy(() => import('../ladders/ladder-screen.tsx'));
const NewLadderScreen = lazy(() => import('../ladders/new-ladder-screen.tsx'));
const FiguresScreen = lazy(() => import('../ladders/figures-screen.tsx'));
const FindScreen = lazy(() => import('../ladders/find-screen.tsx'));
const YoursScreen = lazy(() => import('../ladders/yours-screen.tsx'));
const MoveScreen = lazy(() => import('../ladders/move-screen.tsx'));
const MoveEditScreen = lazy(() => import('../ladders/move-edit-screen.tsx'));
const PeopleScreen = lazy(() => import('../people/people-screen.tsx'));
const PersonScreen = lazy(() => import('../people/person-screen.tsx'));
const PersonPage = lazy(() => import('../people/person-page.tsx'));
const GroupScreen = lazy(() => import('../people/group-screen.tsx'));
const RoomsScreen = lazy(() => import('../rooms/rooms-screen.tsx'));
const RoomScreen = lazy(() => import('../rooms/room-screen.tsx'));
const SetupScreen = lazy(() => import('../rooms/setup-screen.tsx'));
const CardScreen = lazy(() => import('../paper/card-screen.tsx'));
const ClassScreen = lazy(() => import('../class/class-screen.tsx'));
const PosterScreen = lazy(() => import('../paper/poster-screen.tsx'));
const HomeScreen = lazy(() => import('../paper/home-screen.tsx'));
const CardLinkScreen = lazy(() => import('../paper/card-link-screen.tsx'));
const PaperScreen = lazy(() => import('../paper/paper-screen.tsx'));
const CompareScreen = lazy(() => import('../compare/compare-screen.tsx'));
const CoachScreen = lazy(() => import('../run/coach-screen.tsx'));
const WallScreen = lazy(() => import('../run/wall-screen.tsx'));
const PersonRunScreen = lazy(() => import('../run/person-screen.tsx'));
const LogScreen = lazy(() => import('../log/log-screen.tsx'));
const WeeksPage = lazy(() => import('../log/weeks-page.tsx'));
const RecordScreen = lazy(() => import('../run/record-screen.tsx'));
const RunSheetScreen = lazy(() => import('../run-sheet/run-sheet-screen.tsx'));

/** The newest circuit, for whom the address says, or the page on which to paste the first one. */
function Home() {
  const { search } = useLocation();
  const plans = api.usePlansQuery();
  if (plans.isLoading) return <Waiting />;
  const first = plans.data?.[0];
  return <Navigate replace to={first ? `/plan/${first.id}${search}` : '/circuits'} />;
}

export function Waiting() {
  return (
    <p className="quiet grid min-h-dvh place-items-center" role="status">
      Laying out the floor…
    </p>
  );
}

const router = createBrowserRouter([
  {
    errorElement: <Broken />,
    children: [
      { path: '/', element: <Home /> },
      { path: '/circuits', element: <StartScreen /> },
      { path: '/plan/:id', element: <PlanScreen /> },
      { path: '/plan/:id/setup', element: <SetupScreen /> },
      { path: '/plan/:id/card', element: <CardScreen /> },
      { path: '/plan/:id/class', element: <ClassScreen /> },
      { path: '/plan/:id/paper', element: <PaperScreen /> },
      { path: '/plan/:id/compare', element: <CompareScreen /> },
      { path: '/plan/:id/run-sheet', element: <RunSheetScreen /> },
      { path: '/log', element: <LogScreen /> },
      { path: '/p/:token', element: <PersonRunScreen /> },
      { path: '/c/:token', element: <CardLinkScreen /> },
      { path: '/run/:id', element: <CoachScreen /> },
      { path: '/run/:id/wall', element: <WallScreen /> },
      { path: '/run/:id/record', element: <RecordScreen /> },
      { path: '/people', element: <PeopleScreen /> },
      { path: '/people/:id/weeks/page', element: <WeeksPage /> },
      { path: '/people/:id/page', element: <PersonPage /> },
      { path: '/people/:id/home', element: <HomeScreen /> },
      { path: '/people/:id/:part?', element: <PersonScreen /> },
      { path: '/rooms', element: <RoomsScreen /> },
      { path: '/rooms/:id', element: <RoomScreen /> },
      { path: '/groups/:id', element: <GroupScreen /> },
      { path: '/ladders', element: <LadderWall /> },
      { path: '/ladders/new', element: <NewLadderScreen /> },
      { path: '/figures', element: <FiguresScreen /> },
      { path: '/find', element: <FindScreen /> },
      { path: '/yours', element: <YoursScreen /> },
      { path: '/ladders/:id/poster', element: <PosterScreen /> },
      { path: '/ladders/:id', element: <LadderScreen /> },
      { path: '/moves/:id', element: <MoveScreen /> },
      { path: '/moves/:id/edit', element: <MoveEditScreen /> },
      { path: '*', element: <Navigate replace to="/" /> },
    ],
  },
]);

export function App() {
  const theme = useApp((state) => state.view.theme);
  useEffect(() => {
    document.documentElement.dataset['theme'] = theme;
  }, [theme]);
  return (
    <Suspense fallback={<Waiting />}>
      <Gate>
        <RouterProvider router={router} />
      </Gate>
    </Suspense>
  );
}
