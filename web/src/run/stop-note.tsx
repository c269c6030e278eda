import { STOP_SIGNS, type StopSign } from '@inner-rung/core/person';
import type { Present } from '@inner-rung/core/run';
import { useState } from 'react';
import { Dialog } from '../ui/dialog.tsx';

/** What was seen: a tap, and they are out. */
export function StopDialog(props: { name: string; onSign: (sign: StopSign) => void; onClose: () => void }) {
  return (
    <Dialog title={`${props.name}: stop now`} onClose={props.onClose}>
      <div className="grid gap-1">
        {STOP_SIGNS.map((sign) => (
          <button
            key={sign}
            type="button"
            className="btn touch justify-start first-letter:uppercase"
            onClick={() => props.onSign(sign)}
          >
            {sign}
          </button>
        ))}
      </div>
    </Dialog>
  );
}

/** Somebody who was stopped: what to do, and what came of it, before they are off the coach's mind. */
export function StopNote(props: { person: Present; emergency: string; onNote: (note: string) => void }) {
  const [note, setNote] = useState('');
  return (
    <li className="border-4 border-error p-3" role="alert">
      <p className="text-lg font-semibold">
        {props.person.name}: {props.person.sign?.sign}. Their part is over.
      </p>
      <p>{props.emergency || 'Stay with them, and do as your house’s emergency plan says.'}</p>
      <form
        className="mt-2 flex flex-wrap gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          if (note.trim().length >= 3) props.onNote(note.trim());
        }}
      >
        <input
          className="input min-w-48 flex-1"
          aria-label={`What came of it for ${props.person.name}`}
          placeholder="what was done, how they are"
          value={note}
          onChange={(event) => setNote(event.target.value)}
        />
        <button type="submit" className="btn touch" disabled={note.trim().length < 3}>
          Write it down
        </button>
      </form>
    </li>
  );
}
