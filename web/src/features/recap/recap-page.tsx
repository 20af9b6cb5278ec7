import { chakra } from '@chakra-ui/react';
import type { RecapAnswer } from '@map-step/contract';
import type { Audience } from '@map-step/core';
import { format } from 'date-fns';
import { useState } from 'react';
import { Link, useLocation } from 'react-router';
import { Disclosure } from '../../ui/disclosure.tsx';
import { Failure } from '../../ui/failure.tsx';
import { Markdown } from '../../ui/markdown.tsx';
import { Notice } from '../../ui/notice.tsx';
import { Button, Empty, Label } from '../../ui/parts.tsx';
import { Segments } from '../../ui/segments.tsx';
import { LongTextField, TextField } from '../../ui/text-field.tsx';
import { useClass, useCourse, useMayTeach, usePlace } from '../course/course-context.ts';
import { areNamesHidden } from '../course/course-view.ts';
import { ClashChoice } from '../history/clash-choice.tsx';
import { HistoryList } from '../history/history-list.tsx';
import type { SaveState } from '../history/use-draft.ts';
import { type RecapEditor, useRecap } from './use-recap.ts';

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
      <chakra.div mb="3">
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

function RecapDesk({ recap }: { recap: RecapAnswer }) {
  const mayTeach = useMayTeach();
  const editor = useRecap(recap);
  return (
    <chakra.div
      display="grid"
      gap="5"
      gridTemplateColumns={{ base: 'minmax(0, 1fr)', lg: 'minmax(0, 1fr) minmax(0, 1.1fr)' }}
      alignItems="start"
    >
      <chakra.section display="grid" gap="3">
        {recap.audience === 'staff' ? (
          <Label>The staff of this class read it here, signed in. It has no link.</Label>
        ) : (
          mayTeach && <Publishing recap={recap} editor={editor} />
        )}
        {editor.error && <Failure error={editor.error} />}
        <ClashChoice
          clashes={editor.clashes}
          nameOf={() => 'The text of this recap'}
          wordsOf={String}
          settle={editor.settle}
        />
        <chakra.div position="relative">
          <Label position="absolute" right="0" role="status">
            {STATE_WORDS[editor.state]}
          </Label>
          <LongTextField
            label="Text (Markdown)"
            value={editor.text}
            onChange={event => editor.write(event.target.value)}
            readOnly={!mayTeach}
            rows={22}
            py="2"
            lineHeight="1.5"
          />
        </chakra.div>
        <Disclosure title="Changes of this text">
          <HistoryList history={editor.history} takeBack={mayTeach ? editor.takeBack : undefined} />
        </Disclosure>
      </chakra.section>
      <chakra.section
        aria-label="As its readers see it"
        bg="panel"
        border="1px solid"
        borderColor="line"
        p="5"
      >
        <Markdown text={editor.text} />
      </chakra.section>
    </chakra.div>
  );
}

function Publishing({ recap, editor }: { recap: RecapAnswer; editor: RecapEditor }) {
  const link = editor.published && `${window.location.origin}/r/${editor.published.token}`;
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
          until you publish again.
        </Label>
      )}
      {link && (
        <Notice tone="ready" title="Published. Send this link to the class; it is shown only now.">
          <chakra.div display="flex" gap="2" mt="1">
            <TextField
              label="Link for students"
              readOnly
              value={link}
              onFocus={event => event.target.select()}
            />
            <Button alignSelf="end" onClick={() => void navigator.clipboard?.writeText(link)}>
              Copy
            </Button>
          </chakra.div>
          <Label>
            Works until {format(new Date(editor.published?.expires ?? 0), 'd MMMM yyyy')}, without an account.
          </Label>
        </Notice>
      )}
    </chakra.div>
  );
}

function publishWord({ published, isChanged }: RecapAnswer): string {
  if (!published) return 'Publish this recap';
  return isChanged ? 'Publish these changes' : 'Make another link';
}
