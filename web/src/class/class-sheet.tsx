import { type ClassPlan, trimsAt } from '@inner-rung/core/class';
import type { Library } from '@inner-rung/core/ladder';
import type { FormRef } from '@inner-rung/core/move';
import type { Taking } from '@inner-rung/core/run';
import { blockName, clockOfBlock, entriesOf, type Plan } from '@inner-rung/core/session';
import { formName, knownAs, restingName, sayStation, spokenAs } from '@inner-rung/core/words';
import { ToBeat } from './to-beat.tsx';

export function Sheet(props: {
  library: Library;
  plan: Plan;
  classPlan: ClassPlan;
  taking: readonly Taking[];
  wall: boolean;
  onForm: (entry: number, form: FormRef) => void;
  onPerson: (id: string, entry: number) => void;
}) {
  const { library, plan, classPlan, wall } = props;
  const entries = entriesOf(plan.blocks);
  const byId = new Map(props.taking.map((t) => [t.id, t]));
  const half = props.taking.length / 2;
  return (
    <>
      {plan.blocks.map((block, b) => (
        <section key={block.id} aria-labelledby={`class-${block.id}`} className="mt-4">
          {plan.blocks.length > 1 && (
            <h2 id={`class-${block.id}`} className="flex items-baseline gap-3 text-2xl">
              {blockName(plan.blocks, b)}
            </h2>
          )}
          <p
            className="quiet text-sm print:text-black"
            id={plan.blocks.length > 1 ? undefined : `class-${block.id}`}
          >
            {clockOfBlock(block)}
          </p>
          {!wall && <ToBeat plan={plan} block={b} classPlan={classPlan} taking={props.taking} />}
          <ol className="divide-y-2 divide-base-300 border-y-2 border-base-300">
            {classPlan.entries
              .filter(({ entry }) => entries[entry]!.block === b && (entries[entry]!.round ?? 0) === 0)
              .map(({ entry, forms, resting }) => {
                const at = entries[entry]!;
                const chained = at.part > 0;
                const trims = trimsAt(library, classPlan, entry);
                const line = sayStation(
                  library,
                  forms.map((f) => ({
                    form: f.form,
                    people: f.people.map((id) => spokenAs(byId.get(id)!.person)),
                  })),
                  trims.map(({ says, people: who }) => ({
                    says,
                    people: who.map((id) => spokenAs(byId.get(id)!.person)),
                  })),
                );
                return (
                  <li
                    key={entry}
                    data-station={at.inBlock + 1}
                    className="grid break-inside-avoid grid-cols-[2.2rem_1fr] gap-x-3 py-2"
                  >
                    <span className="display text-right text-2xl text-primary print:text-black">
                      {chained ? '+' : at.inBlock + 1}
                    </span>
                    <div className="min-w-0">
                      <div className="flex flex-wrap gap-x-8 gap-y-1">
                        {forms.map((form, k) => (
                          <div
                            key={`${form.form.move}${JSON.stringify(form.form.settings)}`}
                            className="min-w-44 flex-1"
                          >
                            <button
                              type="button"
                              className={`display min-h-8 text-pretty text-left leading-tight underline-offset-4 hover:underline max-md:min-h-11 ${k === 0 ? 'text-xl' : 'text-lg'}`}
                              onClick={() => props.onForm(entry, form.form)}
                            >
                              {formName(library, form.form.move, form.form.settings)}
                            </button>
                            {!wall && (
                              <p className="leading-snug">
                                {k === 0 && form.people.length > half && forms.length > 1 ? (
                                  <span>
                                    <strong>{form.people.length}</strong>: all the others
                                  </span>
                                ) : (
                                  // What is tapped wraps as a block, whose baseline is its last line's.
                                  <span className="flex items-start gap-x-1.5">
                                    <span className="py-0.5 leading-6">
                                      <strong>{form.people.length}</strong>:
                                    </span>{' '}
                                    <span className="min-w-0">
                                      <Names
                                        ids={form.people}
                                        byId={byId}
                                        onPerson={(id) => props.onPerson(id, entry)}
                                      />
                                    </span>
                                  </span>
                                )}
                              </p>
                            )}
                          </div>
                        ))}
                        {resting.length > 0 && (
                          <div className="min-w-44 flex-1">
                            <p className="display text-lg">{restingName(library, at.move)}</p>
                            {!wall && (
                              <p>
                                <strong>{resting.length}</strong>:{' '}
                                <Names
                                  ids={resting}
                                  byId={byId}
                                  onPerson={(id) => props.onPerson(id, entry)}
                                />
                              </p>
                            )}
                          </div>
                        )}
                      </div>
                      {!wall && (forms.length > 1 || trims.length > 0) && (
                        <p
                          className="mt-0.5 border-l-4 border-base-300 pl-2 text-[0.95rem] print:border-black"
                          data-say
                        >
                          “{line}”
                        </p>
                      )}
                    </div>
                  </li>
                );
              })}
          </ol>
        </section>
      ))}
    </>
  );
}

/** Names to tap; those known by number as how many of each. */
function Names(props: {
  ids: readonly string[];
  byId: ReadonlyMap<string, Taking>;
  onPerson: (id: string) => void;
}) {
  const kinds = new Map<string, { ids: string[]; byNumber: boolean; name: string }>();
  for (const id of props.ids) {
    const one = spokenAs(props.byId.get(id)!.person);
    const key = one.byNumber ? one.name : id;
    const known = kinds.get(key) ?? { ids: [], byNumber: one.byNumber, name: one.name };
    known.ids.push(id);
    kinds.set(key, known);
  }
  return (
    <>
      {[...kinds.values()].map((kind, i) => (
        <span key={kind.ids[0]}>
          {i > 0 && ' '}
          <button
            type="button"
            className="inline min-h-6 py-0.5 text-left leading-6 decoration-dotted underline-offset-4 hover:underline"
            onClick={() => props.onPerson(kind.ids[0]!)}
          >
            {kind.byNumber ? knownAs(kind.ids.length, kind.name) : kind.name}
            {/* A button wraps as a block: outside it the comma would stand on a line of its own. */}
            {i < kinds.size - 1 && <span aria-hidden>,</span>}
          </button>
        </span>
      ))}
    </>
  );
}
