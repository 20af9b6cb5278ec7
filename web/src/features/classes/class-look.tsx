import { chakra } from '@chakra-ui/react';
import { Notice } from '../../ui/notice.tsx';
import type { ClassLook } from './class-draft.ts';

/** What is at the same time and what is wrong with the evenings, told before anything is saved. */
export function ClassLookNotice({ clashes, faults }: Pick<ClassLook, 'clashes' | 'faults'>) {
  if (clashes.length + faults.length === 0) return null;
  return (
    <Notice
      tone={clashes.length > 0 ? 'stop' : 'now'}
      title={clashes.length > 0 ? 'Two classes at once' : 'Look at the evenings once more'}
    >
      <chakra.ul pl="5">
        {[...clashes, ...faults].map(words => (
          <li key={words}>{words}</li>
        ))}
      </chakra.ul>
    </Notice>
  );
}
