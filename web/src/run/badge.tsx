/** Shapes that are told apart from eight metres, as paths in a square of 24. */
const SHAPES = [
  { says: 'circle', path: 'M12 1a11 11 0 1 0 0 22a11 11 0 0 0 0-22z' },
  { says: 'square', path: 'M2 2h20v20h-20z' },
  { says: 'triangle', path: 'M12 0l12 23h-24z' },
  { says: 'diamond', path: 'M12 0l12 12l-12 12l-12-12z' },
  { says: 'shield', path: 'M2 1h20v13l-10 10l-10-10z' },
] as const;
/** Dark enough for a white number on them, in print and on a beamer. */
const COLOURS = [
  { says: 'rust', fill: '#a8320f' },
  { says: 'teal', fill: '#00645a' },
  { says: 'violet', fill: '#5a3a8c' },
  { says: 'ochre', fill: '#7d5200' },
] as const;

/** What somebody goes by without their name: a number, a shape and a colour, none of which another has with the same two. */
const badgeOf = (n: number) => ({
  shape: SHAPES[(n - 1) % SHAPES.length]!,
  colour: COLOURS[(n - 1) % COLOURS.length]!,
});

/** A number in its shape and colour. */
export function Badge({ n, className = '' }: { n: number; className?: string }) {
  const { shape, colour } = badgeOf(n);
  return (
    <svg
      viewBox="-1 -1 26 26"
      className={className}
      role="img"
      aria-label={`${n}, ${colour.says} ${shape.says}`}
      data-badge={n}
    >
      <path d={shape.path} fill={colour.fill} stroke="#fff" strokeWidth="1.2" />
      <text
        x="12"
        y={shape.says === 'triangle' ? 20 : 16.6}
        textAnchor="middle"
        fontSize={n > 9 ? 11 : 13}
        fontWeight="700"
        fill="#fff"
      >
        {n}
      </text>
    </svg>
  );
}
