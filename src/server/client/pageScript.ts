/**
 * What a page for a client does by itself: chooses, keeps what was chosen on the device, sends it or makes a
 * file of it, and finds where things live. Plain, so that it runs from a file on any phone; it asks nobody but
 * the address that it came from.
 */
export const pageScript = `(() => {
'use strict';
const page = JSON.parse(document.getElementById('page').textContent);
const store = 'tin-box-answers ' + page.id;
const read = () => { try { return JSON.parse(localStorage.getItem(store) || '{}'); } catch { return {}; } };
const forget = () => { try { localStorage.removeItem(store); } catch { /* private window */ } };
if (page.isEnded) { forget(); return; }
const given = read();
const keep = () => { try { localStorage.setItem(store, JSON.stringify(given)); } catch { /* private window */ } };
const freshId = () => Array.from(crypto.getRandomValues(new Uint8Array(16)), (b) => b.toString(16).padStart(2, '0')).join('');
const cards = [...document.querySelectorAll('[data-key]')];
const all = (card, what) => [...card.querySelectorAll(what)];
const status = document.getElementById('status');
const say = (words) => { if (status) status.textContent = words; };
const clock = (iso) => new Date(iso).toLocaleTimeString([], { hour: '2-digit', minute: '2-digit' });

const show = (card) => {
  const answer = given[card.dataset.key];
  for (const button of all(card, '[data-says]'))
    button.setAttribute('aria-pressed', String(!!answer && answer.says === button.dataset.says));
  const said = card.querySelector('.said');
  if (!answer) return;
  card.classList.add('answered');
  if (page.way === 'file') said.textContent = 'Chosen. It is in the answer file below.';
  else if (answer.sent) said.textContent = 'Sent at ' + clock(answer.saidAt) + '. You can still change it.';
  else said.textContent = 'Not sent yet; it is kept here.';
};
const sum = () => {
  const count = cards.filter((card) => given[card.dataset.key]).length;
  if (page.way === 'file') {
    say(count + ' of ' + cards.length + ' answered');
    for (const button of document.querySelectorAll('.make button')) button.disabled = count === 0;
    return;
  }
  const waiting = Object.values(given).filter((answer) => !answer.sent).length;
  say(count + ' of ' + cards.length + ' answered' + (waiting > 0 ? ', ' + waiting + ' not sent yet' : ''));
};
const note = (card, says) => {
  const signs = card.querySelector('.by');
  if (says === 'agreed' && signs && signs.value.trim() === '') {
    card.querySelector('.said').textContent = 'Please write your name first.';
    signs.focus();
    return;
  }
  given[card.dataset.key] = {
    id: freshId(), key: card.dataset.key, says,
    words: card.querySelector('.words').value.trim(),
    by: signs ? signs.value.trim() : '', saidAt: new Date().toISOString(), sent: false,
  };
  keep(); show(card); sum(); send();
};
for (const card of cards) {
  const answer = given[card.dataset.key];
  if (answer) card.querySelector('.words').value = answer.words;
  const signs = card.querySelector('.by');
  if (answer && signs) signs.value = answer.by;
  for (const button of all(card, '[data-says]')) button.addEventListener('click', () => note(card, button.dataset.says));
  card.querySelector('.words').addEventListener('change', () => {
    const known = given[card.dataset.key];
    if (known) note(card, known.says);
  });
  show(card);
}
const plain = ({ id, key, says, words, by, saidAt }) => ({ id, key, says, words, by, saidAt });

let isSending = false;
async function send() {
  if (page.way !== 'link' || isSending) return;
  const open = Object.values(given).filter((answer) => !answer.sent);
  if (open.length === 0) return;
  isSending = true;
  try {
    const response = await fetch(location.pathname.replace(/\\/$/, '') + '/answers', {
      method: 'POST', headers: { 'content-type': 'application/json' }, body: JSON.stringify({ answers: open.map(plain) }),
    });
    if (response.ok) for (const answer of open) answer.sent = true;
    else if (response.status === 410 || response.status === 404) { forget(); location.reload(); return; }
    keep();
  } catch { /* kept here, and sent again */ }
  isSending = false;
  for (const card of cards) show(card);
  sum();
  // What was changed while it was on its way.
  if (open.every((answer) => answer.sent) && Object.values(given).some((answer) => !answer.sent)) send();
}
if (page.way === 'link') { addEventListener('online', send); setInterval(send, 15000); send(); }

const file = () => ({ format: 'tin-box-answers', version: 1, pageId: page.id, answers: Object.values(given).map(plain) });
const asText = () => {
  const bytes = new TextEncoder().encode(JSON.stringify(file()));
  let code = '';
  for (const byte of bytes) code += String.fromCharCode(byte);
  return '[tin-box-answers ' + btoa(code).replace(/(.{60})/g, '$1\\n') + ']';
};
const makeFile = document.getElementById('make-file');
if (makeFile) makeFile.addEventListener('click', () => {
  const link = document.createElement('a');
  link.href = URL.createObjectURL(new Blob([JSON.stringify(file(), null, 1)], { type: 'application/json' }));
  link.download = 'answers-' + page.id.slice(0, 8) + '.json';
  link.click();
  setTimeout(() => URL.revokeObjectURL(link.href), 10000);
});
const makeText = document.getElementById('make-text');
if (makeText) makeText.addEventListener('click', async () => {
  const field = document.getElementById('text');
  field.hidden = false; field.value = asText(); field.focus(); field.select();
  try { await navigator.clipboard.writeText(field.value); say('Copied. Paste it into a message.'); }
  catch { say('Copy the marked text and paste it into a message.'); }
});

const NOT_SOUGHT = new Set(('where are is the my our your do does we i keep kept a an of did put you find live lives can go goes ' +
  'to belong belongs').split(' '));
const bare = (word) => word.length > 3 && word.endsWith('s') ? word.slice(0, -1) : word;
const seek = document.getElementById('seek');
if (seek) seek.addEventListener('input', () => {
  const typed = seek.value.toLowerCase().split(/[^\\p{L}\\p{N}]+/u);
  const words = typed.filter((word) => word !== '' && !NOT_SOUGHT.has(word)).map(bare);
  let found = 0;
  for (const line of document.querySelectorAll('[data-words]')) {
    const isHit = words.every((word) => line.dataset.words.includes(word));
    line.hidden = !isHit;
    if (isHit) found += 1;
  }
  const said = found === 0 ? 'Nothing here has all of these words.' : found === 1 ? 'One place.' : found + ' places.';
  document.getElementById('found').textContent = words.length === 0 ? '' : said;
});
sum();
})();`;
