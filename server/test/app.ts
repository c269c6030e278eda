import { join } from 'node:path';
import type { Database } from 'better-sqlite3';
import { pino } from 'pino';
import { createApp, type Door } from '../src/app.ts';
import { documents } from '../src/documents.ts';
import { readLibrary } from '../src/library-files.ts';
import { network } from '../src/network.ts';
import { runs } from '../src/runs.ts';

export const library = readLibrary(join(process.cwd(), 'library'));

/** An app over a database, quiet, whose clocks the test turns (ms): one on the wall, one that only runs on. */
export function appOver(
  db: Database,
  wall: () => number = () => Date.parse('2026-11-24T10:00:00Z'),
  steady: () => number = () => 0,
  door?: Door,
  pack?: string,
) {
  const store = documents(db, () => new Date(wall()));
  const app = createApp({
    documents: store,
    network: network(db, wall),
    runs: runs(db, wall, steady),
    ...(door && { door }),
    ...(pack !== undefined && { pack }),
    library,
    log: pino({ level: 'silent' }),
    demo: false,
  });
  return { app, store };
}
