import { chakra } from '@chakra-ui/react';
import { BarChart, HeatmapChart, ScatterChart } from 'echarts/charts';
import { GridComponent, VisualMapComponent } from 'echarts/components';
import { type EChartsCoreOption, init, use as register } from 'echarts/core';
import { SVGRenderer } from 'echarts/renderers';
import { useEffect, useRef } from 'react';

register([BarChart, HeatmapChart, ScatterChart, GridComponent, VisualMapComponent, SVGRenderer]);

/** The colours of the page as it is, Day or Dim. */
export interface ChartColors {
  readonly ink: string;
  readonly panel: string;
  readonly paper: string;
  readonly line: string;
  /** Of labels. */
  readonly text: { readonly color: string; readonly fontFamily: string; readonly fontSize: number };
}

interface ChartProps {
  /** Pixels. */
  readonly height: number;
  /** Where the same stands in words or numbers. */
  readonly label: string;
  option(colors: ChartColors): EChartsCoreOption;
}

/** A picture of numbers; it comes with its page's own chunk, and never without a table. */
export function Chart({ height, label, option }: ChartProps) {
  const place = useRef<HTMLDivElement>(null);
  useEffect(() => {
    const element = place.current;
    if (!element) return;
    const chart = init(element, undefined, { renderer: 'svg' });
    const draw = () => chart.setOption({ animation: false, ...option(colorsNow()) }, { notMerge: true });
    draw();
    const resized = new ResizeObserver(() => chart.resize());
    resized.observe(element);
    // Day and Dim are a class of the page.
    const themed = new MutationObserver(draw);
    themed.observe(document.documentElement, { attributes: true, attributeFilter: ['class'] });
    return () => {
      resized.disconnect();
      themed.disconnect();
      chart.dispose();
    };
  });
  return (
    <chakra.div ref={place} role="img" aria-label={label} maxW="46rem" style={{ height: `${height}px` }} />
  );
}

function colorsNow(): ChartColors {
  const styles = getComputedStyle(document.documentElement);
  const color = (name: string) => styles.getPropertyValue(`--chakra-colors-${name}`).trim();
  const ink = color('ink');
  return {
    ink,
    panel: color('panel'),
    paper: color('paper'),
    line: color('line'),
    text: { color: ink, fontFamily: getComputedStyle(document.body).fontFamily, fontSize: 14 },
  };
}
