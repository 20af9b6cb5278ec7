// A hand goes before heavy work. Where a machine has few processors, work beside the page holds up its drawing: so it
// rests while somebody works on the page. The page writes until when; the work looks between its steps.
import { rested } from '../ui/painted.ts';

/** Until when to rest, by the clock of 1970 in milliseconds, as much of it as there is room for. */
export type RightOfWay = Int32Array<SharedArrayBuffer>;

/** As long as it mostly takes to draw what a hand has changed, and to keep it. */
const HAND_MILLISECONDS = 200;
/** A busy machine takes longer: then until the page rests, but no longer than this. */
const LONGEST_MILLISECONDS = 600;
/** As long as it takes to draw a plan that was found. */
const FOUND_MILLISECONDS = 60;

/** What takes the focus is drawn otherwise, whoever gave it. */
const HANDS = ['keydown', 'pointerdown', 'pointermove', 'wheel', 'focusin'] as const;

/** Undefined where the page shares no memory with its workers: then nothing rests. */
export const rightOfWay: RightOfWay | undefined = globalThis.crossOriginIsolated
  ? new Int32Array(new SharedArrayBuffer(4))
  : undefined;

function restFor(milliseconds: number): void {
  if (!rightOfWay) return;
  Atomics.store(rightOfWay, 0, Date.now() + milliseconds);
  Atomics.notify(rightOfWay, 0);
}

/** For the page, when it is told of something large to draw. */
export function restWhileDrawn(): void {
  restFor(FOUND_MILLISECONDS);
}

/** For the page: from now on work rests whenever a hand is on it. Gives what ends that. */
export function followHands(): () => void {
  let last = 0;
  const onHand = (event: Event) => {
    if (event.type === 'pointermove' && (event as PointerEvent).buttons === 0) return;
    last += 1;
    restFor(LONGEST_MILLISECONDS);
    void drawn(last);
  };
  const drawn = async (hand: number) => {
    await new Promise(resolve => setTimeout(resolve, HAND_MILLISECONDS));
    if (hand === last) await rested();
    if (hand === last) restFor(0);
  };
  for (const kind of HANDS) window.addEventListener(kind, onHand, { capture: true, passive: true });
  return () => {
    for (const kind of HANDS) window.removeEventListener(kind, onHand, { capture: true });
  };
}

/** For a worker: rests when it must, each time that something in it asks how late it is. */
export function restWhenTimed(way: RightOfWay): void {
  const now = performance.now.bind(performance);
  performance.now = () => {
    for (;;) {
      const until = Atomics.load(way, 0);
      const rest = (until - Date.now()) | 0;
      if (rest <= 0 || rest > LONGEST_MILLISECONDS) return now();
      Atomics.wait(way, 0, until, rest);
    }
  };
}
