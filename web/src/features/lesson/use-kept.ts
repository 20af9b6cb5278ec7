import { useState } from 'react';
import type { z } from 'zod';

/** Something that this browser keeps over a reload; what another version of the app kept is begun anew. */
export function useKept<Value>(
  key: string,
  shape: z.ZodType<Value>,
): readonly [Value | undefined, (next: Value | undefined) => void] {
  const [value, setValue] = useState(() => read(key, shape));
  const put = (next: Value | undefined) => {
    setValue(next);
    if (next === undefined) localStorage.removeItem(key);
    else localStorage.setItem(key, JSON.stringify(next));
  };
  return [value, put];
}

function read<Value>(key: string, shape: z.ZodType<Value>): Value | undefined {
  try {
    return shape.parse(JSON.parse(localStorage.getItem(key) ?? ''));
  } catch {
    return undefined;
  }
}
