import { LOCALE } from '@/core/shared';

/** The simulated label printer's own page: what lies in the queue, what came out, and what goes wrong. */
export const printerPage = `<!doctype html>
<html lang="${LOCALE}"><head><meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1"><link rel="icon" href="data:,">
<title>Simulated label printer</title>
<style>
body{font:16px/1.4 Verdana,sans-serif;background:#f3ede0;color:#22201b;margin:0}
main{max-width:720px;margin:0 auto;padding:20px}
h1{font-size:22px;margin:0 0 4px}
.state{font:700 26px/1.3 "Courier New",monospace;background:#fff;border:1px solid #d5cab5;
border-top:4px solid #23407a;border-radius:7px;padding:12px 16px;margin:14px 0}
.do{display:flex;flex-wrap:wrap;gap:8px}
button{min-height:48px;padding:0 14px;border:1.5px solid #d5cab5;border-radius:5px;background:#fbf8f1;font:600 14px/1.2 Verdana,sans-serif}
.out{display:flex;flex-wrap:wrap;gap:8px;margin-top:14px}
.out img{height:56px;background:#fff;border:1px solid #d5cab5}
p{color:#514b3f}
</style></head><body><main>
<h1>Simulated label printer</h1>
<p>Not a device: it plays one. It prints a label every half second; jam it, let it run out of tape, or put in another width.</p>
<div class="state" role="status" id="state"></div>
<div class="do">
<button type="button" data-do="jam">Jam it</button><button type="button" data-do="clear">Clear the jam</button>
<button type="button" data-do="out">Use up the tape</button>
${[9, 12, 18, 24].map((mm) => `<button type="button" data-do="tape" data-mm="${mm}">New tape, ${mm} mm</button>`).join('')}
</div>
<h2>Came out</h2><div class="out" id="out"></div>
<script>
const words={ready:'ready',printing:'printing',jam:'jammed',out_of_tape:'out of tape'};
const show=async()=>{const s=await (await fetch('/status')).json();
document.getElementById('state').textContent=words[s.state]+', '+s.tapeMm+' mm tape, '+Math.round(s.tapeLeftMm/100)/10+' m left, '+
s.queue.length+(s.queue.length===1?' job':' jobs')+' waiting';
document.getElementById('out').replaceChildren(...s.out.map((label)=>{const image=new Image();image.alt=label.text;
image.src='data:image/svg+xml,'+encodeURIComponent(label.svg);return image}))};
for(const button of document.querySelectorAll('[data-do]'))button.onclick=async()=>{
await fetch('/do',{method:'POST',body:JSON.stringify({do:button.dataset.do,mm:Number(button.dataset.mm)})});show()};
show();setInterval(show,1000);
</script></main></body></html>`;
