import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { createScaler } from '@inner-rung/core/engine';
import { compileLibrary, formsOf } from '@inner-rung/core/forms';
import { compileConstraints, lawIn, subjectOf } from '@inner-rung/core/limits';
import {
  ADULT_FROM,
  ageOn,
  type ConditionId,
  OLDER_FROM,
  PERSON_EXAMPLE,
  type Person,
  personSchema,
} from '@inner-rung/core/person';
import { readWho } from '@inner-rung/core/read';
import { EVERYWHERE, READY_ROOMS } from '@inner-rung/core/room';
import { AS_WRITTEN, READY_SESSIONS } from '@inner-rung/core/session';
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
  test('no ready-made session gives any of them what they must never be given', () => {
    for (const room of READY_ROOMS.slice(0, 3)) {
      const scaler = createScaler(index, room);
      for (const { blocks, forWhom, writtenFor } of READY_SESSIONS)
        for (const { says, person, never } of referrals) {
          const { uses } = scaler.scale({
            session: { blocks, forWhom },
            writtenFor,
            dials: { ...AS_WRITTEN, ability: 'own rungs' },
            subject: subjectOf(person, library, DAY),
          });
          const given = uses.flatMap((use) =>
            use &&
            never.includes(use.move) &&
            !use.settings.trim &&
            !use.settings.support &&
            !use.settings.side
              ? [use.move]
              : [],
          );
          expect([says, given]).toEqual([says, []]);
        }
    }
  });
});
