/** Hands a PDF to the browser's own printing, in a frame that nobody sees. */
export function printFile(pdf: Blob): void {
  const address = URL.createObjectURL(pdf);
  const frame = document.createElement('iframe');
  frame.style.position = 'fixed';
  frame.style.width = '0';
  frame.style.height = '0';
  frame.style.border = '0';
  frame.onload = () => frame.contentWindow?.print();
  frame.src = address;
  document.body.append(frame);
  // The browser asks on its own time; the next page that is opened lets go of both.
  window.addEventListener('afterprint', () => {
    frame.remove();
    URL.revokeObjectURL(address);
  });
}
