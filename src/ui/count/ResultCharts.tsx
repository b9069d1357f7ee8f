'use client';

import { Bar, BarChart, Cell, LabelList, ResponsiveContainer, XAxis, YAxis } from 'recharts';

import { formatLitres } from '@/core/shared';
import type { Verdict } from '@/core/sort';
import { verdictLooks } from '../sort/verdictLooks';
import { verdictWords } from '../sort/sortWords';

const AXIS = { fontSize: 13, fill: '#514b3f' };

/** A bar a verdict, as long as its litres; the same figures stand in the table below. */
export function LitresChart({
  rows,
}: {
  rows: readonly { readonly verdict: Verdict; readonly litres: number }[];
}) {
  const data = rows.map(({ verdict, litres }) => ({
    verdict,
    name: verdictWords[verdict],
    litres,
    label: formatLitres(litres),
  }));
  return (
    <div
      aria-hidden="true"
      className="min-w-0 overflow-hidden"
      style={{ height: rows.length * 30 + 8 }}
    >
      <ResponsiveContainer
        width="100%"
        height="100%"
        initialDimension={{ width: 400, height: 200 }}
      >
        <BarChart
          accessibilityLayer={false}
          data={data}
          layout="vertical"
          margin={{ top: 0, right: 72, bottom: 0, left: 0 }}
          barCategoryGap={5}
        >
          <XAxis type="number" hide domain={[0, 'dataMax']} />
          <YAxis
            type="category"
            dataKey="name"
            width={92}
            axisLine={false}
            tickLine={false}
            tick={AXIS}
          />
          <Bar dataKey="litres" isAnimationActive={false} radius={[0, 3, 3, 0]} minPointSize={2}>
            {data.map(({ verdict }) => (
              <Cell key={verdict} fill={verdictLooks[verdict].color} />
            ))}
            <LabelList
              dataKey="label"
              position="right"
              style={{ ...AXIS, fontFamily: 'var(--font-mono)' }}
            />
          </Bar>
        </BarChart>
      </ResponsiveContainer>
    </div>
  );
}

/** Decisions in each ten minutes of the time; where they thin out, a break was due. */
export function PaceChart({
  rows,
}: {
  rows: readonly { readonly at: string; readonly count: number }[];
}) {
  const most = Math.max(...rows.map(({ count }) => count));
  return (
    <div
      role="img"
      aria-label={
        `Decisions in ten minutes, from ${rows[0]?.at} to ${rows.at(-1)?.at}: between ` +
        `${Math.min(...rows.map(({ count }) => count))} and ${most}`
      }
      className="min-w-0 overflow-hidden"
      style={{ height: 150 }}
    >
      <ResponsiveContainer
        width="100%"
        height="100%"
        initialDimension={{ width: 400, height: 150 }}
      >
        <BarChart
          accessibilityLayer={false}
          data={[...rows]}
          margin={{ top: 4, right: 4, bottom: 0, left: 0 }}
        >
          <XAxis
            dataKey="at"
            tick={AXIS}
            tickLine={false}
            axisLine={{ stroke: '#d5cab5' }}
            minTickGap={28}
          />
          <YAxis width={30} allowDecimals={false} tick={AXIS} tickLine={false} axisLine={false} />
          <Bar dataKey="count" fill="#23407a" isAnimationActive={false} radius={[2, 2, 0, 0]} />
        </BarChart>
      </ResponsiveContainer>
    </div>
  );
}
