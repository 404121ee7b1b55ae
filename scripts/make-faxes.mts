// Makes the sample's fax once: a page drawn in Chromium as a fax machine sees it (black and white, 1728 points wide).
// `npx tsx scripts/make-faxes.mts`
import { chromium } from '@playwright/test';
import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';

import { joinFaxPages } from '@/core/inbox/faxPages';

import { chromiumFlags, chromiumPath } from '../playwright.config';

const page = { width: 1728, height: 2444 };
const font = (name: string) => readFileSync(`public/fonts/${name}.woff2`).toString('base64');

const html = `<!doctype html><style>
  @font-face { font-family: Title; src: url(data:font/woff2;base64,${font('bricolage-grotesque-700')}) }
  @font-face { font-family: Text; src: url(data:font/woff2;base64,${font('atkinson-hyperlegible-next-400')}) }
  @font-face { font-family: Mono; src: url(data:font/woff2;base64,${font('martian-mono-400')}) }
  body { margin: 0; background: white; color: black; font: 40px/1.5 Text; }
  header { font: 26px Mono; padding: 24px 60px; display: flex; justify-content: space-between; }
  main { padding: 90px 150px; transform: rotate(-0.6deg); }
  h1 { font: 92px/1.1 Title; margin: 0 0 20px; }
  h2 { font: 48px Title; margin: 60px 0 10px; border-top: 4px solid; padding-top: 22px; }
  dl { display: grid; grid-template-columns: 480px 1fr; gap: 14px 30px; margin: 0; }
  dt { font-weight: 400; } dd { margin: 0; border-bottom: 2px dotted; }
  .hand { font: italic 60px Text; }
  .stamp { position: absolute; right: 60px; bottom: -40px; border: 6px solid; padding: 20px 34px; font: 40px Mono; transform: rotate(-7deg); }
</style>
<header><span>26-NOV-2026 09:48</span><span>LATHMOOR FARM 0117 496 0155</span><span>P. 01/01</span></header>
<main>
  <h1>Access permit</h1>
  <p>for works on private land, to be carried on site</p>
  <dl>
    <dt>Landowner</dt><dd>P. Anstey, Lathmoor Farm</dd>
    <dt>Granted to</dt><dd>Orrin Vale Gauging</dd>
    <dt>For</dt><dd>weather mast, upper wall field</dd>
    <dt>From</dt><dd>26 November 2026, 8:00</dd>
    <dt>Until</dt><dd>4 December 2026, dusk</dd>
    <dt>Vehicles</dt><dd>one van, by the lower track only</dd>
  </dl>
  <h2>Conditions</h2>
  <ol>
    <li>Gates are left as they are found. The lower gate's lock is 7731.</li>
    <li>Not through the lambing field. The bull is in the long meadow.</li>
    <li>No concrete is poured within five metres of the wall.</li>
    <li>Ring the farm before you lift anything over the wall.</li>
  </ol>
  <h2>Signed</h2>
  <div style="position: relative; height: 230px">
    <p class="hand">Peg Anstey</p>
    <div class="stamp">LATHMOOR · 25 NOV</div>
  </div>
  <p>Please sign and fax back one copy.</p>
</main>`;

const browser = await chromium.launch({ executablePath: chromiumPath, args: chromiumFlags });
const tab = await browser.newPage({ viewport: page });
await tab.setContent(html);
await tab.evaluate(() => document.fonts.ready);
const grey = (await tab.screenshot()).toString('base64');
const png = await tab.evaluate(async (data) => {
  const bitmap = await createImageBitmap(await (await fetch(`data:image/png;base64,${data}`)).blob());
  const canvas = new OffscreenCanvas(bitmap.width, bitmap.height);
  const context = canvas.getContext('2d');
  if (!context) throw new Error('No canvas');
  context.drawImage(bitmap, 0, 0);
  const image = context.getImageData(0, 0, canvas.width, canvas.height);
  for (let at = 0; at < image.data.length; at += 4)
    image.data.fill((image.data[at] ?? 0) > 140 ? 255 : 0, at, at + 3);
  context.putImageData(image, 0, 0);
  const bytes = new Uint8Array(await (await canvas.convertToBlob({ type: 'image/png' })).arrayBuffer());
  return [...bytes];
}, grey);
await browser.close();
const made = await joinFaxPages([{ kind: 'png', name: 'permit', bytes: Uint8Array.from(png) }]);
if (!made.ok) throw new Error(made.sentence);
mkdirSync('public/faxes', { recursive: true });
writeFileSync('public/faxes/access-permit.pdf', made.pdf);
