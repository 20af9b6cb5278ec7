// @vitest-environment happy-dom
import { expect, test, vi } from 'vitest';
import { reloadWhenPartsAreGone } from './parts-gone.ts';

test('a page whose part is gone is loaded again, once a build', () => {
  sessionStorage.clear();
  const reload = vi.fn();
  const gone = () => window.dispatchEvent(new Event('vite:preloadError', { cancelable: true }));
  const stop = reloadWhenPartsAreGone('one', reload);
  expect(gone()).toBe(false);
  expect(gone()).toBe(true);
  expect(reload).toHaveBeenCalledTimes(1);
  stop();
  const stopNext = reloadWhenPartsAreGone('two', reload);
  gone();
  expect(reload).toHaveBeenCalledTimes(2);
  stopNext();
});
