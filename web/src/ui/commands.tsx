import { useEffect, useMemo } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { Dialog } from './dialog.tsx';

/** One thing that can be done on a screen: its keys, its words in the list of keys and on buttons, what it does. */
interface Command {
  /** As the list of keys says it: "change this station’s move". */
  readonly says: string;
  /** As they are pressed: "m", "mod+z", "shift+left". */
  readonly keys: readonly string[];
  /** As they are shown: "Ctrl Z". */
  readonly shown: string;
  readonly run: () => void;
  /** There is nothing to do just now. */
  readonly off?: boolean;
}
export type Commands<Id extends string = string> = Readonly<Record<Id, Command>>;

/** Single letters, and "?" : who speaks to their machine, or types much, can switch them off. */
const isLetter = (key: string) => key.length === 1;
const isTyped = (target: EventTarget | null) =>
  target instanceof HTMLInputElement && !['radio', 'range', 'checkbox'].includes(target.type);

const here: Commands[] = [];
/** What can be done on the page that is open; nothing where it has no commands of its own. */
export const commandsHere = (): Commands => here.at(-1) ?? {};

/**
 * The keys of a screen's commands, heard while nothing lies over it. Ctrl and Cmd work where no field has the focus, whose
 * own undo goes first, or `typing` as well; so do arrows; letters wherever nothing is being typed, on a dial or a name as
 * much as on the page.
 */
export function useCommands(
  commands: Commands,
  heard: { all: boolean; letters: boolean; typing?: boolean },
): void {
  useEffect(() => {
    here.push(commands);
    return () => {
      const at = here.lastIndexOf(commands);
      if (at >= 0) here.splice(at, 1);
    };
  }, [commands]);
  const byKey = useMemo(
    () => new Map(Object.values(commands).flatMap((one) => one.keys.map((key) => [key, one] as const))),
    [commands],
  );
  const keys = [...byKey.keys()].filter((key) => !isLetter(key));
  const held = keys.filter((key) => key.startsWith('mod+'));
  const free = keys.filter((key) => !key.startsWith('mod+'));
  const press = (key: string) => {
    const command = byKey.get(key);
    if (command && !command.off) command.run();
    return command !== undefined;
  };
  // Asked for no key at all, the package hears every one.
  useHotkeys(
    held,
    (_, { hotkey }) => void press(hotkey),
    { preventDefault: true, enableOnFormTags: heard.typing ?? false, enabled: heard.all && held.length > 0 },
    [byKey],
  );
  useHotkeys(
    free,
    (_, { hotkey }) => void press(hotkey),
    { preventDefault: true, enabled: heard.all && free.length > 0 },
    [byKey],
  );
  useHotkeys(
    '*',
    (event) => {
      if (event.ctrlKey || event.metaKey || event.altKey || event.key.length !== 1) return;
      if (press(event.key.toLowerCase())) event.preventDefault();
    },
    {
      enabled: heard.all && heard.letters,
      enableOnFormTags: ['input'],
      ignoreEventWhen: (event) => isTyped(event.target),
    },
    [byKey],
  );
}

/** What can be done here, by key or by pressing it in this list. */
export function KeysDialog(props: {
  commands: Commands;
  letters: { on: boolean; onToggle: (on: boolean) => void };
  onClose: () => void;
}) {
  return (
    <Dialog title="Keys" onClose={props.onClose}>
      <ul className="gap-x-4 sm:columns-2">
        {Object.values(props.commands).map((command) => (
          <li key={command.shown} className="break-inside-avoid">
            <button
              type="button"
              className="touch flex w-full items-center gap-3 rounded px-1 text-left leading-tight hover:bg-base-200 disabled:opacity-60"
              disabled={command.off}
              onClick={() => {
                props.onClose();
                command.run();
              }}
            >
              <kbd className="kbd min-w-12 shrink-0">{command.shown}</kbd>
              <span className="min-w-0">{command.says}</span>
            </button>
          </li>
        ))}
      </ul>
      <label className="touch mt-4 flex items-center gap-2">
        <input
          type="checkbox"
          className="checkbox"
          checked={props.letters.on}
          onChange={(event) => props.letters.onToggle(event.target.checked)}
        />
        Single-letter keys on
      </label>
    </Dialog>
  );
}
