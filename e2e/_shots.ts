import { chromium } from '@playwright/test';
import { browser as settings } from './browser.ts';
import { startHouse } from './kibble.ts';
const house = await startHouse('demo');
const post = async (path: string, body: object, method = 'POST') => {
  const r = await fetch(`${house.url}/api${path}`, { method, headers: { 'Content-Type': 'application/json' }, body: JSON.stringify(body) });
  const t = await r.json();
  if (r.status >= 300) console.log(path, r.status, JSON.stringify(t).slice(0, 300));
  return t as any;
};
const base = { kind: 'ground', place: null, areaM2: 6, textureClass: 'loam', startWetness: 'moist', goal: 'steady', notes: '', delivery: { method: 'hose wand', litresPerMinute: 12, measured: true } };
const today = '2026-07-14';
const carrots = await post('/gardens/1/beds', { ...base, name: 'Late carrots', planting: { cropId: 'carrot', plantedOn: today, method: 'direct-sown', share: 1 } });
const cactus = await post('/gardens/1/beds', { ...base, name: 'Cactus corner', areaM2: 3, textureClass: 'loamy sand', wetnessOn: today, planting: { cropId: 'globe-cactus', plantedOn: '2022-05-01', share: 1 } });
const maple = await post('/gardens/1/trees', { name: 'Young maple', cropId: 'maple', plantedOn: '2026-06-20', textureClass: 'clay', startWetness: 'moist', delivery: { litresPerMinute: 10 }, tree: { sort: 'tree', canopyM: 1.5, trunkM: 0.05, cameAs: 'balled', ballM: 0.6, beneath: 'mulch', layout: { by: 'basin' } } });
const plan = process.argv[2] ?? 'a';
const browser = await chromium.launch(settings.launchOptions);
const shot = async (path: string, name: string, phone = false, act?: (page: any) => Promise<void>) => {
  const page = await browser.newPage({ viewport: phone ? { width: 390, height: 844 } : { width: 1280, height: 800 } });
  await page.goto(`${house.url}${path}`);
  await page.waitForLoadState('networkidle');
  await page.waitForTimeout(2500);
  if (act) await act(page);
  await page.screenshot({ path: `/tmp/shots/${name}.png`, fullPage: true });
  await page.close();
};
try {
  if (plan === 'a') {
    if (0) 
    await shot(`/garden/1/beds/${cactus.id}`, 'cactus');
    await shot(`/garden/1/beds/${carrots.id}`, 'carrots-phone', true);
    const trees = await (await fetch(`${house.url}/api/gardens/1/trees`)).json() as any;
    const walnut = trees.trees.find((t: any) => t.bedName.includes('walnut'));
    await shot(`/garden/1/trees/${walnut.bedId}`, 'walnut');
    await shot('/garden/1', 'round-phone', true);
  }
  if (plan === 'b') {
    await post('/gardens/1', { clock: { mode: 'practice', date: '2027-01-17' } }, 'PATCH');
    await shot('/garden/1/pots', 'pots-january');
    await shot('/garden/1/pots', 'pots-january-phone', true);
  }
  if (plan === 'c') {
    await shot(`/garden/1/trees/${maple.id}`, 'treeform', false, async (page: any) => { await page.getByRole('button', { name: 'Change it' }).click(); await page.waitForTimeout(800); });
    await shot(`/garden/1/beds`, 'bedform', false, async (page: any) => { await page.getByRole('button', { name: /Add a bed|New bed|Add/ }).first().click(); await page.waitForTimeout(800); await page.getByLabel('Planted or sown on').fill('2026-06-01'); await page.waitForTimeout(300); });
    await shot(`/garden/1/beds/${carrots.id}`, 'toomuch', false, async (page: any) => { await page.getByRole('button', { name: 'Write down an earlier watering' }).click(); await page.waitForTimeout(600); await page.getByLabel('Amount').fill('500'); await page.getByLabel('in', { exact: true }).click().catch(() => {}); await page.waitForTimeout(400); });
  }
} finally { await browser.close(); await house.stop(); }
