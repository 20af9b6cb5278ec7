import type { Material, MaterialAnswer } from '@map-step/contract';
import { byId } from '@map-step/core';
import { call } from '../../api/client.ts';

export interface KnownMaterial {
  readonly stamp: string;
  readonly material: Material;
}

/** The material of a course. Whoever has an earlier one is sent what changed since, and keeps the rest. */
export async function readMaterial(course: string, known?: KnownMaterial): Promise<KnownMaterial> {
  const query = { course, ...(known && { stamp: known.stamp }) };
  const { stamp, material, order } = await call('material.read', { query });
  if (!material) {
    if (!known) throw new Error('the server told of nothing new to somebody who had nothing');
    return known;
  }
  if (!known || !order) return { stamp, material };
  const joined = joinMaterial(known.material, material, order);
  // A figure that has not changed may be needed since: what is not known is asked for with all the rest.
  return joined ? { stamp, material: joined } : readMaterial(course);
}

function joinMaterial(
  before: Material,
  changed: Material,
  order: NonNullable<MaterialAnswer['order']>,
): Material | undefined {
  const dances = inOrder(before.dances, changed.dances, order.dances);
  const levels = inOrder(before.levels, changed.levels, order.levels);
  const patterns = inOrder(before.patterns, changed.patterns, order.patterns);
  const elements = inOrder(before.elements, changed.elements, order.elements);
  return dances && levels && patterns && elements && { dances, levels, patterns, elements };
}

/** The entries of these ids, those that changed as they are now; undefined when one of them is not known. */
function inOrder<Entry extends { readonly id: string }>(
  before: readonly Entry[],
  changed: readonly Entry[],
  order: readonly string[],
): Entry[] | undefined {
  const known = byId([...before, ...changed]);
  const entries = order.flatMap(id => known.get(id) ?? []);
  return entries.length === order.length ? entries : undefined;
}
