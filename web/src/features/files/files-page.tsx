import { chakra } from '@chakra-ui/react';
import { Label } from '../../ui/parts.tsx';
import { StudioPage } from '../shell/studio-page.tsx';
import { FigureTables } from './figure-tables.tsx';
import { StudioFile } from './studio-file.tsx';

/** Everything in and out of the studio as files. */
export function FilesPage() {
  return (
    <StudioPage title="Files">
      <chakra.div display="grid" gap="8">
        <StudioFile />
        <FigureTables />
        <Label>
          Nothing is written before you have seen what a file would do, and a whole import can be taken back.
        </Label>
      </chakra.div>
    </StudioPage>
  );
}
