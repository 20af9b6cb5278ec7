interface Arrow {
  readonly from: string;
  readonly to: string;
}

/** The groups of places that all lead to one another; one alone is a group where it leads to itself. Without recursion. */
export function strongGroups(arrows: readonly Arrow[]): readonly ReadonlySet<string>[] {
  const next = new Map<string, Set<string>>();
  for (const { from, to } of arrows) next.set(from, (next.get(from) ?? new Set()).add(to));
  const order = new Map<string, number>();
  const low = new Map<string, number>();
  const open: string[] = [];
  const isOpen = new Set<string>();
  const groups: ReadonlySet<string>[] = [];
  const lower = (place: string, to: number) => low.set(place, Math.min(low.get(place) ?? to, to));
  const enter = (place: string) => {
    order.set(place, order.size);
    lower(place, order.size - 1);
    open.push(place);
    isOpen.add(place);
    return { place, rest: [...(next.get(place) ?? [])] };
  };
  const close = (place: string) => {
    if (low.get(place) !== order.get(place)) return;
    const group = new Set(open.splice(open.lastIndexOf(place)));
    for (const one of group) isOpen.delete(one);
    if (group.size > 1 || next.get(place)?.has(place)) groups.push(group);
  };
  for (const root of next.keys()) {
    const trail = order.has(root) ? [] : [enter(root)];
    for (let here = trail.at(-1); here; here = trail.at(-1)) {
      const to = here.rest.pop();
      if (to === undefined) {
        close(here.place);
        trail.pop();
        const before = trail.at(-1);
        if (before) lower(before.place, low.get(here.place) ?? 0);
      } else if (!order.has(to)) trail.push(enter(to));
      else if (isOpen.has(to)) lower(here.place, order.get(to) ?? 0);
    }
  }
  return groups;
}
