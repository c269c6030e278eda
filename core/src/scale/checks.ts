import type { Library } from '../ladder/index.ts';
import { rungDemand } from '../ladder/index.ts';
import { floorSeconds, type Limit } from '../person/index.ts';
import type { Block } from '../session/index.ts';
import type { Sums } from './sums.ts';
import type { Version } from './version.ts';

export interface Finding {
  readonly check: string;
  readonly severity: 'stop' | 'mend' | 'note';
  readonly says: string;
  readonly station: number | null;
  /** A change to the format that mends it, when one does. */
  readonly fix: { readonly label: string; readonly restSeconds: number } | null;
}

interface Subject {
  readonly library: Library;
  readonly block: Block;
  readonly version: Version;
  readonly sums: Sums;
  /** Limits of whom it is for; none for a lane. */
  readonly limits?: readonly Limit[];
}

const minutes = (seconds: number) => (seconds % 60 === 0 ? `${seconds / 60} minutes` : `${seconds} s`);

/** Time before or after that somebody needs and a bare circuit doesn't give. */
const around =
  (what: 'warm-up' | 'cool-down', says: (time: string) => string) =>
  (s: Subject): Finding[] => {
    const seconds = floorSeconds(s.limits ?? [], what);
    return seconds > 0
      ? [{ check: what, severity: 'note', station: null, says: says(minutes(seconds)), fix: null }]
      : [];
  };

const nameOf = (s: Subject, station: number) => {
  const id = s.version.uses[station]?.move ?? s.block.stations[station]!.move;
  return s.library.move(id)?.name ?? id;
};

/** What is looked at in every plan, worst first. A check is one entry. */
const CHECKS: Record<string, (s: Subject) => Finding[]> = {
  'no form': (s) =>
    s.version.reasons
      .filter((r) => r.use === null)
      .map((r) => ({
        check: 'no form',
        severity: 'stop',
        station: r.station,
        says: `Station ${r.station + 1}: nothing that still trains this is open to them; it becomes easy movement.`,
        fix: null,
      })),
  'rest too short': (s) => {
    const short = s.sums.changes.filter((change) => change.needs > change.has);
    const worst = short.reduce((a, b) => (b.needs > a.needs ? b : a), short[0]!);
    if (short.length === 0) return [];
    const seams = new Set(short.map((change) => `${change.from}>${change.to}`)).size;
    return [
      {
        check: 'rest too short',
        severity: 'mend',
        station: worst.to,
        says: `${worst.has} s isn’t enough to get from ${nameOf(s, worst.from).toLowerCase()} to ${nameOf(s, worst.to).toLowerCase()}: allow ${worst.needs} s${seams > 1 ? ` (${seams} places)` : ''}.`,
        fix: { label: `Rest ${worst.needs} s`, restSeconds: worst.needs },
      },
    ];
  },
  'rest of their own': (s) => {
    const needs = floorSeconds(s.limits ?? [], 'rest');
    const { restSeconds } = s.block.format;
    return needs > restSeconds
      ? [
          {
            check: 'rest of their own',
            severity: 'mend',
            station: null,
            says: `They need at least ${needs} s of rest after each bout; the clock gives ${restSeconds}.`,
            fix: { label: `Rest ${needs} s`, restSeconds: needs },
          },
        ]
      : [];
  },
  'warm-up': around('warm-up', (time) => `They need ${time} of warm-up, rising slowly, before this begins.`),
  'cool-down': around(
    'cool-down',
    (time) => `They need ${time} of cooling down afterwards, never stopping dead.`,
  ),
  'wrists in a row': (s) => {
    const heavy = s.version.uses.map((use) => {
      if (!use) return false;
      const demand = rungDemand(s.library, { move: use.move, settings: use.settings });
      return demand ? (demand['wrist.load'].hi ?? 100) > 30 : false;
    });
    const n = heavy.length;
    const ring = s.block.format.rounds > 1;
    for (let i = 0; i < n; i++) {
      const run = [0, 1, 2].map((k) => i + k);
      if (run.some((k) => k >= n && !ring) || n < 3) continue;
      if (run.every((k) => heavy[k % n]) && !heavy.every(Boolean))
        return [
          {
            check: 'wrists in a row',
            severity: 'mend',
            station: run[2]! % n,
            says: `Three stations running put weight on the wrists, up to ${nameOf(s, run[2]! % n).toLowerCase()}${run[2]! >= n ? ', across the end of the round' : ''}. Move one apart.`,
            fix: null,
          },
        ];
    }
    return [];
  },
  'nothing pulls': (s) =>
    s.block.stations.length >= 6 &&
    !s.version.uses.some((use) => use && s.library.move(use.move)?.pattern.startsWith('pull'))
      ? [
          {
            check: 'nothing pulls',
            severity: 'note',
            station: null,
            says: 'Nothing in this circuit pulls. A row would balance the pushing.',
            fix: null,
          },
        ]
      : [],
};

const WORST = { stop: 0, mend: 1, note: 2 } as const;

/** Findings on one version, worst first. */
export function check(subject: Subject): Finding[] {
  return Object.values(CHECKS)
    .flatMap((run) => run(subject))
    .sort((a, b) => WORST[a.severity] - WORST[b.severity]);
}
