import { useEffect, useRef, useState } from 'react';
import type { Run } from './programmes.ts';

interface Found<Request, Answer> {
  /** One more with every answer. */
  readonly number: number;
  readonly request: Request;
  readonly answer: Answer;
}

/** Work in a worker that somebody starts, and may stop or start again; what was found last stays. */
export function useRun<Request, Answer>(begin: (request: Request) => Run<Answer>) {
  const [found, setFound] = useState<Found<Request, Answer>>();
  const [error, setError] = useState<Error>();
  const [isRunning, setRunning] = useState(false);
  const run = useRef<Run<Answer>>(undefined);
  useEffect(() => () => run.current?.stop(), []);
  const stop = () => {
    run.current?.stop();
    run.current = undefined;
    setRunning(false);
  };
  const start = (request: Request) => {
    stop();
    setError(undefined);
    setRunning(true);
    const own = begin(request);
    run.current = own;
    const end = (then: () => void) => {
      if (run.current !== own) return;
      then();
      setRunning(false);
    };
    own.done.then(
      answer => end(() => setFound(last => ({ number: (last?.number ?? 0) + 1, request, answer }))),
      (fault: unknown) => end(() => setError(fault instanceof Error ? fault : new Error(String(fault)))),
    );
  };
  return { found, error, isRunning, start, stop };
}
