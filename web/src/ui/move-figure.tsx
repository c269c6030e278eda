import { ALONG_REACH, figureWords, frameOf, type Shown, stripOf, turns } from '@inner-rung/core/figure';
import { otherSide } from '@inner-rung/core/pose';
import { useEffect, useMemo, useRef, useState } from 'react';
import { FigureShapes, SeenAlong, THEME } from './figure-shapes.tsx';

const still = () => matchMedia('(prefers-reduced-motion: reduce)').matches;
/** A rep slower than this is shown at this pace: nobody waits ten seconds for a picture, s. */
const SLOWEST = 6;
const QUICKEST = 0.8;

/**
 * A move's figure: moving at its own tempo where that is wanted, else its first and furthest pose side by side with an
 * arrow between. Still where the system asks for less motion, and while a pointer or the keyboard is on it.
 */
export function MoveFigure(props: { shown: Shown; name: string; moving?: boolean; className?: string }) {
  const { shown, name } = props;
  const { figure } = shown;
  const moves = (props.moving ?? false) && figure.poses.length > 1 && !still();
  const says = `${name}${shown.like ? ` (drawn as ${shown.like.name.toLowerCase()})` : ''}. ${figureWords(figure)}`;
  return moves ? (
    <Moving shown={shown} says={says} className={props.className ?? ''} />
  ) : (
    <Stills shown={shown} says={says} className={props.className ?? ''} />
  );
}

/** Room over a figure that turns, for how it is seen along the spine, in the units of the drawing. */
const ALONG = 2 * ALONG_REACH + 8;

function Moving(props: { shown: Shown; says: string; className: string }) {
  const { figure, repSeconds, alternates } = props.shown;
  const other = useMemo(() => (alternates ? otherSide(figure) : figure), [figure, alternates]);
  const frame = useMemo(() => {
    const [a, b] = [frameOf(figure), frameOf(other)];
    const left = Math.min(a[0], b[0]);
    const right = Math.max(a[0] + a[2], b[0] + b[2]);
    const over = turns(figure) ? ALONG : 0;
    const top = Math.min(a[1], b[1]) - over;
    return [left, top, right - left, Math.max(a[1] + a[3], b[1] + b[3]) - top] as const;
  }, [figure, other]);
  const [t, setT] = useState(0);
  const held = useRef(false);
  useEffect(() => {
    const period = Math.min(SLOWEST, Math.max(QUICKEST, repSeconds ?? 2)) * 1000;
    let request = 0;
    let at = 0;
    let last: number | null = null;
    const step = (time: number) => {
      if (last !== null && !held.current) {
        at = (at + (time - last) / period) % 2;
        setT(at);
      }
      last = time;
      request = requestAnimationFrame(step);
    };
    request = requestAnimationFrame(step);
    return () => cancelAnimationFrame(request);
  }, [repSeconds]);
  const hold = (on: boolean) => () => {
    held.current = on;
  };
  return (
    <svg
      viewBox={frame.join(' ')}
      className={props.className}
      role="img"
      aria-label={props.says}
      // biome-ignore lint/a11y/noNoninteractiveTabindex: stops while it has the keyboard
      tabIndex={0}
      onFocus={hold(true)}
      onBlur={hold(false)}
      onPointerEnter={hold(true)}
      onPointerLeave={hold(false)}
      data-figure="moving"
    >
      <FigureShapes
        figure={t < 1 ? figure : other}
        t={t < 1 ? t : t - 1}
        colours={THEME}
        floor={[frame[0], frame[2]]}
      />
      {turns(figure) && (
        <SeenAlong
          figure={t < 1 ? figure : other}
          t={t < 1 ? t : t - 1}
          x={frame[0] + frame[2] / 2}
          y={frame[1] + ALONG / 2}
        />
      )}
    </svg>
  );
}

/** Room between two stills for the arrow from one to the next, in the units of the drawing. */
const GAP = 34;
const HEAD = 8;

function Stills(props: { shown: Shown; says: string; className: string }) {
  const { figure } = props.shown;
  const strip = stripOf(figure);
  const [, top, , tall] = strip[0]!.frame;
  const over = turns(figure) ? ALONG : 0;
  const [y, height] = [top - over, tall + over];
  let along = 0;
  const places = strip.map(({ frame }) => {
    const place = along;
    along += frame[2] + GAP;
    return place;
  });
  const width = along - GAP;
  return (
    <svg
      viewBox={`0 ${y} ${width} ${height}`}
      className={props.className}
      role="img"
      aria-label={props.says}
      data-figure="still"
    >
      {!figure.above && <path d={`M0 0h${width}`} stroke="var(--figure-near)" strokeWidth={2} />}
      {strip.map((still, i) => (
        <g key={still.t} transform={`translate(${places[i]! - still.frame[0]} 0)`}>
          <FigureShapes figure={still.figure} t={still.t} colours={THEME} />
          {over > 0 && (
            <SeenAlong
              figure={figure}
              t={still.t}
              x={still.frame[0] + still.frame[2] / 2}
              y={y + ALONG / 2}
            />
          )}
        </g>
      ))}
      {places.slice(1).map((place) => (
        <path
          key={place}
          d={`M${place - GAP + 5} ${y + height * 0.3}h${GAP - 10}m${-HEAD - 1} ${-HEAD}l${HEAD + 1} ${HEAD}l${-HEAD - 1} ${HEAD}`}
          fill="none"
          stroke="var(--figure-near)"
          strokeWidth={3}
        />
      ))}
    </svg>
  );
}
