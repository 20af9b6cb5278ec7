import { chakra } from '@chakra-ui/react';
import { figureName, type LessonBlock } from '@map-step/core';
import { Label } from '../../ui/parts.tsx';
import { useCourse } from '../course/course-context.ts';
import { MarksOfBlock, markedIn } from './marks-of-block.tsx';
import type { LessonLog } from './use-log.ts';

export interface ShownBlock {
  readonly block: LessonBlock;
  /** `HH:MM` as the evening stands. */
  readonly from: string;
  readonly minutes: number;
}

interface EveningListProps {
  readonly blocks: readonly ShownBlock[];
  readonly present: number;
  /** Undefined where this person or this moment cannot log. */
  readonly log: LessonLog | undefined;
  /** The way into a block; undefined for one that cannot be gone to. */
  enterOf(block: number): (() => void) | undefined;
}

/** The whole evening with its clock times: what is behind, where it is, what is to come. */
export function EveningList({ blocks, present, log, enterOf }: EveningListProps) {
  const { library } = useCourse();
  return (
    <chakra.ol listStyleType="none" p="0" borderTop="2px solid" borderColor="ink">
      {blocks.map(({ block, from, minutes }, index) => {
        const isPresent = index === present;
        const { kind, title, patterns } = block;
        const enter = enterOf(index);
        return (
          <chakra.li
            key={`${kind} ${patterns[0] ?? ''} ${title}`}
            display="grid"
            gridTemplateColumns={{ base: '3.6rem minmax(0, 1fr)', md: '4.2rem minmax(0, 1fr)' }}
            gap="3"
            py="1.5"
            pl="2"
            borderBottom="1px solid"
            borderColor="line"
            borderLeft="5px solid"
            borderLeftColor={isPresent ? 'now' : 'transparent'}
            color={index < present ? 'quiet' : undefined}
            aria-current={isPresent ? 'step' : undefined}
          >
            <chakra.time fontFamily="title" fontWeight="700" fontVariantNumeric="tabular-nums">
              {from}
            </chakra.time>
            <div>
              <chakra.div display="flex" alignItems="baseline" gap="2" flexWrap="wrap">
                <chakra.h3 fontSize="md">
                  {enter ? (
                    <chakra.button
                      type="button"
                      onClick={enter}
                      bg="transparent"
                      border="0"
                      p="0"
                      cursor="pointer"
                      textAlign="left"
                    >
                      {title}
                    </chakra.button>
                  ) : (
                    title
                  )}
                </chakra.h3>
                <Label>{minutes === 0 && index > present ? 'no time tonight' : `${minutes} min`}</Label>
                {kind === 'new' && <Label>new</Label>}
              </chakra.div>
              {!isPresent && (kind === 'combine' || kind === 'check') && patterns.length > 0 && (
                <Label>{patterns.map(id => figureName(library, id)).join(', ')}</Label>
              )}
              {!isPresent && kind !== 'warm-up' && (
                <chakra.div display="grid" gap="1.5" mt={markedIn(block).length > 0 ? '1' : '0'}>
                  <MarksOfBlock block={block} log={log} />
                </chakra.div>
              )}
            </div>
          </chakra.li>
        );
      })}
    </chakra.ol>
  );
}
