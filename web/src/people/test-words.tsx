import {
  type Assessment,
  type Person,
  rungShare,
  type TestCard,
  type TestId,
  testCard,
} from '@inner-rung/core/person';
import { useBars } from '../features/use-bars.ts';
import type { PersonPage } from '../features/use-person.ts';
import { newId, today } from '../store/day.ts';
import { FindRung } from './find-rung.tsx';

export const unitOf = (card: TestCard): string => {
  const { takes } = card;
  return takes.by === 'counter' || takes.by === 'number' || takes.by === 'stopwatch'
    ? takes.unit
    : takes.by === 'stages'
      ? 's in all'
      : takes.by === 'ticks'
        ? `of ${takes.ticks.length}`
        : takes.by === 'rungs'
          ? '% of body mass'
          : '';
};

export const resultWords = (one: Assessment): string => {
  const card = testCard(one.test);
  const { takes } = card;
  const value = takes.by === 'choice' ? takes.choices[one.value] : `${one.value} ${unitOf(card)}`;
  const help = one.help === undefined ? '' : `, ${card.help?.[one.help]}`;
  return `${value}${help}${one.side && one.side !== 'both' ? `, ${one.side}` : ''}`;
};

/** The rung found is the result: how much of the body mass it asks for, so that later ones compare. */
export function RungTest(props: { page: PersonPage; test: TestId; ladder: string }) {
  const { library, person } = props.page;
  const bars = useBars(library, person, null, 'limits');
  const ladder = library.ladder(props.ladder);
  if (!ladder) return null;
  const result = (placed: Person, rung: number): Person => {
    const share = rungShare(library, ladder, rung);
    return share === null
      ? placed
      : {
          ...placed,
          assessments: [
            ...placed.assessments,
            { id: newId('test'), test: props.test, on: today(), value: share },
          ],
        };
  };
  return <FindRung page={props.page} ladder={ladder} bars={bars} onFound={result} />;
}
