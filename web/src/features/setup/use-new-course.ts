import {
  type Course,
  type CourseItem,
  type ItemValue,
  isOffered,
  type Pattern,
  usualLessons,
} from '@map-step/core';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { call } from '../../api/client.ts';
import { newId } from '../../api/new-id.ts';
import { keys } from '../course/course-queries.ts';
import type { DanceMaterial } from './setup-queries.ts';

export type CourseWays = Pick<Course, 'format' | 'approach' | 'lookalikes'> & {
  readonly roles: 'one' | 'both';
};
type Draft = CourseWays & { readonly lessons: number; readonly minutes: number };
export type NewCourse = ReturnType<typeof useNewCourse>;

/** Chosen as a level: none. */
export const NO_LEVEL = '-';

const USUAL: Draft = {
  format: 'series',
  approach: 'steps-first',
  lookalikes: 'apart',
  roles: 'one',
  lessons: 8,
  minutes: 60,
};

/** A course of a dance before it is made: what it is, which figures are in it and what each is worth. */
export function useNewCourse(dance: string, material: DanceMaterial) {
  const [draft, setDraft] = useState(USUAL);
  const [chosen, chooseLevel] = useState<string>();
  const [worths, setWorths] = useState<Readonly<Record<string, ItemValue | undefined>>>({});
  const [gates, setGates] = useState<ReadonlySet<string>>(new Set());
  const create = useCreate();
  const levels = material.levels.filter(level => level.dance === dance).sort((a, b) => a.order - b.order);
  const level = levels.find(({ id }) => id === chosen) ?? (chosen === NO_LEVEL ? undefined : levels[0]);
  const figures = material.patterns.filter(
    one =>
      isOffered(one) &&
      one.dance === dance &&
      one.variantOf === undefined &&
      (level === undefined || one.level === level.id),
  );
  const worthOf = ({ id, kind }: Pattern): ItemValue | undefined =>
    id in worths ? worths[id] : kind === 'basic' ? 'must' : 'should';
  const items = figures.flatMap((figure): CourseItem[] => {
    const value = worthOf(figure);
    return value ? [{ pattern: figure.id, value, ...(gates.has(figure.id) && { gate: true }) }] : [];
  });
  const make = (name: string) => {
    const { lessons, minutes, ...ways } = draft;
    create.mutate({
      id: newId(name, 'course'),
      dances: [dance],
      ...(level && { level: level.id }),
      name,
      ...ways,
      ...(ways.format === 'series' && { ahead: true, along: true }),
      lessons: usualLessons(lessons, minutes, ways.format),
      items,
    });
  };
  return {
    draft,
    setDraft: (change: Partial<Draft>) => setDraft({ ...draft, ...change }),
    levels,
    level,
    chooseLevel,
    figures,
    items,
    worthOf,
    setWorth: (id: string, worth: ItemValue | undefined) => setWorths({ ...worths, [id]: worth }),
    isGate: (id: string) => gates.has(id),
    setGate: (id: string, isOn: boolean) =>
      setGates(new Set(isOn ? [...gates, id] : [...gates].filter(gate => gate !== id))),
    create,
    make,
  };
}

function useCreate() {
  const client = useQueryClient();
  const navigate = useNavigate();
  return useMutation({
    mutationFn: (course: Course) => call('course.create', { body: { course } }),
    onSuccess: async ({ course }) => {
      await client.invalidateQueries({ queryKey: keys.courses });
      await navigate(`/courses/${course.id}/map`);
    },
  });
}
