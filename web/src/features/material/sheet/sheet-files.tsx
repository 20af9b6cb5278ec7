import { chakra } from '@chakra-ui/react';
import { type Figure, writeSheetSvg } from '@map-step/core';
import { Button } from '../../../ui/parts.tsx';
import { useCourse } from '../../course/course-context.ts';

/** The step sheet on paper and as a drawing. */
export function SheetFiles({ figure }: { figure: Figure }) {
  const { studio } = useCourse();
  const download = () => {
    const drawing = new Blob([writeSheetSvg(figure, studio.studio.roles)], { type: 'image/svg+xml' });
    const link = document.createElement('a');
    link.href = URL.createObjectURL(drawing);
    link.download = `${figure.pattern.id}.svg`;
    link.click();
    URL.revokeObjectURL(link.href);
  };
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
