import 'server-only';

import { LOCALE, formatMass } from '@/core/shared';
import type { BoxState } from '@/core/takeAway';
import { escapeHtml } from '../show/paper';

/** A label a box, to print and stick on: large number, where it goes, weight, and what to heed. */
export function renderBoxLabels(
  boxes: readonly BoxState[],
  { home, fontCss }: { readonly home: string; readonly fontCss: string },
): string {
  const labels = boxes.map(({ box, destination, massG, isFragile, isForTwo, lines }) => {
    const heed = [
      isForTwo ? 'Two people' : '',
      isFragile ? 'Fragile: nothing on top' : '',
      lines.some(({ isFluid }) => isFluid) ? 'This side up' : '',
    ].filter((part) => part !== '');
    return `<li><b>${box.number}</b><div><h2>${escapeHtml(destination?.name ?? '')}</h2>
<p class="g">${escapeHtml(formatMass(massG))}</p><p class="heed">${heed.map(escapeHtml).join(' · ')}</p></div></li>`;
  });
  return `<!doctype html><html lang="${LOCALE}"><head><meta charset="utf-8"><title>Box labels, ${escapeHtml(home)}</title>
<style>${fontCss}
@page{size:A4;margin:10mm}body{font:16px/1.3 'Atkinson Hyperlegible Next',Verdana,sans-serif;color:#22201b;margin:0}
ul{list-style:none;margin:0;padding:0;display:grid;grid-template-columns:1fr 1fr;gap:4mm}
li{display:flex;gap:6mm;align-items:center;border:1.5pt solid #22201b;
border-radius:2mm;height:46mm;padding:4mm;break-inside:avoid;overflow:hidden}
b{font:700 64px/1 'Bitter',Georgia,serif;min-width:24mm;text-align:center}
h2{font:700 20px/1.15 'Bitter',Georgia,serif;margin:0}.g{font-size:18px;margin:1mm 0}.heed{font-weight:700;margin:0}
</style></head><body><ul>${labels.join('')}</ul></body></html>`;
}
