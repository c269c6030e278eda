import { create } from 'qrcode';
import { useMemo } from 'react';

const QUIET = 3;

/** A code that a phone's camera opens, made here and told nobody: dark on light whatever the theme. */
export function QrCode(props: { text: string; says: string }) {
  const { size, path } = useMemo(() => {
    const { modules } = create(props.text, { errorCorrectionLevel: 'M' });
    let d = '';
    for (let y = 0; y < modules.size; y++)
      for (let x = 0; x < modules.size; x++) if (modules.get(y, x)) d += `M${x + QUIET} ${y + QUIET}h1v1h-1z`;
    return { size: modules.size + 2 * QUIET, path: d };
  }, [props.text]);
  return (
    <svg viewBox={`0 0 ${size} ${size}`} className="h-32 w-32 shrink-0" role="img" aria-label={props.says}>
      <path d={`M0 0h${size}v${size}h-${size}z`} fill="#fff" />
      <path d={path} fill="#000" />
    </svg>
  );
}
