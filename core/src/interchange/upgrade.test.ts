import fc from 'fast-check';
import { expect, test } from 'vitest';
import { upgradeDocument } from './upgrade.ts';

test('an upgrade changes its input nowhere, and nothing that is no older version', () => {
  fc.assert(
    fc.property(fc.jsonValue(), value => {
      expect(upgradeDocument(value)).toBe(value);
      const old = Object.freeze({ format: 'mapstep/1', ext: value });
      expect(upgradeDocument(old)).toEqual({ format: 'mapstep/3', ext: value });
    }),
    { seed: 11, numRuns: 100 },
  );
});
