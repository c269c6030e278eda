/** Small drawn marks of our own; always beside words, so hidden from screen readers. */
const common = {
  viewBox: '0 0 32 32',
  fill: 'none',
  stroke: 'currentColor',
  strokeWidth: 2.6,
  strokeLinecap: 'round',
  className: 'h-7 w-7 shrink-0',
} as const;

/** A foot line and the gap under it. */
export function ImpactMark() {
  return (
    <svg {...common} aria-hidden="true">
      <path d="M4 27h24" />
      <path d="M8 17c5 0 6 2 10 2h6" />
      <path d="M11 23h0M16 23h0M21 23h0" strokeWidth="3" />
    </svg>
  );
}

/** Breath, getting shorter. */
export function EffortMark() {
  return (
    <svg {...common} aria-hidden="true">
      <path d="M4 9c5-5 7 5 12 0s7 5 12 0" />
      <path d="M4 17c3-5 5 5 8 0s5 5 8 0 5 5 8 0" />
      <path d="M4 25c2-4 3 4 5 0s3 4 5 0 3 4 5 0 3 4 5 0 3 4 4 0" />
    </svg>
  );
}

/** Two rails and three rungs, the lowest heavy. */
export function AbilityMark() {
  return (
    <svg {...common} aria-hidden="true">
      <path d="M9 4v24M23 4v24" />
      <path d="M9 9h14M9 16h14" />
      <path d="M9 23h14" strokeWidth="4.500" />
    </svg>
  );
}

export function Mark() {
  return (
    <svg viewBox="0 0 64 64" aria-hidden="true" className="h-9 w-9 shrink-0">
      <path d="M32 5c18 0 26 7 26 27s-8 27-26 27S6 52 6 32 14 5 32 5Z" fill="var(--lane-3)" />
      <path d="M32 15c12 0 17 4 17 17s-5 17-17 17-17-4-17-17 5-17 17-17Z" fill="var(--lane-1)" />
      <path d="M32 24c6 0 8 2 8 8s-2 8-8 8-8-2-8-8 2-8 8-8Z" fill="var(--color-base-100)" />
      <path d="M24 32h16" stroke="var(--color-primary)" strokeWidth="5" strokeLinecap="round" />
    </svg>
  );
}

/** Small marks on rungs: off the floor, down on the floor, on the knees, on the hands. */
const small = {
  ...common,
  className: 'inline-block h-4 w-4 shrink-0 align-[-0.15em]',
  strokeWidth: 3.4,
} as const;

export function FlightMark() {
  return (
    <svg {...small} aria-hidden="true">
      <path d="M4 28h24" />
      <path d="M8 14c5 0 7 2 11 2h6" />
    </svg>
  );
}

export function FloorMark() {
  return (
    <svg {...small} aria-hidden="true">
      <path d="M3 28h26" />
      <path d="M6 20h14" strokeWidth="6" />
      <path d="M26 20h0" strokeWidth="7" />
    </svg>
  );
}
