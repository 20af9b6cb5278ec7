import { standingLogs } from '../class/standing.ts';
import type { FigureLog, Log, LogResult } from '../model/document.ts';

/** The entries of a lesson whose note can hardly be true beside their result; whoever sends the recap is asked. */
export function contradictingNotes(logs: readonly Log[], lesson: number): readonly FigureLog[] {
  return standingLogs(logs).filter(
    ({ lesson: at, result, note }) => at === lesson && note !== undefined && contradicts(result, note),
  );
}

const MANY = '(?:all|all of them|most|most of them|half of them|nobody|no one|none|everybody|everyone|they)';

/** It came to an end before the figure did. */
const UNFINISHED: readonly RegExp[] = [
  /\b(?:stopped|broke off|broken off|ended|interrupted)\b/,
  /\b(?:got|came|went) (?:only )?as far as\b|\bhal(?:f-?|f )?way\b|\bbefore we could\b|\bcome back to it\b/,
  /\bonly (?:the|its|one|showed|shown|walked|half|a part)\b|\bthrough only\b|\bshowed it\b|\bshown once\b/,
  /\b(?:never|not|didn[’']t|did not) (?:reached?|get to|come to|danced?|done|finish(?:ed)?)\b/,
  /\b(?:no|not enough|ran out of|want of|short of) time\b/,
  /\bto be (?:finished|continued)\b|\bthe rest (?:is )?next\b/,
  /\b(?:left|leave) (?:the \w+|it) out\b|\bskipped\b|\bwithout the (?:turn|ending|opening|hold|arms?)\b/,
];
/** There was nothing of it. */
const NOTHING: readonly RegExp[] = [
  /\b(?:no|not enough|ran out of) time (?:left )?(?:for (?:it|this)|at all|after)\b|\bwant of time\b/,
  /\bnot reached\b|\b(?:did not|didn[’']t|never) (?:touch|dance|do|reach|try)\b|\b(?:skipped|dropped)\b/,
];
/** Many cannot do it. */
const FAILING: readonly RegExp[] = [
  new RegExp(`\\b${MANY} (?:still )?(?:lose|loses|dance the|cannot|can[’']t|has the|have the|forget)\\b`),
  /\b(?:hardly|scarcely) any|\b(?:one|two|three|few|a few) of (?:them|the \w+|\w+) (?:can|has|have|had|got)\b/,
  /\b(?:very |quite |still )?(?:shaky|unsure|lost)\b(?! and found)|\ba mess\b|\bchaos\b|\byes, [a-z]+ no\b/,
];
/** They can. */
const MASTERED: readonly RegExp[] = [
  /\b(?:went|goes) (?:very )?(?:well|fine)\b|\bperfect\b|\bflawless\b|\bsolid\b|\bwithout a slip\b|\bit sits\b/,
  /\b(?:all of them|everybody|everyone|they all|half of them|even the \w+) (?:danced? it|ha(?:s|ve|d) it|can)\b/,
  /\bnothing (?:more )?to (?:mend|add|say)\b|\bthrough to music\b|\bas it is\b/,
];
/** It was danced, or begun. */
const DANCED: readonly RegExp[] = [
  /\b(?:danced|showed|walked|started|began|tried|did|played)(?: with)? (?:it|the first)\b|\bwith music\b/,
  /\ba (?:short |quick |first )?try\b|\bcounts? of it\b/,
];

function contradicts(result: LogResult, note: string): boolean {
  const text = note.toLowerCase();
  const says = (signs: readonly RegExp[]) => signs.some(sign => sign.test(text));
  switch (result) {
    case 'solid':
      return says(UNFINISHED) || (says(FAILING) && !says(MASTERED));
    case 'shaky':
      return says(NOTHING) || says(MASTERED) || /\bonly (?:showed|shown|walked)\b/.test(text);
    case 'touched':
      return says(NOTHING) || says(MASTERED);
    case 'not-reached':
      return says(DANCED) || says(MASTERED);
    default:
      return result satisfies never;
  }
}
