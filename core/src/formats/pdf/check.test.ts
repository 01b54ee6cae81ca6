import { describe, expect, it } from '@jest/globals';
import { PDFDocument, StandardFonts } from '@cantoo/pdf-lib';
import { deflateSync } from 'node:zlib';
import { checkPdf } from './check.ts';

const latin = (text: string): Uint8Array => Uint8Array.from(text, (letter) => letter.charCodeAt(0));

function join(...parts: readonly Uint8Array[]): Uint8Array {
  const all = new Uint8Array(parts.reduce((sum, { length }) => sum + length, 0));
  let at = 0;
  for (const part of parts) {
    all.set(part, at);
    at += part.length;
  }
  return all;
}

/** An object with a stream, as programs write it between others. */
const streamOf = (dictionary: string, content: Uint8Array): Uint8Array =>
  join(
    latin(`%PDF-1.7\n1 0 obj\n<< ${dictionary} >>\nstream\r\n`),
    content,
    latin('\nendstream\nendobj\n'),
    latin('2 0 obj\n<< /Type /Catalog >>\nendobj\n'),
  );

const zeros = (bytes: number): Uint8Array => deflateSync(new Uint8Array(bytes), { level: 9 });
const LIMITS = { stream: 1e6, image: 4e6 };
const TOO_LARGE = { kind: 'pdf-unpacks-too-large', limit: 1e6 };

describe('a PDF that unpacks to more than is taken', () => {
  const packed = zeros(3e6);

  it('is found before it is read, with its length said, pointed to, or wrong', () => {
    for (const length of [`/Length ${packed.length}`, '/Length 9 0 R', '/Length 5'])
      expect(checkPdf(streamOf(`${length} /Filter /FlateDecode`, packed), LIMITS)).toEqual(TOO_LARGE);
  });

  it('is found by the short name of the filter, and in an array of one', () => {
    expect(checkPdf(streamOf('/Filter [/Fl]', packed), LIMITS)).toEqual(TOO_LARGE);
    expect(checkPdf(streamOf('/Filter [ /FlateDecode ]', packed), LIMITS)).toEqual(TOO_LARGE);
  });

  it('is found where it is packed twice over, however short', () => {
    const twice = deflateSync(zeros(1000));
    expect(checkPdf(streamOf('/Filter [/FlateDecode /FlateDecode]', twice), LIMITS)).toEqual(TOO_LARGE);
  });

  it('may be an image, which has a limit of its own', () => {
    const image = '/Type /XObject /Subtype /Image /Filter /FlateDecode';
    expect(checkPdf(streamOf(image, packed), LIMITS)).toBeUndefined();
    expect(checkPdf(streamOf(image, zeros(5e6)), LIMITS)).toEqual({ ...TOO_LARGE, limit: 4e6 });
  });

  it('is told of the real limits: 200 MB of content from 200 KB', () => {
    const bomb = streamOf('/Filter /FlateDecode', zeros(200e6));
    expect(bomb.length).toBeLessThan(250_000);
    expect(checkPdf(bomb)?.limit).toBe(96e6);
  });
});

describe('a PDF as it should be', () => {
  it('passes, as another program writes it, and as it is cut off', async () => {
    const document = await PDFDocument.create();
    const font = await document.embedFont(StandardFonts.Helvetica);
    for (let i = 0; i < 5; i += 1)
      document.addPage([600, 400]).drawText(`Wall ${i}`.repeat(2000), { font, size: 4 });
    const bytes = await document.save();
    expect(checkPdf(bytes, LIMITS)).toBeUndefined();
    for (let at = 1; at < bytes.length; at += 97)
      expect(checkPdf(bytes.subarray(0, at), LIMITS)).toBeUndefined();
  });

  it('passes with what is not packed, and with what is damaged', () => {
    expect(checkPdf(streamOf('/Length 10', latin('0 0 m 9 9 l'.repeat(200_000))), LIMITS)).toBeUndefined();
    const damaged = zeros(3e6).fill(0xff, 10);
    expect(checkPdf(streamOf('/Filter /FlateDecode', damaged), LIMITS)).toBeUndefined();
  });
});
