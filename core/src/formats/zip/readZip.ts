import { inflateSync } from 'fflate';
import { type Result, accept, refuse } from '../../problem/result.ts';
import { crc32 } from './crc32.ts';

/** One file in a zip, as its directory says. */
export interface ZipEntry {
  readonly name: string;
  readonly crc: number;
  readonly packedSize: number;
  readonly size: number;
  /** 0 stored, 8 deflated. */
  readonly method: number;
  /** Where its bytes begin. */
  readonly start: number;
}

export interface ZipDirectory {
  readonly entries: readonly ZipEntry[];
  /** The text behind the directory. */
  readonly comment: string;
}

/** What is taken in at most, before anything is unpacked. */
export interface ZipLimits {
  readonly bytes: number;
  readonly entries: number;
}

export type ZipProblem =
  | { readonly kind: 'zip-broken' }
  | { readonly kind: 'zip-too-large'; readonly limit: number }
  /** An entry that is not what the directory says of it. */
  | { readonly kind: 'zip-entry-damaged'; readonly name: string };

type Step<Value> = Result<Value, ZipProblem>;

const END = 0x06054b50;
const CENTRAL = 0x02014b50;
export const LOCAL = 0x04034b50;
const END_BYTES = 22;
export const CENTRAL_BYTES = 46;
export const LOCAL_BYTES = 30;
const COMMENT_LIMIT = 65_535;
/** Deflate packs no better than this: what claims more is no honest zip. */
const PACKED_SHARE = 1032;

const broken = (): Step<never> => refuse({ kind: 'zip-broken' });

/** A place at the end of the file from which the directory can be found. */
export function findEnd(view: DataView): number | undefined {
  const first = Math.max(0, view.byteLength - END_BYTES - COMMENT_LIMIT);
  for (let at = view.byteLength - END_BYTES; at >= first; at -= 1)
    if (
      view.getUint32(at, true) === END &&
      at + END_BYTES + view.getUint16(at + 20, true) === view.byteLength
    )
      return at;
  return undefined;
}

/**
 * The directory of a zip with every entry held against its own head: sizes, places and names must agree,
 * and the files, the directory and the end must fill the whole file. Nothing is unpacked.
 */
export function readZipDirectory(bytes: Uint8Array, limits: ZipLimits): Step<ZipDirectory> {
  if (bytes.length < END_BYTES) return broken();
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  const end = findEnd(view);
  if (end === undefined) return broken();
  const count = view.getUint16(end + 10, true);
  const directory = view.getUint32(end + 16, true);
  if (count > limits.entries) return refuse({ kind: 'zip-too-large', limit: limits.bytes });
  if (view.getUint32(end + 4, true) !== 0 || view.getUint16(end + 8, true) !== count) return broken();
  if (directory + view.getUint32(end + 12, true) !== end) return broken();
  const decode = new Decoder();
  const entries: ZipEntry[] = [];
  const names = new Set<string>();
  let total = 0;
  let at = directory;
  for (let i = 0; i < count; i += 1) {
    if (at + CENTRAL_BYTES > view.byteLength) return broken();
    total += view.getUint32(at + 24, true);
    if (total > limits.bytes) return refuse({ kind: 'zip-too-large', limit: limits.bytes });
    const read = readEntry(view, bytes, at, directory, decode);
    if (read === undefined || names.has(read.entry.name)) return broken();
    names.add(read.entry.name);
    entries.push(read.entry);
    at += read.length;
  }
  if (at !== end) return broken();
  return accept({ entries, comment: decode.text(bytes.subarray(end + END_BYTES)) });
}

/** UTF-8 without the platform's decoder, which core does not have: names are short. */
class Decoder {
  text(bytes: Uint8Array): string {
    let text = '';
    for (let i = 0; i < bytes.length;) {
      const byte = bytes[i] as number;
      const more = byte < 0x80 ? 0 : byte < 0xe0 ? 1 : byte < 0xf0 ? 2 : 3;
      let code = more === 0 ? byte : byte & (0x3f >> more);
      for (let k = 1; k <= more; k += 1) code = (code << 6) | ((bytes[i + k] ?? 0) & 0x3f);
      text += code <= 0x10ffff ? String.fromCodePoint(code) : '\ufffd';
      i += more + 1;
    }
    return text;
  }
}

function readEntry(
  view: DataView,
  bytes: Uint8Array,
  at: number,
  directory: number,
  decode: Decoder,
): { readonly entry: ZipEntry; readonly length: number } | undefined {
  if (at + CENTRAL_BYTES > view.byteLength || view.getUint32(at, true) !== CENTRAL) return undefined;
  const flags = view.getUint16(at + 8, true);
  const method = view.getUint16(at + 10, true);
  const crc = view.getUint32(at + 16, true);
  const packedSize = view.getUint32(at + 20, true);
  const size = view.getUint32(at + 24, true);
  const nameLength = view.getUint16(at + 28, true);
  const length = CENTRAL_BYTES + nameLength + view.getUint16(at + 30, true) + view.getUint16(at + 32, true);
  const local = view.getUint32(at + 42, true);
  if (at + length > view.byteLength || local + LOCAL_BYTES > directory) return undefined;
  // Encrypted, or packed in a way that nothing here writes or reads.
  if ((flags & 1) !== 0 || (method !== 0 && method !== 8)) return undefined;
  if (view.getUint32(local, true) !== LOCAL || view.getUint16(local + 8, true) !== method) return undefined;
  const localName = view.getUint16(local + 26, true);
  const start = local + LOCAL_BYTES + localName + view.getUint16(local + 28, true);
  const name = bytes.subarray(at + CENTRAL_BYTES, at + CENTRAL_BYTES + nameLength);
  const again = bytes.subarray(local + LOCAL_BYTES, local + LOCAL_BYTES + localName);
  if (name.length !== again.length || name.some((byte, i) => byte !== again[i])) return undefined;
  if (start + packedSize > directory) return undefined;
  if (method === 0 ? packedSize !== size : size > packedSize * PACKED_SHARE + 64) return undefined;
  // With bit 3 the sizes stand behind the data; else they stand in both heads alike.
  const streamed = (flags & 8) !== 0;
  const agrees =
    view.getUint32(local + 14, true) === crc &&
    view.getUint32(local + 18, true) === packedSize &&
    view.getUint32(local + 22, true) === size;
  if (!streamed && !agrees) return undefined;
  return { entry: { name: decode.text(name), crc, packedSize, size, method, start }, length };
}

/** The bytes of an entry, held against their size and CRC-32. */
export function unpackEntry(bytes: Uint8Array, entry: ZipEntry): Step<Uint8Array> {
  const { name, crc, packedSize, size, method, start } = entry;
  const damaged = refuse({ kind: 'zip-entry-damaged' as const, name });
  const packed = bytes.subarray(start, start + packedSize);
  try {
    // Never more than was said: what is longer is cut there and found out by its sum.
    const content = method === 0 ? packed : inflateSync(packed, { out: new Uint8Array(size) });
    return content.length === size && crc32(content) === crc ? accept(content) : damaged;
  } catch {
    return damaged;
  }
}
