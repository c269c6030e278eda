test('where storage is denied the whole store is made all the same, and says that nothing is kept', async () => {
  for (const name of ['localStorage', 'sessionStorage'])
    Object.defineProperty(globalThis, name, {
      configurable: true,
      get: () => {
        throw new DOMException('denied', 'SecurityError');
      },
    });
  const { store } = await import('../src/store/index.ts');
  const { storage } = await import('../src/store/storage.ts');
  const { themeChosen } = await import('../src/store/view-slice.ts');
  store.dispatch(themeChosen('hall'));
  expect(store.getState().view.theme).toBe('hall');
  expect(storage.keeping()).toBe('denied');
});
