import { expect } from 'chai';
import { execFileSync } from 'node:child_process';
import { existsSync, readFileSync } from 'node:fs';
import { FileRefusedError } from '../../../../core/format/problem.ts';
import { readLayout } from '../../../../core/keyboard/layout-file.ts';
import { LAYOUT_IDS, LAYOUTS, eatenByAltGr } from '../../../../core/keyboard/layouts.ts';
import { POSITION_BY_CODE, POSITIONS } from '../../../../core/keyboard/positions.ts';

/** xkbcli of libxkbcommon-tools, an implementation of its own over the installed xkb-data: which keys type a character. */
const XKBCLI = '/usr/bin/xkbcli';
function xkbWays(layout: string, character: string): { xkb: string; level: number }[] {
	const point = `0x${character.codePointAt(0)!.toString(16)}`;
	let out: string;
	try {
		out = execFileSync(XKBCLI, ['how-to-type', '--layout', layout, point], {
			encoding: 'utf8',
			stdio: ['ignore', 'pipe', 'ignore']
		});
	} catch {
		return [];
	}
	return [...out.matchAll(/^\d+\s+(\w+)\s+\d+\s+.*?\s(\d+)\s+\[/gm)].map(([, xkb, level]) => ({
		xkb: xkb!,
		level: Number(level) - 1
	}));
}

describe('layouts', () => {
	before(() => {
		if (!existsSync(XKBCLI)) throw new Error('xkbcli is missing: npm test installs libxkbcommon-tools');
	});

	for (const id of LAYOUT_IDS)
		it(`give ${LAYOUTS[id].name} the characters that xkbcli finds on its keys`, () => {
			for (const character of [...'azyqwm1508;,./-\\[]#@{}|~<>+*€']) {
				const mine = LAYOUTS[id].typing(character);
				const ways = xkbWays(id, character);
				if (!mine || mine.dead)
					expect(
						ways.filter((w) => w.level < 4 && /^(A[BCDE]\d\d|TLDE|BKSL|LSGT)$/.test(w.xkb)),
						character
					).to.deep.equal([]);
				else
					expect(
						ways.some((w) => w.xkb === POSITION_BY_CODE.get(mine.code)!.xkb && w.level === mine.level),
						`${character} on ${mine.code}, level ${mine.level}; xkbcli says ${JSON.stringify(ways)}`
					).to.equal(true);
			}
		});

	it('know the AltGr characters of the German board under Windows', () => {
		// published Windows keyboard documentation, from memory: AltGr+Q gives @, AltGr+E the euro sign, AltGr+7 {
		expect([eatenByAltGr('de', 'KeyQ'), eatenByAltGr('de', 'KeyE'), eatenByAltGr('de', 'Digit7')]).to.deep.equal(['@', '€', '{']);
		expect(eatenByAltGr('de', 'KeyA')).to.equal(undefined);
		for (const { code } of POSITIONS) expect(eatenByAltGr('us', code)).to.equal(undefined);
		// every position of the list has something on XKB's AltGr level as well
		for (const id of LAYOUT_IDS)
			for (const { code } of POSITIONS)
				if (eatenByAltGr(id, code)) expect(LAYOUTS[id].legend(code, 2), `${id} ${code}`).to.not.equal(undefined);
	});

	it('have on every level of every writing key what XKB has there, or nothing', () => {
		for (const id of LAYOUT_IDS) {
			const keymap = execFileSync(XKBCLI, ['compile-keymap', '--layout', id], { encoding: 'utf8', maxBuffer: 1 << 24 });
			for (const { code, xkb } of POSITIONS) {
				if (LAYOUTS[id].legend(code, 0) === undefined) continue;
				const body = new RegExp(`key <${xkb}>\\s*\\{([^}]*)\\}`)
					.exec(keymap)?.[1]
					?.replaceAll(/type=\s*"[^"]*",?|symbols\[[^\]]*\]=/g, '');
				const symbols =
					/\[\s*([^\]]*?)\s*\]/
						.exec(body ?? '')?.[1]
						?.split(',')
						.map((s) => s.trim()) ?? [];
				for (let level = 0; level < 4; level++)
					expect(LAYOUTS[id].legend(code, level) === undefined, `${id} ${code} ${level}: ${symbols[level]}`).to.equal(
						(symbols[level] ?? 'NoSymbol') === 'NoSymbol'
					);
			}
		}
		// xkb-data 2.35.1: symbols/cz over symbols/pc
		expect(LAYOUTS.cz.legend('IntlBackslash', 3)).to.equal('¦');
	}).timeout(180_000);

	it('know dead keys and characters that are nowhere', () => {
		expect(LAYOUTS.de.typing('^')).to.deep.include({ code: 'Backquote', dead: true });
		expect(LAYOUTS.us.typing('ß')).to.equal(undefined);
		expect(LAYOUTS.fr.typing('1')).to.deep.include({ code: 'Digit1', level: 1 });
		expect(LAYOUTS.de.typing('Z')).to.deep.include({ code: 'KeyY', level: 0 });
	});

	it('refuse a file that is cut short, with its place', () => {
		const whole = readFileSync(new URL('../../../../core/keyboard/layouts/de.json', import.meta.url), 'utf8');
		expect(readLayout('de.json', whole).legend('KeyE', 2)).to.equal('€');
		const refusal = (text: string) => {
			try {
				readLayout('de.json', text);
			} catch (error) {
				expect(error).to.be.instanceOf(FileRefusedError);
				return (error as FileRefusedError).message;
			}
			throw new Error('was read');
		};
		expect(refusal(whole.slice(0, 400))).to.match(/^de\.json, line \d+, column \d+: not JSON/);
		expect(refusal('{"format":"skarn-layout/1","id":"de","name":"x","source":"","keys":{"KeyA":["a"]}}')).to.include('cut short');
		expect(refusal(whole.replace('"KeyQ": ["q"', '"KeyQ": [7'))).to.match(/line \d+/);
	});
});
