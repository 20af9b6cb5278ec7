import type { Versioned } from '@map-step/contract';
import type { Check } from '@map-step/core';
import { queryOptions } from '@tanstack/react-query';
import { call } from '../../api/client.ts';
import type { Aggregate } from '../../api/commands.ts';
import { versionedAggregate } from '../../api/use-commands.ts';
import { keys } from '../course/course-queries.ts';

/** The checks of a class by their day. */
export function checksQuery(section: string) {
  return queryOptions({
    queryKey: keys.checks(section),
    queryFn: () => call('check.list', { params: { section } }),
  });
}

/** A check under the hands of who writes it: what it asks. Its marks are given one by one. */
export function checkAggregate(section: string, check: string): Aggregate<Versioned<Check>, Check> {
  const params = { section, check };
  return versionedAggregate<Check>({
    key: keys.check(section, check),
    read: () => call('check.read', { params }),
    send: command => call('check.command', { params, body: { command }, outlives: true }),
    onSaved: client => void client.invalidateQueries({ queryKey: keys.checks(section) }),
  });
}
