import {
  addedPose,
  dragged,
  type FigureFinding,
  type HandleId,
  handlesOf,
  heightFault,
  SCALE,
  shapesOfPose,
} from '@inner-rung/core/figure';
import { type DrawnFigure, faultsOf, MOST_POSES, type Prop, solve, touchesOf } from '@inner-rung/core/pose';
import { Plus, Trash2, Undo2 } from 'lucide-react';
import { type KeyboardEvent, type PointerEvent, useEffect, useRef, useState } from 'react';
import { Num } from '../ui/fields.tsx';
import { PaintedShapes, THEME } from '../ui/figure-shapes.tsx';

/** What is seen while a pose is set, m: room to either side of somebody and above their raised hands. */
const WINDOW = { left: -1.5, right: 1.5, top: 2.3, low: -0.12 } as const;
const BY = { fine: 0.01, coarse: 0.05 } as const;
/** The highest bar that is drawn, cm. */
const HIGHEST_BAR = 260;
const PART = {
  foot: 'foot',
  knee: 'knee',
  hip: 'seat',
  back: 'back',
  hand: 'hand',
  elbow: 'forearm',
  chest: 'front',
} as const;

const NEW: readonly { readonly says: string; readonly prop: Prop }[] = [
  { says: 'a mat', prop: { is: 'mat', from: -1.1, to: 1.1 } },
  { says: 'a chair', prop: { is: 'seat', x: 0, height: 0.45, back: true } },
  { says: 'an armchair', prop: { is: 'seat', x: 0, height: 0.45, back: true, arms: true } },
  { says: 'a step', prop: { is: 'step', from: 0.3, to: 0.8, height: 0.2 } },
  { says: 'a worktop, bench or box', prop: { is: 'surface', from: 0.5, to: 1, height: 0.45 } },
  { says: 'a wall', prop: { is: 'wall', x: 0.6 } },
  { says: 'a rail to hold', prop: { is: 'hold', x: 0.5, height: 0.95 } },
  { says: 'a bar', prop: { is: 'bar', x: 0, height: 2.2 } },
  { says: 'a cushion', prop: { is: 'cushion', x: 0 } },
  { says: 'a weight in each hand', prop: { is: 'dumbbell', in: 'both' } },
  { says: 'a weight in both hands', prop: { is: 'bell', in: 'both' } },
  { says: 'a bottle in one hand', prop: { is: 'bottle', in: 'near' } },
  { says: 'a ball', prop: { is: 'ball', in: 'both' } },
  { says: 'a towel', prop: { is: 'towel', in: 'both' } },
  { says: 'a line on the floor', prop: { is: 'mark', x: 0 } },
  { says: 'a skipping rope', prop: { is: 'rope' } },
  { says: 'a band from ahead', prop: { is: 'band', from: [1, 1.2], in: 'both' } },
];
const KINDS: Readonly<Record<Prop['is'], string>> = {
  mat: 'Mat',
  seat: 'Chair',
  surface: 'Worktop, bench or box',
  step: 'Step',
  wall: 'Wall',
  hold: 'Rail to hold',
  bar: 'Bar',
  cushion: 'Cushion',
  dumbbell: 'Weights',
  bell: 'Weight',
  bottle: 'Bottle',
  ball: 'Ball',
  towel: 'Towel',
  stick: 'Stick',
  band: 'Band',
  loop: 'Short band',
  mark: 'Line on the floor',
  rope: 'Skipping rope',
};

const xOf = (prop: Prop): number | null =>
  'x' in prop ? prop.x : 'from' in prop && 'to' in prop ? prop.from : null;
function movedTo(prop: Prop, x: number): Prop {
  if ('x' in prop) return { ...prop, x };
  if ('from' in prop && 'to' in prop) return { ...prop, from: x, to: x + (prop.to - prop.from) };
  return prop;
}

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
  const [tooHigh, setTooHigh] = useState<string | null>(null);
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
  /** A bar hangs where it hangs; everything else is got on to, leant on or held. */
  const raise = (i: number, prop: Extract<Prop, { height: number }>, cm: number) => {
    const fault = prop.is === 'bar' && cm >= 0 && cm <= HIGHEST_BAR ? null : heightFault(cm);
    setTooHigh(fault);
    if (!fault) setProp(i, { ...prop, height: cm / 100 });
  };
  const setProp = (i: number, next: Prop | null) => {
    setTooHigh(null);
    keep({ ...draft, props: draft.props.flatMap((p, k) => (k === i ? (next ? [next] : []) : [p])) });
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
            const { flight: _, ...rest } = draft;
            keep({ ...rest, poses: draft.poses.filter((_, i) => i !== at) });
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
      <fieldset className="mt-2">
        <legend className="quiet text-sm">Beside it</legend>
        {draft.props.map((prop, i) => {
          const x = xOf(prop);
          return (
            // biome-ignore lint/suspicious/noArrayIndexKey: things have no name but their place
            <div key={i} className="mt-1 flex flex-wrap items-end gap-2">
              <span className="min-w-28 flex-1 self-center">{KINDS[prop.is]}</span>
              {x !== null && (
                <Num
                  label="along, cm"
                  value={Math.round(x * 100)}
                  onValue={(v) => setProp(i, movedTo(prop, v / 100))}
                />
              )}
              {'height' in prop && (
                <Num
                  label="height, cm"
                  value={Math.round(prop.height * 100)}
                  onValue={(v) => raise(i, prop, v)}
                />
              )}
              <button
                type="button"
                className="btn btn-sm touch"
                aria-label={`Take away: ${KINDS[prop.is]}`}
                onClick={() => setProp(i, null)}
              >
                <Trash2 size={17} aria-hidden />
              </button>
            </div>
          );
        })}
        {tooHigh && (
          <p role="alert" className="text-sm font-semibold text-error">
            {tooHigh}
          </p>
        )}
        <select
          className="select touch mt-1 w-full"
          aria-label="Something beside it"
          value=""
          onChange={(e) => {
            const made = NEW.find((n) => n.says === e.target.value);
            if (made) keep({ ...draft, props: [...draft.props, made.prop] });
          }}
        >
          <option value="">something more beside it…</option>
          {NEW.map(({ says: name }) => (
            <option key={name}>{name}</option>
          ))}
        </select>
      </fieldset>
      <button type="button" className="btn btn-sm touch mt-2" onClick={props.onAway}>
        <Undo2 size={17} aria-hidden /> Take my drawing away
      </button>
    </section>
  );
}
