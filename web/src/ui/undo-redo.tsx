import { Hint } from './hint.tsx';
import { Button } from './parts.tsx';

interface UndoRedoProps {
  readonly undo: (() => void) | undefined;
  readonly redo: (() => void) | undefined;
}

/** The two buttons that take back and bring again. */
export function UndoRedo({ undo, redo }: UndoRedoProps) {
  return (
    <>
      <Hint words="Key: Ctrl Z">
        <Button size="small" disabled={!undo} onClick={undo}>
          Undo
        </Button>
      </Hint>
      <Hint words="Key: Ctrl Shift Z">
        <Button size="small" disabled={!redo} onClick={redo}>
          Redo
        </Button>
      </Hint>
    </>
  );
}
