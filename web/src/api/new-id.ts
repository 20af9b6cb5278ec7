import { freeId } from '@map-step/core';

/** An id from a name, for what the page does not know all of: a few letters more make it free. */
export function newId(name: string, fallback: string): string {
  return `${freeId(name, () => false, fallback).slice(0, 56)}-${crypto.randomUUID().slice(0, 6)}`;
}
