import { chakra } from '@chakra-ui/react';
import type { Pattern } from '@map-step/core';
import { useQuery } from '@tanstack/react-query';
import { type ReactNode, useState } from 'react';
import { useSearchParams } from 'react-router';
import { Choice, type Option } from '../../ui/choice.tsx';
import { Failure } from '../../ui/failure.tsx';
import { NumberField } from '../../ui/number-field.tsx';
import { Button, Empty, Label, Skeleton } from '../../ui/parts.tsx';
import { GridTable, TableCell, TableRow } from '../../ui/table.tsx';
import { TextField } from '../../ui/text-field.tsx';
import { Tick } from '../../ui/tick.tsx';
import { APPROACHES, FORMATS, LOOK_ALIKES, ROLES, VALUES } from '../course/course-words.ts';
import { StudioPage } from '../shell/studio-page.tsx';
import { NextStep } from './next-step.tsx';
import { type DanceMaterial, danceQuery, framesQuery } from './setup-queries.ts';
import { type CourseWays, type NewCourse, NO_LEVEL, useNewCourse } from './use-new-course.ts';

/** The course of a dance: its lessons with their usual blocks, and which figures belong in it. */
export function NewCoursePage() {
  const [search] = useSearchParams();
  const { data: frames } = useQuery(framesQuery);
  const [chosen, choose] = useState(search.get('dance') ?? undefined);
  const dance = frames?.dances.find(({ id }) => id === chosen) ?? frames?.dances[0];
  if (!frames)
    return (
      <StudioPage title="A new course">
        <Skeleton />
      </StudioPage>
    );
  if (!dance)
    return (
      <StudioPage title="A new course">
        <Empty title="First a dance">A course is made of the figures of a dance.</Empty>
        <NextStep takesFocus />
      </StudioPage>
    );
  return (
    <StudioPage title="A new course">
      <chakra.div display="grid" gap="4" justifyItems="start">
        {frames.dances.length > 1 && (
          <Choice
            label="Dance"
            width="14rem"
            value={dance.id}
            among={frames.dances.map(({ id, name }) => ({ value: id, words: name }))}
            set={choose}
          />
        )}
        <CourseForm key={dance.id} dance={dance.id} name={dance.name} />
      </chakra.div>
    </StudioPage>
  );
}

/** What the course is, beside the figures in it. */
function CourseForm({ dance, name: danceName }: { dance: string; name: string }) {
  const { data: material } = useQuery(danceQuery(dance));
  return material ? <MaterialForm dance={dance} danceName={danceName} material={material} /> : <Skeleton />;
}

interface MaterialFormProps {
  readonly dance: string;
  readonly danceName: string;
  readonly material: DanceMaterial;
}

function MaterialForm({ dance, danceName, material }: MaterialFormProps) {
  const course = useNewCourse(dance, material);
  const { level, figures, items, draft, setDraft, create } = course;
  return (
    <chakra.form
      display="grid"
      gap="4"
      justifyItems="start"
      action={data => {
        const name = String(data.get('name')).trim();
        if (name && items.length > 0) course.make(name);
      }}
    >
      {create.isError && <Failure error={create.error} />}
      <chakra.div display="flex" gap="3" alignItems="end" flexWrap="wrap">
        <chakra.div width="18rem">
          <TextField
            key={level?.id}
            label="What the course is called"
            name="name"
            autoFocus
            required
            maxLength={200}
            defaultValue={level?.name ?? danceName}
          />
        </chakra.div>
        <Lengths draft={draft} setDraft={setDraft} />
        <Button type="submit" look="next" disabled={create.isPending || items.length === 0}>
          Make it, with {items.length} {items.length === 1 ? 'figure' : 'figures'}
        </Button>
      </chakra.div>
      <Ways course={course} />
      {figures.length === 0 ? (
        <Empty title="No figure of this level yet">
          <NextStep />
        </Empty>
      ) : (
        <GridTable look="fields" heads={['Figure', 'Belongs in it', 'Worth', 'Gate: checked at the end']}>
          {figures.map(figure => (
            <FigureRow key={figure.id} figure={figure} course={course} />
          ))}
        </GridTable>
      )}
      <Label>
        The usual blocks of {draft.minutes} minutes are filled in; the last lesson of a series puts together
        and checks. All of it can be changed under “Lessons, dates and rules”.
      </Label>
    </chakra.form>
  );
}

function Lengths({ draft, setDraft }: Pick<NewCourse, 'draft' | 'setDraft'>) {
  return (
    <>
      <Numbered words="Lessons">
        <NumberField
          label="Lessons"
          value={draft.lessons}
          min={1}
          max={100}
          isLive
          save={next => next !== undefined && next >= 1 && setDraft({ lessons: Math.round(next) })}
        />
      </Numbered>
      <Numbered words="Minutes each">
        <NumberField
          label="Minutes each"
          value={draft.minutes}
          min={15}
          max={600}
          isLive
          save={next => next !== undefined && next >= 15 && setDraft({ minutes: next })}
        />
      </Numbered>
    </>
  );
}

function Ways({ course }: { course: NewCourse }) {
  const { levels, level, draft, setDraft } = course;
  const way = <Key extends keyof CourseWays>(
    label: string,
    key: Key,
    among: readonly Option<CourseWays[Key]>[],
  ) => (
    <Choice
      label={label}
      width="12rem"
      value={draft[key]}
      among={among}
      set={value => setDraft({ [key]: value })}
    />
  );
  return (
    <chakra.div display="flex" gap="3" flexWrap="wrap">
      {levels.length > 0 && (
        <Choice
          label="Level"
          width="12rem"
          value={level?.id ?? NO_LEVEL}
          among={[
            ...levels.map(({ id, name }) => ({ value: id, words: name })),
            { value: NO_LEVEL, words: 'of no level' },
          ]}
          set={id => course.chooseLevel(id)}
        />
      )}
      {way('How it is taught', 'approach', APPROACHES)}
      {way('Lessons', 'format', FORMATS)}
      {way('Look-alikes', 'lookalikes', LOOK_ALIKES)}
      {way('Everybody learns', 'roles', ROLES)}
    </chakra.div>
  );
}

function FigureRow({ figure, course }: { figure: Pattern; course: NewCourse }) {
  const { id, name, kind } = figure;
  const value = course.worthOf(figure);
  return (
    <TableRow>
      <TableCell>
        {name} <Label>{kind}</Label>
      </TableCell>
      <TableCell>
        <Tick
          label={`${name} belongs in it`}
          isOn={value !== undefined}
          set={isIn => course.setWorth(id, isIn ? 'should' : undefined)}
        />
      </TableCell>
      <TableCell>
        {value && (
          <Choice
            label={`Worth of ${name}`}
            hidesLabel
            size="small"
            width="7rem"
            value={value}
            among={VALUES}
            set={next => course.setWorth(id, next)}
          />
        )}
      </TableCell>
      <TableCell>
        {value && (
          <Tick label={`${name} is a gate`} isOn={course.isGate(id)} set={isOn => course.setGate(id, isOn)} />
        )}
      </TableCell>
    </TableRow>
  );
}

function Numbered({ words, children }: { words: string; children: ReactNode }) {
  return (
    <chakra.div display="grid" gap="1">
      <Label>{words}</Label>
      {children}
    </chakra.div>
  );
}
