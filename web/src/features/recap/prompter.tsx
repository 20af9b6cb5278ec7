import { chakra } from '@chakra-ui/react';
import { useEffect, useRef, useState } from 'react';
import { NumberField } from '../../ui/number-field.tsx';
import { Button, Label } from '../../ui/parts.tsx';

/** As one speaks to a camera. */
const USUAL_WORDS = 130;

/** The text in large letters that scrolls at speaking speed; it stops and goes on with Space. */
export function Prompter({ text, close }: { text: string; close(): void }) {
  const view = useRef<HTMLDivElement>(null);
  const [isRunning, run] = useState(false);
  const [words, setWords] = useState(USUAL_WORDS);
  const lines = plainLines(text);
  const count = lines.join(' ').split(/\s+/).length;
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
          min={40}
          max={300}
          save={value => setWords(value ?? USUAL_WORDS)}
        />
        <Label>words a minute, {Math.ceil((count / words) * 60)} s in all</Label>
        <Button look="quiet" onClick={close}>
          Back to the shot list
        </Button>
      </chakra.div>
      <chakra.div
        ref={view}
        tabIndex={-1}
        overflowY="auto"
        height="calc(100vh - 15rem)"
        bg="panel"
        p="8"
        fontSize={{ base: '1.75rem', md: '2.75rem' }}
        lineHeight="1.4"
      >
        {lines.map((line, index) => (
          <chakra.p key={`${index + 1} ${line}`} mb="6">
            {line}
          </chakra.p>
        ))}
      </chakra.div>
    </chakra.section>
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
        .replace(/[*_]/g, '')
        .trim(),
    )
    .filter(Boolean);
}
