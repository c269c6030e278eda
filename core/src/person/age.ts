import * as z from 'zod';

/** Ages that are planned for, in years. */
export const YOUNGEST = 5;
export const OLDEST = 110;
/** A child below, a teenager from. Common practice. */
const TEENAGER_FROM = 13;
export const ADULT_FROM = 18;
/** An older adult from. WHO's age groups (from memory). */
export const OLDER_FROM = 60;

/** What somebody of so many years is, under 18; null for an adult. */
export const youngAt = (years: number): 'child' | 'teenager' | null =>
  years < TEENAGER_FROM ? 'child' : years < ADULT_FROM ? 'teenager' : null;

/** A year, or a whole date: all that is known of when somebody was born. */
export const bornSchema = z
  .string()
  .regex(/^\d{4}(-\d{2}-\d{2})?$/, 'a year such as 1951, or a date such as 1951-03-20')
  .refine((born) => born.length === 4 || z.iso.date().safeParse(born).success, {
    message: 'there is no such day in the calendar',
  });

/** Whole years, lowest and highest: the two differ where only the year of birth is known. */
export interface Age {
  readonly lo: number;
  readonly hi: number;
}

/** The age on a day (YYYY-MM-DD). */
export function ageOn(born: string, day: string): Age {
  const years = Number(day.slice(0, 4)) - Number(born.slice(0, 4));
  if (born.length === 4) return { lo: years - 1, hi: years };
  const had = day.slice(5) >= born.slice(5);
  return { lo: had ? years : years - 1, hi: had ? years : years - 1 };
}

/** Why a birth date can't be right on a day; null when it can. */
export function bornFault(born: string, day: string): string | null {
  const read = bornSchema.safeParse(born);
  if (!read.success) return read.error.issues[0]!.message;
  const { lo, hi } = ageOn(born, day);
  if (hi < 0 || born.slice(0, 4) > day.slice(0, 4)) return 'that is in the future';
  if (hi < YOUNGEST) return `under ${YOUNGEST}: Inner Rung plans for people from ${YOUNGEST} years on`;
  if (lo > OLDEST) return `over ${OLDEST} years ago: check the year`;
  return null;
}

/** "74", or "73–74" where only the year is known; "0" of a birth that is still to come. */
export const ageWords = ({ lo, hi }: Age): string =>
  lo === hi || hi <= 0 ? String(Math.max(0, hi)) : `${Math.max(0, lo)}–${hi}`;

const MONTHS = 'Jan Feb Mar Apr May Jun Jul Aug Sept Oct Nov Dec'.split(' ');

/**
 * A day (YYYY-MM-DD) as it is said: "3 Nov 2026". Not by a calendar of the browser's: its words take as long to load as
 * the rest of a page's script, and every page of people says a day.
 */
export function dayWords(day: string): string {
  const date = new Date(`${day}T00:00:00Z`);
  return `${date.getUTCDate()} ${MONTHS[date.getUTCMonth()]} ${date.getUTCFullYear()}`;
}
