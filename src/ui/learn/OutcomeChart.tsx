'use client';

import { Bar, BarChart, Legend, ResponsiveContainer, Tooltip, XAxis, YAxis } from 'recharts';

export interface OutcomeRow {
  readonly id: string;
  readonly name: string;
  readonly assumed: number;
  readonly learnt: number;
  readonly actual: number;
  /** The three as they are said. */
  readonly said: { readonly assumed: string; readonly learnt: string; readonly actual: string };
}

const AXIS = { fontSize: 13, fill: '#514b3f' };
const ROW_PX = 62;

const BARS = [
  ['assumed', 'by the assumptions alone', '#cbbfa6'],
  ['learnt', 'with what was learnt before', '#7f93bd'],
  ['actual', 'what it came to', '#23407a'],
] as const;

/** Three bars a room, the latest at the bottom; the same figures stand in the table below. */
export function OutcomeChart({ rows }: { readonly rows: readonly OutcomeRow[] }) {
  return (
    <div
      aria-hidden="true"
      className="min-w-0 overflow-hidden"
      style={{ height: rows.length * ROW_PX + 44 }}
    >
      <ResponsiveContainer
        width="100%"
        height="100%"
        initialDimension={{ width: 320, height: rows.length * ROW_PX + 44 }}
      >
        <BarChart
          accessibilityLayer={false}
          data={[...rows]}
          layout="vertical"
          margin={{ top: 0, right: 12, bottom: 0, left: 0 }}
          barCategoryGap={10}
          barGap={1}
        >
          <XAxis type="number" hide domain={[0, 'dataMax']} />
          <YAxis
            type="category"
            dataKey="name"
            width={96}
            axisLine={false}
            tickLine={false}
            tick={AXIS}
          />
          <Tooltip
            isAnimationActive={false}
            formatter={(_value, _name, { dataKey, payload }) => {
              const { said } = payload as OutcomeRow;
              return said[dataKey as keyof OutcomeRow['said']];
            }}
          />
          <Legend
            verticalAlign="bottom"
            align="left"
            iconType="square"
            iconSize={11}
            itemSorter={null}
            formatter={(name: string) => <span style={{ color: '#3a352b' }}>{name}</span>}
            wrapperStyle={{ fontSize: 13 }}
          />
          {BARS.map(([key, name, color]) => (
            <Bar
              key={key}
              dataKey={key}
              name={name}
              fill={color}
              isAnimationActive={false}
              radius={[0, 3, 3, 0]}
              minPointSize={2}
            />
          ))}
        </BarChart>
      </ResponsiveContainer>
    </div>
  );
}
