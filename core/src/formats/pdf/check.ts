import { Unzlib } from 'fflate';
import { LIMITS } from '../limits.ts';

/** What a PDF may unpack to; bytes. Content is drawn operation by operation, images only as they are. */
export interface PdfLimits {
  /** One stream that is no image: the content of a page, a form, a font. */
  readonly stream: number;
  /** One image. An E sheet in color at 300 dpi has 450 MB. */
  readonly image: number;
}

export const PDF_LIMITS: PdfLimits = { stream: LIMITS.pdf.streamBytes, image: LIMITS.pdf.imageBytes };

/** A PDF that would unpack to more than is taken, found before anything of it is drawn. */
export interface PdfBomb {
  readonly kind: 'pdf-unpacks-too-large';
  readonly limit: number;
}

/** Deflate packs no better than this. */
const PACKED_SHARE = 1032;
/** Bytes of the dictionary before a stream that are looked at. */
const DICTIONARY_BYTES = 2048;
const CHUNK = 65_536;

/**
 * How much each stream of a PDF unpacks to, held against limits (ISO 32000-1, 7.3.8 and 7.4.4: FlateDecode is zlib).
 * Only streams long enough to pass them are unpacked, in pieces that are thrown away. What cannot be unpacked is left
 * to the reader, which tells of damage.
 */
export function checkPdf(bytes: Uint8Array, limits: PdfLimits = PDF_LIMITS): PdfBomb | undefined {
  for (let at = findStream(bytes, 0); at >= 0; at = findStream(bytes, at)) {
    const dictionary = dictionaryBefore(bytes, at);
    const packings = dictionary.match(/\/(?:FlateDecode|Fl|LZWDecode|LZW|RunLengthDecode|RL)\b/g) ?? [];
    const begins = afterLine(bytes, at);
    const limit = /\/Subtype\s*\/Image\b/.test(dictionary) ? limits.image : limits.stream;
    // Packed twice over, little becomes more than can be counted; no program writes that.
    if (packings.length > 1) return { kind: 'pdf-unpacks-too-large', limit };
    const ends = endOfStream(bytes, begins, dictionary);
    const isDeflated = packings[0] === '/FlateDecode' || packings[0] === '/Fl';
    if (isDeflated && passes(bytes.subarray(begins, ends), limit))
      return { kind: 'pdf-unpacks-too-large', limit };
    at = ends;
  }
  return undefined;
}

const isAt = (bytes: Uint8Array, at: number, word: string): boolean => {
  for (let i = 0; i < word.length; i += 1) if (bytes[at + i] !== word.charCodeAt(i)) return false;
  return true;
};

/** Just behind the next `stream` that follows a dictionary; -1 for none. */
function findStream(bytes: Uint8Array, from: number): number {
  for (let at = bytes.indexOf(0x3e, from); at >= 0; at = bytes.indexOf(0x3e, at + 1)) {
    if (bytes[at + 1] !== 0x3e) continue;
    let next = at + 2;
    while (isSpace(bytes[next])) next += 1;
    if (isAt(bytes, next, 'stream')) return next + 'stream'.length;
  }
  return -1;
}

const isSpace = (byte: number | undefined): boolean =>
  byte === 0x20 || byte === 0x0a || byte === 0x0d || byte === 0x09;

/** The bytes of a stream begin behind the end of its line: LF, or CR and LF. */
function afterLine(bytes: Uint8Array, at: number): number {
  if (bytes[at] === 0x0d && bytes[at + 1] === 0x0a) return at + 2;
  return bytes[at] === 0x0a || bytes[at] === 0x0d ? at + 1 : at;
}

/** The text of the object before a stream; of a very long dictionary its end. */
function dictionaryBefore(bytes: Uint8Array, at: number): string {
  const text = String.fromCharCode(...bytes.subarray(Math.max(0, at - DICTIONARY_BYTES), at));
  return text.slice(text.lastIndexOf(' obj') + 1);
}

function endOfStream(bytes: Uint8Array, begins: number, dictionary: string): number {
  const said = /\/Length\s+(\d{1,10})(?!\s+\d+\s+R)\b/.exec(dictionary)?.[1];
  const end = begins + Number(said ?? NaN);
  if (end <= bytes.length) {
    let next = end;
    while (isSpace(bytes[next])) next += 1;
    if (isAt(bytes, next, 'endstream')) return end;
  }
  for (let at = bytes.indexOf(0x65, begins); at >= 0; at = bytes.indexOf(0x65, at + 1))
    if (isAt(bytes, at, 'endstream')) return at;
  return bytes.length;
}

class Enough extends Error {}

function passes(packed: Uint8Array, limit: number): boolean {
  if (packed.length * PACKED_SHARE <= limit) return false;
  let size = 0;
  const unpack = new Unzlib((piece) => {
    size += piece.length;
    if (size > limit) throw new Enough();
  });
  try {
    for (let at = 0; at < packed.length; at += CHUNK)
      unpack.push(packed.subarray(at, at + CHUNK), at + CHUNK >= packed.length);
  } catch (error) {
    // Else it is damaged.
    return error instanceof Enough;
  }
  return false;
}
