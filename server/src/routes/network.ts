import { cardSchema } from '@inner-rung/core/paper';
import { type Request, Router } from 'express';
import * as z from 'zod';
import { COOKIE, type Door } from '../door.ts';
import { addresses, cookieOf, type Network } from '../network.ts';
import { ProblemError } from '../problem.ts';
import type { Team } from '../team.ts';
import type { Trail } from '../trail.ts';
import { type Asking, onlyHere } from '../who.ts';
import { cookieSet } from './team.ts';

/** Cards that one printing may open on phones. */
const MOST_CARDS = 80;
/** Who may come in: the passcode, signing in, and the codes that open cards. */
export function networkRoutes(
  network: Network,
  door: Door | undefined,
  team: Team,
  trail: Trail,
  who: Asking,
): Router {
  const routes = Router();
  const here = (request: Request): void => onlyHere(who(request), 'This is set on the machine itself.');
  const networkState = (request: Request) => ({
    here: !who(request).elsewhere,
    can: door !== undefined,
    on: (door?.port() ?? null) !== null,
    passcode: network.hasPasscode,
    byName: team.on,
    /** What phones show of this machine's certificate; null where it is shut, or plain. */
    fingerprint: door?.fingerprint() ?? null,
    addresses: door?.port()
      ? addresses().map((ip) => `${door.fingerprint() ? 'https' : 'http'}://${ip}:${door.port()}`)
      : [],
  });
  routes.get('/network', (request, response) => {
    response.json(networkState(request));
  });
  routes.put('/network', async (request, response) => {
    here(request);
    const asked = z
      .strictObject({ on: z.boolean(), passcode: z.string().optional(), sealed: z.boolean().default(true) })
      .safeParse(request.body);
    if (!asked.success || !door)
      throw new ProblemError({ status: 422, title: 'On or off?', detail: 'Say on or off.', field: 'on' });
    if (asked.data.passcode !== undefined) await network.setPasscode(asked.data.passcode);
    if (asked.data.on && !network.hasPasscode && !team.on)
      throw new ProblemError({
        status: 422,
        title: 'A passcode first',
        detail: 'Nobody is let in from the network without a passcode of yours.',
        field: 'passcode',
      });
    if (asked.data.on) await door.open(asked.data.sealed);
    else await door.shut();
    trail.add(who(request).doer, asked.data.on ? 'opened the network' : 'shut the network');
    response.json(networkState(request));
  });
  routes.post('/network/sign-out', (request, response) => {
    here(request);
    network.signOutEverywhere();
    response.status(204).end();
  });
  /** A name and a passphrase where there is a team, the passcode where there is none. */
  const tokenFor = async (request: Request): Promise<{ token: string; account: string | null }> => {
    const { address } = who(request);
    if (team.on) {
      const asked = z.strictObject({ name: z.string(), passphrase: z.string() }).safeParse(request.body);
      if (!asked.success)
        throw new ProblemError({
          status: 422,
          title: 'A name and a passphrase, please',
          detail: 'Give your name and your passphrase.',
          field: asked.error.issues[0]!.path.join('.') || 'name',
        });
      const { name, passphrase } = asked.data;
      const { token, account } = await team.signIn(name, passphrase, address, request.get('user-agent'));
      return { token, account: account.id };
    }
    const asked = z.strictObject({ passcode: z.string() }).safeParse(request.body);
    if (!asked.success)
      throw new ProblemError({
        status: 422,
        title: 'A passcode, please',
        detail: 'Give the passcode.',
        field: 'passcode',
      });
    return { token: await network.signIn(asked.data.passcode, address), account: null };
  };
  routes.post('/sign-in', async (request, response) => {
    const { place } = who(request).doer;
    const { token, account } = await tokenFor(request).catch((error: unknown) => {
      if (error instanceof ProblemError && error.problem.status === 401)
        trail.add({ account: null, place }, 'refused', null, null, ['a sign-in']);
      throw error;
    });
    trail.add({ account, place }, 'signed in');
    cookieSet(response, token).status(204).end();
  });
  routes.post('/sign-out', (request, response) => {
    const { role, doer } = who(request);
    if (role !== null) trail.add(doer, 'signed out');
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
