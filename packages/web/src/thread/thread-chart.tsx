import { dayOf, sayQuantity, type Standing } from '@yarnix/core';
import { Chart, LinearScale, LineController, LineElement, PointElement, TimeScale, Tooltip } from 'chart.js';
import annotation from 'chartjs-plugin-annotation';
import 'chartjs-adapter-date-fns';
import { Line } from 'react-chartjs-2';
import { useTheme } from '../app/theme.ts';
import { chartData, chartOptions, type Palette } from './chart-config.ts';
import type { ThreadData } from './thread-data.ts';

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

/** The thread as a chart: measured knots, limit, baseline and lives; what is forecast is frayed, thin and dashed. */
export function ThreadChart({ data }: { data: ThreadData }) {
  const theme = useTheme();
  const palette = paletteOf(data.state?.standing ?? 'unproven');
  const ahead = data.inline?.ahead;
  const words = `Chart of ${data.inline?.points.length ?? 0} readings${ahead ? `, expected ${sayQuantity(ahead.expected, data.kind.unit)} at the next round` : ''}. The numbers are in the table below.`;
  return (
    <div className="h-[340px] md:h-[380px]">
      <Line
        key={theme}
        role="img"
        aria-label={words}
        data={chartData(data, palette)}
        options={chartOptions(data, palette, dayOf)}
      />
    </div>
  );
}
