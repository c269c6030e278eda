import { ACROSS } from './across.ts';
import { FLOOR } from './floor.ts';
import type { Figures } from './kit.ts';
import { MORE } from './more.ts';
import { PUSH } from './push.ts';
import { RISE } from './rise.ts';
import { SEATED } from './seated.ts';
import { SQUAT } from './squat.ts';
import { UPRIGHT } from './upright.ts';

/** Every figure that is drawn, by its move. */
export const FIGURES: Figures = {
  ...UPRIGHT,
  ...FLOOR,
  ...SQUAT,
  ...PUSH,
  ...MORE,
  ...RISE,
  ...ACROSS,
  ...SEATED,
};
