import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { formatSchema } from '@inner-rung/core/clock';
import {
  CONDITION_IDS,
  type ConditionId,
  compileCondition,
  conditionOf,
  GROUP_EXAMPLE,
  groupSchema,
  type Limit,
  outlookOf,
  partWords,
  QUICK_CONDITIONS,
  standIn,
} from '@inner-rung/core/person';
import { CONDITION_NAMES, groupOf, plainText, planOf, readSession, readWho } from '@inner-rung/core/read';
import { planSchema, READY_SESSIONS } from '@inner-rung/core/session';
import fc from 'fast-check';
import { WIDER } from '../src/read/clause.ts';
import { corpusOf, nameScore, sessionFaults, whoWords } from './read/score.ts';
import { shippedLibrary } from './shipped.ts';

const library = shippedLibrary();
const limitKey = (limit: Limit): string =>
  [
    limit.kind,
    'on' in limit ? limit.on : '',
    'per' in limit ? limit.per : '',
    'what' in limit ? limit.what : '',
  ]
    .filter(Boolean)
    .join('/');
/** How much a limit asks: of two of a kind the greater is the more careful. */
const tightness = (limit: Limit): number =>
  limit.kind === 'effort'
    ? -limit.maxRpe
    : limit.kind === 'floor'
      ? limit.seconds
      : limit.kind === 'require'
        ? -limit.supportAboveBalance
        : limit.kind === 'cap' || limit.kind === 'budget'
          ? -limit.max
          : 0;
const folder = join(process.cwd(), 'core/test/read');
const file = (name: string) => readFileSync(join(folder, name), 'utf8');
const later = corpusOf(file('later.tsv'), '', '').names;
const { names, sessions, who } = corpusOf(file('names.tsv'), file('sessions.txt'), file('who.tsv'));
const onlyStation = (text: string) => readSession(library, `40/20 x 3\n${text}`).blocks[0]?.stations[0];

describe('the corpus of what trainers write', () => {
  test('at least 97 % of the names that the library has are right at once', () => {
    const { right, total, misses } = nameScore(library, names);
    expect([misses.length > total * 0.03 ? misses : [], right / total >= 0.97]).toEqual([[], true]);
  });
  test('of names written later at least nine in ten at once', () => {
    const { right, total, misses } = nameScore(library, later);
    expect([misses, right / total >= 0.9]).toEqual([misses, true]);
  });
  test('all of the sessions are right without a tap', () => {
    const wrong = sessions.flatMap((one) => {
      const faults = sessionFaults(library, one);
      return faults.length > 0 ? [`${one.name}: ${faults.join('; ')}`] : [];
    });
    expect(wrong).toEqual([]);
  });
  test.each(who.map((one) => [one.text, one.means] as const))('who is here: %s', (text, means) => {
    expect(whoWords(readWho(text))).toEqual(means);
  });
});

describe('what was written is kept', () => {
  test('a line that nobody knows is a station of its own name, and the rest is as it would be without it', () => {
    const all = fc.constantFrom(
      ...sessions.filter(({ text }) => !/\t|Round|easier|Level|^Easy:/m.test(text)),
    );
    fc.assert(
      fc.property(all, fc.nat(), (one, at) => {
        const lines = one.text.trim().split('\n');
        const read = readSession(library, one.text);
        const stations = read.blocks.flatMap((block) => block.lines.filter((line) => line.station));
        const after = stations[at % stations.length]!.line;
        const more = [...lines.slice(0, after), 'zorbing with wolfram', ...lines.slice(after)].join('\n');
        const known = (session: typeof read) =>
          session.blocks
            .flatMap((block) =>
              block.stations.flatMap((s) => [s.move, ...(s.chain ?? []).map((part) => part.move)]),
            )
            .filter((id) => id !== 'zorbing-with-wolfram');
        // A list of counts with one line without any is still that list.
        expect(known(readSession(library, more))).toEqual(known(read));
        const withIt = planOf(readSession(library, more));
        expect(JSON.stringify(withIt?.blocks)).toContain('zorbing-with-wolfram');
      }),
      { numRuns: 150 },
    );
  });
  /** Numbers that stand in a session as it would be kept: in its clocks, counts, names and notes. */
  const kept = (text: string): Set<number> => {
    const plan = planOf(readSession(library, text));
    const said = JSON.stringify(plan ? [plan.title, plan.notes, plan.blocks] : readSession(library, text));
    return new Set([...said.matchAll(/\d+(?:\.\d+)?/g)].map(([n]) => Number(n)));
  };
  // Of shares of a slot, steps and bouts others are made, of a block's minutes its rounds, of times of day how long it
  // lasts; a number before a name, or of a part, only counts.
  const turned =
    /green|^level \d|pyramid|ladder|beginner|intermediate|advanced|every \d+ (?:sec|min)|\d-\d+-\d|^\d+(?: \d+){2}|each\)|(?:rounds|bouts) (?:of )?each|^(?:warm|cool)[ -]?(?:up|down)|min stretch|\t|rest \d+:\d+|\d+:\d+ work|ratio|min (?:per|each) block|\d:\d\d[-–]\d|\d, \d+,? ?(?:\.{3}|…)|^main \(\d+ min/i;
  const ordinal = /(?:superset|amrap|circuit|round|block|part|station|tabata|set|^min|\bp)\s*$/i;
  const numeral = /(?<!out of )(?<![\p{L}\d./¼½¾])\d+(?![\d./¼½¾]|\s*[).:\-–]\s*\p{L})/gu;
  const numbersOf = (text: string) =>
    text
      .split('\n')
      .flatMap((row) =>
        turned.test(row) ||
        /^\s*\D{0,10}\d+\s*(?:[.):]|o'clock)|^[A-E]\d|^\d[a-e][.)]|^\d+ - |^\d\uFE0F?\u20E3/i.test(row)
          ? []
          : [...row.matchAll(numeral)]
              .filter(({ index }) => !ordinal.test(row.slice(0, index)))
              .map(({ 0: n, index }) => ({ row, n, index })),
      );
  const stands = (numbers: Set<number>, n: number) => numbers.has(n) || numbers.has(n * 60);
  test('every number of the text stands in the session, or is said not to be read', () => {
    const lost = sessions.flatMap(({ text }) => {
      const numbers = kept(text);
      return numbersOf(text).flatMap(({ row, n }) => (stands(numbers, Number(n)) ? [] : [[row, n]]));
    });
    expect(sessions.flatMap(({ text }) => numbersOf(text)).length).toBeGreaterThan(150);
    expect(lost).toEqual([]);
  });
  test('whatever a number becomes, it stands in the session or is said not to be read', () => {
    const some = sessions.filter(({ text }) => numbersOf(text).length > 0);
    fc.assert(
      fc.property(
        fc.constantFrom(...some),
        fc.nat(),
        fc.constantFrom(7, 83, 97, 457, 9999, 123_456),
        ({ text }, at, becomes) => {
          const numbers = numbersOf(text);
          const { row, n, index } = numbers[at % numbers.length]!;
          const changed = `${row.slice(0, index)}${becomes}${row.slice(index + n.length)}`;
          expect([changed, stands(kept(text.replace(row, () => changed)), becomes)]).toEqual([changed, true]);
        },
      ),
      { numRuns: 1500 },
    );
  });
  test('a number that belongs to a name is no count', () => {
    expect(onlyStation('1.25 squats')).toMatchObject({ move: 'quarter-pulse-squat' });
    expect(onlyStation('1¼ squats')!.dose).toBeUndefined();
    expect(onlyStation('one-leg bridge')).toMatchObject({ move: 'single-leg-bridge' });
    expect(onlyStation('one-leg bridge')!.dose).toBeUndefined();
  });
  test('what nobody said is named as assumed, and nothing else', () => {
    const assumed = (text: string) => readSession(library, text).blocks[0]!.assumed;
    expect(assumed('squats\npress-ups')).toEqual(
      expect.arrayContaining(['workSeconds', 'restSeconds', 'rounds']),
    );
    expect(assumed('40/20 x 3, 1 min between rounds\nsquats')).toEqual([]);
    expect(assumed('40/20\nsquats')).toEqual(['rounds']);
    expect(readSession(library, 'squats').blocks[0]!.format).toMatchObject({
      rounds: 1,
      roundRestSeconds: 0,
    });
  });
  test('the trainer’s own word decides, and can say that it is none of the library’s', () => {
    const read = (means: string) =>
      readSession(library, '40/20\nfroggies', { Froggies: means }).blocks[0]!.stations[0]!;
    expect(read('squat-jump').move).toBe('squat-jump');
    expect(read('squat+standing-press')).toMatchObject({
      move: 'squat',
      chain: [{ move: 'standing-press' }],
    });
    expect(readSession(library, '40/20\nsquats', { squats: '' }).blocks[0]!.stations[0]!.move).toBe('squats');
  });
});

describe('a ready-made session written out in plain words', () => {
  test.each(READY_SESSIONS.map((plan) => [plan.title, plan] as const))('%s is read back', (_, plan) => {
    const text = plainText(library, plan);
    const read = readSession(library, text);
    const shape = (
      blocks: readonly {
        role?: string | undefined;
        format: unknown;
        stations: readonly (typeof plan.blocks)[0]['stations'][0][];
      }[],
    ) =>
      blocks.map(({ role, format, stations }) => ({
        role: role ?? 'circuit',
        format,
        stations: stations.map(({ move, dose, chain }) => ({
          move,
          ...(dose?.reps ? { reps: dose.reps } : {}),
          ...(dose?.seconds ? { seconds: dose.seconds } : {}),
          ...(dose?.tempo ? { tempo: dose.tempo } : {}),
          ...(dose?.each === undefined ? {} : { each: dose.each }),
          ...(chain
            ? {
                chain: chain.map((part) => ({
                  move: part.move,
                  ...(part.dose?.reps ? { reps: part.dose.reps } : {}),
                })),
              }
            : {}),
        })),
      }));
    expect(shape(read.blocks)).toEqual(shape(plan.blocks));
    expect(read.title).toBe(plan.title);
    const again = planOf(read)!;
    expect(plainText(library, again).split('\n')).toEqual(text.split('\n'));
  });
});

describe('anything at all', () => {
  const words = fc.constantFrom(
    'squats',
    'press-ups',
    '40/20',
    'x',
    '3',
    'rounds',
    'rest',
    '10',
    'plank',
    'AMRAP',
    'then',
    ',',
    '+',
    '(',
    ')',
    '30s',
    'each',
    'side',
    'Warm-up',
    ':',
    '½',
    '×',
    'zzz',
    '\n',
    '\t',
    'مرحبا',
    '深蹲',
    '<b>',
    '🔥',
  );
  test('comes to a session that can be kept', () => {
    fc.assert(
      fc.property(
        fc.oneof(
          fc.string({ unit: 'grapheme', maxLength: 300 }),
          fc.array(words, { maxLength: 60 }).map((all) => all.join(' ')),
        ),
        (text) => {
          const read = readSession(library, text);
          const plan = planOf(read);
          if (plan) expect(planSchema.safeParse(plan).error?.issues ?? []).toEqual([]);
          for (const { format } of read.blocks) expect(formatSchema.safeParse(format).success).toBe(true);
          expect(readSession(library, text)).toEqual(read);
        },
      ),
      { numRuns: 400 },
    );
  });
  test('a page of ten thousand lines, one line of a megabyte: what wasn’t taken is said', () => {
    const many = readSession(library, 'squats\n'.repeat(10_000));
    expect(many.unread.join()).toContain('lines 401 to');
    const long = readSession(library, 'squat '.repeat(180_000));
    expect(long.unread.join()).toContain('everything after the first');
  });
  test.each([
    '<script>alert(1)</script>\n<p>squats</p>',
    '٣ جولات\nقرفصاء',
    '12\n13\n14',
    '   \n\n\t\n',
    '| Exercise | Reps |\n|---|---|\n| Squat | 12 |',
  ])('%j is read and nothing falls', (text) => {
    expect(() => readSession(library, text)).not.toThrow();
  });
});

describe('who is here', () => {
  const standsFor = (text: string) =>
    groupOf(readWho(text), 'g', '2026-11-25').parts.map((part) => standIn(GROUP_EXAMPLE, part));
  test('what is dropped beside something more exact is held by it, limit for limit', () => {
    for (const [exact, wider] of Object.entries(WIDER))
      for (const id of wider) {
        const own = compileCondition(exact as ConditionId);
        for (const limit of compileCondition(id)) {
          const same = own.find((one) => limitKey(one) === limitKey(limit));
          expect([
            exact,
            id,
            limitKey(limit),
            same !== undefined && tightness(same) >= tightness(limit),
          ]).toEqual([exact, id, limitKey(limit), true]);
        }
      }
  });
  test('an age makes somebody an older adult or a child, with the effort and limits of one', () => {
    const outlook = (text: string) => outlookOf(standsFor(text)[0]!, '2026-11-25');
    expect(standsFor('two over 70')[0]).toMatchObject({ kind: 'older adult' });
    expect(outlook('two over 70').age.lo).toBeGreaterThanOrEqual(70);
    expect(outlook('4 aged 9 to 11').conditions.map(({ id }) => id)).toContain('child');
    expect(outlook('4 aged 9 to 11').age.lo).toBeLessThanOrEqual(9);
  });
  test('of 70 and more, nothing else said, what is known is standing up from a chair: the first level', () => {
    for (const [text, level, called] of [
      ['three over 70', 0, /^3: over 70$/],
      ['3 in their 70s', 0, /^3: 70 to 79$/],
      ['Jim 77, angina', 0, /77/],
      ['three over 70 who move well', 2, /^3: over 70, moves well$/],
      ['3 over 60', 1, /^3: over 60$/],
      // The levels by the names they have on every page; who doesn't isn't taken to.
      ['2 new to this', 0, /^2: new to this$/],
      ['2 finding their feet', 1, /^2: finding their feet$/],
      ['2 who move well', 2, /^2: moves well$/],
      ['3 who don’t move well', 0, /^3: new to this$/],
      ['3 adults', 1, /^3/],
      ['4 aged 9 to 11', 1, /^4: 9 to 11/],
      ['two aged 74', 0, /^2: 74$/],
      ['3 aged over 70', 0, /^3: over 70$/],
    ] as const) {
      const [one] = standsFor(text);
      expect([text, one!.assumedLevel]).toEqual([text, level]);
      expect(partWords(groupOf(readWho(text), 'class', '2026-11-25').parts[0]!)).toMatch(called);
    }
  });
  test('a side is kept of a limb, and of nothing that has none', () => {
    for (const id of CONDITION_IDS) {
      const [name] = CONDITION_NAMES[id];
      if (name === undefined || /left|right|side/.test(name)) continue;
      const held = readWho(`9 people, one with a left ${name}`).parts[0]?.conditions.find(
        (one) => one.id === id,
      );
      if (held?.side) expect([id, conditionOf(id).sided]).toEqual([id, true]);
    }
  });
  test('every condition is known by its name, and by what is offered at a tap', () => {
    for (const { id, some } of QUICK_CONDITIONS)
      expect([some, readWho(`12 people, 1 ${some}`).parts[0]?.conditions.map((c) => c.id)]).toEqual([
        some,
        [id],
      ]);
    for (const id of CONDITION_IDS)
      for (const name of CONDITION_NAMES[id])
        expect([
          name,
          readWho(`12 people, one with ${name}`).parts.flatMap((part) => part.conditions.map((c) => c.id)),
        ]).toEqual([name, expect.arrayContaining([id])]);
  });
  test('a condition is never found inside another word', () => {
    for (const text of [
      '10 people, one kidney',
      '10 people, one handyman',
      '10 people, one restart',
      '10 people, one seatedly',
      '10 people, one Heartfordshire',
    ])
      expect([text, readWho(text).parts.flatMap((part) => part.conditions)]).toEqual([text, []]);
  });
  test('no line with one word taken away says less without asking', () => {
    // With what it says in general beside it, and without.
    const saidOf = ({ parts }: ReturnType<typeof readWho>, wide = false) =>
      parts.reduce(
        (sum, part) =>
          sum +
          part.count *
            (part.conditions.reduce((n, { id }) => n + 1 + (wide ? (WIDER[id]?.length ?? 0) : 0), 0) +
              part.unread.length +
              (part.level === 0 ? 1 : 0)),
        0,
      );
    for (const { text } of who) {
      const words = text.split(' ');
      const all = readWho(text);
      const held = saidOf(all);
      if (all.problem || held === 0) continue;
      words.forEach((word, i) => {
        const less = readWho(words.filter((_, k) => k !== i).join(' '));
        const asMuch = saidOf(less) >= held || saidOf(less, true) >= saidOf(all, true);
        const flagged =
          less.unread.length > 0 ||
          less.asks.length > 0 ||
          less.problem !== null ||
          less.parts.some((part) => part.unread.length > 0);
        // A number taken away means one; a person's name or kind taken away leaves what they have.
        // The very word for what they have, gone without a trace, leaves a whole sentence that says less.
        const itself = [`12 people, one with ${word}`, `12 people, one ${word}`].some((alone) =>
          readWho(alone).parts.some((part) => part.conditions.length > 0 || part.level !== null),
        );
        const counts =
          itself ||
          /^\d|^(two|three|ten|four|five|couple|half|all|everyone|everybody|seniors|children|kids|teens?|teenagers|adults|class|x2|x|women|people|users|not|same|third)\b/i.test(
            word.replace(/^[^\p{L}\d]+/u, ''),
          );
        // "Ann and Bob can't jump": with the name of one of several that one is gone.
        const next = words[i + 1] ?? '';
        const ofSeveral =
          (/^\p{Lu}\p{Ll}+,?$/u.test(word) && /^(?:and|&)$/u.test(next)) ||
          (/^(?:and|&)$/u.test(words[i - 1] ?? '') && /^\p{Lu}\p{Ll}+$/u.test(word));
        expect([text, word, asMuch || flagged || counts || ofSeveral || less.total !== all.total]).toEqual([
          text,
          word,
          true,
        ]);
      });
    }
  });
  test('parts never come to more than there are, and a group of them can be kept', () => {
    const pieces = fc.constantFrom(
      '14 people',
      'two',
      'sore knees',
      'one',
      'no floor',
      'and',
      ',',
      'with',
      'heart failure',
      'beginners',
      'over 70',
      '9 to 11',
      'left',
      'half',
      'some',
      'Ana 72',
      '(',
      ')',
      'x',
      'pregnant',
      '8 weeks',
      'kidney disease',
      '.',
      '300',
    );
    fc.assert(
      fc.property(fc.array(pieces, { maxLength: 20 }), (all) => {
        const read = readWho(all.join(' '));
        expect(read.parts.reduce((sum, part) => sum + part.count, 0)).toBeLessThanOrEqual(
          Math.max(0, read.total),
        );
        if (!read.problem)
          expect(groupSchema.safeParse(groupOf(read, 'g', '2026-11-25')).error?.issues ?? []).toEqual([]);
      }),
      { numRuns: 500 },
    );
  });
  test('what isn’t understood is of those it was said of, and of everybody where nobody knows of whom', () => {
    const parts = (text: string) =>
      groupOf(readWho(text), 'g', '2026-11-25').parts.map((part) => [part.count, part.unread ?? []]);
    expect(parts('8 people, one with porphyria')).toEqual([
      [7, []],
      [1, ['porphyria']],
    ]);
    expect(parts('10 people, some new')).toEqual([[10, ['some new']]]);
    // It may be of the two beginners as well.
    expect(parts('10 people, some sore, 2 beginners')).toEqual([
      [8, ['some sore']],
      [2, ['some sore']],
    ]);
  });
});
