import { chakra } from '@chakra-ui/react';
import type { Forecast } from '@map-step/core';
import { Chart } from '../../ui/chart.tsx';

interface ForecastChartProps {
  readonly levels: readonly { readonly level: string; readonly name: string; readonly forecast: Forecast }[];
}

/** For each level the range in which the number of people will lie, and what is expected. */
export function ForecastChart({ levels }: ForecastChartProps) {
  return (
    <chakra.figure m="0">
      <chakra.figcaption fontWeight="650">
        How many people come to each level: the bar holds 95 of 100 terms, the line is what is expected
      </chakra.figcaption>
      <Chart
        height={levels.length * 44 + 40}
        label="The same numbers stand in the table below."
        option={colors => ({
          grid: { left: 8, right: 80, top: 8, bottom: 28, containLabel: true },
          xAxis: {
            type: 'value' as const,
            name: 'people',
            nameLocation: 'middle' as const,
            nameGap: 30,
            nameTextStyle: colors.text,
            minInterval: 1,
            min: 0,
            axisLabel: colors.text,
            splitLine: { lineStyle: { color: colors.line } },
          },
          yAxis: {
            type: 'category' as const,
            inverse: true,
            data: levels.map(({ name }) => name),
            axisLabel: colors.text,
            axisTick: { show: false },
          },
          series: [
            {
              type: 'bar' as const,
              stack: 'range',
              data: levels.map(({ forecast }) => forecast.low),
              itemStyle: { color: 'transparent' },
              silent: true,
            },
            {
              type: 'bar' as const,
              stack: 'range',
              barWidth: 18,
              data: levels.map(({ forecast }) => ({
                value: forecast.high - forecast.low,
                label: { formatter: `${forecast.low} to ${forecast.high}` },
              })),
              itemStyle: { color: colors.panel, borderColor: colors.ink, borderWidth: 1.5 },
              label: { show: true, position: 'right' as const, ...colors.text },
              silent: true,
            },
            {
              type: 'scatter' as const,
              symbol: 'rect',
              symbolSize: [4, 26],
              data: levels.map(({ forecast }, index) => [forecast.expected, index]),
              itemStyle: { color: colors.ink },
              silent: true,
            },
          ],
        })}
      />
    </chakra.figure>
  );
}
