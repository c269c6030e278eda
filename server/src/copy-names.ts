import { mkdirSync } from 'node:fs';
import { join } from 'node:path';

/** Why a copy was made. */
const REASONS = ['start', 'daily', 'asked', 'before-update', 'before-restoring', 'brought-in'] as const;
export type Reason = (typeof REASONS)[number];

/** `2026-11-29T22-10-00-000Z-start.sqlite`: when, and why. */
export const COPY_NAME = new RegExp(
  `^(\\d{4}-\\d{2}-\\d{2}T\\d{2}-\\d{2}-\\d{2}-\\d{3}Z)-(${REASONS.join('|')})\\.sqlite$`,
);
export const stampOf = (ms: number): string => new Date(ms).toISOString().replace(/[:.]/g, '-');
export const timeOf = (stamp: string): string =>
  stamp.replace(/T(\d\d)-(\d\d)-(\d\d)-(\d{3})Z$/, 'T$1:$2:$3.$4Z');

/** Where the copies of a data folder are; made if need be, for this user alone. */
export function copiesIn(dataFolder: string): string {
  const folder = join(dataFolder, 'copies');
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  return folder;
}
