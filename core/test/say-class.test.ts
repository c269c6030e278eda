import { knownAs, sayStation, spokenOf } from '@inner-rung/core/words';
import { shippedLibrary } from './shipped.ts';

const library = shippedLibrary();
const by = (count: number, name: string) => ({ name, byNumber: true, count });
const named = (name: string) => ({ name, byNumber: false, count: 1 });

test.each([
  [2, 'sore knees', 'two with sore knees'],
  [1, 'stays off the floor', 'one who stays off the floor'],
  [2, 'stays off the floor', 'two who stay off the floor'],
  [2, 'teenager', 'two teenagers'],
  [3, 'child', 'three children'],
  [1, 'wrists bear no weight', 'one whose wrists bear no weight'],
  [1, 'pregnant, after week 12', 'one who is pregnant, after week 12'],
  [1, 'moves well', 'one who moves well'],
  [5, 'finding their feet', 'five finding their feet'],
  [12, 'new to this', '12 who are new to this'],
  [2, 'over 70, walks with a stick or frame', 'two over 70 who walk with a stick or frame'],
  [1, 'after birth, weeks 6–12', 'one after birth, weeks 6–12'],
  [2, 'women, over 60, sore knees', 'two women over 60 with sore knees'],
  [2, 'older adult, new to exercise', 'two older adults, new to exercise'],
  [3, 'teenager, growth spurt', 'three teenagers with growth spurt'],
  [2, 'women, moves well', 'two women who move well'],
  [1, 'wheelchair', 'one in a wheelchair'],
  [2, 'doesn’t kneel', 'two who don’t kneel'],
  [2, 'hands that can’t grip', 'two with hands that can’t grip'],
  [1, 'knee replacement (left)', 'one with a knee replacement (left)'],
  [2, 'blood thinners', 'two on blood thinners'],
  [1, 'thin bones with a spine fracture', 'one with thin bones and a spine fracture'],
  [1, 'thin bones', 'one with thin bones'],
  [2, 'faints, or pressure that falls on standing', 'two who faint, or whose pressure falls on standing'],
  [1, 'parkinson’s', 'one with Parkinson’s'],
  [2, 'low back, worse bending, asthma', 'two with a low back that bending makes worse, asthma'],
  [2, 'over 70, “frames”, not understood', 'two over 70 said to have “frames”, not understood'],
])('%i of %s: %s', (count, name, says) => expect(knownAs(count, name)).toBe(says));

test('names and numbers in one breath, alike ones together', () => {
  expect(spokenOf([named('Maud'), by(1, 'sore knees'), by(1, 'sore knees')])).toBe(
    'Maud and the two with sore knees',
  );
});

describe('the line to say', () => {
  const forms = [
    { form: { move: 'jumping-jack' }, people: [by(9, 'finding their feet')] },
    { form: { move: 'step-jack' }, people: [by(2, 'sore knees'), named('Maud')] },
  ];
  test('what most do is shown first; the rest do it', () => {
    expect(sayStation(library, forms)).toBe(
      'Show the jumping jack first. Then step jack for the two with sore knees and Maud. The rest do the first.',
    );
  });
  test('where it isn’t most, everybody else does', () => {
    expect(sayStation(library, [{ ...forms[0]!, people: [by(2, 'finding their feet')] }, forms[1]!])).toMatch(
      /Everybody else does the first\.$/,
    );
  });
  test('one form is for everybody; who does it a little differently is told', () => {
    expect(
      sayStation(
        library,
        [{ form: { move: 'squat' }, people: [by(3, 'sore knees')] }],
        [{ says: 'A hand’s breadth less deep.', people: [by(2, 'sore knees')] }],
      ),
    ).toBe('Show the squat: it is for everybody. The two with sore knees: a hand’s breadth less deep.');
  });
  test('nothing to show', () => {
    expect(sayStation(library, [])).toMatch(/gently/);
  });
});
