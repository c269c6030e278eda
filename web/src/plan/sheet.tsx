import type { Use } from '@inner-rung/core/engine';
import type { Library } from '@inner-rung/core/ladder';
import { formName, keptWords, paceWords, sayReason } from '@inner-rung/core/words';
import { type BlockPicture, doseAt } from './block-picture.ts';

/** The same content as the floor, as a table: stations down; as written, the person and why across. */
export function Sheet(props: {
  picture: BlockPicture;
  library: Library;
  who: string;
  station: number;
  onStation: (station: number) => void;
}) {
  const { picture, library } = props;
  const { version, block } = picture;
  const cell = (use: Use | null | undefined, station: number) => {
    if (!use) return <span className="quiet">easy movement</span>;
    return (
      <>
        <span className="font-semibold">{formName(library, use.move, use.settings)}</span>
        <span className="quiet block text-sm">
          {doseAt(library, picture, station, use)}
          {use.pace ? ` · ${paceWords(use)}` : ''}
        </span>
      </>
    );
  };
  return (
    // biome-ignore lint/a11y/noNoninteractiveTabindex: a scrolling table must be reachable by keyboard
    <section className="h-full overflow-auto" tabIndex={0} aria-label="The circuit as a table">
      <table className="table table-pin-rows w-full text-[0.95rem]">
        <thead>
          <tr className="display text-base text-base-content">
            <th scope="col" className="w-12">
              <span className="sr-only">Station</span>
            </th>
            <th scope="col">As written</th>

            <th scope="col">{props.who}</th>
            <th scope="col">Why</th>
            <th scope="col">Kept</th>
            <th scope="col" className="text-right">
              Effort, MET
            </th>
          </tr>
        </thead>
        <tbody>
          {block.stations.map((station, i) => {
            const use = version.uses[i] ?? null;
            const original = version.original[i] ?? null;
            const reason = version.reasons.find((r) => r.station === i);
            return (
              <tr key={station.id} className={i === props.station ? 'bg-base-200' : ''}>
                <th scope="row">
                  <button
                    type="button"
                    className="display touch w-full text-lg underline decoration-2 underline-offset-4"
                    aria-label={`Station ${i + 1}, open`}
                    onClick={() => props.onStation(i)}
                  >
                    {i + 1}
                  </button>
                </th>
                <td>{original ? formName(library, original.move) : station.move}</td>

                <td>{reason ? cell(use, i) : <span className="quiet">as written</span>}</td>
                <td className="max-w-sm">{reason ? sayReason(library, original, reason) : ''}</td>
                <td>{reason ? keptWords(reason) : ''}</td>
                <td className="text-right whitespace-nowrap">
                  {use ? `${use.metLo.toFixed(1)}–${use.metHi.toFixed(1)}` : '–'}
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </section>
  );
}
