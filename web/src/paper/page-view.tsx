import { frameOf, shapesOf } from '@inner-rung/core/figure';
import { MM, type Page } from '@inner-rung/core/paper';
import { memo } from 'react';

const TONE = { near: '#000', far: '#999', thing: '#d9d9d9', line: 'none' } as const;

/** A page as it prints, in its own millimetres. */
export const PageView = memo(function PageView(props: { page: Page; says: string }) {
  const { page } = props;
  return (
    <svg
      viewBox={`0 0 ${page.width} ${page.height}`}
      className="paper-page block h-auto w-full bg-white shadow-lg print:shadow-none"
      style={{ '--w': `${page.width}mm`, '--h': `${page.height}mm` } as React.CSSProperties}
      role="img"
      aria-label={props.says}
      fontFamily="Helvetica, Arial, 'Liberation Sans', sans-serif"
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
        const [x, y, w, h] = frameOf(item.figure);
        return (
          <svg
            key={key}
            x={item.x}
            y={item.y}
            width={item.width}
            height={item.height}
            viewBox={`${x} ${y} ${w} ${h}`}
            aria-hidden
          >
            <path d={`M${x} 0h${w}`} stroke="#000" strokeWidth={2} />
            {shapesOf(item.figure, item.t).map(({ d, tone, edged }, k) => (
              <path
                // biome-ignore lint/suspicious/noArrayIndexKey: shapes are painted in one order
                key={k}
                d={d}
                fill={TONE[tone]}
                {...(tone === 'line'
                  ? { stroke: '#000', strokeWidth: 2.5 }
                  : edged
                    ? { stroke: '#fff', strokeWidth: 3, paintOrder: 'stroke' }
                    : {})}
              />
            ))}
          </svg>
        );
      })}
    </svg>
  );
});
