/** What can be done of which a trace is kept, as the trail says it: "Ines changed …". */
const DEEDS = {
  saw: 'saw',
  changed: 'changed',
  made: 'made',
  deleted: 'deleted',
  erased: 'erased',
  printed: 'printed',
  exported: 'saved to a file',
  began: 'began a run with',
  'signed in': 'signed in',
  'signed out': 'signed out',
  refused: 'was refused:',
  'kept a copy': 'kept a copy of everything',
  'took a copy out': 'took a copy out as a file',
  'brought in a copy': 'brought in a copy from elsewhere',
  'brought back a copy': 'brought back a copy',
  'changed the team': 'changed the team:',
  'opened the network': 'let other devices in',
  'shut the network': 'shut other devices out',
} as const;
export type Deed = keyof typeof DEEDS;

/** One line of the trail as it is told. */
export interface TrailLine {
  readonly number: number;
  /** Milliseconds since 1970. */
  readonly at: number;
  /** Whoever it was, by name; null at the machine without a team. */
  readonly who: string | null;
  /** Where they were: this machine, or an address on the network. */
  readonly from: string;
  readonly deed: Deed;
  /** The kind of document; null where it is about none. */
  readonly kind: string | null;
  /** Its id; null once it is erased, or where there is none. */
  readonly of: string | null;
  /** What of it: fields, a page, a file; empty once it is erased. */
  readonly what: readonly string[];
  /** What it was about has been erased: that it happened stays. */
  readonly gone: boolean;
}

/** "birthYear" as it is said: "birth year". What isn't one word stands as it is. */
const spoken = (field: string): string =>
  /^[a-zA-Z]+$/.test(field) ? field.replace(/([a-z])([A-Z])/g, '$1 $2').toLowerCase() : field;

/** "changed conditions and limits of Rosa"; the name is asked for, since ids are nobody's business on a page. */
export function deedSaid(line: TrailLine, nameOf: (kind: string, id: string) => string | null): string {
  const what = line.what.map(spoken);
  const listed = what.length > 1 ? `${what.slice(0, -1).join(', ')} and ${what.at(-1)!}` : (what[0] ?? '');
  const whom = line.gone
    ? 'somebody since erased'
    : line.kind !== null && line.of !== null
      ? (nameOf(line.kind, line.of) ?? 'what is no longer here')
      : '';
  const parts = listed && whom ? `${listed} of ${whom}` : listed || whom;
  return parts ? `${DEEDS[line.deed]} ${parts}` : DEEDS[line.deed];
}

/** Top-level fields that differ between two bodies of a document, in the order they stand. */
export function fieldsChanged(before: object, after: object): string[] {
  const [was, is] = [before as Record<string, unknown>, after as Record<string, unknown>];
  const fields = new Set([...Object.keys(was), ...Object.keys(is)]);
  return [...fields].filter((field) => JSON.stringify(was[field]) !== JSON.stringify(is[field]));
}
