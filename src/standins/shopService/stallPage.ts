import { LOCALE } from '@/core/shared';
/** The simulated shop's own page: what it has, and buttons that make it behave as shops do. */
export const stallPage = (name: string): string => `<!doctype html>
<html lang="${LOCALE}"><head><meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1"><link rel="icon" href="data:,">
<title>Simulated shop service</title>
<style>
body{font:16px/1.4 Verdana,sans-serif;background:#f3ede0;color:#22201b;margin:0}
main{max-width:860px;margin:0 auto;padding:20px}
h1{font-size:22px;margin:0 0 4px}p{color:#514b3f;margin:4px 0 14px}
.row{display:flex;flex-wrap:wrap;gap:8px;margin-bottom:14px}
button{min-height:44px;border:1.5px solid #d5cab5;border-radius:5px;background:#fbf8f1;font:600 14px/1.2 Verdana,sans-serif;padding:0 12px}
button[aria-pressed=true]{border-color:#23407a;border-width:2.5px;background:#fff}
table{width:100%;border-collapse:collapse;background:#fff;border-top:4px solid #23407a}td,th{padding:6px 8px;
border-top:1px solid #d5cab5;text-align:left;font-size:14px}
td.n{font-family:"Courier New",monospace;text-align:right}
</style></head><body><main>
<h1>Simulated shop service: ${name.replace(/[<>&"]/g, '')}</h1>
<p>Not a shop: it plays one, so that prices that change, shelves that empty and a line that
fails can be tried. Tin Box asks it at <code>/offers</code>.</p>
<div class="row"><button data-do="well">Answers</button><button data-do="slow">Answers too late</button>
<button data-do="down">Does not answer</button><button data-do="change_prices">Change prices</button>
<button data-do="restock">Fill the shelves</button></div>
<table><thead><tr><th>Goods</th><th>Pack</th><th>Price</th><th>In stock</th><th></th></tr></thead><tbody id="goods"></tbody></table>
<script>
const show=({mood,offers})=>{
for(const b of document.querySelectorAll('[data-do]'))b.setAttribute('aria-pressed',String(b.dataset.do===mood));
document.getElementById('goods').replaceChildren(...offers.map(o=>{const r=document.createElement('tr');
for(const [t,n] of [[o.name],[String(o.packSize),1],[(o.priceMinor/100).toFixed(2),1],[String(o.inStock),1]]){
const c=document.createElement('td');
c.textContent=t;if(n)c.className='n';r.append(c)}
const c=document.createElement('td'),b=document.createElement('button');b.textContent='Sell out';
b.onclick=()=>act('sell_out',o.id);c.append(b);r.append(c);return r}))};
const act=async(what,offerId)=>show(await(await fetch('/do',{method:'POST',body:JSON.stringify({do:what,offerId})})).json());
for(const b of document.querySelectorAll('[data-do]'))b.onclick=()=>act(b.dataset.do);
fetch('/state').then(r=>r.json()).then(show);
</script></main></body></html>`;
