import { needsGraph } from '@map-step/core';
import { useEffect, useMemo, useRef } from 'react';
import { useLocation, useNavigate } from 'react-router';
import { chakra } from '../../theme/chakra.ts';
import { Label } from '../../ui/parts.tsx';
import { useCourseView } from '../course/course-view.ts';
import { Group } from './figure-meaning.tsx';

const COLUMN = 132;
const ROW = 34;
const BOX = { width: 112, height: 26 };

/** What needs what around a figure: what it stands on to the left, what it opens to the right. */
export function NeedsDrawing({ id }: { id: string }) {
  const { library, answer } = useCourseView();
  const { search } = useLocation();
  const navigate = useNavigate();
  const { nodes, edges } = useMemo(() => needsGraph(library, id), [library, id]);
  const view = useRef<HTMLDivElement>(null);
  const own = [...new Set(nodes.map(({ layer }) => layer))].indexOf(0);
  useEffect(() => {
    // The figure itself is in sight, with what it opens beside it.
    view.current?.scrollTo({ left: (own - 1) * COLUMN });
  }, [own]);
  if (nodes.length < 2) return null;
  const layers = [...new Set(nodes.map(({ layer }) => layer))];
  const places = new Map(
    nodes.map(({ id: figure, layer }) => {
      const row = nodes.filter(node => node.layer === layer).findIndex(node => node.id === figure);
      return [figure, { x: layers.indexOf(layer) * COLUMN, y: row * ROW + 1 }] as const;
    }),
  );
  const rows = Math.max(...layers.map(layer => nodes.filter(node => node.layer === layer).length));
  const width = layers.length * COLUMN - (COLUMN - BOX.width) + 2;
  const name = (figure: string) => library.patterns.get(figure)?.name ?? figure;
  const open = (figure: string) =>
    void navigate({ pathname: `/courses/${answer.course.id}/material/${figure}`, search });
  return (
    <Group title="What it stands on and what it opens">
      <chakra.div ref={view} overflowX="auto">
        <svg width={width} height={rows * ROW}>
          <title>What needs what around {name(id)}</title>
          {edges.map(([from, to]) => {
            const [a, b] = [places.get(from), places.get(to)];
            if (!a || !b) return null;
            const [x1, y1, x2, y2] = [a.x + BOX.width, a.y + BOX.height / 2, b.x, b.y + BOX.height / 2];
            return (
              <path
                key={`${from} ${to}`}
                d={`M${x1} ${y1}C${x1 + 14} ${y1} ${x2 - 14} ${y2} ${x2} ${y2}`}
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
                <foreignObject key={figure} x={at.x} y={at.y} width={BOX.width} height={BOX.height}>
                  <chakra.button
                    type="button"
                    title={name(figure)}
                    onClick={() => open(figure)}
                    width="full"
                    height={`${BOX.height}px`}
                    px="1.5"
                    fontSize="xs"
                    textAlign="left"
                    border="1.5px solid"
                    borderColor={figure === id ? 'ink' : 'line'}
                    bg={figure === id ? 'nowTint' : 'panel'}
                    color="ink"
                    cursor="pointer"
                    overflow="hidden"
                    whiteSpace="nowrap"
                    textOverflow="ellipsis"
                  >
                    {name(figure)}
                  </chakra.button>
                </foreignObject>
              )
            );
          })}
        </svg>
      </chakra.div>
      <Label>From left to right: needed first, opened later</Label>
    </Group>
  );
}
