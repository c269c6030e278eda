import { useMemo } from 'react';
import { cellsPath, qrCells } from './qr-cells.ts';

/** A code that a phone's camera opens: dark on light whatever the theme. */
export function QrCode(props: { text: string; says: string }) {
  const cells = useMemo(() => qrCells(props.text), [props.text]);
  const size = cells.length;
  return (
    <svg viewBox={`0 0 ${size} ${size}`} className="h-32 w-32 shrink-0" role="img" aria-label={props.says}>
      <path d={`M0 0h${size}v${size}h-${size}z`} fill="#fff" />
      <path d={cellsPath(cells)} fill="#000" />
    </svg>
  );
}
