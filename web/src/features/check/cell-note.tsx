import { chakra } from '@chakra-ui/react';
import { type Cell, figureName, type Mark } from '@map-step/core';
import { useQuery } from '@tanstack/react-query';
import { Controller } from 'react-hook-form';
import { z } from 'zod';
import { Choice } from '../../ui/choice.tsx';
import { Button, Label } from '../../ui/parts.tsx';
import { LongTextField } from '../../ui/text-field.tsx';
import { Tick } from '../../ui/tick.tsx';
import { useForm } from '../../ui/use-form.ts';
import { Window } from '../../ui/window.tsx';
import { useCourse } from '../course/course-context.ts';
import { personName, studioQuery } from '../studio/studio-queries.ts';
import { LAYER_WORDS, MARK_WORDS } from './check-words.ts';
import type { Marks } from './use-marks.ts';

interface CellNoteProps {
  readonly cell: Cell;
  readonly marks: Marks;
}

/** What all markers gave in a cell and said beside it; nothing where nobody said a word. */
export function CellNotes({ cell, marks }: CellNoteProps) {
  const { library } = useCourse();
  const { data: studio } = useQuery(studioQuery);
  const said = marks.given(cell).filter(isNoted);
  if (said.length === 0) return null;
  const qualities = qualitiesOf(library, cell.pattern);
  return (
    <chakra.ul listStyleType="none" display="grid" gap="0.5" fontSize="sm">
      {said.map(mark => (
        <li key={mark.by}>
          {[
            `${personName(studio, mark.by)}: ${MARK_WORDS[mark.mark]}`,
            mark.with && `danced with ${marks.nameOf(mark.with)}`,
            mark.quality && (qualities.find(({ value }) => value === mark.quality)?.words ?? mark.quality),
            mark.remark && `“${mark.remark}”`,
            mark.lookAgain && 'a second look is asked for',
          ]
            .filter(Boolean)
            .join(' · ')}
        </li>
      ))}
    </chakra.ul>
  );
}

const NOBODY = { value: '', words: 'not said' };
const note = z.object({
  with: z.string(),
  quality: z.string(),
  remark: z.string().trim().max(500, 'A remark has at most 500 characters.'),
  lookAgain: z.boolean(),
});

interface CellNoteWindowProps extends CellNoteProps {
  close(): void;
}

/** What a marker says beside the own mark of a cell. */
export function CellNoteWindow({ cell, marks, close }: CellNoteWindowProps) {
  const { library } = useCourse();
  const own = marks.cell(cell).own;
  return (
    <Window
      title={`${marks.nameOf(cell.student)}, ${figureName(library, cell.pattern)}, ${LAYER_WORDS[cell.layer]}`}
      isOpen
      close={close}
      closeWords="Leave it as it is"
    >
      {own ? (
        <NoteForm {...{ cell, marks, own, close }} />
      ) : (
        <p>Give a mark first, 0 to 3: a note stands beside your own mark.</p>
      )}
    </Window>
  );
}

function NoteForm({ cell, marks, own, close }: CellNoteWindowProps & { own: Mark }) {
  const { library } = useCourse();
  const { register, control, handleSubmit, formState } = useForm(note, {
    with: own.with ?? '',
    quality: own.quality ?? '',
    remark: own.remark ?? '',
    lookAgain: own.lookAgain ?? false,
  });
  const qualities = cell.layer === 'technique' ? qualitiesOf(library, cell.pattern) : [];
  const partners = marks.partnersFor(cell);
  const keep = handleSubmit(said => {
    marks.put(cell, own.mark, {
      ...(said.with && { with: said.with }),
      ...(said.quality && { quality: said.quality }),
      ...(said.remark && { remark: said.remark }),
      ...(said.lookAgain && { lookAgain: true }),
    });
    close();
  });
  return (
    <chakra.form onSubmit={keep} noValidate display="grid" gap="3">
      <Label>Your mark: {MARK_WORDS[own.mark]}.</Label>
      <LongTextField
        data-autofocus
        label="Remark"
        rows={2}
        fault={formState.errors.remark?.message}
        {...register('remark')}
      />
      {partners.length > 0 && (
        <Controller
          control={control}
          name="with"
          render={({ field }) => (
            <Choice
              label="Danced with"
              value={field.value}
              among={[NOBODY, ...partners]}
              set={field.onChange}
            />
          )}
        />
      )}
      {qualities.length > 0 && (
        <Controller
          control={control}
          name="quality"
          render={({ field }) => (
            <Choice
              label="What of the technique"
              value={field.value}
              among={[NOBODY, ...qualities]}
              set={field.onChange}
            />
          )}
        />
      )}
      <Controller
        control={control}
        name="lookAgain"
        render={({ field }) => (
          <Tick isOn={field.value} set={field.onChange}>
            Ask another marker for a second look
          </Tick>
        )}
      />
      <Button type="submit" look="next">
        Keep this note
      </Button>
    </chakra.form>
  );
}

function isNoted({ remark, quality, with: partner, lookAgain }: Mark): boolean {
  return Boolean(remark || quality || partner || lookAgain);
}

/** The qualities that a mark can be about: those of the figure's tracks first, then the others of its dance. */
function qualitiesOf(library: ReturnType<typeof useCourse>['library'], id: string) {
  const pattern = library.patterns.get(id);
  const tracked = new Set(pattern?.tracks?.map(({ quality }) => quality));
  const all = library.dances.get(pattern?.dance ?? '')?.qualities ?? [];
  return all
    .toSorted((a, b) => Number(tracked.has(b.id)) - Number(tracked.has(a.id)))
    .map(({ id: value, name }) => ({ value, words: name }));
}
