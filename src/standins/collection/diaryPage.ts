import { LOCALE } from '@/core/shared';

/** The simulated collection service's own page: its slots, what was booked, and what goes wrong. */
export const diaryPage = `<!doctype html>
<html lang="${LOCALE}"><head><meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1"><link rel="icon" href="data:,">
<title>Simulated collection service</title>
<style>
body{font:16px/1.4 Verdana,sans-serif;background:#f3ede0;color:#22201b;margin:0}
main{max-width:760px;margin:0 auto;padding:20px}
h1{font-size:22px;margin:0 0 4px}
.state{font:700 22px/1.3 "Courier New",monospace;background:#fff;border:1px solid #d5cab5;
border-top:4px solid #23407a;border-radius:7px;padding:12px 16px;margin:14px 0}
.do{display:flex;flex-wrap:wrap;gap:8px}
button{min-height:44px;padding:0 12px;border:1.5px solid #d5cab5;border-radius:5px;background:#fbf8f1;
font:600 14px/1.2 Verdana,sans-serif}
li{display:flex;flex-wrap:wrap;gap:10px;align-items:center;padding:4px 0;border-top:1px solid #d5cab5}
ul{list-style:none;padding:0}span{flex:1}
p{color:#514b3f}
</style></head><body><main>
<h1>Simulated collection service</h1>
<p>Not a service: it plays one. Nobody comes. Let it be slow or down, fill a slot, or call a booking off.</p>
<div class="state" role="status" id="state"></div>
<div class="do"><button type="button" data-mood="well">Answer well</button>
<button type="button" data-mood="slow">Be slow</button><button type="button" data-mood="down">Be down</button></div>
<h2>Booked</h2><ul id="bookings"></ul>
<h2>Slots</h2><ul id="slots"></ul>
<script>
const clock=(m)=>Math.floor(m/60)+':'+String(m%60).padStart(2,'0');
const act=async(order)=>{await fetch('/do',{method:'POST',body:JSON.stringify(order)});show()};
const line=(words,label,order)=>{const li=document.createElement('li');const s=document.createElement('span');
s.textContent=words;li.append(s);
if(label){const b=document.createElement('button');b.type='button';b.textContent=label;b.onclick=()=>act(order);li.append(b)}return li};
const show=async()=>{const s=await (await fetch('/status')).json();
document.getElementById('state').textContent={well:'answers well',slow:'is slow',down:'is down'}[s.mood];
document.getElementById('bookings').replaceChildren(...s.bookings.map((b)=>line(b.slotId+', '+
Math.round(b.litres)+' l, '+b.state.replace('_',' '),
b.state==='booked'?'Call it off':'',{do:'call_off',id:b.id})));
document.getElementById('slots').replaceChildren(...s.slots.map((t)=>line(t.day+' '+clock(t.from)+' to '+clock(t.to)+', '+t.left+' free',
t.left>0?'Fill it':'',{do:'fill',slotId:t.id})))};
for(const b of document.querySelectorAll('[data-mood]'))b.onclick=()=>act({do:'mood',mood:b.dataset.mood});
show();setInterval(show,1000);
</script></main></body></html>`;
