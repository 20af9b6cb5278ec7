import { memo, type Ref, useImperativeHandle, useRef } from 'react';
import { chakra } from '../../theme/chakra.ts';
import { Button } from '../../ui/parts.tsx';
import { ROOMS } from './rooms.ts';

export interface KeysHelpHandle {
  open(): void;
}

const KEYS: readonly (readonly [string, string])[] = [
  ['[ and ]', 'the lesson before, the lesson after'],
  ['1 … 9', 'to that lesson'],
  ...ROOMS.map(({ key, word }) => [`g then ${key}`, `to ${word}`] as const),
  ['Ctrl Z, Ctrl Shift Z', 'undo and redo (Map, Material)'],
  ['p', 'plan this level (Map)'],
  ['Shift or Ctrl and a click', 'choose several figures (Map)'],
  ['← and →', 'move what is chosen by a lesson (Map)'],
  ['Backspace', 'leave out what is chosen (Map)'],

  ['n', 'a new figure (Material), the next block (Lesson)'],
  ['letters, + and -', 'write the step one is on (Material)'],
  ['.', 'take the first mend of what is broken (Map), mend the step (Material)'],
  ['=', 'make the step natural again (Material)'],
  ['#', 'a note on this count (Material)'],
];

/** The keys of the rooms, opened with `?`. */
export const KeysHelp = memo(function KeysHelp({ ref }: { ref: Ref<KeysHelpHandle> }) {
  const dialog = useRef<HTMLDialogElement>(null);
  useImperativeHandle(ref, () => ({ open: () => dialog.current?.showModal() }));
  return (
    <chakra.dialog
      ref={dialog}
      aria-label="Keys"
      bg="panel"
      color="ink"
      border="1.5px solid"
      borderColor="ink"
      borderRadius="md"
      p="5"
      minW="22rem"
    >
      <chakra.h2 fontSize="lg" mb="3">
        Keys
      </chakra.h2>
      <chakra.dl display="grid" gridTemplateColumns="auto 1fr" columnGap="4" rowGap="1" mb="4">
        {KEYS.map(([key, what]) => (
          <chakra.div key={key} display="contents">
            <chakra.dt fontWeight="650">{key}</chakra.dt>
            <dd>{what}</dd>
          </chakra.div>
        ))}
      </chakra.dl>
      <Button onClick={() => dialog.current?.close()}>Close the keys</Button>
    </chakra.dialog>
  );
});
