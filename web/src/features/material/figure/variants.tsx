import { comparisonInWords, type Pattern } from '@map-step/core';
import { Link, useLocation } from 'react-router';
import { Group } from '../../../ui/group.tsx';
import { Label } from '../../../ui/parts.tsx';
import { useCourse } from '../../course/course-context.ts';

const WHY_WORDS = {
  easier: 'easier',
  harder: 'harder',
  ending: 'another ending',
  tempo: 'another tempo',
  school: 'another school',
} as const;

/** The forms of one item, the easy ones first: the figure itself and those that are variants of it. */
export function Variants({ id }: { id: string }) {
  const { library, answer, studio } = useCourse();
  const { search } = useLocation();
  const figure = library.patterns.get(id);
  const head = library.patterns.get(figure?.variantOf ?? id);
  const variants = [...library.patterns.values()].filter(({ variantOf }) => variantOf === head?.id);
  if (!head || variants.length === 0) return null;
  const forms = [head, ...variants].sort((a, b) => (a.rank ?? 0) - (b.rank ?? 0));
  const differs = (form: Pattern) => {
    const [a, b] = [library.readings.get(form.id)?.figure, library.readings.get(head.id)?.figure];
    return a && b && a !== b ? comparisonInWords(a, b, studio.studio.roles) : '';
  };
  return (
    <Group title="Forms of one figure">
      {forms.map(form => (
        <p key={form.id}>
          {form.id === id ? (
            <strong>{form.name}</strong>
          ) : (
            <Link to={{ pathname: `/courses/${answer.course.id}/material/${form.id}`, search }}>
              {form.name}
            </Link>
          )}{' '}
          <Label>
            {form.variantWhy ? WHY_WORDS[form.variantWhy] : form === head ? 'the figure itself' : ''}
          </Label>
          {differs(form) && (
            <>
              <br />
              {differs(form)}
            </>
          )}
        </p>
      ))}
    </Group>
  );
}
