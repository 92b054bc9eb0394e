import { newKey } from './sent-once.interceptor';

/** A UUID of random digits (RFC 9562, version 4), also where a works without TLS has no more of the browser's cryptography. */
export function newUid(): string {
  const hex = newKey();
  const variant = '89ab'[parseInt(hex[16] ?? '0', 16) % 4] ?? '8';
  return [
    hex.slice(0, 8),
    hex.slice(8, 12),
    `4${hex.slice(13, 16)}`,
    `${variant}${hex.slice(17, 20)}`,
    hex.slice(20),
  ].join('-');
}
