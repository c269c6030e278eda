import type { Library } from '@inner-rung/core/ladder';
import { type Person, shortName } from '@inner-rung/core/person';
import { blockName, type Plan } from '@inner-rung/core/session';
import { useState } from 'react';
import { useSend } from '../store/index.ts';
import { planEvents } from '../store/plan-slice.ts';
import { Dialog } from '../ui/dialog.tsx';

/** A trainer's own words for each station, on everybody's card or on one person's; they stay with the session. */
export function WordsDialog(props: {
  library: Library;
  plan: Plan;
  people: readonly Person[];
  onClose: () => void;
}) {
  const { library, plan, people } = props;
  const [person, setPerson] = useState('');
  const send = useSend();
  const own = (block: string, station: string) =>
    plan.wordsFor?.find((one) => one.block === block && one.station === station && one.person === person)
      ?.words ?? '';
  return (
    <Dialog title="Your words on the cards" onClose={props.onClose} wide>
      <p className="quiet mb-2">
        Instead of each form’s own cue, kept with the session. Left empty, the cue stands. One person’s words
        go before everybody’s, and stay here when the session leaves as a file.
      </p>
      <label className="mb-2 block">
        <span className="quiet block text-sm">On whose card</span>
        <select className="select touch w-full" value={person} onChange={(e) => setPerson(e.target.value)}>
          <option value="">everybody’s</option>
          {people.map((one) => (
            <option key={one.id} value={one.id}>
              {shortName(one)}
            </option>
          ))}
        </select>
      </label>
      <ul className="grid gap-2">
        {plan.blocks.flatMap((block, b) =>
          block.stations.map((station, i) => {
            const name = library.move(station.move)?.name ?? station.move;
            const where = plan.blocks.length > 1 ? `${blockName(plan.blocks, b)}, ` : '';
            const now = person ? own(block.id, station.id) : (station.words ?? '');
            const cue = library.move(station.move)?.cues[0] ?? '';
            return (
              <li key={`${block.id}/${station.id}/${person}`}>
                <label className="block">
                  <span className="quiet block text-sm">
                    {where}
                    {i + 1}. {name}
                  </span>
                  <input
                    className="input touch w-full"
                    maxLength={200}
                    defaultValue={now}
                    placeholder={person ? (station.words ?? cue) : cue}
                    onBlur={({ target: { value: words } }) => {
                      if (words.trim() === now) return;
                      send(
                        person
                          ? planEvents.wordsForPut({ block: b, station: i, person, words })
                          : planEvents.wordsPut({ block: b, station: i, words }),
                      );
                    }}
                  />
                </label>
              </li>
            );
          }),
        )}
      </ul>
    </Dialog>
  );
}
