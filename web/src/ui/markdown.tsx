import ReactMarkdown from 'react-markdown';
import { chakra } from '../theme/chakra.ts';

const Prose = chakra('div', {
  base: {
    fontSize: 'md',
    lineHeight: '1.55',
    maxWidth: '42rem',
    '& h1': { fontSize: 'xl', mb: '3' },
    '& h2': { fontSize: 'lg', mt: '5', mb: '2', pt: '3', borderTop: '1px solid', borderColor: 'line' },
    '& p': { mb: '2.5' },
    '& ul': { pl: '5', mb: '3' },
    '& em': { color: 'quiet', fontSize: 'sm' },
  },
});

/** Markdown as people read it; raw HTML in it stays text. */
export function Markdown({ text }: { text: string }) {
  return (
    <Prose>
      <ReactMarkdown>{text}</ReactMarkdown>
    </Prose>
  );
}
