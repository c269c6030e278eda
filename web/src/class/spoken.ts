import { calledName, standsFor } from '@inner-rung/core/person';
import type { Spoken } from '@inner-rung/core/words';
import type { Taking } from './use-class.ts';

/** How somebody is spoken of: by name, or by what is known of those who are known by number. */
export function spoken({ person }: Taking): Spoken {
  return { name: calledName(person), byNumber: standsFor(person) !== null, count: 1 };
}
