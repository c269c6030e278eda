import { useCallback, useEffect, useState } from 'react';
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

interface Problem {
  readonly detail?: string;
  readonly fix?: string;
}

const base64 = (text: string) => btoa(String.fromCharCode(...new TextEncoder().encode(text)));

/** Copies that are kept, and what may be done with them; `wrong` is what the last of it came to where it failed. */
export function useCopies() {
  const [copies, setCopies] = useState<readonly Copy[] | null>(null);
  const [wrong, setWrong] = useState('');
  const [busy, setBusy] = useState(false);

  const ask = useCallback(async (path: string, init?: RequestInit): Promise<Response | null> => {
    setBusy(true);
    try {
      const answer = await fetch(`/api/copies${path}`, init);
      if (answer.ok) {
        setWrong('');
        return answer;
      }
      const said = (await answer.json()) as Problem;
      setWrong([said.detail ?? 'That didn’t work.', said.fix ?? ''].join(' ').trim());
    } catch {
      setWrong('The server is away. Nothing was changed; try again in a moment.');
    } finally {
      setBusy(false);
    }
    return null;
  }, []);
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
      const answer = await ask(`/${copy.name}/file`, {
        method: 'POST',
        headers: { 'Content-Type': 'application/json' },
        body: JSON.stringify({ passphrase }),
      });
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
