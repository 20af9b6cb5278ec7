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

/** Milliseconds that pass while somebody asks how late it is. */
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
  });

  afterEach(() => {
    unfollow();
    performance.now = untimed;
    vi.unstubAllGlobals();
  });

  it('goes on as long as no hand is on the page', () => {
    expect(isShared).toBe(true);
    expect(asked()).toBeLessThan(20);
    happen('pointermove', { buttons: 0 });
    expect(asked()).toBeLessThan(20);
  });

  it.each([
    ['keydown', {}],
    ['pointerdown', {}],
    ['pointermove', { buttons: 1 }],
    ['wheel', {}],
    ['focusin', {}],
  ])('rests after a %s, once', (type, more) => {
    happen(type, more);
    expect(asked()).toBeGreaterThanOrEqual(150);
    expect(asked()).toBeLessThan(20);
  });

  it.each([
    ['goes on as soon as the page rests', true, 0, 20],
    ['rests longer while the page is busy, but not for ever', false, 150, 400],
  ])('%s', async (_, isAtRest, least, most) => {
    const requestIdleCallback = (settle: () => void) => isAtRest && settle();
    Object.assign(page, { requestIdleCallback });
    happen('keydown');
    await new Promise(resolve => setTimeout(resolve, 260));
    const rest = asked();
    Object.assign(page, { requestIdleCallback: undefined });
    expect(rest).toBeGreaterThanOrEqual(least);
    expect(rest).toBeLessThan(most);
  });

  it('rests for a short while when something found is drawn', async () => {
    const { followHands, restWhenTimed, restWhileDrawn, rightOfWay } = await open(true);
    performance.now = untimed;
    if (rightOfWay) restWhenTimed(rightOfWay);
    restWhileDrawn();
    const rest = asked();
    expect(rest).toBeGreaterThanOrEqual(40);
    expect(rest).toBeLessThan(150);
    followHands()();
    happen('keydown');
    expect(asked()).toBeLessThan(20);
  });

  it('hears no hand any more once it is over', () => {
    unfollow();
    happen('keydown');
    expect(asked()).toBeLessThan(20);
  });

  it('is not slept away by a page whose clock is far ahead', async () => {
    const { restWhenTimed } = await open(true);
    performance.now = untimed;
    const way = new Int32Array(new SharedArrayBuffer(4));
    way[0] = Date.now() + 3_600_000;
    restWhenTimed(way);
    expect(asked()).toBeLessThan(20);
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
