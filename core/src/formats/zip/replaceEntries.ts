import { deflateSync } from 'fflate';
import { crc32 } from './crc32.ts';
import { CENTRAL_BYTES, LOCAL, LOCAL_BYTES, type ZipDirectory, findEnd } from './readZip.ts';

/** One entry of the directory, as bytes. */
interface Record {
  readonly at: number;
  readonly length: number;
  readonly name: string;
  readonly local: number;
}

/**
 * A zip with the content of some entries replaced; every other entry is copied as it lies in the file, byte for byte.
 * `directory` is that of these bytes.
 */
export function replaceEntries(
  bytes: Uint8Array,
  directory: ZipDirectory,
  contents: ReadonlyMap<string, Uint8Array>,
): Uint8Array {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  const end = findEnd(view);
  if (end === undefined) throw new Error('replaceEntries: the zip has no end');
  const first = view.getUint32(end + 16, true);
  const records = recordsOf(view, first, directory);
  const byPlace = [...records].sort((a, b) => a.local - b.local);
  const pieces: Uint8Array[] = [];
  const moved = new Map<string, { readonly offset: number; readonly patch: Patch | undefined }>();
  let offset = 0;
  byPlace.forEach((record, place) => {
    const next = byPlace[place + 1]?.local ?? first;
    const content = contents.get(record.name);
    const { piece, patch } =
      content === undefined
        ? { piece: bytes.subarray(record.local, next), patch: undefined }
        : packed(bytes, view, record, content);
    moved.set(record.name, { offset, patch });
    pieces.push(piece);
    offset += piece.length;
  });
  const central = records.map((record) => patched(bytes, record, moved.get(record.name)));
  const size = central.reduce((sum, { length }) => sum + length, 0);
  const tail = bytes.slice(end);
  const tailView = new DataView(tail.buffer);
  tailView.setUint32(12, size, true);
  tailView.setUint32(16, offset, true);
  return joined([...pieces, ...central, tail]);
}

function recordsOf(view: DataView, first: number, { entries }: ZipDirectory): readonly Record[] {
  let at = first;
  return entries.map(({ name }) => {
    const length =
      CENTRAL_BYTES +
      view.getUint16(at + 28, true) +
      view.getUint16(at + 30, true) +
      view.getUint16(at + 32, true);
    const record = { at, length, name, local: view.getUint32(at + 42, true) };
    at += length;
    return record;
  });
}

/** What its directory entry says anew. */
interface Patch {
  readonly crc: number;
  readonly packedSize: number;
  readonly size: number;
}

/** New content under the head of the entry before. */
function packed(
  bytes: Uint8Array,
  view: DataView,
  { local }: Record,
  content: Uint8Array,
): { readonly piece: Uint8Array; readonly patch: Patch } {
  const nameLength = view.getUint16(local + 26, true);
  const data = deflateSync(content);
  const piece = new Uint8Array(LOCAL_BYTES + nameLength + data.length);
  piece.set(bytes.subarray(local, local + LOCAL_BYTES + nameLength));
  piece.set(data, LOCAL_BYTES + nameLength);
  const patch = { crc: crc32(content), packedSize: data.length, size: content.length };
  const head = new DataView(piece.buffer);
  head.setUint32(0, LOCAL, true);
  // Sizes stand in the head, not behind the data.
  head.setUint16(6, view.getUint16(local + 6, true) & ~8, true);
  head.setUint16(8, 8, true);
  head.setUint32(14, patch.crc, true);
  head.setUint32(18, patch.packedSize, true);
  head.setUint32(22, patch.size, true);
  head.setUint16(28, 0, true);
  return { piece, patch };
}

function patched(
  bytes: Uint8Array,
  { at, length }: Record,
  moved: { readonly offset: number; readonly patch: Patch | undefined } | undefined,
): Uint8Array {
  const record = bytes.slice(at, at + length);
  const view = new DataView(record.buffer);
  view.setUint32(42, moved?.offset ?? 0, true);
  if (moved?.patch === undefined) return record;
  const { crc, packedSize, size } = moved.patch;
  view.setUint16(8, view.getUint16(8, true) & ~8, true);
  view.setUint16(10, 8, true);
  view.setUint32(16, crc, true);
  view.setUint32(20, packedSize, true);
  view.setUint32(24, size, true);
  return record;
}

function joined(pieces: readonly Uint8Array[]): Uint8Array {
  const all = new Uint8Array(pieces.reduce((sum, { length }) => sum + length, 0));
  let at = 0;
  for (const piece of pieces) {
    all.set(piece, at);
    at += piece.length;
  }
  return all;
}
