import { chakra } from '@chakra-ui/react';
import { LAYERS, type LayerResult } from '@map-step/core';
import { Chart, type ChartColors } from '../../ui/chart.tsx';
import { percent } from '../../ui/percent.ts';
import { LAYER_WORDS } from './check-words.ts';

const ROW = 30;
const AROUND = 50;

interface LayerChartProps {
  readonly results: readonly LayerResult[];
  nameOf(pattern: string): string;
}

/** The share at “unprompted” or better, figure by layer: written in each field, and the darker the more. */
export function LayerChart({ results, nameOf }: LayerChartProps) {
  const patterns = [...new Set(results.map(({ pattern }) => pattern))];
  const layers = LAYERS.filter(layer => results.some(one => one.layer === layer));
  const option = (colors: ChartColors) => {
    const axis = { axisLine: { show: false }, axisTick: { show: false }, axisLabel: colors.text };
    return {
      grid: { left: 8, right: 8, top: 30, bottom: 8, containLabel: true },
      xAxis: {
        type: 'category' as const,
        position: 'top' as const,
        data: layers.map(layer => LAYER_WORDS[layer]),
        ...axis,
      },
      yAxis: { type: 'category' as const, inverse: true, data: patterns.map(nameOf), ...axis },
      visualMap: { show: false, min: 0, max: 1, inRange: { color: [colors.panel, colors.ink] } },
      series: [
        {
          type: 'heatmap' as const,
          data: results
            .filter(({ marked }) => marked > 0)
            .map(({ pattern, layer, passed, marked }) => ({
              value: [layers.indexOf(layer), patterns.indexOf(pattern), passed / marked],
              label: {
                color: passed / marked > 0.5 ? colors.panel : colors.ink,
                formatter: percent(passed / marked),
              },
            })),
          label: { show: true, fontSize: 14 },
          itemStyle: { borderColor: colors.paper, borderWidth: 2 },
          emphasis: { disabled: true },
        },
      ],
    };
  };
  return (
    <chakra.figure m="0">
      <chakra.figcaption fontWeight="650">
        How many are at “unprompted” or better, in percent of those marked: each figure by what was looked at
      </chakra.figcaption>
      <Chart
        height={patterns.length * ROW + AROUND}
        label="The same numbers stand in the table below."
        option={option}
      />
    </chakra.figure>
  );
}
