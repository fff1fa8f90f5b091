import { ROUTES, startHouse } from './kibble.ts';
import { OwnBrowser } from './ownBrowser.ts';

/** A middling phone of some years ago on a line of 9 Mbps with 165 ms to and fro; the line of the page's worker cannot be slowed. */
const SLOWER = 4;
const LINE = {
  offline: false,
  latency: 165,
  downloadThroughput: (9e6 / 8) | 0,
  uploadThroughput: (3e6 / 8) | 0,
};
const SCREEN = { width: 390, height: 844, deviceScaleFactor: 2, mobile: true };
/** A room is looked at for so long, ms. */
const LOOK_MS = 4000;
/** Of so many looks the middle one is told; the warm ones tell less apart. */
const COLD_LOOKS = 3;
const WARM_LOOKS = 5;

/** What a page notes of itself: when its largest text stood, and how far things moved that nobody moved. */
const NOTES = `
  window.noted = { lcpMs: 0, shift: 0 };
  new PerformanceObserver((list) => {
    for (const { startTime } of list.getEntries()) noted.lcpMs = Math.max(noted.lcpMs, startTime);
  }).observe({ type: 'largest-contentful-paint', buffered: true });
  new PerformanceObserver((list) => {
    for (const { value, hadRecentInput } of list.getEntries()) if (!hadRecentInput) noted.shift += value;
  }).observe({ type: 'layout-shift', buffered: true });`;

/** With the programs that had come when its largest text stood, kB as sent. */
const NOTED = `({
  ...noted,
  scriptKb: performance.getEntriesByType('resource')
    .filter(({ name, responseEnd }) => name.endsWith('.js') && responseEnd < noted.lcpMs)
    .reduce((sum, { encodedBodySize }) => sum + encodedBodySize, 0) / 1000,
})`;

interface Vitals {
  lcpMs: number;
  shift: number;
  scriptKb: number;
}

/** Opens a room, in a context that nothing else knows of or in the profile that has seen it before. */
async function look(
  phone: OwnBrowser,
  url: string,
  { slow = true, browserContextId }: { slow?: boolean; browserContextId?: string } = {},
): Promise<Vitals> {
  const { targetId } = await phone.send<{ targetId: string }>('Target.createTarget', {
    url: 'about:blank',
    browserContextId,
  });
  const { sessionId } = await phone.send<{ sessionId: string }>('Target.attachToTarget', {
    targetId,
    flatten: true,
  });
  const send = <T>(method: string, params?: object): Promise<T> => phone.send<T>(method, params, sessionId);
  await send('Emulation.setDeviceMetricsOverride', SCREEN);
  await send('Page.enable');
  await send('Page.addScriptToEvaluateOnNewDocument', { source: NOTES });
  if (slow) {
    await send('Network.enable');
    await send('Network.emulateNetworkConditions', LINE);
    await send('Emulation.setCPUThrottlingRate', { rate: SLOWER });
  }
  await send('Page.navigate', { url });
  await new Promise((looked) => setTimeout(looked, LOOK_MS));
  const { result } = await send<{ result: { value: Vitals } }>('Runtime.evaluate', {
    expression: NOTED,
    returnByValue: true,
  });
  await phone.send('Target.closeTarget', { targetId });
  return result.value;
}

async function coldLook(phone: OwnBrowser, url: string): Promise<Vitals> {
  const { browserContextId } = await phone.send<{ browserContextId: string }>('Target.createBrowserContext');
  const seen = await look(phone, url, { browserContextId });
  await phone.send('Target.disposeBrowserContext', { browserContextId });
  return seen;
}

async function looks(times: number, at: () => Promise<Vitals>): Promise<Vitals[]> {
  const seen: Vitals[] = [];
  for (let i = 0; i < times; i++) seen.push(await at());
  return seen;
}

const middle = (values: number[]): number => values.sort((a, b) => a - b)[(values.length - 1) >> 1] ?? 0;
const lcp = (seen: Vitals[]): string => middle(seen.map(({ lcpMs }) => lcpMs)).toFixed(0);
const shift = (seen: Vitals[]): string => Math.max(...seen.map((one) => one.shift)).toFixed(3);
const script = (seen: Vitals[]): string => middle(seen.map(({ scriptKb }) => scriptKb)).toFixed(0);

const house = await startHouse('demo');
const phone = new OwnBrowser();
const row = (room: string, cells: string[]): void =>
  console.log(room.padEnd(28) + cells.map((cell) => cell.padStart(13)).join(''));
row('room', ['cold LCP ms', 'shift', 'script kB', 'warm LCP ms', 'shift']);
for (const route of process.argv.length > 2 ? process.argv.slice(2) : ROUTES) {
  const url = house.url + route;
  const cold = await looks(COLD_LOOKS, () => coldLook(phone, url));
  // A browser that keeps programs as it has read them does so from the second visit on.
  for (let visit = 0; visit < 2; visit++) await look(phone, url, { slow: false });
  const warm = await looks(WARM_LOOKS, () => look(phone, url));
  row(route, [lcp(cold), shift(cold), script(cold), lcp(warm), shift(warm)]);
}
await phone.close();
await house.stop();
