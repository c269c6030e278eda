import type { Ruler } from '@inner-rung/core/limits';
import type { FormRef } from '@inner-rung/core/move';
import { Dialog } from '../ui/dialog.tsx';

/** Before a form is changed while somebody is looked at: whose it is to be. */
export function ScopeDialog(props: {
  /** How the form is called. */
  name: string;
  form: FormRef;
  /** Who is looked at. */
  who: string;
  /** What keeps it from them; none where it is open. */
  bars: readonly Ruler[];
  onPerson: (form: FormRef) => void;
  onEverybody: (form: FormRef) => void;
  onClose: () => void;
}) {
  const { form, who, bars } = props;
  return (
    <Dialog title={props.name} onClose={props.onClose}>
      <div className="grid gap-2">
        <button
          type="button"
          className="btn btn-primary touch justify-start"
          disabled={bars.length > 0}
          aria-describedby={bars.length > 0 ? 'scope-bars' : undefined}
          onClick={() => props.onPerson(form)}
        >
          For {who}, in this session
        </button>
        {bars.length > 0 && (
          <p id="scope-bars" className="quiet text-sm">
            Not open to {who}: {bars.map((bar) => bar.says).join('; ')}.
          </p>
        )}
        <button type="button" className="btn touch justify-start" onClick={() => props.onEverybody(form)}>
          For everybody: write it into the circuit
        </button>
      </div>
    </Dialog>
  );
}
