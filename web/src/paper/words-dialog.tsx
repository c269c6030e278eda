import type { Library } from '@inner-rung/core/ladder';
import { blockName, type Plan } from '@inner-rung/core/session';
import { useSend } from '../store/index.ts';
import { planEvents } from '../store/plan-slice.ts';
import { Dialog } from '../ui/dialog.tsx';

/** A trainer's own words for each station, on everybody's card; they stay with the session. */
export function WordsDialog(props: { library: Library; plan: Plan; onClose: () => void }) {
  const { library, plan } = props;
  const send = useSend();
  return (
    <Dialog title="Your words on the cards" onClose={props.onClose} wide>
      <p className="quiet mb-2">
        Instead of each form’s own cue, on everybody’s card, kept with the session. Left empty, the cue
        stands.
      </p>
      <ul className="grid gap-2">
        {plan.blocks.flatMap((block, b) =>
          block.stations.map((station, i) => {
            const name = library.move(station.move)?.name ?? station.move;
            const where = plan.blocks.length > 1 ? `${blockName(plan.blocks, b)}, ` : '';
            return (
              <li key={`${block.id}/${station.id}`}>
                <label className="block">
                  <span className="quiet block text-sm">
                    {where}
                    {i + 1}. {name}
                  </span>
                  <input
                    className="input touch w-full"
                    maxLength={200}
                    defaultValue={station.words ?? ''}
                    placeholder={library.move(station.move)?.cues[0] ?? ''}
                    onBlur={(event) => {
                      if (event.target.value.trim() !== (station.words ?? ''))
                        send(planEvents.wordsPut({ block: b, station: i, words: event.target.value }));
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
