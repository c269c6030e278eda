import { SIDEWAYS, SIDEWAYS_IDS, type Switches, type Use } from '@inner-rung/core/engine';
import type { Library } from '@inner-rung/core/ladder';
import { formName } from '@inner-rung/core/words';

/** Where somebody can go without stopping: easier, harder, or round a wrist, a knee, a back. */
export function MidSet(props: { library: Library; switches: Switches | null }) {
  const { library, switches } = props;
  if (!switches) return null;
  const name = (use: Use) => formName(library, use.move, use.settings);
  const spared = SIDEWAYS_IDS.filter((id) => switches.sideways[id] === 'same');
  const moved = SIDEWAYS_IDS.filter((id) => switches.sideways[id] !== 'same');
  return (
    <dl
      className="mt-2 grid grid-cols-[auto_1fr] gap-x-3 text-sm"
      data-mid-set
      aria-label="In the middle of a set"
    >
      <dt className="quiet">Too much</dt>
      <dd>{switches.down ? name(switches.down) : 'slower, or fewer'}</dd>
      <dt className="quiet">Too little</dt>
      <dd>{switches.up ? name(switches.up) : 'slower and lower; nothing harder is open here'}</dd>
      {moved.map((id) => {
        const to = switches.sideways[id];
        return [
          <dt key={id} className="quiet first-letter:uppercase">
            {SIDEWAYS[id].says}
          </dt>,
          <dd key={`${id}-to`}>{to && to !== 'same' ? name(to) : 'easy movement'}</dd>,
        ];
      })}
      {spared.length > 0 && (
        <>
          <dt className="quiet">Spares</dt>
          <dd>{spared.map((id) => SIDEWAYS[id].says).join(', ')} already</dd>
        </>
      )}
    </dl>
  );
}
