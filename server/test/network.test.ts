import { FIGURES } from '@inner-rung/core/figure';
import type { PersonCard } from '@inner-rung/core/paper';
import { PEOPLE, PLANS } from '../../demo/src/index.ts';
import { cookieOf } from '../src/network.ts';
import { castFor, cookieFrom, PASSCODE, runFor, twoWaysIn } from './app.ts';

test('on the machine itself no passcode is asked for; from the network nothing is to be had without one', async () => {
  const { here, there } = await twoWaysIn();
  expect((await here.get('/api/plans')).status).toBe(200);
  for (const path of ['/api/plans', '/api/people', '/api/runs', '/api/library', '/api/network'])
    expect((await there.get(path)).status).toBe(401);
  expect((await there.put('/api/plans/x').send(PLANS[0]!)).status).toBe(401);
});

test('it can’t be switched on before there is a passcode, nor with a short one, nor from the network', async () => {
  const { here, there, cookie: signedIn } = await twoWaysIn();
  const without = await here.put('/api/network').send({ on: true });
  expect([without.status, without.body.field]).toEqual([422, 'passcode']);
  const short = await here.put('/api/network').send({ on: true, passcode: '12345' });
  expect([short.status, short.body.field]).toEqual([422, 'passcode']);
  const on = await here.put('/api/network').send({ on: true, passcode: PASSCODE });
  expect(on.body).toMatchObject({ here: true, on: true, passcode: true });
  const cookie = await signedIn();
  const from = await there.put('/api/network').set('Cookie', cookie).send({ on: false });
  expect(from.status).toBe(403);
  expect((await there.post('/api/network/sign-out').set('Cookie', cookie)).status).toBe(403);
});

test('the passcode lets in, and signing out everywhere lets out; a new passcode does as well', async () => {
  const { here, there, signIn, cookie: signedIn } = await twoWaysIn();
  await here.put('/api/network').send({ on: true, passcode: PASSCODE });
  const answer = await signIn();
  expect(answer.status).toBe(204);
  expect((answer.headers['set-cookie'] as unknown as string[])[0]).toMatch(/HttpOnly.*SameSite=Strict/i);
  const cookie = cookieFrom(answer);
  const plans = () => there.get('/api/plans').set('Cookie', cookie);
  expect((await plans()).status).toBe(200);
  await here.post('/api/network/sign-out');
  expect((await plans()).status).toBe(401);
  const again = await signedIn();
  await here.put('/api/network').send({ on: true, passcode: 'another-one' });
  expect((await there.get('/api/plans').set('Cookie', again)).status).toBe(401);
});

test('a phone stays signed in for half a day, no longer', async () => {
  const { here, there, clock, cookie: signedIn } = await twoWaysIn();
  await here.put('/api/network').send({ on: true, passcode: PASSCODE });
  const cookie = await signedIn();
  clock.now += 11 * 3_600_000;
  expect((await there.get('/api/plans').set('Cookie', cookie)).status).toBe(200);
  clock.now += 2 * 3_600_000;
  expect((await there.get('/api/plans').set('Cookie', cookie)).status).toBe(401);
});

test('five wrong ones, and even the right one waits five minutes', async () => {
  const { here, clock, signIn } = await twoWaysIn();
  await here.put('/api/network').send({ on: true, passcode: PASSCODE });
  for (let i = 0; i < 5; i++) expect((await signIn(`guess-${i}`)).status).toBe(401);
  expect((await signIn()).status).toBe(429);
  clock.now += 5 * 60_000 + 1;
  expect((await signIn()).status).toBe(204);
});

test('neither the passcode nor a token is anywhere in the file', async () => {
  const { here, db, cookie: signedIn } = await twoWaysIn();
  await here.put('/api/network').send({ on: true, passcode: PASSCODE });
  const token = cookieOf(await signedIn(), 'inner-rung')!;
  const kept = JSON.stringify([
    db.prepare('SELECT * FROM setting').all(),
    db.prepare('SELECT * FROM signed_in').all(),
  ]);
  expect(token.length).toBeGreaterThan(20);
  expect(kept).not.toContain(PASSCODE);
  expect(kept).not.toContain(token);
});

describe('a person’s link', () => {
  const told = {
    cautions: ['Mind the knee.'],
    today: { conditions: [{ id: 'sore-knees', side: 'both' }], level: 1 },
  };
  const run = runFor([castFor('ada', 'Ada Quill', told), castFor('bo', 'Bo Marsh', told)], 'Side door.');
  const event = (n: number, more: object) => ({ id: `press-${String(n).padStart(4, '0')}`, ...more });

  test('shows their own run and nothing else, without a passcode, and ends with it', async () => {
    const { here, there } = await twoWaysIn();
    await here.put('/api/network').send({ on: true, passcode: PASSCODE });
    await here.post('/api/runs').send(run);
    const { token } = (await here.post('/api/runs/tuesday-1/links').send({ person: 'ada' })).body;
    await here
      .post('/api/runs/tuesday-1/events')
      .send([
        event(1, { kind: 'go' }),
        event(2, { kind: 'leave', person: 'bo' }),
        event(3, { kind: 'switch', person: 'ada', entry: 0, way: 'down' }),
        event(4, { kind: 'sign', person: 'bo', sign: 'faint or dizzy' }),
        event(7, { kind: 'join', who: castFor('ada', 'Ada Quill', told) }),
      ]);
    const seen = await there.get(`/api/p/${token}`);
    expect(seen.status).toBe(200);
    const text = JSON.stringify(seen.body);
    expect(text).toContain('Ada Quill');
    for (const hidden of [
      'Bo Marsh',
      'bo"',
      'Mind the knee',
      'sore-knees',
      'Side door',
      'tuesday-evening',
      'faint',
    ])
      expect(text).not.toContain(hidden);
    expect(seen.body.events.map((e: { kind: string }) => e.kind)).toEqual(['go', 'switch', 'join']);
    // Neither the run itself nor anything else is open with it.
    expect((await there.get('/api/runs/tuesday-1')).status).toBe(401);
    expect((await there.post('/api/runs/tuesday-1/events').send(event(5, { kind: 'finish' }))).status).toBe(
      401,
    );
    await here.post('/api/runs/tuesday-1/events').send(event(6, { kind: 'finish' }));
    expect((await there.get(`/api/p/${token}`)).status).toBe(410);
  });
  test('one that was guessed leads nowhere, and nobody who isn’t in it gets one', async () => {
    const { here, there } = await twoWaysIn();
    await here.post('/api/runs').send(run);
    expect((await there.get('/api/p/abcdefgh')).status).toBe(404);
    const nobody = await here.post('/api/runs/tuesday-1/links').send({ person: 'cy' });
    expect([nobody.status, nobody.body.field]).toEqual([422, 'person']);
  });
});

describe('a code on a card', () => {
  const CARD: PersonCard = {
    name: 'Maud',
    session: 'Tuesday ten',
    whole: '20:20',
    effort: 'How hard: up to 6 of 10.',
    lines: [
      {
        number: '1',
        form: 'Sit to stand, 43 cm',
        dose: 'about 8',
        cues: ['Feet under the knees'],
        easier: null,
        harder: 'squat',
        figure: FIGURES['sit-to-stand']!(0.43),
      },
    ],
    care: ['Stop at sharp knee pain.'],
    ready: ['chair'],
    stop: 'Stop at chest pain.',
  };
  const asked = { cards: [{ person: 'maud-ellery', card: CARD }] };
  const MONTH = 31 * 24 * 3_600_000;

  test('opens that card from the network without a passcode, for a month, and nothing else', async () => {
    const { here, there, clock, db } = await twoWaysIn();
    expect((await there.post('/api/cards').send(asked)).status).toBe(401);
    const made = await here.post('/api/cards').send(asked);
    expect(made.status).toBe(201);
    const [token] = made.body.tokens as [string];
    const read = await there.get(`/api/c/${token}`);
    expect([read.status, read.headers['cache-control']]).toEqual([200, 'no-store']);
    expect(read.body).toEqual(JSON.parse(JSON.stringify(CARD)));
    const other = `${token.slice(0, -1)}${token.endsWith('x') ? 'y' : 'x'}`;
    expect((await there.get(`/api/c/${other}`)).status).toBe(404);
    expect((await there.get(`/api/p/${token}`)).status).toBe(404);
    // The token itself is nowhere in the file.
    expect(JSON.stringify(db.prepare('SELECT * FROM card_link').all())).not.toContain(token);
    clock.now += MONTH - 1000;
    expect((await there.get(`/api/c/${token}`)).status).toBe(200);
    clock.now += 2000;
    expect((await there.get(`/api/c/${token}`)).status).toBe(404);
    // What has run out is swept up when the next cards are made.
    await here.post('/api/cards').send(asked);
    expect(db.prepare('SELECT count(*) AS n FROM card_link').get()).toEqual({ n: 1 });
  });
  test('none is made while the network is shut, nor of what isn’t a card; all can be ended', async () => {
    const { here, there, state } = await twoWaysIn();
    state.on = false;
    const shut = await here.post('/api/cards').send(asked);
    expect([shut.status, shut.body.title]).toEqual([409, 'The network is shut']);
    state.on = true;
    const wrong = await here
      .post('/api/cards')
      .send({ cards: [{ person: 'maud-ellery', card: { ...CARD, born: '1950' } }] });
    expect([wrong.status, wrong.body.field]).toEqual([422, 'cards.0.card']);
    const [token] = (await here.post('/api/cards').send(asked)).body.tokens as [string];
    expect((await here.delete('/api/cards')).status).toBe(204);
    expect((await there.get(`/api/c/${token}`)).status).toBe(404);
  });
  test('goes with the person it is about', async () => {
    const { here, there, db } = await twoWaysIn();
    await here
      .put('/api/people/maud-ellery')
      .set('If-None-Match', '*')
      .send(PEOPLE.find((p) => p.id === 'maud-ellery')!);
    const [token] = (await here.post('/api/cards').send(asked)).body.tokens as [string];
    expect((await here.post('/api/people/maud-ellery/erase')).status).toBe(204);
    expect((await there.get(`/api/c/${token}`)).status).toBe(404);
    expect(db.prepare('SELECT count(*) AS n FROM card_link').get()).toEqual({ n: 0 });
  });
});
