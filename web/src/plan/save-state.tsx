import { useStore } from 'react-redux';
import { copyOf } from '../store/copy.ts';
import { useApp } from '../store/index.ts';
import { loadTheirs, openNewPlan, takeOver } from '../store/sync.ts';
import { ElsewhereChoice, isWell, saveWords, useKeeping } from '../ui/elsewhere.tsx';

/** Whether what is on screen is saved, in words. */
export function SaveState() {
  const save = useApp((state) => state.sync.save);
  const keeping = useKeeping();
  return (
    <span
      role="status"
      data-save={save.is}
      className={`text-sm ${isWell(save) ? 'quiet whitespace-nowrap' : 'font-semibold text-error'}`}
    >
      {saveWords(save, keeping)}
    </span>
  );
}

/** Two tabs, one circuit: says so, and lets the trainer choose. Nothing is lost either way. */
export function ElsewhereBanner(props: { onCopied: (id: string) => void; onGone: () => void }) {
  const store = useStore();
  const save = useApp((state) => state.sync.save);
  const plan = useApp((state) => state.plan.present);
  if (save.is !== 'elsewhere' || !plan) return null;
  const gone = save.revision === 0;
  return (
    <div
      role="alert"
      className="flex flex-wrap items-center gap-2 border-b-2 border-primary bg-base-200 px-4 py-2"
    >
      <p className="mr-auto">
        <strong>This circuit was {gone ? 'deleted' : 'changed'} in another tab or on another device.</strong>{' '}
        Your edits are kept here until you choose.
      </p>
      <ElsewhereChoice
        gone={gone}
        onTheirs={() => void loadTheirs(store).then((is) => is === 'gone' && props.onGone())}
        onCopy={() => {
          const copy = copyOf(plan);
          openNewPlan(store, copy);
          props.onCopied(copy.id);
        }}
        onMine={() => takeOver(store)}
      />
    </div>
  );
}
