import { chakra } from '@chakra-ui/react';
import {
  cautionNotice,
  cautionsOf,
  entryHolds,
  figureName,
  findHold,
  missedFigures,
  RECALL_AIM,
  shakyFigures,
} from '@map-step/core';
import { Link, useLocation } from 'react-router';
import { Group } from '../../ui/group.tsx';
import { Label } from '../../ui/parts.tsx';
import { useClass, useCourse, usePlace } from '../course/course-context.ts';
import { areNamesHidden } from '../course/course-view.ts';
import { FigureLink } from '../course/figure-link.tsx';
import { BrokenTonight } from './promised.tsx';
import type { LessonOrder } from './use-lesson-order.ts';

/** Tonight at a glance: what is new and from which hold, what is shaky, who lacks what, what to take care of. */
export function Tonight({
  planned,
  order,
  recall,
  tellsPromises = true,
}: LessonOrder & { readonly tellsPromises?: boolean }) {
  const { library, studio } = useCourse();
  const { section, classPlan } = useClass();
  const fresh = Object.keys(planned.minutes);
  const shaky = new Set(shakyFigures(section?.logs ?? []));
  const fading = [...recall]
    .filter(([id, value]) => value < (studio.recallAim ?? RECALL_AIM) && !shaky.has(id))
    .map(([id]) => id);
  // What is prepared for a figure is taken care of as that figure is.
  const prepared = order.blocks.flatMap(({ element }) => element?.figures ?? []);
  const cautions = [
    ...new Set(
      [...fresh, ...prepared].flatMap(id => {
        const pattern = library.patterns.get(id);
        return pattern ? cautionsOf(pattern, studio.studio) : [];
      }),
    ),
  ];
  const left = new Set(classPlan?.progress.carried);
  const begun = new Set(classPlan?.progress.begun);
  return (
    <Group title="Tonight">
      {fresh.length === 0 && <p>Nothing new; it puts together what there is.</p>}
      {fresh.map(id => (
        <p key={id}>
          <FigureLink id={id} />
          <Label>
            {holdsOf(id)}
            {left.has(id) ? ', not reached last time' : begun.has(id) ? ', begun last time' : ''}
          </Label>
        </p>
      ))}
      {shaky.size > 0 && <Names words="Shaky" ids={[...shaky]} />}
      {fading.length > 0 && <Names words="Fading" ids={fading} />}
      {order.noTimeFor.length > 0 && <Names words="No time to review" ids={order.noTimeFor} />}
      <FreeMinutes order={order} />
      {tellsPromises && <BrokenTonight />}
      <RolesExpected />
      <WhoLacksWhat />
      {cautions.map(text => (
        <chakra.p key={text} color="caution" fontWeight="600" fontSize="sm">
          {text}
        </chakra.p>
      ))}
      {cautions.length > 0 && <Label>{cautionNotice(studio.localRules)}</Label>}
    </Group>
  );

  function holdsOf(id: string): string {
    const pattern = library.patterns.get(id);
    const dance = library.dances.get(pattern?.dance ?? '');
    if (!pattern || !dance) return '';
    const holds = entryHolds(pattern).map(hold => findHold(dance, hold)?.name ?? hold);
    return holds.length > 0 ? ` from ${holds.join(' or ')}` : '';
  }
}

function Names({ words, ids }: { words: string; ids: readonly string[] }) {
  const { library } = useCourse();
  return (
    <p>
      <Label>{words}: </Label>
      {ids.map(id => figureName(library, id)).join(', ')}
    </p>
  );
}

/** Minutes that combining and dancing have over, and what they would be enough for. */
function FreeMinutes({ order: { spare, offered } }: Pick<LessonOrder, 'order'>) {
  const { answer, library } = useCourse();
  const { search } = useLocation();
  if (offered.length === 0) return null;
  const names = offered.map(({ pattern, minutes }) => `${figureName(library, pattern)} (${minutes} min)`);
  return (
    <p>
      <Label>{spare} minutes nothing needs. Without a lesson: </Label>
      {names.join(', ')}. <Link to={`/courses/${answer.course.id}/map${search}`}>Place it on the Map</Link>
    </p>
  );
}

/** Who leads and who follows tonight, as far as it is known, and how many then wait. */
function RolesExpected() {
  const { section } = useClass();
  if (!section || section.counts.solo > 0) return null;
  const { lead, follow } = section.counts;
  const wait = Math.abs(lead - follow);
  return (
    <p>
      <Label>Expected: </Label>
      {lead} lead, {follow} follow
      {wait > 0 && <Label>; {wait} wait in turn</Label>}
    </p>
  );
}

/** Who was away and lacks which figures. */
function WhoLacksWhat() {
  const { library } = useCourse();
  const { section } = useClass();
  const { lesson } = usePlace();
  if (!section || areNamesHidden(section)) return null;
  const earlier = <Entry extends { readonly lesson: number }>(entries: readonly Entry[]) =>
    entries.filter(entry => entry.lesson < lesson);
  const missed = [
    ...missedFigures(earlier(section.logs), earlier(section.attendance), section.section),
  ].filter(([student]) => section.students.some(({ id }) => id === student));
  if (missed.length === 0) return null;
  return (
    <chakra.div>
      <Label>Were away and lack:</Label>
      {missed.map(([student, figures]) => (
        <p key={student}>
          {section.students.find(({ id }) => id === student)?.name}:{' '}
          {figures.map(id => figureName(library, id)).join(', ')}
        </p>
      ))}
    </chakra.div>
  );
}
