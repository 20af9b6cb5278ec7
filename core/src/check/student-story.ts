import { membersOn } from '../class/members.ts';
import { missedFigures } from '../class/missed.ts';
import { standingLogs, standingPresence } from '../class/standing.ts';
import type { Attendance, Check, Log, Section } from '../model/document.ts';
import { escapeMarkdown } from '../model/escape-markdown.ts';
import { checkCandidates, newestCheck } from './candidates.ts';
import { type Readiness, readiness } from './readiness.ts';
import { missingInWords, verdict } from './student-words.ts';

/** What is known of a class that somebody is or was in. */
export interface ClassOfStudent {
  readonly section: Pick<Section, 'id' | 'dates' | 'students'>;
  readonly logs: readonly Log[];
  readonly attendance: readonly Attendance[];
  readonly checks: readonly Check[];
}

/** What became of one student in one class. */
export interface StudentStory {
  readonly section: string;
  /** Evenings of which something was written while they were in the class, and those they were at. */
  readonly evenings: number;
  readonly there: number;
  /** Figures that were danced on evenings they were at, and those that were introduced without them. */
  readonly had: readonly string[];
  readonly lacks: readonly string[];
  /** What the newest check of the class said of them, where enough was marked. */
  readonly check?: Pick<Check, 'id' | 'kind' | 'date'> & { readonly told: Readiness };
}

/** Who was not noted as away was there. Linear in what was written of the class. */
export function studentStory(
  student: string,
  { section, logs, attendance, checks }: ClassOfStudent,
): StudentStory {
  const noted = standingPresence(attendance);
  const away = new Set(noted.flatMap(one => (one.student === student && !one.here ? [one.lesson] : [])));
  const isMember = (lesson: number) =>
    membersOn(section, section.dates[lesson - 1]).some(one => one.student === student);
  const written = new Set([...logs, ...noted].map(({ lesson }) => lesson));
  const evenings = [...written].filter(isMember);
  const there = new Set(evenings.filter(lesson => !away.has(lesson)));
  const danced = standingLogs(logs)
    .filter(({ lesson, result }) => result !== 'not-reached' && there.has(lesson))
    .toSorted((a, b) => a.lesson - b.lesson);
  const had = [...new Set(danced.map(({ pattern }) => pattern))];
  const lacks = missedFigures(logs, attendance, section).get(student) ?? [];
  const check = newestCheck(checks, section.id);
  const told =
    check &&
    readiness(check.items, check.marks, checkCandidates(section, check)).find(
      one => one.student === student && one.result !== 'unseen',
    );
  return {
    ...{ section: section.id, evenings: evenings.length, there: there.size, had },
    lacks: lacks.filter(id => !had.includes(id)),
    ...(told && { check: { id: check.id, kind: check.kind, date: check.date, told } }),
  };
}

const LIST = new Intl.ListFormat('en');

/** All of it for the student themselves, as Markdown: a chapter a class, the newest first as they are given. */
export function storyInWords(
  name: string,
  stories: readonly (StudentStory & { readonly name: string })[],
  nameOf: (figure: string) => string,
): string {
  const escaped = (figure: string) => escapeMarkdown(nameOf(figure));
  const names = (ids: readonly string[]) => LIST.format(ids.map(escaped));
  const chapters = stories.flatMap(({ name: title, evenings, there, had, lacks, check }) => [
    '',
    `## ${escapeMarkdown(title)}`,
    '',
    evenings === 0
      ? 'Nothing was written of its evenings yet.'
      : `You were there on ${there} of ${evenings} ${evenings === 1 ? 'evening' : 'evenings'}.`,
    ...(had.length > 0 ? ['', `You danced ${names(had)}.`] : []),
    ...(lacks.length > 0 ? ['', `You were away when these were new: ${names(lacks)}.`] : []),
    ...(check ? ['', ...checkLines(check, escaped)] : []),
  ]);
  return `${[`# ${escapeMarkdown(name)}`, ...chapters].join('\n')}\n`;
}

function checkLines(
  { kind, told }: NonNullable<StudentStory['check']>,
  nameOf: (figure: string) => string,
): readonly string[] {
  if (told.result === 'unseen') return [];
  return [
    verdict(told.result, kind, told.enough),
    ...(told.passed.length > 0 ? ['', `This you can do: ${LIST.format(told.passed.map(nameOf))}.`] : []),
    ...(told.missing.length > 0
      ? ['', 'Practise this:', '', ...missingInWords(told, nameOf).map(line => `- ${line}.`)]
      : []),
  ];
}
