import { chakra } from '@chakra-ui/react';

/** A table of fields: lines between rows, no boxes. */
export const SettingsTable = chakra('table', {
  base: {
    borderCollapse: 'collapse',
    fontSize: 'sm',
    '& th': {
      textAlign: 'left',
      fontWeight: '600',
      color: 'quiet',
      py: '1',
      pr: '3',
      verticalAlign: 'bottom',
    },
    '& td': { py: '1', pr: '3', borderTop: '1px solid', borderColor: 'line' },
  },
});
