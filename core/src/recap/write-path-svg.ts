// The path of a figure on the floor as a drawing of its own (SVG 1.1), to scale: a square is a metre.
import { figurePath, type Track } from '../floor/path.ts';
import { footprint } from '../floor/room.ts';
import type { Role } from '../model/document.ts';
import type { Figure } from '../steps/figure.ts';

const COLORS: Readonly<Record<Role, string>> = { lead: '#1F6F78', follow: '#A63D6E', solo: '#4B4E8C' };
const PIXELS = 120;
const LEAST_METRES = 2;

/** The feet of all roles and the way of their middles; undefined where nothing is danced. */
export function writePathSvg(figure: Figure): string | undefined {
  const tracks = figurePath(figure);
  const box = footprint(tracks);
  if (!box) return undefined;
  const size = Math.max(LEAST_METRES, box.width, box.length);
  const left = (box.from.x + box.to.x) / 2 - size / 2;
  const top = -(box.from.y + box.to.y) / 2 - size / 2;
  const lines = Array.from({ length: Math.ceil(size) + 1 }, (_, index) => index).map(
    at =>
      `<path d="M${round(Math.ceil(left) + at)} ${round(top)}v${round(size)}M${round(left)} ${round(Math.ceil(top) + at)}h${round(size)}"/>`,
  );
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" width="${Math.round(size * PIXELS)}" height="${Math.round(size * PIXELS)}" viewBox="${round(left)} ${round(top)} ${round(size)} ${round(size)}">`,
    `<rect x="${round(left)}" y="${round(top)}" width="${round(size)}" height="${round(size)}" fill="#FFFFFF"/>`,
    `<g stroke="#D8DCE6" stroke-width=".01">${lines.join('')}</g>`,
    ...tracks.map(drawTrack),
    '</svg>',
  ].join('\n');
}

function drawTrack({ role, middle, footfalls }: Track): string {
  const color = COLORS[role];
  const way = middle.map(({ x, y }) => `${round(x)},${round(-y)}`).join(' ');
  const feet = footfalls.map(
    ({ x, y, facing, foot, weight, step }) =>
      `<g transform="translate(${round(x)} ${round(-y)}) rotate(${round(-facing)})" opacity="${step < 0 ? 0.35 : 0.9}"><ellipse rx=".045" ry=".12" fill="${weight && step >= 0 ? color : 'none'}"/><text x="${foot === 'L' ? -0.12 : 0.05}" y=".03" font-size=".09" fill="${color}" stroke="none" font-family="sans-serif">${foot}</text></g>`,
  );
  return `<g stroke="${color}" stroke-width=".015"><polyline points="${way}" fill="none" stroke-dasharray=".05 .04"/>${feet.join('')}</g>`;
}

function round(value: number): number {
  return Math.round(value * 1000) / 1000 + 0;
}
