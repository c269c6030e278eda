import { Redo2, Undo2 } from 'lucide-react';
import { useHotkeys } from 'react-hotkeys-hook';
import { changes, store, useApp } from '../store/index.ts';
import type { Edits } from './use-edits.ts';

/** Undo, redo, and whether the trainer's own library is saved; two tabs at odds are told and can choose. */
export function SaveLine(props: { edits: Edits }) {
  const { edits } = props;
  const save = useApp((state) => state.changesSave.save);
  const always = { preventDefault: true } as const;
  useHotkeys('mod+z', edits.undo, always, [edits.canUndo]);
  useHotkeys('mod+shift+z, mod+y', edits.redo, always, [edits.canRedo]);
  const words = {
    loading: '',
    saved: 'Saved',
    saving: 'Saving…',
    away: 'Server away: kept in this browser',
    refused: 'Not saved',
    elsewhere: 'Changed elsewhere',
  }[save.is];
  const well = save.is === 'saved' || save.is === 'saving' || save.is === 'loading';
  return (
    <div className="flex flex-wrap items-center gap-1">
      <span
        role="status"
        data-save={save.is}
        className={`mr-1 text-sm ${well ? 'quiet' : 'font-semibold text-error'}`}
      >
        {words}
        {save.is === 'refused' && `: ${save.why}`}
      </span>
      {save.is === 'elsewhere' && (
        <>
          <button type="button" className="btn btn-sm touch" onClick={() => void changes.loadTheirs(store)}>
            Load theirs
          </button>
          <button
            type="button"
            className="btn btn-primary btn-sm touch"
            onClick={() => changes.takeOver(store)}
          >
            Save mine over it
          </button>
        </>
      )}
      <button
        type="button"
        className="btn btn-ghost btn-sm touch"
        onClick={edits.undo}
        disabled={!edits.canUndo}
        aria-label="Undo"
      >
        <Undo2 aria-hidden />
      </button>
      <button
        type="button"
        className="btn btn-ghost btn-sm touch"
        onClick={edits.redo}
        disabled={!edits.canRedo}
        aria-label="Redo"
      >
        <Redo2 aria-hidden />
      </button>
    </div>
  );
}
