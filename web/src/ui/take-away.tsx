import { Button } from './parts.tsx';

/** Takes something away that nothing needs; what needs it is told instead. */
export function TakeAway({ of, take }: { of: string; take(): void }) {
  return (
    <Button look="quiet" size="small" aria-label={`Take ${of} away`} onClick={take}>
      Take away
    </Button>
  );
}
