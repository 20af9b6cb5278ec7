import { chakra } from '@chakra-ui/react';
import { type Figure, findHold, type SheetLayout } from '@map-step/core';
import { memo } from 'react';
import { HandsGlyph, handsInWords } from '../../course/hands-glyph.tsx';
import { RowTitle } from './row-title.tsx';

interface HoldRibbonProps {
  readonly figure: Figure;
  readonly layout: SheetLayout;
  readonly range: readonly [number, number];
}

/** The hold along the figure: where it starts, where it changes, where it ends. */
export const HoldRibbon = memo(function HoldRibbon({ figure, layout, range: [from, to] }: HoldRibbonProps) {
  const { pattern, dance } = figure;
  const name = (id: string) => findHold(dance, id)?.name ?? id;
  const entry = (pattern.entry ?? []).map(name).join(' or ');
  if (!entry) return null;
  const columnOf = (event: number) => {
    const found = layout.columns.findIndex(column => column.event === event);
    return found < 0 ? 0 : found;
  };
  const changes = [...(pattern.holds ?? [])].sort((a, b) => a.event - b.event);
  const stations = [
    { column: 0, words: entry, hold: findHold(dance, pattern.entry?.[0] ?? '') },
    ...changes.map(({ event, hold }) => ({
      column: columnOf(event),
      words: name(hold),
      hold: findHold(dance, hold),
    })),
  ];
  const exit = pattern.exit ?? 'same';
  const exitWords =
    exit === 'same' ? 'in the same hold' : (typeof exit === 'string' ? [exit] : exit).map(name).join(' or ');
  const exitHold = typeof exit === 'string' ? findHold(dance, exit) : findHold(dance, exit[0] ?? '');
  const spans = stations.map(({ column, words, hold }, index) => ({
    words,
    hold,
    start: Math.max(from, column),
    end: Math.min(to, stations[index + 1]?.column ?? layout.columns.length),
    isChange: index > 0 && column >= from,
    isLast: index === stations.length - 1,
  }));
  return (
    <>
      <RowTitle>Hold</RowTitle>
      {spans
        .filter(({ start, end }) => start < end)
        .map(({ words, hold, start, end, isChange, isLast }) => (
          <chakra.div
            key={`${start} ${words}`}
            style={{ gridColumn: `${start - from + 2} / ${end - from + 2}` }}
            display="flex"
            flexWrap="wrap"
            justifyContent="space-between"
            columnGap="3"
            borderTop="1px solid"
            borderTopColor="line"
            borderLeft={isChange ? '3px solid' : undefined}
            borderLeftColor="now"
            bg="nowTint"
            fontSize="sm"
            px="2"
            py="1"
          >
            <chakra.span
              display="inline-flex"
              gap="1.5"
              alignItems="center"
              title={hold && handsInWords(hold)}
            >
              {hold && <HandsGlyph hold={hold} />}
              {words}
            </chakra.span>
            {isLast && end === layout.columns.length && (
              <chakra.span display="inline-flex" gap="1.5" alignItems="center" fontWeight="650">
                {exitHold && <HandsGlyph hold={exitHold} />}
                ends {exitWords}
              </chakra.span>
            )}
          </chakra.div>
        ))}
    </>
  );
});
