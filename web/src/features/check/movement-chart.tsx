import { chakra } from '@chakra-ui/react';
import type { ItemResult } from '@map-step/core';
import { Chart } from '../../ui/chart.tsx';

const ROW = 44;
const AROUND = 60;

interface MovementChartProps {
  /** Of figures that both checks asked for. */
  readonly figures: readonly {
    readonly name: string;
    readonly before: ItemResult;
    readonly now: ItemResult;
  }[];
}

const share = ({ passed, asked }: ItemResult) => (asked > 0 ? Math.round((100 * passed) / asked) : 0);

/** For each figure the share of the class that passed it, half-way and now: the empty bar was, the full one is. */
export function MovementChart({ figures }: MovementChartProps) {
  return (
    <chakra.figure m="0">
      <chakra.figcaption fontWeight="650">
        How many of the class passed each figure, in percent: the empty bar half-way, the full bar now
      </chakra.figcaption>
      <Chart
        height={figures.length * ROW + AROUND}
        label="The same numbers stand in the table below."
        option={colors => {
          const label = { show: true, position: 'right' as const, formatter: '{c} %', ...colors.text };
          const bar = { type: 'bar' as const, barWidth: 13, silent: true, label };
          return {
            grid: { left: 8, right: 60, top: 8, bottom: 28, containLabel: true },
            xAxis: {
              type: 'value' as const,
              min: 0,
              max: 100,
              name: 'percent of the class',
              nameLocation: 'middle' as const,
              nameGap: 30,
              nameTextStyle: colors.text,
              axisLabel: colors.text,
              splitLine: { lineStyle: { color: colors.line } },
            },
            yAxis: {
              type: 'category' as const,
              inverse: true,
              data: figures.map(({ name }) => name),
              axisLabel: colors.text,
              axisTick: { show: false },
            },
            series: [
              {
                ...bar,
                data: figures.map(({ before }) => share(before)),
                itemStyle: { color: colors.paper, borderColor: colors.ink, borderWidth: 1.5 },
              },
              { ...bar, data: figures.map(({ now }) => share(now)), itemStyle: { color: colors.ink } },
            ],
          };
        }}
      />
    </chakra.figure>
  );
}
