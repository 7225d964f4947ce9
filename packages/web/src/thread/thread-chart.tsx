import { dayOf, sayValue, type Day, type Standing } from '@yarnix/core';
import { Chart, LinearScale, LineController, LineElement, PointElement, TimeScale, Tooltip } from 'chart.js';
import annotation from 'chartjs-plugin-annotation';
import 'chartjs-adapter-date-fns';
import { Line } from 'react-chartjs-2';
import { useTheme } from '../app/theme.ts';
import { chartData, chartOptions, type Palette } from './chart-config.ts';
import type { ChartView, ThreadData } from './thread-data.ts';
import { useLetters } from './use-letters.ts';

Chart.register(LineController, LineElement, PointElement, LinearScale, TimeScale, Tooltip, annotation);

function paletteOf(standing: Standing): Palette {
  const style = getComputedStyle(document.documentElement);
  const read = (name: string) => style.getPropertyValue(`--${name}`).trim();
  return {
    ink: read('ink'),
    soft: read('soft'),
    rule: read('rule'),
    ruleStrong: read('rule-strong'),
    act: read('act'),
    thread: read('thread'),
    knot: read('knot'),
    copper: read('copper'),
    hue: read(standing),
  };
}

/** The thread as a chart: measured knots, limits, baseline, lives and repairs; what is forecast is frayed, thin and dashed. */
export function ThreadChart({
  data,
  title,
  view = 'compared',
  span,
  low = false,
}: {
  data: ThreadData;
  title: string;
  view?: ChartView;
  /** Days shown, so that charts beside one another share one time axis. */
  span?: { readonly from: Day; readonly to: Day } | undefined;
  /** True for one laid beside another: less high. */
  low?: boolean;
}) {
  const theme = useTheme();
  const lettered = useLetters();
  const palette = paletteOf(data.state?.standing ?? 'unproven');
  const ahead = data.inline?.ahead;
  const words = `${title}: chart of ${data.inline?.points.length ?? 0} readings${ahead ? `, expected ${sayValue(data.kind, ahead.expected)} at the next round` : ''}. The numbers are in the table below.`;
  return (
    <div className={low ? 'h-[230px]' : 'h-[340px] md:h-[380px]'} data-chart={title}>
      <Line
        key={`${theme}${lettered}${view}${span?.from ?? ''}${span?.to ?? ''}`}
        role="img"
        aria-label={words}
        data={chartData(data, palette, view)}
        options={chartOptions(data, palette, dayOf, view, span)}
      />
    </div>
  );
}
