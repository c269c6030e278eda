import {
  ClipboardPaste,
  Ellipsis,
  FileText,
  Keyboard,
  Moon,
  Printer,
  Shapes,
  Sun,
  Users,
} from 'lucide-react';
import { Link } from 'react-router';
import { useSend } from '../store/index.ts';
import { planEvents } from '../store/plan-slice.ts';
import { useTheme } from '../store/use-theme.ts';
import type { Commands } from '../ui/commands.tsx';
import { Mark } from '../ui/marks.tsx';
import { SearchButton } from '../ui/searching.tsx';
import { UndoButtons } from '../ui/undo-buttons.tsx';
import { SaveState } from './save-state.tsx';

/** The session's name and what can be done with the whole of it. */
export function PlanHeader(props: {
  id: string;
  title: string;
  mayTrain: boolean;
  commands: Commands<'undo' | 'redo' | 'paste' | 'theme' | 'keys'>;
  onMore: () => void;
}) {
  const { id, commands } = props;
  const send = useSend();
  const theme = useTheme();
  return (
    <header className="no-print flex flex-wrap items-center gap-x-2 gap-y-1 border-b-2 border-base-300 px-3 py-1.5">
      <Link to="/circuits" aria-label="Inner Rung: all sessions" className="touch grid place-items-center">
        <Mark />
      </Link>
      <h1 className="sr-only">{props.title}</h1>
      <label className="min-w-0 flex-1">
        <span className="sr-only">Title of the session</span>
        <input
          className="display w-full min-w-0 rounded bg-transparent px-1 text-xl hover:bg-base-200 md:text-2xl"
          value={props.title}
          maxLength={120}
          onChange={(event) => {
            if (event.target.value.trim()) send(planEvents.titleChanged(event.target.value));
          }}
        />
      </label>
      <SaveState />
      <SearchButton />
      <div className="flex flex-wrap items-center">
        <UndoButtons
          canUndo={!commands.undo.off}
          canRedo={!commands.redo.off}
          onUndo={commands.undo.run}
          onRedo={commands.redo.run}
        />
        <button
          type="button"
          className="btn btn-ghost btn-sm touch hidden md:inline-flex"
          onClick={commands.paste.run}
        >
          <ClipboardPaste aria-hidden />
          <span className="hidden xl:inline">Paste</span>
          <span className="sr-only xl:hidden">Paste a session</span>
        </button>
        <button
          type="button"
          className="btn btn-ghost btn-sm touch hidden md:inline-flex"
          onClick={commands.theme.run}
          aria-label={theme === 'paper' ? 'Dark, for the hall' : 'Light, for planning'}
        >
          {theme === 'paper' ? <Moon aria-hidden /> : <Sun aria-hidden />}
        </button>
        <button
          type="button"
          className="btn btn-ghost btn-sm touch hidden md:inline-flex"
          onClick={commands.keys.run}
          aria-label="Keys"
        >
          <Keyboard aria-hidden />
        </button>
        <button
          type="button"
          className="btn btn-ghost btn-sm touch"
          onClick={props.onMore}
          aria-label="More: copy, keep as a file, delete"
        >
          <Ellipsis aria-hidden />
        </button>
        <Link to={`/plan/${id}/setup`} className="btn btn-ghost btn-sm touch hidden md:inline-flex">
          <Shapes aria-hidden />
          <span className="hidden xl:inline">Set up</span>
          <span className="sr-only xl:hidden">Set up: what to put out</span>
        </Link>
        <Link to={`/plan/${id}/run-sheet`} className="btn btn-ghost btn-sm touch">
          <FileText aria-hidden />
          <span className="hidden xl:inline">Run sheet</span>
          <span className="sr-only xl:hidden">Run sheet</span>
        </Link>
        <Link to={`/plan/${id}/class`} className="btn btn-primary btn-sm touch ml-1 max-md:px-2">
          <Users size={18} aria-hidden /> Class
        </Link>
        {props.mayTrain ? (
          <Link to={`/plan/${id}/card`} className="btn btn-sm touch ml-1 max-md:px-2">
            <Printer size={18} aria-hidden /> Card
          </Link>
        ) : (
          <span className="ml-1 max-w-28 text-sm leading-tight font-semibold">no card yet</span>
        )}
      </div>
    </header>
  );
}
