import type { Library } from '@inner-rung/core/ladder';
import { type NextRungOf, nextRungs, type SchoolId, type SessionRecord } from '@inner-rung/core/log';
import type { FormRef } from '@inner-rung/core/move';
import type { Person } from '@inner-rung/core/person';
import { formName } from '@inner-rung/core/words';
import { useEffect, useMemo, useState } from 'react';
import { engine } from '../engine/index.ts';
import { today } from '../store/day.ts';
import { people as peopleShelf, useSend } from '../store/index.ts';

const keyOf = (form: FormRef) => JSON.stringify([form.move, form.settings ?? null]);

/** Every rung somebody could be sent to after a session: of the ladders they worked on, and of the ways round. */
function formsFor(library: Library, person: Person, record: SessionRecord): FormRef[] {
  const result = record.results.find((r) => r.person === person.id);
  const did = new Set(result?.pieces.map((p) => p.move));
  const on = library.ladders.filter((ladder) => ladder.rungs.some((rung) => did.has(rung.move)));
  const ids = new Set(on.map((ladder) => ladder.id));
  return library.ladders
    .filter((ladder) => ids.has(ladder.id) || ladder.branchOf.some((id) => ids.has(id)))
    .flatMap((ladder) => ladder.rungs);
}

/**
 * What each does next on every ladder they worked on in a session. Whether a rung is open to them is asked of the
 * engine, off the page's own thread; null until it has answered.
 */
export function useNextRungs(
  library: Library,
  people: readonly Person[],
  record: SessionRecord | null,
  all: readonly SessionRecord[],
  school: SchoolId,
): readonly NextRungOf[] | null {
  const [bars, setBars] = useState<ReadonlyMap<string, ReadonlyMap<string, string>> | null>(null);
  const there = useMemo(
    () => people.filter((p) => record?.results.some((r) => r.present && r.person === p.id)),
    [people, record],
  );
  useEffect(() => {
    if (!record) return;
    let over = false;
    const asked = there.map((person) => ({
      person,
      forms: formsFor(library, person, record).map(({ move, settings }) => ({
        move,
        ...(settings ? { settings } : {}),
      })),
    }));
    void engine.once(library, 'open-to', { room: null, on: today(), people: asked }).then((answer) => {
      if (over) return;
      setBars(
        new Map(
          asked.map(({ person, forms }, p) => [
            person.id,
            new Map(
              forms.flatMap((form, i) => {
                const bar = answer[p]?.[i];
                return bar ? [[keyOf(form), bar] as const] : [];
              }),
            ),
          ]),
        ),
      );
    });
    return () => {
      over = true;
    };
  }, [library, record, there]);
  return useMemo(
    () =>
      record && bars
        ? nextRungs(library, people, record, all, school, today(), (person, form) => {
            const own = bars.get(person.id);
            return own ? (own.get(keyOf(form)) ?? null) : 'not asked yet';
          })
        : null,
    [library, people, record, all, school, bars],
  );
}

/** Puts next rungs in people's files, as one step that can be undone. */
export function useTake(library: Library, record: SessionRecord | null) {
  const send = useSend();
  return (
    list: readonly { readonly person: Person; readonly placement: NextRungOf['placement'] }[],
    says: string,
  ) => {
    const next = new Map<string, Person>();
    for (const { person, placement } of list) {
      if (!placement) continue;
      const now = next.get(person.id) ?? person;
      next.set(person.id, {
        ...now,
        placements: [...now.placements.filter((p) => p.ladder !== placement.ladder), placement],
        log: [
          ...now.log,
          {
            at: new Date().toISOString(),
            what: 'placement' as const,
            says: `${library.ladder(placement.ladder)?.name}: ${formName(library, placement.rung.move, placement.rung.settings)}`,
            why: record ? `after ${record.title}, ${record.on}` : 'by hand',
          },
        ],
      });
    }
    send(peopleShelf.step({ says, put: [...next.values()] }));
  };
}
