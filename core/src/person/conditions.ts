import { CONDITION_GROUPS, type Condition } from './condition.ts';
import { HEART_CONDITIONS } from './conditions-heart.ts';
import { JOINT_CONDITIONS } from './conditions-joints.ts';
import { LIFE_CONDITIONS } from './conditions-life.ts';
import { asStrict, type Limit, type Side } from './limits.ts';

export { CONDITION_GROUPS, type Condition };

const WRITTEN = { ...JOINT_CONDITIONS, ...HEART_CONDITIONS, ...LIFE_CONDITIONS };
export type ConditionId = keyof typeof WRITTEN;
export const CONDITION_IDS = Object.keys(WRITTEN) as ConditionId[];

/**
 * What comes with a condition: whoever has the one has the other too, so all that holds for it holds for them. A limit
 * that it brings is written again only where it has to be stricter. Common practice.
 */
export const COMES_WITH: Partial<Record<ConditionId, readonly ConditionId[]>> = {
  'sore-shoulder-low': ['sore-shoulder'],
  'frozen-shoulder': ['sore-shoulder'],
  'unstable-shoulder': ['sore-shoulder'],
  'shoulder-replacement': ['sore-shoulder'],
  'wrist-no-load': ['wrist-bent-back'],
  'spine-fracture': ['osteoporosis'],
  'bone-secondaries': ['osteoporosis'],
  'hip-fracture': ['osteoporosis'],
  'implanted-defibrillator': ['heart-disease'],
  'heart-failure': ['heart-disease'],
  'heart-event-recent': ['heart-disease'],
  'valve-or-aneurysm': ['heart-disease'],
  'diabetic-eyes': ['diabetes'],
  clot: ['anticoagulants'],
  'low-platelets-or-line': ['anticoagulants'],
  wheelchair: ['seated-only'],
  'spinal-cord-injury': ['wheelchair'],
  falls: ['unsure-balance'],
  vertigo: ['unsure-balance'],
  parkinsons: ['unsure-balance'],
  'walking-aid': ['unsure-balance'],
  'pregnancy-watched': ['pregnancy-later'],
  'caesarean-early': ['after-birth-early'],
};

const conditions = new Map<ConditionId, Condition>();

/**
 * What a condition usually means for exercise, with all that comes with it, as limits that can be seen and changed one
 * by one. The caps are common practice put into this library's levels; the person's own clinician rules.
 */
export function conditionOf(id: ConditionId): Condition {
  const made = conditions.get(id) ?? whole(id);
  conditions.set(id, made);
  return made;
}

/** What conditions are called, where they stand in the list and what is said of them; what they bar says {@link conditionOf}. */
export const CONDITIONS: Readonly<
  Record<ConditionId, Pick<Condition, 'name' | 'said' | 'group' | 'quick' | 'caution' | 'sided'>>
> = WRITTEN;

/** The conditions offered at a tap, with how each is said. */
export const QUICK_CONDITIONS = CONDITION_IDS.flatMap((id) => {
  const { quick } = CONDITIONS[id];
  return quick ? [{ id, ...quick }] : [];
});

function whole(id: ConditionId): Condition {
  const own: Condition = WRITTEN[id];
  const others = (COMES_WITH[id] ?? []).map(conditionOf);
  if (others.length === 0) return own;
  const each = [own, ...others];
  const all = <T>(of: (one: Condition) => readonly T[] | undefined): readonly T[] => [
    ...new Set(each.flatMap((one) => of(one) ?? [])),
  ];
  const limits = each.flatMap((one) => one.limits);
  return {
    ...own,
    limits: limits.filter(
      (one, i) =>
        !limits.some((other, j) => i !== j && asStrict(other, one) && (j < i || !asStrict(one, other))),
    ),
    reminders: all((one) => one.reminders),
    inReach: all((one) => one.inReach),
    brings: all((one) => one.brings),
    ...(each.some((one) => one.effortByWords) ? { effortByWords: true } : {}),
    ...(each.some((one) => one.steady) ? { steady: true } : {}),
    ...(each.some((one) => one.notAlone) ? { notAlone: true } : {}),
    ...(each.some((one) => one.clearFirst) ? { clearFirst: true } : {}),
  };
}

/**
 * A condition's limits as the engine reads them, each with its own id: "sore-knees/knee.kneel", and of one side
 * alone "sore-knees/knee.kneel/left", so that what is eased on one side stays as it is on the other.
 */
export function compileCondition(id: ConditionId, side: Side = 'both'): readonly Limit[] {
  const key = `${id}/${side}`;
  const made = compiled.get(key) ?? compile(id, side);
  compiled.set(key, made);
  return made;
}

const compiled = new Map<string, readonly Limit[]>();

function compile(id: ConditionId, side: Side): readonly Limit[] {
  return conditionOf(id).limits.map((preset) => {
    const what =
      preset.kind === 'cap'
        ? preset.on
        : preset.kind === 'budget'
          ? `budget/${preset.on}/${preset.per}`
          : preset.kind === 'floor'
            ? `floor/${preset.what}`
            : preset.kind === 'ban'
              ? `ban/${preset.pattern}`
              : preset.kind;
    const own = side === 'both' ? `${id}/${what}` : `${id}/${what}/${side}`;
    // As the schema would read it, which a test compares: these are our own tables, on every page's way.
    return { acute: false, ...preset, id: own, source: 'condition', condition: id, side } as Limit;
  });
}
