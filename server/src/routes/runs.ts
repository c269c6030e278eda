import type { RunEvent } from '@inner-rung/core/run';
import { type Request, type Response, Router } from 'express';
import * as z from 'zod';
import { COOKIE } from '../door.ts';
import { cookieOf, type Network } from '../network.ts';
import { ProblemError } from '../problem.ts';
import { type Runs, redactedFor } from '../runs.ts';
import type { Streams } from '../streams.ts';
import type { Trail } from '../trail.ts';
import { notHere, type Scope } from '../who.ts';
import { groupNamed, idSchema } from './documents.ts';

const ALIVE_MS = 15_000;
/** Where a session goes in the pack. */
const PACKED = /<script[^>]*id="packed"[^>]*>null<\/script>/;

/** Runs, what is pressed in them, who looks on, and each one's own link. `pack` is the session pack without a session in it. */
export function runRoutes(
  runs: Runs,
  network: Network,
  pack: string | undefined,
  open: Streams,
  { who, seesGroup }: Scope,
  trail: Trail,
): Router {
  const routes = Router();
  routes.get('/p/:token', (request, response) => {
    const { run, person } = network.whose(request.params['token']);
    response.set('Cache-Control', 'no-store').json(runs.readFor(run, person));
  });
  routes.get('/p/:token/now', (request, response) => {
    const { run } = network.whose(request.params['token']);
    response.set('Cache-Control', 'no-store').json({ now: runs.now(run) });
  });
  routes.get('/p/:token/stream', (request, response) => {
    const { run, person } = network.whose(request.params['token']);
    listen(request, response, run, person, (event) => redactedFor(event, person));
  });

  const runId = (request: Request) => {
    const id = idSchema.safeParse(request.params['id']);
    if (!id.success)
      throw new ProblemError({
        status: 404,
        title: 'No such run',
        detail: 'There is no run of that name here.',
      });
    if (!seesGroup(who(request), runs.groupOf(id.data))) throw notHere();
    return id.data;
  };
  routes.get('/runs', (request, response) => {
    const asker = who(request);
    response.json(runs.list().filter(({ group }) => seesGroup(asker, group)));
  });
  /** A run for a group that isn't theirs is no run of theirs. */
  const forTheirs = (request: Request, run: unknown): void => {
    const group = groupNamed(run);
    if (group !== null && !seesGroup(who(request), group)) throw notHere();
  };
  routes.post('/runs', (request, response) => {
    forTheirs(request, request.body);
    const run = runs.create(request.body);
    const people = run.cast.length === 1 ? '1 person' : `${run.cast.length} people`;
    trail.add(who(request).doer, 'began', null, null, [people]);
    response.status(201).json({ id: run.id });
  });
  routes.post('/runs/taken', (request, response) => {
    forTheirs(request, (request.body as { run?: unknown } | null)?.run);
    response.json(runs.takeIn(request.body));
  });
  routes.get('/runs/:id/pack', (request, response) => {
    const id = runId(request);
    const { run, events, now } = runs.read(id);
    if (pack === undefined)
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
      .send(pack.replace(PACKED, (element) => element.replace('null', () => packed)));
  });
  routes.get('/runs/:id', (request, response) => {
    response.set('Cache-Control', 'no-store').json(runs.read(runId(request)));
  });
  routes.get('/runs/:id/now', (request, response) => {
    response.set('Cache-Control', 'no-store').json({ now: runs.now(runId(request)) });
  });
  routes.post('/runs/:id/events', (request, response) => {
    const id = runId(request);
    const pressed = runs.press(id, request.body);
    // Who had a link for it has seen that it is over, and sees no more.
    if (pressed.events.some((event) => event.kind === 'finish'))
      open.end(({ run, person }) => run === id && person !== null);
    response.json(pressed);
  });
  const listen = (
    request: Request,
    response: Response,
    id: string,
    person: string | null,
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
    const token = cookieOf(request.get('cookie'), COOKIE);
    const session = person === null ? who(request).session : null;
    const forget = open.add({ run: id, person, session }, () => response.end());
    // A line now and then, so that what lies between doesn't hang up; and a look whether the sign-in still holds.
    const alive = setInterval(() => {
      if (session !== null && network.sessionOf(token) === null) response.end();
      else response.write(': here\n\n');
    }, ALIVE_MS);
    response.on('close', () => {
      clearInterval(alive);
      forget();
      stop();
    });
  };
  routes.get('/runs/:id/stream', (request, response) => {
    listen(request, response, runId(request), null, (event) => event);
  });
  routes.post('/runs/:id/links', (request, response) => {
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

  return routes;
}
