import { formatEntry } from '@inner-rung/core/clock';
import type { Library } from '@inner-rung/core/ladder';
import type { Settings } from '@inner-rung/core/move';
import type { Station } from '@inner-rung/core/session';
import {
  formName,
  keptWords,
  lostWords,
  paceWords,
  restingName,
  sayNearMiss,
  sayReason,
} from '@inner-rung/core/words';
import { ArrowDown, ArrowUp, Copy, Plus, Search, Trash2 } from 'lucide-react';
import type { ReactNode } from 'react';
import { Link } from 'react-router';
import { MidSet } from '../features/mid-set.tsx';
import { type BlockPicture, doseAt, partDose } from './block-picture.ts';
import { DoseFold } from './dose-fold.tsx';
import { ladderFor, Upright } from './upright.tsx';

/** One station: what this person does and why, the trainer's move, and the ladder both stand on. */
export function StationPanel(props: {
  picture: BlockPicture;
  /** The station as it stands in the store, which a picture may lag behind. */
  live: Station | undefined;
  library: Library;
  station: number;
  who: string;
  initials: string;
  onChangeMove: () => void;
  onAdd: () => void;
  onRemove: () => void;
  onShift: (by: -1 | 1) => void;
  onPick: (move: string, settings: Settings | undefined) => void;
  onCopy: () => void;
  onPatch: (patch: Partial<Station>) => void;
  /** What the room has to say of it. */
  children?: ReactNode;
}) {
  const { picture, library, station } = props;
  const planned = picture.block.stations[station];
  if (!planned)
    return (
      <section className="p-4" aria-label="Station">
        <p>No stations yet.</p>
        <button type="button" className="btn btn-primary mt-2" onClick={props.onAdd}>
          Add a station
        </button>
      </section>
    );
  const use = picture.version.uses[station] ?? null;
  const original = picture.version.original[station] ?? null;
  const reason = picture.version.reasons.find((r) => r.station === station);
  const move = use ? library.move(use.move) : undefined;
  const ladder = ladderFor(library, planned.move, use);
  const lost = original && use ? lostWords(library, original, use) : [];
  return (
    <section className="min-w-0" aria-label={`Station ${station + 1}`}>
      <div className="flex items-start justify-between gap-2">
        <h2 className="text-[1.55rem] leading-[1.1]">
          <span className="text-primary">{station + 1}</span>{' '}
          {use ? formName(library, use.move, use.settings) : restingName(library, planned.move)}
        </h2>
      </div>
      {use && move && (
        <p className="mt-1 text-[1.02rem]">
          {doseAt(library, picture, station, use)}
          {use.pace !== null && <span className="quiet"> · {paceWords(use)}</span>}
          <span className="quiet">
            {' '}
            · {use.metLo.toFixed(1)}–{use.metHi.toFixed(1)} MET
          </span>
        </p>
      )}
      {picture.chains[station]!.map((part, k) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: a chain's parts have no id of their own
        <p key={k}>
          <span className="quiet">
            {formatEntry(picture.block.format.kind).fills ? 'to fill it: ' : 'then '}
          </span>
          {part.use ? formName(library, part.use.move, part.use.settings) : 'easy movement'}
          <span className="quiet"> {partDose(library, picture, station, part)}</span>
        </p>
      ))}
      <div className="mt-2 border-l-4 border-primary pl-3" aria-live="polite">
        {reason ? (
          <>
            <p data-reason>{sayReason(library, original, reason)}</p>
            <p className="quiet mt-1 text-sm">
              Keeps {keptWords(reason)}.{lost.length > 0 ? ` Spares ${lost.join(', ')}.` : ''}
            </p>
            {reason.nearMiss && <p className="quiet mt-1 text-sm">{sayNearMiss(library, reason)}</p>}
          </>
        ) : (
          <p data-reason>{props.who === 'Lane' ? 'As written.' : `${props.who} does this as written.`}</p>
        )}
      </div>
      {move && (
        <p className="mt-2 text-sm">
          <span className="font-semibold">Say:</span> {move.cues.join('. ')}.{' '}
          <Link to={`/moves/${move.id}`} className="underline underline-offset-4">
            All about it
          </Link>
        </p>
      )}
      {use && <MidSet library={library} switches={picture.switches?.[station] ?? null} />}
      <div className="mt-3 flex flex-wrap items-center gap-1">
        <button type="button" className="btn btn-sm touch" onClick={props.onChangeMove}>
          <Search size={17} aria-hidden /> Change move
        </button>
        <button
          type="button"
          className="btn btn-sm touch"
          onClick={props.onAdd}
          aria-label="Add a station after this one"
        >
          <Plus size={17} aria-hidden />
        </button>
        <button
          type="button"
          className="btn btn-sm touch"
          onClick={() => props.onShift(-1)}
          disabled={station === 0}
          aria-label="Move this station earlier"
        >
          <ArrowUp size={17} aria-hidden />
        </button>
        <button
          type="button"
          className="btn btn-sm touch"
          onClick={() => props.onShift(1)}
          disabled={station >= picture.block.stations.length - 1}
          aria-label="Move this station later"
        >
          <ArrowDown size={17} aria-hidden />
        </button>
        <button
          type="button"
          className="btn btn-sm touch"
          onClick={props.onCopy}
          aria-label="This station once more"
        >
          <Copy size={17} aria-hidden />
        </button>
        <button
          type="button"
          className="btn btn-sm touch"
          onClick={props.onRemove}
          aria-label="Take this station out"
        >
          <Trash2 size={17} aria-hidden />
        </button>
      </div>
      <DoseFold
        key={planned.id}
        library={library}
        station={props.live ?? planned}
        fills={formatEntry(picture.block.format.kind).fills === true}
        sets={picture.block.format.kind === 'sets' ? picture.block.format.sets : null}
        onPatch={props.onPatch}
      />
      {props.children}
      {ladder && (
        <div className="mt-3">
          <h3 className="mb-1 text-lg">{ladder.name}</h3>
          <Upright
            ladder={ladder}
            library={library}
            picture={picture}
            station={station}
            initials={props.initials}
            onPick={props.onPick}
          />
          <p className="quiet mt-1 text-xs">Choose a rung to write it into the circuit.</p>
        </div>
      )}
    </section>
  );
}
