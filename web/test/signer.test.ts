import { PLAN_EXAMPLE } from '@inner-rung/core/session';
import { jest } from '@jest/globals';
import { freshBrowser } from './fake-server.ts';

// A browser's storages stand before what reads them is loaded.
freshBrowser();
const INES = { id: 'ines', name: 'Ines', role: 'owner' };
const TOM = { id: 'tom', name: 'Tom', role: 'trainer' };
const titled = (title: string) => ({ ...PLAN_EXAMPLE, title });

/** A page opened anew: all it knows is what the browser kept. */
async function page() {
  jest.resetModules();
  const signer = await import('../src/store/signer.ts');
  const drafts = await import('../src/store/drafts.ts');
  return { ...signer, ...drafts, found: () => drafts.findDraft(PLAN_EXAMPLE.id)?.plan.title ?? null };
}

/** Kept by a tab that has closed: another page may take it up. */
const closed = () => {
  for (const key of Object.keys(localStorage))
    if (key.includes('/draft'))
      localStorage.setItem(key, JSON.stringify({ ...JSON.parse(localStorage.getItem(key)!), at: 0 }));
  sessionStorage.clear();
};

beforeEach(() => freshBrowser());

test('what one hadn’t saved isn’t found by who signs in next, and is by them again', async () => {
  const first = await page();
  expect(first.nowSigned(TOM)).toBe(false);
  first.keepDraft(titled('Tom’s'), 3, null);
  closed();
  // Tom signs out, Ines in.
  expect(first.nowSigned(null)).toBe(true);
  const door = await page();
  expect(door.waitingHere()).toEqual(['Tom']);
  expect(door.nowSigned(INES)).toBe(false);
  const hers = await page();
  expect(hers.found()).toBeNull();
  hers.keepDraft(titled('Ines’s'), 3, null);
  closed();
  hers.nowSigned(TOM);
  const again = await page();
  expect(again.found()).toBe('Tom’s');
  expect(again.waitingHere()).toEqual(['Ines', 'Tom']);
});

test('a page goes on keeping for who opened it while somebody else signs in beside it', async () => {
  const first = await page();
  first.nowSigned(TOM);
  const toms = await page();
  const beside = await page();
  expect(beside.nowSigned(INES)).toBe(true);
  toms.keepDraft(titled('Tom’s'), 1, null);
  expect(Object.keys(localStorage).filter((key) => key.includes('/draft'))).toEqual([
    expect.stringMatching(/^inner-rung\/draft@tom\//),
  ]);
});

test('what was kept before there were names is the owner’s, and nobody else’s', async () => {
  const before = await page();
  before.keepDraft(titled('from before'), 1, null);
  closed();
  (await page()).nowSigned(TOM);
  const toms = await page();
  expect(toms.found()).toBeNull();
  toms.nowSigned(INES);
  expect((await page()).found()).toBe('from before');
});

test('without a team nothing is named', async () => {
  const alone = await page();
  expect(alone.nowSigned(null)).toBe(false);
  alone.keepDraft(titled('mine'), 1, null);
  closed();
  expect((await page()).found()).toBe('mine');
  expect(alone.waitingHere()).toEqual([]);
});
