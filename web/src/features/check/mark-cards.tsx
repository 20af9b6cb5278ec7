import { chakra } from '@chakra-ui/react';
import {
  type Candidate,
  type Cell,
  type Criterion,
  cautionNotice,
  cautionsOf,
  figureName,
  layersFor,
  type Mark,
} from '@map-step/core';
import type { ReactNode } from 'react';
import { useState } from 'react';
import { Choice } from '../../ui/choice.tsx';
import { Button, Label } from '../../ui/parts.tsx';
import { goAlong } from '../../ui/row-keys.ts';
import { useCourse } from '../course/course-context.ts';
import { CellNotes, CellNoteWindow } from './cell-note.tsx';
import { LAYER_WORDS, MARK_WORDS, MARKS, SHORT_MARK_WORDS } from './check-words.ts';
import { MarkGlyph } from './mark-glyph.tsx';
import type { Marks } from './use-marks.ts';

interface MarkCardsProps {
  readonly marks: Marks;
  readonly mayMark: boolean;
}

/** One student with all figures, for the thumb: what to look for stands beside each. */
export function StudentCard({ marks, mayMark }: MarkCardsProps) {
  const { candidates, nameOf, check } = marks;
  const [chosen, choose] = useState(0);
  const candidate = candidates[chosen];
  if (!candidate) return <Label>Nobody is in this class yet.</Label>;
  return (
    <chakra.div display="grid" gap="3">
      <Steps
        label="Student"
        words={candidates.map(({ student, role }) => `${nameOf(student)}, ${role}`)}
        at={chosen}
        go={choose}
      />
      {check.items.map(item => (
        <FigureToMark key={item.pattern} item={item}>
          {layersFor(item, candidate.role).map(layer => (
            <MarkRow
              key={layer}
              title={LAYER_WORDS[layer]}
              cell={{ ...candidate, pattern: item.pattern, layer }}
              {...{ marks, mayMark }}
            />
          ))}
        </FigureToMark>
      ))}
    </chakra.div>
  );
}

/** One figure across all students. */
export function FigureCard({ marks, mayMark }: MarkCardsProps) {
  const { library } = useCourse();
  const { candidates, nameOf, check } = marks;
  const [chosen, choose] = useState(0);
  const item = check.items[chosen];
  if (!item) return <Label>This check asks nothing yet.</Label>;
  return (
    <chakra.div display="grid" gap="3">
      <Steps
        label="Figure"
        words={check.items.map(({ pattern }) => figureName(library, pattern))}
        at={chosen}
        go={choose}
      />
      <FigureToMark item={item}>
        {candidates.map((candidate: Candidate) => (
          <chakra.section
            key={`${candidate.student} ${candidate.role}`}
            aria-label={nameOf(candidate.student)}
            borderTop="1px solid"
            borderColor="line"
            py="1"
          >
            <chakra.h3 fontSize="md" color={candidate.role}>
              {nameOf(candidate.student)}
            </chakra.h3>
            {layersFor(item, candidate.role).map(layer => (
              <MarkRow
                key={layer}
                title={LAYER_WORDS[layer]}
                cell={{ ...candidate, pattern: item.pattern, layer }}
                {...{ marks, mayMark }}
              />
            ))}
          </chakra.section>
        ))}
      </FigureToMark>
    </chakra.div>
  );
}

interface StepsProps {
  readonly label: string;
  readonly words: readonly string[];
  readonly at: number;
  go(to: number): void;
}

/** One of several in their order, and the one after it. */
function Steps({ label, words, at, go }: StepsProps) {
  return (
    <chakra.div display="flex" gap="2" alignItems="end" flexWrap="wrap">
      <Choice
        label={label}
        width="16rem"
        value={String(at)}
        among={words.map((text, index) => ({ value: String(index), words: text }))}
        set={value => go(Number(value))}
      />
      <chakra.div display="flex" gap="2">
        <Button disabled={at === 0} onClick={() => go(at - 1)}>
          Before
        </Button>
        <Button look="next" disabled={at >= words.length - 1} onClick={() => go(at + 1)}>
          Next
        </Button>
      </chakra.div>
    </chakra.div>
  );
}

function FigureToMark({ item, children }: { item: Criterion; children: ReactNode }) {
  const { library, studio } = useCourse();
  const pattern = library.patterns.get(item.pattern);
  const cautions = pattern ? cautionsOf(pattern, studio.studio) : [];
  const marks = pattern?.marks ?? [];
  const cues = marks.filter(({ kind }) => kind === 'cue').map(({ text }) => text);
  const faults = marks.filter(({ kind }) => kind === 'fault').map(({ text }) => text);
  return (
    <chakra.section
      aria-label={figureName(library, item.pattern)}
      borderTop="2px solid"
      borderColor="ink"
      pt="2"
    >
      <chakra.h2 fontSize="lg">
        {figureName(library, item.pattern)} {item.gate && <Label>gate</Label>}
      </chakra.h2>
      {cues.length > 0 && <p>{cues.map(cue => `“${cue}”`).join(' ')}</p>}
      {faults.length > 0 && <Label>Usual faults: {faults.join(' ')}</Label>}
      {cautions.map(text => (
        <chakra.p key={text} color="caution" fontWeight="600">
          {text}
        </chakra.p>
      ))}
      {cautions.length > 0 && <Label>{cautionNotice(studio.localRules)}</Label>}
      {children}
    </chakra.section>
  );
}

interface MarkRowProps extends MarkCardsProps {
  readonly title: string;
  readonly cell: Cell;
}

function MarkRow({ title, cell, marks, mayMark }: MarkRowProps) {
  const { own, average, markers } = marks.cell(cell);
  const [isNoting, setNoting] = useState(false);
  return (
    <chakra.fieldset
      border="0"
      display={{ base: 'grid', md: 'flex' }}
      gridTemplateColumns="repeat(4, minmax(0, 1fr))"
      gap="1.5"
      alignItems="center"
      flexWrap="wrap"
      py="1"
      aria-label={`${marks.nameOf(cell.student)}, ${title}`}
      disabled={!mayMark}
      onKeyDown={goAlong}
    >
      <chakra.span width={{ base: 'auto', md: '5.5rem' }} gridColumn="1 / -1">
        {title}
      </chakra.span>
      {MARKS.map((mark: Mark['mark']) => (
        <Button
          key={mark}
          tabIndex={(own?.mark ?? 0) === mark ? 0 : -1}
          aria-pressed={own?.mark === mark}
          aria-label={`${mark}, ${MARK_WORDS[mark]}`}
          minW={{ base: '0', md: '3rem' }}
          flexDirection={{ base: 'column', md: 'row' }}
          gap="0.5"
          px={{ base: '1', md: '4' }}
          py={{ base: '1.5', md: '0' }}
          onClick={() => marks.put(cell, mark)}
        >
          <MarkGlyph mark={mark} />
          <chakra.span display={{ base: 'block', md: 'none' }} fontSize="xs">
            {SHORT_MARK_WORDS[mark]}
          </chakra.span>
        </Button>
      ))}
      <Label gridColumn="1 / -1">
        {own !== undefined && MARK_WORDS[own.mark]}
        {markers > (own === undefined ? 0 : 1) && average !== undefined
          ? ` all markers: ${Math.round(average * 10) / 10}`
          : ''}
      </Label>
      {own && (
        <Button look="quiet" onClick={() => setNoting(true)}>
          Note
        </Button>
      )}
      <CellNotes cell={cell} marks={marks} />
      {isNoting && <CellNoteWindow cell={cell} marks={marks} close={() => setNoting(false)} />}
    </chakra.fieldset>
  );
}
