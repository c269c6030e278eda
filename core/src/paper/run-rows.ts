import { laneName } from '../class/index.ts';
import { clockText, lengthWords, SEGMENT_KINDS } from '../clock/index.ts';
import type { Use } from '../engine/index.ts';
import type { Library } from '../ladder/index.ts';
import {
  blockName,
  clockOfBlock,
  entriesOf,
  estimateOf,
  factsIn,
  REST_STYLES,
  restStyleIn,
  SHOWING,
  type SheetLine,
  sheetLines,
  showSecondsIn,
  timelineOf,
} from '../session/index.ts';
import { COACH_STOP, formName, restingName, tempoWords, writtenDose } from '../words/index.ts';
import type { Rich } from './page.ts';
import type { ScaledSession } from './planned.ts';
import type { RunRow, RunSheet } from './sheets.ts';

const without = (text: string) => text.replace(/\.$/, '');

/** What somebody does first at an entry, with its dose as written. */
function wordsOf(library: Library, picture: ScaledSession) {
  const entries = entriesOf(picture.plan.blocks);
  const use = (entry: number) => picture.version.uses[entry];
  const moveAt = (entry: number) => library.move(use(entry)?.move ?? entries[entry]!.move);
  const formOf = (of: Use) => formName(library, of.move, of.settings);
  return {
    entries,
    name: (entry: number): string => {
      const own = use(entry);
      if (own) return formOf(own);
      const written = library.move(entries[entry]!.move);
      return own === null || !written ? restingName(library, entries[entry]!.move) : written.name;
    },
    dose: (entry: number): string => {
      const { dose, move } = entries[entry]!;
      return writtenDose(dose, library.move(move)?.sides === 'one');
    },
    tempo: (entry: number): string => {
      const { tempo } = entries[entry]!.dose ?? {};
      return tempo ? tempoWords(tempo) : '';
    },
    cues: (entry: number) => moveAt(entry)?.cues ?? [],
    fault: (entry: number) => moveAt(entry)?.faults[0],
    /** What the inner lanes do, where it differs. */
    lanes: (entry: number): string[] => {
      const own = use(entry);
      const forms = (picture.settled?.lanes.lanes ?? []).flatMap((lane) => {
        const theirs = lane.uses[entry];
        const same =
          theirs?.move === own?.move && JSON.stringify(theirs?.settings) === JSON.stringify(own?.settings);
        return same ? [] : [`${laneName(lane.position)}: ${theirs ? formOf(theirs) : 'easy movement'}`];
      });
      return forms.length > 0 ? [[...new Set(forms)].join(' · ')] : [];
    },
  };
}
type Words = ReturnType<typeof wordsOf>;

const saidAt = (line: SheetLine): string[] =>
  line.says.length > 0 ? [line.says.map((one) => `at ${clockText(one.at)} “${one.words}”`).join(', ')] : [];

/** A stretch without a clock inside: all that is done in it, one under another. */
function together(words: Words, line: SheetLine, lanes: boolean): RunRow[] {
  return [
    {
      at: clockText(line.startSeconds),
      kind: 'work',
      main: [
        { text: `${line.open ? 'about ' : ''}${clockText(line.lengthSeconds)}, ${line.segment.note ?? ''}` },
      ],
      small: saidAt(line),
    },
    ...line.entries.map(
      (entry): RunRow => ({
        at: '',
        kind: 'work',
        main: [
          { text: words.name(entry), bold: true },
          {
            text: `${words.dose(entry) ? `, ${words.dose(entry)}` : ''}. ${words.cues(entry).slice(0, 2).join('. ')}.`,
          },
        ],
        small: lanes ? words.lanes(entry) : [],
      }),
    ),
  ];
}

function pause(words: Words, line: SheetLine, picture: ScaledSession, b: number): RunRow {
  const { segment } = line;
  const { after } = picture.plan.blocks[b]!;
  const last = segment.kind === 'block rest' || segment.kind === 'drink';
  const style = restStyleIn(picture.plan.blocks[b]!, segment);
  const said = [
    `${SEGMENT_KINDS[segment.kind]} ${line.lengthSeconds} s${segment.open ? ` to ${segment.open.hi} s` : ''}`,
    after?.untilReady && last ? ', until they are ready' : '',
    style ? `, ${REST_STYLES[style].says}` : '',
    line.next.length > 0 ? '. Next:' : '',
  ].join('');
  return {
    at: clockText(line.startSeconds),
    kind: segment.kind,
    main: [
      { text: said },
      ...(line.next.length > 0
        ? [{ text: line.next.map((entry) => words.name(entry)).join(', then '), bold: true }]
        : []),
    ],
    small: [],
  };
}

function work(words: Words, line: SheetLine, lanes: boolean): RunRow {
  const { segment } = line;
  // Where the whole stretch is the dose, its length says it already.
  const doseOf = (entry: number) =>
    words.entries[entry]!.dose?.seconds === line.lengthSeconds ? '' : words.dose(entry);
  const main = line.entries.flatMap((entry, k): Rich[] => [
    ...(k > 0 ? [{ text: ', then' }] : []),
    { text: words.name(entry), bold: true },
    ...(doseOf(entry) ? [{ text: `, ${doseOf(entry)}` }] : []),
  ]);
  const length = line.open ? `about ${clockText(line.lengthSeconds)}` : `${line.lengthSeconds} s`;
  const tail = [
    segment.side ? `, ${segment.side} side` : '',
    ` ${length}`,
    segment.note ? `, ${segment.note}` : '',
    segment.round > 0 && !segment.note ? `, round ${segment.round + 1}` : '',
  ].join('');
  // Cues and lanes stand at a station's first time; later rounds are one line.
  const [first] = segment.round === 0 && segment.side !== 'right' ? line.entries : [];
  const small = [...saidAt(line)];
  if (first !== undefined) {
    const fault = words.fault(first);
    small.push(
      [
        words.tempo(first) ? `${words.tempo(first)}.` : '',
        `${words.cues(first).join('. ')}.`,
        fault ? `Watch for: ${without(fault.see).toLowerCase()}. Say “${without(fault.say)}”.` : '',
      ]
        .filter(Boolean)
        .join(' '),
    );
    if (lanes) small.push(...words.lanes(first));
  }
  return { at: clockText(line.startSeconds), kind: 'work', main: [...main, { text: tail }], small };
}

/** A session minute by minute, as it is read aloud: on the screen and on paper from one text. */
export function runSheetOf(library: Library, picture: ScaledSession, lanes: boolean): RunSheet {
  const { plan } = picture;
  const facts = factsIn(library);
  const timeline = timelineOf(plan, facts);
  const words = wordsOf(library, picture);
  const lines = sheetLines(plan, timeline.segments, (entry) => facts(words.entries[entry]!.move).sided);
  return {
    title: plan.title,
    whole: lengthWords(timeline.range),
    notes: plan.notes ?? null,
    blocks: plan.blocks.map((block, b) => {
      const own = lines.filter((line) => line.segment.block === b);
      const time = timeline.blocks[b]!;
      const estimate = estimateOf(plan, b, facts);
      const [only, ...others] = own.filter((line) => line.segment.kind === 'work');
      const inOne = only && others.length === 0 && only.entries.length > 1;
      return {
        at: clockText(time.startSeconds),
        name: blockName(plan.blocks, b),
        about: [
          `${clockOfBlock(block)}, ${lengthWords(time.range)}`,
          ...(estimate ? [`Expect ${estimate.says}.`] : []),
          ...(block.showing
            ? [
                `Show the forms ${SHOWING[block.showing]}: about ${clockText(Math.ceil(showSecondsIn(block) / 10) * 10)}.`,
              ]
            : []),
        ],
        rows: inOne
          ? together(words, only, lanes)
          : own.map((line) =>
              line.segment.kind === 'work' ? work(words, line, lanes) : pause(words, line, picture, b),
            ),
      };
    }),
    stop: COACH_STOP,
  };
}
