import type { Switches } from '@inner-rung/core/engine';
import type { Library } from '@inner-rung/core/ladder';
import type { FormRef } from '@inner-rung/core/move';
import { calledName, LEVELS, QUICK_CONDITIONS, standsFor } from '@inner-rung/core/person';
import { countWord, formName } from '@inner-rung/core/words';
import { Search } from 'lucide-react';
import { useState } from 'react';
import { FromNowOn } from '../features/from-now-on.tsx';
import { MidSet } from '../features/mid-set.tsx';
import { MovePicker } from '../features/move-picker.tsx';
import type { useWhoToday } from '../features/who-today.ts';
import { people, useApp } from '../store/index.ts';
import { Choice, Tick } from '../ui/choice.tsx';
import { Dialog } from '../ui/dialog.tsx';

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
  /** Where they can go mid-set from it. */
  switches: Switches | null;
  /** A level other than their own that they have today. */
  level: 0 | 1 | 2 | 3 | null;
  onLevel: (ids: readonly string[], level: 0 | 1 | 2 | 3 | null) => void;
  onGive: (ids: readonly string[], form: FormRef) => void;
  onClose: () => void;
}) {
  const { who, id } = props;
  const [searching, setSearching] = useState(false);
  const [ofAll, setOfAll] = useState(true);
  // Only who has a file can have a rule of their own; it stands on their page, where it is taken back.
  const own = useApp(people.docs)[id];
  const one = [...who.expected, ...who.taking].find((t) => t.id === id);
  if (!one) return null;
  // People who came by number are alike: what is said is said of all of them, unless it is of one.
  const alike =
    standsFor(one.person) === null
      ? [id]
      : [...who.expected, ...who.walkIns].flatMap((t) => (t.person.id === one.person.id ? [t.id] : []));
  const ids = ofAll ? alike : [id];
  const walkedIn = who.walkIns.some((t) => t.id === id);
  if (searching)
    return (
      <MovePicker
        library={props.library}
        title={`For ${calledName(one.person)}`}
        onClose={props.onClose}
        onPick={(move) => props.onGive(ids, { move })}
      />
    );
  return (
    <Dialog title={calledName(one.person)} onClose={props.onClose}>
      {alike.length > 1 && (
        <div className="mb-3">
          <Choice
            legend="This is of"
            name="alike"
            value={ofAll ? 'all' : 'one'}
            of={[
              { value: 'all', says: `all ${countWord(alike.length)} of them` },
              { value: 'one', says: 'one of them' },
            ]}
            onChoose={(of) => setOfAll(of === 'all')}
          />
        </div>
      )}
      {props.does && (
        <div className="mb-3 grid gap-1">
          <p className="quiet text-sm">At this station, rather</p>
          {props.offers.map((form) => (
            <button
              key={JSON.stringify(form)}
              type="button"
              className="btn touch justify-start"
              onClick={() => props.onGive(ids, form)}
            >
              {formName(props.library, form.move, form.settings)}
            </button>
          ))}
          <button type="button" className="btn touch justify-start" onClick={() => setSearching(true)}>
            <Search size={17} aria-hidden /> Something else…
          </button>
        </div>
      )}
      {props.switches && (
        <div className="mb-3">
          <p className="quiet text-sm">In the middle of a set</p>
          <MidSet library={props.library} switches={props.switches} />
        </div>
      )}
      <div className="mb-3">
        <Choice
          legend="Today as somebody who is"
          name="level"
          value={props.level ?? -1}
          of={[
            { value: -1, says: 'as they are' },
            ...LEVELS.map((level, i) => ({ value: i, says: level.name.toLowerCase() })),
          ]}
          onChoose={(value) => {
            props.onLevel(ids, value < 0 ? null : (value as 0 | 1 | 2 | 3));
            props.onClose();
          }}
        />
      </div>
      {props.does && own && (
        <div className="mb-3 grid gap-1">
          <FromNowOn library={props.library} person={own} move={props.does.move} onDone={props.onClose} />
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
              who.setAway(ids, away);
              props.onClose();
            }}
          >
            Not here today
          </Tick>
          <p className="quiet mt-2 text-sm">Today</p>
          {QUICK_CONDITIONS.map(({ id: condition, today: says }) => (
            <Tick
              key={condition}
              on={(who.day.sore[id] ?? []).includes(condition)}
              onTurn={(on) => {
                who.setSore(ids, condition, on);
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
