import { X } from 'lucide-react';
import { type ReactNode, useEffect, useRef } from 'react';

/** A modal that opens as it is mounted and hands focus back as it goes. */
export function Dialog(props: { title: string; onClose: () => void; children: ReactNode; wide?: boolean }) {
  const ref = useRef<HTMLDialogElement>(null);
  useEffect(() => {
    const back = document.activeElement;
    const dialog = ref.current;
    if (dialog && !dialog.open) dialog.showModal();
    // Where there is one thing to type, typing starts there and not on the close button.
    dialog?.querySelector<HTMLElement>('[data-first]')?.focus();
    return () => {
      if (back instanceof HTMLElement) back.focus();
    };
  }, []);
  return (
    <dialog ref={ref} className="modal" aria-label={props.title} onClose={props.onClose}>
      <div className={`modal-box border-2 border-base-300 ${props.wide ? 'max-w-3xl' : 'max-w-lg'}`}>
        <div className="mb-3 flex items-center justify-between gap-3">
          <h2 className="text-2xl">{props.title}</h2>
          <button
            type="button"
            className="btn btn-ghost touch"
            aria-label="Close"
            onClick={() => ref.current?.close()}
          >
            <X aria-hidden />
          </button>
        </div>
        {props.children}
      </div>
      <form method="dialog" className="modal-backdrop">
        <button type="submit" tabIndex={-1} aria-hidden>
          close
        </button>
      </form>
    </dialog>
  );
}
