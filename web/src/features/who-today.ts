import {
  type ConditionId,
  everybodyIn,
  type Group,
  type Person,
  standIn,
  takingPart,
  WALK_INS,
} from '@inner-rung/core/person';
import type { Taking } from '@inner-rung/core/run';
import { useMemo } from 'react';
import { today } from '../store/day.ts';
import { useDraft } from '../ui/use-draft.ts';

/** Somebody who walked in. */
interface WalkIn {
  readonly n: number;
  readonly conditions: readonly ConditionId[];
  readonly level: 0 | 1 | 2 | 3;
}
interface Day {
  away: readonly string[];
  sore: Readonly<Record<string, readonly ConditionId[]>>;
  walkIns: readonly WalkIn[];
}
const NOBODY: Day = { away: [], sore: {}, walkIns: [] };

/** What is sore today, without asking which side. */
const soreBothSides = (sore: readonly ConditionId[]) =>
  sore.map((condition) => ({ id: condition, side: 'both' as const }));

const walkInId = (n: number) => `walk-in-${n}`;

/** Who takes part in a session today: who was expected, who isn't here, what hurts, who walked in. */
export function useWhoToday(planId: string, group: Group | null, people: readonly Person[]) {
  // Who said they aren't coming isn't here, until somebody says otherwise.
  const away = group?.changes.find((change) => change.on === today())?.away;
  const empty = useMemo((): Day => (away ? { ...NOBODY, away } : NOBODY), [away]);
  const [day, put] = useDraft<Day>(`class/${planId}/${group?.id ?? 'all'}/${today()}`, empty);
  const { taking: expected, waiting } = useMemo(
    () => takingPart(group ? everybodyIn(group, people) : people, today()),
    [group, people],
  );
  const walkIns = useMemo(
    () =>
      day.walkIns.map(
        ({ n, conditions, level }): Taking => ({
          id: walkInId(n),
          person: standIn(WALK_INS, {
            id: walkInId(n),
            count: 1,
            conditions: conditions.map((id) => ({ id, side: 'both' })),
            level,
          }),
          today: { conditions: soreBothSides(conditions), level },
        }),
      ),
    [day],
  );
  const taking = useMemo(
    () => [
      ...expected
        .filter(({ id }) => !day.away.includes(id))
        .map(({ id, person }): Taking => {
          const sore = day.sore[id] ?? [];
          if (sore.length === 0) return { id, person };
          const today = soreBothSides(sore);
          return {
            id,
            person: { ...person, conditions: [...person.conditions, ...today] } as Person,
            today: { conditions: today, level: null },
          };
        }),
      ...walkIns,
    ],
    [expected, walkIns, day],
  );
  return {
    expected,
    waiting,
    taking,
    walkIns,
    day,
    setAway: (ids: readonly string[], away: boolean) =>
      put({
        away: [...day.away.filter((one) => !ids.includes(one)), ...(away ? ids : [])],
      }),
    setSore: (ids: readonly string[], condition: ConditionId, on: boolean) =>
      put({
        sore: {
          ...day.sore,
          ...Object.fromEntries(
            ids.map((id) => {
              const others = (day.sore[id] ?? []).filter((one) => one !== condition);
              return [id, on ? [...others, condition] : others];
            }),
          ),
        },
      }),
    walkIn: (conditions: readonly ConditionId[], level: WalkIn['level']) =>
      put({
        walkIns: [...day.walkIns, { n: Math.max(0, ...day.walkIns.map((w) => w.n)) + 1, conditions, level }],
      }),
    leave: (id: string) => put({ walkIns: day.walkIns.filter((walkIn) => walkInId(walkIn.n) !== id) }),
  };
}
