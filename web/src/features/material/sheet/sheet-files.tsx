import { chakra } from '@chakra-ui/react';
import { type Figure, writeSheetSvg } from '@map-step/core';
import { Button } from '../../../ui/parts.tsx';
import { saveFile } from '../../../ui/save-file.ts';
import { useCourse } from '../../course/course-context.ts';

/** The step sheet on paper and as a drawing. */
export function SheetFiles({ figure }: { figure: Figure }) {
  const { studio } = useCourse();
  const download = () =>
    saveFile(`${figure.pattern.id}.svg`, writeSheetSvg(figure, studio.studio.roles), 'image/svg+xml');
  return (
    <chakra.div className="no-print" display="flex" gap="2" mt="2">
      <Button size="small" onClick={() => window.print()}>
        Print the sheet
      </Button>
      <Button size="small" onClick={download}>
        Save it as a drawing (SVG)
      </Button>
    </chakra.div>
  );
}
