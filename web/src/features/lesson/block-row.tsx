import { chakra } from '@chakra-ui/react';
import { cautionNotice, cautionsOf, type LessonBlock } from '@map-step/core';
import { Button, Label } from '../../ui/parts.tsx';
import { useCourse } from '../course/course-context.ts';
import { MarkRow } from './mark-row.tsx';
import type { LessonLog } from './use-log.ts';

interface BlockRowProps {
  readonly block: LessonBlock;
  readonly isPresent: boolean;
  readonly isPast: boolean;
  enter(): void;
  readonly next: (() => void) | undefined;
  /** Undefined where this person or this moment cannot log. */
  readonly log: LessonLog | undefined;
}

/** A block of the running order; the present one is large and opens its layers. */
export function BlockRow({ block, isPresent, isPast, enter, next, log }: BlockRowProps) {
  const { title, minutes, from, patterns, kind } = block;
  return (
    <chakra.li
      display="grid"
      gridTemplateColumns={{ base: '4.4rem minmax(0, 1fr)', md: '5rem minmax(0, 1fr)' }}
      gap="3"
      py={isPresent ? '4' : '2'}
      borderBottom="1px solid"
      borderColor="line"
      borderLeft="5px solid"
      borderLeftColor={isPresent ? 'now' : 'transparent'}
      pl="2"
      bg={isPresent ? 'panel' : undefined}
      color={isPast ? 'quiet' : undefined}
      aria-current={isPresent ? 'step' : undefined}
    >
      <chakra.time
        fontFamily="title"
        fontWeight="700"
        fontSize={isPresent ? 'xl' : 'lg'}
        fontVariantNumeric="tabular-nums"
      >
        {from}
      </chakra.time>
      <div>
        <chakra.div display="flex" alignItems="baseline" gap="3" flexWrap="wrap">
          <chakra.h2 fontSize={isPresent ? '2xl' : 'lg'}>
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
          </chakra.h2>
          <Label>{minutes} min</Label>
          {kind === 'new' && <Label>new</Label>}
          {isPresent && next && (
            <Button look="next" size="normal" ml="auto" onClick={next}>
              Next block
            </Button>
          )}
        </chakra.div>
        {isPresent && <Layers block={block} />}
        <chakra.div display="grid" gap="1.5" mt={patterns.length ? '1.5' : '0'}>
          {patterns.map(id => (
            <MarkRow key={id} pattern={id} showName={kind !== 'new'} log={log} />
          ))}
        </chakra.div>
        {isPresent && kind === 'new' && patterns[0] !== undefined && <CueAndCare pattern={patterns[0]} />}
      </div>
    </chakra.li>
  );
}

function Layers({ block }: { block: LessonBlock }) {
  if (block.layers.length === 0) return null;
  const clock = (seconds: number) => `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, '0')}`;
  return (
    <chakra.ol pl="0" my="2" listStyleType="none" fontSize={{ base: 'md', md: 'lg' }}>
      {block.layers.map(({ title, seconds }) => (
        <chakra.li key={title} display="flex" gap="3">
          <chakra.span minW="3rem" fontVariantNumeric="tabular-nums" color="quiet">
            {clock(seconds)}
          </chakra.span>
          {title}
        </chakra.li>
      ))}
    </chakra.ol>
  );
}

function CueAndCare({ pattern: id }: { pattern: string }) {
  const { library, studio } = useCourse();
  const pattern = library.patterns.get(id);
  if (!pattern) return null;
  const cues = (pattern.marks ?? []).filter(({ kind }) => kind === 'cue' || kind === 'signal');
  const cautions = cautionsOf(pattern, studio.studio);
  return (
    <chakra.div mt="3" display="grid" gap="1.5">
      {cues.map(({ text }) => (
        <p key={text}>“{text}”</p>
      ))}
      {cautions.map(text => (
        <chakra.p key={text} color="caution" fontWeight="600">
          {text}
        </chakra.p>
      ))}
      {cautions.length > 0 && <Label>{cautionNotice(studio.localRules)}</Label>}
    </chakra.div>
  );
}
