import type { When } from '@inner-rung/core/person';

export { dayWords } from '@inner-rung/core/person';

/** The day on which it is now, where the trainer is: YYYY-MM-DD. */
export function today(): string {
  const now = new Date();
  const two = (n: number) => String(n).padStart(2, '0');
  return `${now.getFullYear()}-${two(now.getMonth() + 1)}-${two(now.getDate())}`;
}

export const when = (): When => ({ at: new Date().toISOString(), day: today() });

/** An id that says nothing of what it names. */
export function newId(kind: string): string {
  const bytes = crypto.getRandomValues(new Uint8Array(6));
  return `${kind}-${[...bytes].map((b) => b.toString(16).padStart(2, '0')).join('')}`;
}
