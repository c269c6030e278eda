import { type Result, type SessionRecord, sparesAfter } from '@inner-rung/core/log';
import {
  addSore,
  letSoreGo,
  PERSON_EXAMPLE,
  type Person,
  placeNamed,
  sorePlaces,
} from '@inner-rung/core/person';
import { record as recordOn, result } from './results.ts';

const record = (on: string, more: Partial<Result> = {}): SessionRecord => recordOn(on, [result(more)]);
const ada: Person = { ...PERSON_EXAMPLE, id: 'ada', name: 'Ada' };
const when = { at: '2026-11-02T10:00:00.000Z', day: '2026-11-02' };
const hurt = { pain: { where: 'left knee, on the stairs', note: '' } };

describe('a place out of what is said', () => {
  test.each([
    ['left knee', 'knee', 'left'],
    ['both knees', 'knee', 'both'],
    ['my lower back', 'lower back', 'both'],
    ['upper back', 'upper back', 'both'],
    ['Right wrist when pushing', 'wrist', 'right'],
    ['achilles, left', 'ankle', 'left'],
    ['groin right', 'hip', 'right'],
  ] as const)('%s', (said, place, side) => expect(placeNamed(said)).toEqual({ place, side }));
  test('no place is none', () => expect(placeNamed('everything a bit')).toBeNull());
});

describe('what hurt suggests a limit, and its end', () => {
  test('a pain offers to spare the place, once', () => {
    const one = record('2026-11-01', hurt);
    expect(sparesAfter([ada], one, [one])).toEqual([
      { person: ada, is: 'begin', place: 'knee', side: 'left', said: 'left knee, on the stairs' },
    ]);
    const spared = addSore(ada, 'knee', 'left', when, { source: 'person' });
    expect(sparesAfter([spared], one, [one])).toEqual([]);
  });
  test('one session without pain is not enough to let it go, two are, and what was hardly done counts for none', () => {
    const spared = addSore(ada, 'knee', 'left', when, { source: 'person' });
    const [first, second, third] = [record('2026-11-01', hurt), record('2026-11-08'), record('2026-11-15')];
    expect(sparesAfter([spared], second, [first, second])).toEqual([]);
    expect(sparesAfter([spared], third, [first, second, third])).toEqual([
      { person: spared, is: 'end', place: 'knee', side: 'left', said: '' },
    ]);
    const short = record('2026-11-15', { share: 0.1 });
    expect(sparesAfter([spared], short, [first, second, short])).toEqual([]);
  });
  test('what a clinic said isn’t let go, and sessions from before it was spared count for none', () => {
    const all = [record('2026-11-08'), record('2026-11-15')];
    const clinics = addSore(ada, 'knee', 'left', when, { source: 'clinician' });
    expect(sparesAfter([clinics], all[1]!, all)).toEqual([]);
    for (const day of ['2026-11-08', '2026-11-15']) {
      const later = addSore(ada, 'knee', 'left', { at: `${day}T20:00:00.000Z`, day }, { source: 'person' });
      expect(sparesAfter([later], all[1]!, all)).toEqual([]);
    }
  });
  test('all that spared a place goes with it, the other side stays', () => {
    const both = addSore(addSore(ada, 'knee', 'left', when, { source: 'person' }), 'knee', 'right', when, {
      source: 'person',
    });
    const left = letSoreGo(both, 'knee', 'left', when, 'two sessions without pain');
    expect(sorePlaces(left).map(({ place, side }) => [place, side])).toEqual([['knee', 'right']]);
  });
  test('whoever wasn’t there, or has no file, is left out', () => {
    const away = record('2026-11-01', { present: false, ...hurt });
    expect(sparesAfter([ada], away, [away])).toEqual([]);
    expect(sparesAfter([], record('2026-11-01', hurt), [])).toEqual([]);
  });
});
