import { promisify } from 'node:util';
import { gzip } from 'node:zlib';
import type { AnyRecordKind } from '@inner-rung/core/record';
import { collectionOf, recordOf } from '@inner-rung/core/records';
import { fieldsChanged } from '@inner-rung/core/team';
import { type Request, Router } from 'express';
import * as z from 'zod';
import { readsGzip } from '../assets.ts';
import type { Documents } from '../documents.ts';
import type { Eraser } from '../erase.ts';
import { ProblemError } from '../problem.ts';
import type { Snapshots } from '../snapshots.ts';
import type { Team } from '../team.ts';
import type { Trail } from '../trail.ts';
import { type Asker, notHere, onlyHere, type Scope } from '../who.ts';

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

/** Kinds that say something of people: that they were looked at leaves a trace. */
const NOTED: ReadonlySet<string> = new Set(['person', 'group', 'record']);

/** The group that something sent says it is for; null where it says none. */
export function groupNamed(body: unknown): string | null {
  const group = (body as { group?: unknown } | null)?.group;
  return typeof group === 'string' ? group : null;
}

const erasedSchema = z.strictObject({ people: z.array(z.string().max(100)).max(5000) });

interface PackedList {
  readonly tag: string;
  readonly text: string;
  /** Packed once, for whoever asks. */
  readonly gzip: () => Promise<Buffer>;
}
function packedList(tag: string, text: string): PackedList {
  let packed: Promise<Buffer> | undefined;
  return {
    tag,
    text,
    gzip: () => {
      packed ??= promisify(gzip)(text);
      return packed;
    },
  };
}

/** Documents of every kind of the registry: read, saved by revision, deleted, erased. */
export function documentRoutes(
  documents: Documents,
  eraser: Eraser,
  scope: Scope,
  trail: Trail,
  team: Team,
  snapshots?: Snapshots,
): Router {
  const { who } = scope;
  /** Of whom it is noted that they were looked at: documents that say something of people. */
  const noted = (record: AnyRecordKind) => NOTED.has(record.kind);
  /** Whether a document stands there that isn't theirs: to them it is as if there were none. */
  const theirs = (asker: Asker, record: AnyRecordKind, id: string): void => {
    const stored = documents.find(record, id);
    if (stored && !scope.sees(asker, record.kind, id)) throw notHere();
  };
  const routes = Router();
  routes.get('/set-aside', (request, response) => {
    // What can't be read can't be told whose it is.
    response.json(scope.seesAll(who(request)) ? documents.unreadable() : []);
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
  /** Lists as they are sent, for as long as nothing of their kind is saved. */
  const sending = new Map<string, PackedList>();
  routes.get('/:kind', (request, response, next) => {
    const record = kindAt(request);
    const asker = who(request);
    const tag = `"${scope.tagFor(asker, documents.tagOf(record))}"`;
    if (noted(record)) trail.add(asker.doer, 'saw', null, null, [`the list of ${record.collection}`]);
    response.set({ ETag: tag, 'Cache-Control': 'private, no-cache' });
    if (request.get('if-none-match') === tag) {
      response.status(304).end();
      return;
    }
    if (!scope.seesAll(asker)) {
      response.json(scope.listFor(asker, record, documents.list(record)));
      return;
    }
    const before = sending.get(record.kind);
    const now = before?.tag === tag ? before : packedList(tag, documents.listText(record));
    sending.set(record.kind, now);
    if (readsGzip(request.get('accept-encoding')))
      now.gzip().then((bytes) => {
        response.set({ 'Content-Encoding': 'gzip', Vary: 'Accept-Encoding' }).type('json').send(bytes);
      }, next);
    else response.type('json').send(now.text);
  });
  routes.get('/:kind/:id', (request, response) => {
    const { record, id } = address(request);
    const asker = who(request);
    const stored = scope.oneFor(asker, record, id);
    if (noted(record)) trail.add(asker.doer, 'saw', record.kind, id);
    response.set('ETag', `"${stored.revision}"`).json(stored);
  });
  routes.put('/:kind/:id', (request, response) => {
    const { record, id } = address(request);
    const creating = request.get('if-none-match') === '*';
    const asker = who(request);
    // Who records and sees no records may send theirs again, where the answer was lost.
    if (!(creating && record.kind === 'record')) theirs(asker, record, id);
    const group = record.kind === 'record' ? groupNamed(request.body) : null;
    if (group !== null && !scope.seesGroup(asker, group)) throw notHere();
    const before = documents.find(record, id);
    const revision = trail.with(() => {
      const saved = creating
        ? documents.create(record, id, request.body)
        : documents.replace(record, id, request.body, revisionOf(request));
      const fields = before ? fieldsChanged(before.body as object, request.body as object) : [];
      if (!before) trail.add(asker.doer, 'made', record.kind, id);
      else if (fields.length > 0) trail.add(asker.doer, 'changed', record.kind, id, fields);
      return saved;
    });
    // Whoever is given some groups and makes one is given it.
    if (!before && record.kind === 'group' && asker.me) team.give(asker.me.id, id);
    response
      .status(creating ? 201 : 200)
      .set('ETag', `"${revision}"`)
      .json({ revision });
  });
  routes.delete('/:kind/:id', (request, response) => {
    const { record, id } = address(request);
    const asker = who(request);
    theirs(asker, record, id);
    trail.with(() => {
      documents.remove(record, id, revisionOf(request));
      trail.add(asker.doer, 'deleted', record.kind, id);
    });
    response.status(204).end();
  });
  // Asked again it does what is left to do: an answer lost is no reason to leave half.
  routes.post('/:kind/:id/erase', (request, response) => {
    const { record, id } = address(request);
    const asker = who(request);
    onlyHere(asker, 'What is erased can’t be had back: that is done on the machine itself.');
    // Before it: what it says goes with the erasing, that it happened stays.
    trail.add(asker.doer, 'erased', record.kind, id);
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
