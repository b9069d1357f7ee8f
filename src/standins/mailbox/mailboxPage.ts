import { LOCALE } from '@/core/shared';

/** The simulated mailbox's own page: what was sent, to read and to save, and what goes wrong. */
export const mailboxPage = `<!doctype html>
<html lang="${LOCALE}"><head><meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1"><link rel="icon" href="data:,">
<title>Simulated mailbox</title>
<style>
body{font:16px/1.4 Verdana,sans-serif;background:#f3ede0;color:#22201b;margin:0}
main{max-width:820px;margin:0 auto;padding:20px}
h1{font-size:22px;margin:0 0 4px}h2{font-size:18px;margin:0}
.state{font:700 20px/1.3 "Courier New",monospace;background:#fff;border:1px solid #d5cab5;
border-top:4px solid #23407a;border-radius:7px;padding:12px 16px;margin:14px 0}
.do{display:flex;flex-wrap:wrap;gap:8px}
button,.file{min-height:44px;padding:0 12px;border:1.5px solid #d5cab5;border-radius:5px;background:#fbf8f1;
font:600 14px/44px Verdana,sans-serif;color:#23407a;text-decoration:none;display:inline-block}
article{background:#fff;border:1px solid #d5cab5;border-radius:7px;padding:14px 16px;margin-top:12px}
pre{white-space:pre-wrap;overflow-wrap:anywhere;font:15px/1.45 Verdana,sans-serif;margin:8px 0}
p{color:#514b3f;margin:2px 0}
</style></head><body><main>
<h1>Simulated mailbox</h1>
<p>Not a mail server: what is sent lies here and goes nowhere. Let it be down, or refuse.</p>
<div class="state" role="status" id="state"></div>
<div class="do"><button type="button" data-mood="well">Take everything</button>
<button type="button" data-mood="down">Be down</button><button type="button" data-mood="refuses">Refuse</button></div>
<div id="messages"></div>
<script>
const make=(name,words,more)=>Object.assign(document.createElement(name),{textContent:words},more);
const linked=(words)=>{const pre=make('pre','');for(const part of words.split(/(https?:\\/\\/\\S+)/))
pre.append(part.startsWith('http')?make('a',part,{href:part,rel:'noreferrer'}):part);return pre};
const path=(...parts)=>'/'+parts.map(encodeURIComponent).join('/');
const card=(m)=>{const a=document.createElement('article');
a.append(make('h2',m.subject),make('p','to '+m.to+', from '+m.from),linked(m.text));
for(const f of m.attachments)a.append(make('a',f.name,{className:'file',href:path('attachments',m.id,f.name),download:f.name}));
return a};
let shown='';
const show=async()=>{const raw=await (await fetch('/status')).text();if(raw===shown)return;shown=raw;const s=JSON.parse(raw);
const mood={well:'takes everything',down:'is down',refuses:'refuses'}[s.mood];
document.getElementById('state').textContent=mood+', '+s.messages.length+(s.messages.length===1?' message':' messages');
document.getElementById('messages').replaceChildren(...s.messages.map(card))};
const act=async(mood)=>{await fetch('/do',{method:'POST',body:JSON.stringify({do:'mood',mood})});show()};
for(const b of document.querySelectorAll('[data-mood]'))b.onclick=()=>act(b.dataset.mood);
show();setInterval(show,1000);
</script></main></body></html>`;
