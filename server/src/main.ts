import { existsSync, readFileSync } from 'node:fs';
import { createServer, type Server } from 'node:http';
import { createServer as createSealedServer } from 'node:https';
import { dirname, join, resolve } from 'node:path';
import { fileURLToPath, pathToFileURL } from 'node:url';
import { parseArgs } from 'node:util';
import { LibraryError } from '@inner-rung/core/ladder';
import { dayOf } from '@inner-rung/core/person';
import { RECORDS } from '@inner-rung/core/records';
import { pino } from 'pino';
import { createApp } from './app.ts';
import { certificateIn } from './certificate.ts';
import { openDatabase, openDataFolder } from './database.ts';
import type { Door } from './door.ts';
import { keptIn } from './kept.ts';
import { libraryFile } from './library-files.ts';
import { ProblemError } from './problem.ts';
import { snapshots } from './snapshots.ts';

const root = process.env['INNER_RUNG_ROOT'] ?? resolve(dirname(fileURLToPath(import.meta.url)), '../..');

/** Ends with one plain sentence, which is all a trainer should have to read. */
function giveUp(sentence: string): never {
  process.stderr.write(`\n${sentence}\n`);
  process.exit(1);
}

async function start(): Promise<void> {
  // What is written here is for this user alone.
  process.umask(0o077);
  const { values } = parseArgs({
    options: {
      data: { type: 'string', default: process.env['INNER_RUNG_DATA'] ?? join(root, 'data') },
      port: { type: 'string', default: process.env['PORT'] ?? '4680' },
      host: { type: 'string', default: process.env['HOST'] ?? '127.0.0.1' },
      seed: { type: 'string' },
      api: { type: 'boolean', default: false },
    },
  });
  const port = Number(values.port);
  if (!Number.isInteger(port) || port < 1 || port > 65535)
    giveUp(`“${values.port}” isn’t a port: give a whole number from 1 to 65535.`);
  const log = pino({ level: process.env['LOG_LEVEL'] ?? 'warn' });
  const library = libraryFile(join(root, 'library'));
  const dataFolder = resolve(values.data);
  const db = openDatabase(openDataFolder(dataFolder));
  const kept = keptIn(
    db,
    () => Date.now(),
    () => performance.now(),
  );
  const { documents: store, eraser: erasing } = kept;
  store.sweep();
  if (values.seed && store.isEmpty()) {
    const { scenarioOn } = (await import(pathToFileURL(resolve(values.seed)).href)) as {
      scenarioOn: (day: string) => Readonly<Record<string, readonly { id: string }[]>>;
    };
    const scenario = scenarioOn(dayOf(new Date()));
    // The first of each is saved last, so that it is the one that opens.
    for (const record of RECORDS)
      for (const body of [...(scenario[record.collection] ?? [])].reverse())
        store.create(record, body.id, body);
  }
  // A second way in, for phones on the local network: open only when the trainer says so.
  const lanPort = port === 65535 ? port - 1 : port + 1;
  let lan: { readonly server: Server; readonly fingerprint: string | null } | null = null;
  const door: Door = {
    port: () => (lan ? lanPort : null),
    fingerprint: () => lan?.fingerprint ?? null,
    open: async (sealed) => {
      if (lan && (lan.fingerprint !== null) === sealed) return;
      await door.shut();
      const own = sealed ? await certificateIn(dataFolder, Date.now()) : null;
      const server = own ? createSealedServer({ key: own.key, cert: own.cert }, app) : createServer(app);
      await new Promise<void>((done, failed) => {
        server.once('error', () =>
          failed(
            new ProblemError({
              status: 409,
              title: 'Port in use',
              detail: `Port ${lanPort} is used by something else. Stop that, or start Inner Rung on another port.`,
            }),
          ),
        );
        server.listen(lanPort, '0.0.0.0', done);
      });
      lan = { server, fingerprint: own?.fingerprint ?? null };
    },
    shut: () =>
      new Promise((done) => {
        const open = lan;
        lan = null;
        if (!open) {
          done();
          return;
        }
        open.server.close(() => done());
        open.server.closeAllConnections();
      }),
  };
  const pack = join(root, 'web/dist-pack/pack.html');
  erasing.finish();
  const copies = snapshots(db, dataFolder, () => Date.now(), erasing);
  const copied = (reason: 'start' | 'daily') =>
    copies.take(reason).catch((error: unknown) => log.error({ err: error }, 'no copy could be made'));
  // One at every start, and one a day for whoever never stops it.
  void copied('start');
  setInterval(() => copies.age() >= 86_400_000 && void copied('daily'), 3_600_000).unref();
  const app = createApp({
    snapshots: copies,
    ...kept,
    door,
    hosts: (process.env['HOSTS'] ?? '').split(',').filter(Boolean),
    library,
    log,
    demo: values.seed !== undefined,
    askScript: new URL('./ask.mjs', import.meta.url),
    ...(values.api ? {} : { web: join(root, 'web/dist') }),
    ...(existsSync(pack) ? { pack: readFileSync(pack, 'utf8') } : {}),
  });
  const server = app.listen(port, values.host, (error?: Error) => {
    if (error) {
      const code = (error as NodeJS.ErrnoException).code;
      giveUp(
        code === 'EADDRINUSE'
          ? `Port ${port} is in use. Stop what uses it, or start with PORT=${port + 1}.`
          : code === 'EACCES'
            ? `Port ${port} isn’t allowed here. Start with PORT=4680.`
            : `The server could not start: ${error.message}`,
      );
    }
    process.stdout.write(
      `\nInner Rung is at http://${values.host === '127.0.0.1' ? 'localhost' : values.host}:${port}\n`,
    );
  });
  const stop = () => {
    server.close(() => {
      db.close();
      process.exit(0);
    });
    server.closeAllConnections();
    void door.shut();
  };
  process.on('SIGINT', stop);
  process.on('SIGTERM', stop);
}

start().catch((error: unknown) => {
  const message = error instanceof Error ? error.message : String(error);
  giveUp(error instanceof LibraryError ? `The movement library has faults:\n${message}` : message);
});
