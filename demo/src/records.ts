import type { SessionRecord } from '@inner-rung/core/log';

type Piece = SessionRecord['results'][number]['pieces'][number];

const piece = (
  entry: number,
  move: string,
  seconds: number,
  reps: number | null,
  surfaceCm?: number,
): Piece => ({
  entry,
  move,
  ...(surfaceCm === undefined ? {} : { settings: { surfaceCm } }),
  seconds,
  reps,
  counted: true,
});

/** What each did on the last Tuesdays, by weeks ago: effort, and their forms at three of the stations. */
const DONE: Readonly<
  Record<
    string,
    { readonly effort: readonly (number | null)[]; readonly pieces: readonly Piece[]; readonly pain?: string }
  >
> = {
  'maud-ellery': {
    effort: [4, 4, 5, 4],
    pieces: [
      piece(0, 'step-jack-low', 80, 44),
      piece(1, 'sit-to-stand', 80, 18, 43),
      piece(2, 'raised-push-up', 80, 18, 75),
    ],
  },
  'tomas-wick': {
    effort: [6, 6, 8, 6],
    pieces: [
      piece(0, 'jumping-jack', 80, 72),
      piece(1, 'squat', 80, 26),
      piece(6, 'forearm-plank', 80, null),
    ],
    pain: 'right wrist',
  },
  'ines-calloway': {
    effort: [4, 6, 4, null],
    pieces: [piece(0, 'step-jack', 80, 60), piece(1, 'sit-to-stand', 80, 20, 43)],
  },
  'saskia-dorn': {
    effort: [6, 6, 4, 6],
    pieces: [piece(0, 'jumping-jack', 80, 72), piece(1, 'squat', 80, 27), piece(2, 'push-up', 80, 26)],
  },
};

/** Four Tuesdays of the evening class before a day (YYYY-MM-DD). */
export function recordsBefore(day: string): SessionRecord[] {
  return [4, 3, 2, 1].map((weeks, k): SessionRecord => {
    const on = new Date(Date.parse(`${day}T00:00:00Z`) - weeks * 7 * 86_400_000).toISOString().slice(0, 10);
    return {
      version: 2,
      id: `tuesday-ten-week-${k + 1}`,
      run: null,
      plan: 'tuesday-ten',
      title: 'Tuesday ten',
      group: 'tuesday-evening',
      on,
      minutes: 20.3,
      results: Object.entries(DONE).map(([person, { effort, pieces, pain }], i) => ({
        id: `r${i + 1}`,
        person,
        known: '',
        present: !(person === 'ines-calloway' && weeks === 3),
        effort: effort[k] ?? null,
        clean: true,
        range: 'full',
        pain: pain && weeks === 2 ? { where: pain, note: '' } : null,
        sign: null,
        note: '',
        pieces: [...pieces],
        counts: [],
        share: 1,
        left: false,
        corrections: [],
      })),
    };
  });
}
