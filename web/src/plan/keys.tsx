import { Dialog } from '../ui/dialog.tsx';

const KEYS: readonly (readonly [string, string])[] = [
  ['← →', 'the station before or after'],
  ['M', 'change this station’s move'],
  ['A', 'add a station after it'],
  ['Shift ← →', 'move the station earlier or later'],
  ['V', 'floor or sheet'],
  ['L', 'lanes on the sheet'],
  ['I  E  B', 'the impact, effort and ability dials; then ← →'],
  ['W', 'who it is for'],
  ['P', 'paste a circuit'],
  ['C', 'the printable card'],
  ['T', 'paper or hall theme'],
  ['Ctrl Z, Ctrl Shift Z', 'undo, redo'],
  ['?', 'this list'],
];

export function KeysDialog(props: { on: boolean; onToggle: (on: boolean) => void; onClose: () => void }) {
  return (
    <Dialog title="Keys" onClose={props.onClose}>
      <dl className="grid grid-cols-[auto_1fr] gap-x-4 gap-y-1">
        {KEYS.map(([key, does]) => (
          <div key={key} className="contents">
            <dt>
              <kbd className="kbd">{key}</kbd>
            </dt>
            <dd>{does}</dd>
          </div>
        ))}
      </dl>
      <label className="touch mt-4 flex items-center gap-2">
        <input
          type="checkbox"
          className="checkbox"
          checked={props.on}
          onChange={(event) => props.onToggle(event.target.checked)}
        />
        Single-letter keys on
      </label>
    </Dialog>
  );
}
