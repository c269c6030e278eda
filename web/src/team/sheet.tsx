import { Printer } from 'lucide-react';
import { dayWords, today } from '../store/day.ts';

/** The code by which an owner who lost their passphrase comes in again; shown this once, to be put on paper. */
export function Sheet(props: { code: string; owner: string; onKept: () => void }) {
  return (
    <section aria-labelledby="sheet-h" className="grid max-w-prose gap-3" data-sheet>
      <h2 id="sheet-h" className="text-2xl">
        The way back in
      </h2>
      <p>
        Should the owner’s passphrase be lost, this code lets an owner choose another, on this machine, once.
        It is shown now and never again: print it, and keep it where you keep a spare key. Whoever has it can
        come in as the owner.
      </p>
      <p className="border-2 border-base-content px-4 py-3 text-center font-mono text-xl tracking-wide">
        {props.code}
      </p>
      <p className="quiet">
        For {props.owner}, {dayWords(today())}. At the machine: “Passphrase lost?” beneath the name.
      </p>
      <div className="no-print flex flex-wrap gap-2">
        <button type="button" className="btn touch" onClick={() => window.print()}>
          <Printer size={18} aria-hidden /> Print the sheet
        </button>
        <button type="button" className="btn btn-primary touch" onClick={props.onKept}>
          It is kept
        </button>
      </div>
    </section>
  );
}
