import type { Library } from '@inner-rung/core/ladder';
import { plainText, readSession } from '@inner-rung/core/read';
import { READY_SESSIONS } from '@inner-rung/core/session';
import { libraryOf } from './generated.ts';
import { type Row, row, times } from './measure.ts';

const LINES = 60;
const NAMES = 5000;

/** Sixty lines as a trainer writes them, each with a note of its own every time: none was read before. */
function sixtyLines(library: Library): (i: number) => string {
  const lines = READY_SESSIONS.flatMap((plan) => plainText(library, plan).split('\n')).filter(
    (line) => line !== '' && !/^Rest |:/.test(line),
  );
  const some = lines.filter((_, i) => i % 2 === 0).slice(0, LINES - 1);
  return (i) =>
    [
      `Session ${i}`,
      '40/20 x 3',
      ...some.slice(0, LINES - 2).map((line, k) => `${line} @ ${1 + ((i + k) % 90) / 2} kg`),
    ].join('\n');
}

/** What a trainer pasted, read against a library with thousands of names. */
export function readingRows(library: Library): Row[] {
  const many = libraryOf(NAMES, library);
  const text = sixtyLines(library);
  const typed = text(0);
  const plain = new Map(many.moves.map((move) => [move.name.toLowerCase(), move.id]));
  readSession(many, text(0));
  return [
    row(
      `a letter typed in ${LINES} pasted lines, ${many.moves.length} names: read anew`,
      times(300, (i) => readSession(many, `${typed} ${i}`), 40),
      5,
    ),
    row(
      `${LINES} pasted lines never seen read against ${many.moves.length} names`,
      times(150, (i) => readSession(many, text(i)), 30),
      5,
      {
        name: 'whole lines looked up in a table',
        samples: times(
          60,
          (i) =>
            text(i)
              .split('\n')
              .map((line) => plain.get(line.toLowerCase().trim())),
          20,
        ),
      },
    ),
  ];
}
