import { ACTIVITY, LEVELS, type LevelIndex, PERSON_KINDS } from '@inner-rung/core/person';
import type { PersonPage } from '../features/use-person.ts';
import { Choice } from '../ui/choice.tsx';
import { Text } from '../ui/fields.tsx';
import { useFields } from './use-fields.tsx';
import { BodyFields } from './who-body.tsx';
import { WishFields } from './who-wishes.tsx';

/** All that can be known of somebody and may wait; what each piece is for stands beside it. */
export function WhoPart({ page }: { page: PersonPage }) {
  const { person, outlook } = page;
  const fields = useFields(page);
  const { put, fault } = fields;
  return (
    <div className="mt-2 grid grid-cols-1 gap-x-10 gap-y-4 md:grid-cols-2">
      <section aria-label="Who" className="grid content-start gap-3">
        <Text label="Name or initials" value={person.name} rows={1} onValue={(name) => put('name', { name })}>
          {fault('name')}
        </Text>
        <div>
          <Text
            label="Year or date of birth"
            value={person.born}
            rows={1}
            onValue={(born) => put('born', { born: born.trim() })}
          >
            {fault('born')}
          </Text>
          {outlook.age.lo !== outlook.age.hi && (
            <p className="quiet text-sm">
              {outlook.age.lo} or {outlook.age.hi}: with the whole date, tables by age give one answer.
            </p>
          )}
        </div>
        <Choice
          legend="Kind of client"
          name="kind"
          value={person.kind}
          of={PERSON_KINDS.map((kind) => ({ value: kind, says: kind }))}
          onChoose={(kind) => put('kind', { kind })}
        />
        <div>
          <Choice
            legend="Sex, where a published table or equation asks"
            name="sex"
            value={person.sex ?? 'unstated'}
            of={[
              { value: 'female', says: 'female' },
              { value: 'male', says: 'male' },
              { value: 'unstated', says: 'not stated' },
            ]}
            onChoose={(sex) =>
              sex === 'unstated' ? put('sex', {}, ['sex']) : put('sex', { sex: sex as 'female' | 'male' })
            }
          />
          {!person.sex && <p className="quiet text-sm">Not stated: both results are shown.</p>}
        </div>
        <Choice
          legend="A usual week"
          name="activity"
          column
          value={person.activity ?? null}
          of={ACTIVITY.map((a) => ({ value: a.id, says: a.says }))}
          onChoose={(activity) => put('activity', { activity })}
        />
        <Choice
          legend="Where they stand on ladders nobody has tried yet"
          name="level"
          column
          value={String(person.assumedLevel)}
          of={LEVELS.map((level, i) => ({
            value: String(i),
            says: (
              <span>
                <span className="display">{level.name}</span>: {level.says}
              </span>
            ),
          }))}
          onChoose={(level) => put('level', { assumedLevel: Number(level) as LevelIndex })}
        />
      </section>
      <section aria-label="Body and wishes" className="grid content-start gap-3">
        <BodyFields page={page} fields={fields} />
        <WishFields page={page} fields={fields} />
      </section>
    </div>
  );
}
