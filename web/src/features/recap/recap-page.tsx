import { chakra } from '@chakra-ui/react';
import type { RecapAnswer } from '@map-step/contract';
import { type Audience, freezeBlocks } from '@map-step/core';
import { useQuery } from '@tanstack/react-query';
import { format } from 'date-fns';
import { lazy, Suspense, useDeferredValue, useMemo, useState } from 'react';
import { Link, useLocation } from 'react-router';
import { Disclosure } from '../../ui/disclosure.tsx';
import { Failure } from '../../ui/failure.tsx';
import { GivenLink } from '../../ui/given-link.tsx';
import { Markdown } from '../../ui/markdown.tsx';
import { Button, Empty, Label, LinkButton, Skeleton } from '../../ui/parts.tsx';
import { Segments } from '../../ui/segments.tsx';
import { LongTextField } from '../../ui/text-field.tsx';
import { combinationsQuery } from '../combine/combination-queries.ts';
import { useClass, useCourse, useMayTeach, usePlace } from '../course/course-context.ts';
import { areNamesHidden } from '../course/course-view.ts';
import { ClashChoice } from '../history/clash-choice.tsx';
import { HistoryList } from '../history/history-list.tsx';
import type { SaveState } from '../history/use-draft.ts';
import { BeforeSending } from './before-sending.tsx';
import { LogSaysNow } from './log-says-now.tsx';
import { MissedByStudents } from './missed.tsx';
import { Promises } from './promises.tsx';
import { Proof } from './proof.tsx';
import { type RecapEditor as RecapEditing, useRecap } from './use-recap.ts';

const AUDIENCES = [
  { value: 'students', words: 'For students' },
  { value: 'staff', words: 'For the staff' },
] as const satisfies readonly { value: Audience; words: string }[];

const STATE_WORDS = {
  saved: 'saved',
  saving: 'saving',
  kept: 'not saved',
  refused: 'not saved',
} as const satisfies Record<SaveState, string>;

/** The draft of a lesson's recap beside how its readers will see it. */
export function RecapPage() {
  const { section } = useClass();
  const { lesson } = usePlace();
  const { answer } = useCourse();
  const { search } = useLocation();
  const [audience, setAudience] = useState<Audience>('students');
  const recap = section?.recaps.find(entry => entry.lesson === lesson && entry.audience === audience);
  if (!recap)
    return (
      <Empty title={`Lesson ${lesson} has no recap yet`}>
        It is drafted from the log when the lesson is finished.{' '}
        <Link to={`/courses/${answer.course.id}/lesson${search}`}>Go to lesson {lesson}</Link>
      </Empty>
    );
  return (
    <>
      <chakra.div mb="3" className="no-print">
        <Segments label="Who it is for" value={audience} among={AUDIENCES} set={setAudience} />
      </chakra.div>
      {audience === 'staff' && section && areNamesHidden(section) ? (
        <Empty title="This recap is for the staff of this class">
          They read it on the days on which they teach it. The recap for students is open to all colleagues.
        </Empty>
      ) : (
        <RecapDesk key={`${recap.section} ${recap.lesson} ${recap.audience}`} recap={recap} />
      )}
    </>
  );
}

const WAYS = [
  { value: 'written', words: 'As it is read' },
  { value: 'markdown', words: 'As Markdown' },
] as const;

/** The editor is heavy, and loads when a recap is opened. */
const RecapEditor = lazy(async () => ({
  default: (await import('./editor/recap-editor.tsx')).RecapEditor,
}));

function RecapDesk({ recap }: { recap: RecapAnswer }) {
  const mayTeach = useMayTeach();
  const editor = useRecap(recap);
  const [way, setWay] = useState<(typeof WAYS)[number]['value']>('written');
  return (
    <chakra.div
      display="grid"
      gap="5"
      gridTemplateColumns={{ base: 'minmax(0, 1fr)', lg: 'minmax(0, 1.25fr) minmax(0, 1fr)' }}
      alignItems="start"
    >
      <chakra.section display="grid" gap="3" className="no-print">
        {recap.audience === 'staff' ? (
          <Label>The staff of this class read it here, signed in. It has no link.</Label>
        ) : (
          mayTeach && <Publishing recap={recap} editor={editor} />
        )}
        {editor.error && <Failure error={editor.error} />}
        <ClashChoice
          clashes={editor.clashes}
          first={editor.first}
          nameOf={() => 'The text of this recap'}
          wordsOf={String}
          settle={editor.settle}
        />
        {mayTeach && <LogSaysNow recap={recap} editor={editor} />}
        {mayTeach && recap.audience === 'students' && <BeforeSending editor={editor} />}
        <chakra.div display="flex" justifyContent="space-between" alignItems="center">
          <Segments label="How it is written" value={way} among={WAYS} set={setWay} />
          <Label role="status">{STATE_WORDS[editor.state]}</Label>
        </chakra.div>
        {way === 'written' ? (
          <Suspense fallback={<Skeleton lines={8} />}>
            <RecapEditor text={editor.text} mayWrite={mayTeach} write={editor.write} />
          </Suspense>
        ) : (
          <LongTextField
            label="Text (Markdown)"
            value={editor.text}
            onChange={event => editor.write(event.target.value)}
            readOnly={!mayTeach}
            rows={22}
            py="2"
            lineHeight="1.5"
          />
        )}
        <Disclosure title="Changes of this text">
          <HistoryList history={editor.history} takeBack={mayTeach ? editor.takeBack : undefined} />
        </Disclosure>
      </chakra.section>
      <AsRead text={editor.text} mayTeach={mayTeach} />
    </chakra.div>
  );
}

/** The text as its readers see it, with what was found in it. */
function AsRead({ text, mayTeach }: { text: string; mayTeach: boolean }) {
  const { library, studio, answer } = useCourse();
  const { data: combinations } = useQuery(combinationsQuery(answer.course.id));
  const shown = useDeferredValue(text);
  const preview = useMemo(
    () => freezeBlocks(shown, { library, studio: studio.studio, combinations: combinations ?? [] }),
    [shown, library, studio.studio, combinations],
  );
  return (
    <chakra.div display="grid" gap="4">
      <div className="no-print">
        <Proof text={text} />
      </div>
      <chakra.section
        aria-label="As its readers see it"
        bg="panel"
        border="1px solid"
        borderColor="line"
        p="5"
        maxW="24.5rem"
        css={{ '@media print': { border: 'none', maxWidth: 'none' } }}
      >
        <Markdown text={preview} />
      </chakra.section>
      <chakra.div className="no-print" display="flex" gap="2" flexWrap="wrap">
        <Button onClick={() => window.print()}>Print it</Button>
        <ToShots />
      </chakra.div>
      {mayTeach && (
        <div className="no-print">
          <MissedByStudents />
          <Promises />
        </div>
      )}
    </chakra.div>
  );
}

function ToShots() {
  const { answer } = useCourse();
  const { search } = useLocation();
  return (
    <LinkButton to={`/courses/${answer.course.id}/shots${search}`} look="choice">
      Shot list
    </LinkButton>
  );
}

function Publishing({ recap, editor }: { recap: RecapAnswer; editor: RecapEditing }) {
  return (
    <chakra.div display="grid" gap="2">
      <chakra.div display="flex" gap="3" alignItems="center" flexWrap="wrap">
        <Button look="next" size="large" onClick={editor.publish} disabled={editor.isBusy}>
          {publishWord(recap)}
        </Button>
        {recap.published && <Label>Published {format(new Date(recap.published), 'd MMM, HH:mm')}</Label>}
        {recap.links > 0 && (
          <Button look="quiet" size="small" onClick={editor.revoke}>
            Withdraw {recap.links === 1 ? 'its link' : `all ${recap.links} links`}
          </Button>
        )}
      </chakra.div>
      {recap.isChanged && (
        <Label>
          Changed since: {recap.links === 1 ? 'the link still shows' : 'links still show'} what was published,
          until you publish the correction; it will say that it is one.
        </Label>
      )}
      {editor.published && (
        <GivenLink title="Published: a link for the class" link={editor.published} path="/r/" lasts />
      )}
    </chakra.div>
  );
}

function publishWord({ published, isChanged }: RecapAnswer): string {
  if (!published) return 'Publish this recap';
  return isChanged ? 'Publish the correction' : 'Make another link';
}
