import { makeLanes, planClass } from '@inner-rung/core/class';
import { createScaler, goesOf, switchesOf } from '@inner-rung/core/engine';
import { compileLibrary } from '@inner-rung/core/forms';
import { laneSubject, subjectOf } from '@inner-rung/core/limits';
import {
  cardsOf,
  classSheetOf,
  type PersonCard,
  personCards,
  pictureCard,
  runSheetOf,
  stationsOf,
} from '@inner-rung/core/paper';
import { calledName, outlookOf } from '@inner-rung/core/person';
import { sumUp } from '@inner-rung/core/review';
import { ROOM_EXAMPLE } from '@inner-rung/core/room';
import { entriesOf, factsIn, type Plan, timelineOf } from '@inner-rung/core/session';
import { shippedLibrary } from '../../core/test/shipped.ts';
import { scenarioOn } from '../../demo/src/index.ts';
import type { ClassAnswer } from '../src/features/use-class.ts';
import type { Picture } from '../src/features/use-scaled.ts';
import { typeOf } from '../src/paper/pdf.ts';
import { today } from '../src/store/day.ts';
import { FONTS } from './type-on-disk.ts';

const library = shippedLibrary();
const demo = scenarioOn(today());
const plan = demo.plans.find((one) => one.id === 'tuesday-ten')! as Plan;
const room = demo.rooms.find((one) => one.id === plan.room) ?? ROOM_EXAMPLE;
const taking = demo.people
  .filter((person) => outlookOf(person, today()).mayTrain)
  .map((person) => ({ id: person.id, person }));
const scaler = createScaler(compileLibrary(library), room);

/** A class as the worker answers it. */
function answerFor(of: Plan): ClassAnswer {
  const people = taking.map(({ id, person }) => ({
    id,
    request: {
      session: { blocks: of.blocks, forWhom: of.forWhom },
      writtenFor: of.writtenFor,
      dials: { ...of.dials, ability: 'own rungs' as const },
      subject: subjectOf(person, library, today()),
    },
  }));
  const made = planClass(scaler, room, { most: 3, how: 'together', wishes: [], people });
  const switches = Object.fromEntries(
    people.map(({ id, request }) => [
      id,
      switchesOf(scaler, request, { original: [], uses: made.uses[id]!, reasons: [], cost: 0 }),
    ]),
  );
  return { plan: made, before: null, was: null, switches, taking };
}
/** The session as written, with its lanes, as the worker shows it. */
function pictureFor(of: Plan): Picture {
  const session = { blocks: of.blocks, forWhom: of.forWhom };
  const subject = laneSubject(of.writtenFor);
  const request = { session, writtenFor: of.writtenFor, dials: of.dials, subject };
  const version = scaler.scale(request);
  const goes = goesOf(timelineOf(of, factsIn(library)).segments, entriesOf(of.blocks).length);
  return {
    plan: of,
    version,
    sums: sumUp(compileLibrary(library), session, version.uses, { massKg: undefined, capacityMet: null }),
    longest: goes.map((go) => go.longest),
    bars: [],
    barsByRung: new Map(),
    settled: {
      lanes: makeLanes(scaler, { session, writtenFor: of.writtenFor, dials: of.dials, count: 4, pins: [] }),
      others: [],
      switches: switchesOf(scaler, request, version),
    },
  };
}
/** Twice the circuit, so that a session has parts. */
const twoParts: Plan = {
  ...plan,
  blocks: [plan.blocks[0]!, { ...plan.blocks[0]!, id: 'again', name: 'Once more' }],
};
const answer = answerFor(plan);
const cards = cardsOf(library, plan, room, answer, today());
const words = (card: PersonCard) =>
  JSON.stringify({ ...card, lines: card.lines.map(({ figure: _, ...l }) => l) });

describe('everybody’s card', () => {
  test('is theirs alone: all stations, their own cautions and effort, nobody else’s name', () => {
    expect(cards).toHaveLength(taking.length);
    cards.forEach((card, i) => {
      const { person } = taking[i]!;
      expect(card.name).toBe(calledName(person));
      expect(card.lines.map((line) => line.number)).toEqual([
        '1',
        '2',
        '3',
        '4',
        '5',
        '6',
        '7',
        '8',
        '9',
        '10',
      ]);
      expect(card.care).toEqual(outlookOf(person, today()).cautions);
      for (const other of taking)
        if (other.person.id !== person.id) expect(words(card)).not.toContain(calledName(other.person));
    });
  });
  test('says the form that was planned, drawn, and other forms as easier and harder', () => {
    cards.forEach((card, i) => {
      const uses = answer.plan.uses[taking[i]!.id]!;
      card.lines.forEach((line, k) => {
        if (uses[k]) expect(line.figure).not.toBeNull();
        expect(line.easier === null || line.easier !== line.harder).toBe(true);
        expect(line.form.toLowerCase()).not.toBe(line.easier);
        expect(line.form.toLowerCase()).not.toBe(line.harder);
      });
    });
  });
  test('ten stations, and twelve, are one page each, with everything on it that a card says', async () => {
    const measure = typeOf(FONTS).measure;
    for (const id of ['tuesday-ten', 'twelve-by-thirty']) {
      const of = demo.plans.find((one) => one.id === id)! as Plan;
      const made = cardsOf(library, of, room, answerFor(of), today());
      expect(made).toHaveLength(taking.length);
      for (const card of made) {
        const pages = personCards([card], 'A4', measure);
        expect([id, card.name, pages.length]).toEqual([id, card.name, 1]);
        const all = pages[0]!.items.flatMap((item) => (item.is === 'text' ? [item.text] : [])).join(' ');
        for (const line of card.lines)
          for (const told of [line.form, line.dose, line.cues[0], line.easier, line.harder])
            if (told) expect(all.replaceAll(/\s+/g, ' ')).toContain(told);
        for (const care of card.care) expect(all).toContain(care);
      }
    }
  });
  test('one person’s words go before everybody’s, everybody’s before the move’s cue; parts of a chain keep theirs', () => {
    const [block] = plan.blocks;
    const [first, second] = block!.stations;
    const worded: Plan = {
      ...plan,
      blocks: [
        {
          ...block!,
          stations: block!.stations.map((s) =>
            s.id === first!.id || s.id === second!.id ? { ...s, words: 'For everybody' } : s,
          ),
        },
      ],
      wordsFor: [
        { block: block!.id, station: first!.id, person: taking[2]!.person.id, words: 'For you alone' },
      ],
    };
    const now = cardsOf(library, worded, room, answer, today());
    now.forEach((card, i) => {
      expect(card.lines[0]!.cues).toEqual([i === 2 ? 'For you alone' : 'For everybody']);
      expect(card.lines[1]!.cues).toEqual(['For everybody']);
      expect(card.lines[2]!.cues).toEqual(cards[i]!.lines[2]!.cues);
    });
  });
  test('a session of several parts heads each of them once, with its clock; numbers begin anew', () => {
    const [card] = cardsOf(library, twoParts, room, answerFor(twoParts), today());
    expect(card!.lines).toHaveLength(20);
    expect(card!.lines.flatMap((line, i) => (line.part ? [i] : []))).toEqual([0, 10]);
    expect(card!.lines[10]!.part).toMatch(/^Once more: 40 on, 20 off/);
    expect(card!.lines[10]!.number).toBe('1');
  });
  test('the card of whom the floor shows is made the same way; a lane’s has no effort and no caution', () => {
    const picture = pictureFor(plan);
    const lane = pictureCard(library, picture, room, null, today());
    expect([lane.name, lane.effort, lane.care]).toEqual(['For a lane', '', []]);
    expect(lane.lines).toHaveLength(10);
    const maud = taking.find(({ id }) => id === 'maud-ellery')!.person;
    expect(pictureCard(library, picture, room, maud, today())).toMatchObject({
      name: maud.name,
      care: outlookOf(maud, today()).cautions,
    });
  });
});

test('what hangs on the wall names nobody and says no caution', () => {
  const all = JSON.stringify(
    stationsOf(library, plan, answer).map((s) => ({ ...s, forms: s.forms.map((f) => f.name) })),
  );
  for (const { person } of taking) {
    expect(all).not.toContain(calledName(person));
    for (const caution of outlookOf(person, today()).cautions) expect(all).not.toContain(caution);
  }
});

describe('the class sheet', () => {
  const sheet = classSheetOf(library, plan, answer, 'Tuesday evening', today());
  test('has everybody at every station once', () => {
    expect(sheet.stations).toHaveLength(10);
    for (const station of sheet.stations) {
      const who = station.forms.map((form) => form.who).join(', ');
      for (const { person } of taking)
        expect([station.number, calledName(person), who.split(calledName(person)).length - 1]).toEqual([
          station.number,
          calledName(person),
          1,
        ]);
    }
  });
  test('has a line to say where more than one form is shown, and everybody’s cautions once', () => {
    for (const station of sheet.stations) if (station.forms.length > 1) expect(station.say).toMatch(/^Show /);
    const cared = taking.filter(({ person }) => outlookOf(person, today()).cautions.length > 0);
    expect(sheet.people.map((one) => one.name)).toEqual(cared.map(({ person }) => calledName(person)));
    expect(sheet.who).toMatch(
      new RegExp(`^${taking.length} people, Tuesday evening · \\d+ \\w+ \\d{4} · plan [A-Z2-9]{4}$`),
    );
  });
});

describe('the run sheet', () => {
  const seconds = (clock: string) => clock.split(':').reduce((sum, part) => sum * 60 + Number(part), 0);
  test.each([
    ['one circuit', plan],
    ['two parts', twoParts],
  ])('%s: time goes on from row to row, and what is said to be next is next', (_, of) => {
    const sheet = runSheetOf(library, pictureFor(of), true);
    expect(sheet.blocks).toHaveLength(of.blocks.length);
    const rows = sheet.blocks.flatMap((block) => block.rows);
    const times = rows.map((row) => seconds(row.at));
    expect([...times].sort((a, b) => a - b)).toEqual(times);
    rows.forEach((row, i) => {
      if (row.kind !== 'rest') return;
      const next = rows.slice(i + 1).find((one) => one.kind === 'work')!;
      expect(row.main.at(-1)!.text).toBe(next.main[0]!.text);
    });
    expect(rows.filter((row) => row.kind === 'work')).toHaveLength(of.blocks.length * 20);
  });
  test('cues and lanes stand at a station’s first time only, and lanes only where they are wanted', () => {
    const [block] = runSheetOf(library, pictureFor(plan), true).blocks;
    const work = block!.rows.filter((row) => row.kind === 'work');
    expect(work.slice(0, 10).every((row) => row.small.length > 0)).toBe(true);
    expect(work.slice(10).every((row) => row.small.length === 0)).toBe(true);
    expect(work.some((row) => row.small.some((line) => line.startsWith('New to this:')))).toBe(true);
    const [bare] = runSheetOf(library, pictureFor(plan), false).blocks;
    expect(JSON.stringify(bare)).not.toContain('New to this:');
  });
});
