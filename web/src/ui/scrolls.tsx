import type { ReactNode } from 'react';

/** Something that may be larger than its place: it scrolls by touch and by keyboard. */
export function Scrolls(props: { label: string; className: string; children: ReactNode }) {
  return (
    // biome-ignore lint/a11y/noNoninteractiveTabindex: it scrolls, so it must by keyboard
    <section aria-label={props.label} tabIndex={0} className={props.className}>
      {props.children}
    </section>
  );
}
