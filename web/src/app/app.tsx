import { useEffect } from 'react';
import { BrowserRouter, Navigate, Route, Routes, useLocation } from 'react-router';
import { plans, team } from '../store/api.ts';
import { useApp } from '../store/index.ts';
import { useTheme } from '../store/use-theme.ts';
import { Waiting } from '../ui/shell.tsx';
import { Broken } from './broken.tsx';
import { Frame, NotHere } from './frame.tsx';
import { Gate } from './gate.tsx';
import { SCREENS } from './screens.ts';

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

function Pages() {
  const { pathname } = useLocation();
  return (
    <Broken at={pathname}>
      <Routes>
        <Route element={<Frame />}>
          <Route path="/" element={<Home />} />
          {SCREENS.map(({ path, Component }) => (
            <Route key={path} path={path} element={<Component />} />
          ))}
          <Route path="*" element={<NotHere />} />
        </Route>
      </Routes>
    </Broken>
  );
}

export function App() {
  const theme = useTheme();
  const type = useApp((state) => state.view.type);
  useEffect(() => {
    document.documentElement.dataset['theme'] = theme;
    document.documentElement.dataset['type'] = type;
  }, [theme, type]);
  return (
    <Gate>
      <BrowserRouter>
        <Pages />
      </BrowserRouter>
    </Gate>
  );
}
