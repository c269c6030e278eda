import { useCallback, useState } from 'react';

interface Problem {
  readonly detail?: string;
  readonly fix?: string;
}

/** What the server says of why it didn't, in one line. */
const problemSaid = ({ detail, fix }: Problem): string =>
  [detail ?? 'That didn’t work.', fix ?? ''].join(' ').trim();

/**
 * Asks the server for something that isn't kept in a shelf: null where it didn't do it, and then `wrong` says why.
 * `busy` while an answer is on its way.
 */
export function useAsk(base: string) {
  const [wrong, setWrong] = useState('');
  const [busy, setBusy] = useState(false);
  const ask = useCallback(
    async (path: string, init?: RequestInit): Promise<Response | null> => {
      setBusy(true);
      try {
        const answer = await fetch(`${base}${path}`, init);
        if (answer.ok) {
          setWrong('');
          return answer;
        }
        setWrong(problemSaid((await answer.json()) as Problem));
      } catch {
        setWrong('The server is away. Nothing was changed; try again in a moment.');
      } finally {
        setBusy(false);
      }
      return null;
    },
    [base],
  );
  return { ask, wrong, busy };
}

/** Something sent as JSON. */
export const asJson = (method: 'POST' | 'PUT', body: unknown): RequestInit => ({
  method,
  headers: { 'Content-Type': 'application/json' },
  body: JSON.stringify(body),
});
