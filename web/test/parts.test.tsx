/** @jest-environment <rootDir>/web/test/browser-environment.mjs */
import { FORMATS } from '@inner-rung/core/clock';
import { PERSON_EXAMPLE, type Person } from '@inner-rung/core/person';
import type { Finding } from '@inner-rung/core/review';
import type { Role } from '@inner-rung/core/session';
import { cleanup, render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { MemoryRouter } from 'react-router';
import { WaitingLine } from '../src/features/waiting-line.tsx';
import { Cannot } from '../src/people/group-cannot.tsx';
import { AddBlock } from '../src/plan/block-strip.tsx';
import { ClockBar } from '../src/plan/clock-bar.tsx';
import { FindingsList } from '../src/plan/findings-list.tsx';
import { NumberField } from '../src/ui/number-field.tsx';
import { UndoButtons } from '../src/ui/undo-buttons.tsx';

afterEach(cleanup);

const finding = (check: string, more: Partial<Finding> = {}): Finding => ({
  check,
  severity: 'mend',
  says: `${check} is worth a look.`,
  block: 0,
  station: 1,
  at: 'b1/s2',
  fix: null,
  accepted: null,
  ...more,
});

describe('what is worth a look', () => {
  const list = (findings: readonly Finding[], most = 3) => {
    const told: (readonly unknown[])[] = [];
    render(
      <FindingsList
        findings={findings}
        most={most}
        onFix={(one) => told.push(['fix', one.check])}
        onGo={(one) => told.push(['go', one.check])}
        onAccept={(one, why) => told.push(['accept', one.check, why])}
      />,
    );
    return told;
  };

  test('nothing at all where nothing is', () => {
    list([]);
    expect(screen.queryByRole('region')).toBeNull();
  });
  test('so many at once, the others on request', async () => {
    list(
      ['one', 'two', 'three', 'four', 'five'].map((check) => finding(check)),
      2,
    );
    expect(screen.getAllByRole('listitem')).toHaveLength(2);
    await userEvent.click(screen.getByRole('button', { name: '3 more' }));
    expect(screen.getAllByRole('listitem')).toHaveLength(5);
    await userEvent.click(screen.getByRole('button', { name: 'Fewer' }));
    expect(screen.getAllByRole('listitem')).toHaveLength(2);
  });
  test('a fix in one tap, and a way to where it is', async () => {
    const told = list([finding('rest', { fix: { label: 'Make it 20 s', kind: 'add', role: 'warm-up' } })]);
    await userEvent.click(screen.getByRole('button', { name: 'Make it 20 s' }));
    await userEvent.click(screen.getByRole('button', { name: /worth a look/ }));
    expect(told).toEqual([
      ['fix', 'rest'],
      ['go', 'rest'],
    ]);
  });
  test('let stand only with a reason', async () => {
    const told = list([finding('rest')]);
    await userEvent.click(screen.getByRole('button', { name: 'Let it stand' }));
    const keep = screen.getByRole<HTMLButtonElement>('button', { name: 'Keep it' });
    expect(keep.disabled).toBe(true);
    await userEvent.type(screen.getByLabelText('Because'), '   ');
    expect(keep.disabled).toBe(true);
    await userEvent.type(screen.getByLabelText('Because'), 'they asked for it');
    await userEvent.click(keep);
    expect(told).toEqual([['accept', 'rest', 'they asked for it']]);
  });
  test('what stops a session can’t be let stand', () => {
    list([finding('law', { severity: 'stop' })]);
    expect(screen.getByText('Before you go on:')).toBeTruthy();
    expect(screen.queryByRole('button', { name: 'Let it stand' })).toBeNull();
  });
  test('what was let stand is told with its reason, and looked at again', async () => {
    const told = list([finding('rest', { accepted: 'they asked' })]);
    await userEvent.click(screen.getByRole('button', { name: '1 let stand' }));
    const stands = within(screen.getByRole('list', { name: 'Let stand' }));
    expect(stands.getByText(/“they asked”/)).toBeTruthy();
    await userEvent.click(stands.getByRole('button', { name: 'Look again' }));
    expect(told).toEqual([['accept', 'rest', null]]);
  });
});

describe('a number that is typed', () => {
  const field = (more: { onEmpty?: () => void; grain?: number } = {}) => {
    const taken: number[] = [];
    render(
      <NumberField
        label="Work"
        unit="s"
        value={40}
        min={5}
        max={300}
        step={5}
        onChange={(n) => taken.push(n)}
        {...more}
      />,
    );
    return { taken, box: screen.getByLabelText<HTMLInputElement>('Work') };
  };
  test('is taken once it makes sense, and not before', async () => {
    const { taken, box } = field();
    await userEvent.clear(box);
    await userEvent.type(box, '45');
    // The 4 on the way is under the least.
    expect(taken).toEqual([45]);
    expect(box.getAttribute('aria-invalid')).toBe('false');
  });
  test.each(['4', '301', '7.5', ''])(
    '“%s” is said not to do, and what was there comes back',
    async (typed) => {
      const { taken, box } = field();
      await userEvent.clear(box);
      if (typed) await userEvent.type(box, typed);
      expect(screen.getByRole('alert').textContent).toBe('5 to 300');
      expect(taken.filter((n) => n === Number(typed))).toEqual([]);
      await userEvent.tab();
      expect(box.value).toBe('40');
    },
  );
  test('may be left empty where that says something', async () => {
    let emptied = 0;
    const { box } = field({
      onEmpty: () => {
        emptied++;
      },
    });
    await userEvent.clear(box);
    expect(emptied).toBe(1);
    expect(screen.queryByRole('alert')).toBeNull();
  });
});

describe('the clock of a block', () => {
  test('every format can be chosen, and asks for what it needs', async () => {
    const put: string[] = [];
    for (const [kind, entry] of Object.entries(FORMATS)) {
      const page = render(<ClockBar format={entry.usual as never} onChange={(f) => put.push(f.kind)} />);
      const fields = page.getAllByRole('group')[0]!;
      expect([kind, within(fields).queryAllByRole('alert')]).toEqual([kind, []]);
      expect(screen.getByRole<HTMLSelectElement>('combobox', { name: 'Format' }).value).toBe(kind);
      page.unmount();
    }
    render(<ClockBar format={FORMATS.intervals.usual} onChange={(f) => put.push(f.kind)} />);
    await userEvent.selectOptions(screen.getByRole('combobox', { name: 'Format' }), 'emom');
    expect(put).toEqual(['emom']);
  });
});

test('undo and redo are there, and off where there is nothing to take back', async () => {
  const told: string[] = [];
  render(
    <UndoButtons canUndo canRedo={false} onUndo={() => told.push('undo')} onRedo={() => told.push('redo')} />,
  );
  await userEvent.click(screen.getByRole('button', { name: 'Undo' }));
  expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Redo' }).disabled).toBe(true);
  expect(told).toEqual(['undo']);
});

test('a block is added by its kind, up to as many as a session may have', async () => {
  const added: Role[] = [];
  const { rerender } = render(<AddBlock blocks={1} onAdd={(role) => added.push(role)} />);
  await userEvent.click(screen.getByText(/Warm-up, made from/));
  await userEvent.click(screen.getByText('Finisher'));
  expect(added).toEqual(['warm-up', 'finisher']);
  rerender(<AddBlock blocks={20} onAdd={() => undefined} />);
  expect(screen.queryByText('Finisher')).toBeNull();
});

describe('who can’t do what', () => {
  const person = (id: string, conditions: Person['conditions']): Person => ({
    ...PERSON_EXAMPLE,
    id,
    name: id,
    conditions,
  });
  test('a cross for what is barred, and no word of why', () => {
    render(
      <Cannot
        everybody={[
          person('Maud Test', [{ ...PERSON_EXAMPLE.conditions[0], id: 'no-floor', side: 'both' } as never]),
          person('Jory Test', []),
        ]}
      />,
    );
    const [maud, jory] = screen.getAllByRole('row').slice(1);
    expect(within(maud!).getAllByText('can’t').length).toBeGreaterThan(0);
    expect(within(jory!).queryAllByText('can’t')).toEqual([]);
    expect(screen.queryByText(/no-floor|floor any more|condition/)).toBeNull();
  });
  test('nobody: nothing', () => {
    render(<Cannot everybody={[]} />);
    expect(screen.queryByRole('heading')).toBeNull();
  });
});

test('who isn’t in a session is named, with what comes first and a way to it', () => {
  const { rerender } = render(
    <MemoryRouter>
      <WaitingLine waiting={[{ person: PERSON_EXAMPLE, waitsFor: 'Screening comes first.' } as never]} />
    </MemoryRouter>,
  );
  const link = screen.getByRole<HTMLAnchorElement>('link', { name: PERSON_EXAMPLE.name });
  expect(link.getAttribute('href')).toBe(`/people/${PERSON_EXAMPLE.id}/screening`);
  expect(screen.getByRole('listitem').textContent).toContain('Screening comes first.');
  rerender(
    <MemoryRouter>
      <WaitingLine waiting={[]} />
    </MemoryRouter>,
  );
  expect(screen.queryByRole('list')).toBeNull();
});
