import { FORMATS, type Format, type FormatKind } from '@inner-rung/core/clock';
import {
  alike,
  amountOf,
  atLimit,
  type Cast,
  calledAt,
  callsIn,
  clockOf,
  movesAt,
  movesWords,
  peopleOf,
  type Run,
  type RunEvent,
  stretchWords,
} from '@inner-rung/core/run';
import type { Block } from '@inner-rung/core/session';
import { runOf } from './runs.ts';
import { circuit } from './sessions.ts';

const go: RunEvent = { kind: 'go', id: 'event-go', at: 0 };
const MOVES = ['squat', 'push-up', 'burpee'];

/** Three moves in a format, ten, eight and six of them. */
const counted = (format: Format): Block => {
  const block = circuit(MOVES);
  return {
    ...block,
    format,
    stations: block.stations.map((station, i) => ({ ...station, dose: { reps: [10, 8, 6][i]! } })),
  };
};
const asManyRounds = counted({ kind: 'amrap', capSeconds: 720, led: false } as Format);

const does = (move: string, more: object = {}) => ({
  move,
  name: move,
  dose: '10 reps',
  pace: 20,
  lane: 0,
  ...more,
});
const cast = (id: string, name: string, byNumber: boolean, forms: readonly object[]): Cast =>
  ({
    id,
    name,
    byNumber,
    group: 0,
    cautions: [],
    switches: [],
    does: forms,
    today: { conditions: [], level: null },
  }) as unknown as Cast;

const firstWork = (run: Run) =>
  clockOf(run, [go]).stretches.find(({ segment }) => segment.kind === 'work')!.segment;

describe('all of a round at once', () => {
  test('as many rounds as they can: every move with its count, in order', () => {
    const run = runOf(asManyRounds);
    const moves = movesAt(run, [], firstWork(run));
    expect(moves.map((move) => [amountOf(move), move.name])).toEqual([
      ['10', 'squat'],
      ['8', 'push up'],
      ['6', 'burpee'],
    ]);
    const nameOf = (entry: number) => MOVES[entry]!;
    expect(movesWords(run, firstWork(run), nameOf)).toBe('10 squat, then 8 push-up, then 6 burpee');
    // What somebody alone hears is their own count.
    const own = () => does('x', { reps: 4 }) as never;
    expect(movesWords(run, firstWork(run), nameOf, own)).toBe('4 squat, then 4 push-up, then 4 burpee');
  });
  test('in every format each thing done in a stretch is there once, and as often as it goes is what the clock has', () => {
    for (const kind of Object.keys(FORMATS) as FormatKind[]) {
      const run = runOf(counted(FORMATS[kind].usual as Format));
      for (const { segment } of clockOf(run, [go]).stretches) {
        if (segment.kind !== 'work') continue;
        const moves = movesAt(run, [], segment);
        expect([kind, moves.map(({ entry }) => entry)]).toEqual([kind, segment.does.map((d) => d.entry)]);
        moves.forEach(({ count }, i) => {
          const { reps, goes } = segment.does[i]!;
          expect([kind, count === null]).toEqual([kind, reps === null]);
          if (count !== null)
            expect(Math.abs(count * Math.max(1, goes) - reps!)).toBeLessThanOrEqual(goes / 2);
        });
      }
    }
  });
  test('a round that the clock cuts off is shown as it was written: so long a hold, so far a run', () => {
    const cut = counted({ kind: 'for time', rounds: 3, capSeconds: 120, led: false } as Format);
    const doses = [{ reps: 30 }, { seconds: 30 }, { metres: 200 }];
    const run = runOf({
      ...cut,
      stations: circuit(['squat', 'plank', 'shuttle-run']).stations.map((station, i) => ({
        ...station,
        dose: doses[i]!,
      })),
    });
    expect(firstWork(run).lengthSeconds).toBe(120);
    expect(movesAt(run, [], firstWork(run)).map((move) => amountOf(move))).toEqual(['30', '30 s', '200 m']);
  });
  test('who does another form has their own count; who holds instead, how long', () => {
    const run = { ...runOf(asManyRounds), cast: [] };
    const [squat] = movesAt(run, [], firstWork(run));
    expect(amountOf(squat!, does('squat') as never)).toBe('10');
    expect(amountOf(squat!, does('hook-punch', { reps: 45 }) as never)).toBe('45');
    expect(amountOf(squat!, does('wall-sit', { pace: null, dose: 'hold 20 s' }) as never)).toBe('hold 20 s');
  });
});

describe('what there is to beat', () => {
  const forms = MOVES.map((move) => does(move));
  const with_ = (id: string, rounds: number, reps: number): Cast => ({
    ...cast(id, id, false, forms),
    toBeat: [{ block: 0, rounds, reps, on: '2026-11-03' }],
  });
  const run: Run = {
    ...runOf(asManyRounds),
    cast: [with_('a', 4, 7), with_('b', 3, 0), cast('c', 'c', false, forms)],
  };
  const said = (of: Run, events: readonly RunEvent[] = [go]) =>
    stretchWords(of, peopleOf(of, events), firstWork(of), null);
  test('least to most of those who are here, and nobody’s name', () => {
    expect(said(run)).toMatch(/ · to beat: 3 rounds to 4 rounds \+ 7$/);
    expect(said({ ...run, cast: [run.cast[0]!] })).toMatch(/ · to beat: 4 rounds \+ 7$/);
    expect(said({ ...run, cast: [run.cast[2]!] })).not.toContain('beat');
  });
  test('who has gone, and who does another form of it now, has nothing to beat', () => {
    expect(said(run, [go, { kind: 'leave', id: 'event-leave', at: 10, person: 'b' }])).toMatch(
      /to beat: 4 rounds \+ 7$/,
    );
    const swap: RunEvent = {
      kind: 'swap',
      id: 'event-swap',
      at: 10,
      person: 'a',
      entry: 1,
      does: does('knee-push-up') as never,
    };
    expect(said(run, [go, swap])).toMatch(/to beat: 3 rounds$/);
  });
  test('children aren’t compared', () => {
    expect(said({ ...run, plan: { ...run.plan, forWhom: 'children' } })).not.toContain('beat');
  });
});

describe('children choose of two', () => {
  const forms = MOVES.map((move) => does(move));
  const down = (move: string | null) => ({
    down: move && does(move),
    up: null,
    wrist: 'same',
    knee: 'same',
    back: 'same',
  });
  const child = (id: string, easier: readonly (string | null)[], forms_: readonly object[] = forms): Cast =>
    ({ ...cast(id, id, false, forms_), switches: easier.map(down) }) as Cast;
  const base = runOf(asManyRounds);
  const of = (people: readonly Cast[], forWhom: 'children' | 'adults' = 'children') => {
    const run: Run = { ...base, plan: { ...base.plan, forWhom }, cast: [...people] };
    return movesAt(run, peopleOf(run, [go]), firstWork(run)).map(({ choice }) => choice?.name ?? null);
  };
  test('an easier form that every one of them can go to; none where it isn’t the same for all', () => {
    const easier = ['half-squat', 'knee-push-up', 'step-back-burpee'];
    expect(of([child('a', easier), child('b', easier)])).toEqual(easier);
    expect(of([child('a', easier), child('b', ['half-squat', null, 'wall-burpee'])])).toEqual([
      'half-squat',
      null,
      null,
    ]);
  });
  test('where two forms are done already they are the choice; grown-ups are given theirs', () => {
    const easier = ['half-squat', 'knee-push-up', 'step-back-burpee'];
    const other = child('b', easier, [does('half-squat'), ...forms.slice(1)]);
    expect(of([child('a', easier), other])[0]).toBeNull();
    expect(of([child('a', easier)], 'adults')).toEqual([null, null, null]);
  });
});

describe('who is where', () => {
  const same = MOVES.map((move) => does(move));
  const other = [does('half-squat-held'), ...same.slice(1)];
  const run: Run = {
    ...runOf(asManyRounds),
    cast: [
      cast('a', 'moves well', true, same),
      cast('b', 'moves well', true, same),
      cast('c', 'moves well', true, other),
      cast('d', 'Ada', false, same),
      cast('e', 'Ada', false, same),
    ],
  };
  const count = (person: string, rounds: number): RunEvent => ({
    kind: 'count',
    id: `event-${person}-${rounds}`,
    at: 5000,
    person,
    block: 0,
    rounds,
    reps: 0,
  });
  const rowsOf = (events: readonly RunEvent[]) =>
    alike(peopleOf(run, events), [0, 1, 2], 0, false).map((row) => row.map(({ id }) => id).join(''));
  test('those known by number who do the same stand in one row; who has a name has their own', () => {
    expect(rowsOf([go])).toEqual(['ab', 'c', 'd', 'e']);
  });
  test('one who has counted more, or has left, stands apart', () => {
    expect(rowsOf([go, count('a', 1)])).toEqual(['a', 'b', 'c', 'd', 'e']);
    expect(rowsOf([go, { kind: 'leave', id: 'event-leave', at: 10, person: 'b' }])).toEqual([
      'a',
      'b',
      'c',
      'd',
      'e',
    ]);
  });
  test('who has something to be minded, or other ways to go, stands apart: a row hides nothing', () => {
    const rows = (change: Partial<Cast>) =>
      alike(
        peopleOf({ ...run, cast: run.cast.map((one) => (one.id === 'b' ? { ...one, ...change } : one)) }, [
          go,
        ]),
        [0, 1, 2],
        0,
        false,
      ).map((row) => row.map(({ id }) => id).join(''));
    expect(rows({})).toEqual(['ab', 'c', 'd', 'e']);
    expect(rows({ cautions: ['Stop at sharp knee pain.'] })).toEqual(['a', 'b', 'c', 'd', 'e']);
    const easier = { down: same[1], up: null, wrist: null, knee: null, back: null };
    expect(rows({ switches: [easier as never] })).toEqual(['a', 'b', 'c', 'd', 'e']);
  });
  test('counted the same at another moment is the same', () => {
    expect(rowsOf([go, count('a', 1), { ...count('b', 1), at: 9000 } as RunEvent])).toEqual([
      'ab',
      'c',
      'd',
      'e',
    ]);
  });
  test('where groups go round, only those of one group stand together', () => {
    const around = { ...run, cast: run.cast.map((one, i) => ({ ...one, group: i })) };
    expect(alike(peopleOf(around, [go]), [0], 0, true)).toHaveLength(5);
    expect(alike(peopleOf(around, [go]), [0], 0, false)).toHaveLength(4);
  });
  test('the wall says how far they have come, least to most, and of nobody', () => {
    const said = (...events: RunEvent[]) =>
      stretchWords(run, peopleOf(run, [go, ...events]), firstWork(run), null).replace(/^.*12 min( · )?/, '');
    expect(said()).toBe('');
    expect(said(count('a', 1))).toBe('up to 1 round so far');
    expect(said(...['a', 'b', 'c', 'd', 'e'].map((id) => count(id, 2)))).toBe('2 rounds so far');
    expect(said(...['a', 'b', 'c', 'd', 'e'].map((id, i) => count(id, 1 + (i % 2))))).toBe(
      '1 to 2 rounds so far',
    );
  });
});

describe('what is called is seen for a while', () => {
  const sided = runOf({
    ...circuit(['squat']),
    format: { ...FORMATS.staggered.usual, workSeconds: 60 } as Format,
  });
  const calls = callsIn(sided, clockOf(sided, [go]).stretches, () => 'squat')[0]!;
  test('a lane that ends, at its moment and four seconds on', () => {
    const { at, says } = calls.find(({ sound }) => sound === 'lane')!;
    expect(calledAt(calls, at - 0.1)).toBeNull();
    expect(calledAt(calls, at)).toBe(says);
    expect(calledAt(calls, at + 3.9)).toBe(says);
    expect(calledAt(calls, at + 4)).toBeNull();
  });
  test('neither what the clock shows anyway nor what comes next', () => {
    const seconds = calls.filter(({ says }) => says && /seconds$/.test(says));
    expect(seconds.length).toBeGreaterThan(0);
    for (const { at, shown } of seconds) {
      expect(shown).toBeUndefined();
      expect(calledAt(calls, at + 0.1) ?? '').not.toMatch(/seconds$/);
    }
  });
});

describe('rounds of their own', () => {
  const rounds = { ...FORMATS.progressive.usual, rounds: 3 } as Format;
  const climbing: Block = {
    ...circuit([{ move: 'wall-push-up', byRound: [{ move: 'knee-push-up' }, { move: 'push-up' }] }]),
    format: rounds,
  };
  test('who does in a round what they did in the one before is at their limit; who goes on isn’t, nor is the first round', () => {
    const run: Run = {
      ...runOf(climbing),
      cast: [
        cast('ada', 'Ada', false, [does('wall-push-up'), does('knee-push-up'), does('knee-push-up')]),
        cast('bo', 'Bo', false, [does('wall-push-up'), does('knee-push-up'), does('push-up')]),
      ],
    };
    const at = peopleOf(run, []).map((one) => [0, 1, 2].map((entry) => atLimit(run, one, entry)));
    expect(at).toEqual([
      [false, false, true],
      [false, false, false],
    ]);
  });
  test('where the trainer wrote the same form for two rounds nobody is at their limit', () => {
    const same: Block = {
      ...circuit([{ move: 'squat', byRound: [{ move: 'squat' }] }]),
      format: { ...rounds, rounds: 2 } as Format,
    };
    const run: Run = { ...runOf(same), cast: [cast('ada', 'Ada', false, [does('squat'), does('squat')])] };
    expect(atLimit(run, peopleOf(run, [])[0]!, 1)).toBe(false);
  });
});
