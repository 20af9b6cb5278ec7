import { chakra } from '@chakra-ui/react';
import { ApiError, isPassing } from '../api/client.ts';
import { Button, Notice } from './parts.tsx';

/** What went wrong, where, and the way out. */
export function Failure({ error, retry }: { error: unknown; retry?: () => void }) {
  const body = error instanceof ApiError ? error.body : undefined;
  const message = error instanceof Error ? error.message : 'Something went wrong. Load the page again.';
  return (
    <Notice tone="stop" title={message}>
      {body?.problems && (
        <chakra.ul pl="5" mt="1" fontSize="sm">
          {body.problems.map(({ at, message: what }) => (
            <li key={`${at} ${what}`}>
              <code>{at}</code>: {what}
            </li>
          ))}
        </chakra.ul>
      )}
      {isPassing(error) && retry && (
        <Button mt="2" size="small" onClick={retry}>
          Try again now
        </Button>
      )}
    </Notice>
  );
}
