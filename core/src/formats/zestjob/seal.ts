import { sha256 } from '@noble/hashes/sha2';
import { bytesToHex } from '@noble/hashes/utils';
import * as z from 'zod';

export const sha256Hex = (bytes: Uint8Array): string => bytesToHex(sha256(bytes));

/** What stands in the file beside the job: each entry with its size and SHA-256. */
export const manifestSchema = z.strictObject({
  format: z.literal('zestjob-manifest'),
  entries: z.array(
    z.strictObject({
      name: z.string(),
      bytes: z.number().int().min(0),
      sha256: z.string().regex(/^[0-9a-f]{64}$/),
    }),
  ),
});

const MARK = 'zestjob sha256 ';
const HEX = 64;
const COMMENT_BYTES = MARK.length + HEX;

const ascii = (text: string): Uint8Array => Uint8Array.from(text, (char) => char.charCodeAt(0));

/** A zip with a comment that seals all of it: the SHA-256 of every byte before the sum itself. */
export function sealZip(zip: Uint8Array): Uint8Array {
  const sealed = new Uint8Array(zip.length + COMMENT_BYTES);
  sealed.set(zip);
  // The length of the comment is the last field of a zip that has none.
  sealed[zip.length - 2] = COMMENT_BYTES & 255;
  sealed[zip.length - 1] = COMMENT_BYTES >> 8;
  sealed.set(ascii(MARK), zip.length);
  const end = sealed.length - HEX;
  sealed.set(ascii(sha256Hex(sealed.subarray(0, end))), end);
  return sealed;
}

/** True where a comment is a seal, and the seal is of these bytes. */
export function isSealed(bytes: Uint8Array, comment: string): boolean {
  if (comment.length !== COMMENT_BYTES || !comment.startsWith(MARK)) return false;
  return sha256Hex(bytes.subarray(0, bytes.length - HEX)) === comment.slice(MARK.length);
}
