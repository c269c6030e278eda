import { CONDITION_GROUPS, type Condition } from './condition.ts';
import { HEART_CONDITIONS } from './conditions-heart.ts';
import { JOINT_CONDITIONS } from './conditions-joints.ts';
import { LIFE_CONDITIONS } from './conditions-life.ts';
import type { Limit, Side } from './limits.ts';

export { CONDITION_GROUPS, type Condition };

/**
 * What a condition usually means for exercise, as limits that can be seen and changed one by one.
 * The caps are common practice put into this library's levels; the person's own clinician rules.
 */
export const CONDITIONS = { ...JOINT_CONDITIONS, ...HEART_CONDITIONS, ...LIFE_CONDITIONS };
export type ConditionId = keyof typeof CONDITIONS;
export const CONDITION_IDS = Object.keys(CONDITIONS) as ConditionId[];
export const conditionOf = (id: ConditionId): Condition => CONDITIONS[id];

/** The conditions offered at a tap, with how each is said. */
export const QUICK_CONDITIONS = CONDITION_IDS.flatMap((id) => {
  const { quick } = conditionOf(id);
  return quick ? [{ id, ...quick }] : [];
});

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
