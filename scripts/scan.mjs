// Makes the scan of A-101: the sheet drawn in Chromium at 200 dpi, turned and stretched as demo/src/boathouse/scan.ts
// says, packed as a gray picture in a PDF. Run by hand when A-101 changes; the file is committed.
import { readFile, writeFile } from 'node:fs/promises';
import { createServer } from 'node:http';
import { deflateSync } from 'node:zlib';
import { chromium } from 'playwright-core';
import { PDFDocument, PDFName } from '@cantoo/pdf-lib';

const DPI = 200;
const TURN_DEG = 0.7;
const STRETCH_X = 1.006;
const PAGE_OF_A101 = 4;
const [WIDTH_PT, HEIGHT_PT] = [36 * 72, 24 * 72];

const root = new URL('../', import.meta.url);
const files = {
  '/pdf.mjs': 'node_modules/pdfjs-dist/build/pdf.min.mjs',
  '/worker.mjs': 'node_modules/pdfjs-dist/build/pdf.worker.min.mjs',
  '/plans.pdf': 'demo/files/tern-island-boathouse.pdf',
};
const server = createServer(async (request, response) => {
  const path = files[request.url];
  if (path === undefined)
    return response.writeHead(200, { 'content-type': 'text/html' }).end('<body></body>');
  const type = path.endsWith('.pdf') ? 'application/pdf' : 'text/javascript';
  return response.writeHead(200, { 'content-type': type }).end(await readFile(new URL(path, root)));
}).listen(0, '127.0.0.1');
await new Promise((done) => server.once('listening', done));

const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox'] });
const page = await browser.newPage();
await page.goto(`http://127.0.0.1:${server.address().port}/`);
const packed = await page.evaluate(
  async ({ dpi, turnDeg, stretchX, pageNumber, widthPt, heightPt }) => {
    const pdfjs = await import('/pdf.mjs');
    pdfjs.GlobalWorkerOptions.workerSrc = '/worker.mjs';
    const document_ = await pdfjs.getDocument({ url: '/plans.pdf' }).promise;
    const sheet = await document_.getPage(pageNumber);
    const scale = dpi / 72;
    const [width, height] = [Math.round(widthPt * scale), Math.round(heightPt * scale)];
    const drawn = new OffscreenCanvas(width, height);
    await sheet.render({ canvas: drawn, viewport: sheet.getViewport({ scale }), background: '#fff' }).promise;
    const canvas = new OffscreenCanvas(width, height);
    const context = canvas.getContext('2d', { willReadFrequently: true });
    context.fillStyle = '#fff';
    context.fillRect(0, 0, width, height);
    const angle = (turnDeg * Math.PI) / 180;
    const [c, s] = [Math.cos(angle), Math.sin(angle)];
    context.setTransform(stretchX * c, s, -stretchX * s, c, width / 2, height / 2);
    context.drawImage(drawn, -width / 2, -height / 2);
    // Four bits of gray: two pixels a byte, in strips so that the way out of the page stays short.
    const row = Math.ceil(width / 2);
    const bytes = new Uint8Array(row * height);
    const STRIP = 256;
    for (let top = 0; top < height; top += STRIP) {
      const high = Math.min(STRIP, height - top);
      const { data } = context.getImageData(0, top, width, high);
      for (let y = 0; y < high; y += 1)
        for (let x = 0; x < width; x += 1) {
          // A scanner's own grain: paper is not quite white, ink not quite black.
          const gray = data[4 * (y * width + x)];
          const level = Math.min(15, Math.max(1, Math.round(gray / 17)));
          bytes[(top + y) * row + (x >> 1)] |= x % 2 === 0 ? level << 4 : level;
        }
    }
    let text = '';
    for (let i = 0; i < bytes.length; i += 32768)
      text += String.fromCharCode(...bytes.subarray(i, i + 32768));
    return { width, height, text: btoa(text) };
  },
  {
    dpi: DPI,
    turnDeg: TURN_DEG,
    stretchX: STRETCH_X,
    pageNumber: PAGE_OF_A101,
    widthPt: WIDTH_PT,
    heightPt: HEIGHT_PT,
  },
);
await browser.close();
server.close();

const document = await PDFDocument.create();
const issued = new Date('2026-10-26T09:00:00Z');
document.setTitle('Scan of A-101');
document.setCreationDate(issued);
document.setModificationDate(issued);
document.setProducer('Zest Line demo');
const sheet = document.addPage([WIDTH_PT, HEIGHT_PT]);
const image = document.context.stream(deflateSync(Buffer.from(packed.text, 'base64'), { level: 9 }), {
  Type: 'XObject',
  Subtype: 'Image',
  Width: packed.width,
  Height: packed.height,
  ColorSpace: 'DeviceGray',
  BitsPerComponent: 4,
  Filter: 'FlateDecode',
});
const name = sheet.node.newXObject('Scan', document.context.register(image));
const content = document.context.stream(`q ${WIDTH_PT} 0 0 ${HEIGHT_PT} 0 0 cm ${name} Do Q`);
sheet.node.set(PDFName.of('Contents'), document.context.register(content));
await writeFile(new URL('demo/files/tern-island-a-101-scan.pdf', root), await document.save());
