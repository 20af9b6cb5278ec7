import { chakra } from '@chakra-ui/react';
import { Link } from 'react-router';
import { TopStrip } from '../features/shell/top-strip.tsx';
import { Empty } from '../ui/parts.tsx';

/** An address that leads nowhere. */
export function MissingPage() {
  return (
    <>
      <TopStrip />
      <chakra.main px="6">
        <Empty title="There is no page at this address">
          It may have been typed wrong or moved. <Link to="/">Go to the programme</Link>
        </Empty>
      </chakra.main>
    </>
  );
}

/** A page that failed to draw: never a stack trace. */
export function BrokenPage() {
  return (
    <chakra.main px="6">
      <Empty title="This page could not be shown">
        Nothing was lost. Load the page again, or <Link to="/">go to the programme</Link>.
      </Empty>
    </chakra.main>
  );
}
