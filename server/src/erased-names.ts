import { createHash, randomBytes } from 'node:crypto';
import type { Db } from './database.ts';

const sql = String.raw;

/** What stands for a document where its id may not: a hash by a salt of this database, kept after it is erased. */
export function erasedNames(db: Db) {
  const setting = db.prepare<[string], { value: string }>(sql`SELECT value FROM setting WHERE key = ?`);
  const set = db.prepare(sql`INSERT INTO setting (key, value) VALUES (?, ?)`);
  return {
    hashOf(kind: string, id: string): string {
      let salt = setting.get('erased-salt')?.value;
      if (!salt) {
        salt = randomBytes(16).toString('hex');
        set.run('erased-salt', salt);
      }
      return createHash('sha256').update(`${salt}/${kind}/${id}`).digest('hex');
    },
  };
}
export type ErasedNames = ReturnType<typeof erasedNames>;
