import { BANDS, bandOfRpe, type LevelIndex } from '../person/index.ts';
import type { Plan } from './plan.ts';

type Aim = NonNullable<Plan['aim']>;

const felt = (effort: number): string => `${effort} of 10, ${BANDS[bandOfRpe(effort)].talk}`;

/** How hard a session is meant to feel, said to all: "8 of 10, short sentences; new to this 6 of 10, could chat". */
export const aimWords = ({ effort, newcomers }: Aim): string =>
  newcomers === undefined || newcomers === effort
    ? felt(effort)
    : `${felt(effort)}; new to this ${felt(newcomers)}`;

/**
 * What one person aims for on 0–10: the session's aim, or that of newcomers on the first level, and never more than what
 * holds them back allows. Null where nothing is aimed for.
 */
export function aimFor(aim: Aim | undefined, level: LevelIndex, most: number): number | null {
  if (!aim) return null;
  return Math.min(level === 0 ? (aim.newcomers ?? aim.effort) : aim.effort, most);
}
