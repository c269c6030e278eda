import { Ellipsis } from 'lucide-react';
import { type ReactNode, useId, useState } from 'react';
import { useWide } from './use-wide.ts';

/** What stands in a row where there is room for it; on a phone behind one button, so that the page itself comes first. */
export function BehindMore(props: { children: ReactNode }) {
  const wide = useWide();
  const [open, setOpen] = useState(false);
  const id = useId();
  if (wide) return props.children;
  return (
    <>
      <button
        type="button"
        className="btn touch"
        aria-expanded={open}
        aria-controls={id}
        onClick={() => setOpen(!open)}
      >
        <Ellipsis size={18} aria-hidden /> More
      </button>
      <div id={id} hidden={!open} className="order-1 flex basis-full flex-wrap items-center gap-x-3 gap-y-1">
        {props.children}
      </div>
    </>
  );
}
