import { copyFileSync, mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { SessionRecord } from '@inner-rung/core/log';
import type { Person } from '@inner-rung/core/person';
import { RECORDS, recordOf } from '@inner-rung/core/records';
import request from 'supertest';
import { MIGRATIONS, openDatabase } from '../src/database.ts';
import { appOver } from './app.ts';

/** A data folder as an earlier program left it, opened by this one: a copy, so that it stays as it was. */
function opened(name: 'demo' | 'filled') {
  const path = join(mkdtempSync(join(tmpdir(), 'inner-rung-folder-')), 'inner-rung.sqlite');
  copyFileSync(join(process.cwd(), `server/test/fixtures/data-folder-${name}.sqlite`), path);
  const db = openDatabase(path);
  const count = () => db.prepare('SELECT kind, count(*) AS n FROM document GROUP BY kind').all();
  const before = count();
  const { app, store } = appOver(db);
  return { db, app, store, before, count, aside: store.sweep() };
}

test('the demo’s folder opens unchanged, all of it, at the newest schema', () => {
  const { db, store, before, count, aside } = opened('demo');
  expect(db.pragma('user_version', { simple: true })).toBe(MIGRATIONS.length);
  expect(aside).toBe(0);
  expect(count()).toEqual(before);
  const listed = Object.fromEntries(RECORDS.map((record) => [record.kind, store.list(record).length]));
  expect(listed).toMatchObject({ person: 6, plan: 3, group: 2, room: 2, record: 4 });
  expect(store.unreadable()).toEqual([]);
});

describe('a filled folder', () => {
  test('opens but for the room that no longer does, which is set aside and told', () => {
    const { store, aside } = opened('filled');
    expect(aside).toBe(1);
    expect(store.unreadable()).toMatchObject([{ kind: 'room', id: 'old-barn' }]);
    expect(store.list(recordOf('room'))).toHaveLength(2);
    expect(store.list(recordOf('change'))).toHaveLength(1);
  });
  test('what was eased on the left is eased there alone', () => {
    const { store } = opened('filled');
    const bodies = store.list(recordOf('person')).map((stored) => stored.body as Person);
    const eased = bodies.flatMap((person) => person.loosened.map((one) => one.limit));
    expect(eased).toContain('sore-knees/knee.kneel/left');
    expect(eased).not.toContain('sore-knees/knee.kneel');
  });
  test('what was corrected stands with the result that it is about', () => {
    const { store } = opened('filled');
    const said = store
      .list(recordOf('record'))
      .map((stored) => stored.body as SessionRecord)
      .flatMap((record) => record.results.map((result) => result.corrections.map((c) => c.was)));
    expect(said.filter((list) => list.length > 0)).toEqual([['effort 6'], ['clean']]);
  });
  test('its run reads with what happened in it, and earlier revisions are all there', async () => {
    const { app, db } = opened('filled');
    const run = (await request(app).get('/api/runs/run-old')).body;
    expect(run.events.map((event: { kind: string }) => event.kind)).toEqual(['go', 'leave']);
    const kept = db.prepare("SELECT count(*) AS n FROM earlier_revision WHERE kind = 'plan'").get();
    expect(kept).toEqual({ n: 4 });
  });
  test('somebody erased is gone from all of it', async () => {
    const { app, db } = opened('filled');
    const { body: run } = await request(app).get('/api/runs/run-old');
    const id = run.run.cast[0].id as string;
    expect((await request(app).post(`/api/people/${id}/erase`)).status).toBe(204);
    for (const table of ['document', 'earlier_revision', 'set_aside', 'run', 'run_event', 'run_link'])
      expect(JSON.stringify(db.prepare(`SELECT * FROM ${table}`).all())).not.toContain(id);
  });
});
