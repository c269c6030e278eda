import { existsSync, mkdirSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { FORMATS } from '@inner-rung/core/clock';
import { openRecord } from '@inner-rung/core/record';
import { PLAN, PLAN_EXAMPLE, type Plan, READY_SESSIONS } from '@inner-rung/core/session';
import { Validator } from '@seriousme/openapi-schema-validator';
import { Ajv2020 } from 'ajv/dist/2020.js';
import fc from 'fast-check';
import request from 'supertest';
import * as z from 'zod';
import { anySession, planOf } from '../../core/test/sessions.ts';
import { openDatabase } from '../src/database.ts';
import { openApi } from '../src/openapi.ts';
import { appOver } from './app.ts';

const { app } = appOver(openDatabase(':memory:'));
const post = (body: object | string) =>
  request(app).post('/api/timeline').set('Content-Type', 'application/json').send(body);
const ten: Plan = planOf([
  {
    id: 'main',
    format: {
      kind: 'intervals',
      workSeconds: 20,
      restSeconds: 10,
      rounds: 4,
      roundRestSeconds: 0,
      closingRest: true,
    },
    stations: Array.from({ length: 10 }, (_, i) => ({ id: `s${i}`, move: 'squat', sides: 'swap at half' })),
  },
]);

describe('POST /api/timeline', () => {
  test('check value: 10 × (20 + 10) s × 4 rounds are 20:00; its segments add up to it', async () => {
    const { status, body } = await post(ten);
    expect(status).toBe(200);
    expect(body.lengthSeconds).toBe(1200);
    expect(
      body.segments.reduce((sum: number, s: { lengthSeconds: number }) => sum + s.lengthSeconds, 0),
    ).toBe(1200);
    expect(body.sums.workSeconds).toBe(800);
    expect(body.segments[0].says).toBe('0:00 · round 1 · Squat · 20 s');
    expect(body.checks.map((c: { check: string }) => c.check)).toContain('warm-up');
  });
  test('a document of an earlier version is read as today’s', async () => {
    const { blocks, forWhom: _, ...rest } = ten;
    const { body } = await post({ ...rest, version: 1, block: blocks[0] });
    expect(body.lengthSeconds).toBe(1200);
  });
  test('every ready-made session, by value', async () => {
    for (const plan of READY_SESSIONS) {
      const { status, body } = await post(plan);
      expect([plan.id, status]).toEqual([plan.id, 200]);
      expect(body.sums.lengthSeconds).toBe(body.lengthSeconds);
    }
  });
  const bad: [string, unknown, string, RegExp][] = [
    [
      'no stations is no fault of the document',
      { ...ten, blocks: [{ ...ten.blocks[0]!, stations: [] }] },
      '',
      /^$/,
    ],
    ['nothing', {}, 'version', /whole number/],
    [
      'work of 0 seconds',
      { ...ten, blocks: [{ ...ten.blocks[0]!, format: { ...ten.blocks[0]!.format, workSeconds: 0 } }] },
      'blocks.0.format.workSeconds',
      /Work: a whole number from 5 to 600/,
    ],
    [
      'negative rest',
      { ...ten, blocks: [{ ...ten.blocks[0]!, format: { ...ten.blocks[0]!.format, restSeconds: -1 } }] },
      'blocks.0.format.restSeconds',
      /Rest: a whole number from 0 to 600/,
    ],
    [
      '10,000 rounds',
      { ...ten, blocks: [{ ...ten.blocks[0]!, format: { ...ten.blocks[0]!.format, rounds: 10_000 } }] },
      'blocks.0.format.rounds',
      /from 1 to 20/,
    ],
    ['a title of 10 kB', { ...ten, title: 'x'.repeat(10_240) }, 'title', /120 characters/],
    ['no blocks', { ...ten, blocks: [] }, 'blocks', /has a block/],
    [
      'a format nobody knows',
      { ...ten, blocks: [{ ...ten.blocks[0]!, format: { kind: 'waltz' } }] },
      'blocks.0.format.kind',
      /./,
    ],
  ];
  test.each(bad)('%s', async (_name, sent, field, says) => {
    const { status, body } = await post(sent as object);
    if (field === '') {
      expect(status).toBe(200);
      expect(body.checks[0]).toMatchObject({ check: 'no stations', severity: 'stop' });
      return;
    }
    expect(status).toBe(422);
    expect(body.field).toBe(field);
    expect(body.detail).toMatch(says);
  });
  test('what can’t be as it is comes back as a check, with where and why', async () => {
    const plan = planOf([
      {
        id: 'b',
        format: { ...FORMATS.pyramid.usual, by: 3 } as Plan['blocks'][number]['format'],
        stations: [{ id: 's1', move: 'squat', sides: 'swap at half' }],
      },
    ]);
    const { body } = await post(plan);
    expect(body.checks[0]).toMatchObject({ check: 'format', severity: 'stop', block: 0 });
    expect(body.checks[0].says).toContain('never reach');
  });
  test('text that isn’t JSON', async () => {
    const { status, body } = await post('{"title": ');
    expect([status, body.title]).toEqual([400, 'Not JSON']);
  });
});

describe('the description of the interface', () => {
  test('is valid OpenAPI by another library’s judgement, and served', async () => {
    const { valid, errors } = await new Validator().validate(
      structuredClone(openApi()) as Record<string, unknown>,
    );
    expect(errors ?? []).toEqual([]);
    expect(valid).toBe(true);
    const { body } = await request(app).get('/api/openapi.json');
    expect(body).toEqual(JSON.parse(JSON.stringify(openApi())));
  });
});

test('every route there is stands in the description', () => {
  const folder = join(process.cwd(), 'server/src/routes');
  const source = [join(folder, '../app.ts'), ...readdirSync(folder).map((name) => join(folder, name))]
    .map((file) => readFileSync(file, 'utf8'))
    .join('\n');
  const { paths } = openApi() as { paths: Record<string, Record<string, unknown>> };
  const routes = [...source.matchAll(/(?:api|routes)\.(get|post|put|delete)\('(\/[^']*)'/g)].map(
    ([, method, path]) => [method!, `/api${path!.replace(/:(\w+)/g, '{$1}')}`] as const,
  );
  expect(routes.length).toBeGreaterThan(15);
  // What goes by kind is described kind by kind.
  for (const [method, path] of routes.filter(([, path]) => !path.startsWith('/api/{kind}')))
    expect([path, Object.keys(paths[path] ?? {}).includes(method)]).toEqual([path, true]);
});

describe('the published format of a session', () => {
  const path = join(process.cwd(), 'docs/formats/session.v2.schema.json');
  const schema = {
    ...z.toJSONSchema(PLAN.schema, { io: 'input', unrepresentable: 'any' }),
    $id: 'https://inner-rung.invalid/formats/session.v2.schema.json',
    title: 'Inner Rung session, version 2',
  };
  test('stands in docs/formats as the schema says', () => {
    const text = `${JSON.stringify(schema, null, 2)}\n`;
    if (process.env['UPDATE_DOCS']) {
      if (!existsSync(join(path, '..'))) mkdirSync(join(path, '..'), { recursive: true });
      writeFileSync(path, text);
    }
    expect(JSON.parse(readFileSync(path, 'utf8'))).toEqual(JSON.parse(text));
  });
  test('another library accepts what we export by it, and refuses what we refuse', () => {
    const validate = new Ajv2020({ strict: false }).compile(JSON.parse(JSON.stringify(schema)));
    for (const plan of READY_SESSIONS) {
      if (!validate(JSON.parse(JSON.stringify(plan))))
        throw new Error(`${plan.id}: ${JSON.stringify(validate.errors)}`);
    }
    expect(validate({ ...PLAN_EXAMPLE, joy: 1 })).toBe(false);
    expect(validate({ ...PLAN_EXAMPLE, blocks: [] })).toBe(false);
  });
  test('export, then import, is the identity', () => {
    fc.assert(
      fc.property(anySession, (timed) => {
        const plan = planOf(timed.blocks, { forWhom: timed.forWhom });
        const read = openRecord(PLAN, JSON.parse(JSON.stringify(plan)));
        expect(read).toEqual({ ok: true, value: plan });
      }),
      { numRuns: 300, seed: 20261125 },
    );
  });
});
