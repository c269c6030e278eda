import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { type LibraryError, ladderFileJsonSchema, openLibrary } from '@inner-rung/core/ladder';
import Ajv2020 from 'ajv/dist/2020.js';
import { shippedFiles } from './shipped.ts';

const files = shippedFiles();
/** The library with one file more, or what is wrong with it. */
function opened(json: unknown): ReturnType<typeof openLibrary> | readonly string[] {
  try {
    return openLibrary([...files, { name: 'ours.json', json }]);
  } catch (error) {
    return (error as LibraryError).faults.map((f) => `${f.file}: ${f.where}, ${f.field}: ${f.message}`);
  }
}
const ladder = {
  id: 'our-squats',
  name: 'Our squats',
  intent: 'Squats as our hall does them.',
  measures: ['strength.legs'],
  rungs: [{ move: 'squat', levers: [] }],
};
const slow = {
  id: 'our-slow-squat',
  name: 'Our slow squat',
  like: 'squat',
  demand: { 'strength.legs': [70, 75] },
};

describe('a ladder as a coach writes it', () => {
  test('a move says only what differs: the rest is as in the one that it is like', () => {
    const library = opened({ ladder, moves: [slow] });
    if (Array.isArray(library)) throw new Error(library.join());
    const { move, demand } = library as ReturnType<typeof openLibrary>;
    const squat = move('squat')!;
    expect(move('our-slow-squat')).toEqual({
      ...squat,
      id: 'our-slow-squat',
      name: 'Our slow squat',
      twins: [],
      demand: { ...squat.demand, 'strength.legs': [70, 75] },
    });
    expect(demand.get('our-slow-squat')!['strength.legs']).toMatchObject({
      lo: 70,
      hi: 75,
      from: 'estimate',
    });
  });
  test('sentences that many moves have stand by their name', () => {
    const library = opened({
      moves: [{ ...slow, breath: 'breathe-out-pressing', faults: ['a-heavy-landing'] }],
    });
    const { move } = library as ReturnType<typeof openLibrary>;
    expect(move('our-slow-squat')!.breath).toBe('Breathe out pressing.');
  });
  test.each<[string, unknown, RegExp]>([
    [
      'a move to be like that isn’t there',
      { moves: [{ ...slow, like: 'sqat' }] },
      /our-slow-squat", like: there is no move "sqat"/,
    ],
    [
      'moves that are like each other',
      {
        moves: [
          slow,
          { ...slow, id: 'a-squat', like: 'b-squat' },
          { ...slow, id: 'b-squat', like: 'a-squat' },
        ],
      },
      /"(a|b)-squat" is like itself/,
    ],
    ['a field that no move has', { moves: [{ ...slow, weight: 3 }] }, /our-slow-squat".*weight/],
    ['a ladder without rungs', { ladder: { ...ladder, rungs: [] } }, /ladder "our-squats", rungs/],
    [
      'a rung whose move isn’t there',
      { ladder: { ...ladder, rungs: [{ move: 'sqat', levers: [] }] } },
      /rungs.0.move: there is no move "sqat"/,
    ],
  ])('%s is told with its file, its place and its field', (_, json, says) => {
    const faults = opened(json);
    expect(Array.isArray(faults)).toBe(true);
    expect((faults as string[]).some((fault) => /^ours.json/.test(fault) && says.test(fault))).toBe(true);
  });
});

describe('the schema that an editor reads', () => {
  const path = join(process.cwd(), 'library/ladder.schema.json');
  const schema = `${JSON.stringify(ladderFileJsonSchema(), null, 2)}\n`;
  test('stands beside the ladders as the program checks them', () => {
    if (process.env['UPDATE_DOCS']) writeFileSync(path, schema);
    expect(JSON.parse(readFileSync(path, 'utf8'))).toEqual(JSON.parse(schema));
  });
  test('another library accepts every file that ships by it, and refuses a misspelt field', () => {
    const validate = new Ajv2020({ strict: false }).compile(JSON.parse(schema));
    for (const { name, json } of files.filter((file) => /^(ladders|moves)\//.test(file.name)))
      if (!validate(json)) throw new Error(`${name}: ${JSON.stringify(validate.errors)}`);
    expect(validate({ ladder, moves: [{ ...slow, naem: 'x' }] })).toBe(false);
    expect(validate({ moves: [{ id: 'a-squat', name: 'A squat' }] })).toBe(false);
  });
});
