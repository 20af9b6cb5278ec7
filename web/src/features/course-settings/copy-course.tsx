import { chakra } from '@chakra-ui/react';
import { type Course, placeItems } from '@map-step/core';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useNavigate } from 'react-router';
import { call } from '../../api/client.ts';
import { newId } from '../../api/new-id.ts';
import { Failure } from '../../ui/failure.tsx';
import { Button } from '../../ui/parts.tsx';
import { TextField } from '../../ui/text-field.tsx';
import { useCourse, usePlan } from '../course/course-context.ts';
import { courseListQuery } from '../course/course-queries.ts';

/** A new course with everything of this one: lessons, figures, rules, and where the figures lie. */
export function CopyCourse() {
  const { answer } = useCourse();
  const { saved } = usePlan();
  const client = useQueryClient();
  const navigate = useNavigate();
  const copyOf = (name: string): Course => {
    const { placed, ahead } = saved;
    const copy = { ...answer.course, id: newId(name, 'course'), name };
    return placeItems(copy, placed, Object.fromEntries(ahead.map(id => [id, true])));
  };
  const copy = useMutation({
    mutationFn: (name: string) => call('course.create', { body: { course: copyOf(name) } }),
    onSuccess: async ({ course }) => {
      await client.invalidateQueries({ queryKey: courseListQuery.queryKey });
      await navigate(`/courses/${course.id}/map`);
    },
  });
  return (
    <chakra.section aria-label="Copy" id="copy">
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
        <chakra.div minW="18rem">
          <TextField
            label="Name of the new course"
            name="name"
            required
            maxLength={200}
            defaultValue={`${answer.course.name}, next term`}
          />
        </chakra.div>
        <Button type="submit" disabled={copy.isPending}>
          Copy it
        </Button>
      </chakra.form>
    </chakra.section>
  );
}
