import { FIGURES, shownFor } from '@inner-rung/core/figure';
import { checkLadder, type LadderFinding, writtenMove } from '@inner-rung/core/ladder';
import { findingsOf } from '@inner-rung/core/mechanics';
import {
  DEMAND_KEYS,
  DEMANDS,
  type Demand,
  type DemandKey,
  LEVER_IDS,
  LEVERS,
  type LeverId,
  type Move,
  moveSchema,
} from '@inner-rung/core/move';
import type { Figure } from '@inner-rung/core/pose';
import { Pencil } from 'lucide-react';
import { useMemo, useState } from 'react';
import { Link, useParams } from 'react-router';
import { useOwn, useShelf } from '../store/data.ts';
import { changes } from '../store/index.ts';
import { Num, Text } from '../ui/fields.tsx';
import { Missing } from '../ui/missing.tsx';
import { MoveFigure } from '../ui/move-figure.tsx';
import { PartsHeader } from '../ui/parts-header.tsx';
import { SaveLine } from '../ui/save-line.tsx';
import { ServerAway, Waiting } from '../ui/shell.tsx';
import { FigureEditor } from './figure-editor.tsx';
import { Findings } from './findings.tsx';
import { useEdits } from './use-edits.ts';

/** What a drawing begins with where nothing is like the move. */
const shownStanding = (): Figure => FIGURES['feet-together-stand']!(0);

/** Edits a move field by field: what is well formed is kept at once, what isn't is told beside the field. */
export default function MoveEditScreen() {
  const { id = '' } = useParams();
  const { library, failed } = useShelf();
  const { reference } = useOwn();
  const edits = useEdits(reference, library);
  const [problem, setProblem] = useState<{ field: string; message: string } | null>(null);
  const move = library?.move(id);
  const demand = library?.demand.get(id);
  const findings = useMemo(
    () =>
      library && move
        ? library.ladders
            .filter((l) => l.rungs.some((rung) => rung.move === move.id))
            .flatMap((l) =>
              checkLadder(library, l)
                .filter((f) => f.rung !== null && f.severity !== 'note')
                .filter((f) => [f.rung! - 1, f.rung!].some((i) => l.rungs[i]?.move === move.id))
                .map((f): LadderFinding => ({ ...f, says: `${l.name}: ${f.says}`, fix: null })),
            )
        : [],
    [library, move],
  );
  if (failed) return <ServerAway />;
  if (!library || !reference) return <Waiting />;
  if (!move || !demand)
    return <Missing here="ladders" title="No such move" to="/ladders" way="See all ladders" />;

  /** Keeps a change where the whole move is still well formed; says what is wrong where it isn't. */
  const put = (
    field: string,
    patch: Partial<Move>,
    figures: Partial<Demand> = {},
    says = `Edit ${field}…`,
  ): boolean => {
    const nextDemand = { ...demand, ...figures } as Demand;
    const next = writtenMove(library, { ...move, ...patch } as Move, nextDemand);
    const read = moveSchema.safeParse(next);
    if (!read.success) {
      setProblem({ field, message: read.error.issues[0]!.message });
      return false;
    }
    setProblem(null);
    edits.keep(says, [], [{ move: read.data, demand: nextDemand }]);
    return true;
  };
  const wrong = (field: string) =>
    problem?.field === field ? (
      <span role="alert" className="block text-sm font-semibold text-error">
        {problem.message}
      </span>
    ) : null;
  const lines = (text: string) =>
    text
      .split('\n')
      .map((line) => line.trim())
      .filter(Boolean);
  const text = (
    field: keyof Move & string,
    label: string,
    value: string,
    toPatch: (v: string) => Partial<Move>,
    rows = 1,
  ) => (
    <Text
      key={`${move.id}/${field}`}
      label={label}
      value={value}
      rows={rows}
      onValue={(v) => put(field, toPatch(v))}
    >
      {wrong(field)}
    </Text>
  );
  const setFault = (i: number, patch: Partial<Move['faults'][number]>) =>
    put('faults', { faults: move.faults.map((f, k) => (k === i ? { ...f, ...patch } : f)) });
  const shown = DEMAND_KEYS.filter((key) => demand[key].hi !== 0);
  const hidden = DEMAND_KEYS.filter((key) => demand[key].hi === 0);
  const figure = (key: DemandKey, lo: number | null, hi: number | null) =>
    put(`demand.${key}`, {}, { [key]: { lo, hi, from: 'estimate', source: 'set by hand' } });
  const looks = shownFor(library, { move: move.id });
  const standsOn = library.ladders.filter((l) => l.rungs.some((r) => r.move === move.id));

  return (
    <div className="min-h-dvh">
      <PartsHeader here="ladders" />
      <main className="mx-auto max-w-5xl px-4 py-4 md:px-6">
        <div className="flex flex-wrap items-center gap-4">
          <h1 className="mr-auto text-3xl">Edit: {move.name}</h1>
          <SaveLine shelf={changes} />
          <Link to={`/moves/${move.id}`} className="btn btn-primary touch">
            Done
          </Link>
        </div>
        <p className="quiet">
          {reference.move(move.id)
            ? 'The reference stays as it is; what differs is yours and can go back.'
            : 'A move of your own.'}{' '}
          {standsOn.length > 0 && `It stands on ${standsOn.map((l) => l.name).join(', ')}.`}
        </p>
        <Findings findings={findings} onFix={() => {}} />
        <div className="mt-4 grid gap-x-10 gap-y-3 md:grid-cols-2">
          <section aria-label="Words" className="grid content-start gap-3">
            {text('name', 'Name', move.name, (v) => ({ name: v }))}
            {text(
              'twins',
              'Everyday names, one a line',
              move.twins.join('\n'),
              (v) => ({ twins: lines(v) }),
              2,
            )}
            {text(
              'standard',
              move.unit === 'hold' ? 'What counts as holding' : 'What counts as one rep',
              move.standard,
              (v) => ({ standard: v }),
              2,
            )}
            {text(
              'cues',
              'Two or three cues, one a line',
              move.cues.join('\n'),
              (v) => ({ cues: lines(v) }),
              3,
            )}
            {text('breath', 'Breath', move.breath, (v) => ({ breath: v }))}
            {text('stopIf', 'Stop if, one a line', move.stopIf.join('\n'), (v) => ({ stopIf: lines(v) }), 2)}
            {move.faults.map((fault, i) => (
              <fieldset
                // biome-ignore lint/suspicious/noArrayIndexKey: a fault has no name of its own
                key={`${move.id}/fault-${i}`}
                className="border-l-4 border-primary pl-3"
              >
                <legend className="display">The fault to watch</legend>
                <Text
                  label="What you see"
                  value={fault.see}
                  rows={1}
                  onValue={(v) => setFault(i, { see: v })}
                />
                <Text
                  label="What you say"
                  value={fault.say}
                  rows={1}
                  onValue={(v) => setFault(i, { say: v })}
                />
                <label className="mt-1 block">
                  <span className="quiet text-sm">The lever to pull</span>
                  <select
                    className="select touch w-full"
                    value={fault.lever}
                    onChange={(e) => setFault(i, { lever: e.target.value as LeverId })}
                  >
                    {LEVER_IDS.map((lever) => (
                      <option key={lever} value={lever}>
                        {LEVERS[lever].easier}
                      </option>
                    ))}
                  </select>
                </label>
                <Text
                  label="Which comes to"
                  value={fault.do}
                  rows={1}
                  onValue={(v) => setFault(i, { do: v })}
                />
                {wrong('faults')}
              </fieldset>
            ))}
          </section>
          <section aria-label="Figures" className="content-start">
            <h2 className="text-xl">How it looks</h2>
            {move.drawing ? (
              <FigureEditor
                key={move.id}
                drawing={move.drawing}
                findings={findingsOf(move, demand, move.drawing)}
                onKeep={(drawing, says) => put('drawing', { drawing }, {}, says)}
                onAway={() => put('drawing', { drawing: undefined }, {}, 'Take the drawing away')}
              />
            ) : (
              <>
                {looks && <MoveFigure shown={looks} name={move.name} className="mt-1 h-36 max-w-full" />}
                <p className="quiet text-sm">
                  {looks?.like
                    ? `No drawing of its own: shown as ${looks.like.name.toLowerCase()}, the nearest by posture and pattern.`
                    : looks
                      ? 'As it is drawn. Your own drawing takes its place; heights then stay as you set them.'
                      : 'Nothing drawn is near enough to stand for it.'}
                </p>
                <button
                  type="button"
                  className="btn btn-sm touch"
                  onClick={() => put('drawing', { drawing: looks?.figure ?? shownStanding() }, {}, 'Draw it')}
                >
                  <Pencil size={17} aria-hidden /> Draw it {looks ? 'from this' : 'from somebody standing'}
                </button>
              </>
            )}
            {wrong('drawing')}
            <label className="block">
              <span className="quiet text-sm">Sides</span>
              <select
                className="select touch w-full"
                value={move.sides}
                onChange={(e) => put('sides', { sides: e.target.value as Move['sides'] })}
              >
                <option value="both">both together</option>
                <option value="alternating">in turn</option>
                <option value="one">one at a time</option>
              </select>
            </label>
            {move.pace && (
              <fieldset className="mt-2">
                <legend className="quiet text-sm">Reps a minute: slowest, usual, fastest</legend>
                <div className="flex gap-2">
                  {move.pace.map((p, i) => (
                    <Num
                      // biome-ignore lint/suspicious/noArrayIndexKey: three fixed places
                      key={i}
                      label={['slowest', 'usual', 'fastest'][i]!}
                      value={p}
                      onValue={(v) =>
                        put('pace', {
                          pace: move.pace!.map((q, k) => (k === i ? v : q)) as [number, number, number],
                        })
                      }
                    />
                  ))}
                </div>
                {wrong('pace')}
              </fieldset>
            )}
            <h2 className="mt-4 text-xl">What it asks</h2>
            <p className="quiet text-sm">
              Low and high end. Limits read the high end; an empty high end means not known, which bars.
            </p>
            <table className="mt-1 w-full text-[0.95rem]">
              <thead className="sr-only">
                <tr>
                  <th scope="col">Asks</th>
                  <th scope="col">Low</th>
                  <th scope="col">High</th>
                </tr>
              </thead>
              <tbody>
                {shown.map((key) => (
                  <tr key={key}>
                    <th scope="row" className="py-0.5 pr-2 text-left leading-tight font-normal">
                      {DEMANDS[key].says} <span className="quiet text-sm">{DEMANDS[key].unit}</span>
                      {wrong(`demand.${key}`)}
                    </th>
                    {(['lo', 'hi'] as const).map((side) => (
                      <td key={side} className="w-20 py-0.5 pl-1">
                        <Num
                          bare
                          label={`${DEMANDS[key].says}, ${side === 'lo' ? 'low' : 'high'} end`}
                          value={demand[key][side]}
                          onValue={(v) =>
                            side === 'lo'
                              ? figure(key, v, Math.max(v, demand[key].hi ?? v))
                              : figure(key, Math.min(v, demand[key].lo ?? v), v)
                          }
                          onEmpty={() => figure(key, null, null)}
                        />
                      </td>
                    ))}
                  </tr>
                ))}
              </tbody>
            </table>
            <label className="mt-2 block">
              <span className="quiet text-sm">Something else it asks</span>
              <select
                className="select touch w-full"
                value=""
                onChange={(e) => e.target.value && figure(e.target.value as DemandKey, 1, 1)}
              >
                <option value="">choose a demand…</option>
                {hidden.map((key) => (
                  <option key={key} value={key}>
                    {DEMANDS[key].says}
                  </option>
                ))}
              </select>
            </label>
          </section>
        </div>
      </main>
    </div>
  );
}
