import { chakra } from '@chakra-ui/react';
import { type Course, type CourseItem, type ItemValue, isOffered, usualLessons } from '@map-step/core';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { type ReactNode, useState } from 'react';
import { useNavigate, useSearchParams } from 'react-router';
import { call } from '../../api/client.ts';
import { newId } from '../../api/new-id.ts';
import { Choice, type Option } from '../../ui/choice.tsx';
import { Failure } from '../../ui/failure.tsx';
import { NumberField } from '../../ui/number-field.tsx';
import { Button, Empty, Label, Skeleton } from '../../ui/parts.tsx';
import { GridTable, TableCell, TableRow } from '../../ui/table.tsx';
import { TextField } from '../../ui/text-field.tsx';
import { Tick } from '../../ui/tick.tsx';
import { keys } from '../course/course-queries.ts';
import { APPROACHES, FORMATS, LOOK_ALIKES, ROLES, VALUES } from '../course/course-words.ts';
import { StudioPage } from '../shell/studio-page.tsx';
import { NextStep } from './next-step.tsx';
import { danceQuery, framesQuery } from './setup-queries.ts';

const NO_LEVEL = '-';

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

type Values = Readonly<Record<string, ItemValue | undefined>>;
type Draft = Pick<Course, 'format' | 'approach' | 'lookalikes'> & { readonly roles: 'one' | 'both' };

const USUAL: Draft = { format: 'series', approach: 'steps-first', lookalikes: 'apart', roles: 'one' };

function CourseForm({ dance, name: danceName }: { dance: string; name: string }) {
  const { data: material } = useQuery(danceQuery(dance));
  const client = useQueryClient();
  const navigate = useNavigate();
  const [draft, setDraft] = useState<Draft>(USUAL);
  const [lessons, setLessons] = useState(8);
  const [minutes, setMinutes] = useState(60);
  const [picked, pick] = useState<string>();
  const [values, setValues] = useState<Values>({});
  const [gates, setGates] = useState<ReadonlySet<string>>(new Set());
  const create = useMutation({
    mutationFn: (course: Course) => call('course.create', { body: { course } }),
    onSuccess: async ({ course }) => {
      await client.invalidateQueries({ queryKey: keys.courses });
      await navigate(`/courses/${course.id}/map`);
    },
  });
  if (!material) return <Skeleton />;
  const levels = material.levels.filter(level => level.dance === dance).sort((a, b) => a.order - b.order);
  const level = levels.find(({ id }) => id === picked) ?? (picked === NO_LEVEL ? undefined : levels[0]);
  const figures = material.patterns.filter(
    one =>
      isOffered(one) &&
      one.dance === dance &&
      one.variantOf === undefined &&
      (level === undefined || one.level === level.id),
  );
  const worthOf = (id: string, kind: string): ItemValue | undefined =>
    id in values ? values[id] : kind === 'basic' ? 'must' : 'should';
  const items = figures.flatMap(({ id, kind }): CourseItem[] => {
    const value = worthOf(id, kind);
    return value ? [{ pattern: id, value, ...(gates.has(id) && { gate: true }) }] : [];
  });
  const make = (name: string) =>
    create.mutate({
      id: newId(name, 'course'),
      dances: [dance],
      ...(level && { level: level.id }),
      name,
      ...draft,
      lessons: usualLessons(lessons, minutes, draft.format),
      items,
    });
  const way = <Key extends keyof Draft>(label: string, key: Key, among: readonly Option<Draft[Key]>[]) => (
    <Choice
      label={label}
      width="12rem"
      value={draft[key]}
      among={among}
      set={value => setDraft({ ...draft, [key]: value })}
    />
  );
  return (
    <chakra.form
      display="grid"
      gap="4"
      justifyItems="start"
      action={data => {
        const name = String(data.get('name')).trim();
        if (name && items.length > 0) make(name);
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
        <Numbered words="Lessons">
          <NumberField
            label="Lessons"
            value={lessons}
            min={1}
            max={100}
            isLive
            save={next => next !== undefined && next >= 1 && setLessons(Math.round(next))}
          />
        </Numbered>
        <Numbered words="Minutes each">
          <NumberField
            label="Minutes each"
            value={minutes}
            min={15}
            max={600}
            isLive
            save={next => next !== undefined && next >= 15 && setMinutes(next)}
          />
        </Numbered>
        <Button type="submit" look="next" disabled={create.isPending || items.length === 0}>
          Make it, with {items.length} {items.length === 1 ? 'figure' : 'figures'}
        </Button>
      </chakra.div>
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
            set={pick}
          />
        )}
        {way('How it is taught', 'approach', APPROACHES)}
        {way('Lessons', 'format', FORMATS)}
        {way('Look-alikes', 'lookalikes', LOOK_ALIKES)}
        {way('Everybody learns', 'roles', ROLES)}
      </chakra.div>
      {figures.length === 0 ? (
        <Empty title="No figure of this level yet">
          <NextStep />
        </Empty>
      ) : (
        <GridTable look="fields" heads={['Figure', 'Belongs in it', 'Worth', 'Gate: checked at the end']}>
          {figures.map(({ id, name, kind }) => {
            const value = worthOf(id, kind);
            return (
              <TableRow key={id}>
                <TableCell>
                  {name} <Label>{kind}</Label>
                </TableCell>
                <TableCell>
                  <Tick
                    label={`${name} belongs in it`}
                    isOn={value !== undefined}
                    set={isIn => setValues({ ...values, [id]: isIn ? 'should' : undefined })}
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
                      set={next => setValues({ ...values, [id]: next })}
                    />
                  )}
                </TableCell>
                <TableCell>
                  {value && (
                    <Tick
                      label={`${name} is a gate`}
                      isOn={gates.has(id)}
                      set={isGate => {
                        const next = new Set(gates);
                        if (isGate) next.add(id);
                        else next.delete(id);
                        setGates(next);
                      }}
                    />
                  )}
                </TableCell>
              </TableRow>
            );
          })}
        </GridTable>
      )}
      <Label>
        The usual blocks of {minutes} minutes are filled in; the last lesson of a series puts together and
        checks. All of it can be changed under “Lessons, dates and rules”.
      </Label>
    </chakra.form>
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
