import { type Demand, LEVERS, type LeverId, middle, type Pattern } from '../move/index.ts';
import { AVOID_IDS, AVOIDS, type Avoid, breaksPromise, TRUNK_PATTERNS } from './avoids.ts';
import { betweenRungs } from './between.ts';
import { difficultyOf, hardnessOn, PART_KEYS, RUNG_STEP } from './difficulty.ts';
import { familyOf, patternOf, rungDemand } from './family.ts';
import type { Ladder } from './ladder.ts';
import type { Library } from './library.ts';
import { explainStep, leverShows, stepHeight, unexplained } from './step.ts';

/** A change to a ladder that mends a finding. */
export type LadderFix =
  | { readonly do: 'swap'; readonly rung: number }
  | { readonly do: 'drop'; readonly rung: number }
  | { readonly do: 'levers'; readonly rung: number; readonly levers: readonly LeverId[] }
  | { readonly do: 'fill'; readonly rung: number }
  | { readonly do: 'below' }
  | { readonly do: 'above' }
  | { readonly do: 'branch'; readonly avoids: Avoid };

const SEVERITIES = ['wrong', 'doubtful', 'note'] as const;
type Severity = (typeof SEVERITIES)[number];

export interface LadderFinding {
  readonly check: string;
  readonly severity: Severity;
  readonly ladder: string;
  /** The rung above the step it is about, 0 at the bottom; null for the ladder as a whole. */
  readonly rung: number | null;
  readonly says: string;
  readonly fix: (LadderFix & { readonly label: string }) | null;
}

interface Case {
  readonly library: Library;
  readonly ladder: Ladder;
  readonly trunk: boolean;
  readonly pattern: Pattern;
  readonly demands: readonly Demand[];
  readonly names: readonly string[];
  readonly family: readonly Ladder[];
}

type Said = Omit<LadderFinding, 'check' | 'ladder'>;

/** Taller steps than this leave a beginner with nothing between, in rungs. Estimate. */
export const TALLEST_STEP = 2.6;
/** A top below this doesn't tax somebody fit. Estimate. */
const EARLY_TOP = 60;
/** A bottom above this is too hard for somebody new. Estimate. */
const HIGH_BOTTOM = 40;

/** Patterns that can be trained sitting down, so that a ladder of them should begin there. */
const SEATED_PATTERNS: readonly Pattern[] = [
  'push level',
  'push overhead',
  'pull level',
  'pull overhead',
  'brace',
  'anti-turn',
  'side brace',
  'trunk bend',
  'trunk turn',
  'locomotion',
];

const seated = (d: Demand) => d['posture.standing'].hi === 0 && d['posture.floor'].hi === 0;

const steps = (c: Case, look: (i: number, below: Demand, above: Demand) => Said[]): Said[] =>
  c.demands.flatMap((above, i) => (i === 0 ? [] : look(i, c.demands[i - 1]!, above)));

/** Every look at a ladder, one entry each. A check of its own is an entry and its test. */
const CHECKS: Readonly<Record<string, (c: Case) => Said[]>> = {
  'two rungs alike': (c) =>
    steps(c, (i, below, above) => {
      const same =
        c.ladder.rungs[i]!.move === c.ladder.rungs[i - 1]!.move
          ? JSON.stringify(c.ladder.rungs[i]!.settings ?? {}) ===
            JSON.stringify(c.ladder.rungs[i - 1]!.settings ?? {})
          : PART_KEYS.every((key) => middle(above[key]) === middle(below[key]));
      return same
        ? [
            {
              severity: 'wrong',
              rung: i,
              says: `${c.names[i]} asks the same as ${c.names[i - 1]}: one of the two is enough.`,
              fix: { do: 'drop', rung: i, label: 'Take one out' },
            },
          ]
        : [];
    }),
  'not harder': (c) =>
    steps(c, (i, below, above) => {
      const rises = hardnessOn(c.ladder.measures, above) - hardnessOn(c.ladder.measures, below);
      const overall = difficultyOf(above).points - difficultyOf(below).points;
      if (rises < -0.5)
        return [
          {
            severity: 'wrong',
            rung: i,
            says: `${c.names[i]} is easier than ${c.names[i - 1]}, which stands below it.`,
            fix: { do: 'swap', rung: i, label: 'Swap the two' },
          },
        ];
      return rises < 0.5 && overall < 0.5
        ? [
            {
              severity: 'wrong',
              rung: i,
              says: `${c.names[i]} is no harder than ${c.names[i - 1]}.`,
              fix:
                overall < -0.5
                  ? { do: 'swap', rung: i, label: 'Swap the two' }
                  : { do: 'drop', rung: i, label: 'Take it out' },
            },
          ]
        : [];
    }),
  'takes off unannounced': (c) =>
    steps(c, (i, below, above) => {
      const to = above['impact.class'].hi ?? 9;
      const levers = c.ladder.rungs[i]!.levers;
      return to >= 2 &&
        to > (below['impact.class'].hi ?? 0) &&
        !levers.some((l) => l === 'flight' || l === 'explosive')
        ? [
            {
              severity: 'wrong',
              rung: i,
              says: `${c.names[i]} leaves the floor, and no lever on the step says so.`,
              fix: {
                do: 'levers',
                rung: i,
                levers: ['flight', ...levers].slice(0, 2) as LeverId[],
                label: 'Name the flight',
              },
            },
          ]
        : [];
    }),
  'lever doesn’t show': (c) =>
    steps(c, (i, below, above) =>
      c.ladder.rungs[i]!.levers.filter((lever) => !leverShows(below, above, lever)).map((lever): Said => {
        const levers = explainStepAt(c, i);
        return {
          severity: 'doubtful',
          rung: i,
          says: `“${LEVERS[lever].harder}” is named, but the numbers of ${c.names[i]} don’t show it.`,
          fix: { do: 'levers', rung: i, levers, label: `Say “${LEVERS[levers[0]!].harder}”` },
        };
      }),
    ),
  'harder elsewhere': (c) =>
    steps(c, (i, below, above) => {
      const open = unexplained(below, above, c.ladder.rungs[i]!.levers);
      if (open.length === 0) return [];
      const levers = explainStepAt(c, i);
      const parts = difficultyOf(above).parts;
      const word = parts.find((p) => p.key === open[0])?.says ?? open[0]!;
      return [
        {
          severity: 'doubtful',
          rung: i,
          says: `${c.names[i]} also asks for more ${word}, which the step’s lever doesn’t explain.`,
          fix: {
            do: 'levers',
            rung: i,
            levers,
            label: `Say “${levers.map((l) => LEVERS[l].harder).join(', ')}”`,
          },
        },
      ];
    }),
  'step too tall': (c) =>
    steps(c, (i, below, above) => {
      const tall = stepHeight(c.ladder.measures, below, above) > TALLEST_STEP;
      return tall || betweenRungs(c.library, c.ladder, i) === null
        ? [
            {
              severity: 'doubtful',
              rung: i,
              says: `From ${c.names[i - 1]} to ${c.names[i]} is a tall step: somebody new has nothing between.`,
              fix: { do: 'fill', rung: i, label: 'Find a rung between' },
            },
          ]
        : [];
    }),
  'step too small': (c) =>
    steps(c, (i, below, above) => {
      const small = PART_KEYS.every((key) => {
        const by = Math.abs(middle(above[key]) - middle(below[key]));
        return key === 'effort.met'
          ? by < 0.08 * middle(below[key])
          : key === 'impact.class'
            ? by === 0
            : by < 0.3 * RUNG_STEP[key];
      });
      return small
        ? [
            {
              severity: 'note',
              rung: i,
              says: `${c.names[i]} is hardly harder than ${c.names[i - 1]}: a trim might do.`,
              fix: { do: 'drop', rung: i, label: 'Take it out' },
            },
          ]
        : [];
    }),
  'breaks its promise': (c) => {
    const { avoids } = c.ladder;
    if (!avoids) return [];
    return c.demands.flatMap((demand, i): Said[] =>
      breaksPromise(avoids, demand)
        ? [
            {
              severity: 'wrong',
              rung: i,
              says: `${c.names[i]} doesn’t avoid ${avoids}, which this branch promises.`,
              fix: { do: 'drop', rung: i, label: 'Take it out' },
            },
          ]
        : [],
    );
  },
  'missing branch': (c) => {
    if (!c.trunk) return [];
    const has = (avoids: Avoid) => c.family.some((l) => l.avoids === avoids);
    const breaks = (avoids: Avoid) => c.demands.some((d) => breaksPromise(avoids, d));
    const wanted = AVOID_IDS.filter(
      (avoids) => breaks(avoids) && (AVOIDS[avoids].expectedOf as readonly Pattern[]).includes(c.pattern),
    );
    const floor = 'getting down to the floor';
    if ((TRUNK_PATTERNS as readonly Pattern[]).includes(c.pattern) && breaks(floor))
      wanted.push('standing and the floor');
    return wanted
      .filter((avoids) => !has(avoids))
      .map((avoids) => ({
        severity: 'doubtful',
        rung: null,
        says: `There is no branch that avoids ${avoids}.`,
        fix: { do: 'branch', avoids, label: 'Draft one' },
      }));
  },
  'no way round the kneecap': (c) => {
    const measures = c.ladder.measures;
    const others = c.family.flatMap((l) =>
      l.rungs.map((rung) => rungDemand(c.library, rung)).filter((d) => d?.['knee.kneel'].hi === 0),
    );
    return c.demands.flatMap((demand, i): Said[] => {
      if (demand['knee.kneel'].hi === 0) return [];
      const near = others.some((d) => d && Math.abs(stepHeight(measures, d, demand)) <= TALLEST_STEP);
      return near
        ? []
        : [
            {
              severity: 'doubtful',
              rung: i,
              says: `${c.names[i]} is on the kneecap, and no form of this family near it isn’t.`,
              fix: { do: 'branch', avoids: 'kneeling', label: 'Draft a way round' },
            },
          ];
    });
  },
  'begins too high': (c) => {
    if (!c.trunk) return [];
    const all = c.family.flatMap((l) => l.rungs.map((rung) => rungDemand(c.library, rung)!)).filter(Boolean);
    const said: Said[] = [];
    if (SEATED_PATTERNS.includes(c.pattern) && !all.some(seated))
      said.push({
        severity: 'doubtful',
        rung: 0,
        says: `Nobody who stays seated can begin here, and ${c.pattern} can be trained sitting down.`,
        fix: { do: 'below', label: 'Find a seated form' },
      });
    const lowest = difficultyOf(c.demands[0]!).points;
    if (lowest > HIGH_BOTTOM)
      said.push({
        severity: 'doubtful',
        rung: 0,
        says: `${c.names[0]} is a lot to begin with: somebody new needs a rung below it.`,
        fix: { do: 'below', label: 'Find a rung below' },
      });
    return said;
  },
  'gives out early': (c) => {
    if (!c.trunk) return [];
    const top = c.demands.length - 1;
    return difficultyOf(c.demands[top]!).points < EARLY_TOP
      ? [
          {
            severity: 'note',
            rung: top,
            says: `${c.names[top]} doesn’t tax somebody fit: there is room above.`,
            fix: { do: 'above', label: 'Find a rung above' },
          },
        ]
      : [];
  },
  'too long or too short': (c) =>
    c.ladder.rungs.length < 4 || c.ladder.rungs.length > 8
      ? [
          {
            severity: 'note',
            rung: null,
            says:
              c.ladder.rungs.length < 4
                ? 'Fewer than four rungs leave little to choose from.'
                : 'More than eight rungs are hard to hold in mind; it may be two ladders.',
            fix: c.ladder.rungs.length < 4 ? { do: 'above', label: 'Find a rung' } : null,
          },
        ]
      : [],
};
export const LADDER_CHECKS = Object.keys(CHECKS);

function explainStepAt(c: Case, i: number): LeverId[] {
  const end = (k: number) => ({
    move: c.library.move(c.ladder.rungs[k]!.move)!,
    settings: c.ladder.rungs[k]!.settings,
    demand: c.demands[k]!,
  });
  return explainStep(end(i - 1), end(i));
}

/** Everything a careful coach would say about a ladder, worst first. Rungs of unknown moves are passed over. */
export function checkLadder(library: Library, ladder: Ladder): LadderFinding[] {
  const rungs = ladder.rungs.filter((rung) => rungDemand(library, rung));
  if (rungs.length === 0) return [];
  const c: Case = {
    library,
    ladder: { ...ladder, rungs },
    trunk: ladder.branchOf.length === 0,
    pattern: patternOf(library, ladder),
    demands: rungs.map((rung) => rungDemand(library, rung)!),
    names: rungs.map((rung) => library.move(rung.move)!.name),
    family: familyOf(library, ladder),
  };
  return Object.entries(CHECKS)
    .flatMap(([check, look]) => look(c).map((said) => ({ check, ladder: ladder.id, ...said })))
    .sort((a, b) => SEVERITIES.indexOf(a.severity) - SEVERITIES.indexOf(b.severity));
}
