import { type Change, EVERYTHING, PATHS } from '@map-step/contract';

const NAME = 'map-step-live';
const AGAIN_MS = 5000;
/** After a cut not all browsers of a server that came back ask at the same moment. */
const LONGEST_SPREAD_MS = 2000;

/**
 * Follows the studio's changes until the returned function is called. One stream serves all tabs of a
 * browser: the tab that holds the lock listens and passes on, and when it goes another takes over.
 */
export function followChanges(onChange: (change: Change) => void): () => void {
  const channel = new BroadcastChannel(NAME);
  const ending = new AbortController();
  channel.onmessage = ({ data }: MessageEvent<Change>) => onChange(data);
  const tell = (change: Change) => {
    onChange(change);
    channel.postMessage(change);
  };
  void navigator.locks
    .request(NAME, { signal: ending.signal }, () => listen(tell, ending.signal))
    .catch(() => undefined);
  return () => {
    ending.abort();
    channel.close();
  };
}

/** Holds the stream open until the signal; whenever it begins again something may have been missed. */
function listen(tell: (change: Change) => void, signal: AbortSignal): Promise<void> {
  let source: EventSource;
  let timer: ReturnType<typeof setTimeout> | undefined;
  let isAgain = false;
  const begin = () => {
    timer = setTimeout(() => tell(EVERYTHING), isAgain ? Math.random() * LONGEST_SPREAD_MS : 0);
    isAgain = true;
  };
  const open = () => {
    source = new EventSource(PATHS['live.follow'].path);
    source.addEventListener('begin', begin);
    source.onmessage = ({ data }: MessageEvent<string>) => tell(JSON.parse(data) as Change);
    // A browser asks again by itself after a cut, but not after a refusal.
    source.onerror = () => {
      if (source.readyState === EventSource.CLOSED) timer = setTimeout(open, AGAIN_MS);
    };
  };
  open();
  return new Promise(resolve => {
    signal.addEventListener('abort', () => {
      clearTimeout(timer);
      source.close();
      resolve();
    });
  });
}
