import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { makeLanes, needsInIndex, planClass, share, together } from '@inner-rung/core/class';
import { createScaler, type ScaleRequest, switchesOf, type Use } from '@inner-rung/core/engine';
import { compileLibrary, formsOf } from '@inner-rung/core/forms';
import { rungDemand } from '@inner-rung/core/ladder';
import {
  compileConstraints,
  lawIn,
  NOBODY,
  openForAll,
  SHORTEST_HOLD_SECONDS,
  type Subject,
  subjectOf,
} from '@inner-rung/core/limits';
import { nextRungs } from '@inner-rung/core/log';
import { type FormRef, LIMB_KEYS } from '@inner-rung/core/move';
import { type Limit, limitSchema, outlookOf, PERSON_EXAMPLE, type Person } from '@inner-rung/core/person';
import { EVERYWHERE, offersOf, READY_ROOMS, type Room } from '@inner-rung/core/room';
import { AS_WRITTEN } from '@inner-rung/core/session';
import { coolDown, createFinder, restingFor, warmUp, waysHere } from '@inner-rung/core/ways';
import { parseSync } from '@swc/core';
import fc from 'fast-check';
import { anyRequest, beyondEffort, holdsByItself } from './cases.ts';
import { record, result } from './results.ts';
import { circuit, session } from './sessions.ts';
import { shippedLibrary } from './shipped.ts';

const library = shippedLibrary();
const index = compileLibrary(library);

/**
 * The law written a second time, on the plain records and one form at a time: what keeps somebody from it. Empty where
 * nothing does. `effort` is seen to apart, since it goes by pace.
 */
function breaks(form: FormRef, { limits, never = [], brings = [], ability }: Subject, room: Room): string[] {
  const move = library.move(form.move)!;
  const demand = rungDemand(library, form)!;
  const plain = rungDemand(library, {
    move: form.move,
    settings: form.settings?.surfaceCm === undefined ? {} : { surfaceCm: form.settings.surfaceCm },
  })!;
  const offers = offersOf(room);
  const side = form.settings?.side;
  const base = library.bases.get(move.base)!.demand;
  const holds =
    (form.settings?.support === true && (offers.get('hand hold') ?? []).length > 0) ||
    holdsByItself(form.move);
  const of = (limit: Limit): boolean => {
    switch (limit.kind) {
      case 'cap': {
        if (limit.on === 'strain.holdSeconds' && move.unit === 'hold')
          return limit.max < SHORTEST_HOLD_SECONDS;
        if ((demand[limit.on].hi ?? Number.POSITIVE_INFINITY) <= limit.max) return false;
        // One side alone spares the other what is that limb's own and not asked of both.
        const own = move.alone !== undefined && LIMB_KEYS[move.alone].includes(limit.on);
        const drawn = move.other === undefined ? null : move.other[limit.on];
        const other =
          move.shares.includes(limit.on) || drawn === null
            ? Number.POSITIVE_INFINITY
            : Math.max(base[limit.on]?.hi ?? Number.POSITIVE_INFINITY, drawn ?? 0);
        const spared = side !== undefined && limit.side !== 'both' && limit.side !== side;
        return !(own && spared && other <= limit.max);
      }
      case 'ban':
        return limit.pattern === move.pattern;
      case 'require':
        return !holds && !((plain['balance.level'].hi ?? 9) <= limit.supportAboveBalance);
      case 'effort':
        return beyondEffort(limit, (key) => demand[key].hi ?? Number.NaN, ability).length > 0;
      default:
        return false;
    }
  };
  return [
    ...limits.filter(of).map((limit) => limit.id),
    ...(never.includes(form.move) ? ['never'] : []),
    ...move.needs
      .filter((need) => !brings.includes(need.what))
      .filter(
        (need) =>
          !(offers.get(need.what) ?? []).some(
            (offer) =>
              offer.count >= need.count &&
              (offer.size === null ||
                (offer.size >= (need.min ?? 0) && offer.size <= (need.max ?? Number.POSITIVE_INFINITY))),
          ),
      )
      .map((need) => `no ${need.what}`),
  ];
}

const expectOpen = (form: FormRef, subject: Subject, room: Room, by: string): void => {
  const found = breaks(form, subject, room);
  if (found.length > 0)
    throw new Error(`${by}: ${form.move} ${JSON.stringify(form.settings)} breaks ${found}`);
};
const settingsLeft = (use: Pick<Use, 'move' | 'settings'>): FormRef => ({
  move: use.move,
  settings: use.settings,
});

const someMoves = fc.subarray(
  library.moves.map((m) => m.id),
  { maxLength: 6 },
);
const aRoom = fc.constantFrom(...READY_ROOMS, EVERYWHERE);
/** A request whose person has moves that are never for them, and now and then a seat of their own or a side to spare. */
const aCase = fc
  .record({
    request: anyRequest,
    never: someMoves,
    brings: fc.constantFrom([] as const, ['seat'] as const),
    room: aRoom,
    require: fc.option(fc.integer({ min: 0, max: 4 }), { nil: null }),
  })
  .map(({ request, never, brings, room, require }) => ({
    room,
    request: {
      ...request,
      subject: {
        ...request.subject,
        never: [...never, ...request.session.blocks[0]!.stations.slice(0, 1).map((s) => s.move)],
        brings: [...brings],
        limits: [
          ...request.subject.limits,
          ...(require === null
            ? []
            : [
                limitSchema.parse({
                  kind: 'require',
                  id: 'own/hold',
                  supportAboveBalance: require,
                  source: 'trainer',
                  reason: 'something to hold',
                }),
              ]),
        ],
      },
    } satisfies ScaleRequest,
  }));
type Case = typeof aCase extends fc.Arbitrary<infer T> ? T : never;

const scalers = new Map<string, ReturnType<typeof createScaler>>();
const scalerIn = (room: Room) => {
  const known = scalers.get(room.id) ?? createScaler(index, room);
  scalers.set(room.id, known);
  return known;
};
const finders = new Map<string, ReturnType<typeof createFinder>>();
const finderIn = (room: Room) => {
  const known = finders.get(room.id) ?? createFinder(index, room);
  finders.set(room.id, known);
  return known;
};
const findFrom = ({ room, request }: Case) =>
  finderIn(room).find({
    from: { move: request.session.blocks[0]!.stations[0]?.move ?? 'squat' },
    without: [],
    withoutItems: [],
    by: 0,
    most: 8,
    subject: request.subject,
    itself: true,
  });
const around = ({ room, request }: Case) => ({
  library,
  law: lawIn(library, room),
  forms: request.session.blocks[0]!.stations.map((s) => ({ move: s.move })),
  subjects: [request.subject],
  minutes: 8,
});

/** Every function of core that offers somebody a form, and how it is held to the law. */
const OFFERS: Readonly<Record<string, (c: Case) => void>> = {
  createScaler: (c) => {
    for (const use of scalerIn(c.room).scale(c.request).uses)
      if (use) expectOpen(settingsLeft(use), c.request.subject, c.room, 'a version');
  },
  switchesOf: (c) => {
    const scaler = scalerIn(c.room);
    const version = scaler.scale(c.request);
    for (const { down, up, hold, sideways } of switchesOf(scaler, c.request, version))
      for (const to of [down, up, hold, ...Object.values(sideways)])
        if (to && to !== 'same') expectOpen(settingsLeft(to), c.request.subject, c.room, 'mid-set');
  },
  makeLanes: (c) => {
    const { session: timed, writtenFor, dials } = c.request;
    // A lane has nobody behind it: what is in the room is all that holds.
    for (const { uses } of makeLanes(scalerIn(c.room), {
      session: timed,
      writtenFor,
      dials,
      count: 3,
      pins: [],
    }).lanes)
      for (const use of uses) if (use) expectOpen(settingsLeft(use), NOBODY, c.room, 'a lane');
  },
  planClass: (c) => {
    const people = [
      { id: 'one', request: c.request },
      { id: 'two', request: { ...c.request, subject: { ...NOBODY, ability: c.request.subject.ability } } },
    ];
    const { uses } = planClass(scalerIn(c.room), c.room, { people, most: 3 });
    for (const { id, request } of people)
      for (const use of uses[id]!) if (use) expectOpen(settingsLeft(use), request.subject, c.room, 'a class');
  },
  share: (c) => {
    const uses = scalerIn(c.room).scale({
      ...c.request,
      session: session(circuit(['squat', 'push-up'])),
    }).uses;
    const moments = together(new Map([['one', uses]]), 2);
    const { shared } = share(needsInIndex(index), c.room, moments, () =>
      findFrom(c).map(({ move, settings }) => ({ move, settings })),
    );
    for (const { form } of shared) if (form) expectOpen(form, c.request.subject, c.room, 'pieces given out');
  },
  createFinder: (c) => {
    for (const found of findFrom(c)) expectOpen(found, c.request.subject, c.room, 'a form found');
  },
  waysHere: (c) => {
    const from = { move: c.request.session.blocks[0]!.stations[0]?.move ?? 'squat' };
    for (const way of waysHere(library, c.room, from, findFrom(c)))
      expectOpen(way, c.request.subject, c.room, 'a way here');
  },
  restingFor: (c) => {
    for (const style of ['jogging', 'marching'] as const) {
      const { move } = restingFor(lawIn(library, c.room), c.request.subject, style);
      if (move !== null) {
        const form = openForAll(lawIn(library, c.room), [compileConstraints(c.request.subject, AS_WRITTEN)], {
          move,
        });
        expectOpen(form!, c.request.subject, c.room, 'a rest');
      }
    }
  },
  warmUp: (c) => {
    for (const { form } of warmUp(around(c))) expectOpen(form, c.request.subject, c.room, 'a warm-up');
  },
  coolDown: (c) => {
    for (const { form } of coolDown(around(c))) expectOpen(form, c.request.subject, c.room, 'a cool-down');
  },
  openForAll: (c) => {
    const law = lawIn(library, c.room);
    const all = [compileConstraints(c.request.subject, AS_WRITTEN)];
    for (const move of library.moves.slice(0, 60)) {
      const form = openForAll(law, all, { move: move.id });
      if (form) expectOpen(form, c.request.subject, c.room, 'open to all');
    }
  },
  nextRungs: (c) => {
    const bar = (form: FormRef) =>
      scalerIn(EVERYWHERE).bars([form], { subject: c.request.subject, dials: AS_WRITTEN })[0]![0]?.says ??
      null;
    const person: Person = { ...PERSON_EXAMPLE, id: 'ada', name: 'Ada Quill' };
    const ladder = library.ladders[c.request.writtenFor]!;
    const { levers: _, ...rung } = ladder.rungs[0]!;
    const pieces = [{ entry: 0, ...rung, seconds: 60, reps: 20, counted: true }];
    const done = record('2026-11-24', [result({ pieces })]);
    for (const next of nextRungs(library, [person], done, [done], 'two clean', '2026-11-24', (_, form) =>
      bar(form),
    ))
      for (const form of [next.decision.is === 'up' ? next.placement?.rung : null, next.around?.form])
        if (form) expectOpen(form, c.request.subject, EVERYWHERE, 'a next rung');
  },
};

/** Functions that give forms back without offering any: they read what was given or written. */
const READS: ReadonlySet<string> = new Set([
  // What is already somebody's, read, counted, said or laid out.
  'replay',
  'useOf',
  'taughtBy',
  'formOfRung',
  'doesNow',
  'doingOf',
  'factsFor',
  'switchTo',
  'doesOf',
  'castOf',
  'makeRun',
  'walkedIn',
  'toBeatOf',
  'easierForAll',
]);

/** Steps of the scaler: nobody outside its folder reaches them but through it, and it is under the law. */
const STEPS = [
  'bouted',
  'choiceOf',
  'search',
  'freely',
  'optionsOf',
  'cheapestOf',
  'parted',
  'originalOf',
  'useFor',
  'settle',
];

/** Types that carry a form. */
const FORM_TYPES =
  /\b(FormRef|Use|Version|Way|Found|Around|ClassPlan|LanesMade|Switches|Scaler|Finder|NextRungOf|Sharing|Choices?|Cheapest|Settings|Does|Cast|Run|Opened)\b/;

test('every function of core that gives back a form is under the law, or is said to offer none', () => {
  const root = join(process.cwd(), 'core/src');
  const found: string[] = [];
  // What offers a form to somebody stands in these rooms; below them nobody is known, above them it is passed on.
  for (const folder of ['limits', 'engine', 'ways', 'class', 'run', 'log', 'session'])
    for (const file of readdirSync(join(root, folder)).filter(
      (name) => name.endsWith('.ts') && name !== 'index.ts',
    )) {
      const source = readFileSync(join(root, folder, file), 'utf8');
      const { body, span } = parseSync(source, { syntax: 'typescript', target: 'es2022' });
      const bytes = Buffer.from(source);
      // The parser counts bytes over all files that it has read.
      const text = (at: { start: number; end: number }) =>
        bytes.subarray(at.start - span.start, at.end - span.start).toString('utf8');
      for (const item of body) {
        if (item.type !== 'ExportDeclaration') continue;
        const { declaration } = item;
        const named =
          declaration.type === 'FunctionDeclaration'
            ? [{ name: declaration.identifier.value, returns: declaration.returnType }]
            : declaration.type === 'VariableDeclaration'
              ? declaration.declarations.flatMap(({ id, init }) =>
                  id.type === 'Identifier' && init?.type === 'ArrowFunctionExpression'
                    ? [{ name: id.value, returns: init.returnType }]
                    : [],
                )
              : [];
        for (const { name, returns } of named)
          if (returns && FORM_TYPES.test(text(returns.typeAnnotation.span))) found.push(name);
      }
    }
  expect(found.length).toBeGreaterThan(12);
  const engine = readFileSync(join(root, 'engine/index.ts'), 'utf8');
  expect(STEPS.filter((name) => new RegExp(`\\b${name}\\b`).test(engine))).toEqual([]);
  const known = new Set([...Object.keys(OFFERS), ...READS, ...STEPS]);
  expect(found.filter((name) => !known.has(name))).toEqual([]);
  // A name that is no function any more says nothing.
  expect([...READS, ...STEPS].filter((name) => !found.includes(name))).toEqual([]);
});

describe('nothing offered breaks the law', () => {
  for (const [name, holds] of Object.entries(OFFERS))
    test(name, () => {
      fc.assert(fc.property(aCase, holds), {
        numRuns: name === 'planClass' || name === 'makeLanes' || name === 'openForAll' ? 25 : 60,
        seed: 20261129,
      });
    });
});

describe('what the law is made of', () => {
  const DAY = '2026-11-24';
  const law = lawIn(library, EVERYWHERE);
  const openUnder = (limits: readonly Limit[], form: FormRef, more: Partial<Subject> = {}) =>
    openForAll(law, [compileConstraints({ ...NOBODY, limits, ...more }, AS_WRITTEN)], form);
  const hold = limitSchema.parse({
    kind: 'require',
    id: 'hold',
    supportAboveBalance: 2,
    source: 'trainer',
    reason: 'something to hold',
  });

  test('arms held out in front are nothing to hold on to', () => {
    expect(library.move('squat')!.trims.map((trim) => trim.id)).toContain('hands-forward');
    expect(openUnder([hold], { move: 'squat', settings: { trim: 'hands-forward' } })).toBeNull();
    expect(openUnder([hold], { move: 'half-squat-held' })).not.toBeNull();
    expect(openUnder([], { move: 'squat', settings: { trim: 'hands-forward' } })).not.toBeNull();
  });
  test('what is eased on the left holds on the right as it did', () => {
    const person: Person = {
      ...PERSON_EXAMPLE,
      born: '1960',
      conditions: [
        { id: 'sore-knees', side: 'left' },
        { id: 'sore-knees', side: 'right' },
      ],
      loosened: [
        { limit: 'sore-knees/knee.kneel/left', by: 'physio', why: 'kneels on a cushion', on: '2026-11-20' },
      ],
    };
    const kneel = outlookOf(person, DAY).limits.filter((l) => l.kind === 'cap' && l.on === 'knee.kneel');
    expect(kneel.map((l) => l.side)).toEqual(['right']);
  });
  test('the other leg alone spares what is its own, never what is asked of both', () => {
    const cap = (on: 'knee.load' | 'ankle.load' | 'hip.bendDeg' | 'toes.curl', max: number) =>
      limitSchema.parse({
        kind: 'cap',
        id: on,
        on,
        max,
        side: 'right',
        source: 'trainer',
        reason: 'for the test',
      });
    const left = (move: string): FormRef => ({ move, settings: { side: 'left' } });
    // The right leg has nothing to do: the knee is spared.
    expect(openUnder([cap('knee.load', 1)], left('single-leg-bridge-feet-raised'))).not.toBeNull();
    // While the left one swings the right one is stood on.
    expect(openUnder([cap('ankle.load', 1)], left('leg-swing-front'))).toBeNull();
    // Who sits has both hips bent.
    expect(openUnder([cap('hip.bendDeg', 80)], left('seated-knee-lift-hold'))).toBeNull();
    // The leg behind bends and bears in a split squat; the lifted one of a one-leg stand does nothing.
    expect(openUnder([cap('knee.load', 1)], left('split-squat'))).toBeNull();
    expect(openUnder([cap('toes.curl', 1)], left('split-squat'))).toBeNull();
    expect(openUnder([cap('knee.load', 0)], left('one-leg-stand'))).toBeNull();
    expect(openUnder([cap('ankle.load', 2)], left('one-leg-hop'))).not.toBeNull();
  });
  test('who comes in a wheelchair has a seat, and nobody else has it', () => {
    const bare: Room = { ...EVERYWHERE, id: 'bare', items: [{ what: 'hand-weights' as never, count: 4 }] };
    const field: Room = { ...bare, items: [] };
    const scaler = createScaler(index, field);
    const person: Person = {
      ...PERSON_EXAMPLE,
      born: '1990',
      conditions: [{ id: 'wheelchair', side: 'both' }],
    };
    const { limits, brings } = outlookOf(person, DAY);
    expect(brings).toEqual(['seat']);
    const request = (subject: Subject): ScaleRequest => ({
      session: session(
        circuit(['jumping-jack', 'squat', 'push-up', 'standing-march'].filter((id) => library.move(id))),
      ),
      writtenFor: 2,
      dials: { ...AS_WRITTEN, ability: 'own rungs' },
      subject,
    });
    const seated = { ...NOBODY, limits };
    const resting = (subject: Subject) =>
      scaler.scale(request(subject)).uses.filter((use) => use === null).length;
    expect(resting({ ...seated, brings })).toBeLessThan(resting(seated));
    expect(resting({ ...seated, brings })).toBe(0);
    for (const use of scaler.scale(request({ ...NOBODY })).uses)
      if (use) expect(library.move(use.move)!.needs.map((need) => need.what)).not.toContain('seat');
  });
});

test('who owns a lateral raise, and has not yet a push, does the raise and no push-up', () => {
  const person: Person = {
    ...PERSON_EXAMPLE,
    assumedLevel: 0,
    placements: [
      { ladder: 'arm-raise', rung: { move: 'slow-side-raise' }, evidence: 'assessed', on: '2026-11-01' },
    ],
  };
  const subject = subjectOf(person, library, '2026-11-20');
  const law = lawIn(library, EVERYWHERE);
  const c = compileConstraints(subject, { ...AS_WRITTEN, ability: 'own rungs' });
  const open = (id: string) => formsOf(law.table, id).some((form) => law.isOpen(form, c));
  expect(open('slow-side-raise')).toBe(true);
  expect(open('side-raise')).toBe(true);
  expect(open('hold-and-raise')).toBe(false);
  expect(open('push-up')).toBe(false);
  expect(open('knee-push-up')).toBe(false);
});
