import { useSyncExternalStore } from 'react';
import { followLeftOut, whatIsLeftOut } from '../api/left-out.ts';
import { Notice } from '../ui/notice.tsx';

/** What cannot be read does not go unsaid, though every page does without it. */
export function LeftOutRows() {
  const rows = [...useSyncExternalStore(followLeftOut, whatIsLeftOut)];
  if (rows.length === 0) return null;
  return (
    <Notice
      tone="stop"
      title={rows.length === 1 ? 'One entry cannot be read' : `${rows.length} entries cannot be read`}
    >
      The pages do without {rows.length === 1 ? 'it' : 'them'}: {rows.join(', ')}. Nothing of it was deleted;
      tell whoever runs the server.
    </Notice>
  );
}
