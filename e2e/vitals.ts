import { chromium, devices, type BrowserContext, type CDPSession, type Page } from '@playwright/test';
import { browser as settings } from './browser.ts';
import { ROUTES, startHouse } from './kibble.ts';

/** A middling phone of some years ago on a line of 9 Mbps with 165 ms to and fro. */
const SLOWER = 4;
const LINE = {
  offline: false,
  latency: 165,
  downloadThroughput: (9e6 / 8) | 0,
  uploadThroughput: (3e6 / 8) | 0,
};

interface Vitals {
  lcpMs: number;
  shift: number;
  jsKb: number;
}

async function slow(page: Page): Promise<CDPSession> {
  const session = await page.context().newCDPSession(page);
  await session.send('Network.enable');
  await session.send('Network.emulateNetworkConditions', LINE);
  await session.send('Emulation.setCPUThrottlingRate', { rate: SLOWER });
  return session;
}

async function look(context: BrowserContext, url: string): Promise<Vitals> {
  const page = await context.newPage();
  const session = await slow(page);
  const scripts = new Set<string>();
  /** When each script was there, s of the browser's own clock, and its bytes. */
  const came: { at: number; bytes: number }[] = [];
  let began = Number.POSITIVE_INFINITY;
  session.on('Network.requestWillBeSent', ({ timestamp }) => {
    began = Math.min(began, timestamp);
  });
  session.on('Network.responseReceived', ({ requestId, response }) => {
    if (/javascript/.test(response.mimeType)) scripts.add(requestId);
  });
  session.on('Network.loadingFinished', ({ requestId, encodedDataLength, timestamp }) => {
    if (scripts.has(requestId)) came.push({ at: timestamp, bytes: encodedDataLength });
  });
  await page.addInitScript(() => {
    const seen = { lcp: 0, shift: 0 };
    Object.assign(window, { seen });
    new PerformanceObserver((list) => {
      for (const entry of list.getEntries()) seen.lcp = Math.max(seen.lcp, entry.startTime);
    }).observe({ type: 'largest-contentful-paint', buffered: true });
    new PerformanceObserver((list) => {
      for (const entry of list.getEntries() as (PerformanceEntry & {
        value: number;
        hadRecentInput: boolean;
      })[])
        if (!entry.hadRecentInput) seen.shift += entry.value;
    }).observe({ type: 'layout-shift', buffered: true });
  });
  await page.goto(url);
  await page.getByRole('main').waitFor();
  await page.waitForTimeout(2500);
  const { lcp, shift } = await page.evaluate(
    () => (window as unknown as { seen: { lcp: number; shift: number } }).seen,
  );
  await page.close();
  // What is fetched for later, when the screen stands, is not of it.
  const first = came.filter(({ at }) => (at - began) * 1000 <= lcp);
  return { lcpMs: lcp, shift, jsKb: first.reduce((sum, { bytes }) => sum + bytes, 0) / 1000 };
}

const house = await startHouse('demo');
const browser = await chromium.launch(settings.launchOptions);
const phone = { ...devices['Pixel 5'], viewport: { width: 390, height: 844 }, deviceScaleFactor: 2 };
console.log('room                              cold LCP ms  shift  scripts kB   warm LCP ms');
for (const route of ROUTES) {
  const cold = await browser.newContext({ ...phone, serviceWorkers: 'block' });
  const first = await look(cold, house.url + route);
  await cold.close();
  const warm = await browser.newContext({ ...phone, serviceWorkers: 'allow' });
  const page = await warm.newPage();
  await page.goto(house.url + route, { waitUntil: 'networkidle' });
  await page.evaluate(async () => void (await navigator.serviceWorker.ready));
  await page.reload({ waitUntil: 'networkidle' });
  await page.close();
  const again = await look(warm, house.url + route);
  await warm.close();
  console.log(
    `${route.padEnd(34)}${first.lcpMs.toFixed(0).padStart(10)}${first.shift.toFixed(3).padStart(8)}${first.jsKb.toFixed(0).padStart(12)}${again.lcpMs.toFixed(0).padStart(14)}`,
  );
}
await browser.close();
await house.stop();
