import { join } from 'node:path';
import type { Database } from 'better-sqlite3';
import { type Logger, pino } from 'pino';
import { createApp } from '../src/app.ts';
import { documents } from '../src/documents.ts';
import { eraser } from '../src/erase.ts';
import { compileFolder } from '../src/library-files.ts';
import { network } from '../src/network.ts';
import type { Door } from '../src/routes/network.ts';
import { runs } from '../src/runs.ts';
import { snapshots } from '../src/snapshots.ts';
import { streams } from '../src/streams.ts';

export const library = compileFolder(join(process.cwd(), 'library'));

/** An app over a database, quiet, whose clocks the test turns (ms): one on the wall, one that only runs on. */
export function appOver(
  db: Database,
  wall: () => number = () => Date.parse('2026-11-24T10:00:00Z'),
  steady: () => number = () => 0,
  door?: Door,
  pack?: string,
  log: Logger = pino({ level: 'silent' }),
  /** Where copies are kept; without one there are none. */
  folder?: string,
) {
  const store = documents(db, () => new Date(wall()));
  const open = streams();
  const ways = network(db, wall, open);
  const live = runs(db, wall, steady);
  const erasing = eraser(db, wall, { runs: live, network: ways });
  const copies = folder === undefined ? undefined : snapshots(db, folder, wall, erasing);
  const app = createApp({
    documents: store,
    eraser: erasing,
    ...(copies && { snapshots: copies }),
    network: ways,
    streams: open,
    runs: live,
    ...(door && { door }),
    ...(pack !== undefined && { pack }),
    library,
    log,
    demo: false,
  });
  return { app, store, copies };
}
