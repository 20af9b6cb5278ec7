import { chakra } from '@chakra-ui/react';
import type { LevelPlace, LevelPlaces } from '@map-step/core';
import { useId, useRef } from 'react';
import { Label } from '../../../ui/parts.tsx';
import { useWidth } from '../../../ui/use-width.ts';
import { placeInWords } from './place-words.ts';

const BOX = { height: 58, most: 190 };
const ROW = 84;

interface DrawingProps {
  readonly drawn: LevelPlaces;
  readonly had: ReadonlySet<string>;
  readonly stuck: ReadonlySet<string>;
  readonly chosen: string | undefined;
  choose(place: string): void;
}

/** Places in columns by how far they are from home, with arrows for what leads between them. */
export function PlacesDrawing({ drawn: { places, ways }, had, stuck, chosen, choose }: DrawingProps) {
  const view = useRef<HTMLDivElement>(null);
  const room = useWidth(view);
  const arrow = useId();
  const columns = [...new Set(places.map(({ distance }) => distance ?? Number.POSITIVE_INFINITY))];
  const width = Math.min(BOX.most, room / (columns.length * 1.35));
  const step =
    columns.length > 1 ? (Math.min(room, columns.length * 2.2 * width) - width) / (columns.length - 1) : 0;
  const inColumn = (column: number) =>
    places.filter(({ distance }) => (distance ?? Number.POSITIVE_INFINITY) === column);
  const at = new Map(
    columns.flatMap((column, index) =>
      inColumn(column).map(({ id }, row) => [id, { x: index * step + 1, y: row * ROW + 4 }] as const),
    ),
  );
  const rows = Math.max(...columns.map(column => inColumn(column).length));
  const isDeadEnd = ({ id, stay }: LevelPlace) =>
    [
      ...stay,
      ...ways.filter(({ from, to }) => from === id || to === id).flatMap(({ figures }) => figures),
    ].some(figure => stuck.has(figure)) &&
    !ways.some(
      ({ from, figures }) => from === id && figures.some(figure => had.has(figure) && !stuck.has(figure)),
    );
  return (
    <chakra.div ref={view} mt="2">
      <svg width="100%" height={rows * ROW}>
        <title>What leads from where to where</title>
        <defs>
          <marker
            id={arrow}
            viewBox="0 0 8 8"
            refX="7"
            refY="4"
            markerUnits="userSpaceOnUse"
            markerWidth="11"
            markerHeight="11"
            orient="auto"
          >
            <path d="M0 0L8 4L0 8Z" fill="var(--chakra-colors-quiet)" />
          </marker>
        </defs>
        {ways.map(way => (
          <Way
            key={`${way.from} ${way.to}`}
            path={pathOf(at.get(way.from), at.get(way.to), width)}
            isHad={way.figures.some(figure => had.has(figure))}
            isNear={way.from === chosen}
            arrow={arrow}
          />
        ))}
        {places.map(place => {
          const corner = at.get(place.id);
          return (
            corner && (
              <foreignObject key={place.id} x={corner.x} y={corner.y} width={width} height={BOX.height}>
                <PlaceBox
                  place={place}
                  isChosen={place.id === chosen}
                  isDeadEnd={isDeadEnd(place)}
                  choose={choose}
                />
              </foreignObject>
            )
          );
        })}
      </svg>
      <Label>
        Whole arrows: danced by this lesson; broken ones come later. Choose a place to read its figures.
      </Label>
    </chakra.div>
  );
}

interface PlaceBoxProps {
  readonly place: LevelPlace;
  readonly isChosen: boolean;
  readonly isDeadEnd: boolean;
  choose(place: string): void;
}

function PlaceBox({ place, isChosen, isDeadEnd, choose }: PlaceBoxProps) {
  const { title, more } = placeInWords(place);
  return (
    <chakra.button
      type="button"
      onClick={() => choose(place.id)}
      aria-pressed={isChosen}
      width="full"
      height={`${BOX.height}px`}
      px="2"
      py="0.5"
      fontSize="sm"
      lineHeight="1.2"
      textAlign="left"
      border="2px solid"
      borderColor={isDeadEnd ? 'caution' : isChosen ? 'ink' : 'line'}
      bg={isChosen ? 'nowTint' : 'panel'}
      color="ink"
      cursor="pointer"
      overflow="hidden"
    >
      <chakra.span display="block" fontWeight="650">
        {title}
      </chakra.span>
      <chakra.span display="block" color={isDeadEnd ? 'caution' : 'quiet'}>
        {isDeadEnd ? 'a dead end' : more}
      </chakra.span>
    </chakra.button>
  );
}

interface WayProps {
  readonly path: string;
  readonly isHad: boolean;
  readonly isNear: boolean;
  readonly arrow: string;
}

function Way({ path, isHad, isNear, arrow }: WayProps) {
  return (
    <path
      d={path}
      fill="none"
      stroke={isNear ? 'var(--chakra-colors-ink)' : 'var(--chakra-colors-quiet)'}
      strokeWidth={isNear ? 2.5 : 1.5}
      strokeDasharray={isHad ? undefined : '5 5'}
      markerEnd={`url(#${arrow})`}
    />
  );
}

interface Corner {
  readonly x: number;
  readonly y: number;
}

/** On from the right edge to the left one, a little higher; back a little lower; beside each other round the right. */
function pathOf(from: Corner | undefined, to: Corner | undefined, width: number): string {
  if (!from || !to) return '';
  const [y1, y2] = [from.y + BOX.height / 2, to.y + BOX.height / 2];
  if (from.x === to.x) {
    const x = from.x + width;
    const [a, b] = y1 < y2 ? [y1 + 10, y2 - 10] : [y1 - 16, y2 + 16];
    return `M${x} ${a}C${x + 40} ${a} ${x + 40} ${b} ${x + 2} ${b}`;
  }
  const isOn = from.x < to.x;
  const [x1, x2] = isOn ? [from.x + width, to.x - 1] : [from.x, to.x + width + 1];
  const lift = isOn ? -10 : 10;
  const bend = (x2 - x1) / 2;
  return `M${x1} ${y1 + lift}C${x1 + bend} ${y1 + lift} ${x2 - bend} ${y2 + lift} ${x2} ${y2 + lift}`;
}
