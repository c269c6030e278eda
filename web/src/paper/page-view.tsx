import { ARROW_HEAD, MM, type Page } from '@inner-rung/core/paper';
import { memo } from 'react';
import { FigureShapes, PAPER } from '../ui/figure-shapes.tsx';
import { cellsPath } from '../ui/qr-cells.ts';

/** A page as it prints, in its own millimetres. */
export const PageView = memo(function PageView(props: { page: Page; says: string }) {
  const { page } = props;
  return (
    <svg
      viewBox={`0 0 ${page.width} ${page.height}`}
      className="paper-page block h-auto w-full bg-white shadow-lg print:shadow-none"
      style={
        {
          '--w': `${page.width}mm`,
          '--h': `${page.height}mm`,
          fontKerning: 'none',
          fontVariantLigatures: 'none',
          fontVariantNumeric: 'normal',
        } as React.CSSProperties
      }
      role="img"
      aria-label={props.says}
      fontFamily="'Atkinson Hyperlegible Next Variable', Verdana, sans-serif"
    >
      {page.items.map((item, i) => {
        // Items are painted in one order: their place is their name.
        const key = i;
        if (item.is === 'text')
          return (
            <text
              key={key}
              x={item.x}
              y={item.y}
              fontSize={item.pt * MM}
              fontWeight={item.bold ? 700 : 400}
              fill={item.grey ? '#595959' : '#000'}
            >
              {item.text}
            </text>
          );
        if (item.is === 'rule')
          return (
            <path key={key} d={`M${item.x} ${item.y}h${item.width}`} stroke="#000" strokeWidth={item.thick} />
          );
        if (item.is === 'box')
          return (
            <rect
              key={key}
              x={item.x}
              y={item.y}
              width={item.width}
              height={item.height}
              fill="none"
              stroke="#000"
              strokeWidth={0.35}
            />
          );
        if (item.is === 'arrow')
          return (
            <path
              key={key}
              d={`M${item.x} ${item.y}h${item.width}m${-ARROW_HEAD} ${-ARROW_HEAD}l${ARROW_HEAD} ${ARROW_HEAD}l${-ARROW_HEAD} ${ARROW_HEAD}`}
              fill="none"
              stroke="#000"
              strokeWidth={0.4}
            />
          );
        if (item.is === 'code')
          return (
            <path
              key={key}
              transform={`translate(${item.x} ${item.y}) scale(${item.size / item.cells.length})`}
              d={cellsPath(item.cells)}
            />
          );
        const { figure, frame, t } = item.still;
        return (
          <svg
            key={key}
            x={item.x}
            y={item.y}
            width={item.width}
            height={item.height}
            viewBox={frame.join(' ')}
            aria-hidden
          >
            <FigureShapes figure={figure} t={t} colours={PAPER} floor={[frame[0], frame[2]]} />
          </svg>
        );
      })}
    </svg>
  );
});
