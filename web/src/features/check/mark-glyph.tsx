import type { Mark } from '@map-step/core';
import { memo } from 'react';

const SIZE = 22;
const EDGE = 2;
const INNER = SIZE - 2 * EDGE;

interface MarkGlyphProps {
  /** From 0 to 3; undefined where nobody marked. */
  readonly mark: number | undefined;
  /** True for what others gave, and this person has not. */
  readonly isOthers?: boolean;
}

/** A mark as a square that fills from its foot: empty, a third, two thirds, full; a dash where there is none. */
export const MarkGlyph = memo(function MarkGlyph({ mark, isOthers = false }: MarkGlyphProps) {
  const height = mark === undefined ? 0 : (mark / 3) * INNER;
  return (
    <svg width={SIZE} height={SIZE} viewBox={`0 0 ${SIZE} ${SIZE}`} aria-hidden>
      {mark === undefined ? (
        <line x1="7" x2="15" y1="11" y2="11" stroke="currentColor" strokeWidth="1.5" opacity="0.45" />
      ) : (
        <>
          <rect
            x="1"
            y="1"
            width={SIZE - 2}
            height={SIZE - 2}
            fill="none"
            stroke="currentColor"
            strokeWidth="1.5"
            strokeDasharray={isOthers ? '3 2' : undefined}
          />
          <rect
            x={EDGE + 1}
            y={EDGE + 1 + INNER - 2 - (height * (INNER - 2)) / INNER}
            width={INNER - 2}
            height={(height * (INNER - 2)) / INNER}
            fill="currentColor"
            opacity={isOthers ? 0.55 : 1}
          />
        </>
      )}
    </svg>
  );
});

export const isMark = (key: string): key is '0' | '1' | '2' | '3' => /^[0-3]$/.test(key);
export const markOf = (key: '0' | '1' | '2' | '3'): Mark['mark'] => Number(key) as Mark['mark'];
