import { clockText } from '@inner-rung/core/clock';
import { useState } from 'react';

/** Ending a session early is asked about: what is still to come, and two buttons that are never where the first was. */
export function EndIt(props: { toCome: number; onEnd: () => void }) {
  const [asking, setAsking] = useState(false);
  if (!asking)
    return (
      <button
        type="button"
        className="touch self-start text-sm underline underline-offset-4"
        onClick={() => setAsking(true)}
      >
        It is over for today
      </button>
    );
  return (
    <div role="alertdialog" aria-label="End it for everybody?" className="border-l-4 border-primary pl-3">
      <p className="font-semibold">{clockText(props.toCome)} are still to come. End it for everybody?</p>
      <div className="mt-1 flex gap-2">
        <button type="button" className="btn touch" onClick={() => setAsking(false)}>
          No, go on
        </button>
        <button type="button" className="btn btn-primary touch" onClick={props.onEnd}>
          End it
        </button>
      </div>
    </div>
  );
}
