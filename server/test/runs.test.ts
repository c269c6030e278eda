import { mkdtempSync } from 'node:fs';
import { request as ask, createServer, type IncomingMessage } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { decodeLibrary } from '@inner-rung/core/forms';
import { clockOf, factsFor, positionAt, type Run } from '@inner-rung/core/run';
import { entriesOf, factsIn } from '@inner-rung/core/session';
import request from 'supertest';
import { PEOPLE, PLANS } from '../../demo/src/index.ts';
import { openDatabase, openDataFolder } from '../src/database.ts';
import { appOver, library } from './app.ts';

const plan = PLANS[0]!;
const person = PEOPLE[0]!.id;
const RUN: Run = {
  version: 1,
  id: 'tuesday-1',
  plan: { id: plan.id, title: plan.title, forWhom: plan.forWhom, blocks: plan.blocks },
  facts: factsFor(
    entriesOf(plan.blocks).map((e) => e.move),
    factsIn(decodeLibrary(library.buffer)),
  ),
  how: 'together',
  group: null,
  room: 'Tannery Lane Hall',
  on: '2026-11-24',
  cast: [
    {
      id: person,
      name: 'Maud Ellery',
      byNumber: false,
      group: 0,
      does: [],
      switches: [],
      cautions: [],
      today: { conditions: [], level: null },
    },
    {
      id: 'other',
      name: 'Other',
      byNumber: true,
      group: 0,
      does: [],
      switches: [],
      cautions: [],
      today: { conditions: [], level: null },
    },
  ],
  names: [],
  cues: {},
  emergency: 'Side door, first floor.',
};

/** A server whose two clocks the test turns. */
function fresh(path = ':memory:') {
  const clock = { wall: 1_000_000, steady: 0 };
  const db = openDatabase(path);
  const { app } = appOver(
    db,
    () => clock.wall,
    () => clock.steady,
  );
  const press = (body: object) => request(app).post(`/api/runs/${RUN.id}/events`).send(body);
  const read = async () => (await request(app).get(`/api/runs/${RUN.id}`)).body;
  return { clock, db, app, press, read };
}
const pressed = (n: number, more: object) => ({ id: `press-${String(n).padStart(4, '0')}`, ...more });

test('made by value, pressed, read back: the same run and the same events', async () => {
  const { app, clock, press, read } = fresh();
  expect((await request(app).post('/api/runs').send(RUN)).status).toBe(201);
  expect((await request(app).post('/api/runs').send(RUN)).status).toBe(412);
  clock.steady = 5000;
  const answer = await press(pressed(1, { kind: 'go' }));
  expect(answer.body.events).toEqual([{ id: 'press-0001', at: 5000, kind: 'go' }]);
  const { run, events, now, began } = await read();
  expect(run).toEqual(RUN);
  expect(events).toEqual(answer.body.events);
  expect([now, began]).toEqual([5000, 1_000_000]);
  expect((await request(app).get('/api/runs')).body).toEqual([
    {
      id: RUN.id,
      title: RUN.plan.title,
      plan: plan.id,
      on: RUN.on,
      group: null,
      people: 2,
      daysAgo: 0,
      is: 'under way',
    },
  ]);
});

test('the list says where a run stands: not begun, under way though it stands still, over when ended or a day old', async () => {
  const { app, clock, press } = fresh();
  const is = async () => (await request(app).get('/api/runs')).body.map((run: { is: string }) => run.is);
  await request(app).post('/api/runs').send(RUN);
  expect(await is()).toEqual(['not begun']);
  clock.steady = 5000;
  await press(pressed(1, { kind: 'go' }));
  await press(pressed(2, { kind: 'pause', why: 'drink' }));
  expect(await is()).toEqual(['under way']);
  clock.steady = 86_400_000;
  expect(await is()).toEqual(['over']);
  clock.steady = 86_399_000;
  await press(pressed(3, { kind: 'finish' }));
  expect(await is()).toEqual(['over']);
});

test('the same press sent twice is there once; what was pressed while away holds from when it was pressed', async () => {
  const { app, clock, press, read } = fresh();
  await request(app).post('/api/runs').send(RUN);
  clock.steady = 60_000;
  await press([
    pressed(1, { kind: 'go', at: 1000 }),
    pressed(2, { kind: 'pause', why: 'drink', at: 20_000 }),
  ]);
  await press([pressed(1, { kind: 'go', at: 1000 })]);
  const { events } = await read();
  expect(events.map((e: { at: number }) => e.at)).toEqual([1000, 20_000]);
  // Nobody presses in the future.
  const ahead = await press(pressed(3, { kind: 'go', at: 99_000 }));
  expect(ahead.body.events[0].at).toBe(60_000);
});

test('the device’s time set back bends nothing, and a server started again goes on where it was', async () => {
  const path = openDataFolder(mkdtempSync(join(tmpdir(), 'inner-rung-run-')));
  const first = fresh(path);
  await request(first.app).post('/api/runs').send(RUN);
  first.clock.steady = 10_000;
  await first.press(pressed(1, { kind: 'go' }));
  first.clock.steady = 30_000;
  first.clock.wall -= 7_200_000;
  expect((await first.read()).now).toBe(30_000);
  await first.press(pressed(2, { kind: 'pause', why: 'pause' }));
  first.db.close();
  // Started again with a clock an hour behind: never before the last that happened.
  const second = fresh(path);
  second.clock.wall = 1_000_000 - 3_600_000;
  const { events, now, run } = await second.read();
  expect(events).toHaveLength(2);
  expect(now).toBeGreaterThanOrEqual(30_000);
  expect(positionAt(clockOf(run, events), now)).toMatchObject({ is: 'paused', done: 20 });
});

test.each([
  ['a kind there is none of', { kind: 'dance' }, /kind/],
  ['effort of a person without a name', { kind: 'leave' }, /person/],
  ['a minute and a half of seconds too many', { kind: 'add', seconds: 601, during: '0' }, /seconds/],
  ['an id that is none', { id: 'X', kind: 'go' }, /id/],
])('%s is refused by its field, and nothing of the batch is kept', async (_says, more, field) => {
  const { app, press, read } = fresh();
  await request(app).post('/api/runs').send(RUN);
  const answer = await press([pressed(1, { kind: 'go' }), pressed(2, more)]);
  expect(answer.status).toBe(422);
  expect(answer.body.field).toMatch(field);
  expect((await read()).events).toEqual([]);
});

test('no such run, and a run that is none', async () => {
  const { app } = fresh();
  expect((await request(app).get('/api/runs/nowhere')).status).toBe(404);
  expect((await request(app).post('/api/runs/nowhere/events').send([])).status).toBe(404);
  const wrong = await request(app)
    .post('/api/runs')
    .send({ ...RUN, on: 'Tuesday' });
  expect([wrong.status, wrong.body.field]).toEqual([422, 'on']);
});

test('another page can press nothing', async () => {
  const { app, read } = fresh();
  await request(app).post('/api/runs').send(RUN);
  const answer = await request(app)
    .post(`/api/runs/${RUN.id}/events`)
    .set('Origin', 'http://elsewhere.example')
    .send(pressed(1, { kind: 'finish' }));
  expect(answer.status).toBe(403);
  expect((await read()).events).toEqual([]);
});

test('who looks on hears of a press at once', async () => {
  const { app, press } = fresh();
  await request(app).post('/api/runs').send(RUN);
  const server = createServer(app).listen(0, '127.0.0.1');
  await new Promise((ready) => server.once('listening', ready));
  const { port } = server.address() as AddressInfo;
  const heard = new Promise<string>((done, failed) => {
    ask({ port, path: `/api/runs/${RUN.id}/stream` }, (response: IncomingMessage) => {
      expect(response.headers['content-type']).toMatch(/event-stream/);
      response.on('data', (chunk: Buffer) => {
        const line = /^data: (.*)$/m.exec(chunk.toString());
        if (line) {
          done(line[1]!);
          response.destroy();
        }
      });
      void press(pressed(1, { kind: 'go' })).then(() => undefined);
    })
      .on('error', failed)
      .end();
  });
  expect(JSON.parse(await heard).events[0]).toMatchObject({ kind: 'go' });
  server.closeAllConnections();
  await new Promise((closed) => server.close(closed));
});

test('somebody erased is out of every run and of what happened in it', async () => {
  const { app, db, press } = fresh();
  await request(app).put(`/api/people/${person}`).set({ 'If-None-Match': '*' }).send(PEOPLE[0]!);
  await request(app).post('/api/runs').send(RUN);
  await press([pressed(1, { kind: 'go' }), pressed(2, { kind: 'sign', person, sign: 'faint or dizzy' })]);
  await request(app).post(`/api/people/${person}/erase`);
  const kept = JSON.stringify([
    db.prepare('SELECT body FROM run').all(),
    db.prepare('SELECT body FROM run_event').all(),
  ]);
  expect(kept).not.toContain(person);
  expect(kept).not.toContain('Maud');
  expect(kept).toContain('Other');
});

describe('a run that went on elsewhere', () => {
  const events = [
    { id: 'press-0001', at: 1000, kind: 'go' },
    { id: 'press-0002', at: 61_000, kind: 'leave', person },
    { id: 'press-0003', at: 900_000, kind: 'finish' },
  ];
  test('is taken in with the moments it had, whole, however often it is brought', async () => {
    const { app, read } = fresh();
    const take = () => request(app).post('/api/runs/taken').send({ run: RUN, events });
    expect((await take()).body).toEqual({ id: RUN.id, added: 3 });
    expect((await take()).body).toEqual({ id: RUN.id, added: 0 });
    const { run, events: kept, now } = await read();
    expect(run).toEqual(RUN);
    expect(kept).toEqual(events);
    expect(now).toBeGreaterThanOrEqual(900_000);
  });
  test('what was pressed here meanwhile stays', async () => {
    const { app, clock, press, read } = fresh();
    await request(app).post('/api/runs').send(RUN);
    clock.steady = 5000;
    await press(pressed(9, { kind: 'pause', why: 'drink' }));
    await request(app).post('/api/runs/taken').send({ run: RUN, events });
    expect((await read()).events.map((e: { id: string }) => e.id)).toEqual([
      'press-0001',
      'press-0009',
      'press-0002',
      'press-0003',
    ]);
  });
  test('an event that is none is named, and nothing is kept', async () => {
    const { app } = fresh();
    const answer = await request(app)
      .post('/api/runs/taken')
      .send({ run: RUN, events: [events[0], { ...events[1], at: -5 }] });
    expect(answer.status).toBe(422);
    expect(answer.body.field).toBe('events.1.at');
    expect((await request(app).get(`/api/runs/${RUN.id}`)).status).toBe(404);
  });
});

describe('the session pack', () => {
  const EMPTY = '<body><script type="application/json" id="packed">null</script></body>';
  test('holds the run by value, and no name in it ends the page early', async () => {
    const { app } = appOver(openDatabase(':memory:'), undefined, undefined, undefined, EMPTY);
    const named = { ...RUN, plan: { ...RUN.plan, title: '</script><b>Tuesday $& ten' } };
    await request(app).post('/api/runs').send(named);
    const answer = await request(app).get(`/api/runs/${RUN.id}/pack`);
    expect(answer.headers['content-disposition']).toContain('attachment');
    expect(answer.text.match(/<\/script>/g)).toHaveLength(1);
    const [, json] = />(\{.*\})<\/script>/s.exec(answer.text)!;
    expect(JSON.parse(json!)).toMatchObject({ run: named, events: [], now: 0 });
  });
  test('where it isn’t built that is said, and how it is', async () => {
    const { app } = fresh();
    await request(app).post('/api/runs').send(RUN);
    const answer = await request(app).get(`/api/runs/${RUN.id}/pack`);
    expect(answer.status).toBe(404);
    expect(answer.body.detail).toContain('npm run build');
  });
});
