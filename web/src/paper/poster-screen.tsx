import { shownFor } from '@inner-rung/core/figure';
import { stepWords } from '@inner-rung/core/ladder';
import { ladderPoster, type SizeId } from '@inner-rung/core/paper';
import { formName } from '@inner-rung/core/words';
import { useMemo, useState } from 'react';
import { useParams } from 'react-router';
import { useShelf } from '../store/data.ts';
import { Missing } from '../ui/missing.tsx';
import { ServerAway, Waiting } from '../ui/shell.tsx';
import { PaperShell, SizeChoice, useType } from './paper-shell.tsx';

/** A ladder on one page for a wall: its rungs with their figures, the top one at the top. */
export default function PosterScreen() {
  const { id = '' } = useParams();
  const { library, failed } = useShelf();
  const [size, setSize] = useState<SizeId>('A4');
  const type = useType();
  const ladder = library?.ladder(id);
  const pages = useMemo(() => {
    if (!library || !ladder || !type) return null;
    const rungs = ladder.rungs.map((rung, i) => {
      const shown = shownFor(library, rung);
      return {
        name: formName(library, rung.move, rung.settings),
        step: rung.step ?? stepWords(library, ladder.rungs, i).join(', '),
        figure: shown && !shown.like ? shown.figure : null,
      };
    });
    return ladderPoster({ name: ladder.name, intent: ladder.intent, rungs }, size, type.measure);
  }, [library, ladder, type, size]);
  if (failed) return <ServerAway />;
  if (!library) return <Waiting />;
  if (!ladder) return <Missing here="ladders" title="No such ladder" to="/ladders" way="See all ladders" />;
  return (
    <PaperShell
      title={ladder.name}
      name={`${id}.pdf`}
      pages={pages}
      lacks={type?.lacks}
      back={{ to: `/ladders/${id}`, says: 'The ladder' }}
    >
      <SizeChoice size={size} onSize={setSize} />
    </PaperShell>
  );
}
