// What a sentence claims of a figure, held against the figure; each claim is a way in which teachers say it.
import { coupleOnFloor } from '../couple/describe-couple.ts';
import { figureClosure } from '../floor/closure.ts';
import { printBeats } from '../model/fraction.ts';
import { TICKS_PER_BEAT } from '../model/units.ts';
import { labelOf, otherSchools, stepCount } from '../steps/counts.ts';
import { danceBeats, type FigurePart, figureTurn } from '../steps/figure.ts';
import { allExitHolds, entryHolds, findHold } from '../steps/holds.ts';
import { actionInWords, turnInWords } from '../steps/words.ts';
import { slowQuickCall } from '../timing/calls.ts';
import { NUMBER, numberOf, type Passage, type Slip, slipAt } from './slip.ts';

type Claim = (passage: Passage) => readonly Slip[];

/** The parts that a passage speaks of: those of its role, else all. */
function partsOf({ figure, role }: Passage): readonly FigurePart[] {
  const own = figure.parts.filter(part => part.role === role);
  return own.length > 0 ? own : figure.parts;
}

const matches = (passage: Passage, pattern: RegExp) => [...passage.text.matchAll(pattern)];

/** `3 beats`. */
const beats: Claim = passage => {
  const { beats } = passage.figure;
  if (beats === null) return [];
  return matches(passage, new RegExp(`\\b(${NUMBER})\\s+beats?\\b(?! a minute)`, 'gi')).flatMap(match =>
    String(numberOf(match[1] ?? '')) === printBeats(beats)
      ? []
      : [slipAt('count', passage, match.index, match[0], `${printBeats(beats)} beats`)],
  );
};

/** `three steps`, `a step of four`. */
const stepNumber: Claim = passage => {
  const counts = partsOf(passage).map(({ steps }) => steps.length);
  return matches(passage, new RegExp(`\\b(?:has|of|in|its|all)\\s+(${NUMBER})\\s+steps\\b`, 'gi')).flatMap(
    match =>
      counts.includes(numberOf(match[1] ?? ''))
        ? []
        : [slipAt('count', passage, match.index, match[0], `${counts[0]} steps`)],
  );
};

const TOKEN = '\\(?(?:\\d{1,2}|&|e|a)\\)?';
const COUNTS = new RegExp(`(?<![\\w.:])${TOKEN}(?:[ ,]+${TOKEN}){2,}(?![\\w%])`, 'g');

/** `& 1 2 3`: the counts of the house or of another school, or a stretch of them. */
const counted: Claim = passage => {
  const { figure } = passage;
  const ways = [
    ...figure.parts.map(({ rhythm }) => rhythm.events.map((_, event) => labelOf(figure, rhythm, event))),
    ...figure.parts.map(part => part.steps.map((_, step) => stepCount(figure, part, step))),
    ...otherSchools(figure).map(({ labels }) => labels),
  ];
  return matches(passage, COUNTS).flatMap(match => {
    const said = tokensOf(match[0]);
    // A turn of the count tells how often: `1 2 3, 2 2 3`.
    const isRepeat = said.length > 3 && said.some((token, index) => index > 0 && token === said[index - 1]);
    // Single counts in a row, as in “flat on 2, 3, 6 and 7”, are no way of counting it.
    const isList = /\bon $/i.test(passage.text.slice(0, match.index));
    return isRepeat || isList || ways.some(way => isWithin(said, [...way, ...way]))
      ? []
      : [slipAt('count', passage, match.index, match[0], (ways[0] ?? []).join(' '))];
  });
};

function tokensOf(text: string): readonly string[] {
  return text.replace(/[(),]/g, ' ').trim().split(/\s+/);
}

function isWithin(part: readonly string[], whole: readonly string[]): boolean {
  return whole.some((_, from) => part.every((token, index) => whole[from + index] === token));
}

/** `quick quick slow`, `S Q Q`. */
const slowsAndQuicks: Claim = passage => {
  const { dance, parts } = passage.figure;
  const calls = parts.map(({ rhythm }) =>
    slowQuickCall(rhythm, danceBeats(dance, 'slow'), danceBeats(dance, 'quick')).map(call => call ?? '?'),
  );
  if (calls.every(call => call.includes('?'))) return [];
  const words = /\b(?:slow|quick)(?:[ ,]+(?:slow|quick))+\b|\b[SQ](?: [SQ]){1,}\b/gi;
  return matches(passage, words).flatMap(match => {
    const said = match[0].split(/[ ,]+/).map(word => word.charAt(0).toUpperCase());
    return calls.some(call => isWithin(said, [...call, ...call]))
      ? []
      : [slipAt('count', passage, match.index, match[0], inSlowQuick(calls[0] ?? []))];
  });
};

function inSlowQuick(call: readonly string[]): string {
  return call.map(word => (word === 'S' ? 'slow' : 'quick')).join(' ');
}

const DIRECTIONS = ['forward', 'back', 'side', 'close', 'replace'] as const;

/** `on 2 the follower steps forward`, `the left foot on 3`. */
const onACount: Claim = passage => {
  const sentence = /\bon (?:count )?(\d{1,2}|&)\b([^.;:!?]*)/gi;
  return matches(passage, sentence).flatMap(match => {
    const [, count = '', rest = ''] = match;
    const at = match.index + match[0].length - rest.length;
    const steps = partsOf(passage).flatMap(part =>
      part.steps.flatMap(({ step }, index) =>
        step && stepCount(passage.figure, part, index) === count ? [step] : [],
      ),
    );
    // A rest has its count too, and a long step is held over others.
    if (steps.length === 0) {
      const { beats: length } = passage.figure;
      const isBeyond = length !== null && Number(count) * TICKS_PER_BEAT > length;
      return isBeyond
        ? [slipAt('count', passage, match.index, `on ${count}`, `it has ${printBeats(length)} beats`)]
        : [];
    }
    const [first] = steps;
    const foot = /\b(left|right) foot\b/i.exec(rest);
    const slips: Slip[] = [];
    if (
      foot &&
      first &&
      steps.every(step => step.foot !== 'B' && step.foot !== (foot[1]?.toLowerCase() === 'left' ? 'L' : 'R'))
    )
      slips.push(
        slipAt(
          'foot',
          passage,
          at + foot.index,
          foot[0],
          `the ${first.foot === 'L' ? 'left' : 'right'} foot`,
        ),
      );
    const way = new RegExp(`\\bsteps?\\b[^,]*?\\b(${DIRECTIONS.join('|')})(?:s|wards?)?\\b`, 'i').exec(rest);
    const said = way?.[1]?.toLowerCase();
    const told = steps.map(({ action }) => actionInWords(action));
    if (
      way &&
      said &&
      first &&
      told.every(action => DIRECTIONS.some(one => action.includes(one)) && !action.includes(said))
    )
      slips.push(slipAt('side', passage, at + way.index, way[0], actionInWords(first.action)));
    return slips;
  });
};

const SIZES: Readonly<Record<string, number>> = {
  eighth: 45,
  quarter: 90,
  'three eighths': 135,
  half: 180,
  'three quarter': 270,
  'three quarters': 270,
  full: 360,
  whole: 360,
  double: 720,
};

/** `a half turn to the right`, `turns left`. */
const turns: Claim = passage => {
  const couple = passage.role === undefined ? [figureTurn(passage.figure)] : [];
  const sums = [...partsOf(passage).flatMap(sumsOfTurns), ...couple];
  const size = Object.keys(SIZES)
    .sort((a, b) => b.length - a.length)
    .join('|');
  const amounts = new RegExp(`\\b(${size})(?: turns?)?,?(?: to the| to)? (left|right)\\b`, 'gi');
  const total = sums.reduce((most, sum) => (Math.abs(sum) > Math.abs(most) ? sum : most), 0);
  const meant = total === 0 ? 'no turn' : turnInWords(total);
  const sized = matches(passage, amounts).flatMap(match => {
    const degrees =
      (SIZES[match[1]?.toLowerCase() ?? ''] ?? 0) * (match[2]?.toLowerCase() === 'left' ? 1 : -1);
    return sums.includes(degrees) ? [] : [slipAt('turn', passage, match.index, match[0], meant)];
  });
  const plain = matches(passage, /\bturns?(?: to the| to)? (left|right)\b/gi).flatMap(match => {
    if (new RegExp(`(${size})\\s*$`, 'i').test(passage.text.slice(0, match.index))) return [];
    const isLeft = match[1]?.toLowerCase() === 'left';
    return sums.some(sum => (isLeft ? sum > 0 : sum < 0))
      ? []
      : [slipAt('turn', passage, match.index, match[0], meant)];
  });
  return [...sized, ...plain];
};

/** What a dancer has turned over any stretch of a part. */
function sumsOfTurns({ steps }: FigurePart): readonly number[] {
  const own = steps.flatMap(({ step }) => (step ? [step.turnBefore, step.turnAfter] : []));
  return own.flatMap((_, from) =>
    own.slice(from).map((_, length) => own.slice(from, from + length + 1).reduce((a, b) => a + b, 0)),
  );
}

/** `begins in Two hands`, `ends in Wrap`. */
const holds: Claim = passage => {
  const { dance, pattern } = passage.figure;
  const names = dance.holds
    .map(({ id, name }) => [id, name] as const)
    .sort((a, b) => b[1].length - a[1].length);
  if (names.length === 0) return [];
  const list = names.map(([, name]) => name.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')).join('|');
  const told = [
    ['begins?|starts?|danced', entryHolds(pattern)],
    ['ends?|finish(?:es)?', allExitHolds(pattern)],
  ] as const;
  return told.flatMap(([verb, ids]) =>
    ids.length === 0
      ? []
      : matches(passage, new RegExp(`\\b(?:${verb}) (?:it )?in (?:the |a )?\\**(${list})\\b`, 'gi')).flatMap(
          match => {
            const said = names.find(([, name]) => name.toLowerCase() === match[1]?.toLowerCase());
            if (!said || ids.includes(said[0])) return [];
            const meant = ids.map(id => findHold(dance, id)?.name ?? id).join(' or ');
            return [
              slipAt(
                'hold',
                passage,
                match.index + match[0].lastIndexOf(match[1] ?? ''),
                match[1] ?? '',
                meant,
              ),
            ];
          },
        ),
  );
};

const BESIDE_METRES = 0.15;

/** `the follower ends on the leader's right side`. */
const sides: Claim = passage => {
  const place = coupleOnFloor(passage.figure).at(-1)?.place;
  if (!place || Math.abs(place.side) < BESIDE_METRES) return [];
  const meant = place.side > 0 ? 'left' : 'right';
  const said =
    /\b(?:ends?|comes?|finish(?:es)?)\b[^.;]*?\b(?:on|at|to) (?:the leader[’']s|his|your|the) (left|right)(?: side)?\b/gi;
  return matches(passage, said).flatMap(match =>
    match[1]?.toLowerCase() === meant || passage.role === 'lead'
      ? []
      : [slipAt('side', passage, match.index + match[0].lastIndexOf(match[1] ?? ''), match[1] ?? '', meant)],
  );
};

/** `four times fill the phrase`, `twice and it faces the line again`. */
const repeats: Claim = passage => {
  const { figure } = passage;
  const { foot, facing, phrase, hold, all } = figureClosure(figure);
  const closes = [foot, facing, phrase, hold, all];
  if (!/\b(phrase|eights|comes? (?:back|round)|begins? again|faces? the line)\b/i.test(passage.text))
    return [];
  return matches(passage, new RegExp(`\\b(once|twice|(${NUMBER}) times)\\b`, 'gi')).flatMap(match => {
    const word = match[1]?.toLowerCase() ?? '';
    const times = word === 'once' ? 1 : word === 'twice' ? 2 : numberOf(match[2] ?? '');
    return closes.includes(times)
      ? []
      : [slipAt('repeat', passage, match.index, match[0], `${all ?? phrase} times`)];
  });
};

/** Every claim about a figure that is looked for. */
export const CLAIMS: readonly Claim[] = [
  beats,
  stepNumber,
  counted,
  slowsAndQuicks,
  onACount,
  turns,
  holds,
  sides,
  repeats,
];
