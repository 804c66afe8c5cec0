import { launch } from '/work/main/tests/browser/chromium.ts';
const [,, base, ...steps] = process.argv;
const browser = await launch();
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
page.on('console', m => m.type()==='error' && console.log('CONSOLE', m.text()));
page.on('pageerror', e => console.log('PAGEERROR', e.message));
for (const step of steps) {
  const [cmd, ...rest] = step.split('::'); const arg = rest.join('::');
  if (cmd==='go') { await page.goto(base + arg); await page.waitForSelector('main section'); await page.waitForTimeout(500); }
  else if (cmd==='click') await page.locator(arg).first().click();
  else if (cmd==='text') await page.getByText(arg).first().click();
  else if (cmd==='button') await page.getByRole('button', { name: arg }).first().click();
  else if (cmd==='press') await page.keyboard.press(arg);
  else if (cmd==='type') await page.keyboard.type(arg);
  else if (cmd==='dark') await page.evaluate(() => { document.documentElement.dataset.theme = 'dark'; });
  else if (cmd==='size') { const [w,h]=arg.split('x').map(Number); await page.setViewportSize({width:w!,height:h!}); }
  else if (cmd==='wait') await page.waitForTimeout(Number(arg));
  else if (cmd==='shot') { await page.waitForTimeout(250); await page.screenshot({ path: arg }); }
  else if (cmd==='eval') console.log(await page.evaluate(arg));
}
await browser.close();
