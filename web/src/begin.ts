// The page's first script. Whatever follows comes in pieces of its own, between which the browser answers.
import '@fontsource-variable/atkinson-hyperlegible-next';
import '@fontsource-variable/bricolage-grotesque';
import { beginAhead } from './engine/worker.ts';
import './main.css';

// Somebody's own link asks the engine nothing.
if (!/^\/[pc]\//.test(location.pathname)) beginAhead();
void import('react-dom/client')
  .then(() => import('./vendor.ts'))
  .then(() => import('./store/index.ts'))
  .then(() => import('./main.tsx'));
