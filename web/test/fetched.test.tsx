/** @jest-environment <rootDir>/web/test/browser-environment.mjs */
import { jest } from '@jest/globals';
import { act, render, screen } from '@testing-library/react';
import { fetched } from '../src/store/fetched.ts';

const answers = (...list: (readonly string[] | 500)[]) => {
  const asked: string[] = [];
  globalThis.fetch = jest.fn(async (path: unknown) => {
    asked.push(String(path));
    const next = list.shift() ?? 500;
    return next === 500
      ? ({ ok: false, status: 500 } as Response)
      : ({ ok: true, json: async () => next } as Response);
  }) as typeof fetch;
  return asked;
};
const json = (answer: Response) => answer.json() as Promise<readonly string[]>;
type List = ReturnType<typeof fetched<readonly string[]>>;
function Shown({ list, name }: { list: List; name: string }) {
  const { data, failed } = list.use();
  return <p data-testid={name}>{`${data?.join(', ') ?? 'nothing'}${failed ? ', failed' : ''}`}</p>;
}
const says = (name: string) => screen.getByTestId(name).textContent;

test('who shows the same asks once, and both are told', async () => {
  const asked = answers(['a', 'b']);
  const list = fetched('list', json);
  await act(async () => {
    render(
      <>
        <Shown list={list} name="first" />
        <Shown list={list} name="second" />
      </>,
    );
  });
  expect(asked).toEqual(['/api/list']);
  expect([says('first'), says('second')]).toEqual(['a, b', 'a, b']);
});

test('a page that comes later shows what is known at once, and asks anew; what never changes isn’t asked again', async () => {
  for (const [changes, times] of [
    [true, 2],
    [false, 1],
  ] as const) {
    const asked = answers(['old'], ['new']);
    const list = fetched('list', json, changes);
    const first = await act(async () => render(<Shown list={list} name="one" />));
    first.unmount();
    const second = render(<Shown list={list} name="one" />);
    expect(says('one')).toBe('old');
    await act(async () => {});
    expect(says('one')).toBe(changes ? 'new' : 'old');
    expect(asked).toHaveLength(times);
    second.unmount();
  }
});

test('a server that is away is said, and what was known stays', async () => {
  answers(500, ['back'], 500);
  const list = fetched('list', json);
  for (const said of ['nothing, failed', 'back', 'back, failed']) {
    const page = await act(async () => render(<Shown list={list} name="one" />));
    expect(says('one')).toBe(said);
    page.unmount();
  }
});

test('what is known to have changed is shown without asking', async () => {
  const asked = answers(['a']);
  const list = fetched('list', json);
  await act(async () => {
    render(<Shown list={list} name="one" />);
  });
  act(() => list.change((now) => ['made', ...now]));
  expect(says('one')).toBe('made, a');
  expect(asked).toHaveLength(1);
});
