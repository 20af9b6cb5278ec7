import { type LessonBlock, type RunningOrder, tellBriefly } from '@map-step/core';
import { Group } from '../../ui/group.tsx';
import { Markdown } from '../../ui/markdown.tsx';
import { Label } from '../../ui/parts.tsx';
import { inMinutes } from '../../ui/seconds.ts';
import { useCourse } from '../course/course-context.ts';

/** Tonight's new figures for somebody who has to teach them: counts, parts, hold, signal, fault, layers with their minutes. */
export function BriefFigures({ order }: { order: RunningOrder }) {
  const fresh = order.blocks.filter(({ kind }) => kind === 'new');
  if (fresh.length === 0) return null;
  return (
    <>
      {fresh.map(block => (
        <BriefFigure key={block.patterns[0]} block={block} />
      ))}
    </>
  );
}

function BriefFigure({ block: { title, from, minutes, patterns, layers } }: { block: LessonBlock }) {
  const { library, studio } = useCourse();
  const figure = library.readings.get(patterns[0] ?? '')?.figure;
  if (!figure) return null;
  return (
    <Group
      title={
        <>
          {from} {title} <Label>{minutes} min</Label>
        </>
      }
    >
      <Markdown text={tellBriefly(figure, studio.studio)} />
      {layers.length > 0 && (
        <p>
          <Label>In layers: </Label>
          {layers.map(({ title: layer, seconds }) => `${layer} ${inMinutes(seconds)}`).join(' · ')}
        </p>
      )}
    </Group>
  );
}
