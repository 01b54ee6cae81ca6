import * as z from 'zod';

/** What a measuring wheel tells: the stand-in and a real one speak through the same door. */
export type WheelNews =
  | { readonly is: 'reading'; readonly lengthM: number }
  | { readonly is: 'garbled' }
  | { readonly is: 'here' }
  | { readonly is: 'away' };

const readingSchema = z.strictObject({ lengthM: z.number().positive().max(10_000) });

function readReading(text: string): WheelNews {
  try {
    const reading = readingSchema.safeParse(JSON.parse(text));
    return reading.success ? { is: 'reading', lengthM: reading.data.lengthM } : { is: 'garbled' };
  } catch {
    return { is: 'garbled' };
  }
}

/** Listens to the wheel until the returned function is called. */
export function listenToWheel(tell: (news: WheelNews) => void): () => void {
  const source = new EventSource('/api/wheel/readings');
  source.onopen = () => tell({ is: 'here' });
  source.onerror = () => tell({ is: 'away' });
  source.onmessage = ({ data }: MessageEvent<string>) => tell(readReading(data));
  return () => source.close();
}
