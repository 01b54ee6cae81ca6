import { LIMITS } from '../limits.ts';
/** Fields that lead to further directories. */
const LEADS = new Set([330, 34665, 34853, 40965]);
const TYPE_BYTES: readonly number[] = [0, 1, 1, 2, 4, 8, 1, 1, 2, 4, 8, 4, 8];

/**
 * Whether a TIFF can be handed to a decoder: its directories come to an end, none is read twice, and what
 * their fields name lies in the file. TIFF 6.0; a loop of half a kilobyte would hold a decoder for good.
 */
export function isSoundTiff(bytes: Uint8Array): boolean {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  if (bytes.length < 8) return false;
  const little = view.getUint8(0) === 0x49;
  const seen = new Set<number>();
  const pending = [view.getUint32(4, little)];
  for (let at = pending.pop(); at !== undefined; at = pending.pop()) {
    if (at === 0) continue;
    if (seen.has(at) || seen.size >= LIMITS.image.tiffPages || at + 2 > bytes.length) return false;
    seen.add(at);
    const count = view.getUint16(at, little);
    const end = at + 2 + 12 * count;
    if (count === 0 || count > LIMITS.image.tiffFields || end + 4 > bytes.length) return false;
    for (let field = at + 2; field < end; field += 12) {
      const leads = fieldLeads(view, field, little);
      if (leads === undefined) return false;
      pending.push(...leads);
    }
    pending.push(view.getUint32(end, little));
  }
  return seen.size > 0;
}

/** Where a field leads; undefined where what it names lies outside of the file. */
function fieldLeads(view: DataView, field: number, little: boolean): readonly number[] | undefined {
  const tag = view.getUint16(field, little);
  const size = (TYPE_BYTES[view.getUint16(field + 2, little)] ?? 0) * view.getUint32(field + 4, little);
  const place = size > 4 ? view.getUint32(field + 8, little) : field + 8;
  if (size > view.byteLength || place + Math.min(size, view.byteLength) > view.byteLength) return undefined;
  if (!LEADS.has(tag)) return [];
  const leads: number[] = [];
  for (let i = 0; i + 4 <= size && leads.length <= LIMITS.image.tiffPages; i += 4)
    leads.push(view.getUint32(place + i, little));
  return leads;
}
