import {
  ALONG_REACH,
  addedPose,
  dragged,
  type FigureFinding,
  type HandleId,
  handlesOf,
  SCALE,
  shapesOfPose,
  turns,
  withoutPose,
} from '@inner-rung/core/figure';
import { type DrawnFigure, faultsOf, MOST_POSES, momentOf, solve, touchesOf } from '@inner-rung/core/pose';
import { Plus, Trash2, Undo2 } from 'lucide-react';
import { type KeyboardEvent, type PointerEvent, useEffect, useRef, useState } from 'react';
import { PaintedShapes, SeenAlong, THEME } from '../ui/figure-shapes.tsx';
import { FigureProps } from './figure-beside.tsx';
import { BY, PART, WINDOW } from './figure-props.ts';
import { FigureTurns } from './figure-turns.tsx';

/**
 * A trainer's own drawing: joints taken by the hand or the keyboard, contacts held while the rest moves, each pose
 * checked as it is made. Only what can be is kept.
 */
export function FigureEditor(props: {
  drawing: DrawnFigure;
  findings: readonly FigureFinding[];
  /** With the name of the step, so that undo takes back one thing at a time. */
  onKeep: (drawing: DrawnFigure, says: string) => void;
  onAway: () => void;
}) {
  const [draft, setDraft] = useState(props.drawing);
  const [index, setIndex] = useState(0);
  const [says, setSays] = useState<string | null>(null);
  const svg = useRef<SVGSVGElement>(null);
  const kept = useRef(JSON.stringify(props.drawing));
  const held = useRef<{ id: HandleId; before: DrawnFigure } | null>(null);
  const at = Math.min(index, draft.poses.length - 1);
  const solved = solve(draft.poses[at]!, draft.view);
  const touches = [
    ...new Set(
      touchesOf(draft, solved).map((t) =>
        t.side === null ? PART[t.part] : `${t.side === 0 ? 'near' : 'far'} ${PART[t.part]}`,
      ),
    ),
  ];
  const faults = faultsOf(draft);

  const keep = (next: DrawnFigure, step = 'Change the drawing') => {
    setDraft(next);
    if (faultsOf(next).length > 0) return;
    kept.current = JSON.stringify(next);
    props.onKeep(next, step);
  };
  // Undone or done again from outside, what is kept is what is drawn.
  useEffect(() => {
    const now = JSON.stringify(props.drawing);
    if (now === kept.current) return;
    kept.current = now;
    setDraft(props.drawing);
    setSays(null);
  }, [props.drawing]);
  const place = (event: PointerEvent): [number, number] => {
    const box = svg.current!.getBoundingClientRect();
    const width = WINDOW.right - WINDOW.left;
    const height = WINDOW.top - WINDOW.low;
    return [
      WINDOW.left + ((event.clientX - box.left) / box.width) * width,
      WINDOW.top - ((event.clientY - box.top) / box.height) * height,
    ];
  };
  const pull = (id: HandleId, to: readonly [number, number], step: string | null) => {
    const came = dragged(draft, at, id, to);
    setSays(came.says);
    if (step) keep(came.figure, step);
    else setDraft(came.figure);
  };
  const byKey = (id: HandleId, from: readonly [number, number]) => (event: KeyboardEvent) => {
    const by = event.shiftKey ? BY.coarse : BY.fine;
    const step = {
      ArrowLeft: [-by, 0],
      ArrowRight: [by, 0],
      ArrowUp: [0, by],
      ArrowDown: [0, -by],
    }[event.key];
    if (!step) return;
    event.preventDefault();
    // Presses in a row are one step.
    pull(id, [from[0] + step[0]!, from[1] + step[1]!], `Nudge the ${id}…`);
  };

  return (
    <section aria-label="Draw it" className="mt-2">
      <fieldset className="flex flex-wrap items-center gap-1">
        <legend className="quiet text-sm">Key poses, in the order of one rep</legend>
        {draft.poses.map((_, i) => (
          <button
            // biome-ignore lint/suspicious/noArrayIndexKey: poses have no name but their place
            key={i}
            type="button"
            className={`btn btn-sm touch min-w-11 ${i === at ? 'btn-neutral' : ''}`}
            aria-pressed={i === at}
            onClick={() => setIndex(i)}
          >
            {i + 1}
          </button>
        ))}
        <button
          type="button"
          className="btn btn-sm touch"
          disabled={draft.poses.length >= MOST_POSES}
          onClick={() => {
            const next = addedPose(draft, at);
            if (!next) return;
            keep(next);
            setIndex(at + 1);
          }}
        >
          <Plus size={17} aria-hidden /> Pose after this
        </button>
        <button
          type="button"
          className="btn btn-sm touch"
          disabled={draft.poses.length === 1}
          onClick={() => {
            keep(withoutPose(draft, at));
            setIndex(Math.max(0, at - 1));
          }}
        >
          <Trash2 size={17} aria-hidden /> This pose
        </button>
        <label className="ml-auto flex min-h-11 items-center gap-2 text-sm">
          <input
            type="checkbox"
            className="checkbox"
            checked={draft.back}
            onChange={(e) => keep({ ...draft, back: e.target.checked })}
          />
          and back the same way
        </label>
      </fieldset>
      {/* biome-ignore lint/a11y/useSemanticElements: a drawing whose parts are taken hold of */}
      <svg
        ref={svg}
        viewBox={`${WINDOW.left * SCALE} ${-WINDOW.top * SCALE} ${(WINDOW.right - WINDOW.left) * SCALE} ${(WINDOW.top - WINDOW.low) * SCALE}`}
        className="mt-1 w-full touch-none border-2 border-base-300 bg-base-100"
        role="group"
        aria-label={`Pose ${at + 1}: drag a joint, or choose it and use the arrow keys`}
        onPointerMove={(e) => held.current && pull(held.current.id, place(e), null)}
        onPointerUp={(e) => {
          if (held.current) pull(held.current.id, place(e), `Move the ${held.current.id}`);
          held.current = null;
        }}
        onPointerCancel={() => {
          if (held.current) setDraft(held.current.before);
          held.current = null;
        }}
      >
        {!draft.above && (
          <path
            d={`M${WINDOW.left * SCALE} 0H${WINDOW.right * SCALE}`}
            stroke="var(--figure-near)"
            strokeWidth={2}
          />
        )}
        <PaintedShapes shapes={shapesOfPose(draft, solved)} colours={THEME} />
        {turns(draft) && (
          <SeenAlong
            figure={draft}
            t={momentOf(draft, at)}
            x={WINDOW.right * SCALE - 1.2 * ALONG_REACH}
            y={-WINDOW.top * SCALE + 1.2 * ALONG_REACH}
          />
        )}
        <path
          d={`M${solved.centre[0] * SCALE} ${-solved.centre[1] * SCALE}V0`}
          stroke="var(--color-primary)"
          strokeDasharray="3 3"
          strokeWidth={1.5}
        />
        {handlesOf(draft, at).map(({ id, at: [x, y] }) => (
          // biome-ignore lint/a11y/useSemanticElements: a handle in a drawing
          <g
            key={id}
            role="button"
            tabIndex={0}
            aria-label={`${id}: ${Math.round(x * 100)} cm along, ${Math.round(y * 100)} cm up`}
            className="figure-handle cursor-grab"
            data-handle={id}
            onKeyDown={byKey(id, [x, y])}
            onPointerDown={(e) => {
              e.currentTarget.focus();
              svg.current!.setPointerCapture(e.pointerId);
              held.current = { id, before: draft };
            }}
          >
            <circle cx={x * SCALE} cy={-y * SCALE} r={10} fill="transparent" />
            <circle
              cx={x * SCALE}
              cy={-y * SCALE}
              r={id.includes('elbow') || id.includes('knee') || id === 'back' ? 3 : 4.5}
              fill="var(--color-base-100)"
              stroke="var(--color-primary)"
              strokeWidth={2}
            />
          </g>
        ))}
      </svg>
      <p role="status" className="mt-1 text-sm">
        {touches.length > 0 ? `Touches: ${touches.join(', ')}.` : 'Touches nothing.'}{' '}
        {says && <strong>It goes no further: {says}.</strong>}
      </p>
      {faults.length > 0 && (
        <p role="alert" className="text-sm font-semibold text-error">
          Not kept yet: {faults[0]}.
        </p>
      )}
      {props.findings.map((finding) => (
        <p key={finding.what} className="text-sm">
          <strong>{finding.what}:</strong> {finding.says}.
        </p>
      ))}
      <FigureTurns draft={draft} at={at} onKeep={keep} />
      <FigureProps draft={draft} onKeep={keep} />
      <button type="button" className="btn btn-sm touch mt-2" onClick={props.onAway}>
        <Undo2 size={17} aria-hidden /> Take my drawing away
      </button>
    </section>
  );
}
