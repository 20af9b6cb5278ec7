import { chakra } from '@chakra-ui/react';
import {
  attendTo,
  cautionNotice,
  cautionsOf,
  fitsAfter,
  type GivenSequence,
  stillAnother,
} from '@map-step/core';
import { useDeferredValue, useMemo } from 'react';
import { Disclosure } from '../../ui/disclosure.tsx';
import { Label } from '../../ui/parts.tsx';
import { useCourse } from '../course/course-context.ts';
import { useRoleNames } from '../course/role-names.ts';
import { attentionInWords } from './sequence-words.ts';

/** By what the partner knows that it comes, and what to watch. */
export function Signals({ pattern }: { pattern: string }) {
  const { library } = useCourse();
  const marks = library.patterns.get(pattern)?.marks ?? [];
  const told = marks
    .filter(({ kind, text }) => (kind === 'signal' || kind === 'cue') && text !== '')
    .slice(0, 2);
  return (
    <>
      {told.map(({ kind, text }) => (
        <p key={text}>
          <Label>{kind === 'signal' ? 'Signal' : 'Cue'}</Label> {text}
        </p>
      ))}
    </>
  );
}

/** What changes there in how it is danced, and what to take care of. */
export function AttendTo({
  sequence: { dance },
  pattern: id,
  before,
}: {
  sequence: GivenSequence;
  pattern: string;
  before: string | undefined;
}) {
  const { library, studio } = useCourse();
  const names = useRoleNames();
  const figure = library.readings.get(id)?.figure;
  if (!figure) return null;
  const changes = attendTo(figure, library.readings.get(before ?? '')?.figure);
  const cautions = cautionsOf(figure.pattern, studio.studio);
  return (
    <>
      {changes.map(change => {
        const { quality, role } = change;
        const name = dance.qualities?.find(one => one.id === quality)?.name ?? quality;
        return (
          <p key={`${quality} ${role}`}>
            <Label>{role === 'both' ? name : `${name}, ${names[role]}`}</Label> {attentionInWords(change)}
          </p>
        );
      })}
      {cautions.map(text => (
        <chakra.p key={text} color="caution" fontWeight="600" fontSize="sm">
          {text}
        </chakra.p>
      ))}
      {cautions.length > 0 && <Label>{cautionNotice(studio.localRules)}</Label>}
    </>
  );
}

/** What it can still become while it is danced, by its counts. */
export function StillAnother({ pattern, among }: { pattern: string; among: readonly string[] }) {
  const { library } = useCourse();
  const points = useMemo(() => {
    const figureOf = (id: string) => library.readings.get(id)?.figure ?? [];
    return [figureOf(pattern)].flat().flatMap(figure => stillAnother(figure, among.flatMap(figureOf)));
  }, [library, pattern, among]);
  if (points.length === 0) return null;
  return (
    <Disclosure size="small" title="What it can still become, by count" isLazy>
      <chakra.ul pl="5" fontSize="sm">
        {points.map(({ upTo, figures }) => (
          <li key={upTo}>
            <strong>Up to {upTo}</strong> {figures.map(one => one.pattern.name).join(', ')}
          </li>
        ))}
      </chakra.ul>
    </Disclosure>
  );
}

/** What the leader may lead next, and by what the partner knows it. */
export function FromHere({
  sequence,
  at,
  among,
}: {
  sequence: GivenSequence;
  at: number;
  among: readonly string[];
}) {
  const { library } = useCourse();
  const asked = useDeferredValue(sequence);
  const next = useMemo(() => fitsAfter(library, asked, { at, among }), [library, asked, at, among]);
  if (next.length === 0) return null;
  return (
    <Disclosure size="small" title={`What the leader may lead from here: ${next.length}`} isLazy>
      <chakra.ul pl="5" fontSize="sm">
        {next.map(id => {
          const { name = id, marks = [] } = library.patterns.get(id) ?? {};
          const signal = marks.find(({ kind, text }) => kind === 'signal' && text !== '');
          return (
            <li key={id}>
              {name} <Label>{signal?.text ?? 'no signal is written'}</Label>
            </li>
          );
        })}
      </chakra.ul>
    </Disclosure>
  );
}
