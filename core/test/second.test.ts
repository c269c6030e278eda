import { type Cast, clockOf, easierForms, peopleOf, type Run, type RunEvent } from '@inner-rung/core/run';
import { runOf } from './runs.ts';
import { circuit } from './sessions.ts';

const go: RunEvent = { kind: 'go', id: 'event-go', at: 0 };
const does = (move: string, lane: number) => ({ move, name: move, dose: '', pace: 20, lane });
const still = (down: object | null) => ({ down, up: null, wrist: 'same', knee: 'same', back: 'same' });
const cast = (
  id: string,
  lane: number,
  forms: readonly string[],
  downs: readonly (string | null)[] = [],
): Cast =>
  ({
    id,
    name: id,
    byNumber: false,
    group: 0,
    cautions: [],
    does: forms.map((move) => does(move, lane)),
    switches: forms.map((_, i) => still(downs[i] ? does(downs[i]!, 0) : null)),
    today: { conditions: [], level: null },
  }) as unknown as Cast;
const run: Run = {
  ...runOf(circuit(['squat', 'push-up'])),
  cast: [
    cast('Fit', 2, ['squat', 'push-up']),
    cast('New', 0, ['sit-to-stand', 'wall-push-up'], ['sit-to-stand-hands', null]),
    cast('Old', 0, ['sit-to-stand', 'raised-push-up'], ['sit-to-stand-hands', 'wall-push-up']),
    cast('Too', 0, ['sit-to-stand', 'raised-push-up'], ['sit-to-stand-hands', 'wall-push-up']),
  ],
};
const works = clockOf(run, [go]).stretches.filter(({ segment }) => segment.kind === 'work');
const at = (of: Run, stretch: number, events: readonly RunEvent[] = [go]) =>
  easierForms(of, peopleOf(of, events), works[stretch]!.segment).map((one) => [
    one.does?.move ?? null,
    one.people.map(({ id }) => id).join(),
    one.easier?.move ?? null,
  ]);

describe('what a second coach shows', () => {
  test('the innermost lane’s form, whose it is, and one easier still; of two in a lane what most do', () => {
    expect(at(run, 0)).toEqual([['sit-to-stand', 'New,Old,Too', 'sit-to-stand-hands']]);
    expect(at(run, 1)).toEqual([['raised-push-up', 'Old,Too', 'wall-push-up']]);
  });
  test('somebody who goes easier in the middle of it is followed, who has gone isn’t', () => {
    const down: RunEvent = { kind: 'switch', id: 'event-down', at: 5, person: 'Old', entry: 1, way: 'down' };
    const left: RunEvent = { kind: 'leave', id: 'event-left', at: 6, person: 'Too' };
    expect(at(run, 1, [go, down, left])).toEqual([['wall-push-up', 'New,Old', null]]);
  });
  test('one easier still only where all who do the form can go to it', () => {
    const [first, ...others] = run.cast;
    const new_ = cast('New', 0, ['sit-to-stand', 'wall-push-up'], ['seated-march', null]);
    expect(at({ ...run, cast: [first!, new_, ...others.slice(1)] }, 0)).toEqual([
      ['sit-to-stand', 'New,Old,Too', null],
    ]);
  });
  test('with nobody named, each move as it is written', () => {
    const [first] = easierForms(run, [], works[0]!.segment);
    expect(first).toMatchObject({ does: null, people: [], easier: null, name: 'squat' });
  });
  test('where groups go round, every station of the block once', () => {
    expect(at({ ...run, how: 'rotation' }, 1).map(([move]) => move)).toEqual([
      'sit-to-stand',
      'raised-push-up',
    ]);
  });
});
