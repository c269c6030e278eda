import {
  type ClassPlan,
  type ClassRun,
  gapOf,
  isGranted,
  restForShowing,
  runningIn,
  showingOf,
} from '@inner-rung/core/class';
import type { Library } from '@inner-rung/core/ladder';
import { LEVELS } from '@inner-rung/core/person';
import { EQUIPMENT, type Room, type RoomItem, sizeUnit } from '@inner-rung/core/room';
import type { Taking } from '@inner-rung/core/run';
import { blockName, factsIn, type Plan } from '@inner-rung/core/session';
import { COACH_STOP, countWord, formName, knownAs, spokenAs, spokenOf } from '@inner-rung/core/words';
import { useMemo, useState } from 'react';
import { Dialog } from '../ui/dialog.tsx';

/** Who loads a joint three stations running, at most two sentences of it. */
const runWords = (runs: readonly ClassRun[], plan: Plan, taking: readonly Taking[]): string[] =>
  runs.slice(0, 2).map(({ block, station, joint, people }) => {
    const where = `station ${station + 1}${plan.blocks.length > 1 ? ` of ${blockName(plan.blocks, block).toLowerCase()}` : ''}`;
    const who = taking.filter((t) => people.includes(t.id)).map((t) => spokenAs(t.person));
    return `For ${who.length === taking.length ? 'everybody' : spokenOf(who)} three stations running load ${joint}, up to ${where}.`;
  });

/** Levels given for this session, those who are alike together. */
function levelsGiven(plan: Plan, taking: readonly Taking[]) {
  const found = new Map<string, { ids: string[]; says: string; level: 0 | 1 | 2 | 3 }>();
  for (const { person, level } of plan.levels ?? []) {
    const one = taking.find((t) => t.id === person);
    if (!one) continue;
    const spoken = spokenAs(one.person);
    const key = spoken.byNumber ? `${one.person.id}/${level}` : person;
    const known = found.get(key)?.ids ?? [];
    const ids = [...known, person];
    found.set(key, { ids, level, says: spoken.byNumber ? knownAs(ids.length, spoken.name) : spoken.name });
  }
  return [...found.values()];
}

/** How good it is, what showing takes, what the trainer asked for otherwise. */
export function Foot(props: {
  library: Library;
  plan: Plan;
  classPlan: ClassPlan;
  taking: readonly Taking[];
  most: number;
  onUndo: (index: number) => void;
  room: Room;
  onBorrow: (item: Pick<RoomItem, 'what' | 'size'>) => void;
  onGiveBack: (index: number) => void;
  onOwnLevel: (ids: readonly string[]) => void;
}) {
  const [borrowing, setBorrowing] = useState(false);
  const { classPlan, plan, library } = props;
  const gap = gapOf(classPlan);
  const rest = useMemo(() => restForShowing(plan, factsIn(library)), [plan, library]);
  const { forms: shown, seconds } = showingOf(classPlan);
  const running = useMemo(
    () => runWords(runningIn(library, plan.blocks, classPlan), plan, props.taking),
    [library, plan, classPlan, props.taking],
  );
  const short = new Set(classPlan.shortOf.map((one) => one.person)).size;
  return (
    <div className="mt-4 text-sm">
      <p>
        {shown === 1 ? 'One form' : `${shown} forms`} to show, about{' '}
        {seconds > 60 ? `${Math.ceil(seconds / 60)} minutes` : 'a minute'} of it
        {seconds <= rest
          ? ', which the rests hold'
          : rest < 60
            ? ': show some before it begins'
            : `; the rests leave ${Math.floor(rest / 60)}: show some before it begins`}
        .{' '}
        {gap < 0.001
          ? `No plan with at most ${countWord(props.most)} other ${props.most === 1 ? 'form' : 'forms'} a station suits them better.`
          : `No plan with at most ${countWord(props.most)} others a station can be better by more than ${Math.max(1, Math.round(gap * 100))} %${short > 0 ? '; things are short' : ''}.`}
        {short > 0 &&
          ` For ${countWord(short)} of them something is short: they do another form of those shown; “Set up” says where.`}
      </p>
      {running.map((one) => (
        <p key={one}>{one}</p>
      ))}
      {(plan.wishes ?? []).length > 0 && (
        <ul className="no-print mt-1" aria-label="As you wanted it">
          {plan.wishes!.map((wish, i) => (
            <li key={JSON.stringify(wish)} className="flex items-center gap-2">
              <span>
                {wish.kind === 'bar' ? 'Not shown' : 'Given'}:{' '}
                {formName(library, wish.form.move, wish.form.settings)}
                {!isGranted(plan, classPlan, wish) && ', but it isn’t open to them here'}
              </span>
              <button type="button" className="btn btn-ghost btn-sm touch" onClick={() => props.onUndo(i)}>
                Take back
              </button>
            </li>
          ))}
        </ul>
      )}
      <div className="no-print mt-1 flex flex-wrap items-center gap-2">
        {levelsGiven(plan, props.taking).map(({ ids, says, level }) => (
          <button
            key={`${ids[0]}/${level}`}
            type="button"
            className="btn btn-sm touch"
            onClick={() => props.onOwnLevel(ids)}
          >
            {says}: {LEVELS[level].name.toLowerCase()} ×<span className="sr-only">, as they are</span>
          </button>
        ))}
        {(plan.borrowed ?? []).map((item, i) => (
          <button
            key={`${item.what}${item.size ?? ''}`}
            type="button"
            className="btn btn-sm touch"
            onClick={() => props.onGiveBack(i)}
          >
            {item.count} more: {itemWords(item)} ×<span className="sr-only">, give back</span>
          </button>
        ))}
        <button type="button" className="btn btn-sm touch" onClick={() => setBorrowing(true)}>
          What if we borrowed…
        </button>
      </div>
      {borrowing && (
        <Dialog title="One more of" onClose={() => setBorrowing(false)}>
          <div className="grid gap-1 sm:grid-cols-2">
            {props.room.items
              .filter((item) => item.what !== 'wall')
              .map((item) => (
                <button
                  key={`${item.what}${item.size ?? ''}`}
                  type="button"
                  className="btn touch justify-start"
                  onClick={() => {
                    props.onBorrow({
                      what: item.what,
                      ...(item.size === undefined ? {} : { size: item.size }),
                    });
                    setBorrowing(false);
                  }}
                >
                  {itemWords(item)}
                </button>
              ))}
          </div>
        </Dialog>
      )}
      <p className="mt-2 border-t-2 border-current pt-2">{COACH_STOP}</p>
    </div>
  );
}

/** A thing as it is asked for: "Dumbbell, 4 kg". */
const itemWords = (item: Pick<RoomItem, 'what' | 'size'>): string =>
  `${EQUIPMENT[item.what].name}${item.size === undefined ? '' : `, ${item.size} ${sizeUnit(item.what) ?? ''}`}`;
