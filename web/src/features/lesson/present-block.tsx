import { chakra } from '@chakra-ui/react';
import { cautionNotice, cautionsOf, figureName, type LessonBlock, labelOf } from '@map-step/core';
import { Disclosure } from '../../ui/disclosure.tsx';
import { Hint } from '../../ui/hint.tsx';
import { Button, Label } from '../../ui/parts.tsx';
import { inMinutes } from '../../ui/seconds.ts';
import { useShortcuts } from '../../ui/shortcuts.ts';
import { CombinationOfLesson } from '../combine/combination-of-lesson.tsx';
import { RescueCard } from '../combine/rescue-card.tsx';
import { useCourse } from '../course/course-context.ts';
import type { RESULTS } from './mark-row.tsx';
import { MarksOfBlock, markedIn, marksIn } from './marks-of-block.tsx';
import type { LessonLog } from './use-log.ts';

interface PresentBlockProps {
  readonly block: LessonBlock;
  readonly from: string;
  readonly to: string;
  /** Milliseconds left by the clock; undefined while none runs. */
  readonly left: number | undefined;
  readonly isPaused: boolean;
  /** The block after it; undefined at the end. */
  readonly next: { readonly from: string; readonly title: string; readonly minutes: number } | undefined;
  /** Minutes that the clock says this block took so far. */
  readonly taken: number | undefined;
  readonly log: LessonLog | undefined;
  goOn?: (() => void) | undefined;
  back?: (() => void) | undefined;
  pause?: (() => void) | undefined;
  lengthen?: ((minutes: number) => void) | undefined;
}

/** What is danced now, to be read at arm's length: its clock, its layers, its cues, how it goes, and what is next. */
export function PresentBlock(props: PresentBlockProps) {
  const { block, from, to, left, isPaused, next, taken, log, goOn, pause, lengthen } = props;
  const { kind, patterns, element } = block;
  const marked = markedIn(block);
  const marks = marksIn(block, log);
  // A key never changes a mark of several unseen.
  const aimed = marked.find(id => !marks?.of(id)) ?? (marked.length === 1 ? marked[0] : undefined);
  const mark = (result: (typeof RESULTS)[number]['id']) =>
    marks && aimed !== undefined ? () => marks.tap(aimed, result, minutesOf(kind, taken)) : undefined;
  useShortcuts({
    'next-block': goOn,
    'pause-block': pause,
    'longer-block': lengthen && (() => lengthen(1)),
    'mark-solid': mark('solid'),
    'mark-shaky': mark('shaky'),
    'mark-touched': mark('touched'),
    'mark-not-reached': mark('not-reached'),
  });
  const careFor = kind === 'new' ? patterns[0] : element?.figures[0];
  return (
    <chakra.section
      aria-label="Now"
      bg="panel"
      borderLeft="6px solid"
      borderColor="now"
      p={{ base: '3', md: '5' }}
      display="grid"
      gap="3"
    >
      <chakra.div display="flex" justifyContent="space-between" gap="3" alignItems="baseline" flexWrap="wrap">
        <Label fontSize="md">
          {from} to {to}
          {kind === 'new' ? ' · new' : ''}
        </Label>
        {left !== undefined && <Clock left={left} isPaused={isPaused} />}
      </chakra.div>
      <chakra.h2 fontSize={{ base: '2.5rem', md: '4.5rem' }} lineHeight="1.02" overflowWrap="anywhere">
        {block.title}
      </chakra.h2>
      <BlockButtons {...props} />
      {next && (
        <chakra.p fontSize={{ base: 'md', md: 'xl' }}>
          <chakra.span color="quiet">Then {next.from}</chakra.span>{' '}
          <chakra.span fontWeight="650">{next.title}</chakra.span> <Label>{next.minutes} min</Label>
        </chakra.p>
      )}
      <chakra.div display="grid" gap="2">
        <MarksOfBlock block={block} log={log} size="large" aimed={aimed} taken={taken} />
      </chakra.div>
      {kind === 'warm-up' && <WarmUp patterns={patterns} />}
      {kind === 'combine' && <CombinationOfLesson isLarge />}
      {kind === 'check' && <Asked patterns={patterns} />}
      {kind === 'new' && patterns[0] !== undefined && <CountAndCues pattern={patterns[0]} />}
      {kind === 'new' && patterns[0] !== undefined && <IfItGoesWrong pattern={patterns[0]} />}
      <Layers block={block} />
      {element && <ForNextTime element={element} />}
      {careFor !== undefined && <Care pattern={careFor} />}
    </chakra.section>
  );
}

function BlockButtons({ isPaused, goOn, back, pause, lengthen }: PresentBlockProps) {
  return (
    <chakra.div display="flex" gap="2" flexWrap="wrap">
      {goOn && (
        <Hint words="Key: b">
          <Button look="next" size="large" onClick={goOn}>
            Next block
          </Button>
        </Hint>
      )}
      {pause && (
        <Hint words="Key: p">
          <Button size="large" aria-pressed={isPaused} onClick={pause}>
            {isPaused ? 'Go on' : 'Pause'}
          </Button>
        </Hint>
      )}
      {lengthen && (
        <Hint words="Key: m">
          <Button size="large" onClick={() => lengthen(1)}>
            1 minute more
          </Button>
        </Hint>
      )}
      {back && (
        <Button look="quiet" onClick={back}>
          Back
        </Button>
      )}
    </chakra.div>
  );
}

/** Only a block of one thing says how long that took. */
function minutesOf(kind: LessonBlock['kind'], taken: number | undefined) {
  return (kind === 'new' || kind === 'prepare') && taken !== undefined ? { minutes: taken } : {};
}

function Clock({ left, isPaused }: { left: number; isPaused: boolean }) {
  const seconds = Math.floor(Math.abs(left) / 1000);
  const isOver = left < 0;
  return (
    <chakra.span
      role="timer"
      fontFamily="title"
      fontWeight="700"
      fontSize={{ base: '2rem', md: '3rem' }}
      lineHeight="1"
      fontVariantNumeric="tabular-nums"
      color={isOver ? 'stop' : isPaused ? 'quiet' : 'ink'}
    >
      {isOver ? '+' : ''}
      {inMinutes(seconds)}
      <Label ml="2">{isOver ? 'over' : isPaused ? 'paused' : 'left'}</Label>
    </chakra.span>
  );
}

/** How an element is taught by itself, and what it is for. */
function ForNextTime({ element: { how, figures } }: { element: NonNullable<LessonBlock['element']> }) {
  const { library } = useCourse();
  return (
    <chakra.div fontSize={{ base: 'md', md: 'xl' }}>
      <p>{how}.</p>
      {figures.length > 0 && (
        <Label>For {figures.map(id => figureName(library, id)).join(', ')}, next time.</Label>
      )}
    </chakra.div>
  );
}

function WarmUp({ patterns }: { patterns: readonly string[] }) {
  const { library } = useCourse();
  if (patterns.length === 0) return null;
  const names = patterns.map(id => library.patterns.get(id)?.name ?? id);
  return <p>On the basics you have: {names.join(', ')}.</p>;
}

/** What the check asks, to be read out. */
function Asked({ patterns }: { patterns: readonly string[] }) {
  const { library } = useCourse();
  if (patterns.length === 0) return null;
  return (
    <chakra.p fontSize={{ base: 'md', md: 'xl' }}>
      {patterns.map(id => figureName(library, id)).join(', ')}
    </chakra.p>
  );
}

function Layers({ block }: { block: LessonBlock }) {
  if (block.layers.length === 0) return null;
  return (
    <chakra.ol pl="0" listStyleType="none" fontSize={{ base: 'md', md: 'xl' }}>
      {block.layers.map(({ title, seconds }) => (
        <chakra.li key={title} display="flex" gap="3">
          <chakra.span minW="3.5rem" fontVariantNumeric="tabular-nums" color="quiet">
            {inMinutes(seconds)}
          </chakra.span>
          {title}
        </chakra.li>
      ))}
    </chakra.ol>
  );
}

function CountAndCues({ pattern: id }: { pattern: string }) {
  const { library } = useCourse();
  const figure = library.readings.get(id)?.figure;
  if (!figure) return null;
  const [first] = figure.parts;
  const counts = first?.rhythm.events.map(({ rest }, event) => {
    const label = labelOf(figure, first.rhythm, event);
    return rest ? `(${label})` : label;
  });
  const cues = (figure.pattern.marks ?? []).filter(({ kind }) => kind === 'cue' || kind === 'signal');
  return (
    <chakra.div display="grid" gap="1.5" fontSize={{ base: 'md', md: 'lg' }}>
      {counts && (
        <chakra.p fontFamily="title" fontWeight="700" fontSize={{ base: 'xl', md: '2xl' }}>
          {counts.join(' ')}
        </chakra.p>
      )}
      {cues.map(({ text }) => (
        <p key={text}>“{text}”</p>
      ))}
    </chakra.div>
  );
}

function IfItGoesWrong({ pattern: id }: { pattern: string }) {
  const { library } = useCourse();
  const figure = library.readings.get(id)?.figure;
  if (!figure) return null;
  return (
    <Disclosure title="If it goes wrong" isLazy>
      <RescueCard figure={figure} />
    </Disclosure>
  );
}

function Care({ pattern: id }: { pattern: string }) {
  const { library, studio } = useCourse();
  const pattern = library.patterns.get(id);
  const cautions = pattern ? cautionsOf(pattern, studio.studio) : [];
  if (cautions.length === 0) return null;
  return (
    <chakra.div display="grid" gap="1">
      {cautions.map(text => (
        <chakra.p key={text} color="caution" fontWeight="600">
          {text}
        </chakra.p>
      ))}
      <Label>{cautionNotice(studio.localRules)}</Label>
    </chakra.div>
  );
}
