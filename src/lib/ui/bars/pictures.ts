import type { ItemId } from '$core/chapters/bars/bar';
import { isPlace } from '$core/chapters/bars/boxes';
import type { BarTree } from '$core/chapters/bars/tree';
import type { Catalogue } from '$core/application/application';
import type { Rect } from '$core/surface/parts';
import { windowPicture, type Colours } from '$core/surface/picture';
import type { WindowLayout } from '$core/surface/window';

let symbols: Promise<ReadonlyMap<string, string>> | undefined;

/** The insides of the symbols of the shipped sprite, by id; asked for once, and again after a failure. */
export function loadSymbols(): Promise<ReadonlyMap<string, string>> {
	symbols ??= readSymbols().catch((error: unknown) => {
		symbols = undefined;
		throw error;
	});
	return symbols;
}

async function readSymbols(): Promise<ReadonlyMap<string, string>> {
	const sprite = await (await fetch('/command-icons.svg')).text();
	return new Map([...sprite.matchAll(/<symbol id="([^"]+)"[^>]*>(.*?)<\/symbol>/gs)].map(([, id, inside]) => [id!, inside!]));
}

/** The colours of the page as it is, light or dark. */
export function pageColours(): Colours {
	const style = getComputedStyle(document.documentElement);
	const colour = (name: string) => style.getPropertyValue(name).trim();
	return {
		ink: colour('--ink'),
		quiet: colour('--ink-3'),
		line: colour('--line-strong'),
		panel: colour('--panel'),
		ground: colour('--ground')
	};
}

/** Colours for paper, whatever the page has. */
export const PAPER: Colours = { ink: '#1d1d1b', quiet: '#5c5a52', line: '#a9a598', panel: '#ffffff', ground: '#ffffff' };

/** A layout as an SVG document, with the icons of the commands. */
export function pictureOf(
	layout: WindowLayout,
	tree: BarTree,
	catalogue: Catalogue,
	symbols: ReadonlyMap<string, string>,
	colours: Colours,
	part?: Rect
): string {
	return windowPicture(layout, {
		colours,
		...(part && { part }),
		iconOf(place) {
			const node = tree.byId.get(place as ItemId);
			if (!node || !isPlace(node) || node.item.command === undefined) return undefined;
			const name = node.item.icon ?? catalogue.get(node.item.command)?.icon;
			return symbols.get(name ?? 'point') ?? symbols.get('point');
		}
	});
}

/** The picture in px, twice as fine as the window, as a PNG. */
export async function pngOf(svg: string, { width, height }: { width: number; height: number }): Promise<Uint8Array> {
	const image = new Image();
	image.src = `data:image/svg+xml;charset=utf-8,${encodeURIComponent(svg)}`;
	await image.decode();
	const canvas = document.createElement('canvas');
	canvas.width = width * 2;
	canvas.height = height * 2;
	canvas.getContext('2d')!.drawImage(image, 0, 0, canvas.width, canvas.height);
	const blob = await new Promise<Blob | null>((done) => canvas.toBlob(done, 'image/png'));
	return new Uint8Array(await blob!.arrayBuffer());
}
