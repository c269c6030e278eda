import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { join } from 'node:path';
import type { Database } from 'better-sqlite3';
import { type Logger, pino } from 'pino';
import request from 'supertest';
import { PLANS } from '../../demo/src/index.ts';
import { createApp } from '../src/app.ts';
import { openDatabase } from '../src/database.ts';
import type { Door } from '../src/door.ts';
import { keptIn } from '../src/kept.ts';
import { compileFolder } from '../src/library-files.ts';

import { snapshots } from '../src/snapshots.ts';

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
  const kept = keptIn(db, wall, steady);
  const copies = folder === undefined ? undefined : snapshots(db, folder, wall, kept.eraser);
  const app = createApp({
    ...kept,
    ...(copies && { snapshots: copies }),
    ...(door && { door }),
    ...(pack !== undefined && { pack }),
    library,
    log,
    demo: false,
  });
  return { app, store: kept.documents, copies };
}

export const PASSCODE = 'seven-geese';
const servers: Server[] = [];
afterAll(() => {
  for (const server of servers) {
    server.closeAllConnections();
    server.close();
  }
});

/**
 * An app with two ways in, one as on the machine itself and one as from the network, on a database that may be a file
 * (in memory without one).
 */
export async function twoWaysIn(path = ':memory:', log?: Logger) {
  const clock = { now: 1_000_000, steady: 0 };
  const db = openDatabase(path);
  /** Whether the way in from the network is open. */
  const state = { on: true };
  let lanPort = 0;
  const { app, store } = appOver(
    db,
    () => clock.now,
    () => clock.steady,
    {
      port: () => (state.on ? lanPort : null),
      fingerprint: () => null,
      open: async () => {
        state.on = true;
      },
      shut: async () => {
        state.on = false;
      },
    },
    undefined,
    log,
  );
  const listen = async () => {
    const server = createServer(app).listen(0, '127.0.0.1');
    await new Promise((ready) => server.once('listening', ready));
    servers.push(server);
    return (server.address() as AddressInfo).port;
  };
  const herePort = await listen();
  lanPort = await listen();
  const here = request(`http://127.0.0.1:${herePort}`);
  const there = request(`http://127.0.0.1:${lanPort}`);
  const signIn = (passcode = PASSCODE) => there.post('/api/sign-in').send({ passcode });
  /** Of a sign-in with the right passcode, as it is sent back. */
  const cookie = async () => cookieFrom(await signIn());
  return { clock, db, state, store, here, there, herePort, lanPort, signIn, cookie };
}
export const cookieFrom = (answer: { headers: Record<string, unknown> }) =>
  (answer.headers['set-cookie'] as string[])[0]!.split(';')[0]!;

/** Somebody of a run who squats; what is told of their health is `more`. */
export const castFor = (id: string, name: string, more: object = {}) => ({
  id,
  name,
  byNumber: false,
  does: [{ move: 'squat', name: 'Squat', dose: '10', pace: 20, lane: 1 }],
  switches: [],
  cautions: [] as string[],
  today: { conditions: [], level: null },
  ...more,
});
/** A run of the first session of the demo. */
export const runFor = (cast: readonly ReturnType<typeof castFor>[], emergency = '') => ({
  version: 1,
  id: 'tuesday-1',
  plan: { id: 'p', title: 'Tuesday', forWhom: PLANS[0]!.forWhom, blocks: PLANS[0]!.blocks },
  facts: {},
  group: 'tuesday-evening',
  room: 'Hall',
  on: '2026-11-24',
  cast,
  emergency,
});
