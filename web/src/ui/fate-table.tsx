import { Scrolls } from './scrolls.tsx';

/** What becomes of a line of a file, before anything is written. */
export interface Fate {
  /** Its number in the file. */
  readonly line: string;
  readonly what: string;
  /** The kind of fate, for whoever looks for it. */
  readonly is: string;
  readonly says: string;
  readonly comesIn: boolean;
  readonly remarks: readonly string[];
}

export function FateTable(props: { first: string; second: string; fates: readonly Fate[] }) {
  return (
    <Scrolls label="What becomes of every line" className="mt-2 max-h-64 overflow-auto">
      <table className="table table-sm">
        <thead>
          <tr className="text-base-content">
            <th scope="col">{props.first}</th>
            <th scope="col">{props.second}</th>
            <th scope="col">What becomes of it</th>
          </tr>
        </thead>
        <tbody>
          {props.fates.map((fate) => (
            <tr key={fate.line} data-fate={fate.is}>
              <td>{fate.line}</td>
              <td>{fate.what}</td>
              <td className={fate.comesIn ? '' : 'font-semibold'}>
                {fate.says}
                {fate.remarks.map((remark) => (
                  <span
                    key={remark}
                    className={`block font-normal ${fate.is === 'refused' ? 'text-error' : ''}`}
                  >
                    {remark}
                  </span>
                ))}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </Scrolls>
  );
}
