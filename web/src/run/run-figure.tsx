import { drawnOf } from '@inner-rung/core/figure';
import type { Does } from '@inner-rung/core/run';
import { memo, useMemo } from 'react';
import { MoveFigure } from '../ui/move-figure.tsx';

/** What somebody does, moving, on a light ground of its own whatever is behind; nothing where it isn't drawn. */
export const RunFigure = memo(function RunFigure(props: { does: Does; className: string }) {
  const { does } = props;
  const shown = useMemo(() => (does ? drawnOf(does, does.pace) : null), [does]);
  if (!shown || !does) return null;
  return (
    <span className={`block rounded bg-base-100 ${props.className}`}>
      <MoveFigure shown={shown} name={does.name} moving className="h-full w-full" />
    </span>
  );
});
