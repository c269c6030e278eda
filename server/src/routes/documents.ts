import type { AnyRecordKind } from '@inner-rung/core/record';
import { collectionOf, recordOf } from '@inner-rung/core/records';
import { type Request, Router } from 'express';
import * as z from 'zod';
import type { Documents } from '../documents.ts';
import type { Eraser } from '../erase.ts';
import { ProblemError } from '../problem.ts';
import type { Snapshots } from '../snapshots.ts';

export const idSchema = z
  .string()
  .regex(/^[a-z0-9]+(-[a-z0-9]+)*$/)
  .max(80);

function kindAt(request: Request): AnyRecordKind {
  const record = collectionOf(String(request.params['kind']));
  if (!record)
    throw new ProblemError({ status: 404, title: 'Not here', detail: 'There is nothing at this address.' });
  return record;
}

function address(request: Request): { record: AnyRecordKind; id: string } {
  const record = kindAt(request);
  const id = idSchema.safeParse(request.params['id']);
  if (!id.success)
    throw new ProblemError({
      status: 400,
      title: 'Not an id',
      detail: 'An id is small letters, digits and single hyphens.',
      field: 'id',
    });
  return { record, id: id.data };
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

const erasedSchema = z.strictObject({ people: z.array(z.string().max(100)).max(5000) });

/** Documents of every kind of the registry: read, saved by revision, deleted, erased. */
export function documentRoutes(
  documents: Documents,
  eraser: Eraser,
  /** Whether somebody asks from another device. */
  elsewhere: (request: Request) => boolean,
  snapshots?: Snapshots,
): Router {
  const routes = Router();
  routes.get('/set-aside', (_request, response) => {
    response.json(documents.unreadable());
  });
  routes.post('/erased', (request, response) => {
    const asked = erasedSchema.safeParse(request.body);
    if (!asked.success) {
      const [first] = asked.error.issues;
      throw new ProblemError({
        status: 422,
        title: 'Who?',
        detail: first!.message,
        field: first!.path.join('.') || '(top)',
        fix: 'Send the ids of people as a list: {"people": ["…"]}.',
      });
    }
    response.json({ people: eraser.erasedOf('person', asked.data.people) });
  });
  routes.get('/:kind', (request, response) => {
    const record = kindAt(request);
    const tag = `"${documents.tagOf(record)}"`;
    response.set({ ETag: tag, 'Cache-Control': 'private, no-cache' });
    if (request.get('if-none-match') === tag) response.status(304).end();
    else response.json(documents.list(record));
  });
  routes.get('/:kind/:id', (request, response) => {
    const { record, id } = address(request);
    const stored = documents.get(record, id);
    response.set('ETag', `"${stored.revision}"`).json(stored);
  });
  routes.put('/:kind/:id', (request, response) => {
    const { record, id } = address(request);
    const creating = request.get('if-none-match') === '*';
    const revision = creating
      ? documents.create(record, id, request.body)
      : documents.replace(record, id, request.body, revisionOf(request));
    response
      .status(creating ? 201 : 200)
      .set('ETag', `"${revision}"`)
      .json({ revision });
  });
  routes.delete('/:kind/:id', (request, response) => {
    const { record, id } = address(request);
    documents.remove(record, id, revisionOf(request));
    response.status(204).end();
  });
  // Asked again it does what is left to do: an answer lost is no reason to leave half.
  routes.post('/:kind/:id/erase', (request, response) => {
    const { record, id } = address(request);
    if (elsewhere(request))
      throw new ProblemError({
        status: 403,
        title: 'Only at the machine itself',
        detail: 'What is erased can’t be had back: that is done on the machine itself.',
      });
    const { compacted } = eraser.erase(recordOf(record.kind), id);
    snapshots?.erase(record.kind, id);
    if (compacted) response.status(204).end();
    else
      response.status(202).json({
        erased: true,
        detail:
          'Erased. The file couldn’t be rewritten yet (is the disk full?): that is done at the next start, or when this is asked again.',
      });
  });
  return routes;
}
