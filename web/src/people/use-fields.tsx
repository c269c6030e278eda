import { bornFault, type Person, personSchema } from '@inner-rung/core/person';
import { type ReactNode, useState } from 'react';
import type { PersonPage } from '../features/use-person.ts';
import { today } from '../store/day.ts';

/** Fields of a person, each kept as it is typed. */
export interface Fields {
  /** Keeps a field where the whole person is still well formed; says beside it what is wrong where not. */
  readonly put: (field: string, patch: Partial<Person>, drop?: readonly (keyof Person)[]) => boolean;
  /** What is wrong is said beside the field, and nothing is kept. */
  readonly refuse: (field: string, says: string) => false;
  /** What is wrong with a field, to stand beside it. */
  readonly fault: (field: string) => ReactNode;
}

export function useFields({ person, keep }: Pick<PersonPage, 'person' | 'keep'>): Fields {
  const [wrong, setWrong] = useState<{ field: string; says: string } | null>(null);
  const refuse = (field: string, says: string) => {
    setWrong({ field, says });
    return false as const;
  };
  return {
    refuse,
    put: (field, patch, drop = []) => {
      const next: Record<string, unknown> = { ...person, ...patch };
      for (const key of drop) delete next[key];
      const read = personSchema.safeParse(next);
      const born = patch.born === undefined ? null : bornFault(patch.born, today());
      if (!read.success || born) return refuse(field, born ?? read.error!.issues[0]!.message);
      setWrong(null);
      keep(`Edit ${field}…`, read.data);
      return true;
    },
    fault: (field) =>
      wrong?.field === field ? (
        <span role="alert" className="block text-sm font-semibold text-error">
          {wrong.says}
        </span>
      ) : null,
  };
}
