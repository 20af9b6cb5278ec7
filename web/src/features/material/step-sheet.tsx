import { chakra } from '@chakra-ui/react';
import { danceBeats, type Figure, type FigurePart, findHold, printBeats } from '@map-step/core';
import { useCourseView } from '../course/course-view.ts';
import { type SheetColumn, sheetColumns } from './sheet-grid.ts';
import { StepCell } from './step-cell.tsx';

/** The step sheet: one row a role, columns as wide as the beats they last, the hold as a ribbon below. */
export function StepSheet({ figure }: { figure: Figure }) {
  const { studio } = useCourseView();
  const { pattern, dance } = figure;
  const columns = sheetColumns(figure, danceBeats(dance, 'slow'), danceBeats(dance, 'quick'));
  const names = {
    lead: studio.studio.roles?.lead ?? 'Leader',
    follow: studio.studio.roles?.follow ?? 'Follower',
    solo: 'Steps',
  };
  const template = `5.5rem ${columns.map(({ width }) => `minmax(${width < 3 ? 6.5 : 7}rem, ${width}fr)`).join(' ')}`;
  return (
    <section aria-label="Step sheet">
      <chakra.div display="flex" alignItems="baseline" gap="3" flexWrap="wrap" mb="2">
        <chakra.h2 fontSize="2xl">{pattern.name}</chakra.h2>
        <chakra.span color="quiet">
          {figure.beats === null ? 'no set timing' : `${printBeats(figure.beats)} beats`}
          {pattern.aliases?.map(({ name, school }) => `, “${name}” at ${school}`)}
        </chakra.span>
      </chakra.div>
      {columns.length === 0 || figure.parts.length === 0 ? (
        <p>This has no steps of its own{pattern.over ? '; it is practised on another figure.' : '.'}</p>
      ) : (
        <chakra.div overflowX="auto" border="1px solid" borderColor="line" bg="panel">
          <chakra.div display="grid" gridTemplateColumns={template} minW="min-content">
            <CallRow
              word="Count"
              columns={columns}
              text={({ label, isRest }) => (isRest ? `(${label})` : label)}
              isCount
            />
            {columns.some(({ call }) => call) && (
              <CallRow word="Slow, quick" columns={columns} text={({ call }) => call || '·'} />
            )}
            {figure.parts.map(part => (
              <PartRow key={part.role} part={part} word={names[part.role]} columns={columns} />
            ))}
            <HoldRibbon figure={figure} count={columns.length} />
          </chakra.div>
        </chakra.div>
      )}
    </section>
  );
}

interface CallRowProps {
  readonly word: string;
  readonly columns: readonly SheetColumn[];
  readonly text: (column: SheetColumn) => string;
  readonly isCount?: boolean;
}

function CallRow({ word, columns, text, isCount = false }: CallRowProps) {
  return (
    <>
      <RowTitle>{word}</RowTitle>
      {columns.map(column => (
        <chakra.div
          key={column.event}
          px="2"
          py={isCount ? '1.5' : '0.5'}
          borderLeft="1px solid"
          borderColor="line"
          fontFamily="title"
          fontSize={isCount ? 'xl' : 'sm'}
          fontWeight={isCount ? '700' : '500'}
          color={isCount ? 'ink' : 'quiet'}
        >
          {text(column)}
        </chakra.div>
      ))}
    </>
  );
}

function PartRow({
  part,
  word,
  columns,
}: {
  part: FigurePart;
  word: string;
  columns: readonly SheetColumn[];
}) {
  return (
    <>
      <RowTitle color={part.role}>{word}</RowTitle>
      {columns.map(({ event, isRest }) => {
        const step = part.steps.find(({ time }) => time?.event === event);
        return (
          <chakra.div key={event} borderLeft="1px solid" borderTop="1px solid" borderColor="line" minH="6rem">
            {step?.step ? (
              <StepCell figureStep={step} role={part.role} />
            ) : (
              isRest && <chakra.p p="2">rest</chakra.p>
            )}
          </chakra.div>
        );
      })}
    </>
  );
}

function RowTitle({ children, color = 'quiet' }: { children: string; color?: string }) {
  return (
    <chakra.div px="2" py="1.5" fontSize="sm" fontWeight="650" color={color} alignSelf="center">
      {children}
    </chakra.div>
  );
}

function HoldRibbon({ figure, count }: { figure: Figure; count: number }) {
  const { pattern, dance } = figure;
  const name = (id: string) => findHold(dance, id)?.name ?? id;
  const entry = (pattern.entry ?? []).map(name).join(' or ');
  const changes = [...(pattern.holds ?? [])].sort((a, b) => a.event - b.event);
  const exit = pattern.exit ?? 'same';
  const exitWords =
    exit === 'same' ? 'same hold' : (typeof exit === 'string' ? [exit] : exit).map(name).join(' or ');
  if (!entry) return null;
  const stations = [
    { event: 0, words: entry },
    ...changes.map(({ event, hold }) => ({ event, words: name(hold) })),
  ];
  return (
    <>
      <RowTitle>Hold</RowTitle>
      <chakra.div
        gridColumn={`2 / ${count + 2}`}
        borderTop="1px solid"
        borderColor="line"
        display="flex"
        alignItems="stretch"
        bg="nowTint"
        fontSize="sm"
      >
        {stations.map(({ event, words }, index) => (
          <chakra.span
            key={event}
            px="2"
            py="1"
            borderLeft={index > 0 ? '2px solid' : undefined}
            borderColor="now"
            style={{ flex: (stations[index + 1]?.event ?? count) - event }}
          >
            {words}
          </chakra.span>
        ))}
        <chakra.span px="2" py="1" fontWeight="650">
          ends: {exitWords}
        </chakra.span>
      </chakra.div>
    </>
  );
}
