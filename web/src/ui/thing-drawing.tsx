import type { Drawing } from '@inner-rung/core/room';

/** Lines of each thing on a field of 48 by 48, drawn with one pen. */
const LINES: Readonly<Record<Drawing, string>> = {
  wall: 'M6 8h36v32H6zM6 19h36M6 30h36M18 8v11M30 19v11M18 30v10M32 8v11M10 30v10',
  rail: 'M4 16h40M10 16v26M24 16v26M38 16v26M4 28h40',
  bar: 'M8 44V10M40 44V10M4 10h40',
  chair: 'M16 6v24h18M16 30v14M34 30v14M16 18h4',
  armchair: 'M14 6v24h20M14 30v14M34 30v14M14 19h20v11',
  bench: 'M5 22h38M10 22v16M38 22v16M5 22v5h38v-5',
  sofa: 'M6 40V22c0-4 6-4 6 0v6h24v-6c0-4 6-4 6 0v18zM12 22v-8h24v8',
  bed: 'M5 40V14M5 28h38v12M5 34h38M9 28v-6h12v6',
  step: 'M6 24h36v8H6zM10 32v8h8v-8M30 32v8h8v-8',
  stairs: 'M4 42h10V32h10V22h10V12h10',
  box: 'M8 16l16-8 16 8v20l-16 8-16-8zM8 16l16 8 16-8M24 24v20',
  dumbbell: 'M14 24h20M8 15h6v18H8zM34 15h6v18h-6zM4 20v8M44 20v8',
  bell: 'M18 18c0-10 12-10 12 0M16 20h16c10 8 8 22-2 22H18c-10 0-12-14-2-22z',
  barbell: 'M3 24h42M9 12v24M14 15v18M39 12v24M34 15v18',
  plate: 'M24 7a17 17 0 1 0 .1 0zM24 20a4 4 0 1 0 .1 0z',
  ball: 'M24 7a17 17 0 1 0 .1 0zM9 18c9 6 21 6 30 0M14 37c6-8 6-18 2-27',
  bag: 'M10 18h28l3 24H7zM17 18v-4c0-8 14-8 14 0v4',
  bottle: 'M20 4h8v8c6 4 6 8 6 12v20H14V24c0-4 0-8 6-12zM14 30h20',
  tin: 'M12 10h24v30H12zM12 16h24M12 34h24',
  band: 'M6 34c6-22 30-22 36 0M6 34c4 4 8 4 8 0M42 34c-4 4-8 4-8 0',
  loop: 'M24 8c14 0 14 32 0 32S10 8 24 8zM24 13c8 0 8 22 0 22s-8-22 0-22z',
  straps: 'M24 4v10M24 14L13 34M24 14l11 20M8 34h10M30 34h10M10 34v6h6v-6M32 34v6h6v-6',
  anchor: 'M8 4v40M8 22h6c16 0 10 14 28 12M14 18v8',
  mat: 'M6 34l8-18h28l-8 18zM10 37h26',
  cushion: 'M10 12c9 3 19 3 28 0-3 9-3 15 0 24-9-3-19-3-28 0 3-9 3-15 0-24z',
  roller: 'M12 16h24c6 0 6 18 0 18H12c-6 0-6-18 0-18zM36 16c-6 0-6 18 0 18',
  towel: 'M12 6h24v30H12zM12 30h24M16 36v6M22 36v6M28 36v6M34 36v6',
  stick: 'M6 42L42 6M6 42l4-1M42 6l-1 4',
  rope: 'M8 8v12M40 8v12M8 20c0 30 32 30 32 0M6 8h4M38 8h4',
  slider: 'M24 18c16 0 20 6 20 9s-4 9-20 9S4 30 4 27s4-9 20-9zM14 26h20',
  cone: 'M22 8h4l10 30H12zM6 40h36M17 24h14M14.500 32h19',
  marks: 'M12 4v40M36 4v40M12 12h24M12 24h24M12 36h24',
  worktop: 'M4 14h40v6H4zM8 20v24M40 20v24M24 20v24M14 28h4M30 28h4',
  book: 'M8 10c6-3 12-3 16 1 4-4 10-4 16-1v28c-6-3-12-3-16 1-4-4-10-4-16-1zM24 11v28',
};

export function ThingDrawing(props: { drawing: Drawing; className?: string }) {
  return (
    <svg
      viewBox="0 0 48 48"
      aria-hidden="true"
      className={props.className ?? 'h-12 w-12'}
      fill="none"
      stroke="currentColor"
      strokeWidth="2.600"
      strokeLinecap="round"
      strokeLinejoin="round"
    >
      <path d={LINES[props.drawing]} />
    </svg>
  );
}
