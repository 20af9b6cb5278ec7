import { chakra } from '@chakra-ui/react';
import { Component, type ReactNode } from 'react';
import ReactMarkdown, { defaultUrlTransform } from 'react-markdown';

const Prose = chakra('div', {
  base: {
    fontSize: 'md',
    lineHeight: '1.55',
    maxWidth: '42rem',
    '& h1': { fontSize: 'xl', mb: '3' },
    '& h2': { fontSize: 'lg', mt: '5', mb: '2', pt: '3', borderTop: '1px solid', borderColor: 'line' },
    '& p': { mb: '2.5' },
    '& ul': { pl: '5', mb: '3' },
    '& img': { maxWidth: '100%', height: 'auto' },
    '& em': { color: 'quiet', fontSize: 'sm' },
  },
});

/** Markdown as people read it; raw HTML in it stays text. */
export function Markdown({ text }: { text: string }) {
  return (
    <Prose>
      <OrPlain text={text}>
        <ReactMarkdown urlTransform={withDrawings}>{text}</ReactMarkdown>
      </OrPlain>
    </Prose>
  );
}

/** An image may hold its own drawing, in which nothing runs; any other address goes through the usual sieve. */
function withDrawings(url: string, key: string): string {
  return key === 'src' && url.startsWith('data:image/svg+xml,') ? url : defaultUrlTransform(url);
}

interface OrPlainProps {
  readonly text: string;
  readonly children: ReactNode;
}

/** Shows the text as it was typed where it cannot be drawn: one recap breaks no page. */
class OrPlain extends Component<OrPlainProps, { isBroken: boolean }> {
  override state = { isBroken: false };

  static getDerivedStateFromError() {
    return { isBroken: true };
  }

  override componentDidUpdate(before: OrPlainProps) {
    if (this.state.isBroken && before.text !== this.props.text) this.setState({ isBroken: false });
  }

  override render() {
    if (!this.state.isBroken) return this.props.children;
    return <chakra.p whiteSpace="pre-wrap">{this.props.text}</chakra.p>;
  }
}
