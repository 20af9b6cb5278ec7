import { chakra } from '@chakra-ui/react';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useNavigate } from 'react-router';
import { call } from '../../api/client.ts';
import { Failure } from '../../ui/failure.tsx';
import { Button, Field, Label } from '../../ui/parts.tsx';
import { courseListQuery } from '../course/course-queries.ts';
import { useCourseView } from '../course/course-view.ts';

/** A new course with everything of this one: lessons, figures, rules, and where the figures lie. */
export function CopyCourse() {
  const { answer } = useCourseView();
  const client = useQueryClient();
  const navigate = useNavigate();
  const copy = useMutation({
    mutationFn: (name: string) =>
      call('course.create', { body: { course: { ...answer.course, id: idFor(name), name } } }),
    onSuccess: async ({ course }) => {
      await client.invalidateQueries({ queryKey: courseListQuery.queryKey });
      await navigate(`/courses/${course.id}/map`);
    },
  });
  return (
    <chakra.section aria-label="Copy">
      <chakra.h3 fontSize="lg" mb="1">
        Copy this course
      </chakra.h3>
      {copy.error && <Failure error={copy.error} />}
      <chakra.form
        display="flex"
        gap="2"
        alignItems="end"
        action={data => copy.mutate(String(data.get('name')).trim())}
      >
        <chakra.label display="grid" minW="18rem">
          <Label>Name of the new course</Label>
          <Field name="name" required maxLength={200} defaultValue={`${answer.course.name}, next term`} />
        </chakra.label>
        <Button type="submit" disabled={copy.isPending}>
          Copy it
        </Button>
      </chakra.form>
    </chakra.section>
  );
}

/** `Hustle 1, next term` is `hustle-1-next-term`, with a few letters more so that it is not taken. */
function idFor(name: string): string {
  const base = name
    .toLowerCase()
    .normalize('NFD')
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '')
    .slice(0, 50);
  return `${base || 'course'}-${crypto.randomUUID().slice(0, 6)}`;
}
