import { ACROSS } from './across.ts';
import { alike } from './alike.ts';
import { FLOOR } from './floor.ts';
import type { Figures } from './kit.ts';
import { MORE } from './more.ts';
import { NAMED } from './named.ts';
import { PUSH } from './push.ts';
import { RISE } from './rise.ts';
import { SEATED } from './seated.ts';
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

/** Every figure, by its move. */
export const FIGURES: Figures = { ...DRAWN, ...alike(DRAWN) };
