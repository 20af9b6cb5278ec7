import { chakra } from '@chakra-ui/react';
import type { ReactNode } from 'react';
import { ApiError, isPassing } from '../api/client.ts';
import { Notice } from './notice.tsx';
import { Button } from './parts.tsx';

interface ProblemsProps {
  readonly problems: readonly { readonly at: string; readonly message: string }[] | undefined;
}

/** Everything that is wrong, each with its place. */
export function Problems({ problems }: ProblemsProps) {
  if (!problems) return null;
  return (
    <chakra.ul pl="5" mt="1" fontSize="sm">
      {problems.map(({ at, message }) => (
        <li key={`${at} ${message}`}>
          <code>{at || 'the file'}</code>: {message}
        </li>
      ))}
    </chakra.ul>
  );
}

/** `/parts/lead/1` as a person counts: `parts, lead, 2`. */
function placeInWords(pointer: string): string {
  return pointer
    .split('/')
    .filter(Boolean)
    .map(part => (/^\d+$/.test(part) ? String(Number(part) + 1) : part))
    .join(', ');
}

interface FailureProps {
  readonly error: unknown;
  retry?: () => void;
  /** What is known besides. */
  readonly children?: ReactNode;
}

/** What went wrong, where, and the way out. */
export function Failure({ error, retry, children }: FailureProps) {
  const body = error instanceof ApiError ? error.body : undefined;
  const message = error instanceof Error ? error.message : 'Something went wrong. Load the page again.';
  return (
    <Notice tone="stop" title={message}>
      <Problems problems={body?.problems?.map(({ at, message }) => ({ at: placeInWords(at), message }))} />
      {children}
      {isPassing(error) && retry && (
        <Button mt="2" size="small" onClick={retry}>
          Try again now
        </Button>
      )}
    </Notice>
  );
}
