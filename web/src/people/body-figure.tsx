import { BODY, BODY_PLACES, type BodyPlace, type Side } from '@inner-rung/core/person';

/** Where a place is on the figure, seen as one faces them: their right is on the left. */
const AT: Readonly<Record<BodyPlace, { x: number; y: number; pair?: number }>> = {
  head: { x: 100, y: 26 },
  neck: { x: 100, y: 58 },
  shoulder: { x: 100, y: 80, pair: 36 },
  'upper back': { x: 100, y: 98 },
  elbow: { x: 100, y: 132, pair: 54 },
  belly: { x: 88, y: 140 },
  'lower back': { x: 112, y: 166 },
  wrist: { x: 100, y: 182, pair: 62 },
  hip: { x: 100, y: 192, pair: 22 },
  knee: { x: 100, y: 266, pair: 21 },
  ankle: { x: 100, y: 338, pair: 22 },
};

const spots = BODY_PLACES.flatMap((place) => {
  const { x, y, pair } = AT[place];
  return pair
    ? ([
        { place, side: 'right' as Side, x: x - pair, y },
        { place, side: 'left' as Side, x: x + pair, y },
      ] as const)
    : [{ place, side: 'both' as Side, x, y }];
});

export const placeWords = (place: BodyPlace, side: Side): string =>
  side === 'both' || !BODY[place].sided
    ? BODY[place].name
    : `${side === 'left' ? 'Left' : 'Right'} ${BODY[place].name.toLowerCase()}`;

/** A person facing you, to point at where it hurts. */
export function BodyFigure(props: {
  on: readonly { place: BodyPlace; side: Side }[];
  onPoint: (place: BodyPlace, side: Side) => void;
}) {
  return (
    <figure className="mx-auto w-full max-w-64">
      {/* biome-ignore lint/a11y/useSemanticElements: a drawing groups its buttons itself */}
      <svg viewBox="0 0 200 372" className="w-full" role="group" aria-label="Point at the place">
        <g fill="none" stroke="var(--lane-2)" strokeWidth="27" strokeLinecap="round" strokeLinejoin="round">
          <path d="M100 88V170" strokeWidth="50" />
          <path d="M66 82 48 132 38 182M134 82l18 50 10 50" strokeWidth="17" />
          <path d="M86 190 79 266 78 334M114 190l7 76 1 68" strokeWidth="23" />
          <path d="M78 348h-8M122 348h8" strokeWidth="15" />
          <path d="M100 54v10" strokeWidth="18" />
        </g>
        <ellipse cx="100" cy="28" rx="19" ry="23" fill="var(--lane-2)" />
        {spots.map(({ place, side, x, y }) => {
          const on = props.on.some((o) => o.place === place && (o.side === side || o.side === 'both'));
          return (
            // biome-ignore lint/a11y/useSemanticElements: a button can't stand inside a drawing
            <g
              key={`${place}/${side}`}
              role="button"
              tabIndex={0}
              aria-pressed={on}
              aria-label={placeWords(place, side)}
              className="cursor-pointer"
              onClick={() => props.onPoint(place, side)}
              onKeyDown={(event) => {
                if (event.key !== 'Enter' && event.key !== ' ') return;
                event.preventDefault();
                props.onPoint(place, side);
              }}
            >
              <title>{placeWords(place, side)}</title>
              <circle cx={x} cy={y} r="18" fill="transparent" />
              <circle
                cx={x}
                cy={y}
                r={on ? 11 : 7}
                fill={on ? 'var(--color-primary)' : 'var(--color-base-100)'}
                stroke="var(--line)"
                strokeWidth="2.500"
              />
              {on && (
                <path
                  d={`M${x - 4.5} ${y - 4.5}l9 9m0-9-9 9`}
                  stroke="var(--color-primary-content)"
                  strokeWidth="2.600"
                  strokeLinecap="round"
                />
              )}
            </g>
          );
        })}
        <text x="8" y="366" fontSize="11" fill="var(--quiet)">
          their right
        </text>
        <text x="192" y="366" fontSize="11" textAnchor="end" fill="var(--quiet)">
          their left
        </text>
      </svg>
    </figure>
  );
}
