import { FORMATS, type Format } from '@inner-rung/core/clock';
import {
  beatAt,
  beatsOf,
  callsIn,
  clockOf,
  countWords,
  doingOf,
  entryFor,
  forecast,
  formsAt,
  groupsAt,
  groupsIn,
  peopleOf,
  repsInRound,
  tempoSeconds,
} from '@inner-rung/core/run';
import { startOf, timelineOf } from '@inner-rung/core/session';
import fc from 'fast-check';
import { runOf } from './runs.ts';
import { circuit, facts } from './sessions.ts';

const six = ['squat', 'push-up', 'plank', 'step-up', 'march', 'glute-bridge'];
const rotating = (groups: number) =>
  runOf({
    ...circuit(six),
    format: { ...(FORMATS.rotation.usual as Format & { kind: 'rotation' }), groups },
  });

describe('groups that go round', () => {
  test('are spread evenly: three of six stand two apart, six stand one apart', () => {
    expect([0, 1, 2].map((g) => startOf(g, 3, 6))).toEqual([0, 2, 4]);
    expect([0, 1, 2, 3, 4, 5].map((g) => startOf(g, 6, 6))).toEqual([0, 1, 2, 3, 4, 5]);
  });
  test('never meet, and each has been everywhere after as many turns as stations', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 6 }), (groups) => {
        const run = rotating(groups);
        const { segments } = timelineOf(run.plan, facts);
        const works = segments.filter((s) => s.kind === 'work' && s.round === 0).slice(0, 6);
        const seen = Array.from({ length: groups }, () => new Set<number>());
        for (const segment of works) {
          const at = groupsAt(run, segment);
          expect(new Set(at).size).toBe(groups);
          at.forEach((station, g) => {
            seen[g]!.add(station);
            expect(entryFor(run, g, segment.does[0]!.entry)).toBe(station);
          });
        }
        for (const stations of seen) expect(stations.size).toBe(6);
      }),
    );
  });
  test('all at one station where nobody goes round; all spread where the class does', () => {
    const together = runOf(circuit(six));
    expect(groupsIn(together, 0)).toBe(1);
    expect(entryFor(together, 4, 2)).toBe(2);
    const round = { ...together, how: 'rotation' as const };
    expect(groupsIn(round, 0)).toBe(6);
    expect(entryFor(round, 4, 3)).toBe(1);
  });
  test('only the moving on is called where each has another move', () => {
    const run = rotating(3);
    const { stretches } = clockOf(run, []);
    const says = callsIn(run, stretches, (e) => six[e]!).flat();
    expect(says.some((c) => c.says === 'Next: one station on')).toBe(true);
    expect(says.some((c) => c.says?.includes('plank'))).toBe(false);
  });
});

describe('who does what while the clock is at an entry', () => {
  const does = (move: string, lane: 0 | 1 | 2) => ({ move, name: move, dose: '', pace: 20, lane });
  const same = { down: null, up: null, wrist: 'same' as const, knee: 'same' as const, back: 'same' as const };
  const cast = (id: string, group: number, lane: 0 | 1 | 2) => ({
    id,
    name: id,
    byNumber: false,
    group,
    does: six.map((move) =>
      id === 'di' && move === 'squat' ? null : does(lane === 0 ? 'march' : move, lane),
    ),
    switches: six.map(() => same),
    cautions: [],
    today: { conditions: [], level: null },
  });
  const run = {
    ...runOf(circuit(six)),
    cast: [cast('ada', 0, 2), cast('bo', 1, 0), cast('cy', 2, 2), cast('di', 3, 2)],
  };
  test('form by form, the innermost lane first, easy movement last; who is gone is in none', () => {
    const people = peopleOf(run, [{ id: 'press-0001', at: 5, kind: 'leave', person: 'cy' }]);
    const forms = formsAt(run, people, 0);
    expect(forms.map((f) => [f.does?.move ?? null, f.people.map((p) => p.id)])).toEqual([
      ['march', ['bo']],
      ['squat', ['ada']],
      [null, ['di']],
    ]);
    expect([...forms[1]!.lanes]).toEqual([2]);
  });
  test('where groups go round each does their own station’s', () => {
    const people = peopleOf(run, []);
    const round = { ...run, how: 'rotation' as const };
    expect(people.map((p) => doingOf(run, p, 1).entry)).toEqual([1, 1, 1, 1]);
    expect(people.map((p) => doingOf(round, p, 1).entry)).toEqual([1, 2, 3, 4]);
    expect(doingOf(round, people[0]!, 5).does?.move).toBe('glute-bridge');
  });
});

describe('the beat', () => {
  const amrap = (led: boolean) =>
    runOf({
      ...circuit(['squat', 'push-up']),
      stations: circuit(['squat', 'push-up']).stations.map((s) => ({ ...s, dose: { reps: 10 } })),
      format: { kind: 'amrap', capSeconds: 300, led },
    });
  const [work] = timelineOf(amrap(true).plan, facts).segments.filter((s) => s.kind === 'work');
  const pass = work!.does.reduce((sum, d) => sum + d.seconds / d.goes, 0);

  test('goes through the round again and again, a rep at a time', () => {
    expect(beatAt(work!, 0)).toMatchObject({ doing: 0, rep: 1, of: 10, passes: 0 });
    expect(beatAt(work!, pass - 0.1)).toMatchObject({ doing: 1, rep: 10, passes: 0 });
    expect(beatAt(work!, pass + 0.1)).toMatchObject({ doing: 0, rep: 1, passes: 1 });
  });
  test('is called where all keep one count, with its numbers; not where each has their own', () => {
    const calls = (led: boolean) => {
      const run = amrap(led);
      const { stretches } = clockOf(run, []);
      const at = stretches.findIndex((s) => s.segment.kind === 'work');
      return callsIn(run, stretches, () => 'x')[at]!.filter((c) => c.sound === 'pulse');
    };
    expect(calls(true)[0]).toMatchObject({ at: 0, says: '1' });
    expect(
      calls(true)
        .slice(0, 10)
        .map((c) => c.says),
    ).toEqual(['1', '2', '3', '4', '5', '6', '7', '8', '9', '10']);
    expect(calls(false)).toEqual([]);
  });
  test('one a rep by the clock: never two at once, never after the end', () => {
    const beats = beatsOf(work!, 300, () => null);
    beats.forEach((beat, i) => {
      expect(beat.at).toBeLessThan(300);
      if (i > 0) expect(beat.at).toBeGreaterThan(beats[i - 1]!.at);
    });
  });
  test('a tempo is its digits together', () => {
    expect(tempoSeconds('3-1-1-0')).toBe(5);
    expect(tempoSeconds('0-0-0-0')).toBeNull();
    expect(tempoSeconds(undefined)).toBeNull();
  });
});

describe('what a pace comes to', () => {
  const run = runOf({
    ...circuit(['squat', 'push-up']),
    stations: circuit(['squat', 'push-up']).stations.map((s) => ({ ...s, dose: { reps: 8 } })),
    format: { kind: 'amrap', capSeconds: 600, led: false },
  });
  const work = timelineOf(run.plan, facts).segments.find((s) => s.kind === 'work')!;
  test('worked: 16 reps a round, 2 rounds and 4 in four minutes are 5 rounds + 10 in ten', () => {
    expect(repsInRound(work)).toBe(16);
    expect(forecast(work, { rounds: 2, reps: 4 }, 240, 600)).toEqual({ rounds: 5, reps: 10 });
    expect(countWords({ rounds: 4, reps: 7 })).toBe('4 rounds + 7');
    expect(countWords({ rounds: 1, reps: 0 })).toBe('1 round');
  });
  test('nothing is said before there is a pace', () => {
    expect(forecast(work, { rounds: 0, reps: 0 }, 240, 600)).toBeNull();
    expect(forecast(work, { rounds: 1, reps: 0 }, 19, 600)).toBeNull();
    expect(forecast(work, { rounds: 1, reps: 0 }, 20, 600)).not.toBeNull();
  });
  test('more counted by the same moment never comes to less', () => {
    fc.assert(
      fc.property(fc.nat(200), fc.nat(50), fc.integer({ min: 20, max: 600 }), (reps, more, at) => {
        const of = (n: number) => {
          const said = forecast(work, { rounds: Math.floor(n / 16), reps: n % 16 }, at, 600);
          return said ? said.rounds * 16 + said.reps : -1;
        };
        expect(of(reps + more)).toBeGreaterThanOrEqual(of(reps));
        expect(of(reps + more)).toBeGreaterThanOrEqual(reps + more > 0 ? reps + more : -1);
      }),
    );
  });
});
