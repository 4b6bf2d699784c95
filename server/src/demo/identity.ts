import { createHash } from 'node:crypto';

/** A steady UUID (version 5 in shape) for a name in the demo data, so that links to it last. */
export function demoId(name: string): string {
  const hex = createHash('sha1').update(`zephyrcombe demo ${name}`).digest('hex');
  const variant = ((parseInt(hex.slice(16, 18), 16) & 0x3f) | 0x80).toString(16).padStart(2, '0');
  return `${hex.slice(0, 8)}-${hex.slice(8, 12)}-5${hex.slice(13, 16)}-${variant}${hex.slice(18, 20)}-${hex.slice(20, 32)}`;
}
