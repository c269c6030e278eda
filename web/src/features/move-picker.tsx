import type { Library } from '@inner-rung/core/ladder';
import { useState } from 'react';
import { PickDialog } from '../ui/pick-dialog.tsx';
import { findMoves } from './move-search.ts';

/** Search and choose a move with pointer or arrow keys. */
export function MovePicker(props: {
  library: Library;
  title: string;
  /** What else than a move can be taken, always there beneath those that are found. */
  besides?: { readonly name: string; readonly says: string; readonly take: () => void };
  onPick: (move: string) => void;
  onClose: () => void;
}) {
  const [text, setText] = useState('');
  const hits = findMoves(props.library, text, 9);
  return (
    <PickDialog
      title={props.title}
      label="Name, everyday twin, muscle or pattern"
      placeholder="press-up, sofa, glutes…"
      found="Moves found"
      text={text}
      onText={setText}
      rows={[
        ...hits.map((hit) => ({
          key: hit.id,
          name: hit.name,
          says: hit.twins || hit.pattern,
          take: () => props.onPick(hit.id),
        })),
        ...(props.besides ? [{ key: 'besides', apart: hits.length > 0, ...props.besides }] : []),
      ]}
      status={
        text.trim() && hits.length === 0
          ? 'No move by that name. Try what it works, or a shorter word.'
          : 'Arrow keys to choose, Enter to take it.'
      }
      onClose={props.onClose}
    />
  );
}
