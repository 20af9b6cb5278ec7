import { checkRoute } from '../couple/check-routes.ts';
import { findRoutes } from '../couple/routes.ts';
import type { Figure, FigureFault } from '../steps/figure.ts';
import { isOffered, type Library } from './library.ts';

export interface LevelRoute {
  readonly figure: Figure;
  readonly fault: FigureFault;
}

/** The figures of a level that no figure up to it leads to from a basic, or back to one. */
export function levelRoutes(library: Library, level: string): readonly LevelRoute[] {
  const order = library.levels.get(level);
  if (!order) return [];
  const taught = [...library.readings.values()].flatMap(({ figure, faults }) => {
    const own = library.levels.get(figure.pattern.level ?? '');
    const isTaught = isOffered(figure.pattern) && own?.dance === order.dance && own.order <= order.order;
    return isTaught && faults.length === 0 ? [figure] : [];
  });
  const routes = findRoutes(taught);
  return taught
    .filter(({ pattern }) => pattern.level === level)
    .flatMap(figure => {
      const fault = checkRoute(figure, routes);
      return fault ? [{ figure, fault }] : [];
    });
}
