import { chakra } from '@chakra-ui/react';
import type { NextTermAnswer } from '@map-step/contract';
import { type Forecast, forecastLevel } from '@map-step/core';
import { queryOptions, useQuery } from '@tanstack/react-query';
import { format, parseISO } from 'date-fns';
import { lazy, Suspense, useState } from 'react';
import { Link } from 'react-router';
import { call } from '../../api/client.ts';
import { Failure } from '../../ui/failure.tsx';
import { NumberField } from '../../ui/number-field.tsx';
import { Empty, Label, Skeleton } from '../../ui/parts.tsx';
import { percent } from '../../ui/percent.ts';
import { Slider } from '../../ui/slider.tsx';
import { GridTable, TableCell, TableRow } from '../../ui/table.tsx';
import { keys } from '../course/course-queries.ts';
import { sessionQuery } from '../session/session-queries.ts';
import { StudioPage } from '../shell/studio-page.tsx';
import { studioQuery } from '../studio/studio-queries.ts';
import { Timetable } from './timetable.tsx';

/** Loaded where somebody would rather look than read. */
const ForecastChart = lazy(async () => ({ default: (await import('./forecast-chart.tsx')).ForecastChart }));

const nextTermQuery = queryOptions({
  queryKey: [...keys.term, 'next'],
  queryFn: () => call('programme.next'),
});

const USUAL_RATE = 70;
const USUAL_COUPLES = 10;

/** How many classes each level needs next term: from who is ready and who repeats, as far as they come back. */
export function NextTermPage() {
  const { data, error } = useQuery(nextTermQuery);
  const { data: studio } = useQuery(studioQuery);
  const { data: session } = useQuery(sessionQuery);
  const [rate, setRate] = useState(USUAL_RATE);
  const [couples, setCouples] = useState(USUAL_COUPLES);
  const roles = {
    lead: studio?.studio.roles?.lead ?? 'leader',
    follow: studio?.studio.roles?.follow ?? 'follower',
  };
  const levels = (data?.levels ?? []).map(level => ({
    ...level,
    forecast: forecastLevel(level.could, { returnRate: rate / 100, capacity: couples }),
  }));
  return (
    <StudioPage title="Next term" beside={<Link to="/term">This term</Link>}>
      {!data && (error ? <Failure error={error} /> : <Skeleton />)}
      {data && levels.length === 0 && (
        <Empty title="No check yet">
          Who could come is counted from the checks of classes, as far back as 200 days.
        </Empty>
      )}
      {data && levels.length > 0 && (
        <chakra.div display="grid" gap="5">
          <chakra.div display="flex" gap="5" alignItems="center" flexWrap="wrap">
            <Slider
              label="So many come back"
              value={rate}
              min={0}
              max={100}
              step={5}
              wordsOf={value => percent(value / 100)}
              set={setRate}
            />
            <chakra.span display="flex" gap="2" alignItems="center">
              Couples in a class, or people alone
              <NumberField
                label="Couples in a class"
                value={couples}
                min={1}
                max={200}
                isLive
                save={next => next !== undefined && next >= 1 && setCouples(next)}
              />
            </chakra.span>
          </chakra.div>
          <chakra.ul listStyleType="none" p="0" display="grid" gap="2">
            {levels.map(({ level, name, ready, again, unseen, forecast }) => (
              <li key={level}>
                <strong>
                  {name}: {sectionsInWords(forecast)}.
                </strong>{' '}
                {fromInWords(ready, again)}
                {forecast.short &&
                  ` ${forecast.short.by} short of a ${roles[forecast.short.role].toLowerCase()}.`}
                {unseen > 0 && <Label> Of {unseen} more too little was marked to say.</Label>}
              </li>
            ))}
          </chakra.ul>
          <Suspense fallback={<Skeleton />}>
            <ForecastChart levels={levels} />
          </Suspense>
          <ForecastTable levels={levels} />
          <Label>
            Counted from {data.checks.map(checkInWords).join(', ')}. Each comes back by themselves with this
            chance; in 95 of 100 terms so many come as the interval says.
          </Label>
        </chakra.div>
      )}
      {data && session && (
        <Timetable
          today={session.today}
          expected={new Map(levels.map(({ level, forecast }) => [level, forecast.sections.expected]))}
        />
      )}
    </StudioPage>
  );
}

function checkInWords({ name, kind, date }: NextTermAnswer['checks'][number]): string {
  return `${name} (${kind === 'final' ? '' : 'half-way, '}${format(parseISO(date), 'd MMM')})`;
}

type Level = NextTermAnswer['levels'][number] & { readonly forecast: Forecast };

function ForecastTable({ levels }: { levels: readonly Level[] }) {
  return (
    <GridTable
      look="fields"
      heads={['Level', 'Could come', 'Leaders, followers, alone', 'Expected', '95 % of terms', 'Classes']}
    >
      {levels.map(({ level, name, could, forecast }) => (
        <TableRow key={level}>
          <TableCell>{name}</TableCell>
          <TableCell>{could.lead + could.follow + could.solo}</TableCell>
          <TableCell>
            {could.lead}, {could.follow}, {could.solo}
          </TableCell>
          <TableCell>{Math.round(forecast.expected * 10) / 10}</TableCell>
          <TableCell>
            {forecast.low} to {forecast.high}
          </TableCell>
          <TableCell>
            {forecast.sections.low === forecast.sections.high
              ? forecast.sections.high
              : `${forecast.sections.low} to ${forecast.sections.high}`}
          </TableCell>
        </TableRow>
      ))}
    </GridTable>
  );
}

function sectionsInWords({ sections: { low, high } }: Forecast): string {
  const words = (count: number) => (count === 1 ? 'one class' : `${count} classes`);
  if (low === high) return high === 0 ? 'no class' : words(high);
  return low === 0 ? `${words(high)} at most` : `${low} to ${words(high)}`;
}

function fromInWords(ready: number, again: number): string {
  return [ready > 0 && `${ready} are ready for it`, again > 0 && `${again} would take it again`]
    .filter(Boolean)
    .join(', ')
    .concat('.');
}
