import { useStore } from 'react-redux';
import { useApp } from '../store/index.ts';
import { loadTheirs, openNewPlan, takeOver } from '../store/sync.ts';
import { elsewhereWords } from '../ui/save-line.tsx';

/** Whether what is on screen is saved, in words. */
export function SaveState() {
  const save = useApp((state) => state.sync.save);
  const words =
    save.is === 'saved'
      ? 'Saved'
      : save.is === 'saving'
        ? 'Saving…'
        : save.is === 'away'
          ? 'Server away: kept in this browser'
          : save.is === 'refused'
            ? `Not saved: ${save.why}`
            : elsewhereWords(save.revision);
  return (
    <span
      role="status"
      data-save={save.is}
      className={`text-sm whitespace-nowrap ${save.is === 'saved' || save.is === 'saving' ? 'quiet' : 'font-semibold text-error'}`}
    >
      {words}
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
      <button
        type="button"
        className="btn btn-sm touch"
        onClick={() => void loadTheirs(store).then((is) => is === 'gone' && props.onGone())}
      >
        {gone ? 'Let it go' : 'Load theirs'}
      </button>
      <button
        type="button"
        className="btn btn-sm touch"
        onClick={() => {
          const id = `${plan.id.slice(0, 60)}-copy-${Date.now().toString(36)}`;
          openNewPlan(store, { ...plan, id, title: `${plan.title} (copy)`.slice(0, 120) });
          props.onCopied(id);
        }}
      >
        Keep mine as a copy
      </button>
      <button type="button" className="btn btn-primary btn-sm touch" onClick={() => takeOver(store)}>
        {gone ? 'Save mine again' : 'Save mine over it'}
      </button>
    </div>
  );
}
