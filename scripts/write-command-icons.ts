import { readFileSync, writeFileSync } from 'node:fs';
import { standIns } from '../demo/fill.ts';

// npm run icons: collects the icons that the stand-ins' catalogues name into static/command-icons.svg, from @tabler/icons (MIT).
const FALLBACKS = ['point', 'toggle-left', 'hand-click', 'app-window'];
const names = [...new Set([...standIns.flatMap(({ commands }) => commands.map((c) => c.icon)), ...FALLBACKS])].sort();
const symbols = names.map((name) => {
	const svg = readFileSync(new URL(`../node_modules/@tabler/icons/icons/outline/${name}.svg`, import.meta.url), 'utf8');
	const body = svg.replace(/<!--[\s\S]*?-->/, '').match(/<svg[^>]*>([\s\S]*)<\/svg>/)![1]!;
	return `<symbol id="${name}" viewBox="0 0 24 24">${body.replace(/\s*\n\s*/g, '')}</symbol>`;
});
writeFileSync(
	new URL('../static/command-icons.svg', import.meta.url),
	`<svg xmlns="http://www.w3.org/2000/svg">\n<!-- Tabler Icons, MIT licence -->\n${symbols.join('\n')}\n</svg>\n`
);
console.log(`${names.length} icons written`);
