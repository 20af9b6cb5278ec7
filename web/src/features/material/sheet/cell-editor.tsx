import { chakra } from '@chakra-ui/react';
import { type Figure, freeFootBefore, suggestSteps } from '@map-step/core';
import { type KeyboardEvent, useId, useState } from 'react';
import type { SheetCursor } from './use-sheet-cursor.ts';

interface CellEditorProps {
  readonly figure: Figure;
  readonly cursor: SheetCursor;
  /** What it is called for those who cannot see it. */
  readonly label: string;
}

/** A cell of the step sheet under one's fingers: typed freely, or picked from what it can become. */
export function CellEditor({ figure, cursor, label }: CellEditorProps) {
  const id = useId();
  const [picked, pick] = useState(-1);
  const [typed, type] = useState(cursor.opened ?? '');
  const free = freeFootBefore(figure, cursor.place.role, cursor.place.step);
  const suggestions = suggestSteps(typed, { dance: figure.dance, free });
  const keys: Readonly<Record<string, () => void>> = {
    Enter: () => void cursor.commit(withPicked(typed, suggestions[picked])),
    Tab: () => void cursor.commit(withPicked(typed, suggestions[picked])),
    Escape: cursor.close,
    ArrowDown: () => pick(now => Math.min(suggestions.length - 1, now + 1)),
    ArrowUp: () => pick(now => Math.max(-1, now - 1)),
  };
  const onKeyDown = (event: KeyboardEvent) => {
    event.stopPropagation();
    const action = event.shiftKey && event.key === 'Tab' ? undefined : keys[event.key];
    if (!action) return;
    event.preventDefault();
    action();
  };
  return (
    <chakra.div position="relative" p="1">
      <chakra.input
        role="combobox"
        aria-label={label}
        aria-expanded={suggestions.length > 0}
        aria-controls={id}
        aria-activedescendant={picked >= 0 ? `${id}-${picked}` : undefined}
        aria-invalid={cursor.fault !== undefined}
        aria-describedby={`${id}-turns`}
        autoFocus
        autoComplete="off"
        spellCheck={false}
        value={typed}
        width="full"
        bg="panel"
        border="2px solid"
        borderColor="now"
        px="1"
        onChange={event => {
          pick(-1);
          type(event.target.value);
        }}
        onKeyDown={onKeyDown}
        onBlur={() => {
          if (typed.trim() === '' || !cursor.commit(typed)) cursor.close();
        }}
      />
      <Suggestions
        id={id}
        fault={cursor.fault}
        texts={suggestions}
        picked={picked}
        take={text => void cursor.commit(withPicked(typed, text))}
      />
    </chakra.div>
  );
}

interface SuggestionsProps {
  /** Of the list, for the field that it belongs to. */
  readonly id: string;
  readonly fault: string | undefined;
  readonly texts: readonly string[];
  /** -1 while none is. */
  readonly picked: number;
  take(text: string): void;
}

function Suggestions({ id, fault, texts, picked, take }: SuggestionsProps) {
  return (
    <chakra.div
      position="absolute"
      top="full"
      left="1"
      zIndex="3"
      minW="11rem"
      bg="panel"
      border="1.5px solid"
      borderColor="ink"
      fontSize="sm"
    >
      {fault && (
        <chakra.p role="alert" color="stop" px="2" py="1" fontWeight="600">
          {fault}
        </chakra.p>
      )}
      <chakra.ul id={id} role="listbox" aria-label="What it can become" listStyleType="none" p="0">
        {texts.map((text, index) => (
          <chakra.li
            key={text}
            id={`${id}-${index}`}
            role="option"
            aria-selected={index === picked}
            px="2"
            py="1"
            cursor="pointer"
            bg={index === (picked < 0 ? 0 : picked) ? 'nowTint' : undefined}
            onMouseDown={event => {
              event.preventDefault();
              take(text);
            }}
          >
            {text}
          </chakra.li>
        ))}
      </chakra.ul>
      <chakra.p
        id={`${id}-turns`}
        px="2"
        py="1"
        fontSize="xs"
        color="quiet"
        borderTop="1px solid"
        borderColor="line"
      >
        +90 turns a quarter left, -90 right: before the action or after it
      </chakra.p>
    </chakra.div>
  );
}

/** What was typed with its last step replaced by what was picked. */
function withPicked(typed: string, picked: string | undefined): string {
  if (picked === undefined) return typed;
  return [...typed.split(',').slice(0, -1), picked].join(', ');
}
