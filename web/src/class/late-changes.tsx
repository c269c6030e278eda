import type { Library } from '@inner-rung/core/ladder';
import type { FormRef } from '@inner-rung/core/move';
import { type ConditionId, calledName, LEVELS } from '@inner-rung/core/person';
import { formName } from '@inner-rung/core/scale';
import { Search } from 'lucide-react';
import { useState } from 'react';
import { MovePicker } from '../plan/move-picker.tsx';
import { people, useApp, useSend } from '../store/index.ts';
import { Tick } from '../ui/choice.tsx';
import { Dialog } from '../ui/dialog.tsx';
import { TODAY, type useWhoToday } from './who-today.ts';

type Who = ReturnType<typeof useWhoToday>;

/** Somebody tapped: not here, something sore today, another of the forms shown. */
export function PersonDialog(props: {
  who: Who;
  id: string;
  library: Library;
  /** Other forms shown at the station they were tapped at. */
  offers: readonly FormRef[];
  /** What they do at the station they were tapped at. */
  does: FormRef | null;
  onGive: (form: FormRef) => void;
  onClose: () => void;
}) {
  const { who, id } = props;
  const send = useSend();
  const [searching, setSearching] = useState(false);
  // Only who has a file can have a rule of their own; it stands on their page, where it is taken back.
  const own = useApp(people.docs)[id];
  const one = [...who.expected, ...who.taking].find((t) => t.id === id);
  if (!one) return null;
  const walkedIn = who.walkIns.some((t) => t.id === id);
  if (searching)
    return (
      <MovePicker
        library={props.library}
        title={`For ${calledName(one.person)}`}
        onClose={props.onClose}
        onPick={(move) => props.onGive({ move })}
      />
    );
  return (
    <Dialog title={calledName(one.person)} onClose={props.onClose}>
      {props.does && (
        <div className="mb-3 grid gap-1">
          <p className="quiet text-sm">At this station, rather</p>
          {props.offers.map((form) => (
            <button
              key={JSON.stringify(form)}
              type="button"
              className="btn touch justify-start"
              onClick={() => props.onGive(form)}
            >
              {formName(props.library, form.move, form.settings)}
            </button>
          ))}
          <button type="button" className="btn touch justify-start" onClick={() => setSearching(true)}>
            <Search size={17} aria-hidden /> Something else…
          </button>
        </div>
      )}
      {props.does && own && (
        <div className="mb-3 grid gap-1">
          <p className="quiet text-sm">From now on</p>
          {own.dislikes.includes(props.does.move) ? (
            <p>{props.library.move(props.does.move)?.name} only where nothing else is open to them.</p>
          ) : (
            <button
              type="button"
              className="btn touch justify-start"
              onClick={() => {
                const { move } = props.does!;
                send(
                  people.step({
                    says: `${own.name} would rather not do ${props.library.move(move)?.name ?? move}`,
                    put: [{ ...own, dislikes: [...own.dislikes, move] }],
                  }),
                );
                props.onClose();
              }}
            >
              Rather not {props.library.move(props.does.move)?.name.toLowerCase()}, ever
            </button>
          )}
        </div>
      )}
      {walkedIn ? (
        <button
          type="button"
          className="btn touch w-full justify-start"
          onClick={() => {
            who.leave(id);
            props.onClose();
          }}
        >
          Isn’t here after all
        </button>
      ) : (
        <>
          <Tick
            on={who.day.away.includes(id)}
            onTurn={(away) => {
              who.setAway(id, away);
              props.onClose();
            }}
          >
            Not here today
          </Tick>
          <p className="quiet mt-2 text-sm">Today</p>
          {TODAY.map(([condition, says]) => (
            <Tick
              key={condition}
              on={(who.day.sore[id] ?? []).includes(condition)}
              onTurn={(on) => {
                who.setSore(id, condition, on);
                props.onClose();
              }}
            >
              {says}
            </Tick>
          ))}
        </>
      )}
    </Dialog>
  );
}

/** What a walk-in may be known by, a tap each. */
const KNOWN: readonly (readonly [string, readonly ConditionId[]])[] = [
  ['sore knees', ['sore-knees']],
  ['no floor', ['no-floor']],
  ['sore wrists', ['wrist-no-load']],
  ['sore shoulder', ['sore-shoulder']],
  ['sore back', ['back-worse-bending']],
];

/** Somebody walked in: a second tap says what is known of them. */
export function WalkInDialog(props: { who: Who; onClose: () => void }) {
  const add = (conditions: readonly ConditionId[], level: 0 | 1 | 2 | 3) => {
    props.who.walkIn(conditions, level);
    props.onClose();
  };
  return (
    <Dialog title="Somebody more" onClose={props.onClose}>
      <div className="grid grid-cols-2 gap-2">
        {LEVELS.map((level, i) => (
          <button
            key={level.id}
            type="button"
            className="btn touch"
            onClick={() => add([], i as 0 | 1 | 2 | 3)}
          >
            {level.name}
          </button>
        ))}
        {KNOWN.map(([says, conditions]) => (
          <button key={says} type="button" className="btn touch" onClick={() => add(conditions, 1)}>
            {says}
          </button>
        ))}
      </div>
    </Dialog>
  );
}
