import type { Library } from '@inner-rung/core/ladder';
import { everybodyIn, outlookOf } from '@inner-rung/core/person';
import { type Plan, roleOf } from '@inner-rung/core/session';
import { useCallback, useEffect, useMemo, useState } from 'react';
import { useSearchParams } from 'react-router';
import { useOwnWords } from '../features/use-own-words.ts';
import { useScaled } from '../features/use-scaled.ts';
import { useShelf } from '../store/data.ts';
import { today } from '../store/day.ts';
import { useApp, useSend } from '../store/index.ts';
import { stationPicked } from '../store/view-slice.ts';

/** Which dialog lies over the session. */
export type Open = 'order' | 'move' | 'add' | 'paste' | 'keys' | 'sums' | 'more' | null;

/** A whole number above nought in an address, counted from nought; null where there is none. */
const asked = (search: URLSearchParams, name: string): number | null => {
  const said = Number(search.get(name) ?? Number.NaN) - 1;
  return Number.isInteger(said) ? said : null;
};

/** What the plan's screen stands on: the session scaled, for whom, and where in it one is. */
export function useBench(plan: Plan, shipped: Library) {
  const send = useSend();
  const { people, groups, rooms } = useShelf();
  const library = useOwnWords(shipped, plan) ?? shipped;
  const view = useApp((state) => state.view);
  const [search, setSearch] = useSearchParams();
  const [open, setOpen] = useState<Open>(null);
  const [lanes, setLanes] = useState(false);
  const [panel, setPanel] = useState<'floor' | 'dials' | 'station'>('floor');
  const group = groups.find((g) => g.id === view.group) ?? null;
  const offered = useMemo(() => (group ? everybodyIn(group, people) : people), [group, people]);
  const person =
    offered.find((p) => p.id === plan.person) ?? people.find((p) => p.id === plan.person) ?? null;
  const outlook = useMemo(() => (person ? outlookOf(person, today()) : null), [person]);
  const room = rooms.find((r) => r.id === plan.room) ?? null;
  // Everybody’s line, where a class is looked at and not one person alone.
  const others = useMemo(() => (group ? offered.filter((p) => p !== person) : []), [group, offered, person]);
  const picture = useScaled(plan, shipped, person, room, others);

  // Another session is looked at afresh.
  // biome-ignore lint/correctness/useExhaustiveDependencies: it is another session that this follows
  useEffect(() => {
    send(stationPicked({ block: null, station: 0 }));
  }, [plan.id, send]);

  // A session opens on its first circuit, not on its warm-up.
  const circuit = Math.max(
    0,
    plan.blocks.findIndex((b) => roleOf(b) === 'circuit'),
  );
  const block = Math.max(
    0,
    Math.min(plan.blocks.length - 1, asked(search, 'block') ?? view.block ?? circuit),
  );
  const count = plan.blocks[block]?.stations.length ?? 0;
  const station = Math.max(0, Math.min(count - 1, asked(search, 'station') ?? view.station));
  const at = useMemo(() => ({ block, station, count }), [block, station, count]);
  const several = plan.blocks.length > 1;
  const pickIn = useCallback(
    (into: number, to: number) => {
      const next = Math.max(0, to);
      send(stationPicked({ block: into, station: next }));
      setSearch(
        { ...(several ? { block: String(into + 1) } : {}), station: String(next + 1) },
        { replace: true },
      );
    },
    [send, setSearch, several],
  );
  const pick = useCallback((to: number) => pickIn(block, Math.min(count - 1, to)), [pickIn, block, count]);
  return {
    plan,
    library,
    people,
    rooms,
    group,
    offered,
    person,
    outlook,
    room,
    /** The newest scaled picture of this session; null until there is one. */
    picture: picture?.plan.id === plan.id ? picture : null,
    at,
    pickIn,
    pick,
    open,
    setOpen,
    lanes,
    setLanes,
    panel,
    setPanel,
  };
}
export type Bench = ReturnType<typeof useBench>;
