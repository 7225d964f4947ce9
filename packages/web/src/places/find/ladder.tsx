import {
  machineSpecOf,
  rungOf,
  soundMachine,
  type Rung,
  type RungPart,
  type SystemDetail,
  type Test,
} from '@yarnix/core';
import { useMemo } from 'react';
import { useWidth } from '../../app/use-width.ts';

const HEIGHT = 190;
const Y = 66;
const RAIL = 26;

/** What stands on a machine where the circuit has a name of its own. */
const LUGS: Readonly<Record<string, string>> = {
  m: 'COM',
  RO: '24 V',
  R1: 'R',
  Rt: 'R',
  Ct: 'C',
  Co: 'C',
  Ro: 'R',
  Yt: 'Y',
  Yo: 'Y',
  Y1: 'Y',
  Yx: 'Y out',
  Yc: 'coil',
  G2: 'coil',
  Gt: 'G',
  Ot: 'O',
  Oo: 'O',
  Wt: 'W',
  W2o: 'W2',
  kc: 'C lead',
  ofc: 'fan lead',
  n1: 'element',
  n4: 'element 2',
};
const lugOf = (node: string): string => LUGS[node] ?? node;

const nameOf = (id: string): string => id.replaceAll(/[.-]/g, ' ');

/** Wires that should be live are drawn full, dead ones dotted: told apart without any hue. */
const Wire = ({ x1, x2, live }: { x1: number; x2: number; live: boolean }) => (
  <line
    x1={x1}
    x2={x2}
    y1={Y}
    y2={Y}
    stroke="var(--ink)"
    strokeWidth={live ? 3 : 1.8}
    strokeDasharray={live ? undefined : '2 5'}
  />
);

function Part({ part, x, gap }: { part: RungPart; x: number; gap: number }) {
  const half = Math.min(15, gap / 3.2);
  const stroke = { stroke: 'var(--ink)', strokeWidth: 2, fill: 'var(--raised)' };
  switch (part.symbol) {
    case 'contact':
    case 'switch':
      return (
        <g>
          <rect x={x - half} y={Y - 4} width={2 * half} height={8} fill="var(--raised)" />
          <circle cx={x - half} cy={Y} r="3" fill="var(--ink)" />
          <circle cx={x + half} cy={Y} r="3" fill="var(--ink)" />
          <line
            x1={x - half}
            y1={Y}
            x2={x + half}
            y2={part.closed ? Y : Y - 12}
            stroke="var(--ink)"
            strokeWidth="2.4"
          />
        </g>
      );
    case 'coil':
      return <rect x={x - half} y={Y - 9} width={2 * half} height={18} {...stroke} />;
    case 'motor':
      return (
        <g>
          <circle cx={x} cy={Y} r={half} {...stroke} />
          <text x={x} y={Y + 5} textAnchor="middle" fontSize="14" fontWeight="700" fill="var(--ink)">
            M
          </text>
        </g>
      );
    case 'heater':
      return (
        <path
          d={`M${x - half} ${Y}l${half / 3} -8l${half / 1.5} 16l${half / 1.5} -16l${half / 3} 8`}
          {...stroke}
          fill="none"
        />
      );
    case 'wire':
      return null;
  }
}

/** The stretch of a rung around two nodes, so that their leads have room. */
function around(
  rung: Rung,
  from: number,
  to: number,
): { rung: Rung; from: number; to: number; cutLeft: boolean; cutRight: boolean } {
  const [low, high] = [Math.min(from, to), Math.max(from, to)];
  const start = Math.max(0, Math.min(low - 1, rung.nodes.length - 6));
  const end = Math.min(rung.nodes.length - 1, Math.max(high + 1, start + 5));
  return {
    rung: {
      ...rung,
      nodes: rung.nodes.slice(start, end + 1),
      live: rung.live.slice(start, end + 1),
      parts: rung.parts.slice(start, end),
    },
    from: from - start,
    to: to - start,
    cutLeft: start > 0,
    cutRight: end < rung.nodes.length - 1,
  };
}

/** The meter below the rung, with its two leads. */
function Meter({ red, black, width }: { red: number; black: number; width: number }) {
  const meterX = Math.max(60, Math.min(width - 60, (red + black) / 2));
  return (
    <>
      {[red, black].map((at, i) => (
        <g key={i}>
          <circle
            cx={at}
            cy={Y}
            r="7"
            fill={i === 0 ? 'var(--copper)' : 'var(--ground)'}
            stroke="var(--copper)"
            strokeWidth="3"
          />
          <path
            d={`M${at} ${Y + 7}C${at} ${Y + 60} ${meterX + (i === 0 ? -22 : 22)} ${Y + 50} ${meterX + (i === 0 ? -22 : 22)} ${HEIGHT - 34}`}
            stroke="var(--copper)"
            strokeWidth="2.6"
            strokeDasharray={i === 0 ? undefined : '6 4'}
            fill="none"
          />
        </g>
      ))}
      <rect
        x={meterX - 38}
        y={HEIGHT - 34}
        width="76"
        height="30"
        rx="4"
        fill="var(--raised)"
        stroke="var(--copper)"
        strokeWidth="2"
      />
      <text x={meterX} y={HEIGHT - 14} textAnchor="middle" fontSize="14" fontWeight="680" fill="var(--ink)">
        meter
      </text>
    </>
  );
}

function Drawn({ whole, from, to, width }: { whole: Rung; from: string; to: string; width: number }) {
  const view = around(whole, whole.nodes.indexOf(from), whole.nodes.indexOf(to));
  const { nodes, parts, live } = view.rung;
  const gap = (width - 2 * RAIL) / Math.max(1, parts.length);
  const x = (i: number) => RAIL + i * gap;
  const [red, black] = [x(view.from), x(view.to)];
  return (
    <svg
      role="img"
      aria-label={`Leads on ${lugOf(from)} and ${lugOf(to)}; rung between ${whole.rails[0]} and ${whole.rails[1]}`}
      width={width}
      height={HEIGHT}
    >
      {[0, parts.length].map((i) => (
        <g key={i}>
          <line
            x1={x(i)}
            x2={x(i)}
            y1={22}
            y2={Y + 52}
            stroke="var(--ink)"
            strokeWidth="3"
            strokeDasharray={(i === 0 ? view.cutLeft : view.cutRight) ? '3 5' : undefined}
          />
          <text x={x(i)} y={14} textAnchor="middle" fontSize="14" fontWeight="700" fill="var(--ink)">
            {lugOf(nodes[i] ?? '')}
          </text>
        </g>
      ))}
      {parts.map((part, i) => (
        <g key={part.id}>
          <Wire x1={x(i)} x2={x(i) + gap / 2} live={live[i] ?? false} />
          <Wire x1={x(i) + gap / 2} x2={x(i + 1)} live={live[i + 1] ?? false} />
          <Part part={part} x={x(i) + gap / 2} gap={gap} />
          <text
            x={x(i) + gap / 2}
            y={Y - 22 + (i % 2) * 52}
            textAnchor="middle"
            fontSize="12"
            fill="var(--soft)"
            style={{ fontStretch: '75%' }}
          >
            {nameOf(part.id)}
          </text>
        </g>
      ))}
      {nodes.slice(1, -1).map((node, i) => (
        <circle key={node} cx={x(i + 1)} cy={Y} r="3.4" fill="var(--ink)" />
      ))}
      <Meter red={red} black={black} width={width} />
    </svg>
  );
}

function Figure({ rung, from, to }: { rung: Rung; from: string; to: string }) {
  const [ref, width] = useWidth<HTMLDivElement>();
  return (
    <figure className="grid gap-1">
      <div ref={ref}>{width > 0 && <Drawn whole={rung} from={from} to={to} width={width} />}</div>
      <figcaption className="label text-[14px]">
        Filled lead on {lugOf(from)}, open lead on {lugOf(to)}. Full wires should be live, dotted ones dead.
      </figcaption>
    </figure>
  );
}

/** The rung that a test's leads lie on, with the leads; nothing for what is no matter of two leads. */
export function Ladder({
  system: { kind, plate },
  test,
}: {
  system: Pick<SystemDetail, 'kind' | 'plate'>;
  test: Test;
}) {
  const { measure } = test;
  const leads = measure.what === 'volts' || measure.what === 'ohms' ? measure : null;
  const rung = useMemo(() => {
    if (!leads || leads.to === 'ground') return null;
    const call = leads.what === 'volts' ? leads.call : 'off';
    return rungOf(soundMachine(machineSpecOf(kind, plate)), leads.from, leads.to, call);
  }, [leads, kind, plate]);
  return leads && rung && <Figure key={test.id} rung={rung} from={leads.from} to={leads.to} />;
}
