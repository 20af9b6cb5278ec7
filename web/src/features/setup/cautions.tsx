import { chakra } from '@chakra-ui/react';
import { CAUTION_NOTICE, CAUTIONS } from '@map-step/core';
import { Label } from '../../ui/parts.tsx';
import { SavedText } from '../../ui/saved-text.tsx';
import { type DecisionsProps, Setting } from './setting.tsx';

/** How the house words each caution, and where its local rules stand. */
export function Cautions({ studio, commands }: DecisionsProps) {
  const word = (code: string, text: string) =>
    commands.edit(`Caution: ${code}`, now => {
      const { [code]: _, ...others } = now.cautions ?? {};
      const cautions = text && text !== CAUTIONS[code] ? { ...others, [code]: text } : others;
      return { ...now, cautions };
    });
  const point = (text: string) =>
    commands.edit('Local rules', now => {
      const { localRules: _, ...others } = now.settings ?? {};
      return { ...now, settings: text ? { ...others, localRules: text } : others };
    });
  return (
    <chakra.section aria-label="Cautions" maxW="58rem" display="grid" gap="2">
      <Label>{CAUTION_NOTICE}</Label>
      <Setting affects="Told beside every caution, where it is taught, checked and recapped.">
        <SavedText
          label="Where your local rules stand"
          isLong
          placeholder="The house rules hang by the door."
          value={studio.settings?.localRules ?? ''}
          save={point}
        />
      </Setting>
      {Object.entries(CAUTIONS).map(([code, usual]) => (
        <Setting
          key={code}
          affects={
            studio.cautions?.[code] === undefined
              ? 'The usual words; yours take their place in every figure with this caution.'
              : `Your own words. Emptied, the usual ones come back: ${usual}`
          }
        >
          <SavedText
            label={wordsOf(code)}
            isLong
            value={studio.cautions?.[code] ?? usual}
            save={text => word(code, text)}
          />
        </Setting>
      ))}
    </chakra.section>
  );
}

/** `arm-turn` as `Arm turn`. */
function wordsOf(code: string): string {
  const words = code.replaceAll('-', ' ');
  return words.charAt(0).toUpperCase() + words.slice(1);
}
