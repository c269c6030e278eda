import { dayOf, dayWords, type When } from '@inner-rung/core/person';

export { dayOf, dayWords } from '@inner-rung/core/person';

/** The day on which it is now, where the trainer is: YYYY-MM-DD. */
export const today = (): string => dayOf(new Date());

/** The time of a moment where the trainer is: "18:05". */
export const timeWords = (at: Date): string =>
  at.toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' });
/** Its day and its time. */
export const dayAndTime = (at: Date): string => `${dayWords(dayOf(at))}, ${timeWords(at)}`;

export const when = (): When => ({ at: new Date().toISOString(), day: today() });

/** An id that says nothing of what it names. */
export function newId(kind: string): string {
  const bytes = crypto.getRandomValues(new Uint8Array(6));
  return `${kind}-${[...bytes].map((b) => b.toString(16).padStart(2, '0')).join('')}`;
}
