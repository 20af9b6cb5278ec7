import { chakra } from '@chakra-ui/react';
import { type KeyboardEvent, useState } from 'react';
import { TypedField } from '../../../ui/typed-field.tsx';
import type { OpenCell, SheetCursor } from './use-sheet-cursor.ts';

interface CellEditorProps {
  readonly cursor: SheetCursor;
  readonly opened: OpenCell;
  /** What it is called for those who cannot see it. */
  readonly label: string;
}

/** A cell of the step sheet under one's fingers: typed freely, or picked from what it can become. */
export function CellEditor({ cursor, opened, label }: CellEditorProps) {
  const { line, text } = opened;
  const [typed, type] = useState(text);
  const onKey = (event: KeyboardEvent, picked: string | undefined) => {
    event.stopPropagation();
    const keys: Readonly<Record<string, () => void>> = {
      Enter: () => cursor.commit(picked ?? typed),
      Tab: () => cursor.leave(picked ?? typed, event.shiftKey ? -1 : 1),
      Escape: cursor.close,
    };
    const action = keys[event.key];
    if (!action) return;
    event.preventDefault();
    action();
  };
  return (
    <chakra.div p="1">
      <TypedField
        label={opened.kind === 'step' ? label : `${line.what} at ${label}`}
        hidesLabel
        value={typed}
        suggestions={line.suggest(typed)}
        fault={cursor.fault}
        hint={line.hintOf(typed)}
        set={type}
        take={cursor.commit}
        onKey={onKey}
        leave={() => cursor.leave(typed)}
        input={{ autoFocus: true, placeholder: opened.kind === 'step' ? '' : line.what.toLowerCase() }}
      />
    </chakra.div>
  );
}
