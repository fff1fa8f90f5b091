import { chromium } from '@playwright/test';
import { browser as settings } from './browser.ts';
import { startHouse } from './kibble.ts';
const house = await startHouse('own');
const b = await chromium.launch(settings.launchOptions);
try { for (const [name, town, width, height, us] of [['minne','Minneapolis',1280,800,true],['zara','Zaragoza',390,844,false]] as const) {
  const p = await b.newPage({ viewport: { width, height }, locale: us ? 'en-US' : 'en-GB' });
  p.setDefaultTimeout(8000); await p.goto(house.url + '/setup').catch(()=>p.goto(house.url));
  await p.getByLabel('Town, or one near by').fill(town);
  await p.getByRole('option').first().click();
  await p.getByTestId('usual-year').waitFor();
  await p.waitForTimeout(900);
  await p.screenshot({ path: `/tmp/shots/${name}-1.png`, fullPage: true });
  await p.getByRole('button', { name: 'Change these figures' }).click();
  await p.screenshot({ path: `/tmp/shots/${name}-2.png`, fullPage: true });
  await p.close();
}
} catch (e) { console.log(String(e).slice(0,600)); const pg = b.contexts()[0]?.pages()[0]; await pg?.screenshot({path:'/tmp/shots/err.png'}); }
await b.close();
await house.stop?.();
process.exit(0);
