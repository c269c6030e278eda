import { walkOutwards } from '@inner-rung/core/class';
import { FORMATS, type Format, formatEntry } from '@inner-rung/core/clock';
import type { Finding } from '@inner-rung/core/review';
import { type Block, type Role, withClimb } from '@inner-rung/core/session';
import { engine } from '../engine/index.ts';
import { today } from '../store/day.ts';
import { useSend } from '../store/index.ts';
import { planEvents } from '../store/plan-slice.ts';
import { viewChosen } from '../store/view-slice.ts';
import type { Bench } from './use-bench.ts';

/** What a new block of a kind begins as. */
const BEGINS: Readonly<Partial<Record<Role, Format>>> = {
  finisher: FORMATS.tabata.usual,
  challenge: FORMATS.amrap.usual,
};

/** Steps of a session that take more than one event: blocks made, formats changed, findings mended. */
export function usePlanActions(bench: Bench) {
  const { plan, library, person, offered, room, picture, at, pickIn, setOpen } = bench;
  const send = useSend();
  const setFormat = (format: Format) => {
    // From what is in the store: the picture may lag behind a quick hand.
    const live = plan.blocks[at.block]!;
    const becomes = withClimb(library, { ...live, format });
    if (formatEntry(format.kind).climbs || formatEntry(live.format.kind).climbs)
      send(planEvents.blockSet({ block: at.block, becomes }));
    else send(planEvents.formatChanged({ block: at.block, format }));
  };
  const setBlock = (block: number, becomes: Block) => send(planEvents.blockSet({ block, becomes }));
  const around = (role: 'warm-up' | 'cool-down', minutes: number | null = null) =>
    engine.once(library, 'around', {
      role,
      session: plan,
      room,
      people: person ? [person] : [...offered],
      on: today(),
      minutes,
    });
  /** A warm-up or cool-down made anew, in the place of the one there. */
  const remake = (block: number, role: 'warm-up' | 'cool-down', minutes: number) =>
    void around(role, minutes).then((made) => setBlock(block, { ...made, id: plan.blocks[block]!.id }));
  const addBlock = (role: Role) => {
    if (role === 'warm-up' || role === 'cool-down') {
      void around(role).then((made) => {
        const had = plan.blocks.findIndex((b) => b.role === role);
        const place = had >= 0 ? had : role === 'warm-up' ? 0 : plan.blocks.length;
        if (had >= 0) setBlock(had, { ...made, id: plan.blocks[had]!.id });
        else send(planEvents.blockAdded({ at: place, block: made }));
        pickIn(place, 0);
      });
      return;
    }
    const last = plan.blocks.findLastIndex((b) => b.role !== 'cool-down');
    const format = BEGINS[role] ?? FORMATS.intervals.usual;
    send(planEvents.blockAdded({ at: last + 1, block: { role, format, stations: [] } }));
    pickIn(last + 1, 0);
    send(viewChosen('build'));
  };
  const fix = (finding: Finding) => {
    if (!finding.fix) return;
    if (finding.fix.kind === 'block') setBlock(finding.fix.block, finding.fix.becomes);
    else if (finding.fix.kind === 'add') addBlock(finding.fix.role);
    else {
      pickIn(finding.fix.block, 0);
      setOpen('order');
    }
  };
  /** Lanes that walk outwards round by round; null until they are worked out for the session as it is. */
  const walk = () => {
    if (!picture?.settled || picture.plan.blocks !== plan.blocks) return null;
    const walked = walkOutwards(plan.blocks[at.block]!, at.block, plan, picture.settled.lanes);
    return walked ? () => setBlock(at.block, walked) : null;
  };
  return { setFormat, setBlock, remake, addBlock, fix, walk };
}
export type PlanActions = ReturnType<typeof usePlanActions>;
