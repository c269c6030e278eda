import { RECORDS } from '@inner-rung/core/records';
import { ACTION_IDS, may } from '@inner-rung/core/team';
import { type Request, type Response, Router } from 'express';
import * as z from 'zod';
import { COOKIE } from '../door.ts';
import { ProblemError } from '../problem.ts';
import {
  changedAccountSchema,
  newAccountSchema,
  ownerSchema,
  recoverySchema,
  SIGNED_IN_MS,
  type Team,
} from '../team.ts';
import type { Trail } from '../trail.ts';
import { type Asker, onlyHere, type Scope } from '../who.ts';

const MOST_LINES = 200;
const RECORD_KINDS = RECORDS.map(({ kind }) => kind);

/** What was asked, checked; throws 422 naming the field. */
function checked<T>(schema: z.ZodType<T>, body: unknown, title: string): T {
  const asked = schema.safeParse(body);
  if (asked.success) return asked.data;
  const { path, message } = asked.error.issues[0]!;
  throw new ProblemError({
    status: 422,
    title,
    detail: message,
    field: path.join('.') || '(top)',
    fix: 'Mend this field and send it again.',
  });
}

/** Puts a sign-in in its cookie. */
export const cookieSet = (response: Response, token: string): Response =>
  response.cookie(COOKIE, token, {
    httpOnly: true,
    sameSite: 'strict',
    path: '/',
    maxAge: SIGNED_IN_MS,
    secure: response.req.secure,
  });

/** The team, its sign-ins and the trail. Setting it up and getting back in by the sheet is done at the machine itself. */
export function teamRoutes(team: Team, trail: Trail, { who, sees }: Scope): Router {
  const routes = Router();
  const here = (request: Request): void =>
    onlyHere(who(request), 'A team is set up, ended and let in again on the machine itself.');
  const told = ({ me, role }: Asker) => ({
    on: team.on,
    in: true,
    me,
    may: role === null ? [] : ACTION_IDS.filter((id) => may(role, id)),
    team:
      role !== null && may(role, 'manage-team')
        ? team.accounts()
        : // Whom a trainer asks when something isn't theirs to do.
          team.accounts().map(({ id, name, role: theirs }) => ({ id, name, role: theirs, groups: null })),
  });
  routes.get('/team', (request, response) => {
    const asker = who(request);
    response
      .set('Cache-Control', 'no-store')
      .json(asker.role === null ? { on: team.on, in: false, me: null, may: [], team: [] } : told(asker));
  });
  routes.post('/team', async (request, response) => {
    here(request);
    const asked = checked(ownerSchema, request.body, 'Not an owner');
    const { owner, recovery } = await team.begin(asked);
    const agent = request.get('user-agent');
    const { token } = await team.signIn(asked.name, asked.passphrase, who(request).address, agent);
    trail.add({ account: owner.id, place: who(request).doer.place }, 'changed the team', null, null, [
      'set up',
    ]);
    cookieSet(response, token).status(201).json({ owner, recovery });
  });
  routes.delete('/team', (request, response) => {
    here(request);
    trail.add(who(request).doer, 'changed the team', null, null, ['ended']);
    team.dissolve();
    response.status(204).end();
  });
  routes.post('/team/recover', async (request, response) => {
    here(request);
    const asked = checked(recoverySchema, request.body, 'Not the sheet');
    const { owner, recovery } = await team.recover(asked, who(request).address);
    trail.add({ account: owner.id, place: who(request).doer.place }, 'changed the team', null, null, [
      'in again by the sheet',
    ]);
    response.json({ owner, recovery });
  });
  routes.post('/team/sheet', (request, response) => {
    here(request);
    trail.add(who(request).doer, 'changed the team', null, null, ['a new sheet']);
    response.status(201).json({ recovery: team.freshSheet() });
  });
  routes.post('/team/accounts', async (request, response) => {
    const added = await team.add(checked(newAccountSchema, request.body, 'Not somebody of the team'));
    trail.add(who(request).doer, 'changed the team', null, null, [`${added.name} added as ${added.role}`]);
    response.status(201).json(added);
  });
  routes.put('/team/accounts/:id', async (request, response) => {
    const asked = checked(changedAccountSchema, request.body, 'Not a change');
    const changed = await team.change(String(request.params['id']), asked);
    const what = Object.keys(asked).join(', ');
    trail.add(who(request).doer, 'changed the team', null, null, [`${what} of ${changed.name}`]);
    response.json(changed);
  });
  routes.delete('/team/accounts/:id', (request, response) => {
    const id = String(request.params['id']);
    team.remove(id);
    trail.add(who(request).doer, 'changed the team', null, null, [`${team.nameOf(id) ?? 'somebody'} out`]);
    response.status(204).end();
  });
  routes.put('/team/passphrase', async (request, response) => {
    const asked = checked(
      z.strictObject({ old: z.string().max(200), passphrase: changedAccountSchema.shape.passphrase }),
      request.body,
      'Not a passphrase',
    );
    const asker = who(request);
    if (!asker.me || asked.passphrase === undefined)
      throw new ProblemError({
        status: 409,
        title: 'No team',
        detail: 'There is no team to be signed in to.',
      });
    const agent = request.get('user-agent');
    await team.signIn(asker.me.name, asked.old, asker.address, agent);
    await team.change(asker.me.id, { passphrase: asked.passphrase });
    const { token } = await team.signIn(asker.me.name, asked.passphrase, asker.address, agent);
    trail.add(asker.doer, 'changed the team', null, null, ['their own passphrase']);
    cookieSet(response, token).status(204).end();
  });
  routes.get('/team/sign-ins', (_request, response) => {
    response.set('Cache-Control', 'no-store').json(team.signIns());
  });
  routes.delete('/team/sign-ins/:id', (request, response) => {
    team.endSignIn(String(request.params['id']));
    trail.add(who(request).doer, 'changed the team', null, null, ['ended a sign-in']);
    response.status(204).end();
  });

  const listSchema = z.strictObject({
    before: z.coerce.number().int().min(1).default(Number.MAX_SAFE_INTEGER),
    kind: z.enum(RECORD_KINDS).optional(),
    id: z.string().max(80).optional(),
    account: z.string().max(40).optional(),
  });
  routes.get('/trail', (request, response) => {
    const { before, kind, id, account } = checked(listSchema, request.query, 'Not a part of the trail');
    const asker = who(request);
    const about = kind !== undefined && id !== undefined ? { kind, id } : null;
    if (about === null ? !may(asker.role!, 'see-trail') : !sees(asker, about.kind, about.id))
      throw new ProblemError({
        status: 403,
        title: 'Whose?',
        detail: 'The whole trail is the owner’s to read: ask for that of one person you are given.',
        field: 'id',
      });
    const lines = trail.list({
      before,
      most: MOST_LINES,
      about,
      account: account ?? null,
      nameOf: team.nameOf,
    });
    response.set('Cache-Control', 'no-store').json({ lines, more: lines.length === MOST_LINES });
  });
  routes.get('/trail/state', (_request, response) => {
    response.set('Cache-Control', 'no-store').json(trail.verify());
  });
  const toldSchema = z.strictObject({
    deed: z.enum(['printed', 'exported', 'saw']),
    page: z
      .string()
      .max(60)
      .regex(/^[a-z -]+$/, 'the name of a page'),
    kind: z.enum(['person', 'group', 'record', 'plan']).optional(),
    id: z.string().max(80).optional(),
  });
  // What a browser does by itself: what is printed there, or put into a file, no server sees.
  routes.post('/trail/told', (request, response) => {
    const { deed, page, kind, id } = checked(toldSchema, request.body, 'Not something done');
    trail.add(who(request).doer, deed, kind ?? null, id ?? null, [page]);
    response.status(204).end();
  });
  return routes;
}
