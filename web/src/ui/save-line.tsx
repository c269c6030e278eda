import { useHotkeys } from 'react-hotkeys-hook';
import { store, useApp, useSend } from '../store/index.ts';
import type { Shelf } from '../store/shelf.ts';
import { UndoButtons } from './undo-buttons.tsx';

/** What became of something elsewhere: what stands at no revision was deleted. */
export const elsewhereWords = (revision: number): string =>
  revision === 0 ? 'Deleted elsewhere' : 'Changed elsewhere';

/** Undo, redo, and whether a shelf is saved; two tabs at odds are told and can choose. */
export function SaveLine<T extends { id: string; version: number }>(props: { shelf: Shelf<T> }) {
  const { shelf } = props;
  const send = useSend();
  const save = useApp(shelf.saveState);
  const canUndo = useApp(shelf.canUndo);
  const canRedo = useApp(shelf.canRedo);
  const undo = () => canUndo && send(shelf.undo());
  const redo = () => canRedo && send(shelf.redo());
  const always = { preventDefault: true } as const;
  useHotkeys('mod+z', undo, always, [canUndo]);
  useHotkeys('mod+shift+z, mod+y', redo, always, [canRedo]);
  const words = {
    loading: '',
    saved: 'Saved',
    saving: 'Saving…',
    away: 'Server away: kept in this browser',
    refused: 'Not saved',
    elsewhere: save.is === 'elsewhere' ? elsewhereWords(save.revision) : '',
  }[save.is];
  const gone = save.is === 'elsewhere' && save.revision === 0;
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
          <button type="button" className="btn btn-sm touch" onClick={() => void shelf.loadTheirs(store)}>
            {gone ? 'Let it go' : 'Load theirs'}
          </button>
          <button
            type="button"
            className="btn btn-primary btn-sm touch"
            onClick={() => shelf.takeOver(store)}
          >
            {gone ? 'Save mine again' : 'Save mine over it'}
          </button>
        </>
      )}
      <UndoButtons canUndo={canUndo} canRedo={canRedo} onUndo={undo} onRedo={redo} />
    </div>
  );
}
