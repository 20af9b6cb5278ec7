import { z } from 'zod';

export const id = z.string().regex(/^[a-z0-9-]{1,64}$/, 'expected an id of a-z, 0-9 and "-"');
