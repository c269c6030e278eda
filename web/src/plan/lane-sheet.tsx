import { LANES, laneName } from '@inner-rung/core/class';
import { clockText, type Format, formatWords } from '@inner-rung/core/clock';
import type { Use } from '@inner-rung/core/engine';
import type { Library } from '@inner-rung/core/ladder';
import type { FormRef } from '@inner-rung/core/move';
import type { RestTiers } from '@inner-rung/core/session';
import { formName } from '@inner-rung/core/words';
import { Footprints, Pin } from 'lucide-react';
import { useState } from 'react';
import { MovePicker } from '../features/move-picker.tsx';
import { Choice } from '../ui/choice.tsx';
import { Dialog } from '../ui/dialog.tsx';
import { type BlockPicture, doseAt } from './block-picture.ts';
import { ladderFor } from './upright.tsx';

/** The lane nearest in colour: four hues for up to five lanes. */
const hueOf = (position: number) => `var(--lane-${Math.round(position)})`;

/** The circuit in its lanes, innermost first: made in one go, changed by hand, checked as they are changed. */
export function LaneSheet(props: {
  picture: BlockPicture;
  library: Library;
  count: number;
  pinned: (station: number, lane: number) => boolean;
  station: number;
  onStation: (station: number) => void;
  onCount: (count: number) => void;
  onPin: (station: number, lane: number, form: FormRef | null) => void;
  /** Null where no rests could differ by lane. */
  tiers: RestTiers | null;
  onOneClock: (format: Format) => void;
  /** Null where the format has no rounds to walk. */
  onWalk: (() => void) | null;
}) {
  const { picture, library, count } = props;
  const [open, setOpen] = useState<{ station: number; lane: number; search: boolean } | null>(null);
  const lanes = picture.lanes;
  const faultAt = (station: number, lane: number) =>
    picture.laneFaults.find((f) => f.station === station && f.lane === lane);
  const whole = picture.laneFaults.filter((f) => f.station === null);
  const use = open ? (lanes?.[open.lane]?.uses[open.station] ?? null) : null;
  return (
    <div className="flex h-full min-h-0 flex-col">
      <div className="flex flex-wrap items-end gap-x-4 gap-y-1 px-1 pb-2">
        <Choice
          legend="Lanes"
          name="lane-count"
          value={count}
          of={Array.from({ length: LANES.most - LANES.fewest + 1 }, (_, i) => ({
            value: LANES.fewest + i,
            says: String(LANES.fewest + i),
          }))}
          onChoose={props.onCount}
        />
        {props.onWalk && (
          <button type="button" className="btn btn-sm touch" onClick={props.onWalk}>
            <Footprints size={17} aria-hidden /> A lane outwards each round
          </button>
        )}
        {props.tiers && (
          <details className="text-sm">
            <summary className="touch flex cursor-pointer items-center underline underline-offset-4">
              Rests by lane
            </summary>
            <table className="table table-xs w-auto">
              <tbody>
                {props.tiers.tiers.map(({ restSeconds, lengthSeconds }) => (
                  <tr key={restSeconds}>
                    <th scope="row" className="font-normal">
                      A group with {restSeconds} s of rest
                    </th>
                    <td className="tabular-nums">{clockText(lengthSeconds)}</td>
                  </tr>
                ))}
                <tr>
                  <th scope="row" className="font-normal">
                    One clock, {formatWords(props.tiers.oneClock.format)}
                  </th>
                  <td className="tabular-nums">{clockText(props.tiers.oneClock.lengthSeconds)}</td>
                  <td>
                    <button
                      type="button"
                      className="btn btn-sm touch"
                      onClick={() => props.onOneClock(props.tiers!.oneClock.format)}
                    >
                      Take it
                    </button>
                  </td>
                </tr>
              </tbody>
            </table>
          </details>
        )}
        <p
          className="min-w-0 flex-1 text-sm max-md:basis-full"
          role="status"
          data-lane-faults={picture.laneFaults.length}
        >
          {lanes === null
            ? 'Making the lanes…'
            : whole.length > 0
              ? `${whole.map((f) => f.says).join('; ')}: too few to tell them apart.`
              : picture.laneFaults.length > 0
                ? `${picture.laneFaults.length} to look at, marked below.`
                : 'Never harder inwards, and apart at two thirds of the stations or more.'}
        </p>
      </div>
      {/* biome-ignore lint/a11y/noNoninteractiveTabindex: a scrolling table must be reachable by keyboard */}
      <section className="min-h-0 flex-1 overflow-auto" tabIndex={0} aria-label="The circuit in lanes">
        <table className="table table-pin-rows table-sm w-full min-w-[38rem] table-fixed text-[0.9rem]">
          <thead>
            <tr className="display text-base text-base-content">
              <th scope="col" className="w-12">
                <span className="sr-only">Station</span>
              </th>
              {(lanes ?? []).map((lane, k) => (
                <th key={lane.position} scope="col" className="leading-tight whitespace-normal">
                  <span
                    className="mr-2 inline-block h-3 w-5 border border-current align-middle"
                    style={{ background: hueOf(lane.position) }}
                    aria-hidden
                  />
                  {count === 4 ? laneName(lane.position) : `Lane ${k + 1}`}
                  {count !== 4 && (
                    <span className="quiet block text-sm font-normal">{laneName(lane.position)}</span>
                  )}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {picture.block.stations.map((planned, i) => (
              <tr key={planned.id} className={i === props.station ? 'bg-base-200' : ''}>
                <th scope="row">
                  <button
                    type="button"
                    className="display touch w-full text-lg underline decoration-2 underline-offset-4"
                    aria-label={`Station ${i + 1}, open`}
                    onClick={() => props.onStation(i)}
                  >
                    {i + 1}
                  </button>
                </th>
                {(lanes ?? []).map((lane, k) => {
                  const here = lane.uses[i] ?? null;
                  const fault = faultAt(i, k);
                  return (
                    <td key={lane.position} className="p-0 align-top">
                      <button
                        type="button"
                        className="touch block w-full px-2 py-1.5 text-left leading-tight hover:bg-base-200"
                        aria-label={`Station ${i + 1}, lane ${k + 1}: ${here ? formName(library, here.move, here.settings) : 'easy movement'}, change`}
                        onClick={() => setOpen({ station: i, lane: k, search: false })}
                      >
                        <Cell library={library} picture={picture} station={i} use={here} />
                        {props.pinned(i, k) && (
                          <span className="quiet block text-xs">
                            <Pin size={12} className="mr-1 inline" aria-hidden />
                            by hand
                          </span>
                        )}
                        {fault && (
                          <span className="block text-sm font-semibold text-primary">{fault.says}</span>
                        )}
                      </button>
                    </td>
                  );
                })}
              </tr>
            ))}
          </tbody>
        </table>
      </section>
      {open && !open.search && (
        <Dialog
          title={`Station ${open.station + 1}, lane ${open.lane + 1}`}
          onClose={() => setOpen((now) => (now?.search ? now : null))}
        >
          <ul className="grid gap-1">
            {rungsNear(library, picture.block.stations[open.station]!.move, use).map((form) => (
              <li key={`${form.move}${JSON.stringify(form.settings ?? {})}`}>
                <button
                  type="button"
                  className="btn touch w-full justify-start"
                  onClick={() => {
                    props.onPin(open.station, open.lane, form);
                    setOpen(null);
                  }}
                >
                  {formName(library, form.move, form.settings)}
                </button>
              </li>
            ))}
          </ul>
          <div className="mt-3 flex flex-wrap gap-2">
            <button
              type="button"
              className="btn btn-sm touch"
              onClick={() => setOpen({ ...open, search: true })}
            >
              Another move…
            </button>
            {props.pinned(open.station, open.lane) && (
              <button
                type="button"
                className="btn btn-sm touch"
                onClick={() => {
                  props.onPin(open.station, open.lane, null);
                  setOpen(null);
                }}
              >
                As it was made
              </button>
            )}
          </div>
        </Dialog>
      )}
      {open?.search && (
        <MovePicker
          library={library}
          title={`Station ${open.station + 1}, lane ${open.lane + 1}`}
          onClose={() => setOpen(null)}
          onPick={(move) => {
            props.onPin(open.station, open.lane, { move });
            setOpen(null);
          }}
        />
      )}
    </div>
  );
}

/** Rungs a coach would put there: those of the ladder that the form in use stands on, easiest first. */
function rungsNear(library: Library, written: string, use: Use | null): FormRef[] {
  const ladder = ladderFor(library, written, use);
  return (ladder?.rungs ?? []).map(({ move, settings }) => ({ move, ...(settings ? { settings } : {}) }));
}

function Cell(props: { library: Library; picture: BlockPicture; station: number; use: Use | null }) {
  const { use } = props;
  if (!use) return <span className="quiet">easy movement</span>;
  return (
    <>
      <span className="font-semibold">{formName(props.library, use.move, use.settings)}</span>
      <span className="quiet block text-sm">{doseAt(props.library, props.picture, props.station, use)}</span>
    </>
  );
}
