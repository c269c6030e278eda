import type { PersonCard } from '@inner-rung/core/paper';
import { useEffect, useState } from 'react';
import { qrCells } from '../ui/qr-cells.ts';

export type Codes =
  | { readonly is: 'off' }
  | { readonly is: 'making' }
  | { readonly is: 'made'; readonly cells: readonly (readonly string[])[] }
  | { readonly is: 'not'; readonly says: string };

interface Network {
  readonly on: boolean;
  readonly addresses: readonly string[];
}

/**
 * A code for each card that opens it on the local network, where the trainer has let that in and wants codes; in the
 * order of the cards. Cards made again after a change have codes of their own.
 */
export function useCardCodes(
  cards: readonly PersonCard[] | null,
  people: readonly string[],
  wanted: boolean,
): Codes {
  const [codes, setCodes] = useState<Codes>({ is: 'off' });
  useEffect(() => {
    if (!wanted || !cards) {
      setCodes({ is: 'off' });
      return;
    }
    let stale = false;
    setCodes({ is: 'making' });
    const make = async (): Promise<Codes> => {
      const network = (await (await fetch('/api/network')).json()) as Network;
      const [base] = network.addresses;
      if (!network.on || !base)
        return {
          is: 'not',
          says: 'The local network is shut. Open it under a run’s “Other devices”, then a code can open a card.',
        };
      const answer = await fetch('/api/cards', {
        method: 'POST',
        headers: { 'Content-Type': 'application/json' },
        body: JSON.stringify({ cards: cards.map((card, i) => ({ person: people[i] ?? 'somebody', card })) }),
      });
      const said = (await answer.json()) as { tokens?: string[]; detail?: string };
      return said.tokens
        ? { is: 'made', cells: said.tokens.map((token) => qrCells(`${base}/c/${token}`)) }
        : { is: 'not', says: said.detail ?? 'The codes couldn’t be made.' };
    };
    make()
      .catch((): Codes => ({ is: 'not', says: 'The server is away: no codes.' }))
      .then((made) => {
        if (!stale) setCodes(made);
      });
    return () => {
      stale = true;
    };
  }, [cards, people, wanted]);
  return codes;
}
