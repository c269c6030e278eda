import { type DrawnFigure, type HiddenPart, RANGE_OF, withHidden } from '@inner-rung/core/pose';

const SAYS: Readonly<Record<HiddenPart, string>> = {
  trunk: 'Shoulders turned against the hips',
  head: 'Head turned',
  side: 'Bent to the side',
  cross: 'A leg across the middle',
};
/** What a view from the front shows by itself. */
const FROM_THE_SIDE: ReadonlySet<HiddenPart> = new Set(['side', 'cross']);
const PARTS = Object.keys(SAYS) as HiddenPart[];
const STEP = 5;

/** What a drawing can't show from where it is seen, at one of its poses: set by hand, in degrees. */
export function FigureTurns(props: {
  draft: DrawnFigure;
  at: number;
  onKeep: (next: DrawnFigure, step: string) => void;
}) {
  const { draft, at } = props;
  const mark = draft.hidden?.[at] ?? {};
  const parts = PARTS.filter((part) => draft.view === 'side' || !FROM_THE_SIDE.has(part));
  return (
    <fieldset className="mt-2">
      <legend className="quiet text-sm">What this view hides, at pose {at + 1}</legend>
      <div className="grid gap-x-4 sm:grid-cols-2">
        {parts.map((part) => {
          const degrees = mark[part] ?? 0;
          return (
            <label key={part} className="flex min-h-11 flex-col text-sm">
              <span>
                {SAYS[part]}: <strong>{degrees === 0 ? 'no' : `${Math.abs(degrees)}°`}</strong>
                {degrees !== 0 && (part === 'trunk' || part === 'head') && (degrees > 0 ? ' left' : ' right')}
              </span>
              <input
                type="range"
                className="range range-sm w-full"
                min={part === 'cross' ? 0 : -RANGE_OF[part]}
                max={RANGE_OF[part]}
                step={STEP}
                value={degrees}
                onChange={(e) =>
                  props.onKeep(withHidden(draft, at, part, Number(e.target.value)), `Turn pose ${at + 1}…`)
                }
              />
            </label>
          );
        })}
      </div>
    </fieldset>
  );
}
