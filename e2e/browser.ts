/** Debian's Chromium, without what would look for a network. */
export const CHROMIUM_PATH = '/usr/bin/chromium';
export const CHROMIUM_ARGS = [
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
] as const;
export const PORT = 4188;
