import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { planClass } from '@inner-rung/core/class';
import { createScaler, switchesOf } from '@inner-rung/core/engine';
import { compileLibrary, formsOf } from '@inner-rung/core/forms';
import { compileConstraints, lawIn, NOBODY, openForAll, subjectOf } from '@inner-rung/core/limits';
import type { FormRef } from '@inner-rung/core/move';
import {
  ADULT_FROM,
  ageOn,
  type ConditionId,
  levelAbility,
  OLDER_FROM,
  PERSON_EXAMPLE,
  type Person,
  personSchema,
} from '@inner-rung/core/person';
import { readWho } from '@inner-rung/core/read';
import { EVERYWHERE, READY_ROOMS, type Room } from '@inner-rung/core/room';
import { AS_WRITTEN, entriesOf, READY_SESSIONS } from '@inner-rung/core/session';
import { coolDown, createFinder, warmUp } from '@inner-rung/core/ways';
import { shippedLibrary } from './shipped.ts';

/*
 * People as a clinic refers them: what the letter says, what a trainer records of it, what they must never be given
 * and what must stay theirs. Written from the clinical sentences before anything was run; common practice.
 */
const library = shippedLibrary();
const index = compileLibrary(library);
const law = lawIn(library, EVERYWHERE);
const DAY = '2026-11-02';

interface Referral {
  readonly says: string;
  readonly conditions: readonly string[];
  readonly person: Person;
  readonly never: readonly string[];
  readonly theirs: readonly string[];
}

const referrals = readFileSync(join(process.cwd(), 'core/test/clinic/referrals.tsv'), 'utf8')
  .split('\n')
  .filter((line) => line && !line.startsWith('#'))
  .map((line): Referral => {
    const [says, born, sex, recorded, effort, never, theirs] = line.split('\t');
    const conditions = recorded!.split(',');
    const age = ageOn(born!, DAY);
    const kind =
      age.lo < ADULT_FROM ? 'child or teenager' : age.hi >= OLDER_FROM ? 'older adult' : 'clinical';
    const person = personSchema.parse({
      ...PERSON_EXAMPLE,
      born,
      sex,
      kind,
      // A rung further out than anybody should be taken for: what is barred is barred by what they have.
      assumedLevel: 2,
      conditions: conditions.map((one) => {
        const [id, side] = one.split('/');
        return { id: id as ConditionId, side: side ?? 'both' };
      }),
      screening:
        kind === 'child or teenager'
          ? { of: 'young', on: DAY, regular: true, consentBy: 'their mother', yes: [] }
          : { of: 'adult', on: DAY, regular: true, disease: true, symptoms: [] },
      clearance: { on: DAY, by: 'the clinic', maxRpe: Number(effort) },
    });
    return { says: says!, conditions, person, never: never!.split(' '), theirs: theirs!.split(' ') };
  });

describe('people as a clinic refers them', () => {
  test('there are forty of them and more', () => {
    expect(referrals.length).toBeGreaterThanOrEqual(40);
  });
  test.each(referrals.map((one) => [one.says, one] as const))('%s: the letter is read', (says, one) => {
    const said = [says, `1 with ${says.replace(/;/g, ',')}`].flatMap((text) =>
      readWho(text).parts.flatMap((part) =>
        part.conditions.map(({ id, side }) => (side ? `${id}/${side}` : id)),
      ),
    );
    expect(one.conditions.filter((id) => !said.includes(id))).toEqual([]);
  });
  test.each(referrals.map((one) => [one.says, one] as const))(
    '%s: what is open',
    (_, { person, never, theirs }) => {
      const c = compileConstraints(subjectOf(person, library, DAY), AS_WRITTEN);
      const forms = (move: string) => {
        if (!library.move(move)) throw new Error(`there is no ${move}`);
        return formsOf(law.table, move);
      };
      const plain = (f: number) =>
        law.table.trim[f]! < 0 && law.table.support[f] === 0 && law.table.side[f] === 0;
      expect(never.filter((move) => forms(move).some((f) => plain(f) && law.isOpen(f, c)))).toEqual([]);
      expect(theirs.filter((move) => !forms(move).some((f) => law.isOpen(f, c)))).toEqual([]);
    },
  );
  /** The moves that they must never be given among those, as they are written: without a trim, a hold or one side. */
  const wrongly = (
    never: readonly string[],
    given: readonly (FormRef | null | undefined | 'same')[],
  ): string[] =>
    given.flatMap((form) => {
      if (!form || form === 'same') return [];
      const { trim, support, side } = form.settings ?? {};
      return never.includes(form.move) && !trim && !support && !side ? [form.move] : [];
    });
  const faced = (room: Room, { says, person, never }: Referral, session: (typeof READY_SESSIONS)[number]) => {
    const { blocks, forWhom, writtenFor } = session;
    const scaler = scalers.get(room.id)!;
    const subject = subjectOf(person, library, DAY);
    const request = {
      session: { blocks, forWhom },
      writtenFor,
      dials: { ...AS_WRITTEN, ability: 'own rungs' as const },
      subject,
    };
    const version = scaler.scale(request);
    const switches = switchesOf(scaler, request, version).flatMap(({ down, up, hold, sideways }) => [
      down,
      up,
      hold,
      ...Object.values(sideways),
    ]);
    const written = entriesOf(blocks).map(({ move }) => ({ move }));
    const around = { library, law: lawIn(library, room), forms: written, subjects: [subject], minutes: 8 };
    // Beside somebody who may do all of it, so that what is shared is pulled up.
    const both = planClass(scaler, room, {
      people: [
        { id: 'theirs', request },
        { id: 'fit', request: { ...request, subject: { ...NOBODY, ability: levelAbility(3) } } },
      ],
      most: 2,
    });
    const found = written.flatMap((from) =>
      finders
        .get(room.id)!
        .find({ from, without: [], withoutItems: [], by: 1, most: 6, subject, itself: true }),
    );
    for (const [face, forms] of [
      ['their version', version.uses],
      ['easier, harder and other in the middle of it', switches],
      ['a class', both.uses['theirs']!],
      ['a form looked for', found],
      ['a warm-up', warmUp(around).map(({ form }) => form)],
      ['a cool-down', coolDown(around).map(({ form }) => form)],
      [
        'what suits everybody',
        never.map((move) => openForAll(around.law, [compileConstraints(subject, AS_WRITTEN)], { move })),
      ],
    ] as const)
      expect([says, room.id, session.id, face, wrongly(never, forms)]).toEqual([
        says,
        room.id,
        session.id,
        face,
        [],
      ]);
  };
  const scalers = new Map(READY_ROOMS.map((room) => [room.id, createScaler(index, room)]));
  const finders = new Map(READY_ROOMS.map((room) => [room.id, createFinder(index, room)]));
  test.each(READY_ROOMS.map((room, r) => [room.name, room, r] as const))(
    'in %s no ready-made session gives any of them what they must never be given, on any face',
    (_, room, r) => {
      referrals.forEach((one, i) => {
        READY_SESSIONS.forEach((session, s) => {
          // Daily one of so many of the pairs, another one in each room; all of them with FULL.
          if (process.env['FULL'] || (i + 5 * s + 7 * r) % 60 === 0) faced(room, one, session);
        });
      });
    },
  );
});
