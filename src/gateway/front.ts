import 'server-only';

import http, { type RequestListener } from 'node:http';
import https from 'node:https';
import net, { type AddressInfo, type Socket } from 'node:net';

import type { ServedCertificate } from './certificates';

export interface Front {
  readonly port: number;
  /** From now on it shows this certificate; connections that are open go on with theirs. */
  readonly show: (certificate: ServedCertificate) => void;
  readonly close: () => Promise<void>;
}
interface FrontOptions {
  readonly host: string;
  readonly port: number;
  readonly certificate: ServedCertificate;
  /** What comes encrypted. */
  readonly onSecure: RequestListener;
  /** What comes in the clear. */
  readonly onPlain: RequestListener;
}

/**
 * Headers that never end, and lines on which nothing is said, are closed; a home being sent goes on
 * being sent.
 */
const TIMEOUTS = { headersTimeout: 15_000, requestTimeout: 0, connectionsCheckingInterval: 5_000 };
const IDLE_MS = 60_000;
/** The first byte of a TLS record that opens a connection. Source: RFC 8446 §5.1. */
const HANDSHAKE = 0x16;

/** One port that speaks TLS, and answers those who come in the clear apart from the others. */
export async function openFront(options: FrontOptions): Promise<Front> {
  const contextOf = ({ cert, key }: ServedCertificate) => ({
    cert,
    key,
    minVersion: 'TLSv1.2' as const,
  });
  const secure = https.createServer(
    { ...TIMEOUTS, ...contextOf(options.certificate) },
    options.onSecure,
  );
  const plain = http.createServer(TIMEOUTS, options.onPlain);
  for (const server of [secure, plain]) server.timeout = IDLE_MS;
  // A handshake that fails is the other side's affair: it hears so and asks again.
  secure.on('tlsClientError', (_, socket) => socket.destroy());
  const sockets = new Set<Socket>();
  const front = net.createServer((socket) => {
    sockets.add(socket);
    socket.once('close', () => sockets.delete(socket));
    socket.on('error', () => socket.destroy());
    const giveUp = setTimeout(() => socket.destroy(), TIMEOUTS.headersTimeout);
    socket.once('close', () => clearTimeout(giveUp));
    socket.once('data', (chunk: Buffer) => {
      clearTimeout(giveUp);
      socket.pause();
      socket.unshift(chunk);
      (chunk[0] === HANDSHAKE ? secure : plain).emit('connection', socket);
      process.nextTick(() => socket.resume());
    });
  });
  await new Promise<void>((resolve, reject) => {
    front.once('error', reject);
    front.listen(options.port, options.host, resolve);
  });
  return {
    port: (front.address() as AddressInfo).port,
    show: (certificate) => secure.setSecureContext(contextOf(certificate)),
    close: () =>
      new Promise((resolve) => {
        front.close(() => resolve());
        // These two never listened; what they check from time to time ends with them.
        for (const server of [secure, plain]) server.close();
        for (const socket of sockets) socket.destroy();
      }),
  };
}
