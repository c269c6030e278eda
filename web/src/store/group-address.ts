import { useEffect } from 'react';
import { useSearchParams } from 'react-router';
import { useSend } from './index.ts';
import { groupChosen } from './view-slice.ts';

/** An address may say for which group: taken once, then out of the address. */
export function useGroupFromAddress(): void {
  const [search, setSearch] = useSearchParams();
  const send = useSend();
  const asked = search.get('group');
  useEffect(() => {
    if (asked === null) return;
    send(groupChosen(asked));
    setSearch(
      (now) => {
        now.delete('group');
        return now;
      },
      { replace: true },
    );
  }, [asked, send, setSearch]);
}
