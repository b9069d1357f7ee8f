import { LOCALE } from '@/core/shared';
/** Everything that a device sees which is not let in: no word of any home, no file of the app. */
interface PairingPage {
  readonly nonce: string;
  readonly message: string;
}

export const escapeHtml = (raw: string): string =>
  raw.replace(/[&<>"']/g, (sign) => `&#${sign.charCodeAt(0)};`);

export const PAGE_STYLE = `*{box-sizing:border-box}body{margin:0;background:#f3ede0;color:#22201b;font:17px/1.45 Verdana,sans-serif}
main{max-width:420px;margin:0 auto;padding:28px 20px}h1{font:700 24px/1.2 Georgia,serif;
border-bottom:4px solid #23407a;padding-bottom:10px;margin:0 0 14px}
label{display:block;font-weight:700;font-size:14px;color:#514b3f;margin:14px 0 4px}
input{width:100%;min-height:48px;font-size:18px;padding:8px 12px;border:1.5px solid #d5cab5;border-radius:5px;background:#fff}
#code{font-family:"Courier New",monospace;font-size:24px;letter-spacing:.12em;text-transform:uppercase}
button{width:100%;min-height:52px;margin-top:18px;border:0;border-radius:5px;background:#23407a;color:#fff;font-size:17px;font-weight:700}
h2{font:700 18px/1.2 Georgia,serif;margin:22px 0 6px}dt{font-weight:700;margin-top:10px}dd{margin:2px 0 0}
.go{display:block;min-height:48px;padding:12px 14px;border-radius:5px;background:#23407a;color:#fff;
font-weight:700;text-decoration:none;overflow-wrap:anywhere}
.mono{font-family:"Courier New",monospace;overflow-wrap:anywhere}
.warn{background:#fbe7d3;border-left:4px solid #c8641b;padding:8px 10px}`;

const HOW_TO =
  '<p>The desk shows a code under “Devices”. It is good for three minutes and for one device.</p>';

/** The pairing page; the code comes out of the address behind #, which no server and no log ever sees. */
export const renderPairingPage = ({
  nonce,
  message,
}: PairingPage): string => `<!doctype html><html lang="${LOCALE}"><head><meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<link rel="icon" href="data:,"><title>Join Tin Box</title><style nonce="${nonce}">${PAGE_STYLE}</style></head>
<body><main><h1>Join this Tin Box</h1>
${message === '' ? HOW_TO : `<p class="warn" role="alert">${escapeHtml(message)}</p>`}
<form method="post" action="/pair"><label for="code">Code from the desk</label>
<input id="code" name="code" required maxlength="20" autocomplete="off" autocapitalize="characters" spellcheck="false">
<label for="name">What this device is called</label>
<input id="name" name="name" required maxlength="40" value="phone" autocomplete="off">
<button>Let me in</button></form></main>
<script nonce="${nonce}">if(location.hash.length>1){document.getElementById('code').value=decodeURIComponent(location.hash.slice(1));
history.replaceState(null,'','/pair')}</script></body></html>`;

/** Shown once after a device was let in: it keeps its name, under which its decisions stand in the log. */
export const renderPairedPage = ({
  nonce,
  name,
}: {
  readonly nonce: string;
  readonly name: string;
}): string => `<!doctype html><html lang="${LOCALE}"><head><meta charset="utf-8">
<link rel="icon" href="data:,"><title>Joined</title></head><body><p>Joined as ${escapeHtml(name)}.</p>
<script nonce="${nonce}">try{localStorage.setItem('tin-box-device',${JSON.stringify(name).replace(/</g, '\\u003c')})}
catch{}location.replace('/')</script><p><a href="/">Go on</a></p></body></html>`;
