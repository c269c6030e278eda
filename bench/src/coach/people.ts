import { type ConditionId, PERSON_EXAMPLE, type Person, personSchema } from '@inner-rung/core/person';

/** Somebody a coach has in mind, and what kind of somebody that is to the rules. */
export interface Pupil {
  readonly who: string;
  readonly is: 'beginner' | 'older' | 'child' | 'teenager' | 'clinical' | 'fit' | 'general';
  readonly person: Person;
}

const DAY = '2026-11-02';

function pupil(
  who: string,
  is: Pupil['is'],
  born: number,
  level: 0 | 1 | 2 | 3,
  sex: 'female' | 'male',
  conditions: readonly ConditionId[] = [],
): Pupil {
  const young = is === 'child' || is === 'teenager';
  return {
    who,
    is,
    person: personSchema.parse({
      ...PERSON_EXAMPLE,
      id: who
        .toLowerCase()
        .replace(/[^a-z0-9]+/g, '-')
        .slice(0, 40),
      name: who,
      born: String(born),
      sex,
      kind: young
        ? 'child or teenager'
        : is === 'older'
          ? 'older adult'
          : is === 'clinical'
            ? 'clinical'
            : is === 'beginner'
              ? 'beginner'
              : 'general',
      activity:
        is === 'fit' ? 'athletic' : is === 'general' ? 'regular' : is === 'beginner' ? 'inactive' : 'some',
      assumedLevel: level,
      conditions: conditions.map((id) => ({ id })),
      screening: young
        ? { of: 'young', on: DAY, regular: true, consentBy: 'a parent', yes: [] }
        : { of: 'adult', on: DAY, regular: is === 'fit' || is === 'general', disease: false, symptoms: [] },
      clearance: { on: DAY, by: 'the clinic' },
    }),
  };
}

/** As they come to halls, front rooms, gardens and clinics. Made up. */
export const PUPILS: readonly Pupil[] = [
  pupil('new to it, 34', 'beginner', 1992, 0, 'female'),
  pupil('new to it, 52', 'beginner', 1974, 0, 'male'),
  pupil('moves well, 41', 'general', 1985, 2, 'female'),
  pupil('fit, 28', 'fit', 1998, 3, 'male'),
  pupil('fit, 45', 'fit', 1981, 3, 'female'),
  pupil('older and steady, 68', 'older', 1958, 1, 'female'),
  pupil('older and new to it, 77', 'older', 1949, 0, 'female', ['older-beginner']),
  pupil('older with sore knees, 71', 'older', 1955, 1, 'male', ['sore-knees']),
  pupil('afraid of falling, 80', 'older', 1946, 0, 'female', ['falls']),
  pupil('nine years old', 'child', 2017, 1, 'female'),
  pupil('twelve years old', 'child', 2014, 2, 'male'),
  pupil('fifteen years old', 'teenager', 2011, 2, 'male'),
  pupil('sore wrists, 39', 'clinical', 1987, 2, 'female', ['wrist-bent-back']),
  pupil('bad back, 47', 'clinical', 1979, 1, 'male', ['back-worse-bending']),
  pupil('pregnant, 24 weeks', 'clinical', 1995, 1, 'female', ['pregnancy-later']),
  pupil('heart disease, 63', 'clinical', 1963, 1, 'male', ['heart-disease']),
  pupil('stays off the floor, 58', 'clinical', 1968, 1, 'female', ['no-floor']),
];

export const ON = DAY;

const called = (...who: string[]): Pupil[] => who.map((one) => PUPILS.find((pupil) => pupil.who === one)!);
const times = (n: number, who: string): Pupil[] => Array.from({ length: n }, () => called(who)[0]!);

/** Classes as they come together. Made up. */
export const CLASSES: readonly { readonly name: string; readonly who: readonly Pupil[] }[] = [
  {
    name: 'Tuesday, fourteen',
    who: [
      ...called('new to it, 34', 'new to it, 52', 'fit, 28', 'fit, 45', 'sore wrists, 39', 'bad back, 47'),
      ...called('pregnant, 24 weeks', 'stays off the floor, 58'),
      ...times(6, 'moves well, 41'),
    ],
  },
  {
    name: 'older people, ten',
    who: [
      ...times(4, 'older and steady, 68'),
      ...times(2, 'older and new to it, 77'),
      ...called('older with sore knees, 71', 'afraid of falling, 80', 'heart disease, 63', 'fit, 45'),
    ],
  },
  {
    name: 'families, nine',
    who: [
      ...called('nine years old', 'twelve years old', 'twelve years old', 'fifteen years old'),
      ...called('moves well, 41', 'new to it, 34', 'fit, 28', 'older and steady, 68', 'bad back, 47'),
    ],
  },
];
