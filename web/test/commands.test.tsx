/** @jest-environment <rootDir>/web/test/browser-environment.mjs */
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { type Commands, KeysDialog, useCommands } from '../src/ui/commands.tsx';

afterEach(cleanup);
// What this stand-in for a browser doesn't have.
HTMLDialogElement.prototype.showModal = function () {
  this.open = true;
};

function Screen(props: {
  told: string[];
  heard?: { all: boolean; letters: boolean; typing?: boolean };
  off?: boolean;
}) {
  const command = (name: string, keys: readonly string[]) => ({
    says: name,
    keys,
    shown: name,
    off: props.off ?? false,
    run: () => void props.told.push(name),
  });
  const commands: Commands = {
    change: command('change', ['m']),
    after: command('after', ['right']),
    undo: command('undo', ['mod+z']),
    redo: command('redo', ['mod+shift+z', 'mod+y']),
    keys: command('keys', ['?']),
  };
  useCommands(commands, props.heard ?? { all: true, letters: true });
  return (
    <>
      <input aria-label="a name" />
      <input aria-label="a dial" type="radio" />
    </>
  );
}

test('each key does what its entry says, and nothing else', async () => {
  const told: string[] = [];
  render(<Screen told={told} />);
  await userEvent.keyboard('m{ArrowRight}{Control>}z{/Control}{Control>}y{/Control}?q');
  expect(told).toEqual(['change', 'after', 'undo', 'redo', 'keys']);
});

test('nothing is done where there is nothing to do, or something lies over the screen', async () => {
  const told: string[] = [];
  const { rerender } = render(<Screen told={told} off />);
  await userEvent.keyboard('m{ArrowRight}{Control>}z{/Control}');
  rerender(<Screen told={told} heard={{ all: false, letters: true }} />);
  await userEvent.keyboard('m{ArrowRight}{Control>}z{/Control}');
  expect(told).toEqual([]);
});

test('letters are letters where one types, in what is copied, and where they are switched off', async () => {
  const told: string[] = [];
  const { rerender } = render(<Screen told={told} />);
  await userEvent.click(screen.getByLabelText('a name'));
  await userEvent.keyboard('m{Control>}z{/Control}');
  expect(told).toEqual([]);
  await userEvent.click(screen.getByLabelText('a dial'));
  await userEvent.keyboard('{Control>}m{/Control}');
  expect(told).toEqual([]);
  await userEvent.keyboard('m');
  expect(told).toEqual(['change']);
  rerender(<Screen told={told} heard={{ all: true, letters: false }} />);
  await userEvent.keyboard('m');
  expect(told).toEqual(['change']);
});

test('a screen may take undo from its fields', async () => {
  const told: string[] = [];
  render(<Screen told={told} heard={{ all: true, letters: true, typing: true }} />);
  await userEvent.click(screen.getByLabelText('a name'));
  await userEvent.keyboard('{Control>}z{/Control}');
  expect(told).toEqual(['undo']);
});

function Few({ told }: { told: string[] }) {
  useCommands(
    { undo: { says: 'undo', keys: ['mod+z'], shown: 'Ctrl Z', run: () => void told.push('undo') } },
    { all: true, letters: false },
  );
  return null;
}

test('a screen of few commands leaves every other key alone', () => {
  const told: string[] = [];
  render(<Few told={told} />);
  // False is what fireEvent gives back where somebody prevented the default.
  for (const key of ['a', 'ArrowRight', 'Tab', ' ', 'Enter'])
    for (const ctrlKey of [false, true])
      expect([key, fireEvent.keyDown(document, { key, code: key, ctrlKey })]).toEqual([key, true]);
  expect(told).toEqual([]);
  expect(fireEvent.keyDown(document, { key: 'z', code: 'KeyZ', ctrlKey: true })).toBe(false);
  expect(told).toEqual(['undo']);
});

test('the list of keys does them too, but for what there is nothing to do for', async () => {
  const told: string[] = [];
  const one = (says: string, off = false) => ({
    says,
    keys: ['x'],
    shown: says,
    off,
    run: () => void told.push(says),
  });
  let closed = 0;
  render(
    <KeysDialog
      commands={{ a: one('the sums'), b: one('undo', true) }}
      letters={{ on: true, onToggle: () => undefined }}
      onClose={() => {
        closed++;
      }}
    />,
  );
  fireEvent.click(screen.getByRole('button', { name: /undo/, hidden: true }));
  fireEvent.click(screen.getByRole('button', { name: /the sums/, hidden: true }));
  expect([told, closed]).toEqual([['the sums'], 1]);
});
