import { createHash } from 'node:crypto';
import { join } from 'node:path';
import { promisify } from 'node:util';
import { gzip } from 'node:zlib';
import { QUESTION_IDS, type QuestionId } from '@inner-rung/core/ask';
import compression from 'compression';
import express, { type Express, type Request, type Response } from 'express';
import helmet from 'helmet';
import type { Logger } from 'pino';
import { pinoHttp } from 'pino-http';
import { assets, readsGzip } from './assets.ts';
import type { Documents } from './documents.ts';
import type { Door } from './door.ts';
import type { Eraser } from './erase.ts';
import { depthGuard, hostGuard, originGuard } from './guards.ts';
import { serializers } from './logging.ts';
import type { Network } from './network.ts';
import { openApi, PUBLISHED } from './openapi.ts';
import { withPolicy } from './pack.ts';
import { pages } from './pages.ts';
import { pool } from './pool.ts';
import { problemHandler, sendProblem } from './problem.ts';
import { documentRoutes } from './routes/documents.ts';
import { networkRoutes } from './routes/network.ts';
import { runRoutes } from './routes/runs.ts';
import { snapshotRoutes } from './routes/snapshots.ts';
import { teamRoutes } from './routes/team.ts';
import type { Runs } from './runs.ts';
import type { Snapshots } from './snapshots.ts';
import type { Streams } from './streams.ts';
import type { Team } from './team.ts';
import type { Trail } from './trail.ts';
import { asking, roleGuard } from './who.ts';

export interface AppOptions {
  /** The built script of the threads that answer questions; without it they are answered on the spot. */
  readonly askScript?: URL;
  readonly documents: Documents;
  readonly eraser: Eraser;
  readonly runs: Runs;
  readonly network: Network;
  readonly team: Team;
  readonly trail: Trail;
  /** Copies of everything; none in most API tests. */
  readonly snapshots?: Snapshots;
  /** Event streams that are open. */
  readonly streams: Streams;
  /** Opens and shuts the way in from the local network; absent where there is none to open. */
  readonly door?: Door;
  /** The movement library as its one file. */
  readonly library: Uint8Array<ArrayBuffer>;
  /** The session pack without a session in it; none in API tests. */
  readonly pack?: string;
  /** Folder of the built interface; none in API tests. */
  readonly web?: string;
  /** Names besides its own by which this machine may be asked for. */
  readonly hosts?: readonly string[];
  readonly log: Logger;
  readonly demo: boolean;
}

const LIBRARY_TYPE = 'application/vnd.inner-rung.library';

/** The whole server as one handler: who may ask, then what is asked for. */
export function createApp(options: AppOptions): Express {
  const { documents, runs, network, team, trail, door, library, log } = options;
  const scope = asking({ team, network, documents, door });
  const app = express();
  app.disable('x-powered-by');
  app.set('etag', false);
  app.use(
    pinoHttp({
      logger: log,
      wrapSerializers: false,
      serializers,
      autoLogging: { ignore: (r) => !r.url?.startsWith('/api') },
    }),
  );
  app.use(
    helmet({
      contentSecurityPolicy: {
        useDefaults: false,
        directives: {
          defaultSrc: ["'none'"],
          scriptSrc: ["'self'"],
          styleSrc: ["'self'"],
          imgSrc: ["'self'", 'data:'],
          fontSrc: ["'self'"],
          connectSrc: ["'self'"],
          workerSrc: ["'self'"],
          manifestSrc: ["'self'"],
          formAction: ["'self'"],
          baseUri: ["'none'"],
          frameAncestors: ["'none'"],
        },
      },
      strictTransportSecurity: false,
    }),
  );
  app.use(hostGuard(options.hosts ?? []));
  // Not what is streamed: an event is to be there when it happens.
  app.use(
    compression({
      filter: (request, response) =>
        !request.path.endsWith('/stream') && compression.filter(request, response),
    }),
  );

  const api = express.Router();
  // Whether it runs at all is nobody's secret; what is in it is.
  api.get('/health', (request, response) => {
    documents.isEmpty();
    response.json(scope.who(request).elsewhere ? { ok: true } : { ok: true, demo: options.demo });
  });
  api.use(originGuard);
  // Who has come in, and may: the passcode from the network, a name and a passphrase where there is a team.
  api.use(roleGuard(team, scope.who, trail));
  // A run carries everybody’s forms by value: sixty people at forty stations are two megabytes. What is pasted may be
  // a whole page of a web site.
  api.use(['/runs', '/cards', '/ask', '/read'], express.json({ limit: '4mb' }));
  api.use(express.json({ limit: '512kb' }));
  api.use(depthGuard);

  api.use(networkRoutes(network, door, team, trail, scope.who));
  api.use(teamRoutes(team, trail, scope));
  const libraryTag = `"${createHash('sha256').update(library).digest('base64url').slice(0, 22)}"`;
  let gzipped: Promise<Buffer> | undefined;
  const packed = () => {
    gzipped ??= promisify(gzip)(library);
    return gzipped;
  };
  api.get('/library', (request, response, next) => {
    response.set({ ETag: libraryTag, 'Cache-Control': 'no-cache' });
    if (request.get('if-none-match') === libraryTag) response.status(304).end();
    else if (!readsGzip(request.get('accept-encoding')))
      response.type(LIBRARY_TYPE).send(Buffer.from(library.buffer));
    // Packed once, for whoever asks: it takes as long as all else that a page is sent.
    else
      packed().then(
        (bytes) =>
          response
            .set({ 'Content-Encoding': 'gzip', Vary: 'Accept-Encoding' })
            .type(LIBRARY_TYPE)
            .send(bytes),
        next,
      );
  });

  const threads = pool(library, options.askScript ?? null);
  const ask = (id: QuestionId) => async (request: Request, response: Response) => {
    const left = new AbortController();
    response.on('close', () => left.abort());
    const answer = await threads.ask(id, request.body, left.signal).catch((error: unknown) => {
      // Nobody waits for it any more.
      if (left.signal.aborted && response.destroyed) return undefined;
      throw error;
    });
    if (!response.destroyed) response.json(answer);
  };
  for (const id of QUESTION_IDS) api.post(`/ask/${id}`, ask(id));
  for (const [path, id] of Object.entries(PUBLISHED)) api.post(path, ask(id));
  let described: string | undefined;
  api.get('/openapi.json', (_request, response) => {
    described ??= JSON.stringify(openApi());
    response.type('application/json').send(described);
  });

  const { pack } = options;
  api.use(
    runRoutes(
      runs,
      network,
      pack === undefined ? undefined : withPolicy(pack),
      options.streams,
      scope,
      trail,
    ),
  );
  if (options.snapshots) api.use(snapshotRoutes(options.snapshots, scope, trail));
  api.use(documentRoutes(documents, options.eraser, scope, trail, team, options.snapshots));
  api.use((_request, response) => {
    sendProblem(response, { status: 404, title: 'Not here', detail: 'There is nothing at this address.' });
  });
  app.use('/api', api);

  const { web } = options;
  if (web) {
    app.use('/assets', assets(join(web, 'assets')));
    app.use(express.static(web, { index: false, maxAge: 0 }));
    // Deep links: every page address is the one page, which then reads the address.
    const page = pages(web);
    app.get(/^\/(?!api\/).*/, (request, response) => {
      response.set('Cache-Control', 'no-cache').type('html').send(page(request.path));
    });
  }
  app.use(problemHandler);
  return app;
}
