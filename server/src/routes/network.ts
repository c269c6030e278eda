import { cardSchema } from '@inner-rung/core/paper';
import { type Request, Router } from 'express';
import * as z from 'zod';
import { addresses, cookieOf, type Network } from '../network.ts';
import { ProblemError } from '../problem.ts';

export const COOKIE = 'inner-rung';
/** Cards that one printing may open on phones. */
const MOST_CARDS = 80;
/** This machine itself. */
const LOOPBACK = /^(127\.|::1$|::ffff:127\.)/;

/** The listener on the local network, next to the one on this machine alone. */
export interface Door {
  /** Its port while it is open; null while it is shut. */
  readonly port: () => number | null;
  readonly open: () => Promise<void>;
  readonly shut: () => Promise<void>;
}

/** Whether a request comes from somewhere else than this machine. */
export const fromNetwork = (request: Request, door: Door | undefined): boolean => {
  const open = door?.port() ?? null;
  const { localPort, remoteAddress = '' } = request.socket;
  // Behind something that passes requests on everybody seems to come from here.
  const passedOn = ['x-forwarded-for', 'forwarded', 'x-real-ip', 'via'].some((header) => request.get(header));
  if (passedOn) return true;
  return (open !== null && localPort === open) || !LOOPBACK.test(remoteAddress);
};

/** Who may come in: the passcode, signing in, and the codes that open cards. */
export function networkRoutes(network: Network, door: Door | undefined): Router {
  const routes = Router();
  const here = (request: Request): void => {
    if (fromNetwork(request, door))
      throw new ProblemError({
        status: 403,
        title: 'Only at the machine itself',
        detail: 'This is set on the machine itself.',
      });
  };
  const networkState = (request: Request) => ({
    here: !fromNetwork(request, door),
    can: door !== undefined,
    on: (door?.port() ?? null) !== null,
    passcode: network.hasPasscode,
    addresses: door?.port() ? addresses().map((ip) => `http://${ip}:${door.port()}`) : [],
  });
  routes.get('/network', (request, response) => {
    response.json(networkState(request));
  });
  routes.put('/network', async (request, response) => {
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
  routes.post('/network/sign-out', (request, response) => {
    here(request);
    network.signOutEverywhere();
    response.status(204).end();
  });
  routes.post('/sign-in', async (request, response) => {
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
  routes.post('/sign-out', (request, response) => {
    network.signOut(cookieOf(request.get('cookie'), COOKIE));
    response.clearCookie(COOKIE, { httpOnly: true, sameSite: 'strict', path: '/' }).status(204).end();
  });
  routes.post('/cards', (request, response) => {
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
  routes.delete('/cards', (_request, response) => {
    network.endCardLinks();
    response.status(204).end();
  });
  routes.get('/c/:token', (request, response) => {
    response.set('Cache-Control', 'no-store').json(network.cardBehind(request.params['token']));
  });
  return routes;
}
