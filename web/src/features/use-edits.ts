import {
  type Change,
  changeId,
  changeWith,
  type Ladder,
  type Library,
  writtenMove,
} from '@inner-rung/core/ladder';
import type { Demand, Move } from '@inner-rung/core/move';
import { asOpened } from '@inner-rung/core/words';
import { useCallback } from 'react';
import { changes, useApp, useSend } from '../store/index.ts';

interface Made {
  readonly move: Move;
  readonly demand: Demand;
}

export interface Edits {
  /** Ladders and moves as they should be from now on, in one step that undo takes back as one. */
  readonly keep: (says: string, ladders: readonly Ladder[], moves?: readonly Made[]) => void;
  readonly putAway: (ladder: Ladder) => void;
  /** Back to the reference, or out of the library where there is none. */
  readonly revert: (change: Change) => void;
  readonly change: (kind: Change['kind'], of: string) => Change | undefined;
}

/** A move by the name it was opened with, where it only goes by another in the trainer's English. */
function asNamed(library: Library, move: Move): Move {
  const opened = asOpened(library).move(move.id);
  const spoken = library.move(move.id);
  if (!opened || !spoken || spoken.name === opened.name || move.name !== spoken.name) return move;
  return {
    ...move,
    name: opened.name,
    twins: move.twins.filter((twin) => twin !== opened.name || opened.twins.includes(twin)),
  };
}

/** Edits of the trainer's own library: each a named step over the changes, saved by themselves. */
export function useEdits(reference: Library | null, library: Library | null): Edits {
  const send = useSend();
  const docs = useApp((state) => state.changes.present);
  const keep = useCallback<Edits['keep']>(
    (says, ladders, moves = []) => {
      if (!reference || !library) return;
      const put: Change[] = [];
      const remove: string[] = [];
      const add = (thing: Move | Ladder) => {
        const id = changeId('rungs' in thing ? 'ladder' : 'move', thing.id);
        const next = changeWith(reference, docs[id], thing);
        if (next) put.push(next);
        else remove.push(id);
      };
      for (const { move, demand } of moves)
        add(writtenMove(asOpened(library), asNamed(library, move), demand));
      for (const ladder of ladders) add(ladder);
      send(changes.step({ says, put, remove }));
    },
    [reference, library, docs, send],
  );
  return {
    keep,
    putAway: (ladder) => {
      const was = reference?.ladder(ladder.id) ?? null;
      const id = changeId('ladder', ladder.id);
      send(
        changes.step(
          was
            ? {
                says: `Put away ${ladder.name}`,
                put: [{ version: 1, id, kind: 'ladder', of: ladder.id, mine: null, was }],
              }
            : { says: `Put away ${ladder.name}`, remove: [id] },
        ),
      );
    },
    revert: (change) => send(changes.step({ says: 'Back to the reference', remove: [change.id] })),
    change: (kind, of) => docs[changeId(kind, of)],
  };
}
