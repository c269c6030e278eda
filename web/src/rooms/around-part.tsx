import { clockText } from '@inner-rung/core/clock';
import type { Library } from '@inner-rung/core/ladder';
import type { FormRef } from '@inner-rung/core/move';
import { floorSeconds, type Limit } from '@inner-rung/core/person';
import type { Room } from '@inner-rung/core/room';
import { type Around, coolDown, formName, warmUp } from '@inner-rung/core/scale';
import { useMemo, useState } from 'react';
import { Link } from 'react-router';

const HEADING: Readonly<Record<Around['part'], string>> = {
  pulse: 'Raise the pulse',
  mobility: 'Move the joints',
  rehearse: 'Rehearse, slowly',
  'keep moving': 'Keep moving',
  stretch: 'Stretch',
};

/** A warm-up and a cool-down made from the circuit, that everybody here can do. */
export function AroundPart(props: {
  library: Library;
  room: Room;
  forms: readonly FormRef[];
  limits: readonly Limit[];
}) {
  const { library, room, forms, limits } = props;
  const least = {
    before: Math.max(8, Math.ceil(floorSeconds(limits, 'warm-up') / 60)),
    after: Math.max(5, Math.ceil(floorSeconds(limits, 'cool-down') / 60)),
  };
  const [before, setBefore] = useState(least.before);
  const [after, setAfter] = useState(least.after);
  const warm = useMemo(
    () => warmUp({ library, room, forms, limits, minutes: before }),
    [library, room, forms, limits, before],
  );
  const cool = useMemo(
    () => coolDown({ library, room, forms, limits, minutes: after }),
    [library, room, forms, limits, after],
  );
  return (
    <div className="mt-6 grid grid-cols-1 gap-x-10 gap-y-6 md:grid-cols-2">
      <List
        title="Warm-up"
        list={warm}
        minutes={before}
        least={least.before}
        onMinutes={setBefore}
        library={library}
        needs={least.before > 8}
      />
      <List
        title="Cool-down"
        list={cool}
        minutes={after}
        least={least.after}
        onMinutes={setAfter}
        library={library}
        needs={least.after > 5}
      />
    </div>
  );
}

function List(props: {
  title: string;
  list: readonly Around[];
  minutes: number;
  least: number;
  onMinutes: (minutes: number) => void;
  library: Library;
  needs: boolean;
}) {
  const { title, list, minutes, least, library } = props;
  const id = `around-${title.toLowerCase()}`;
  const set = (to: number) => props.onMinutes(Math.min(30, Math.max(3, to)));
  return (
    <section aria-labelledby={id}>
      <div className="flex items-center gap-1">
        <h2 id={id} className="mr-auto text-2xl">
          {title}
        </h2>
        <button
          type="button"
          className="btn btn-sm touch no-print"
          aria-label={`${title}: a minute less`}
          onClick={() => set(minutes - 1)}
        >
          −
        </button>
        <span className="display w-20 text-center text-lg">{minutes} min</span>
        <button
          type="button"
          className="btn btn-sm touch no-print"
          aria-label={`${title}: a minute more`}
          onClick={() => set(minutes + 1)}
        >
          +
        </button>
      </div>
      {props.needs && <p className="quiet text-sm">Somebody here needs {least} minutes.</p>}
      {minutes < least && props.needs && (
        <p role="alert" className="font-semibold text-error">
          Shorter than the {least} minutes that somebody here needs.
        </p>
      )}
      {list.length === 0 ? (
        <p>Nothing in the library is open to everybody here: warm up one by one.</p>
      ) : (
        <ol className="border-y-2 border-base-300">
          {list.map((one, i) => (
            <li key={`${one.form.move}/${one.part}`} data-around={one.part}>
              {one.part !== list[i - 1]?.part && <p className="quiet pt-1 text-sm">{HEADING[one.part]}</p>}
              <p className="flex items-baseline gap-3">
                <span className="display w-12 shrink-0 text-right">{clockText(one.seconds)}</span>
                <span className="min-w-0">
                  <Link to={`/moves/${one.form.move}`} className="font-semibold hover:underline">
                    {formName(library, one.form.move, one.form.settings)}
                  </Link>
                  {library.move(one.form.move)?.sides === 'one' && ', half each side'}{' '}
                  <span className="quiet text-sm">{one.says}</span>
                </span>
              </p>
            </li>
          ))}
        </ol>
      )}
    </section>
  );
}
