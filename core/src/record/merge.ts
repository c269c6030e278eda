/** Names by which an entry of a list is known from one version of the list to the next. */
const KEYS = ['id', 'ladder', 'on', 'at'] as const;

type Plain = Readonly<Record<string, unknown>>;

/** Absent: not the same as a field that says null. */
const ABSENT = Symbol('absent');
const CLASH = Symbol('clash');

const isPlain = (value: unknown): value is Plain =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** Whether two values are written writtenAlike, whatever the order of their fields. */
export function writtenAlike(a: unknown, b: unknown): boolean {
  if (a === b) return true;
  if (Array.isArray(a) && Array.isArray(b))
    return a.length === b.length && a.every((one, i) => writtenAlike(one, b[i]));
  if (!isPlain(a) || !isPlain(b)) return false;
  const [ofA, ofB] = [fieldsOf(a), fieldsOf(b)];
  return ofA.length === ofB.length && ofA.every((field) => field in b && writtenAlike(a[field], b[field]));
}
const fieldsOf = (value: Plain): string[] => Object.keys(value).filter((field) => value[field] !== undefined);
const at = (value: Plain, field: string): unknown => (value[field] === undefined ? ABSENT : value[field]);

/** What entries of all these lists are known by: a field that each has and no two share, or themselves where they are words. */
function keyOf(lists: readonly (readonly unknown[])[]): ((entry: unknown) => string) | null {
  const unique = (key: (entry: unknown) => unknown) =>
    lists.every((list) => {
      const keys = list.map(key);
      return keys.every((one) => typeof one === 'string') && new Set(keys).size === keys.length;
    });
  if (unique((entry) => entry)) return String;
  for (const field of KEYS) {
    const key = (entry: unknown) => (isPlain(entry) ? entry[field] : undefined);
    if (unique(key)) return (entry) => String(key(entry));
  }
  return null;
}

/**
 * The order of a merged list: ours, with what only theirs has put behind what it stands behind there. Null where both
 * put what they share in another order than it had, and not the same one.
 */
function orderOf(
  base: readonly string[],
  mine: readonly string[],
  theirs: readonly string[],
  stays: ReadonlySet<string>,
): readonly string[] | null {
  const common = (keys: readonly string[]) =>
    keys.filter((key) => base.includes(key) && mine.includes(key) && theirs.includes(key));
  const [was, ours, others] = [common(base), common(mine), common(theirs)];
  const moved = (keys: readonly string[]) => !writtenAlike(keys, was);
  if (moved(ours) && moved(others) && !writtenAlike(ours, others)) return null;
  const [first, second] = moved(others) ? [theirs, mine] : [mine, theirs];
  const merged = first.filter((key) => stays.has(key));
  for (const [i, key] of second.entries()) {
    if (!stays.has(key) || merged.includes(key)) continue;
    const before = second.slice(0, i).findLast((one) => merged.includes(one));
    merged.splice(before === undefined ? 0 : merged.indexOf(before) + 1, 0, key);
  }
  return merged;
}

function mergeLists(base: readonly unknown[], mine: readonly unknown[], theirs: readonly unknown[]): unknown {
  const key = keyOf([base, mine, theirs]);
  if (!key) return CLASH;
  const by = (list: readonly unknown[]) => new Map(list.map((entry) => [key(entry), entry]));
  const [was, ours, others] = [by(base), by(mine), by(theirs)];
  const merged = new Map<string, unknown>();
  for (const name of new Set([...ours.keys(), ...others.keys()])) {
    const entry = (of: ReadonlyMap<string, unknown>) => (of.has(name) ? of.get(name) : ABSENT);
    const one = mergeValues(entry(was), entry(ours), entry(others));
    if (one === CLASH) return CLASH;
    if (one !== ABSENT) merged.set(name, one);
  }
  const order = orderOf([...was.keys()], [...ours.keys()], [...others.keys()], new Set(merged.keys()));
  return order ? order.map((name) => merged.get(name)) : CLASH;
}

function mergeFields(base: Plain, mine: Plain, theirs: Plain): unknown {
  const merged: Record<string, unknown> = {};
  for (const field of new Set([...fieldsOf(mine), ...fieldsOf(theirs)])) {
    const one = mergeValues(at(base, field), at(mine, field), at(theirs, field));
    if (one === CLASH) return CLASH;
    if (one !== ABSENT) merged[field] = one;
  }
  return merged;
}

function mergeValues(base: unknown, mine: unknown, theirs: unknown): unknown {
  if (writtenAlike(mine, theirs) || writtenAlike(theirs, base)) return mine;
  if (writtenAlike(mine, base)) return theirs;
  if (isPlain(base) && isPlain(mine) && isPlain(theirs)) return mergeFields(base, mine, theirs);
  if (Array.isArray(base) && Array.isArray(mine) && Array.isArray(theirs))
    return mergeLists(base, mine, theirs);
  return CLASH;
}

/**
 * Two versions of a document, both made from a third, as one in which all that either changed is changed: field by
 * field, entry by entry. Null where both changed the same thing, each in its own way, or where one took away what the
 * other changed: somebody has to look. `together` are fields that are decided as one: where each side changed one of
 * them, that is a clash too.
 */
export function merged<T extends object>(
  base: T,
  mine: T,
  theirs: T,
  together: readonly (readonly string[])[] = [],
): T | null {
  const [was, ours, others] = [base, mine, theirs] as unknown as readonly [Plain, Plain, Plain];
  for (const fields of together) {
    const part = (of: Plain) => Object.fromEntries(fields.map((field) => [field, of[field]]));
    const [b, m, t] = [part(was), part(ours), part(others)];
    if (!writtenAlike(m, b) && !writtenAlike(t, b) && !writtenAlike(m, t)) return null;
  }
  const whole = mergeFields(was, ours, others);
  return whole === CLASH ? null : (whole as T);
}
