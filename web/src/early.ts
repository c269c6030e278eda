// The page's first and smallest script.
import { beginAhead } from './engine/worker.ts';

beginAhead();
