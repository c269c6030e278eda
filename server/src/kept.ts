import type { Db } from './database.ts';
import { documents } from './documents.ts';
import { eraser } from './erase.ts';
import { erasedNames } from './erased-names.ts';
import { network } from './network.ts';
import { runs } from './runs.ts';
import { streams } from './streams.ts';
import { team } from './team.ts';
import { trail } from './trail.ts';

/**
 * Everything that is kept in one database, and what is done with it. Its clocks are passed in, in milliseconds: one on
 * the wall, which somebody may set, and one that only runs on.
 */
export function keptIn(db: Db, wall: () => number, steady: () => number) {
  // No two saves at one moment: the newest is always one.
  let latest = 0;
  const saves = () => {
    latest = Math.max(wall(), latest + 1);
    return new Date(latest);
  };
  const open = streams();
  const parts = {
    runs: runs(db, wall, steady),
    network: network(db, wall, open),
    trail: trail(db, wall, erasedNames(db)),
  };
  return {
    ...parts,
    documents: documents(db, saves),
    streams: open,
    team: team(db, wall, open),
    eraser: eraser(db, wall, parts),
  };
}
