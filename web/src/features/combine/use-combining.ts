import type { Combined, CombineRequest } from '@map-step/core';
import { useEffect, useRef, useState } from 'react';
import * as sequences from '../../workers/sequences.ts';
import { useCourse } from '../course/course-context.ts';

/** What searches beside the page; a test brings its own. */
const WORKERS: Pick<typeof sequences, 'runCombine'> = sequences;

export interface Combining {
  readonly isRunning: boolean;
  /** The newest answer; it stays until there is another. */
  readonly answer: { readonly combined: Combined; readonly request: CombineRequest } | undefined;
  readonly error: Error | undefined;
  start(request: CombineRequest): void;
  /** Ends at once; what was found before stands. */
  stop(): void;
}

/** Finds sequences in a worker. */
export function useCombining({ runCombine } = WORKERS): Combining {
  const { material } = useCourse();
  const [isRunning, setRunning] = useState(false);
  const [answer, setAnswer] = useState<Combining['answer']>();
  const [error, setError] = useState<Error>();
  const run = useRef<sequences.SequenceRun>(undefined);
  useEffect(
    () => () => {
      run.current?.stop();
      run.current = undefined;
    },
    [],
  );
  const stop = () => {
    run.current?.stop();
    run.current = undefined;
    setRunning(false);
  };
  const start = (request: CombineRequest) => {
    if (run.current) stop();
    const own = runCombine(material, request);
    run.current = own;
    setRunning(true);
    setError(undefined);
    const end = () => {
      if (run.current !== own) return false;
      run.current = undefined;
      setRunning(false);
      return true;
    };
    own.done.then(
      combined => {
        if (end()) setAnswer({ combined, request });
      },
      (fault: Error) => {
        if (end()) setError(fault);
      },
    );
  };
  return { isRunning, answer, error, start, stop };
}
