import { merged, writtenAlike } from '@inner-rung/core/record';
import fc from 'fast-check';
import {
  type Docs,
  type Effect,
  type Event,
  empty,
  type Machine,
  type Rules,
  step,
  unsaved,
} from '../src/store/machine.ts';

interface Doc {
  readonly id: string;
  readonly text: string;
  /** What two people change each their own part of. */
  readonly parts?: Readonly<Record<string, string>>;
}
const rules: Rules<Doc> = { same: writtenAlike, merge: merged };

/** How one sending goes. */
type Fate = 'answered' | 'never arrives' | 'answer lost' | 'falls over' | 'disk full';

/** A server of revisions, a browser and the time between them, all in this test's hands. */
class World {
  machine: Machine<Doc> = empty<Doc>();
  docs: Docs<Doc> = {};
  readonly server: Map<string, { revision: number; doc: Doc }>;
  /** What the browser keeps of what isn't on the server. */
  kept: Docs<Doc | null> = {};
  fates: Fate[] = [];
  readonly #due: { run: () => void; at: number }[] = [];
  #at = 0;

  /** On a server of its own, or on another's. */
  constructor(server: World['server'] = new Map()) {
    this.server = server;
  }

  tell(event: Event<Doc>): void {
    const [machine, effects] = step(this.machine, event, this.docs, rules);
    this.machine = machine;
    for (const effect of effects) this.#run(effect);
  }
  #later(ms: number, run: () => void): void {
    this.#due.push({ run, at: this.#at + ms });
  }
  #run(effect: Effect<Doc>): void {
    if (effect.is === 'take') this.docs = { ...this.docs, [effect.id]: effect.doc };
    else if (effect.is === 'keep')
      this.kept = Object.fromEntries(
        (this.machine.save.is === 'loading' ? [] : unsaved(this.machine, this.docs)).map((id) => [
          id,
          this.docs[id] ?? null,
        ]),
      );
    else if (effect.is === 'pause') this.#later(300, () => this.tell({ is: 'rested' }));
    else if (effect.is === 'wait') this.#later(2500, () => this.tell({ is: 'try again' }));
    else if (effect.is === 'read') {
      const found = this.server.get(effect.id);
      this.#later(20, () =>
        this.tell({
          is: 'answered',
          n: effect.n,
          answer: found
            ? {
                is: 'stands',
                stored: { id: effect.id, revision: found.revision, savedAt: '', body: found.doc },
              }
            : { is: 'nothing there' },
        }),
      );
    } else {
      const { id, base, doc, n } = effect;
      const fate = this.fates.shift() ?? 'answered';
      const standing = this.server.get(id)?.revision ?? 0;
      const lost = fate !== 'answered';
      const arrives = fate === 'answered' || fate === 'answer lost';
      const stale = standing !== base && !(doc === null && standing === 0);
      if (arrives && !stale) {
        if (doc) this.server.set(id, { revision: base + 1, doc });
        else this.server.delete(id);
      }
      this.#later(20, () =>
        this.tell({
          is: 'answered',
          n,
          answer: lost
            ? fate === 'disk full'
              ? { is: 'lost', full: true }
              : { is: 'lost' }
            : stale
              ? { is: 'stale', revision: standing }
              : { is: 'done', revision: doc ? base + 1 : 0 },
        }),
      );
    }
  }
  edit(id: string, text: string | null): void {
    const { [id]: _, ...others } = this.docs;
    this.docs = text === null ? others : { ...others, [id]: { id, text } };
    this.tell({ is: 'edited' });
  }
  /** One part of a document is set. */
  set(id: string, part: string, text: string): void {
    const doc = this.docs[id]!;
    this.docs = { ...this.docs, [id]: { ...doc, parts: { ...doc.parts, [part]: text } } };
    this.tell({ is: 'edited' });
  }
  /** Somebody else saves, or deletes. */
  elsewhere(id: string, text: string | null): void {
    const revision = (this.server.get(id)?.revision ?? 0) + 1;
    if (text === null) this.server.delete(id);
    else this.server.set(id, { revision, doc: { id, text } });
  }
  load(): void {
    this.docs = Object.fromEntries([...this.server].map(([id, { doc }]) => [id, doc]));
    this.tell({
      is: 'loaded',
      saved: this.docs,
      base: Object.fromEntries([...this.server].map(([id, { revision }]) => [id, revision])),
      clash: null,
    });
  }
  pass(ms: number): void {
    const end = this.#at + ms;
    for (;;) {
      this.#due.sort((a, b) => a.at - b.at);
      if (!this.#due[0] || this.#due[0].at > end) break;
      const { run, at } = this.#due.shift()!;
      this.#at = at;
      run();
    }
    this.#at = end;
  }
  bodies(): Record<string, string> {
    return Object.fromEntries([...this.server].map(([id, { doc }]) => [id, doc.text]));
  }
  texts(): Record<string, string> {
    return Object.fromEntries(Object.values(this.docs).map(({ id, text }) => [id, text]));
  }
}

const anEdit = fc.record({
  id: fc.constantFrom('a', 'b', 'c'),
  text: fc.option(fc.constantFrom('one', 'two', 'three'), { nil: null }),
});
const aWait = fc.integer({ min: 0, max: 3000 });
const someFates = fc.array(fc.constantFrom<Fate>('answered', 'never arrives', 'answer lost', 'falls over'), {
  maxLength: 12,
});

test('a full disk is told as one, what was edited is kept, and saved by itself once there is room', () => {
  const world = new World();
  world.load();
  world.fates = ['disk full', 'disk full'];
  world.edit('a', 'one');
  world.pass(1000);
  expect(world.machine.save).toEqual({ is: 'away', full: true });
  expect(world.kept).toMatchObject({ a: { text: 'one' } });
  world.pass(10_000);
  expect(world.machine.save).toEqual({ is: 'saved' });
  expect(world.bodies()).toEqual({ a: 'one' });
});

test('whatever becomes of each sending, in the end the server has what is open, and nobody is told of another', () => {
  fc.assert(
    fc.property(fc.array(fc.oneof(anEdit, aWait), { maxLength: 25 }), someFates, (acts, fates) => {
      const world = new World();
      world.fates = [...fates];
      world.elsewhere('a', 'before');
      world.load();
      for (const act of acts) {
        if (typeof act === 'number') world.pass(act);
        else world.edit(act.id, act.text);
        expect(world.machine.save.is).not.toBe('elsewhere');
      }
      world.pass(120_000);
      expect(world.machine.save).toEqual({ is: 'saved' });
      expect(world.bodies()).toEqual(world.texts());
      expect(world.kept).toEqual({});
    }),
    { numRuns: 2000 },
  );
});

test('“Saved” is never said while the server hasn’t got it', () => {
  fc.assert(
    fc.property(fc.array(fc.oneof(anEdit, aWait), { maxLength: 25 }), someFates, (acts, fates) => {
      const world = new World();
      world.fates = [...fates];
      world.load();
      for (const act of acts) {
        if (typeof act === 'number') world.pass(act);
        else world.edit(act.id, act.text);
        if (world.machine.save.is === 'saved') expect(world.bodies()).toEqual(world.texts());
      }
    }),
    { numRuns: 1500 },
  );
});

test('what isn’t on the server is kept in the browser at every moment', () => {
  fc.assert(
    fc.property(fc.array(fc.oneof(anEdit, aWait), { maxLength: 25 }), someFates, (acts, fates) => {
      const world = new World();
      world.fates = [...fates];
      world.load();
      for (const act of acts) {
        if (typeof act === 'number') world.pass(act);
        else world.edit(act.id, act.text);
        for (const id of ['a', 'b', 'c'])
          if (world.docs[id]?.text !== world.bodies()[id])
            expect(world.kept[id]).toEqual(world.docs[id] ?? null);
      }
    }),
    // Taken away while it was on its way: by then the server has it.
    { numRuns: 1000, examples: [[[{ id: 'b', text: 'one' }, 300, { id: 'b', text: null }], []]] },
  );
});

describe('somebody else saved meanwhile', () => {
  const clash = (theirs: string | null) => {
    const world = new World();
    world.elsewhere('a', 'before');
    world.load();
    world.elsewhere('a', theirs);
    world.edit('a', 'mine');
    world.pass(1000);
    expect(world.machine.save.is).toBe('elsewhere');
    expect(world.bodies()).toEqual(theirs === null ? {} : { a: theirs });
    return world;
  };
  test.each([['theirs'], [null]])('ours is chosen, theirs being %s', (theirs) => {
    const world = clash(theirs);
    world.tell({ is: 'keep mine' });
    world.pass(1000);
    expect(world.machine.save.is).toBe('saved');
    expect(world.bodies()).toEqual({ a: 'mine' });
  });
  test.each([['theirs'], [null]])('theirs is chosen, being %s', (theirs) => {
    const world = clash(theirs);
    const found = world.server.get('a');
    const stored = found ? { id: 'a', revision: found.revision, savedAt: '', body: found.doc } : null;
    world.docs = found ? { a: found.doc } : {};
    world.tell({ is: 'theirs', stored });
    world.pass(1000);
    expect(world.machine.save.is).toBe('saved');
    expect(world.bodies()).toEqual(theirs === null ? {} : { a: theirs });
    expect(world.texts()).toEqual(world.bodies());
  });
  test('nothing of ours is sent until it is chosen, whatever is edited', () => {
    const world = clash('theirs');
    world.edit('a', 'mine again');
    world.edit('b', 'new');
    world.pass(60_000);
    expect(world.bodies()).toEqual({ a: 'theirs' });
    expect(world.kept).toMatchObject({ a: { text: 'mine again' }, b: { text: 'new' } });
  });
});

test('what is refused says why, and is sent again once it is mended', () => {
  const world = new World();
  world.load();
  world.edit('a', 'bad');
  // The answer to the first sending is a refusal.
  world.tell({ is: 'rested' });
  const { asked } = world.machine;
  world.server.clear();
  world.tell({ is: 'answered', n: asked, answer: { is: 'refused', why: 'name: too long' } });
  expect(world.machine.save).toEqual({ is: 'refused', why: 'name: too long' });
  expect(world.kept).toMatchObject({ a: { text: 'bad' } });
  world.edit('a', 'good');
  world.pass(1000);
  expect(world.bodies()).toEqual({ a: 'good' });
});

test('an answer to what was asked before is nobody’s', () => {
  const world = new World();
  world.load();
  world.edit('a', 'one');
  world.tell({ is: 'rested' });
  const before = world.machine;
  world.tell({ is: 'answered', n: before.asked - 1, answer: { is: 'done', revision: 9 } });
  expect(world.machine).toBe(before);
});

describe('two people at one document', () => {
  const pair = () => {
    const ours = new World();
    const theirs = new World(ours.server);
    ours.server.set('a', { revision: 1, doc: { id: 'a', text: 'before', parts: {} } });
    ours.load();
    theirs.load();
    return { ours, theirs };
  };
  test('each in their own part: both hold, and it is said that they were put together', () => {
    const { ours, theirs } = pair();
    theirs.set('a', 'second', 'theirs');
    theirs.pass(1000);
    ours.set('a', 'first', 'ours');
    ours.pass(1000);
    expect(ours.machine.save).toEqual({ is: 'saved', merged: true });
    expect(ours.server.get('a')!.doc.parts).toEqual({ first: 'ours', second: 'theirs' });
    expect(ours.docs['a']).toEqual(ours.server.get('a')!.doc);
    // Said until the next edit.
    ours.set('a', 'first', 'again');
    ours.pass(1000);
    expect(ours.machine.save).toEqual({ is: 'saved' });
  });
  test('in the same part: somebody chooses, and nothing is sent before', () => {
    const { ours, theirs } = pair();
    theirs.set('a', 'first', 'theirs');
    theirs.pass(1000);
    ours.set('a', 'first', 'ours');
    ours.pass(60_000);
    expect(ours.machine.save).toMatchObject({ is: 'elsewhere', id: 'a' });
    expect(ours.server.get('a')!.doc.parts).toEqual({ first: 'theirs' });
  });
  test('however their edits, saves and lost answers fall between each other, nobody is asked and nothing is lost', () => {
    const act = fc.record({
      whose: fc.constantFrom('ours', 'theirs'),
      does: fc.oneof(
        fc.record({ part: fc.constantFrom('one', 'two'), text: fc.constantFrom('x', 'y', 'z') }),
        fc.integer({ min: 0, max: 2000 }),
      ),
    });
    const fates = fc.array(fc.constantFrom<Fate>('answered', 'never arrives', 'answer lost', 'falls over'), {
      maxLength: 8,
    });
    fc.assert(
      fc.property(fc.array(act, { maxLength: 24 }), fates, fates, (acts, first, second) => {
        const { ours, theirs } = pair();
        const worlds = { ours, theirs };
        [ours.fates, theirs.fates] = [[...first], [...second]];
        const last: Record<string, string> = {};
        for (const { whose, does } of acts) {
          if (typeof does === 'number') worlds[whose as 'ours'].pass(does);
          else {
            const part = `${whose}-${does.part}`;
            last[part] = does.text;
            worlds[whose as 'ours'].set('a', part, does.text);
          }
        }
        // Each goes on for long enough, and once more for what the other still sent.
        for (let i = 0; i < 3; i++) for (const world of [ours, theirs]) world.pass(60_000);
        expect(ours.server.get('a')!.doc.parts ?? {}).toEqual(last);
        for (const world of [ours, theirs]) expect(world.machine.save.is).toBe('saved');
      }),
      {
        numRuns: 2000,
        examples: [
          // What arrived unheard was changed back since, and that was sent too and never arrived.
          [
            [
              { whose: 'theirs', does: { part: 'two', text: 'y' } },
              { whose: 'theirs', does: 300 },
              { whose: 'theirs', does: { part: 'two', text: 'x' } },
              { whose: 'theirs', does: 20 },
              { whose: 'theirs', does: { part: 'two', text: 'y' } },
              { whose: 'ours', does: { part: 'one', text: 'x' } },
            ],
            [],
            ['answered', 'answer lost', 'never arrives'],
          ],
          // The same of one part of two.
          [
            [
              { whose: 'theirs', does: { part: 'two', text: 'y' } },
              { whose: 'theirs', does: 400 },
              { whose: 'theirs', does: { part: 'one', text: 'x' } },
              { whose: 'theirs', does: { part: 'two', text: 'x' } },
              { whose: 'theirs', does: 300 },
              { whose: 'theirs', does: { part: 'two', text: 'y' } },
              { whose: 'ours', does: { part: 'one', text: 'x' } },
            ],
            [],
            ['answered', 'answer lost', 'never arrives', 'never arrives'],
          ],
        ],
      },
    );
  });
});
