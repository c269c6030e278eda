import { useMemo } from 'react';
import { useNavigate } from 'react-router';
import { useApp, useSend } from '../store/index.ts';
import { planEvents, planHistory } from '../store/plan-slice.ts';
import { useTheme } from '../store/use-theme.ts';
import { themeChosen, viewChosen } from '../store/view-slice.ts';
import type { Commands } from '../ui/commands.tsx';
import type { Bench } from './use-bench.ts';

export const VIEWS = ['floor', 'sheet', 'build'] as const;

type Id =
  | 'before'
  | 'after'
  | 'change'
  | 'add'
  | 'earlier'
  | 'later'
  | 'view'
  | 'lanes'
  | 'sums'
  | 'impact'
  | 'effort'
  | 'ability'
  | 'who'
  | 'paste'
  | 'card'
  | 'theme'
  | 'undo'
  | 'redo'
  | 'keys';

const focus = (selector: string) => document.querySelector<HTMLInputElement>(selector)?.focus();

/** Everything that can be done to a session on its screen: keys, buttons and the list of keys are all made of this. */
export function usePlanCommands(bench: Bench): Commands<Id> {
  const { plan, at, pick, setOpen, setLanes } = bench;
  const navigate = useNavigate();
  const send = useSend();
  const theme = useTheme();
  const shows = useApp((state) => state.view.shows);
  const canUndo = useApp((state) => state.plan.past.length > 0);
  const canRedo = useApp((state) => state.plan.future.length > 0);
  return useMemo(() => {
    const shift = (by: -1 | 1) => {
      const to = { block: at.block, station: at.station + by };
      send(planEvents.stationMoved({ from: { block: at.block, station: at.station }, to }));
      pick(at.station + by);
    };
    return {
      before: {
        says: 'the station before',
        keys: ['left'],
        shown: '←',
        run: () => pick(at.station - 1),
      },
      after: {
        says: 'the station after',
        keys: ['right'],
        shown: '→',
        run: () => pick(at.station + 1),
      },
      change: {
        says: 'change this station’s move',
        keys: ['m'],
        shown: 'M',
        run: () => setOpen('move'),
      },
      add: { says: 'add a station after it', keys: ['a'], shown: 'A', run: () => setOpen('add') },
      earlier: {
        says: 'move the station earlier',
        keys: ['shift+left'],
        shown: 'Shift ←',
        off: at.station <= 0,
        run: () => shift(-1),
      },
      later: {
        says: 'move the station later',
        keys: ['shift+right'],
        shown: 'Shift →',
        off: at.station + 1 >= at.count,
        run: () => shift(1),
      },
      view: {
        says: 'floor, sheet or build',
        keys: ['v'],
        shown: 'V',
        run: () => send(viewChosen(VIEWS[(VIEWS.indexOf(shows) + 1) % VIEWS.length]!)),
      },
      lanes: { says: 'lanes on the sheet', keys: ['l'], shown: 'L', run: () => setLanes((now) => !now) },
      sums: { says: 'the sums', keys: ['s'], shown: 'S', run: () => setOpen('sums') },
      impact: {
        says: 'the impact dial; then ← →',
        keys: ['i'],
        shown: 'I',
        run: () => focus('[data-dial="impact"]'),
      },
      effort: {
        says: 'the effort dial; then ← →',
        keys: ['e'],
        shown: 'E',
        run: () => focus('[data-dial="effort"]'),
      },
      ability: {
        says: 'the ability dial; then ← →',
        keys: ['b'],
        shown: 'B',
        run: () => focus('[data-dial="ability"]'),
      },
      who: { says: 'who it is for', keys: ['w'], shown: 'W', run: () => focus('#who input:checked') },
      paste: { says: 'paste a session', keys: ['p'], shown: 'P', run: () => setOpen('paste') },
      card: {
        says: 'the printable card',
        keys: ['c'],
        shown: 'C',
        run: () => void navigate(`/plan/${plan.id}/card`),
      },
      theme: {
        says: theme === 'paper' ? 'dark, for the hall' : 'light, for planning',
        keys: ['t'],
        shown: 'T',
        run: () => send(themeChosen(theme === 'paper' ? 'hall' : 'paper')),
      },
      undo: {
        says: 'undo',
        keys: ['mod+z'],
        shown: 'Ctrl Z',
        off: !canUndo,
        run: () => send(planHistory.undo()),
      },
      redo: {
        says: 'redo',
        keys: ['mod+shift+z', 'mod+y'],
        shown: 'Ctrl Shift Z',
        off: !canRedo,
        run: () => send(planHistory.redo()),
      },
      keys: { says: 'this list', keys: ['?'], shown: '?', run: () => setOpen('keys') },
    };
  }, [plan.id, at, pick, setOpen, setLanes, navigate, send, theme, shows, canUndo, canRedo]);
}
