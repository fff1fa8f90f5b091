import { chromium, type CDPSession } from '@playwright/test';
import { browser as settings } from './browser.ts';
import { ROUTES, startHouse } from './kibble.ts';

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
/** Of so many looks the middle one is told. */
const LOOKS = 3;

/** What a page notes of itself: when its largest text stood, and how far things moved that nobody moved. */
const NOTES = `
  window.noted = { lcpMs: 0, shift: 0 };
  new PerformanceObserver((list) => {
    for (const { startTime } of list.getEntries()) noted.lcpMs = Math.max(noted.lcpMs, startTime);
  }).observe({ type: 'largest-contentful-paint', buffered: true });
  new PerformanceObserver((list) => {
    for (const { value, hadRecentInput } of list.getEntries()) if (!hadRecentInput) noted.shift += value;
  }).observe({ type: 'layout-shift', buffered: true });`;

interface Vitals {
  lcpMs: number;
  shift: number;
}

/**
 * Pages without a test's tools on them: with those a browser keeps where every error was made, and reads each program once
 * more for it, which costs a slow phone an eighth of a second that no gardener waits.
 */
class Phones {
  private readonly root: CDPSession;
  private readonly answers = new Map<number, (result: unknown) => void>();
  private asked = 0;

  constructor(root: CDPSession) {
    this.root = root;
    root.on('Target.receivedMessageFromTarget', ({ message }) => {
      const { id, result } = JSON.parse(message) as { id?: number; result?: unknown };
      if (id !== undefined) this.answers.get(id)?.(result);
    });
  }

  /** A browser that has never seen Kibble. */
  async fresh(): Promise<string> {
    return (await this.root.send('Target.createBrowserContext')).browserContextId;
  }

  async forget(browserContextId: string): Promise<void> {
    await this.root.send('Target.disposeBrowserContext', { browserContextId });
  }

  private async attach(targetId: string) {
    const { sessionId } = await this.root.send('Target.attachToTarget', { targetId, flatten: false });
    return async (method: string, params: object = {}): Promise<unknown> => {
      const id = ++this.asked;
      const answer = new Promise((told) => this.answers.set(id, told));
      await this.root.send('Target.sendMessageToTarget', {
        sessionId,
        message: JSON.stringify({ id, method, params }),
      });
      return answer;
    };
  }

  async look(browserContextId: string, url: string, slow = true): Promise<Vitals> {
    const { targetId } = await this.root.send('Target.createTarget', {
      url: 'about:blank',
      browserContextId,
    });
    const send = await this.attach(targetId);
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
    const { result } = (await send('Runtime.evaluate', {
      expression: 'window.noted',
      returnByValue: true,
    })) as { result: { value: Vitals } };
    await this.root.send('Target.closeTarget', { targetId });
    return result.value;
  }
}

const middle = (values: number[]): number => values.sort((a, b) => a - b)[(values.length - 1) >> 1] ?? 0;

const house = await startHouse('demo');
const browser = await chromium.launch(settings.launchOptions);
const phones = new Phones(await browser.newBrowserCDPSession());
console.log('room                              cold LCP ms   shift   warm LCP ms   shift');
for (const route of process.argv.length > 2 ? process.argv.slice(2) : ROUTES) {
  const cold: Vitals[] = [];
  const warm: Vitals[] = [];
  for (let i = 0; i < LOOKS; i++) {
    const browserContext = await phones.fresh();
    cold.push(await phones.look(browserContext, house.url + route));
    if (i === LOOKS - 1) {
      // By the third visit the browser keeps the programs as it has read them; so it is on every later day.
      for (let visit = 0; visit < 2; visit++) await phones.look(browserContext, house.url + route, false);
      for (let look = 0; look < LOOKS; look++)
        warm.push(await phones.look(browserContext, house.url + route));
    }
    await phones.forget(browserContext);
  }
  const told = (vitals: Vitals[]): string =>
    `${middle(vitals.map((v) => v.lcpMs))
      .toFixed(0)
      .padStart(11)}${Math.max(...vitals.map((v) => v.shift))
      .toFixed(3)
      .padStart(8)}`;
  console.log(`${route.padEnd(34)}${told(cold)}${told(warm).padStart(22)}`);
}
await browser.close();
await house.stop();
