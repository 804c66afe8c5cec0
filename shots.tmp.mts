import { startServer } from './tests/browser/server.ts';
import { launch } from './tests/browser/chromium.ts';
import { fillDemo } from './demo/fill.ts';
const s = await startServer(); await fillDemo(s.address);
const b = await launch();
const page = await b.newPage({ viewport: { width: 1280, height: 800 }, reducedMotion: 'reduce' });
page.on('pageerror', (e) => console.log('PAGEERROR', e.message));
page.on('console', (m) => m.type()==='error' && console.log('CONSOLE', m.text()));
const go = async (p: string) => { await page.goto(`${s.address}/${p}`); await page.waitForSelector('main section'); await page.evaluate(() => document.fonts.ready); };
const shot = async (n: string) => { await page.waitForTimeout(400); await page.screenshot({ path: `/tmp/shot-${n}.png` }); };
for (const step of process.argv.slice(2)) {
 if (step==='verdict') { await go('gneiss-solid-5/commands?command=solid.thicken'); await page.locator('.field').first().focus(); await page.keyboard.press('f'); await shot(step); }
 if (step==='probe') { await go('gneiss-solid-5/commands'); await page.keyboard.press('Alt+q'); await page.keyboard.press('F1'); await shot(step); }
 if (step==='keyboard') { await go('gneiss-solid-5/keyboard'); await page.getByRole('button',{name:'Rows'}).click().catch(()=>0); await shot('rows'); await go('gneiss-solid-5/keyboard'); await shot(step); }
 if (step==='tuff') { await go('tuff-mesh-3/keyboard'); await shot('tuff-keyboard'); }
 if (step==='findings') { await go('gneiss-solid-5/findings'); await page.getByText('never be heard').first().click().catch(()=>0); await shot(step); }
 if (step==='recipes') { await go('varve-draft-7/recipes'); await page.getByRole('button',{name:'shortcuts',exact:true}).click(); await page.getByRole('textbox',{name:'Sample'}).fill('bind("Ctrl+F", draw.arc);\nbind("Ctrl+Shift+G", draw.circle);\nbind("F5", view.fit);\n@@ remark\nbind("Page Up", draw.ray);\n'); await page.waitForTimeout(600); await shot(step); }
 if (step==='tuffassign') { await go('tuff-mesh-3/commands'); await page.keyboard.press('Enter'); await page.getByRole('textbox',{name:/Type the stroke/}).first().fill('Ctrl+J'); await shot(step); }
}
await b.close(); await s.stop();
