import { readFigure } from '../couple/read-figure.ts';
import type { Dance, Element, Level, Pattern, StudioDocument } from '../model/document.ts';
import type { FigureReading } from '../steps/figure.ts';

/** A studio's material with its figures read once, found by id. */
export interface Library {
  readonly dances: ReadonlyMap<string, Dance>;
  readonly levels: ReadonlyMap<string, Level>;
  readonly patterns: ReadonlyMap<string, Pattern>;
  readonly elements: ReadonlyMap<string, Element>;
  /** Of every pattern whose dance is known. */
  readonly readings: ReadonlyMap<string, FigureReading>;
}

export type Material = Pick<StudioDocument, 'dances' | 'levels' | 'patterns' | 'elements'>;

/** Reads every figure of the material; where an id stands twice the first is kept. */
export function openLibrary(material: Material): Library {
  const dances = byId(material.dances);
  const patterns = byId(material.patterns);
  const readings = new Map<string, FigureReading>();
  for (const pattern of patterns.values()) {
    const dance = dances.get(pattern.dance);
    if (dance) readings.set(pattern.id, readFigure(pattern, dance));
  }
  return { dances, levels: byId(material.levels), patterns, elements: byId(material.elements), readings };
}

export function byId<Entry extends { readonly id: string }>(
  entries: readonly Entry[] | undefined,
): ReadonlyMap<string, Entry> {
  const map = new Map<string, Entry>();
  for (const entry of entries ?? []) if (!map.has(entry.id)) map.set(entry.id, entry);
  return map;
}

/** False for a figure that is only kept for what was taught. */
export function isOffered({ retired }: Pattern): boolean {
  return retired !== true;
}

/** What the house calls a figure; its id where there is none of it. */
export function figureName({ patterns }: Pick<Library, 'patterns'>, id: string): string {
  return patterns.get(id)?.name ?? id;
}
