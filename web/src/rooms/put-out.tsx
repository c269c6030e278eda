import type { SharedOut } from '@inner-rung/core/ask';
import { type FloorPlan, floorPlan, givenWords, type How, type SharingFix } from '@inner-rung/core/class';
import type { Library } from '@inner-rung/core/ladder';
import { fitWords, formsForEach, inReach } from '@inner-rung/core/paper';
import type { OneOf } from '@inner-rung/core/person';
import { equipmentOf, type Room } from '@inner-rung/core/room';
import type { Plan } from '@inner-rung/core/session';
import { useMemo } from 'react';
import { today } from '../store/day.ts';
import { ThingDrawing } from '../ui/thing-drawing.tsx';

const HOW_WORDS: Readonly<Record<How, string>> = {
  together: 'All at one station',
  waves: 'In two waves',
  halves: 'In two halves',
  rotation: 'Rotating',
};
const WAYS = Object.keys(HOW_WORDS) as How[];

export function Out(props: {
  library: Library;
  plan: Plan;
  block: number;
  room: Room;
  takers: readonly OneOf[];
  out: SharedOut;
  how: How;
  ahead: number;
  onFix: (fix: SharingFix) => void;
}) {
  const { library, plan, room, takers, out, how } = props;
  const { sharing } = out;
  const { stations } = plan.blocks[props.block]!;
  const floor = useMemo(
    () => floorPlan(library, room, stations.length, sharing.shared, how),
    [library, room, stations.length, sharing, how],
  );
  const reach = useMemo(() => inReach(takers, today()), [takers]);
  const standIns = out.putOut.filter((g) => equipmentOf(g.what).standIn);
  return (
    <>
      <div className="mt-4 grid grid-cols-1 gap-x-10 gap-y-6 md:grid-cols-2">
        <section aria-labelledby="put-h">
          <h2 id="put-h" className="text-2xl">
            Put out
          </h2>
          {out.putOut.length === 0 && <p>Nothing: the floor is enough.</p>}
          <ul className="mt-1">
            {out.putOut.map((given) => (
              <li key={given.item} className="flex items-center gap-3 border-b border-base-300 py-1">
                <ThingDrawing drawing={equipmentOf(given.what).drawing} className="h-8 w-8 shrink-0" />
                <span className="text-lg">
                  {equipmentOf(given.what).shelf === 'fixed' && <span className="quiet">keep clear: </span>}
                  {givenWords(room, given)}
                </span>
              </li>
            ))}
          </ul>
          {standIns.length > 0 && (
            <>
              <h3 className="mt-4 text-xl">Say about the stand-ins</h3>
              <ul>
                {standIns.map((given) => (
                  <li key={given.item} className="border-l-4 border-primary pl-3">
                    {equipmentOf(given.what).name}: {equipmentOf(given.what).standIn}.{' '}
                    {equipmentOf(given.what).never}
                  </li>
                ))}
              </ul>
            </>
          )}
          {reach.length > 0 && (
            <>
              <h3 className="mt-4 text-xl">In reach</h3>
              <ul data-reach>
                {reach.map((line) => (
                  <li key={line} className="border-b border-base-300 py-1">
                    {line}
                  </li>
                ))}
              </ul>
            </>
          )}
          <p className="mt-4" data-sharing>
            {fitWords(sharing)}
          </p>
          {sharing.changes > 0 && (
            <p data-otherwise>
              {WAYS.filter((other) => other !== how && out.changes[other] < sharing.changes)
                .map(
                  (other) =>
                    `${HOW_WORDS[other]}: ${out.changes[other] === 0 ? 'no change' : out.changes[other]}.`,
                )
                .join(' ')}
            </p>
          )}
          {sharing.changes > 0 && (out.fixes?.length ?? 0) > 0 && (
            <ul className="mt-1 grid gap-1" aria-label="Or">
              {out.fixes!.map((fix) => (
                <li key={fix.kind}>
                  <button
                    type="button"
                    className="btn touch h-auto justify-start py-1 text-left leading-tight"
                    data-fix={fix.kind}
                    onClick={() => props.onFix(fix)}
                  >
                    {fix.kind === 'swap'
                      ? `Swap stations ${fix.stations[0] + 1} and ${fix.stations[1] + 1}`
                      : `Start the second half at station ${fix.by + 1}`}
                    :{' '}
                    {fix.changes === 0
                      ? 'no change'
                      : `${fix.changes} ${fix.changes === 1 ? 'change' : 'changes'}`}{' '}
                    then
                  </button>
                </li>
              ))}
            </ul>
          )}
          {how === 'halves' && (
            <p className="quiet mt-1">
              Half of them start at station 1, the others at station {props.ahead + 1}; all work at once.
            </p>
          )}
        </section>
        <section aria-labelledby="floor-h">
          <h2 id="floor-h" className="text-2xl">
            The floor, to scale
          </h2>
          {floor.says && (
            <p role="alert" className="border-l-4 border-primary pl-3 font-semibold">
              {floor.says}
            </p>
          )}
          <FloorPicture room={room} floor={floor} />
        </section>
      </div>
      <section aria-labelledby="who-h" className="mt-6">
        <h2 id="who-h" className="text-2xl">
          Who gets what
        </h2>
        <ol className="divide-y-2 divide-base-300 border-y-2 border-base-300">
          {stations.map((station, s) => (
            <li key={station.id} className="grid grid-cols-1 gap-x-6 py-2 md:grid-cols-[13rem_minmax(0,1fr)]">
              <p className="display text-lg">
                <span className="text-primary">{s + 1}</span> {library.move(station.move)?.name}
              </p>
              <ul>
                {formsForEach(library, room, sharing.shared, s, takers).map((row) => (
                  <li key={row.key} data-changed={row.changed} className="leading-snug">
                    <span className="font-semibold">{row.form}</span>
                    {row.things && <span className="quiet">, {row.things}</span>}: {row.who}
                    {row.changed && <strong> (not enough for all: changed)</strong>}
                  </li>
                ))}
              </ul>
            </li>
          ))}
        </ol>
      </section>
    </>
  );
}

function FloorPicture(props: { room: Room; floor: FloorPlan }) {
  const { room, floor } = props;
  const { lengthMetres: length, widthMetres: width } = room;
  const edge = Math.max(length, width) * 0.03;
  const text = Math.max(length, width) * 0.035;
  return (
    <figure className="mt-1">
      <svg
        viewBox={`${-edge} ${-edge} ${length + 2 * edge} ${width + 2 * edge + text * 1.6}`}
        className="w-full max-w-xl"
        role="img"
        aria-label={`Floor of ${length} by ${width} metres with ${floor.places.length} stations round its edge`}
      >
        <rect
          x="0"
          y="0"
          width={length}
          height={width}
          fill="var(--lane-0)"
          stroke="var(--line)"
          strokeWidth={edge / 4}
        />
        {Array.from({ length: Math.floor(length) }, (_, m) => m + 1).map((m) => (
          <path key={`x${m}`} d={`M${m} 0V${width}`} stroke="var(--lane-2)" strokeWidth={edge / 12} />
        ))}
        {Array.from({ length: Math.floor(width) }, (_, m) => m + 1).map((m) => (
          <path key={`y${m}`} d={`M0 ${m}H${length}`} stroke="var(--lane-2)" strokeWidth={edge / 12} />
        ))}
        {floor.places.map((place) => (
          <g key={place.station}>
            <rect
              x={place.x}
              y={place.y}
              width={place.width}
              height={place.height}
              fill="var(--color-base-100)"
              stroke="var(--line)"
              strokeWidth={edge / 5}
            />
            <text
              x={place.x + place.width / 2}
              y={place.y + place.height / 2}
              fontSize={text * 1.3}
              fontWeight="750"
              textAnchor="middle"
              dominantBaseline="central"
              fill="var(--color-base-content)"
            >
              {place.station + 1}
            </text>
          </g>
        ))}
        <text x="0" y={width + edge + text * 1.2} fontSize={text} fill="var(--quiet)">
          {length} m by {width} m, a square a metre
        </text>
      </svg>
    </figure>
  );
}
