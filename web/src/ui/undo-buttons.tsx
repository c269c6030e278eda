import { Redo2, Undo2 } from 'lucide-react';

/** Back a step and forward again. */
export function UndoButtons(props: {
  canUndo: boolean;
  canRedo: boolean;
  onUndo: () => void;
  onRedo: () => void;
}) {
  const { canUndo, canRedo } = props;
  return (
    <>
      <button
        type="button"
        className="btn btn-ghost btn-sm touch"
        onClick={props.onUndo}
        disabled={!canUndo}
        aria-label="Undo"
      >
        <Undo2 aria-hidden />
      </button>
      <button
        type="button"
        className="btn btn-ghost btn-sm touch"
        onClick={props.onRedo}
        disabled={!canRedo}
        aria-label="Redo"
      >
        <Redo2 aria-hidden />
      </button>
    </>
  );
}
