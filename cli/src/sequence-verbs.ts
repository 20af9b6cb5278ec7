import {
  CoreError,
  combineFigures,
  halvesOf,
  type Library,
  openLibrary,
  printBeats,
  requestFault,
  standOf,
  walkSequence,
  wholeOf,
} from '@map-step/core';
import { readSoundStudio, readValue } from './files.ts';
import type { Outcome } from './outcome.ts';
import { combineFile, sequenceFile } from './sequence-schema.ts';
import { type Arguments, takeWords, UsageError } from './usage.ts';

/** Sequences that answer a request, or why there is none: then the exit code is 1. */
export function combine(args: Arguments): Outcome {
  const [file = '', requestName = ''] = takeWords(args, 'FILE', 'REQUEST');
  const { halves, ...asked } = readValue(requestName, combineFile);
  const given = {
    ...asked,
    start: standOf(asked.start),
    end: typeof asked.end === 'string' ? asked.end : standOf(asked.end),
  };
  const ids = [...asked.use, ...asked.choices.flatMap(({ of }) => of.filter(id => id !== null))];
  const library = openLibrary(readSoundStudio(file, new Set(ids.map(wholeOf))));
  const request = {
    ...given,
    use: halves ? given.use.flatMap(id => [id, ...halvesIn(library, id)]) : given.use,
  };
  const fault = requestFault(library, request);
  if (fault) throw new UsageError(`${requestName}: /${fault.path.join('/')}: ${fault.message}`);
  const { sequences, why, untimed } = orRefuse(requestName, () => combineFigures(library, request));
  const told = sequences.map(({ patterns, beats, facing, score }) => ({
    ...{ patterns, beats: printBeats(beats), facing, score },
  }));
  const left = `${untimed.join(', ')}: no beats, so that nobody can say how the music is met; left out`;
  const said = untimed.length > 0 ? { rule: 'untimed', message: left } : null;
  const reason = why && {
    ...{ rule: why.rule, message: why.message },
    ...((why.opens ?? why.together) && { opens: why.opens ?? why.together }),
  };
  return { value: { sequences: told, why: reason ?? said }, code: told.length > 0 ? 0 : 1 };
}

/** A given sequence danced through; the exit code is 1 where a link fails. */
export function walk(args: Arguments): Outcome {
  const [file = '', sequenceName = ''] = takeWords(args, 'FILE', 'SEQUENCE');
  const { dance: danceId, start, steps, end } = readValue(sequenceName, sequenceFile);
  const ids = steps.flatMap((step, index) =>
    ('oneOf' in step ? step.oneOf : [step.pattern, ...(step.last ? [step.last] : [])]).flatMap(id =>
      id === null ? [] : [{ id, at: `/steps/${index}` }],
    ),
  );
  const library = openLibrary(readSoundStudio(file, new Set(ids.map(({ id }) => wholeOf(id)))));
  const dance = library.dances.get(danceId);
  if (!dance) throw new UsageError(`${sequenceName}: /dance: there is no dance "${danceId}"`);
  if (end === 'opposite' && dance.floor === 'slot')
    throw new UsageError(`${sequenceName}: /end: in a slot both ways along it are the same: write "same"`);
  for (const { id, at } of ids) refuseForeign(library, id, danceId, `${sequenceName}: ${at}`);
  const found = walkSequence(library, { dance, start: standOf(start), steps, end });
  const value = {
    steps: found.rows.map(({ pattern, beat, hold, feet, facing, place }) => ({
      ...{ pattern, beat: printBeats(beat), hold },
      free: feetOf(feet, dance.roles),
      ...{ facing, ahead: place && millimetres(place.ahead), side: place && millimetres(place.side) },
    })),
    faults: found.faults.map(({ item, code, message }) => ({ at: `/steps/${item}`, code, message })),
    beats: printBeats(found.beats),
    closes: found.closes,
  };
  return { value, code: value.faults.length > 0 ? 1 : 0 };
}

function halvesIn(library: Library, id: string): readonly string[] {
  const figure = library.readings.get(id)?.figure;
  return figure ? halvesOf(figure) : [];
}

function feetOf({ lead, follow, solo }: ReturnType<typeof standOf>['feet'], roles: 'pair' | 'solo') {
  return roles === 'solo' ? { solo } : { lead, follow };
}

function refuseForeign(library: Library, id: string, dance: string, at: string): void {
  const figure = library.readings.get(id)?.figure;
  if (!figure) throw new UsageError(`${at}: there is no pattern "${id}"`);
  if (figure.dance.id !== dance) throw new UsageError(`${at}: "${id}" is not a figure of "${dance}"`);
}

function orRefuse<Answer>(name: string, run: () => Answer): Answer {
  try {
    return run();
  } catch (error) {
    if (error instanceof CoreError) throw new UsageError(`${name}: ${error.message}`);
    throw error;
  }
}

function millimetres(metres: number): number {
  return Math.round(metres * 1000) / 1000 + 0;
}
