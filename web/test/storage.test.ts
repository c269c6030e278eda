import { createStorage, finishedRuns, type Storage } from '../src/store/storage.ts';

/** A browser's storage with room for so many letters; 0 is denied. */
function browser(room: number) {
  const kept = new Map<string, string>();
  const full = () => [...kept].reduce((sum, [key, value]) => sum + key.length + value.length, 0);
  const methods: Storage = {
    getItem: (key) => kept.get(key) ?? null,
    setItem: (key, value) => {
      const before = kept.get(key);
      kept.set(key, value);
      if (full() <= room) return;
      if (before === undefined) kept.delete(key);
      else kept.set(key, before);
      throw new DOMException('full', 'QuotaExceededError');
    },
    removeItem: (key) => void kept.delete(key),
  };
  const proxy = new Proxy(methods, {
    ownKeys: () => [...kept.keys()],
    getOwnPropertyDescriptor: (_, key) => ({
      value: kept.get(String(key)),
      enumerable: true,
      configurable: true,
    }),
    has: (_, key) => kept.has(String(key)),
  });
  return { proxy: proxy as Storage & object, kept };
}

const run = (on: string, kinds: string[]) =>
  JSON.stringify({ run: { on, cast: [] }, events: kinds.map((kind) => ({ kind })) });

test('where storage is denied nothing throws, nothing is kept, and that is told', () => {
  const told: string[] = [];
  const storage = createStorage(() => {
    throw new DOMException('denied', 'SecurityError');
  }, finishedRuns);
  storage.listen(() => told.push(storage.keeping()));
  expect(storage.set('a', '1')).toBe(false);
  expect([storage.get('a'), storage.read('a'), storage.keys()]).toEqual([null, null, []]);
  expect(() => storage.remove('a')).not.toThrow();
  expect(storage.keeping()).toBe('denied');
  expect(told).toEqual(['denied']);
});

test('full, it makes room by runs that are over and sent, the oldest first; what goes on stays', () => {
  const { proxy, kept } = browser(700);
  const storage = createStorage(() => proxy, finishedRuns);
  storage.set('inner-rung/run/newer', run('2026-11-20', ['begin', 'finish']));
  storage.set('inner-rung/run/older', run('2026-11-10', ['begin', 'finish']));
  storage.set('inner-rung/run/now', run('2026-11-24', ['begin']));
  storage.set('inner-rung/run/unsent', run('2026-11-01', ['begin', 'finish']));
  storage.set('inner-rung/run/unsent/pressed', '[{"kind":"finish"}]');
  expect(storage.set('inner-rung/draft/plan/tab', 'x'.repeat(300))).toBe(true);
  expect([...kept.keys()].sort()).toEqual(
    [
      'inner-rung/draft/plan/tab',
      'inner-rung/run/newer',
      'inner-rung/run/now',
      'inner-rung/run/unsent',
      'inner-rung/run/unsent/pressed',
    ].filter((key) => kept.has(key)),
  );
  expect(kept.has('inner-rung/run/older')).toBe(false);
  expect(kept.has('inner-rung/run/now') && kept.has('inner-rung/run/unsent')).toBe(true);
  expect(storage.keeping()).toBe('keeps');
});

test('full with nothing to spare: it is told, what was kept stays, and once there is room it keeps again', () => {
  const { proxy, kept } = browser(100);
  const storage = createStorage(() => proxy, finishedRuns);
  storage.set('a', 'small');
  expect(storage.set('b', 'x'.repeat(200))).toBe(false);
  expect(storage.keeping()).toBe('full');
  expect(kept.get('a')).toBe('small');
  expect(storage.set('b', 'fits')).toBe(true);
  expect(storage.keeping()).toBe('keeps');
});

test('what was kept and can’t be read is as good as nothing', () => {
  const { proxy, kept } = browser(1000);
  const storage = createStorage(() => proxy, finishedRuns);
  kept.set('torn', '{"a":');
  expect(storage.read('torn')).toBeNull();
});
