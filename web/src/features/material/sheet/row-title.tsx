import { chakra } from '@chakra-ui/react';

/** The word before a row of the step sheet. */
export function RowTitle({ children, color = 'quiet' }: { children: string; color?: string }) {
  return (
    <chakra.div
      px="2"
      py="1"
      fontSize="sm"
      fontWeight="650"
      color={color}
      alignSelf="center"
      style={{ gridColumn: 1 }}
    >
      {children}
    </chakra.div>
  );
}
