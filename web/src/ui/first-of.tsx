import { type ReactNode, useState } from 'react';
import { Button, Label } from './parts.tsx';

const FIRST = 12;

interface FirstOfProps<One> {
  readonly many: { readonly first: readonly One[]; readonly count: number };
  children(one: One): ReactNode;
}

/** A list that may be long: its first entries, and the others on demand. */
export function FirstOf<One>({ many: { first, count }, children }: FirstOfProps<One>) {
  const [isWhole, showWhole] = useState(false);
  const shown = isWhole ? first : first.slice(0, FIRST);
  return (
    <>
      {shown.map(children)}
      {!isWhole && first.length > FIRST && (
        <Button look="quiet" size="small" onClick={() => showWhole(true)}>
          and {first.length - FIRST} more
        </Button>
      )}
      {isWhole && count > first.length && (
        <Label>
          These are the first {first.length} of {count}.
        </Label>
      )}
    </>
  );
}
