import { decide, evidenceOf, SESSION_RECORD } from '@inner-rung/core/log';
import { openRecord } from '@inner-rung/core/record';
import { PEOPLE, PLANS, RECORDS } from '../../demo/src/index.ts';
import { shippedLibrary } from './shipped.ts';

const library = shippedLibrary();

test('the demo’s records open, of people and a session that are there, with forms of the library', () => {
  for (const record of RECORDS) {
    expect(openRecord(SESSION_RECORD, record).ok).toBe(true);
    expect(PLANS.some((plan) => plan.id === record.plan)).toBe(true);
    for (const result of record.results) {
      expect(PEOPLE.some((person) => person.id === result.person)).toBe(true);
      for (const piece of result.pieces) expect(library.move(piece.move)).toBeDefined();
    }
  }
});

test('they say something: somebody is ready for the next jack, somebody isn’t asked past a sore wrist', () => {
  const jacks = library.ladders.find((l) => l.rungs.some((rung) => rung.move === 'jumping-jack'))!;
  const who = { child: false, careful: false, steady: false, effortMax: 10 };
  const at = (person: string, records = RECORDS) =>
    decide(jacks, evidenceOf(library, jacks, person, records), 'two clean', who, '2026-11-24')!;
  expect(at('saskia-dorn').is).toBe('up');
  // The week it hurt, he was asked; a week without it since then isn't two.
  expect(at('tomas-wick', RECORDS.slice(0, 3)).is).toBe('ask');
  expect(at('tomas-wick').is).toBe('hold');
});
