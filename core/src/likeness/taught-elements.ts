// The elements that some figures are made of, each with the figures that have it and what is done to teach it by itself.
import type { Library } from '../library/library.ts';
import type { Strand } from '../model/document.ts';
import { type DerivedElement, figureElements } from './elements.ts';

export interface TaughtElement extends DerivedElement {
  /** The figures among those asked that have it, in their order. */
  readonly figures: readonly string[];
}

/** The elements of these figures by id; figures that cannot be read are passed over. */
export function elementsOf(
  { readings, elements }: Pick<Library, 'readings' | 'elements'>,
  figures: readonly string[],
): ReadonlyMap<string, TaughtElement> {
  const found = new Map<string, TaughtElement>();
  for (const id of figures) {
    const figure = readings.get(id)?.figure;
    for (const element of figure ? figureElements(figure, elements) : [])
      found.set(element.id, {
        ...element,
        name: element.name.charAt(0).toUpperCase() + element.name.slice(1),
        figures: [...(found.get(element.id)?.figures ?? []), id],
      });
  }
  return found;
}

/** How an element is taught before the figure that uses it. */
export const ELEMENT_BY_ITSELF: Readonly<Record<Strand, string>> = {
  rhythm: 'Clap it, then step it on the spot',
  footwork: 'Walk it alone along the room, slowly, then in time',
  hold: 'Take the hold and let it go again, standing, then walking',
  lead: 'Lead it standing: one feels it and says when it came',
  turn: 'Turn alone, first in halves, then whole and slowly',
  floor: 'Walk the way alone, then side by side',
  quality: 'Show it, then do it on the basic',
};
