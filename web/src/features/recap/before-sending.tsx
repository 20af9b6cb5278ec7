import { chakra } from '@chakra-ui/react';
import {
  allOf,
  contradictingNotes,
  eveningByLog,
  figureName,
  offeredNotes,
  type Pattern,
  RESULT_WORDS,
  withSentence,
} from '@map-step/core';
import { useState } from 'react';
import { Link, useLocation } from 'react-router';
import { Disclosure } from '../../ui/disclosure.tsx';
import { Notice } from '../../ui/notice.tsx';
import { Button, Label } from '../../ui/parts.tsx';
import { useClass, useCourse, usePlace } from '../course/course-context.ts';
import { FigureLink } from '../course/figure-link.tsx';
import type { RecapEditor } from './use-recap.ts';

/** What is asked before students read it: results that their notes contradict, notes that may go in, words that figures lack. */
export function BeforeSending({ editor }: { editor: RecapEditor }) {
  return (
    <>
      <IsItRight />
      <NotesOfEvening editor={editor} />
      <WordsMissing />
    </>
  );
}

/** A result and a note beside it that can hardly both be true. */
function IsItRight() {
  const { library, answer } = useCourse();
  const { section } = useClass();
  const { lesson } = usePlace();
  const { search } = useLocation();
  const [settled, settle] = useState<readonly string[]>([]);
  const open = contradictingNotes(section?.logs ?? [], lesson).filter(({ id }) => !settled.includes(id));
  if (open.length === 0) return null;
  return (
    <Notice tone="now" title="Is the log right?">
      {open.map(({ id, pattern, result, note }) => (
        <chakra.div key={id} display="flex" gap="2" alignItems="baseline" flexWrap="wrap" mt="1">
          <span>
            {figureName(library, pattern)} is down as {RESULT_WORDS[result]}, and the note says “{note}”
          </span>
          <Link to={`/courses/${answer.course.id}/lesson${search}`}>Correct the log</Link>
          <Button size="small" onClick={() => settle([...settled, id])}>
            It is right
          </Button>
        </chakra.div>
      ))}
    </Notice>
  );
}

/** Notes of the evening, to be put into the text one by one. */
function NotesOfEvening({ editor }: { editor: RecapEditor }) {
  const { library } = useCourse();
  const { section } = useClass();
  const { lesson } = usePlace();
  if (!section) return null;
  const { logs, notes, students } = section;
  const offered = offeredNotes({ library, logs, notes, lesson, students }).filter(
    ({ sentence }) => !editor.text.includes(sentence),
  );
  if (offered.length === 0) return null;
  return (
    <Disclosure title={`Notes of the evening that students do not read: ${offered.length}`}>
      {offered.map(({ figure, sentence }) => (
        <chakra.div
          key={`${figure} ${sentence}`}
          display="flex"
          gap="2"
          alignItems="baseline"
          flexWrap="wrap"
          mt="1"
        >
          <span>
            {figure && <Label>{figure}: </Label>}
            {sentence}
          </span>
          <Button
            size="small"
            aria-label={`Tell the students: ${sentence}`}
            onClick={() => editor.write(withSentence(editor.text, figure ?? '', sentence))}
          >
            Tell the students
          </Button>
        </chakra.div>
      ))}
    </Disclosure>
  );
}

/** Figures of the text for which nobody has written down what a recap tells. */
function WordsMissing() {
  const { library } = useCourse();
  const { section } = useClass();
  const { lesson } = usePlace();
  const { fresh, begun } = eveningByLog(section?.logs ?? [], lesson);
  const lacking = [...fresh, ...begun].flatMap(id => {
    const pattern = library.patterns.get(id);
    const words = pattern && wordsMissing(pattern);
    return words && words.length > 0 ? [{ id, words }] : [];
  });
  if (lacking.length === 0) return null;
  return (
    <div>
      {lacking.map(({ id, words }) => (
        <p key={id}>
          <FigureLink id={id} /> <Label>has no {allOf(words)} yet: write it on its sheet.</Label>
        </p>
      ))}
    </div>
  );
}

function wordsMissing({ kind, grades = [], lookalikes = [], marks = [] }: Pattern): readonly string[] {
  if (kind === 'drill' || grades.length > 0) return [];
  const has = (wanted: string) => marks.some(mark => mark.kind === wanted && mark.text !== '');
  return [
    ...(has('fault') ? [] : ['usual fault']),
    ...(lookalikes.length > 0 && !has('signal') ? ['signal'] : []),
  ];
}
