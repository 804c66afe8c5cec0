import { expect } from 'chai';
import { desksOf } from '../../../../core/keyboard/desk.ts';
import { LAYOUT_IDS, LAYOUTS } from '../../../../core/keyboard/layouts.ts';
import { allStrokes, officeDesks, PLANES } from '../../../../core/keyboard/office-desks.ts';
import { pressing, strokeAt } from '../../../../core/keyboard/pressing.ts';
import { reservedOn } from '../../../../core/keyboard/reserved/reserved.ts';
import { WRITING_CODES } from '../../../../core/stroke/codes.ts';
import { canHear, hear } from '../../../../core/stroke/hear.ts';
import { keysOf, parseKeys, parseStroke, strokesOf, type Keys } from '../../../../core/stroke/stroke.ts';

/** What the recorder makes of a press of a key on a layout: the fields that a browser gives (W3C UI Events, KeyboardEvent). */
function recorded(
	code: string,
	layout: (typeof LAYOUT_IDS)[number],
	modifiers: readonly string[],
	match: 'position' | 'character'
) {
	const level = modifiers.includes('Shift') ? 1 : 0;
	const { legend, isDead } = LAYOUTS[layout];
	const key = isDead(code, level) ? 'Dead' : (legend(code, level) ?? 'Unidentified');
	return hear(
		{
			code,
			key,
			ctrlKey: modifiers.includes('Ctrl'),
			altKey: modifiers.includes('Alt'),
			shiftKey: modifiers.includes('Shift'),
			metaKey: modifiers.includes('Meta'),
			capsLock: false,
			altGraph: false
		},
		match
	).stroke;
}

for (const match of ['character', 'position'] as const)
	for (const layout of LAYOUT_IDS)
		describe(`an application that matches ${match}s, on the layout ${layout}`, () => {
			const desk = { platform: 'linux', board: 'full-iso', layout } as Parameters<typeof pressing>[1];
			const office = officeDesks(
				{ match, hardwired: [] },
				desksOf([{ id: 'A', desk: { platform: 'linux', board: 'full-iso', layout, mouse: 'right' } as never }])
			);
			const made = new Set<Keys>();
			for (const code of WRITING_CODES.keys())
				for (const modifiers of PLANES) {
					const stroke = recorded(code, layout, modifiers, match);
					if (stroke) made.add(keysOf([stroke]));
				}

			it('draws on each key what the recorder hears from it', () => {
				for (const code of WRITING_CODES.keys())
					for (const modifiers of PLANES)
						expect(strokeAt(code, modifiers, match, layout), `${modifiers.join('+')} ${code}`).to.deep.equal(
							recorded(code, layout, modifiers, match)
						);
			});

			it('calls missing exactly the strokes that no key makes, and offers none of them', () => {
				for (const keys of made) {
					expect(canHear(parseStroke(keys), match), keys).to.equal(true);
					expect(office.heardAs(keys), keys).to.equal(keys);
					if (match === 'character') expect(pressing(parseStroke(keys), desk).code, keys).to.not.equal(undefined);
				}
				const characters = new Set([...made].map((keys) => strokesOf(keys)[0]!.key));
				for (const key of match === 'character' ? characters : [])
					for (const modifiers of PLANES) {
						const keys = keysOf([{ modifiers, key }]);
						const way = pressing({ modifiers, key }, desk);
						if (way.code === undefined || way.dead || way.altGr || !canHear({ modifiers, key }, match)) {
							if (!way.altGr) expect(made.has(keys), `${keys} is made`).to.equal(false);
							continue;
						}
						expect(made.has(keys), `${keys} is said to be made by ${way.code}`).to.equal(true);
					}
				for (const keys of [...allStrokes({ match }, desk as never), ...office.goodStrokes]) {
					const [stroke] = strokesOf(keys);
					if (stroke!.key.length > 1 && !WRITING_CODES.has(stroke!.key)) continue;
					expect(made.has(keys), `${keys} is offered`).to.equal(true);
				}
			});
		});

describe('characters with Shift', () => {
	it('mean what the key types with it', () => {
		const at = (layout: 'de' | 'it') =>
			officeDesks(
				{ match: 'character', hardwired: [] },
				desksOf([{ id: 'A', desk: { platform: 'windows', board: 'full-iso', layout, mouse: 'right' } as never }])
			);
		// German: Shift with ß types ?; Italian: Shift with è types é (XKB, the layout files)
		expect(at('de').heardAs(parseKeys('Shift+ß'))).to.equal('?');
		expect(
			at('de')
				.troubles(parseKeys('Shift+ß'))
				.map((t) => t.kind)
		).to.deep.equal(['missing']);
		expect(at('it').heardAs(parseKeys('Shift+è'))).to.equal(keysOf([{ modifiers: ['Shift'], key: 'é' }]));
		expect(at('de').heardAs(parseKeys('Shift+Ä'))).to.equal(parseKeys('Shift+Ä'));
	});

	it('are not taken for the letter of the position with Alt, but on macOS', () => {
		const press = {
			code: 'Quote',
			key: 'ä',
			ctrlKey: false,
			altKey: true,
			shiftKey: false,
			metaKey: false,
			capsLock: false,
			altGraph: false
		};
		expect(hear(press, 'character').stroke).to.deep.equal({ modifiers: ['Alt'], key: 'ä' });
		expect(hear({ ...press, isMac: true }, 'character').stroke).to.deep.equal({ modifiers: ['Alt'], key: "'" });
	});

	it('of the magnifier are kept on every layout by the key that types +', () => {
		// Microsoft Support, Keyboard shortcuts in Windows (from memory): the Windows key with plus
		expect(reservedOn('windows', parseKeys('Meta+Equal'), 'us')?.does).to.include('magnifier');
		expect(reservedOn('windows', parseKeys('Meta+='), 'us')?.does).to.include('magnifier');
		expect(reservedOn('windows', parseKeys('Meta+Equal'), 'fr')?.does).to.include('magnifier');
		expect(reservedOn('windows', parseKeys('Meta+BracketRight'), 'de')?.does).to.include('magnifier');
		expect(reservedOn('windows', parseKeys('Meta+BracketRight'), 'us')).to.equal(undefined);
	});
});

describe('the time of the mouse’s buttons', () => {
	it('is 2 B for a click, 4 B for a double click, and that of holding for a hold', () => {
		// keystroke-level model: B is a button pressed or let go, 0.1 s (Kieras 1993, from memory)
		const office = officeDesks({ match: 'character', hardwired: [] }, []);
		const seconds = (text: string) => office.reach(parseKeys(text))!.seconds;
		expect(seconds('RightClick')).to.be.closeTo(0.2, 1e-9);
		expect(seconds('LeftDoubleClick')).to.be.closeTo(0.4, 1e-9);
		expect(seconds('RightHold')).to.be.greaterThan(0.6);
	});
});
