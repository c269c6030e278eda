import { useSyncExternalStore } from 'react';
import type { SaveState } from '../store/machine.ts';
import { type Keeping, storage } from '../store/storage.ts';

/** Whether this browser keeps what isn't on the server yet. */
export const useKeeping = (): Keeping => useSyncExternalStore(storage.listen, storage.keeping);

const NOT_KEPT: Readonly<Record<Exclude<Keeping, 'keeps'>, string>> = {
  full: 'this browser is full and keeps no more: leave this page open',
  denied: 'this browser keeps nothing: leave this page open',
};

/** Whether something is on the server, in words; where it isn't, whether it is kept here at least. */
export function saveWords(save: SaveState, keeping: Keeping): string {
  const kept = keeping === 'keeps' ? 'kept in this browser' : NOT_KEPT[keeping];
  switch (save.is) {
    case 'loading':
      return '';
    case 'saved':
      return save.merged ? 'Saved, together with what was changed elsewhere' : 'Saved';
    case 'saving':
      return 'Saving…';
    case 'away':
      return save.full ? `The disk that keeps this is full: make some room; ${kept}` : `Server away: ${kept}`;
    case 'refused':
      return `Not saved: ${save.why}${keeping === 'keeps' ? '' : `; ${kept}`}`;
    case 'elsewhere':
      return save.revision === 0 ? 'Deleted elsewhere' : 'Changed elsewhere';
  }
}

export const isWell = (save: SaveState): boolean =>
  save.is === 'saved' || save.is === 'saving' || save.is === 'loading';

/** What can be done about work of somebody else's in the same place: theirs, both, or ours. Nothing is lost any way. */
export function ElsewhereChoice(props: {
  /** Deleted there. */
  gone: boolean;
  onTheirs: () => void;
  onCopy: () => void;
  onMine: () => void;
}) {
  return (
    <>
      <button type="button" className="btn btn-sm touch" onClick={props.onTheirs}>
        {props.gone ? 'Let it go' : 'Load theirs'}
      </button>
      <button type="button" className="btn btn-sm touch" onClick={props.onCopy}>
        Keep mine as a copy
      </button>
      <button type="button" className="btn btn-primary btn-sm touch" onClick={props.onMine}>
        {props.gone ? 'Save mine again' : 'Save mine over it'}
      </button>
    </>
  );
}
