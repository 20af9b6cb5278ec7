import { useSearchParams } from 'react-router';
import type { Option } from '../../ui/choice.tsx';
import { Label } from '../../ui/parts.tsx';
import { Segments } from '../../ui/segments.tsx';

/** One of several parts of a page, which its address names; and what beside the title leads from one to another. */
export function usePart<Part extends string>(
  label: string,
  parts: readonly [Option<Part>, ...Option<Part>[]],
  isSaving: boolean,
) {
  const [search, setSearch] = useSearchParams();
  const part: Part = (parts.find(({ value }) => value === search.get('part')) ?? parts[0]).value;
  const beside = (
    <>
      <Segments
        label={label}
        value={part}
        among={parts}
        set={next => setSearch({ part: next }, { replace: true })}
      />
      <Label aria-live="polite">{isSaving ? 'saving' : 'saved'}</Label>
    </>
  );
  return { part, beside };
}
