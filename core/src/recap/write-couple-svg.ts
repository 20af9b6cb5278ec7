// The couple after each count, seen from above, as a drawing of its own (SVG 1.1).
import { coupleOnFloor } from '../couple/describe-couple.ts';
import type { CouplePose } from '../couple/together.ts';
import type { Figure } from '../steps/figure.ts';
import { sheetLayout } from '../steps/sheet.ts';

const CELL = 110;
const LABEL = 22;
const AROUND = 0.65;

/** One picture a count; undefined where a figure has no couple. */
export function writeCoupleSvg(figure: Figure): string | undefined {
  const poses = coupleOnFloor(figure);
  const { columns } = sheetLayout(figure);
  if (poses.length === 0) return undefined;
  const shown = Math.max(...poses.map(({ place }) => Math.hypot(place.ahead, place.side))) + AROUND;
  const cells = poses.map((pose, index) => {
    const label = columns[index]?.label ?? '';
    return `<g transform="translate(${index * CELL} 0)"><text x="${CELL / 2}" y="15" font-size="15" text-anchor="middle">${label.replace('&', '&amp;')}</text><g transform="translate(${CELL / 2} ${LABEL + CELL / 2}) scale(${round(CELL / shown)})">${drawPose(pose)}</g></g>`;
  });
  const [width, height] = [poses.length * CELL, LABEL + CELL];
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}" viewBox="0 0 ${width} ${height}" font-family="sans-serif" font-weight="700" fill="#1B1F3B">`,
    `<rect width="${width}" height="${height}" fill="#FFFFFF"/>`,
    ...cells,
    '</svg>',
  ].join('\n');
}

function drawPose({ lead, follow }: CouplePose): string {
  const centre = { x: (lead.middle.x + follow.middle.x) / 2, y: (lead.middle.y + follow.middle.y) / 2 };
  const body = ({ middle, facing }: CouplePose['lead'], color: string, fill: string) =>
    `<g transform="translate(${round(middle.x - centre.x)} ${round(centre.y - middle.y)}) rotate(${round(-facing)})"><ellipse rx=".21" ry=".11" fill="${fill}" stroke="${color}" stroke-width=".04"/><path d="M-.07 -.11L0 -.24L.07 -.11Z" fill="${color}"/></g>`;
  return `${body(lead, '#1F6F78', '#1F6F78')}${body(follow, '#A63D6E', '#FFFFFF')}`;
}

function round(value: number): number {
  return Math.round(value * 1000) / 1000 + 0;
}
