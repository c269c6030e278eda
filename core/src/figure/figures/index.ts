import { ACROSS } from './across.ts';
import { alike } from './alike.ts';
import { FLOOR } from './floor.ts';
import { HIDDEN } from './hidden.ts';
import type { Figures } from './kit.ts';
import { MORE } from './more.ts';
import { NAMED } from './named.ts';
import { PUSH } from './push.ts';
import { RISE } from './rise.ts';
import { SEATED } from './seated.ts';
import { FAR_WORKS } from './sides.ts';
import { SQUAT } from './squat.ts';
import { STRONG_SEATED } from './strong-seated.ts';
import { UPRIGHT } from './upright.ts';

const DRAWN: Figures = {
  ...UPRIGHT,
  ...FLOOR,
  ...SQUAT,
  ...PUSH,
  ...MORE,
  ...RISE,
  ...ACROSS,
  ...SEATED,
  ...NAMED,
  ...STRONG_SEATED,
};

const PLAIN: Figures = { ...DRAWN, ...alike(DRAWN) };

const MARKED: Figures = {
  ...PLAIN,
  ...Object.fromEntries(
    Object.entries(HIDDEN).map(([id, hidden]) => [
      id,
      (height: number) => ({ ...PLAIN[id]!(height), hidden }),
    ]),
  ),
};

/** Every figure, by its move, with what its view hides and which limb does it. */
export const FIGURES: Figures = {
  ...MARKED,
  ...Object.fromEntries(
    [...FAR_WORKS].map((id) => [id, (height: number) => ({ ...MARKED[id]!(height), works: 'far' as const })]),
  ),
};
