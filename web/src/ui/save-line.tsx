import { copyOf } from '../store/copy.ts';
import { store, useApp, useSend } from '../store/index.ts';
import type { Shelf } from '../store/shelf.ts';
import { useCommands } from './commands.tsx';
import { ElsewhereChoice, isWell, saveWords, useKeeping } from './elsewhere.tsx';
import { UndoButtons } from './undo-buttons.tsx';

/** Undo, redo, and whether a shelf is saved; two tabs at odds are told and can choose. */
export function SaveLine<T extends { id: string; version: number }>(props: { shelf: Shelf<T> }) {
  const { shelf } = props;
  const send = useSend();
  const save = useApp(shelf.saveState);
  const canUndo = useApp(shelf.canUndo);
  const canRedo = useApp(shelf.canRedo);
  const commands = {
    undo: {
      says: 'undo',
      keys: ['mod+z'],
      shown: 'Ctrl Z',
      off: !canUndo,
      run: () => void send(shelf.undo()),
    },
    redo: {
      says: 'redo',
      keys: ['mod+shift+z', 'mod+y'],
      shown: 'Ctrl Shift Z',
      off: !canRedo,
      run: () => void send(shelf.redo()),
    },
  };
  useCommands(commands, { all: true, letters: false });
  const keeping = useKeeping();
  return (
    <div className="flex flex-wrap items-center gap-1">
      <span
        role="status"
        data-save={save.is}
        className={`mr-1 text-sm ${isWell(save) ? 'quiet' : 'font-semibold text-error'}`}
      >
        {saveWords(save, keeping)}
      </span>
      {save.is === 'elsewhere' && (
        <ElsewhereChoice
          gone={save.revision === 0}
          onTheirs={() => void shelf.loadTheirs(store)}
          onCopy={() => void shelf.keepAsCopy(store, copyOf)}
          onMine={() => shelf.takeOver(store)}
        />
      )}
      <UndoButtons
        canUndo={canUndo}
        canRedo={canRedo}
        onUndo={commands.undo.run}
        onRedo={commands.redo.run}
      />
    </div>
  );
}
