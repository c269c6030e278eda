import type { Library } from '@inner-rung/core/ladder';
import type { FormRef, Settings } from '@inner-rung/core/move';
import type { LevelIndex, Limit, Person } from '@inner-rung/core/person';
import type { Room } from '@inner-rung/core/room';
import { lackWords, loadWords, startingLoad, WAYS_TO_LOOK_FOR, waysHere } from '@inner-rung/core/ways';
import { Link } from 'react-router';
import { useApp } from '../store/index.ts';
import { useFinder } from './use-finder.ts';

const KIND = {
  'as it is': 'as it is',
  'stand-in': 'stand-in',
  moved: 'another height',
  'another form': 'another form',
} as const;

/** The ways to do a form in a room, best first, with what each keeps, loses and takes care of. */
export function Ways(props: {
  library: Library;
  room: Room;
  from: FormRef;
  person: Person | null;
  most: number;
  onTake?: (move: string, settings: Settings) => void;
}) {
  const { library, room, from, most } = props;
  const found = useFinder(
    library,
    room,
    [
      {
        from,
        without: [],
        withoutItems: [],
        by: 0,
        most: WAYS_TO_LOOK_FOR,
        itself: true,
      },
    ],
    props.person,
  );
  const lacks = lackWords(library, room, from.move);
  const ways = found?.[0] ? waysHere(library, room, from, found[0]).slice(0, most) : null;
  return (
    <div data-ways>
      {lacks && <p className="font-semibold">{lacks}</p>}
      {ways === null ? (
        <p className="quiet">Looking round the room…</p>
      ) : ways.length === 0 ? (
        <p>Nothing here keeps enough of it. Easy movement, or another station.</p>
      ) : (
        <ol className="divide-y divide-base-300">
          {ways.map((way) => (
            <li key={`${way.move}/${JSON.stringify(way.settings)}`} data-way={way.kind} className="py-1.5">
              <p className="leading-snug">{way.says}</p>
              {way.dose && <p className="text-sm">{way.dose}</p>}
              {way.cautions.map((line) => (
                <p key={line} className="border-l-4 border-primary pl-2 text-sm">
                  {line}
                </p>
              ))}
              <p className="flex items-center gap-2">
                <span className="quiet text-sm">{KIND[way.kind]}</span>
                {props.onTake ? (
                  <button
                    type="button"
                    className="btn btn-ghost btn-sm touch"
                    aria-label={`Write in ${way.says.split('.')[0]}`}
                    onClick={() => props.onTake!(way.move, way.settings)}
                  >
                    Write it in
                  </button>
                ) : (
                  <Link
                    to={`/moves/${way.move}`}
                    className="touch inline-flex items-center text-sm underline underline-offset-4"
                  >
                    All about it
                  </Link>
                )}
              </p>
            </li>
          ))}
        </ol>
      )}
    </div>
  );
}

/** What to begin with, where a form takes a load and the room has one. */
export function LoadLine(props: {
  library: Library;
  room: Room;
  move: string;
  level: LevelIndex;
  limits: readonly Limit[];
}) {
  const unit = useApp((state) => state.view.units.mass);
  const load = startingLoad(props.library, props.room, props.move, props.level, props.limits);
  if (!load) return null;
  return <p className="mt-2 text-[0.95rem]">{loadWords(load, unit)}</p>;
}
