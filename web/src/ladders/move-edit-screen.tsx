import { checkLadder, type LadderFinding, writtenMove } from '@inner-rung/core/ladder';
import { type Demand, type Move, moveSchema } from '@inner-rung/core/move';
import { useMemo, useState } from 'react';
import { Link, useParams } from 'react-router';
import { useEdits } from '../features/use-edits.ts';
import { useOwn, useShelf } from '../store/data.ts';
import { changes } from '../store/index.ts';
import { Num, Text } from '../ui/fields.tsx';
import { Missing } from '../ui/missing.tsx';
import { PartsHeader } from '../ui/parts-header.tsx';
import { SaveLine } from '../ui/save-line.tsx';
import { ServerAway, Waiting } from '../ui/shell.tsx';
import { Findings } from './findings.tsx';
import { DemandFields, FaultFields, LookFields } from './move-edit-parts.tsx';

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
  const edit = { library, move, demand, put, wrong };
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
            <FaultFields {...edit} />
          </section>
          <section aria-label="Figures" className="content-start">
            <LookFields {...edit} />
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
            <DemandFields {...edit} />
          </section>
        </div>
      </main>
    </div>
  );
}
