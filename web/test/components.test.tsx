/** @jest-environment ./web/test/browser-environment.mjs */
import { jest } from '@jest/globals';
import { cleanup, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { Provider } from 'react-redux';
import { MemoryRouter } from 'react-router';
import { shippedLibrary } from '../../core/test/shipped.ts';
import { PasteForm } from '../src/plan/paste.tsx';
import { store } from '../src/store/index.ts';
import { ElsewhereChoice, isWell, saveWords } from '../src/ui/elsewhere.tsx';
import { ServerAway, Waiting } from '../src/ui/shell.tsx';

const library = shippedLibrary();

afterEach(() => {
  cleanup();
  localStorage.clear();
});

describe('the box to paste into', () => {
  const paste = (onUse: (session: { blocks: readonly unknown[] }) => void = () => undefined) =>
    render(
      <Provider store={store}>
        <MemoryRouter>
          <PasteForm into="new" library={library} onUse={onUse} />
        </MemoryRouter>
      </Provider>,
    );
  const box = () => screen.getByLabelText<HTMLTextAreaElement>('Your circuit, as you write it');

  test('what was pasted is there again after another page', async () => {
    paste();
    await userEvent.type(box(), '30/15 x 2\nSquats\nPush-ups');
    cleanup();
    paste();
    expect(box().value).toBe('30/15 x 2\nSquats\nPush-ups');
    expect(screen.getByRole('status').textContent).toContain('2 stations');
  });
  test('once it is used it is gone', async () => {
    const onUse = jest.fn<(session: { blocks: readonly unknown[] }) => void>();
    paste(onUse);
    await userEvent.type(box(), 'Squats');
    await userEvent.click(screen.getByRole('button', { name: /Lay|Use|out/i }));
    expect(onUse).toHaveBeenCalledTimes(1);
    expect(box().value).toBe('');
  });
});

describe('what was saved elsewhere', () => {
  test.each([
    [false, ['Load theirs', 'Keep mine as a copy', 'Save mine over it']],
    [true, ['Let it go', 'Keep mine as a copy', 'Save mine again']],
  ])('deleted there: %s', async (gone, names) => {
    const done: string[] = [];
    render(
      <ElsewhereChoice
        gone={gone}
        onTheirs={() => done.push('theirs')}
        onCopy={() => done.push('copy')}
        onMine={() => done.push('mine')}
      />,
    );
    for (const name of names) await userEvent.click(screen.getByRole('button', { name }));
    expect(done).toEqual(['theirs', 'copy', 'mine']);
  });
  test('where it isn’t saved it is told whether this browser keeps it', () => {
    expect(saveWords({ is: 'away' }, 'keeps')).toBe('Server away: kept in this browser');
    expect(saveWords({ is: 'away' }, 'full')).toMatch(/full and keeps no more: leave this page open/);
    expect(saveWords({ is: 'refused', why: 'title: too long' }, 'denied')).toMatch(
      /Not saved: title: too long; this browser keeps nothing/,
    );
    expect(isWell({ is: 'saved' }) && !isWell({ is: 'away' })).toBe(true);
  });
});

test('one shell for what is waited for and what doesn’t answer', () => {
  render(<Waiting />);
  expect(screen.getByRole('status').textContent).not.toBe('');
  cleanup();
  render(<ServerAway />);
  expect(screen.getByRole('heading').textContent).toMatch(/isn’t answering/);
  expect(screen.getByRole('button', { name: 'Try again' })).toBeTruthy();
});
