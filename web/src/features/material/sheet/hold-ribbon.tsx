import { chakra } from '@chakra-ui/react';
import { type Figure, holdStretches, type SheetLayout } from '@map-step/core';
import { memo } from 'react';
import { HandsGlyph, handsInWords } from '../../course/hands-glyph.tsx';
import { RowTitle } from './row-title.tsx';

interface HoldRibbonProps {
  readonly figure: Figure;
  readonly layout: SheetLayout;
  readonly range: readonly [number, number];
}

/** The hold along the figure: where it starts, where it changes, where it ends. */
export const HoldRibbon = memo(function HoldRibbon({ figure, layout, range }: HoldRibbonProps) {
  const stretches = holdStretches(figure, layout, range);
  const [first] = range;
  if (stretches.length === 0) return null;
  return (
    <>
      <RowTitle>Hold</RowTitle>
      {stretches.map(({ words, hold, from, to, isChange, end }) => (
        <chakra.div
          key={`${from} ${words}`}
          style={{ gridColumn: `${from - first + 2} / ${to - first + 2}` }}
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
          <chakra.span display="inline-flex" gap="1.5" alignItems="center" title={hold && handsInWords(hold)}>
            {hold && <HandsGlyph hold={hold} />}
            {words}
          </chakra.span>
          {end && (
            <chakra.span display="inline-flex" gap="1.5" alignItems="center" fontWeight="650">
              {end.hold && <HandsGlyph hold={end.hold} />}
              ends {end.words}
            </chakra.span>
          )}
        </chakra.div>
      ))}
    </>
  );
});
