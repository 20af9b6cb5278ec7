import { chakra, Kbd } from '@chakra-ui/react';
import { kbdRecipe } from '@chakra-ui/react/theme';
import { SHORTCUTS, shownKeys } from '../../ui/shortcuts.ts';
import { Window } from '../../ui/window.tsx';

const PLACES = ['every room', 'Map', 'Material', 'Lesson', 'Combine'] as const;

/** The keys of the rooms, from the table by which they are listened to. */
export function KeysHelp({ isOpen, close }: { isOpen: boolean; close(): void }) {
  return (
    <Window title="Keys" isOpen={isOpen} close={close} closeWords="Close the keys">
      {PLACES.map(place => (
        <chakra.section key={place} mb="4">
          <chakra.h3 fontSize="md" mb="1">
            {place === 'every room' ? 'In every room' : place}
          </chakra.h3>
          <chakra.dl display="grid" gridTemplateColumns="11rem 1fr" columnGap="4" rowGap="1">
            {Object.values(SHORTCUTS)
              .filter(({ where }) => where === place)
              .map(shortcut => (
                <chakra.div key={shortcut.words} display="contents">
                  <dt>
                    {'shown' in shortcut && !('keys' in shortcut) ? (
                      <strong>{shortcut.shown}</strong>
                    ) : (
                      shownKeys(shortcut).map(key => (
                        <Kbd key={key} recipe={kbdRecipe} mr="1">
                          {key}
                        </Kbd>
                      ))
                    )}
                  </dt>
                  <dd>{shortcut.words}</dd>
                </chakra.div>
              ))}
          </chakra.dl>
        </chakra.section>
      ))}
    </Window>
  );
}
