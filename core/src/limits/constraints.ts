import { REGIONS, type Region, RUNG_STEP } from '../ladder/index.ts';
import { at, CAPABILITY_IDS, type Capability, PATTERNS } from '../move/index.ts';
import {
  type Ability,
  BANDS,
  bandCeilingMet,
  bandOfRpe,
  CAREFUL_CAPACITY,
  type EffortAge,
  type LevelIndex,
  type Limit,
  levelAbility,
  ORDINARY_CAPACITY,
  rpeCeilingMet,
} from '../person/index.ts';
import type { Dials } from '../session/index.ts';
import { IMPACT } from './dials.ts';

/** One thing that can stand in a form's way: a person's limit, a dial, what they can do, the room. */
export interface Ruler {
  readonly kind: 'limit' | 'impact' | 'intensity' | 'ability' | 'room' | 'fit';
  readonly id: string;
  /** As said after "because": "one foot stays down". */
  readonly says: string;
  /** Set by the trainer or the person and not acute: may be offered for loosening. */
  readonly mayLoosen: boolean;
}

/** Who a version is for. A lane has a level and nobody behind it, and no limits. */
export interface Subject {
  readonly ability: Ability;
  readonly limits: readonly Limit[];
  /** Their likeliest capacity in MET; null where effort is told by words alone. */
  readonly capacityMet: number | null;
  /**
   * Whose figures stand in where no capacity is known; where nothing is said, those of older people for what is capped
   * for somebody's health.
   */
  readonly effortAge?: EffortAge;
  readonly dislikes: readonly string[];
  /** Moves ruled out for them, and moves they are glad to do. */
  readonly never?: readonly string[];
  readonly likes?: readonly string[];
  /** Moves on ladders where they have a place, above that place: new to them. */
  readonly newMoves: readonly string[];
  /** What they have with them wherever they are: a wheelchair is a seat. */
  readonly brings?: readonly Capability[];
  /** Moves of small muscles that they own: no ability bars them. */
  readonly owns?: readonly string[];
  /** The level they are taken for, where no rung of theirs was seen and nothing of their health holds them back. */
  readonly assumed?: LevelIndex;
  /** A healthy child: keeps the shapes and counts that were written, whatever level they were written for. */
  readonly keepsUp?: true;
  /** Most clean reps seen in one go, by the form they were seen of. */
  readonly clean?: readonly CleanReps[];
}

/** Nobody in particular: what the room has is open. */
export const NOBODY: Subject = {
  ability: levelAbility(3),
  limits: [],
  capacityMet: null,
  effortAge: 'adult',
  dislikes: [],
  newMoves: [],
};

export interface CleanReps {
  readonly move: string;
  /** Null where the move has no height, or none was noted. */
  readonly surfaceCm: number | null;
  readonly reps: number;
}

type Bound = { readonly max: number; readonly ruler: number };

/** Limits, dials and ability as plain comparisons, each pointing at the ruler that set it. */
export interface Constraints {
  readonly rulers: readonly Ruler[];
  /** `sparedBy`: a form done by this side alone (1 left, 2 right) isn't held to the cap; 0: every form is. */
  readonly caps: readonly (Bound & {
    readonly at: number;
    readonly sparedBy: 0 | 1 | 2;
    /** Set by what they can do and not by a limit: what they own is spared. */
    readonly ability?: true;
  })[];
  /** Moves that no cap of ability bars. */
  readonly owns: ReadonlySet<string>;
  /** Moves ruled out by their ids. */
  readonly never: readonly { readonly move: string; readonly ruler: number }[];
  readonly bans: readonly { readonly pattern: number; readonly ruler: number }[];
  readonly supports: readonly { readonly above: number; readonly ruler: number }[];
  readonly met: readonly Bound[];
  readonly hold: readonly Bound[];
  readonly landings: readonly (Bound & { readonly at: number; readonly per: 'minute' | 'session' })[];
  /** Positions in CAPABILITY_IDS of what they bring. */
  readonly brings: readonly number[];
  /** Ability by region, REGIONS order; null when the dial stands as written. */
  readonly ability: Ability | null;
}

const REGION_WORDS: Readonly<Record<Region, string>> = {
  'strength.legs': 'the legs aren’t ready for more',
  'strength.push': 'the push isn’t there yet',
  'strength.pull': 'the pull isn’t there yet',
  'strength.front': 'the trunk isn’t ready for more',
  'strength.side': 'the side isn’t ready for more',
  'strength.back': 'the back and hips aren’t ready for more',
  'strength.grip': 'the grip isn’t there yet',
  'balance.level': 'the balance isn’t there yet',
  'coordination.level': 'fewer things at once',
};

/** Holds shorter than this train nothing; a cap under it bars holding. Estimate. */
export const SHORTEST_HOLD_SECONDS = 8;

/**
 * Effort is local as well: of what they can do with a region, so much at the most, with the breath going and holds no
 * longer. Their own rung is a 6 of 10, done clean a few times more than asked. Estimates.
 */
const LOCAL: Readonly<
  Record<number, { readonly share: number; readonly breath: number; readonly holdSeconds: number }>
> = {
  1: { share: 0.4, breath: 0, holdSeconds: 10 },
  2: { share: 0.5, breath: 0, holdSeconds: 10 },
  3: { share: 0.6, breath: 1, holdSeconds: 10 },
  4: { share: 0.8, breath: 1, holdSeconds: 15 },
  5: { share: 0.9, breath: 1, holdSeconds: 20 },
  6: { share: 1, breath: 2, holdSeconds: 30 },
};

/** Of 10. */
const MODERATE = 6;
/** Share of what they can do from which what they own is theirs. */
const OWNED_FROM = 1;

/** A limit of the right side is kept by working with the left alone. */
const SPARED_BY = { left: 2, right: 1, both: 0 } as const;

export function compileConstraints(subject: Subject, dials: Dials, reach = 0): Constraints {
  const rulers: Ruler[] = [];
  const ruler = (r: Ruler) => rulers.push(r) - 1;
  const caps: (Bound & { at: number; sparedBy: 0 | 1 | 2; ability?: true })[] = [];
  const bans: { pattern: number; ruler: number }[] = [];
  const supports: { above: number; ruler: number }[] = [];
  const never = (subject.never ?? []).map((move) => ({
    move,
    ruler: ruler({ kind: 'limit', id: `never/${move}`, says: 'never this one for them', mayLoosen: true }),
  }));
  const met: Bound[] = [];
  const hold: Bound[] = [];
  const landings: (Bound & { at: number; per: 'minute' | 'session' })[] = [];

  // Whose age isn't known, those who are known by number, is taken for older where anything is there for their health:
  // less of the same work is hard for them. Their trainer sees them, and what is the trainer's own word alone is of adults.
  const careful = subject.effortAge ?? 'older';
  const seen = subject.effortAge ?? 'adult';
  const effortWords = (band: 0 | 1 | 2 | 3) => `they can still ${BANDS[band].can} (${BANDS[band].rpe} of 10)`;

  for (const limit of subject.limits) {
    const by = ruler({
      kind: 'limit',
      id: limit.id,
      says: limit.reason,
      mayLoosen: !limit.acute && (limit.source === 'trainer' || limit.source === 'person'),
    });
    if (limit.kind === 'cap' && limit.on === 'strain.holdSeconds') hold.push({ max: limit.max, ruler: by });
    else if (limit.kind === 'cap')
      caps.push({ at: at(limit.on), max: limit.max, ruler: by, sparedBy: SPARED_BY[limit.side] });
    else if (limit.kind === 'ban') bans.push({ pattern: PATTERNS.indexOf(limit.pattern), ruler: by });
    else if (limit.kind === 'require') supports.push({ above: limit.supportAboveBalance, ruler: by });
    else if (limit.kind === 'budget')
      landings.push({ at: at(limit.on), per: limit.per, max: limit.max, ruler: by });
    else if (limit.kind === 'effort') {
      const band = bandOfRpe(limit.maxRpe);
      rulers[by] = {
        ...rulers[by]!,
        says: `they can still ${BANDS[band].can} (at most ${limit.maxRpe} of 10)`,
      };
      const health = limit.source !== 'trainer';
      const age = health ? careful : seen;
      // Where something they have is why and nobody knows what they can do, they are taken for the careful end of their
      // age; what the screening leaves somebody who has nothing goes by the work's own class.
      const taken = limit.maxRpe <= MODERATE ? CAREFUL_CAPACITY : ORDINARY_CAPACITY;
      const known = subject.capacityMet ?? (health && limit.source !== 'screening' ? taken[age] : null);
      const ceiling = Math.min(
        rpeCeilingMet(limit.maxRpe, known, age),
        health && subject.capacityMet === null
          ? rpeCeilingMet(limit.maxRpe, null, age)
          : Number.POSITIVE_INFINITY,
      );
      met.push({ max: ceiling, ruler: by });
      // What only their trainer goes by says how hard their heart may work; what is there for their health, their muscles too.
      const local = limit.source === 'trainer' ? undefined : LOCAL[Math.floor(limit.maxRpe)];
      if (!local) continue;
      REGIONS.forEach((region, i) => {
        if (region.startsWith('strength.'))
          caps.push({
            at: at(region),
            // At moderate the rung above what they own is theirs to try: nobody gets further otherwise.
            max: local.share * subject.ability[i]! + (local.share >= OWNED_FROM ? RUNG_STEP[region] : 0),
            ruler: by,
            sparedBy: 0,
            // Moderate is what they own, small muscles among it.
            ...(local.share >= OWNED_FROM ? { ability: true as const } : {}),
          });
      });
      caps.push({ at: at('strain.breath'), max: local.breath, ruler: by, sparedBy: 0 });
      hold.push({ max: local.holdSeconds, ruler: by });
    }
  }

  if (dials.impact !== 'as written') {
    const bounds = IMPACT[dials.impact];
    const by = ruler({ kind: 'impact', id: 'impact', says: bounds.says, mayLoosen: true });
    const light = at('impact.landings');
    const high = at('impact.highLandings');
    caps.push({ at: at('impact.class'), max: bounds.classMax, ruler: by, sparedBy: 0 });
    landings.push(
      { at: light, per: 'minute', max: bounds.lightPerMinute, ruler: by },
      { at: high, per: 'minute', max: bounds.highPerMinute, ruler: by },
      { at: light, per: 'session', max: bounds.lightPerSession, ruler: by },
      { at: high, per: 'session', max: bounds.highPerSession, ruler: by },
    );
  }
  if (dials.intensity !== 'as written') {
    const by = ruler({
      kind: 'intensity',
      id: 'intensity',
      says: effortWords(dials.intensity),
      mayLoosen: true,
    });
    met.push({ max: bandCeilingMet(dials.intensity, subject.capacityMet, seen), ruler: by });
  }
  let ability: Ability | null = null;
  if (dials.ability !== 'as written') {
    ability = dials.ability === 'own rungs' ? subject.ability : levelAbility(dials.ability);
    REGIONS.forEach((region, i) => {
      const by = ruler({ kind: 'ability', id: region, says: REGION_WORDS[region], mayLoosen: true });
      const max = ability![i]! + reach * RUNG_STEP[region];
      caps.push({ at: at(region), max, ruler: by, sparedBy: 0, ability: true });
    });
  }
  const brings = (subject.brings ?? []).map((what) => CAPABILITY_IDS.indexOf(what));
  const owns = new Set(dials.ability === 'own rungs' ? subject.owns : []);
  return { rulers, caps, owns, never, bans, supports, met, hold, landings, brings, ability };
}
