import { escapeXml } from '../text/escape-xml.ts';
import { hasIcon, hasText, SIZES, type GroupForm, type PlaceBox, type Rect } from './parts.ts';
import { textWidth, twoLines } from './text-width.ts';
import type { WindowLayout } from './window.ts';

/** The colours of a picture, as CSS writes them. */
export interface Colours {
	readonly ink: string;
	readonly quiet: string;
	readonly line: string;
	readonly panel: string;
	readonly ground: string;
}

export interface PictureOptions {
	readonly colours: Colours;
	/** What is drawn for a place within 24 by 24 units, as the inside of an SVG symbol; undefined for none. */
	iconOf(place: string): string | undefined;
	/** The part of the window that is shown, in px from its upper left corner; all of it when left out. */
	readonly part?: Rect;
}

const FONT = 'Archivo, sans-serif';

/** A window with its bars as an SVG document, by the rectangles of its layout: for handbooks, and to look at before a change. */
export function windowPicture(layout: WindowLayout, { colours, iconOf, part }: PictureOptions): string {
	const { ink, quiet, line, panel, ground } = colours;
	const shown = part ?? { x: 0, y: 0, width: layout.width, height: layout.height };
	const rect = ({ x, y, width, height }: Rect, fill: string, stroke = 'none') =>
		`<rect x="${x}" y="${y}" width="${width}" height="${height}" fill="${fill}" stroke="${stroke}"/>`;
	const text = (said: string, x: number, y: number, colour: string, anchor = 'start', size: number = SIZES.text) =>
		`<text x="${x}" y="${y}" fill="${colour}" font-size="${size}" text-anchor="${anchor}">${escapeXml(said)}</text>`;
	const icon = (id: string, x: number, y: number, size: number) => {
		const inside = iconOf(id);
		if (inside === undefined) return '';
		return `<g transform="translate(${x} ${y}) scale(${size / 24})" fill="none" stroke="${ink}" stroke-width="1.7" stroke-linecap="round" stroke-linejoin="round">${inside}</g>`;
	};

	function place(box: PlaceBox, at: Rect, form: GroupForm | undefined, names: 'none' | 'beside' | 'below', size: number): string {
		const middle = at.x + at.width / 2;
		if (box.kind === 'separator') return `<path d="M${middle} ${at.y + at.height * 0.15}v${at.height * 0.7}" stroke="${line}"/>`;
		const isNamed = !hasIcon(box) || (hasText(box) && (form ? form !== 'icons' : names !== 'none'));
		const label = box.kind === 'flyout' ? `${box.label} ▾` : box.label;
		if ((form !== undefined && at.height > SIZES.small.height) || names === 'below') {
			const own = form ? SIZES.large.icon : size;
			const top = at.y + (form ? 6 : 4);
			const lines = isNamed ? twoLines(label, SIZES.text) : [];
			return [
				hasIcon(box) ? icon(box.id, middle - own / 2, top, own) : '',
				...lines.map((one, i) => text(one, middle, top + own + 13 + i * 13, ink, 'middle'))
			].join('');
		}
		const own = hasIcon(box) ? size : 0;
		const baseline = at.y + at.height / 2 + 4;
		const start = isNamed ? at.x + 5 : middle - own / 2;
		return [
			own > 0 ? icon(box.id, start, at.y + (at.height - own) / 2, own) : '',
			isNamed ? text(label, start + own + (own > 0 ? 4 : 0), baseline, ink) : ''
		].join('');
	}

	const ribbons = layout.ribbons.map(({ rect: strip, tabs, strip: laid, front }) =>
		[
			rect(strip, panel),
			...tabs
				.filter((tab) => !tab.isOff)
				.map(({ tab, rect: own }) =>
					[
						text(tab.name, own.x + own.width / 2, own.y + 17, tab.id === front?.id ? ink : quiet, 'middle', 13),
						tab.id === front?.id ? rect({ ...own, y: own.y + own.height - 3, height: 3 }, ink) : ''
					].join('')
				),
			...(laid?.groups ?? []).map(({ group, form, rect: own }) =>
				[
					`<path d="M${own.x + own.width} ${own.y}v${own.height}" stroke="${line}"/>`,
					text(
						group.name,
						own.x + own.width / 2,
						own.y + own.height - 4,
						quiet,
						'middle',
						Math.min(12, (12 * own.width) / Math.max(1, textWidth(group.name, 12)))
					),
					form === 'folded' ? text('▾', own.x + own.width / 2, own.y + 40, ink, 'middle') : ''
				].join('')
			),
			...(laid?.places ?? []).map(({ place: box, rect: own, form }) => place(box, own, form, 'beside', 16))
		].join('')
	);
	const toolbars = layout.toolbars
		.filter((bar) => !bar.isElsewhere)
		.map(({ bar, rect: own, places, drawer }) =>
			[
				rect(own, panel, line),
				...places.map(({ place: box, rect: at }) => place(box, at, undefined, bar.text, bar.icon)),
				drawer.length > 0 ? text(`+${drawer.length}`, own.x + own.width - 2, own.y + own.height - 4, ink, 'end', 11) : ''
			].join('')
		);
	const share = `${(layout.share * 100).toFixed(1)} %`;
	const { canvas } = layout;
	return [
		`<svg xmlns="http://www.w3.org/2000/svg" width="${shown.width}" height="${shown.height}" viewBox="${shown.x} ${shown.y} ${shown.width} ${shown.height}" font-family="${FONT}">`,
		rect({ x: 0, y: 0, width: layout.width, height: layout.height }, ground, line),
		layout.menus ? rect(layout.menus, panel) : '',
		...layout.titles.map(({ place: box, rect: own }) => text(box.label, own.x + 9, own.y + 17, ink)),
		...ribbons,
		part ? '' : text(share, canvas.x + canvas.width / 2, canvas.y + canvas.height / 2, quiet, 'middle', 40),
		...toolbars,
		'</svg>'
	].join('\n');
}
