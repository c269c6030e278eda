import { createHash } from 'node:crypto';
import { join } from 'node:path';
import type { LibraryFile } from '@inner-rung/core/ladder';
import { cardSchema } from '@inner-rung/core/paper';
import type { RunEvent } from '@inner-rung/core/run';
import express, { type Express, type Request, type Response } from 'express';
import helmet from 'helmet';
import type { Logger } from 'pino';
import { pinoHttp } from 'pino-http';
import { z } from 'zod';
import { type Documents, KINDS, type KindName } from './documents.ts';
import { addresses, cookieOf, type Network } from './network.ts';
import { openApi } from './openapi.ts';
import { ProblemError, problemHandler, sendProblem } from './problem.ts';
import { type Runs, seenBy } from './runs.ts';
import { heavy } from './thread.ts';
import { timelines } from './timeline.ts';

export interface AppOptions {
  /** The built script of the thread for heavy questions; without it they are answered on the spot. */
  readonly heavyScript?: URL;
  readonly documents: Documents;
  readonly runs: Runs;
  readonly network: Network;
  /** Opens and shuts the way in from the local network; absent where there is none to open. */
  readonly door?: Door;
  readonly library: readonly LibraryFile[];
  /** The session pack without a session in it; none in API tests. */
  readonly pack?: string;
  /** Folder of the built interface; none in API tests. */
  readonly web?: string;
  readonly log: Logger;
  readonly demo: boolean;
}

const ALIVE_MS = 15_000;
/** Cards that one printing may open on phones. */
const MOST_CARDS = 80;
/** Where a session goes in the pack. */
const PACKED = /<script[^>]*id="packed"[^>]*>null<\/script>/;
const COOKIE = 'inner-rung';
/** This machine itself. */
const LOOPBACK = /^(127\.|::1$|::ffff:127\.)/;

/** The listener on the local network, next to the one on this machine alone. */
export interface Door {
  /** Its port while it is open; null while it is shut. */
  readonly port: () => number | null;
  readonly open: () => Promise<void>;
  readonly shut: () => Promise<void>;
}

const idSchema = z
  .string()
  .regex(/^[a-z0-9]+(-[a-z0-9]+)*$/)
  .max(80);
const kindSchema = z.enum(Object.keys(KINDS) as [KindName, ...KindName[]]);

function address(request: Request): { kind: KindName; id: string } {
  const kind = kindSchema.safeParse(request.params['kind']);
  if (!kind.success)
    throw new ProblemError({ status: 404, title: 'Not here', detail: 'There is nothing at this address.' });
  const id = idSchema.safeParse(request.params['id']);
  if (!id.success)
    throw new ProblemError({
      status: 400,
      title: 'Not an id',
      detail: 'An id is small letters, digits and single hyphens.',
      field: 'id',
    });
  return { kind: kind.data, id: id.data };
}

/** The revision in If-Match; a save without one could undo somebody else’s unseen. */
function revisionOf(request: Request): number {
  const header = request.get('if-match');
  if (header === undefined)
    throw new ProblemError({
      status: 428,
      title: 'Which revision?',
      detail: 'A change names the revision it was made from.',
      fix: 'Send If-Match with the ETag that was read, or If-None-Match: * to create.',
    });
  const match = /^"(\d{1,9})"$/.exec(header);
  if (!match)
    throw new ProblemError({
      status: 400,
      title: 'Not a revision',
      detail: 'If-Match must be a revision in quotes, such as "3".',
      field: 'If-Match',
    });
  return Number(match[1]);
}

export function createApp(options: AppOptions): Express {
  const { documents, runs, network, door, library, log } = options;
  const app = express();
  app.disable('x-powered-by');
  app.set('etag', false);
  app.use(pinoHttp({ logger: log, autoLogging: { ignore: (r) => !r.url?.startsWith('/api') } }));
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

  const api = express.Router();
  api.use((request, _response, next) => {
    const origin = request.get('origin');
    const host = request.get('host');
    if (
      request.method !== 'GET' &&
      origin !== undefined &&
      origin !== `http://${host}` &&
      origin !== `https://${host}`
    )
      throw new ProblemError({
        status: 403,
        title: 'Another page asked',
        detail: 'Only Inner Rung’s own pages may change anything.',
      });
    next();
  });
  // From the network only who has given the passcode comes further, but for a person's own link.
  const fromNetwork = (request: Request): boolean => {
    const open = door?.port() ?? null;
    const { localPort, remoteAddress = '' } = request.socket;
    return (open !== null && localPort === open) || !LOOPBACK.test(remoteAddress);
  };
  api.use((request, _response, next) => {
    const free =
      request.path === '/sign-in' ||
      request.path.startsWith('/p/') ||
      request.path.startsWith('/c/') ||
      request.path === '/health';
    if (fromNetwork(request) && !free && !network.isSignedIn(cookieOf(request.get('cookie'), COOKIE)))
      throw new ProblemError({ status: 401, title: 'Passcode, please', detail: 'Give the passcode first.' });
    next();
  });
  // A run carries everybody’s forms by value: sixty people at forty stations are two megabytes.
  api.use(['/runs', '/cards'], express.json({ limit: '4mb' }));
  api.use(express.json({ limit: '512kb' }));
  const here = (request: Request): void => {
    if (fromNetwork(request))
      throw new ProblemError({
        status: 403,
        title: 'Only at the machine itself',
        detail: 'This is set on the machine itself.',
      });
  };
  const networkState = (request: Request) => ({
    here: !fromNetwork(request),
    can: door !== undefined,
    on: (door?.port() ?? null) !== null,
    passcode: network.hasPasscode,
    addresses: door?.port() ? addresses().map((ip) => `http://${ip}:${door.port()}`) : [],
  });
  api.get('/network', (request, response) => {
    response.json(networkState(request));
  });
  api.put('/network', async (request, response) => {
    here(request);
    const asked = z
      .strictObject({ on: z.boolean(), passcode: z.string().optional() })
      .safeParse(request.body);
    if (!asked.success || !door)
      throw new ProblemError({ status: 422, title: 'On or off?', detail: 'Say on or off.', field: 'on' });
    if (asked.data.passcode !== undefined) await network.setPasscode(asked.data.passcode);
    if (asked.data.on && !network.hasPasscode)
      throw new ProblemError({
        status: 422,
        title: 'A passcode first',
        detail: 'Nobody is let in from the network without a passcode of yours.',
        field: 'passcode',
      });
    if (asked.data.on) await door.open();
    else await door.shut();
    response.json(networkState(request));
  });
  api.post('/network/sign-out', (request, response) => {
    here(request);
    network.signOutEverywhere();
    response.status(204).end();
  });
  api.post('/sign-in', async (request, response) => {
    const asked = z.strictObject({ passcode: z.string() }).safeParse(request.body);
    if (!asked.success)
      throw new ProblemError({
        status: 422,
        title: 'A passcode, please',
        detail: 'Give the passcode.',
        field: 'passcode',
      });
    const token = await network.signIn(asked.data.passcode, request.socket.remoteAddress ?? '?');
    response
      .cookie(COOKIE, token, { httpOnly: true, sameSite: 'strict', path: '/', maxAge: 12 * 3_600_000 })
      .status(204)
      .end();
  });
  api.post('/cards', (request, response) => {
    const asked = z
      .strictObject({
        cards: z
          .array(z.strictObject({ person: z.string().min(1).max(80), card: cardSchema }))
          .min(1)
          .max(MOST_CARDS),
      })
      .safeParse(request.body);
    if (!asked.success) {
      const { path, message } = asked.error.issues[0]!;
      throw new ProblemError({
        status: 422,
        title: 'Not cards',
        detail: `${message} (at ${path.join('.') || 'the top'})`,
        field: path.join('.'),
      });
    }
    if ((door?.port() ?? null) === null)
      throw new ProblemError({
        status: 409,
        title: 'The network is shut',
        detail:
          'A code opens a card only while the local network is let in. Open it first, under “Other devices”.',
      });
    response.status(201).json({ tokens: network.cardLinks(asked.data.cards) });
  });
  api.delete('/cards', (_request, response) => {
    network.endCardLinks();
    response.status(204).end();
  });
  api.get('/c/:token', (request, response) => {
    response.set('Cache-Control', 'no-store').json(network.cardBehind(request.params['token']));
  });
  api.get('/p/:token', (request, response) => {
    const { run, person } = network.whose(request.params['token']);
    response.set('Cache-Control', 'no-store').json(runs.readFor(run, person));
  });
  api.get('/p/:token/now', (request, response) => {
    const { run } = network.whose(request.params['token']);
    response.set('Cache-Control', 'no-store').json({ now: runs.now(run) });
  });
  api.get('/p/:token/stream', (request, response) => {
    const { run, person } = network.whose(request.params['token']);
    listen(request, response, run, (event) => seenBy(event, person));
  });

  api.get('/health', (_request, response) => {
    documents.isEmpty();
    response.json({ ok: true, demo: options.demo });
  });

  const libraryText = JSON.stringify({ files: library });
  const libraryTag = `"${createHash('sha256').update(libraryText).digest('base64url').slice(0, 22)}"`;
  api.get('/library', (request, response) => {
    response.set({ ETag: libraryTag, 'Cache-Control': 'no-cache' });
    if (request.get('if-none-match') === libraryTag) response.status(304).end();
    else response.type('application/json').send(libraryText);
  });

  const timeline = timelines(library);
  api.post('/timeline', (request, response) => {
    response.json(timeline(request.body));
  });
  const ask = heavy(library, options.heavyScript ?? null);
  for (const what of ['scale', 'classPlan'] as const)
    api.post(what === 'scale' ? '/scale' : '/class-plan', async (request, response) => {
      const said = await ask(what, request.body);
      if (said.ok) response.json(said.value);
      else if (said.field !== null)
        throw new ProblemError({
          status: 422,
          title: 'Not a question that can be answered',
          detail: said.message,
          field: said.field,
          fix: 'GET /api/openapi.json says what is asked for.',
        });
      else throw new Error(said.message);
    });
  let described: string | undefined;
  api.get('/openapi.json', (_request, response) => {
    described ??= JSON.stringify(openApi());
    response.type('application/json').send(described);
  });

  api.get('/set-aside', (_request, response) => {
    response.json(documents.setAside());
  });

  const runId = (request: Request) => {
    const id = idSchema.safeParse(request.params['id']);
    if (!id.success)
      throw new ProblemError({
        status: 404,
        title: 'No such run',
        detail: 'There is no run of that name here.',
      });
    return id.data;
  };
  api.get('/runs', (_request, response) => {
    response.json(runs.list());
  });
  api.post('/runs', (request, response) => {
    const run = runs.create(request.body);
    response.status(201).json({ id: run.id });
  });
  api.post('/runs/taken', (request, response) => {
    response.json(runs.takeIn(request.body));
  });
  api.get('/runs/:id/pack', (request, response) => {
    const id = runId(request);
    const { run, events, now } = runs.read(id);
    if (options.pack === undefined)
      throw new ProblemError({
        status: 404,
        title: 'No pack',
        detail: 'The session pack isn’t built. Run npm run build, then ask again.',
      });
    // Inside a page: no letter of it may end the element it stands in.
    const packed = JSON.stringify({ run, events, now, madeAt: Date.now() }).replaceAll('<', '\\u003c');
    response
      .set({
        'Cache-Control': 'no-store',
        'Content-Disposition': `attachment; filename="session-${run.on}-${id}.html"`,
      })
      .type('text/html')
      .send(options.pack.replace(PACKED, (element) => element.replace('null', () => packed)));
  });
  api.get('/runs/:id', (request, response) => {
    response.set('Cache-Control', 'no-store').json(runs.read(runId(request)));
  });
  api.get('/runs/:id/now', (request, response) => {
    response.set('Cache-Control', 'no-store').json({ now: runs.now(runId(request)) });
  });
  api.post('/runs/:id/events', (request, response) => {
    response.json(runs.press(runId(request), request.body));
  });
  const listen = (
    request: Request,
    response: Response,
    id: string,
    seen: (event: RunEvent) => RunEvent | null,
  ): void => {
    const stop = runs.listen(id, (told) => {
      const events = told.events.flatMap((event) => seen(event) ?? []);
      if (events.length > 0) response.write(`data: ${JSON.stringify({ events })}\n\n`);
    });
    response.set({
      'Content-Type': 'text/event-stream',
      'Cache-Control': 'no-store',
      'X-Accel-Buffering': 'no',
    });
    response.flushHeaders();
    response.write('retry: 1000\n\n');
    // A line now and then, so that what lies between doesn't hang up.
    const alive = setInterval(() => response.write(': here\n\n'), ALIVE_MS);
    request.on('close', () => {
      clearInterval(alive);
      stop();
    });
  };
  api.get('/runs/:id/stream', (request, response) => {
    listen(request, response, runId(request), (event) => event);
  });
  api.post('/runs/:id/links', (request, response) => {
    const id = runId(request);
    const asked = z.strictObject({ person: z.string().min(1).max(80) }).safeParse(request.body);
    const { run } = runs.read(id);
    if (!asked.success || !run.cast.some((one) => one.id === asked.data.person))
      throw new ProblemError({
        status: 422,
        title: 'Who?',
        detail: 'Nobody of that name is in this run.',
        field: 'person',
      });
    response.status(201).json({ token: network.linkFor(id, asked.data.person) });
  });

  api.get('/:kind', (request, response) => {
    const kind = kindSchema.safeParse(request.params['kind']);
    if (!kind.success)
      throw new ProblemError({ status: 404, title: 'Not here', detail: 'There is nothing at this address.' });
    response.json(documents.list(kind.data));
  });
  api.get('/:kind/:id', (request, response) => {
    const { kind, id } = address(request);
    const stored = documents.get(kind, id);
    response.set('ETag', `"${stored.revision}"`).json(stored);
  });
  api.put('/:kind/:id', (request, response) => {
    const { kind, id } = address(request);
    const creating = request.get('if-none-match') === '*';
    const revision = creating
      ? documents.create(kind, id, request.body)
      : documents.replace(kind, id, request.body, revisionOf(request));
    response
      .status(creating ? 201 : 200)
      .set('ETag', `"${revision}"`)
      .json({ revision });
  });
  api.delete('/:kind/:id', (request, response) => {
    const { kind, id } = address(request);
    documents.remove(kind, id, revisionOf(request));
    response.status(204).end();
  });
  api.post('/:kind/:id/erase', (request, response) => {
    const { kind, id } = address(request);
    documents.get(kind, id);
    documents.erase(kind, id);
    if (kind === 'people') {
      runs.erase(id);
      network.eraseLinks(id);
    }
    response.status(204).end();
  });
  api.use((_request, response) => {
    sendProblem(response, { status: 404, title: 'Not here', detail: 'There is nothing at this address.' });
  });
  app.use('/api', api);

  const { web } = options;
  if (web) {
    app.use(
      '/assets',
      express.static(join(web, 'assets'), { immutable: true, maxAge: '1y', fallthrough: false }),
    );
    app.use(express.static(web, { index: false, maxAge: 0 }));
    // Deep links: every page address is the one page, which then reads the address.
    app.get(/^\/(?!api\/).*/, (_request, response) => {
      response.set('Cache-Control', 'no-cache').sendFile(join(web, 'index.html'));
    });
  }
  app.use(problemHandler);
  return app;
}
