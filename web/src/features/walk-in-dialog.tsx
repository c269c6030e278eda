import { type ConditionId, LEVELS, QUICK_CONDITIONS } from '@inner-rung/core/person';
import type { ReactNode } from 'react';
import { Dialog } from '../ui/dialog.tsx';

/** Somebody walked in: a second tap says what is known of them. */
export function WalkInDialog(props: {
  onAdd: (conditions: readonly ConditionId[], level: 0 | 1 | 2 | 3) => void;
  onClose: () => void;
  children?: ReactNode;
}) {
  const add = props.onAdd;
  return (
    <Dialog title="Somebody more" onClose={props.onClose}>
      <div className="grid grid-cols-2 gap-2">
        {LEVELS.map((level, i) => (
          <button
            key={level.id}
            type="button"
            className="btn touch"
            onClick={() => add([], i as 0 | 1 | 2 | 3)}
          >
            {level.name}
          </button>
        ))}
        {QUICK_CONDITIONS.map(({ id, some }) => (
          <button key={id} type="button" className="btn touch" onClick={() => add([id], 1)}>
            {some}
          </button>
        ))}
      </div>
      {props.children}
    </Dialog>
  );
}
