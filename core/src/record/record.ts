import type { z } from 'zod';

/** A stored kind of thing: its schema, and how yesterday's shape becomes today's. */
export interface RecordKind<T extends { version: number }> {
  readonly name: string;
  readonly schema: z.ZodType<T>;
  readonly version: number;
  /** `upgrades[n]` turns version n into n + 1. */
  readonly upgrades: Readonly<Record<number, (old: Record<string, unknown>) => Record<string, unknown>>>;
}

export type Opened<T> = { ok: true; value: T } | { ok: false; where: string; message: string };

/** Opens something stored or sent, upgrading it step by step. Never throws. */
export function openRecord<T extends { version: number }>(kind: RecordKind<T>, raw: unknown): Opened<T> {
  if (typeof raw !== 'object' || raw === null || Array.isArray(raw))
    return { ok: false, where: '(top)', message: `a ${kind.name} is an object` };
  let value = raw as Record<string, unknown>;
  let version = value['version'];
  if (typeof version !== 'number' || !Number.isInteger(version) || version < 1)
    return { ok: false, where: 'version', message: 'a whole number from 1 is needed' };
  if (version > kind.version)
    return {
      ok: false,
      where: 'version',
      message: `this ${kind.name} was saved by a newer Inner Rung (version ${version}; this one reads up to ${kind.version})`,
    };
  while (version < kind.version) {
    const upgrade = kind.upgrades[version];
    if (!upgrade) return { ok: false, where: 'version', message: `version ${version} can’t be upgraded` };
    value = { ...upgrade(value), version: version + 1 };
    version++;
  }
  const read = kind.schema.safeParse(value);
  if (read.success) return { ok: true, value: read.data };
  const first = read.error.issues[0]!;
  return { ok: false, where: first.path.join('.') || '(top)', message: first.message };
}
