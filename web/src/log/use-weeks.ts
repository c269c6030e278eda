import type { Library } from '@inner-rung/core/ladder';
import { attendanceOf, bestsOf, climbsOf, furtherOf, loadAhead, rises, weeksOf } from '@inner-rung/core/log';
import { type Group, occurrencesOf } from '@inner-rung/core/person';
import { useMemo } from 'react';
import { today } from '../store/day.ts';
import { useRecords } from '../store/use-records.ts';

const SHOWN = 12;
const MOST_CLIMBS = 4;
const DAYS_AHEAD = 7;

/** Everything that weeks of somebody come to. */
export function useWeeks(library: Library, person: string, groups: readonly Group[]) {
  const { all } = useRecords();
  return useMemo(() => {
    const day = today();
    const weeks = weeksOf(library, person, all, day).slice(-SHOWN);
    const own = groups.filter((g) => g.members.includes(person));
    const ahead = occurrencesOf(own, day, DAYS_AHEAD).filter((o) => !o.off && !o.away.includes(person));
    return {
      weeks,
      rises: rises(weeks),
      climbs: climbsOf(library, person, all).slice(0, MOST_CLIMBS),
      attendance: attendanceOf(person, all),
      bests: bestsOf(person, all),
      further: furtherOf(person, all),
      ahead: {
        sessions: ahead.length,
        load: loadAhead(person, all, ahead.length),
      },
    };
  }, [all, library, person, groups]);
}
export type Weeks = ReturnType<typeof useWeeks>;
