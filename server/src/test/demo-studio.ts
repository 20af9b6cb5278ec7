import { readFileSync } from 'node:fs';
import { readDocument, type StudioDocument } from '@map-step/core';

/** The demo studio as its file has it: lesson 5 on Monday 9 March 2026. */
export function demoStudio(): StudioDocument {
  const read = readDocument(readFileSync(new URL('../../../demo/tarn-street.json', import.meta.url), 'utf8'));
  if (!read.ok) throw new Error(JSON.stringify(read.fault));
  return read.value;
}
