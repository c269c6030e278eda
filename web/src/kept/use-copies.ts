import { useCallback, useEffect, useState } from 'react';
import { asJson, useAsk } from '../store/use-ask.ts';
import { saveFile } from '../ui/save-file.ts';

/** A copy of everything, as the server lists it. */
export interface Copy {
  readonly name: string;
  readonly at: string;
  readonly reason: 'start' | 'daily' | 'asked' | 'before-update' | 'before-restoring' | 'brought-in';
  readonly bytes: number;
  readonly counts: Readonly<
    Record<'people' | 'sessions' | 'groups' | 'rooms' | 'records' | 'runs', number>
  > | null;
}

const base64 = (text: string) => btoa(String.fromCharCode(...new TextEncoder().encode(text)));

/** Copies that are kept, and what may be done with them; `wrong` is what the last of it came to where it failed. */
export function useCopies() {
  const [copies, setCopies] = useState<readonly Copy[] | null>(null);
  const { ask, wrong, busy } = useAsk('/api/copies');
  const look = useCallback(async () => {
    const answer = await ask('');
    setCopies(answer ? ((await answer.json()) as Copy[]) : []);
  }, [ask]);
  useEffect(() => void look(), [look]);

  return {
    copies,
    wrong,
    busy,
    make: async () => {
      if (await ask('', { method: 'POST' })) await look();
    },
    /** Everything as it was then. The page begins anew: what it holds is of before. */
    restore: async (copy: Copy) => {
      if (await ask(`/${copy.name}/restore`, { method: 'POST' })) window.location.assign('/circuits');
    },
    /** A sealed file, handed to the browser to save. */
    file: async (copy: Copy, passphrase: string): Promise<boolean> => {
      const answer = await ask(`/${copy.name}/file`, asJson('POST', { passphrase }));
      if (!answer) return false;
      const name = `${copy.name.replace(/\.sqlite$/, '')}.inner-rung`;
      saveFile(name, 'application/octet-stream', await answer.blob());
      return true;
    },
    bringIn: async (file: File, passphrase: string): Promise<boolean> => {
      const answer = await ask('/file', {
        method: 'POST',
        headers: { 'Content-Type': 'application/octet-stream', 'X-Passphrase': base64(passphrase) },
        body: file,
      });
      if (answer) await look();
      return answer !== null;
    },
  };
}
