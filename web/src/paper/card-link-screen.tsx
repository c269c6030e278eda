import type { PersonCard } from '@inner-rung/core/paper';
import { useEffect, useState } from 'react';
import { useParams } from 'react-router';
import { MoveFigure } from '../ui/move-figure.tsx';
import { Waiting } from '../ui/shell.tsx';

/** A card as it was printed, on the phone that has read its code. */
export default function CardLinkScreen() {
  const { token = '' } = useParams();
  const [card, setCard] = useState<PersonCard | null>(null);
  const [wrong, setWrong] = useState<string | null>(null);
  useEffect(() => {
    fetch(`/api/c/${encodeURIComponent(token)}`)
      .then(async (answer) => {
        const said = (await answer.json()) as PersonCard & { detail?: string };
        if (answer.ok) setCard(said);
        else setWrong(said.detail ?? 'This code leads nowhere.');
      })
      .catch(() =>
        setWrong('The trainer’s machine can’t be reached from here. Be on the same network, and try again.'),
      );
  }, [token]);
  if (wrong)
    return (
      <main className="grid min-h-dvh place-items-center p-6 text-center">
        <div>
          <h1 className="text-3xl">No card here</h1>
          <p className="mt-2">{wrong}</p>
        </div>
      </main>
    );
  if (!card) return <Waiting />;
  return (
    <main className="mx-auto max-w-xl px-4 py-4 text-lg">
      <h1 className="text-3xl">{card.name}</h1>
      <p>
        {card.session}, {card.whole}
      </p>
      <p className="mt-1">{card.effort}</p>
      {card.care.map((line) => (
        <p key={line} className="mt-1 border-l-4 border-primary pl-3 font-semibold">
          {line}
        </p>
      ))}
      {card.ready.length > 0 && <p className="mt-1">Have ready: {card.ready.join(', ')}.</p>}
      <ol className="mt-2 border-t-2 border-base-300">
        {card.lines.map((line, i) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: a line is its place
          <li key={i} className="border-b-2 border-base-300 py-2">
            <div className="flex items-baseline gap-3">
              <span className="display min-w-6 text-2xl text-primary">{line.number}</span>
              <h2 className="min-w-0 flex-1 text-xl leading-tight">{line.form}</h2>
              <span>{line.dose}</span>
            </div>
            {line.figure && (
              <MoveFigure
                shown={{ figure: line.figure, like: null, repSeconds: null, alternates: false }}
                name={line.form}
                className="my-1 h-28 max-w-full"
              />
            )}
            {line.cues.map((cue) => (
              <p key={cue}>{cue}</p>
            ))}
            <p className="quiet text-base">
              {[line.easier ? `easier: ${line.easier}` : '', line.harder ? `harder: ${line.harder}` : '']
                .filter(Boolean)
                .join(' · ')}
            </p>
          </li>
        ))}
      </ol>
      <p className="mt-3 text-base">{card.stop}</p>
    </main>
  );
}
