import { LOCALE } from '@/core/shared';
import { escapeHtml, PAGE_STYLE } from './pairingPage';

interface PlainPage {
  readonly nonce: string;
  /** Where it goes on, encrypted. */
  readonly address: string;
  /** Of the machine's own authority, as pairs parted by colons; undefined where another's word is trusted anyway. */
  readonly fingerprint: string | undefined;
  readonly file: string;
}

/** What somebody does on each kind of device to trust the machine, in plain words. */
const TRUST_STEPS: readonly { readonly system: string; readonly steps: string }[] = [
  {
    system: 'iPhone, iPad',
    steps:
      'Open the certificate in Safari and allow it. Settings: “Profile downloaded”, Install. Then ' +
      'Settings, General, About, Certificate Trust Settings: switch it on.',
  },
  {
    system: 'Android',
    steps:
      'Download the certificate. Settings: search for “CA certificate”, install it from the downloads.',
  },
  {
    system: 'Windows',
    steps:
      'Open the certificate, Install Certificate, Current User, place it in “Trusted Root Certification Authorities”.',
  },
  {
    system: 'Mac',
    steps:
      'Open the certificate, add it to the login keychain, open it there and set Trust to “Always Trust”.',
  },
  {
    system: 'Linux, and Firefox anywhere',
    steps:
      'In the browser’s settings search for “certificates”, Authorities, Import, and let it identify websites.',
  },
];

/** The one page that is given in the clear: no word of any home, and how to come in. */
export const renderPlainPage = ({
  nonce,
  address,
  fingerprint,
  file,
}: PlainPage): string => `<!doctype html><html lang="${LOCALE}"><head><meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<link rel="icon" href="data:,"><title>Come in to Tin Box</title><style nonce="${nonce}">${PAGE_STYLE}</style></head>
<body><main><h1>Come in to this Tin Box</h1>
${fingerprint === undefined ? '' : trustPart(fingerprint, file)}
<h2>${fingerprint === undefined ? 'Encrypted only' : '3. Go on'}</h2>
<p><a class="go" href="${escapeHtml(address)}/pair">Open ${escapeHtml(address)}</a></p>
</main></body></html>`;

const trustPart = (
  fingerprint: string,
  file: string,
): string => `<p>What goes between this device and
the desk is encrypted by a certificate that the desk made itself. Trust it once.</p>
<h2>1. Take the certificate</h2><p><a class="go" href="${file}" download>Download it</a></p>
<h2>2. Trust it</h2><p>Before it is installed the device shows the certificate’s fingerprint (SHA-256) among its
details. Compare that with the one under “Devices” at the desk; if one sign differs, stop. It should be:</p>
<p class="mono">${fingerprint.replace(/:/g, ' ')}</p>
<dl>${TRUST_STEPS.map(({ system, steps }) => `<dt>${system}</dt><dd>${steps}</dd>`).join('')}</dl>`;
