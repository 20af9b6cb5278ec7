import { openLibrary, type Placed, readDocument, type StudioDocument } from '@map-step/core';
import { QueryClient, QueryClientProvider, useQuery } from '@tanstack/react-query';
import { cleanup, configure, renderHook, waitFor } from '@testing-library/react';
import { type ReactNode, useMemo, useState } from 'react';
import { onTestFinished, vi } from 'vitest';
import demo from '../../../demo/tarn-street.json?raw';
import { courseQuery } from '../features/course/course-queries.ts';
import {
  CoursePastContext,
  type CourseView,
  CourseViewContext,
  draftPlan,
  placedOf,
  problemOf,
} from '../features/course/course-view.ts';
import { CourseOnServer } from './course-on-server.ts';

// A busy machine takes longer than what the library waits by itself.
configure({ asyncUtilTimeout: 60_000 });

export const DIRECTOR = 'ottilie-marsh';
const COURSE = 'hustle-1';

const studio = readDemo();
const library = openLibrary({ patterns: [], elements: [], dances: [], levels: [], ...studio });

function readDemo(): StudioDocument {
  const read = readDocument(demo);
  if (!read.ok) throw new Error(JSON.stringify(read.fault));
  return read.value;
}

interface Asked {
  readonly role?: 'director' | 'teacher';
}

/** Runs a hook of the map inside the demo's course, on a page whose server is the one that is returned. */
export function renderInCourse<Result>(hook: () => Result, { role = 'director' }: Asked = {}) {
  const course = studio.courses?.find(({ id }) => id === COURSE);
  if (!course) throw new Error('the demo has no such course');
  const server = new CourseOnServer(course, DIRECTOR);
  vi.stubGlobal('fetch', server.fetch);
  const client = new QueryClient({ defaultOptions: { queries: { staleTime: Number.POSITIVE_INFINITY } } });
  client.setQueryData(courseQuery(COURSE).queryKey, server.answer);
  const shown: { view?: CourseView } = {};
  const wrapper = ({ children }: { children: ReactNode }) => (
    <QueryClientProvider client={client}>
      <InCourse shown={shown} role={role}>
        {children}
      </InCourse>
    </QueryClientProvider>
  );
  const rendered = renderHook(hook, { wrapper });
  const view = () => shown.view as CourseView;
  const saved = () => waitFor(() => expectSaved(client));
  onTestFinished(async () => {
    // What is still on its way would reach the server of the next test.
    await saved();
    cleanup();
    vi.unstubAllGlobals();
  });
  return {
    ...rendered,
    server,
    client,
    view,
    lessonOf: (id: string) => view().draft.placed[id],
    saved,
  };
}

function expectSaved(client: QueryClient): void {
  if (client.isMutating() > 0) throw new Error('a change is on its way');
}

interface InCourseProps {
  readonly children: ReactNode;
  readonly role: NonNullable<Asked['role']>;
  /** What the page shows, for the test to look at. */
  readonly shown: { view?: CourseView };
}

function InCourse({ children, role, shown }: InCourseProps) {
  const { data } = useQuery(courseQuery(COURSE));
  const [previewed, preview] = useState<Placed>();
  if (!data) throw new Error('the course is there from the beginning');
  const { version, history, ...answer } = data;
  const saved = useMemo(() => placedOf(answer.course), [answer.course]);
  const draft = useMemo(
    () => draftPlan(problemOf(library, answer.course, answer.published), previewed ?? saved),
    [answer.course, answer.published, previewed, saved],
  );
  const me = { id: DIRECTOR, name: 'Ottilie Marsh', role };
  const view = { me, library, answer, draft, saved, preview, lesson: 1, today: '2026-03-09' };
  shown.view = view as unknown as CourseView;
  return (
    <CourseViewContext value={shown.view}>
      <CoursePastContext value={{ version, history }}>{children}</CoursePastContext>
    </CourseViewContext>
  );
}
