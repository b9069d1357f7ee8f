import { TriangleAlert } from 'lucide-react';

import type { CautionCode } from '@/core/things';
import { cautionNames, cautionWords } from './sortWords';

/** Marks what needs care: in a few words, its sentences behind them. Nothing where nothing does. */
export function Cautions({ codes }: { readonly codes: readonly CautionCode[] }) {
  if (codes.length === 0) return null;
  return (
    <span
      className="flex items-center gap-1 text-[13px] font-[600] text-signal-deep"
      title={codes.map((code) => cautionWords[code]).join(' ')}
    >
      <TriangleAlert size={14} className="shrink-0" aria-hidden="true" />
      <span>Take care: {codes.map((code) => cautionNames[code]).join(', ')}</span>
    </span>
  );
}
