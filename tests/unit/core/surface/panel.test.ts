import { expect } from 'chai';
import fc from 'fast-check';
import { PANEL, panelLayout } from '../../../../core/surface/panel.ts';
import type { PlaceBox } from '../../../../core/surface/parts.ts';
import { textWidth } from '../../../../core/surface/text-width.ts';

const places = fc
	.array(fc.constantFrom('button', 'button', 'flyout', 'separator'), { maxLength: 40 })
	.map((kinds) =>
		kinds.map(
			(kind, i) =>
				({ id: `p${i}`, kind, label: kind === 'separator' ? '' : `Place ${i}`, isLarge: false, shows: 'both' }) as PlaceBox
		)
	);
const corner = fc.record({ x: fc.integer({ min: -200, max: 3000 }), y: fc.integer({ min: -200, max: 3000 }) });

describe('what opens over a window', () => {
	it('holds its places one below the other, and lies within the window as long as it is not larger', () => {
		fc.assert(
			fc.property(places, corner, (list, at) => {
				const room = { width: 1280, height: 800 };
				const { rect, places: laid } = panelLayout(list, at, room);
				expect(laid.map(({ place }) => place.id)).to.deep.equal(list.map(({ id }) => id));
				let y = rect.y + PANEL.pad;
				for (const { rect: own } of laid) {
					expect(own.y).to.equal(y);
					expect(own.x).to.be.within(rect.x, rect.x + rect.width - own.width);
					y += own.height;
				}
				expect(y).to.be.at.most(rect.y + rect.height);
				expect(rect.x).to.be.at.least(0);
				expect(rect.y).to.be.at.least(0);
				expect(rect.x + rect.width).to.be.at.most(room.width);
				if (rect.height <= room.height) expect(rect.y + rect.height).to.be.at.most(room.height);
			})
		);
	});

	it('is as wide as its longest name needs', () => {
		const label = 'Fillet with a varying radius along the hanger arm';
		const list = [{ id: 'a', kind: 'button', label, isLarge: false, shows: 'both' }] as PlaceBox[];
		expect(panelLayout(list, { x: 0, y: 0 }, { width: 1280, height: 800 }).rect.width).to.be.at.least(
			textWidth(label, 12) + PANEL.icon
		);
	});
});
