import { chakra } from '@chakra-ui/react';
import { figureName, needsGraph } from '@map-step/core';
import { useMemo, useRef } from 'react';
import { useLocation, useNavigate } from 'react-router';
import { Group } from '../../../ui/group.tsx';
import { Label } from '../../../ui/parts.tsx';
import { useWidth } from '../../../ui/use-width.ts';
import { useCourse } from '../../course/course-context.ts';

const ROW = 44;
const BOX_HEIGHT = 38;
/** Between two columns, for the curves. */
const GAP = 16;
const LEAST_BOX = 72;

/** What needs what around a figure: what it stands on to the left, what it opens to the right. */
export function NeedsDrawing({ id }: { id: string }) {
  const { library, answer } = useCourse();
  const { search } = useLocation();
  const navigate = useNavigate();
  const { nodes: all, edges } = useMemo(() => needsGraph(library, id), [library, id]);
  const view = useRef<HTMLDivElement>(null);
  const room = useWidth(view);
  const layers = layersWithin(all, Math.max(1, Math.floor((room + GAP) / (LEAST_BOX + GAP))));
  const nodes = all.filter(({ layer }) => layers.includes(layer));
  const box = (room - 2 - (layers.length - 1) * GAP) / layers.length;
  const places = new Map(
    nodes.map(({ id: figure, layer }) => {
      const row = nodes.filter(node => node.layer === layer).findIndex(node => node.id === figure);
      return [figure, { x: layers.indexOf(layer) * (box + GAP) + 1, y: row * ROW + 1 }] as const;
    }),
  );
  const rows = Math.max(...layers.map(layer => nodes.filter(node => node.layer === layer).length));
  const further = all.length - nodes.length;
  const name = (figure: string) => figureName(library, figure);
  const open = (figure: string) =>
    void navigate({ pathname: `/courses/${answer.course.id}/material/${figure}`, search });
  if (all.length < 2) return null;
  return (
    <Group title="What it stands on and what it opens">
      <chakra.div ref={view}>
        <svg width="100%" height={rows * ROW}>
          <title>What needs what around {name(id)}</title>
          {edges.map(([from, to]) => {
            const [a, b] = [places.get(from), places.get(to)];
            if (!a || !b) return null;
            const [x1, y1, x2, y2] = [a.x + box, a.y + BOX_HEIGHT / 2, b.x, b.y + BOX_HEIGHT / 2];
            return (
              <path
                key={`${from} ${to}`}
                d={`M${x1} ${y1}C${x1 + 8} ${y1} ${x2 - 8} ${y2} ${x2} ${y2}`}
                fill="none"
                stroke="var(--chakra-colors-quiet)"
                strokeWidth={from === id || to === id ? 2 : 1}
              />
            );
          })}
          {nodes.map(({ id: figure }) => {
            const at = places.get(figure);
            return (
              at && (
                <foreignObject key={figure} x={at.x} y={at.y} width={box} height={BOX_HEIGHT}>
                  <chakra.button
                    type="button"
                    onClick={() => open(figure)}
                    width="full"
                    height={`${BOX_HEIGHT}px`}
                    lineHeight="1.15"
                    px="1.5"
                    fontSize="xs"
                    textAlign="left"
                    border="1.5px solid"
                    borderColor={figure === id ? 'ink' : 'line'}
                    bg={figure === id ? 'nowTint' : 'panel'}
                    color="ink"
                    cursor="pointer"
                    overflow="hidden"
                    overflowWrap="anywhere"
                  >
                    {name(figure)}
                  </chakra.button>
                </foreignObject>
              )
            );
          })}
        </svg>
      </chakra.div>
      <Label>
        From left to right: needed first, opened later
        {further > 0 && `; ${further} further away ${further === 1 ? 'is' : 'are'} not drawn`}
      </Label>
    </Group>
  );
}

/** As many layers as there is room for: that of the figure itself, the one before it, and what comes after. */
function layersWithin(nodes: readonly { readonly layer: number }[], most: number): readonly number[] {
  const layers = [...new Set(nodes.map(({ layer }) => layer))];
  const first = Math.max(0, Math.min(layers.indexOf(0) - 1, layers.length - most));
  return layers.slice(first, first + most);
}
