import type { Role } from '@map-step/core';

/** A cell of the step sheet. */
export interface SheetPlace {
  readonly role: Role;
  /** Index of the step in its part. */
  readonly step: number;
}
