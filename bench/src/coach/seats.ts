import type { Reason, Use, Version } from '@inner-rung/core/engine';
import { formsOf } from '@inner-rung/core/forms';
import type { Library } from '@inner-rung/core/ladder';
import { compileConstraints, type lawIn, type Subject } from '@inner-rung/core/limits';
import { AS_WRITTEN, type entriesOf } from '@inner-rung/core/session';
import type { Pupil } from './people.ts';
import { type Seat, USUAL } from './rules.ts';

export const DIALS = { ...AS_WRITTEN, ability: 'own rungs' as const };

/** What stands around the seats of one person in one session and room. */
interface Around {
  readonly library: Library;
  readonly law: ReturnType<typeof lawIn>;
  readonly entries: ReturnType<typeof entriesOf>;
  readonly pupil: Pupil;
  readonly subject: Subject;
  readonly original: Version['original'];
}

/** Stations as somebody is given them, each with what a rule asks. */
export function seatsOf(
  { library, law, entries, pupil, subject, original }: Around,
  uses: readonly (Use | null)[],
  reasons: readonly Reason[],
): Seat[] {
  const c = compileConstraints(subject, DIALS);
  const open = (move: string) => formsOf(law.table, move).some((f) => law.isOpen(f, c));
  return original.flatMap((written, i): Seat[] => {
    if (!written) return [];
    const use: Use | null = uses[i] ?? null;
    const pattern = library.move(written.move)!.pattern;
    const usual = USUAL[written.move] ?? [];
    const isSame = (other: Use | null) =>
      other !== null &&
      use !== null &&
      other.move === use.move &&
      JSON.stringify(other.settings) === JSON.stringify(use.settings);
    return [
      {
        library,
        pupil,
        written,
        use,
        reason: reasons.find((reason) => reason.entry === i) ?? null,
        sameFor: uses.flatMap((other, k) =>
          k !== i && isSame(other) ? [original[k]?.move ?? written.move] : [],
        ),
        patternOpen: library.moves.some((move) => move.pattern === pattern && open(move.id)),
        usual,
        usualOpen: usual.filter((move) => library.move(move) && open(move)),
        loadKg:
          use &&
          use.move === written.move &&
          library.move(use.move)!.needs.some((need) => need.what === 'hand load')
            ? (use.own?.loadKg ?? entries[i]?.dose?.loadKg ?? null)
            : null,
      },
    ];
  });
}
