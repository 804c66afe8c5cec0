import { escapeXml } from '../../text/escape-xml.ts';
import { SaxesParser } from 'saxes';
import { z } from 'zod';

/** The largest icon that is kept, in bytes of its file, and the greatest side of a PNG in pixels. */
export const ICON_BYTES = 32_000;
export const ICON_SIDE = 256;

const SVG = 'data:image/svg+xml;base64,';
const PNG = 'data:image/png;base64,';

/** What a picture for an icon may be made of: drawing, nothing that runs, links or loads. */
const ELEMENTS = new Set(
	'svg g path rect circle ellipse line polyline polygon title desc defs linearGradient radialGradient stop clipPath'.split(' ')
);
const ATTRIBUTES = new Set(
	(
		'id viewBox width height x y x1 y1 x2 y2 cx cy r rx ry d points transform fill fill-rule fill-opacity stroke stroke-width ' +
		'stroke-linecap stroke-linejoin stroke-miterlimit stroke-dasharray stroke-opacity opacity offset stop-color stop-opacity ' +
		'gradientUnits gradientTransform clip-path clip-rule clipPathUnits preserveAspectRatio version xmlns'
	).split(' ')
);
/** A value may point to a place within the picture, and to nothing else. */
const VALUE =
	/^(?!.*(?:javascript|data|https?):)(?:[^()]*|(?:[^()]|(?:matrix|translate|scale|rotate|skewX|skewY|rgba?|hsla?)\([^()]*\)|url\(#[\w-]+\))*)$/i;

/** A picture that cannot be an icon; the message says why. */
export class IconError extends Error {
	override name = 'IconError';
}

/**
 * An SVG picture with nothing left in it that runs, links or loads; `dropped` names what went. Throws `IconError` for text
 * that is no well-formed SVG or declares a document type.
 */
export function cleanSvg(text: string): { svg: string; dropped: string[] } {
	const dropped = new Set<string>();
	const parser = new SaxesParser();
	let out = '';
	/** How deep we stand inside an element that is left out; 0 outside. */
	let hidden = 0;
	let isOpen = false;
	parser.on('doctype', () => {
		throw new IconError('the picture declares a document type, which may hide entities; save it without one');
	});
	parser.on('error', (error) => {
		throw new IconError(`the picture is not well-formed: ${error.message}`);
	});
	parser.on('opentag', ({ name, attributes }) => {
		if (!isOpen && name !== 'svg') throw new IconError(`the picture begins with <${name}>; an SVG begins with <svg>`);
		isOpen = true;
		if (hidden > 0 || !ELEMENTS.has(name)) {
			if (hidden === 0) dropped.add(`<${name}>`);
			hidden++;
			return;
		}
		const kept = Object.entries(attributes as Record<string, string>).filter(([attribute, value]) => {
			const isKept =
				attribute === 'xmlns' ? value === 'http://www.w3.org/2000/svg' : ATTRIBUTES.has(attribute) && VALUE.test(value);
			if (!isKept) dropped.add(attribute);
			return isKept;
		});
		out += `<${name}${kept.map(([attribute, value]) => ` ${attribute}="${escapeXml(value)}"`).join('')}>`;
	});
	parser.on('closetag', ({ name }) => {
		if (hidden > 0) hidden--;
		else out += `</${name}>`;
	});
	parser.on('text', (said) => {
		if (hidden === 0 && isOpen && said.trim() !== '') out += escapeXml(said);
	});
	parser.write(text).close();
	if (!isOpen) throw new IconError('the file holds no picture');
	if (!out.startsWith('<svg') || !/^<svg[^>]* xmlns="/.test(out))
		out = out.replace('<svg', '<svg xmlns="http://www.w3.org/2000/svg"');
	return { svg: out, dropped: [...dropped] };
}

const bytesOf = (base64: string): Uint8Array => Uint8Array.from(atob(base64), (sign) => sign.charCodeAt(0));

function base64Of(bytes: Uint8Array): string {
	let binary = '';
	for (const byte of bytes) binary += String.fromCharCode(byte);
	return btoa(binary);
}

const SIGNATURE = [0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a];

/** Width and height from the IHDR chunk (PNG, ISO/IEC 15948:2004, 5.2 and 11.2.2). Throws `IconError`. */
function pngSize(bytes: Uint8Array): { width: number; height: number } {
	if (bytes.length < 33 || SIGNATURE.some((byte, i) => bytes[i] !== byte)) throw new IconError('the file is not a PNG picture');
	const view = new DataView(bytes.buffer, bytes.byteOffset);
	if (view.getUint32(12) !== 0x49484452) throw new IconError('the PNG does not begin with its header');
	return { width: view.getUint32(16), height: view.getUint32(20) };
}

/** An icon of an SVG or PNG file, cleaned; `dropped` names what went. Throws `IconError`. */
export function iconOf(bytes: Uint8Array): { icon: string; dropped: string[] } {
	if (bytes.length > ICON_BYTES) throw new IconError(`the picture has ${bytes.length} bytes; an icon may have ${ICON_BYTES}`);
	if (bytes[0] === SIGNATURE[0]) {
		const { width, height } = pngSize(bytes);
		if (width === 0 || height === 0 || width > ICON_SIDE || height > ICON_SIDE)
			throw new IconError(`the picture is ${width} x ${height} pixels; an icon may be ${ICON_SIDE} x ${ICON_SIDE}`);
		return { icon: PNG + base64Of(bytes), dropped: [] };
	}
	let text: string;
	try {
		text = new TextDecoder('utf-8', { fatal: true }).decode(bytes);
	} catch {
		throw new IconError('the file is neither an SVG nor a PNG picture');
	}
	const { svg, dropped } = cleanSvg(text.replace(/^\uFEFF/, ''));
	return { icon: SVG + base64Of(new TextEncoder().encode(svg)), dropped };
}

/** The name of a shipped icon, or a picture as a data URL that `iconOf` would keep as it is. */
export const MacroIcon = z
	.string()
	.max(ICON_BYTES * 2)
	.check((ctx) => {
		const { value } = ctx;
		if (/^[a-z0-9-]{0,60}$/.test(value)) return;
		try {
			const [head] = [SVG, PNG].filter((start) => value.startsWith(start));
			if (!head) throw new IconError('an icon is the name of a shipped one, or an SVG or PNG picture as a data URL');
			const { icon } = iconOf(bytesOf(value.slice(head.length)));
			if (icon !== value) throw new IconError('the picture holds what an icon may not: scripts, links or other files');
		} catch (error) {
			const message = error instanceof IconError ? error.message : 'the picture is not spelled in Base64';
			ctx.issues.push({ code: 'custom', input: value, message });
		}
	})
	.default('');

/** Whether the icon is a picture of its own, and not the name of a shipped one. */
export const isPicture = (icon: string): boolean => icon.startsWith('data:');
