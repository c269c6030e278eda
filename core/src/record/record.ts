import type * as z from 'zod';

/** Kinds of documents, by the name that a stored row has. */
export type RecordKindId = 'plan' | 'person' | 'group' | 'room' | 'record' | 'change' | 'review';

/**
 * A place in a document where another one is named by its id. `at` goes by fields, `[]` for every entry of a list:
 * "results[].person". Once what it names is erased for good, the field becomes null, is left out, or the entry of the
 * list that it stands in is dropped. What is merely deleted may be brought back, so that its name stays.
 */
interface Reference {
  readonly to: RecordKindId;
  readonly at: string;
  readonly erased: 'null' | 'omit' | 'drop';
}

/** A stored kind of thing, whole: its schema, how yesterday's shape becomes today's, and whom it names. */
export interface RecordKind<T extends { version: number }> {
  readonly kind: RecordKindId;
  /** Its place in an address: /api/people. */
  readonly collection: string;
  /** As it is called in a sentence. */
  readonly name: string;
  readonly schema: z.ZodType<T>;
  readonly version: number;
  /** `upgrades[n]` turns version n into n + 1. */
  readonly upgrades: Readonly<Record<number, (old: Record<string, unknown>) => Record<string, unknown>>>;
  readonly references: readonly Reference[];
  /** The least complete one that opens. */
  readonly example: T;
  /**
   * Fields that are decided together: where two people each changed one of them, nobody but a third look can say what
   * holds, and nothing is merged.
   */
  readonly together?: readonly (readonly string[])[];
}

/** A kind of record whose type nobody asks for: what loops over all kinds has. */
export type AnyRecordKind = RecordKind<{ version: number }>;

export type Opened<T> =
  | { ok: true; value: T }
  /** `newer`: nothing is wrong with it; a later version of the program wrote it. */
  | { ok: false; where: string; message: string; newer?: true };

/** Opens something stored or sent, upgrading it step by step. Never throws: an upgrade that can't is a fault said. */
export function openRecord<T extends { version: number }>(
  kind: Pick<RecordKind<T>, 'name' | 'schema' | 'version' | 'upgrades'>,
  raw: unknown,
): Opened<T> {
  if (typeof raw !== 'object' || raw === null || Array.isArray(raw))
    return { ok: false, where: '(top)', message: `a ${kind.name} is an object` };
  let value = raw as Record<string, unknown>;
  let version = value['version'];
  if (typeof version !== 'number' || !Number.isInteger(version) || version < 1)
    return { ok: false, where: 'version', message: 'a whole number from 1 is needed' };
  if (version > kind.version)
    return {
      ok: false,
      newer: true,
      where: 'version',
      message: `this ${kind.name} was saved by a newer Inner Rung (version ${version}; this one reads up to ${kind.version})`,
    };
  while (version < kind.version) {
    const upgrade = kind.upgrades[version];
    if (!upgrade) return { ok: false, where: 'version', message: `version ${version} can’t be upgraded` };
    try {
      value = { ...upgrade(value), version: version + 1 };
    } catch {
      return {
        ok: false,
        where: '(top)',
        message: `this isn’t a ${kind.name} of version ${version}: something in it is missing or of another kind`,
      };
    }
    version++;
  }
  const read = kind.schema.safeParse(value);
  if (read.success) return { ok: true, value: read.data };
  const first = read.error.issues[0]!;
  return { ok: false, where: first.path.join('.') || '(top)', message: first.message };
}

/** "results[].person" as its steps: results, [], person. */
const stepsOf = (at: string): string[] =>
  at.split('.').flatMap((part) => (part.endsWith('[]') ? [part.slice(0, -2), '[]'] : [part]));

/** Ids of a kind that a document names, by the references of its own kind. Reads plain JSON of any version. */
export function namedIn(
  { references }: Pick<AnyRecordKind, 'references'>,
  body: unknown,
  kind: RecordKindId,
): string[] {
  const found = (value: unknown, [step, ...rest]: readonly string[]): string[] => {
    if (step === undefined) return typeof value === 'string' ? [value] : [];
    if (step === '[]') return Array.isArray(value) ? value.flatMap((one) => found(one, rest)) : [];
    if (typeof value !== 'object' || value === null || !(step in value)) return [];
    return found((value as Record<string, unknown>)[step], rest);
  };
  return references.filter(({ to }) => to === kind).flatMap(({ at }) => found(body, stepsOf(at)));
}

const GONE = Symbol('gone');

/** A value with what lies at a path taken out where it is the id; {@link GONE} where its list's entry is to go. */
function strip(value: unknown, path: readonly string[], erased: Reference['erased'], id: string): unknown {
  const [step, ...rest] = path;
  if (step === undefined) return value === id ? GONE : value;
  if (step === '[]') {
    if (!Array.isArray(value)) return value;
    const kept = value.map((one) => strip(one, rest, erased, id));
    return kept.some((one, i) => one !== value[i]) ? kept.filter((one) => one !== GONE) : value;
  }
  if (typeof value !== 'object' || value === null || Array.isArray(value) || !(step in value)) return value;
  const inner = (value as Record<string, unknown>)[step];
  const now = strip(inner, rest, erased, id);
  if (now === inner) return value;
  if (now !== GONE) return { ...value, [step]: now };
  if (erased === 'drop') return GONE;
  if (erased === 'null') return { ...value, [step]: null };
  const { [step]: _, ...without } = value as Record<string, unknown>;
  return without;
}

/**
 * A document in which nothing names an erased one any more, by the references of its kind; the same object where it
 * named it nowhere. Reads plain JSON of any version: a place that isn't there names nobody.
 */
export function withoutErased(
  { references }: Pick<AnyRecordKind, 'references'>,
  body: unknown,
  erased: { readonly kind: RecordKindId; readonly id: string },
): unknown {
  return references
    .filter((reference) => reference.to === erased.kind)
    .reduce((now, { at, erased: how }) => strip(now, stepsOf(at), how, erased.id), body);
}
