import { LOCALE } from '@/core/shared';
/** The made-up cupboard to practise on: what to point at, and how far it really is, in mm. */
const TARGETS: readonly (readonly [string, number])[] = [
  ['Outside width', 800],
  ['Outside depth', 400],
  ['Outside height', 2010],
  ...Array.from(
    { length: 6 },
    (_, i) =>
      [
        [`Shelf ${i + 1}, width`, 764],
        [`Shelf ${i + 1}, depth`, 371],
        [`Shelf ${i + 1}, height`, 308],
      ] as const,
  ).flat(),
];

/** The simulated meter's own page: point at something, press, read. */
export const meterPage = `<!doctype html>
<html lang="${LOCALE}"><head><meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1"><link rel="icon" href="data:,">
<title>Simulated distance meter</title>
<style>
body{font:16px/1.4 Verdana,sans-serif;background:#f3ede0;color:#22201b;margin:0}
main{max-width:640px;margin:0 auto;padding:20px}
h1{font-size:22px;margin:0 0 4px}
.last{font:700 44px/1.2 "Courier New",monospace;background:#fff;border:1px solid #d5cab5;
border-top:4px solid #23407a;border-radius:7px;padding:14px 18px;margin:14px 0}
.targets{display:grid;grid-template-columns:repeat(3,1fr);gap:8px}
button{min-height:48px;border:1.5px solid #d5cab5;border-radius:5px;background:#fbf8f1;font:600 14px/1.2 Verdana,sans-serif}
button:hover{background:#fff}form{display:flex;gap:8px;margin-top:14px}input{flex:1;min-height:44px;
font-size:16px;padding:0 10px;border:1.5px solid #d5cab5;border-radius:5px}
p{color:#514b3f}
</style></head><body><main>
<h1>Simulated distance meter</h1>
<p>Not a device: it plays one. Point at a side of this made-up cupboard and press;
the reading goes to the field in focus in Tin Box. One in fifteen is held askew and reads too much.</p>
<div class="last" role="status" id="last">no reading yet</div>
<div class="targets">${TARGETS.map(([name, mm]) => `<button type="button" data-mm="${mm}">${name}</button>`).join('')}</div>
<form>
<input id="own" inputmode="decimal" aria-label="A true distance of your own, in mm" placeholder="another true distance, in mm">
<button>Measure</button></form>
<script>
const last=document.getElementById('last');
const measure=async(mm)=>{const response=await fetch('/measure',{method:'POST',body:JSON.stringify({mm})});
const answer=await response.json();last.textContent=response.ok?answer.mm+' mm':answer.error.message};
for(const button of document.querySelectorAll('[data-mm]'))button.onclick=()=>measure(Number(button.dataset.mm));
document.querySelector('form').onsubmit=(event)=>{event.preventDefault();
measure(Number(document.getElementById('own').value.replace(',','.')))};
</script></main></body></html>`;
