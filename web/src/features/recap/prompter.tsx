import { chakra } from '@chakra-ui/react';
import type { ShotList } from '@map-step/core';
import { useEffect, useRef, useState } from 'react';
import { NumberField } from '../../ui/number-field.tsx';
import { Button, Label } from '../../ui/parts.tsx';

/** As slowly and as fast as one speaks to a camera, in words a minute; and as can be asked for. */
const SPOKEN = { least: 110, most: 160 };
const ASKED = { least: 40, most: 300 };

interface PrompterProps {
  readonly text: string;
  readonly shots: ShotList;
  close(): void;
}

/** The text in large letters, which scrolls as fast as the takes beside it last, as far as one can speak so; it stops and goes on with Space. */
export function Prompter({ text, shots, close }: PrompterProps) {
  const view = useRef<HTMLDivElement>(null);
  const [isRunning, run] = useState(false);
  const lines = plainLines(text);
  const count = lines.join(' ').split(/\s+/).length;
  const usual = Math.min(SPOKEN.most, Math.max(SPOKEN.least, Math.round((count * 60) / shots.total)));
  const [words, setWords] = useState(usual);
  const [share, setShare] = useState(0);
  useEffect(() => {
    const { current } = view;
    if (!isRunning || !current) return;
    const seconds = (count / words) * 60;
    const pixelsPerMs = (current.scrollHeight - current.clientHeight) / (seconds * 1000);
    let [before, at] = [performance.now(), current.scrollTop];
    let frame = requestAnimationFrame(function step(now) {
      at += (now - before) * pixelsPerMs;
      before = now;
      current.scrollTop = at;
      if (at < current.scrollHeight - current.clientHeight) frame = requestAnimationFrame(step);
      else run(false);
    });
    return () => cancelAnimationFrame(frame);
  }, [isRunning, words, count]);
  return (
    <chakra.section aria-label="Prompter" display="grid" gap="2">
      <chakra.div display="flex" gap="2" alignItems="center" flexWrap="wrap">
        <Button look="next" autoFocus onClick={() => run(!isRunning)}>
          {isRunning ? 'Stop' : 'Start'}
        </Button>
        <NumberField
          label="Words a minute"
          value={words}
          min={ASKED.least}
          max={ASKED.most}
          save={value => setWords(value ?? usual)}
        />
        <Label>words a minute, {Math.ceil((count / words) * 60)} s in all</Label>
        <Button look="quiet" onClick={close}>
          Back to the shot list
        </Button>
      </chakra.div>
      <chakra.div
        display="grid"
        gridTemplateColumns={{ base: 'minmax(0, 1fr)', lg: 'minmax(0, 1fr) 18rem' }}
        gap="4"
      >
        <chakra.div
          ref={view}
          tabIndex={-1}
          overflowY="auto"
          height="calc(100vh - 15rem)"
          bg="panel"
          p="8"
          fontSize={{ base: '1.75rem', md: '2.75rem' }}
          lineHeight="1.4"
          onScroll={({ currentTarget: { scrollTop, scrollHeight, clientHeight } }) =>
            setShare(scrollTop / Math.max(1, scrollHeight - clientHeight))
          }
        >
          {lines.map((line, index) => (
            <chakra.p key={`${index + 1} ${line}`} mb="6">
              {line}
            </chakra.p>
          ))}
        </chakra.div>
        <Takes shots={shots} now={share * shots.total} />
      </chakra.div>
    </chakra.section>
  );
}

/** The takes that the text is spoken over; the one at this second stands out. */
function Takes({ shots: { takes }, now }: { shots: ShotList; now: number }) {
  let from = 0;
  const begun = takes.map(take => {
    const begins = from;
    from += take.seconds;
    return begins;
  });
  const current = begun.findLastIndex(begins => begins <= now);
  return (
    <chakra.ol
      aria-label="Takes"
      listStyleType="none"
      p="0"
      display="grid"
      gap="1"
      alignContent="start"
      overflowY="auto"
      maxH="calc(100vh - 15rem)"
    >
      {takes.map(({ what, who, seconds }, index) => (
        <chakra.li
          key={what}
          px="2"
          borderLeft="4px solid"
          borderColor={index === current ? 'now' : 'transparent'}
          fontWeight={index === current ? '700' : undefined}
          aria-current={index === current ? 'step' : undefined}
        >
          {what}{' '}
          <Label>
            {who}, {seconds} s
          </Label>
        </chakra.li>
      ))}
    </chakra.ol>
  );
}

/** What is spoken of a text: without its signs and blocks. */
function plainLines(text: string): readonly string[] {
  return text
    .split('\n')
    .filter(line => !line.startsWith('{{'))
    .map(line =>
      line
        .replace(/^[#>\-\s]+/, '')
        .replace(/(?<!\\)[*_]/g, '')
        .replace(/\\([^\w\s])/g, '$1')
        .trim(),
    )
    .filter(Boolean);
}
