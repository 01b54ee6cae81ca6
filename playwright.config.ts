import { defineConfig } from '@playwright/test';
import { CHROMIUM_ARGS, CHROMIUM_PATH, PORT } from './e2e/browser.ts';

export default defineConfig({
  testDir: './e2e/specs',
  outputDir: './test-results',
  fullyParallel: true,
  workers: 2,
  retries: 0,
  timeout: 60_000,
  expect: { timeout: 10_000 },
  reporter: [['line'], ['json', { outputFile: '.cache/playwright.json' }]],
  use: {
    baseURL: `http://127.0.0.1:${PORT}`,
    viewport: { width: 1280, height: 800 },
    launchOptions: { executablePath: CHROMIUM_PATH, args: [...CHROMIUM_ARGS] },
  },
  webServer: {
    command: 'node --import tsx server/src/main.ts',
    // Suppliers that are simulated answer at once, and what is asked is forgotten with the server.
    env: { PORT: String(PORT), DESK_DELAY_MS: '50', DESK_FILE: '' },
    url: `http://127.0.0.1:${PORT}/api/health`,
    gracefulShutdown: { signal: 'SIGTERM', timeout: 2000 },
  },
});
