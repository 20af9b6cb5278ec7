import { readFigure } from '../couple/read-figure.ts';
import type { Dance, Element, Level, Pattern, StudioDocument } from '../model/document.ts';
import type { FigureReading } from '../steps/figure.ts';
import { HALF_SIGN, readHalf } from './halves.ts';

/** A studio's material with its figures read once, found by id; a half of a figure is found by its own, and is in no list. */
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
  const whole = byId(material.patterns);
  const readings: Map<string, FigureReading> = new FoundBesides(id => readHalf(id, one => readings.get(one)));
  for (const pattern of whole.values()) {
    const dance = dances.get(pattern.dance);
    if (dance) readings.set(pattern.id, readFigure(pattern, dance));
  }
  const patterns = new FoundBesides<Pattern>(id => readings.get(id)?.figure.pattern);
  for (const [id, pattern] of whole) patterns.set(id, pattern);
  return { dances, levels: byId(material.levels), patterns, elements: byId(material.elements), readings };
}

/** Entries by id, and besides them others that are made when they are first asked for. */
class FoundBesides<Entry> extends Map<string, Entry> {
  readonly #made = new Map<string, Entry | undefined>();
  readonly #make: (id: string) => Entry | undefined;

  constructor(make: (id: string) => Entry | undefined) {
    super();
    this.#make = make;
  }

  override get(id: string): Entry | undefined {
    const own = super.get(id);
    if (own !== undefined || !id.includes(HALF_SIGN)) return own;
    if (!this.#made.has(id)) this.#made.set(id, this.#make(id));
    return this.#made.get(id);
  }
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
