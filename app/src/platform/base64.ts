/** So many bytes at once: more arguments than this a call does not take. */
const CHUNK = 0x8000;

/** Bytes as base64, as documents and records hold pictures. */
export function base64OfBytes(bytes: Uint8Array): string {
  let text = '';
  for (let at = 0; at < bytes.length; at += CHUNK)
    text += String.fromCharCode(...bytes.subarray(at, at + CHUNK));
  return btoa(text);
}

export const base64Of = async (blob: Blob): Promise<string> =>
  base64OfBytes(new Uint8Array(await blob.arrayBuffer()));
