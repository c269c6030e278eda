import { LEVELS } from './ability.ts';
import { bornFault } from './age.ts';
import { ACTIVITY } from './capacity.ts';
import { CONDITION_IDS, CONDITIONS, type ConditionId, conditionOf } from './conditions.ts';
import type { Side } from './limits.ts';
import { PERSON_EXAMPLE, PERSON_KINDS, type Person, personSchema } from './person.ts';

/** The columns of a table of people, in the order in which they are written. */
export const COLUMNS = [
  'name',
  'born',
  'kind',
  'sex',
  'activity',
  'mass kg',
  'height cm',
  'resting rate',
  'level',
  'conditions',
  'goals',
  'notes',
  'emergency name',
  'emergency phone',
] as const;
export type Column = (typeof COLUMNS)[number];
export type Cells = Readonly<Partial<Record<Column, string>>>;

/** Other headings that mean a column. */
const ALSO: Readonly<Record<string, Column>> = {
  'full name': 'name',
  person: 'name',
  client: 'name',
  'date of birth': 'born',
  'birth date': 'born',
  birthdate: 'born',
  dob: 'born',
  'year of birth': 'born',
  'birth year': 'born',
  year: 'born',
  gender: 'sex',
  weight: 'mass kg',
  'weight kg': 'mass kg',
  mass: 'mass kg',
  height: 'height cm',
  'resting heart rate': 'resting rate',
  pulse: 'resting rate',
  condition: 'conditions',
  health: 'conditions',
  goal: 'goals',
  note: 'notes',
  'emergency contact': 'emergency name',
  phone: 'emergency phone',
};

/** The column a heading stands for; null where it is none of ours. */
export function columnOf(heading: string): Column | null {
  const plain = heading
    .replace(/^\uFEFF/, '')
    .toLowerCase()
    .replace(/[^a-z]+/g, ' ')
    .trim();
  return (COLUMNS as readonly string[]).includes(plain) ? (plain as Column) : (ALSO[plain] ?? null);
}

const heldWords = (held: Person['conditions'][number]) =>
  `${CONDITIONS[held.id].name}${held.side === 'both' ? '' : ` (${held.side})`}`;

/** A person as a row of the table: what a spreadsheet is for, not tests or placements. */
export function cellsOf(person: Person): Record<Column, string> {
  const words = (value: number | undefined) => (value === undefined ? '' : String(value));
  return {
    name: person.name,
    born: person.born,
    kind: person.kind,
    sex: person.sex ?? '',
    activity: person.activity ?? '',
    'mass kg': words(person.massKg),
    'height cm': words(person.heightCm),
    'resting rate': words(person.restingRate),
    level: LEVELS[person.assumedLevel].name,
    conditions: person.conditions.map(heldWords).join('; '),
    goals: person.goals,
    notes: person.notes,
    'emergency name': person.emergency?.name ?? '',
    'emergency phone': person.emergency?.phone ?? '',
  };
}

export interface RowFate {
  /** Line of the file, the heading being line 1. */
  readonly line: number;
  readonly is: 'new' | 'here already' | 'twice in the file' | 'refused' | 'empty';
  /** What the row comes to; null where it is refused or empty. */
  readonly person: Person | null;
  /** What is wrong, by column. */
  readonly problems: readonly { readonly column: Column; readonly says: string }[];
}

const BY_NAME = new Map<string, ConditionId>(
  CONDITION_IDS.flatMap((id): [string, ConditionId][] => [
    [id, id],
    [CONDITIONS[id].name.toLowerCase(), id],
  ]),
);

function readConditions(cell: string): { held: Person['conditions']; unknown: string[] } {
  const held: Person['conditions'] = [];
  const unknown: string[] = [];
  for (const piece of cell.split(/;|\|/).map((p) => p.trim())) {
    if (!piece) continue;
    const [, name, side] = /^(.*?)\s*(?:\((left|right|both)\))?$/i.exec(piece)!;
    const id = BY_NAME.get(name!.toLowerCase());
    if (!id) unknown.push(piece);
    else held.push({ id, side: conditionOf(id).sided ? ((side?.toLowerCase() ?? 'both') as Side) : 'both' });
  }
  return { held, unknown };
}

const FIELD: Readonly<Record<string, Column>> = {
  name: 'name',
  born: 'born',
  massKg: 'mass kg',
  heightCm: 'height cm',
  restingRate: 'resting rate',
  goals: 'goals',
  notes: 'notes',
  emergency: 'emergency name',
};

function readRow(
  cells: Cells,
  id: string,
  day: string,
): { person: Person | null; problems: RowFate['problems'] } {
  const problems: { column: Column; says: string }[] = [];
  const text = (column: Column) => cells[column]?.trim() ?? '';
  const oneOf = <T extends string>(column: Column, of: readonly T[]): T | undefined => {
    const said = text(column).toLowerCase();
    if (!said) return undefined;
    const found =
      of.find((one) => one === said) ?? (column === 'sex' ? of.find((one) => one[0] === said) : undefined);
    if (!found) problems.push({ column, says: `“${text(column)}” is none of: ${of.join(', ')}` });
    return found;
  };
  const figure = (column: Column): number | undefined => {
    const said = text(column);
    if (!said) return undefined;
    const value = Number(said.replace(',', '.'));
    if (Number.isFinite(value)) return value;
    problems.push({ column, says: `“${said}” is not a number` });
    return undefined;
  };
  const born = text('born');
  const fault = born === '' ? 'a year or date of birth is needed' : bornFault(born, day);
  if (fault) problems.push({ column: 'born', says: fault });
  if (text('name') === '') problems.push({ column: 'name', says: 'a name or initials is needed' });
  const said = text('level').toLowerCase();
  const level = said === '' ? 0 : LEVELS.findIndex((l) => l.name.toLowerCase() === said || l.id === said);
  if (level < 0)
    problems.push({
      column: 'level',
      says: `“${text('level')}” is none of: ${LEVELS.map((l) => l.name).join(', ')}`,
    });
  const { held, unknown } = readConditions(text('conditions'));
  for (const one of unknown)
    problems.push({ column: 'conditions', says: `“${one}” is not in the list; separate several with ;` });
  const optional = {
    sex: oneOf('sex', ['female', 'male'] as const),
    activity: oneOf(
      'activity',
      ACTIVITY.map((a) => a.id),
    ),
    massKg: figure('mass kg'),
    heightCm: figure('height cm'),
    restingRate: figure('resting rate'),
    emergency:
      text('emergency name') || text('emergency phone')
        ? { name: text('emergency name'), phone: text('emergency phone') }
        : undefined,
  };
  const kind = oneOf('kind', PERSON_KINDS) ?? 'beginner';
  if (problems.length > 0) return { person: null, problems };
  const read = personSchema.safeParse({
    ...PERSON_EXAMPLE,
    ...Object.fromEntries(Object.entries(optional).filter(([, value]) => value !== undefined)),
    id,
    name: text('name'),
    born,
    kind,
    assumedLevel: level,
    conditions: held,
    goals: text('goals'),
    notes: text('notes'),
  });
  if (read.success) return { person: read.data, problems };
  return {
    person: null,
    problems: read.error.issues.map((issue) => ({
      column: FIELD[String(issue.path[0])] ?? 'name',
      says: issue.message,
    })),
  };
}

const same = (person: Person) => `${person.name.toLowerCase()} ${person.born}`;

/**
 * What would become of every row of a table: a new person, one who is here already (same name and
 * birth), one that stands twice in the file, or refused with what is wrong in which column. Nothing is
 * written; `newId` gives the id of the row's person.
 */
export function readPeople(
  rows: readonly Cells[],
  here: readonly Person[],
  day: string,
  newId: (row: number) => string,
): RowFate[] {
  const known = new Set(here.map(same));
  const seen = new Set<string>();
  return rows.map((cells, row): RowFate => {
    const line = row + 2;
    if (Object.values(cells).every((cell) => (cell ?? '').trim() === ''))
      return { line, is: 'empty', person: null, problems: [] };
    const { person, problems } = readRow(cells, newId(row), day);
    if (!person) return { line, is: 'refused', person, problems };
    const key = same(person);
    const is = known.has(key) ? 'here already' : seen.has(key) ? 'twice in the file' : 'new';
    seen.add(key);
    return { line, is, person, problems };
  });
}
