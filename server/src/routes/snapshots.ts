import { readFileSync } from 'node:fs';
import express, { Router } from 'express';
import * as z from 'zod';
import { ProblemError } from '../problem.ts';
import { seal, unseal } from '../sealed.ts';
import type { Snapshots } from '../snapshots.ts';
import type { Trail } from '../trail.ts';
import { onlyHere, type Scope } from '../who.ts';

/** A file brought in, at most. */
const MOST = '300mb';

/** Copies of everything: made, listed, brought back, out as one file and in again. At the machine itself alone. */
export function snapshotRoutes(copies: Snapshots, { who }: Scope, trail: Trail): Router {
  const routes = Router();
  routes.use('/copies', (request, _response, next) => {
    onlyHere(who(request), 'Copies are made and brought back on the machine itself.');
    next();
  });
  routes.get('/copies', (_request, response) => {
    response.set('Cache-Control', 'no-store').json(copies.list());
  });
  routes.post('/copies', async (request, response) => {
    const taken = await copies.take('asked');
    trail.add(who(request).doer, 'kept a copy');
    response.status(201).json(taken);
  });
  routes.post('/copies/:name/restore', async (request, response) => {
    const restored = await copies.restore(String(request.params['name']));
    trail.add(who(request).doer, 'brought back a copy', null, null, [restored.restored.at]);
    response.json(restored);
  });
  routes.post('/copies/:name/file', async (request, response) => {
    const asked = z.strictObject({ passphrase: z.string() }).safeParse(request.body);
    if (!asked.success)
      throw new ProblemError({
        status: 422,
        title: 'A passphrase, please',
        detail: 'Say the passphrase that will open the file.',
        field: 'passphrase',
      });
    const name = String(request.params['name']);
    const sealed = await seal(readFileSync(copies.pathOf(name)), asked.data.passphrase);
    trail.add(who(request).doer, 'took a copy out');
    response
      .set({
        'Cache-Control': 'no-store',
        'Content-Disposition': `attachment; filename="${name.replace(/\.sqlite$/, '')}.inner-rung"`,
      })
      .type('application/octet-stream')
      .send(sealed);
  });
  routes.post(
    '/copies/file',
    express.raw({ type: 'application/octet-stream', limit: MOST }),
    async (request, response) => {
      const said = request.get('x-passphrase') ?? '';
      if (!Buffer.isBuffer(request.body) || said === '')
        throw new ProblemError({
          status: 422,
          title: 'A file and its passphrase',
          detail: 'Send the file as application/octet-stream, and its passphrase in X-Passphrase, base64.',
          field: said === '' ? 'passphrase' : 'file',
        });
      const passphrase = Buffer.from(said, 'base64').toString('utf8');
      const brought = copies.bringIn(await unseal(request.body, passphrase));
      trail.add(who(request).doer, 'brought in a copy', null, null, [brought.at]);
      response.status(201).json(brought);
    },
  );
  return routes;
}
