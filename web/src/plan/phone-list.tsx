import type { Library } from '@inner-rung/core/ladder';
import { formName, restingName } from '@inner-rung/core/words';
import { type BlockPicture, doseAt } from './block-picture.ts';

/** On a phone the names stand under the floor, a thumb-high row each. */
export function PhoneList(props: {
  picture: BlockPicture;
  library: Library;
  onStation: (station: number) => void;
}) {
  const { picture, library } = props;
  const { version, block } = picture;
  return (
    <ol className="divide-y divide-base-300 px-2">
      {block.stations.map((station, i) => {
        const use = version.uses[i] ?? null;
        const original = version.original[i] ?? null;
        const changed = use?.move !== original?.move;
        return (
          <li key={station.id}>
            <button
              type="button"
              className="flex min-h-14 w-full items-center gap-3 py-1.5 text-left"
              onClick={() => props.onStation(i)}
            >
              <span className="display w-7 shrink-0 text-center text-xl text-primary">{i + 1}</span>
              <span className="min-w-0 flex-1 leading-tight">
                <span className="block text-lg font-semibold">
                  {use ? formName(library, use.move, use.settings) : restingName(library, station.move)}
                </span>
                <span className="quiet text-[0.95rem]">
                  {doseAt(library, picture, i, use)}
                  {changed && original ? ` · for ${formName(library, original.move).toLowerCase()}` : ''}
                </span>
              </span>
            </button>
          </li>
        );
      })}
    </ol>
  );
}
