import { combinationSchema } from '@map-step/core';
import { z } from 'zod';
import { versioned } from './commands.ts';
import { combination, list } from './entities.ts';

/** A new combination, whole; an id that is there already is refused. */
export const combinationCreateBody = z.strictObject({ combination: combinationSchema });

export const combinationAnswer = versioned(combination);

/** Those of one course, in the order in which they were kept. */
export const combinationsAnswer = z.strictObject({ combinations: list(combination) });
