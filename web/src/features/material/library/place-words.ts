import type { LevelPlace } from '@map-step/core';

/** Degrees to the line of dance, to the left of it. */
const TO_THE_LINE: Readonly<Record<number, string>> = {
  0: 'along the line',
  45: 'to the centre',
  90: 'square to the centre',
  135: 'back to the wall',
  180: 'back to the line',
  [-45]: 'to the wall',
  [-90]: 'square to the wall',
  [-135]: 'back to the centre',
};

/** What a place is called in its box, and what is worth a second line: which foot is free, how many figures stay. */
export function placeInWords(place: LevelPlace): { readonly title: string; readonly more: string } {
  const staying = place.stay.length === 0 ? undefined : `${place.stay.length} stay here`;
  const more = [freeFoot(place), staying].filter(words => words !== undefined);
  return { title: title(place), more: more.join(', ') };
}

/** What a place is called in a sentence. */
export function placeName(place: LevelPlace): string {
  return [title(place), freeFoot(place)].filter(words => words !== undefined).join(', ');
}

function title({ holds, degrees }: LevelPlace): string {
  const facing = degrees === undefined ? undefined : (TO_THE_LINE[degrees] ?? `${degrees}° to the line`);
  return facing ? facing.charAt(0).toUpperCase() + facing.slice(1) : holds.join(' or ') || 'In place';
}

function freeFoot({ foot }: LevelPlace): string | undefined {
  return foot && `${foot === 'L' ? 'left' : 'right'} foot free`;
}
