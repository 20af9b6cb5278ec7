import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';

const untimed = performance.now;
const page = new EventTarget();

function happen(type: string, more: object = {}): void {
  page.dispatchEvent(Object.assign(new Event(type), more));
}

/** The module as in a page that shares memory with its workers, or as in one that does not. */
async function open(isIsolated: boolean) {
  vi.resetModules();
  vi.stubGlobal('crossOriginIsolated', isIsolated);
  vi.stubGlobal('window', page);
  return await import('./right-of-way.ts');
}

/** Milliseconds that somebody who asks how late it is has to rest, by a clock that only the test moves. */
function asked(): number {
  const begun = Date.now();
  performance.now();
  return Date.now() - begun;
}

describe('work beside the page', () => {
  let unfollow: () => void = () => {};
  let isShared: boolean;

  beforeEach(async () => {
    const { followHands, restWhenTimed, rightOfWay } = await open(true);
    isShared = rightOfWay !== undefined;
    if (rightOfWay) restWhenTimed(rightOfWay);
    unfollow = followHands();
    vi.useFakeTimers({ toFake: ['Date', 'setTimeout', 'clearTimeout'] });
    vi.spyOn(Atomics, 'wait').mockImplementation((_, __, ___, rest = 0) => {
      vi.setSystemTime(Date.now() + rest);
      return 'timed-out';
    });
  });

  afterEach(() => {
    unfollow();
    performance.now = untimed;
    vi.restoreAllMocks();
    vi.useRealTimers();
    vi.unstubAllGlobals();
  });

  it('goes on as long as no hand is on the page', () => {
    expect(isShared).toBe(true);
    expect(asked()).toBe(0);
    happen('pointermove', { buttons: 0 });
    expect(asked()).toBe(0);
  });

  it.each([
    ['keydown', {}],
    ['pointerdown', {}],
    ['pointermove', { buttons: 1 }],
    ['wheel', {}],
    ['focusin', {}],
  ])('rests after a %s, once', (type, more) => {
    happen(type, more);
    expect(asked()).toBe(600);
    expect(asked()).toBe(0);
  });

  it.each([
    ['goes on as soon as the page rests', true, 0],
    ['rests longer while the page is busy, but not for ever', false, 340],
  ])('%s', async (_, isAtRest, rest) => {
    const requestIdleCallback = (settle: () => void) => isAtRest && settle();
    Object.assign(page, { requestIdleCallback });
    happen('keydown');
    await vi.advanceTimersByTimeAsync(260);
    expect(asked()).toBe(rest);
    Object.assign(page, { requestIdleCallback: undefined });
  });

  it('rests for a short while when something found is drawn', async () => {
    const { followHands, restWhenTimed, restWhileDrawn, rightOfWay } = await open(true);
    performance.now = untimed;
    if (rightOfWay) restWhenTimed(rightOfWay);
    restWhileDrawn();
    expect(asked()).toBe(60);
    followHands()();
    happen('keydown');
    expect(asked()).toBe(0);
  });

  it('hears no hand any more once it is over', () => {
    unfollow();
    happen('keydown');
    expect(asked()).toBe(0);
  });

  it('is not slept away by a page whose clock is far ahead', async () => {
    const { restWhenTimed } = await open(true);
    performance.now = untimed;
    const way = new Int32Array(new SharedArrayBuffer(4));
    way[0] = Date.now() + 3_600_000;
    restWhenTimed(way);
    expect(asked()).toBe(0);
  });

  it('has no right of way to share where a page is not on its own, and a hand does no harm', async () => {
    const { followHands, restWhileDrawn, rightOfWay } = await open(false);
    expect(rightOfWay).toBeUndefined();
    restWhileDrawn();
    const end = followHands();
    happen('keydown');
    end();
  });
});
