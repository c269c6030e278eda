import type { Library } from '@inner-rung/core/ladder';
import type { Settings } from '@inner-rung/core/move';
import type { Person } from '@inner-rung/core/person';
import type { Room } from '@inner-rung/core/room';
import type { Station } from '@inner-rung/core/session';
import { useState } from 'react';
import { Ways } from './ways.tsx';

/** Ways to do the trainer's own move here, looked for only when it is unfolded. */
export function WaysFold(props: {
  library: Library;
  room: Room;
  station: Station | undefined;
  person: Person | null;
  onTake: (move: string, settings: Settings) => void;
}) {
  const { station } = props;
  const [open, setOpen] = useState(false);
  if (!station) return null;
  return (
    <details className="mt-2" open={open} onToggle={(event) => setOpen(event.currentTarget.open)}>
      <summary className="touch flex cursor-pointer items-center underline underline-offset-4">
        Other ways, with what is in {props.room.name}
      </summary>
      {open && (
        <Ways
          library={props.library}
          room={props.room}
          from={{ move: station.move, ...(station.settings ? { settings: station.settings } : {}) }}
          person={props.person}
          most={5}
          onTake={props.onTake}
        />
      )}
    </details>
  );
}
