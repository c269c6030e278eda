import type { Use } from '@inner-rung/core/engine';
import type { Library } from '@inner-rung/core/ladder';
import { blockName, entriesOf } from '@inner-rung/core/session';
import { formName } from '@inner-rung/core/words';
import type { Picture as Scaled } from '../features/use-scaled.ts';
import { Scrolls } from '../ui/scrolls.tsx';
import { LOOKS } from './charts.tsx';

export const WRITTEN = 'as-written';

export interface Compared {
  readonly id: string;
  readonly name: string;
  readonly uses: readonly (Use | null)[];
}

export function Panel(props: { title: string; children: React.ReactNode }) {
  return (
    <section className="rounded bg-base-100 px-3 py-2">
      <h2 className="text-lg">{props.title}</h2>
      {props.children}
    </section>
  );
}

export const Swatch = (props: { look: number }) => {
  const { colour, dash } = LOOKS[props.look]!;
  return (
    <svg width="26" height="10" className="mr-1 inline align-middle" aria-hidden="true">
      <line
        x1="0"
        y1="5"
        x2="26"
        y2="5"
        stroke={`var(${colour})`}
        strokeWidth="4"
        strokeDasharray={dash.join(' ')}
      />
    </svg>
  );
};

/** Station by station: what each does; what is as written stands in grey. */
export function Stations(props: {
  library: Library;
  picture: Scaled;
  versions: readonly (Compared & { look: number })[];
}) {
  const { library, picture, versions } = props;
  const { plan, version } = picture;
  const entries = entriesOf(plan.blocks);
  return (
    <Scrolls label="Station by station" className="mt-3 overflow-x-auto rounded bg-base-100 px-3 py-2">
      <h2 className="text-lg">Station by station</h2>
      <table className="table table-sm text-[0.95rem]">
        <thead>
          <tr className="display text-base text-base-content">
            <th scope="col">
              <span className="sr-only">Station</span>
            </th>
            {versions.map((v) => (
              <th key={v.id} scope="col">
                <Swatch look={v.look} /> {v.name}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {entries.map((entry, i) => {
            const was = version.original[i];
            return (
              // biome-ignore lint/suspicious/noArrayIndexKey: entries have no id of their own
              <tr key={i}>
                <th scope="row" className="align-top whitespace-nowrap">
                  {plan.blocks.length > 1 &&
                    entry.inBlock === 0 &&
                    entry.part === 0 &&
                    (entry.round ?? 0) === 0 && (
                      <span className="quiet block text-xs font-normal">
                        {blockName(plan.blocks, entry.block)}
                      </span>
                    )}
                  {entry.part > 0 ? '+' : entry.inBlock + 1}
                  {entry.round !== null && entry.round > 0 ? `, round ${entry.round + 1}` : ''}
                </th>
                {versions.map((v) => {
                  const use = v.uses[i] ?? null;
                  const same =
                    use?.move === was?.move &&
                    JSON.stringify(use?.settings ?? {}) === JSON.stringify(was?.settings ?? {});
                  return (
                    <td key={v.id} className={`align-top ${same && v.id !== WRITTEN ? 'quiet' : ''}`}>
                      {use ? formName(library, use.move, use.settings) : 'easy movement'}
                      {use && (
                        <span className="quiet block text-sm">
                          {use.pace === null ? `holds of ${use.holdSeconds} s` : `${use.pace} a minute`} ·{' '}
                          {((use.metLo + use.metHi) / 2).toFixed(1)} MET
                        </span>
                      )}
                    </td>
                  );
                })}
              </tr>
            );
          })}
        </tbody>
      </table>
    </Scrolls>
  );
}
