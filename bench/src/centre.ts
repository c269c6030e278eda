import { mkdtempSync } from 'node:fs';
import { Agent, createServer, get, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { gunzipSync, gzipSync } from 'node:zlib';
import { recordOf } from '@inner-rung/core/records';
import { pino } from 'pino';
import { PEOPLE, PLANS, RECORDS } from '../../demo/src/index.ts';
import { createApp } from '../../server/src/app.ts';
import { openDatabase, openDataFolder } from '../../server/src/database.ts';
import { keptIn } from '../../server/src/kept.ts';
import { type Row, row } from './measure.ts';

/** A busy centre after some years. */
const CENTRE = { people: 2000, sessions: 1000, records: 2500 } as const;
const AT_ONCE = 50;

const keptOn = (path: string) => {
  const db = openDatabase(path);
  return { db, kept: keptIn(db, Date.now, () => performance.now()) };
};

function filled(): string {
  const path = openDataFolder(mkdtempSync(join(tmpdir(), 'inner-rung-bench-')));
  const { db, kept } = keptOn(path);
  const put = (kind: 'person' | 'plan' | 'record', n: number, of: readonly { readonly id: string }[]) => {
    for (let i = 0; i < n; i++) {
      const id = `${kind}-${i}`;
      kept.documents.create(recordOf(kind), id, { ...of[i % of.length]!, id });
    }
  };
  db.transaction(() => {
    put('person', CENTRE.people, PEOPLE);
    put('plan', CENTRE.sessions, PLANS);
    put('record', CENTRE.records, RECORDS);
  })();
  db.close();
  return path;
}

async function listening(server: Server): Promise<number> {
  await new Promise((ready) => server.listen(0, '127.0.0.1', () => ready(undefined)));
  return (server.address() as AddressInfo).port;
}

const agent = new Agent({ keepAlive: true, maxSockets: AT_ONCE });
/** How long each of fifty askers waits, in milliseconds, and what the last of them was sent. */
async function fiftyAtOnce(port: number, path: string): Promise<{ ms: number[]; bytes: Buffer }> {
  let bytes = Buffer.alloc(0);
  const one = () =>
    new Promise<number>((done, failed) => {
      const start = performance.now();
      get({ port, path, agent, headers: { 'Accept-Encoding': 'gzip' } }, (answer) => {
        const parts: Buffer[] = [];
        answer.on('data', (part: Buffer) => parts.push(part));
        answer.on('end', () => {
          bytes = Buffer.concat(parts);
          done(performance.now() - start);
        });
      }).on('error', failed);
    });
  return { ms: await Promise.all(Array.from({ length: AT_ONCE }, one)), bytes };
}

/** A centre's folder: how long it takes to open, and its lists with fifty asking at once. */
export async function centreRows(library: Uint8Array<ArrayBuffer>): Promise<Row[]> {
  const path = filled();
  const opening = Array.from({ length: 5 }, () => {
    const start = performance.now();
    const { db, kept } = keptOn(path);
    kept.documents.sweep();
    const took = performance.now() - start;
    db.close();
    return took;
  });
  const { db, kept } = keptOn(path);
  kept.documents.sweep();
  const app = createApp({ ...kept, library, log: pino({ level: 'silent' }), demo: false });
  const server = createServer(app);
  const port = await listening(server);
  const rows = [
    row(
      `a centre’s folder opened (${CENTRE.people} people, ${CENTRE.sessions} sessions, ${CENTRE.records} records), every document checked`,
      opening,
      3000,
    ),
  ];
  for (const list of ['people', 'plans', 'records']) {
    const { bytes } = await fiftyAtOnce(port, `/api/${list}`);
    // The same bytes by a server that does nothing else.
    const packed = gzipSync(gunzipSync(bytes));
    const bare = createServer((_, answer) => {
      answer.writeHead(200, { 'Content-Encoding': 'gzip', 'Content-Type': 'application/json' }).end(packed);
    });
    const barePort = await listening(bare);
    const asked: number[] = [];
    const reference: number[] = [];
    for (let i = 0; i < 10; i++) {
      reference.push(...(await fiftyAtOnce(barePort, '/')).ms);
      asked.push(...(await fiftyAtOnce(port, `/api/${list}`)).ms);
    }
    rows.push(
      row(`its list of ${list}, fifty asking at once`, asked, 100, {
        name: 'the same bytes from a server that does nothing else',
        samples: reference,
      }),
    );
    bare.close();
  }
  agent.destroy();
  server.close();
  db.close();
  return rows;
}
