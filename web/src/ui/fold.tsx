import { type ReactNode, useState } from 'react';

/**
 * A part that opens. Open from the start where something stands in it; after that only who reads it opens and closes it:
 * emptying the last field doesn't shut it over the one being typed in.
 */
export function Fold(props: {
  says: ReactNode;
  begins: boolean;
  className?: string;
  summary: string;
  children: ReactNode;
}) {
  const [open, setOpen] = useState(props.begins);
  return (
    <details className={props.className} open={open} onToggle={(event) => setOpen(event.currentTarget.open)}>
      <summary className={`touch flex cursor-pointer items-center ${props.summary}`}>{props.says}</summary>
      {props.children}
    </details>
  );
}
