import { expect } from 'chai';
import fc from 'fast-check';
import type { PlaceBox, Rect } from '../../../../core/surface/parts.ts';
import { SCREENS } from '../../../../core/surface/screens.ts';
import { roomOn, windowLayout, type ToolbarBox } from '../../../../core/surface/window.ts';

const frame = { title: 30, status: 28, givesWay: 'last' } as const;
const toolbar = fc.record({
	name: fc.constant('Bar'),
	icon: fc.constantFrom(16, 24, 32),
	text: fc.constantFrom('none', 'beside', 'below'),
	dock: fc.oneof(
		fc.record({ edge: fc.constantFrom('top', 'left', 'right', 'bottom'), row: fc.integer({ min: 0, max: 2 }) }),
		fc.record({
			edge: fc.constant('floating'),
			monitor: fc.constantFrom(1, 2),
			x: fc.integer({ min: 0, max: 900 }),
			y: fc.integer({ min: 0, max: 600 }),
			columns: fc.integer({ min: 1, max: 5 })
		})
	),
	places: fc.array(
		fc.record({
			kind: fc.constantFrom('button', 'button', 'separator', 'flyout'),
			label: fc.constantFrom('Cut', 'Door leaf', 'Sweep along a rail'),
			isLarge: fc.constant(false),
			shows: fc.constantFrom('both', 'icon', 'text')
		}),
		{ maxLength: 30 }
	)
});
const toolbars = fc
	.array(toolbar, { maxLength: 6 })
	.map((list) =>
		list.map((bar, b) => ({ ...bar, id: `b${b}`, places: bar.places.map((p, i) => ({ ...p, id: `b${b}.${i}` })) }) as ToolbarBox)
	);
const room = fc.record({ width: fc.integer({ min: 500, max: 2000 }), height: fc.integer({ min: 400, max: 1200 }) });
const apart = (a: Rect, b: Rect) =>
	a.x + a.width <= b.x || b.x + b.width <= a.x || a.y + a.height <= b.y || b.y + b.height <= a.y;

describe('the bars of a window', () => {
	it('never lie over each other or the canvas where they are docked, and each place is shown or in a drawer', () => {
		fc.assert(
			fc.property(toolbars, room, (bars, size) => {
				const layout = windowLayout({ menus: [], ribbons: [], toolbars: bars }, size, frame);
				const docked = layout.toolbars.filter(({ bar }) => bar.dock.edge !== 'floating' && bar.places.length > 0);
				docked.forEach(({ rect, places, bar }, i) => {
					for (const other of docked.slice(i + 1)) expect(apart(rect, other.rect), `${bar.id} ${other.bar.id}`).to.equal(true);
					if (layout.canvas.width > 0 && layout.canvas.height > 0) expect(apart(rect, layout.canvas)).to.equal(true);
					places.forEach(({ rect: a }, k) => {
						for (const { rect: b } of places.slice(k + 1)) expect(apart(a, b)).to.equal(true);
					});
				});
				for (const { bar, places, drawer } of layout.toolbars) {
					const shown = [...places.map((p) => p.place), ...drawer].filter((p: PlaceBox) => p.kind !== 'separator');
					expect(shown.map((p) => p.id).sort()).to.deep.equal(
						bar.places
							.filter((p) => p.kind !== 'separator')
							.map((p) => p.id)
							.sort()
					);
				}
				expect(layout.share).to.be.within(0, 1);
			})
		);
	});

	it('leave more canvas when one is taken away, and a floating one takes none', () => {
		fc.assert(
			fc.property(toolbars, room, (bars, size) => {
				const share = (list: readonly ToolbarBox[]) =>
					windowLayout({ menus: [], ribbons: [], toolbars: list }, size, frame).share;
				const all = share(bars);
				bars.forEach((bar, i) => {
					const without = share(bars.filter((_, k) => k !== i));
					if (bar.dock.edge === 'floating') expect(without).to.equal(all);
					else expect(without).to.be.at.least(all);
				});
			})
		);
	});

	it('have the room that the system gives them: less where it draws larger', () => {
		expect(roomOn({ width: 3840, height: 2160, scale: 2 })).to.deep.equal({ width: 1920, height: 1080 });
		expect(roomOn({ width: 1920, height: 1080, scale: 1.25 })).to.deep.equal({ width: 1536, height: 864 });
		const widths = SCREENS.map((screen) => roomOn(screen).width);
		expect(Math.min(...widths)).to.equal(widths[0]);
	});

	it('take the height of menus and ribbon from the canvas', () => {
		const size = { width: 1280, height: 800 };
		const bare = windowLayout({ menus: [], ribbons: [], toolbars: [] }, size, frame);
		expect(bare.canvas).to.deep.equal({ x: 0, y: 30, width: 1280, height: 742 });
		const ribbon = { id: 'r', tabs: [], front: undefined };
		const full = windowLayout({ menus: [{ id: 'm', name: 'File' }], ribbons: [ribbon], toolbars: [] }, size, frame);
		expect(bare.canvas.height - full.canvas.height).to.equal(26 + 26 + 88);
	});
});
