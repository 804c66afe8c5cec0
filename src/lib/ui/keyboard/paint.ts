import type { StratumKind } from '$core/strata/stratum';
import { SIGNS } from '../findings/severity';
import type { Look, Pip } from './look';

const STRATA: readonly StratumKind[] = ['factory', 'office', 'discipline', 'project', 'personal'];
const COLOURS = [
	'ink',
	'ink-2',
	'ink-3',
	'ground',
	'panel',
	'raised',
	'line-strong',
	'control',
	'garnet',
	'limonite',
	'limonite-wash',
	'epidote',
	'azurite',
	'azurite-wash',
	'fluorite',
	'fluorite-wash'
] as const;
type Colour = (typeof COLOURS)[number];

/** The colours of the page as they are now. */
export interface Theme {
	readonly colours: Readonly<Record<Colour, string>>;
	readonly strata: Readonly<Record<StratumKind, string>>;
	readonly font: string;
}

export function themeOf(element: Element): Theme {
	const style = getComputedStyle(element);
	const read = (name: string) => style.getPropertyValue(`--${name}`).trim();
	return {
		colours: Object.fromEntries(COLOURS.map((name) => [name, read(name)])) as Record<Colour, string>,
		strata: Object.fromEntries(STRATA.map((kind) => [kind, read(`s-${kind}`)])) as Record<StratumKind, string>,
		font: read('font')
	};
}

/** The sheet that is drawn on, in CSS pixels, with the pixels of the screen for each. */
export interface Sheet {
	readonly context: CanvasRenderingContext2D;
	readonly width: number;
	readonly height: number;
	readonly density: number;
	/** CSS pixels for a millimetre of the board. */
	readonly scale: number;
}

/** The one key that stands out: chosen, or under what is dragged. */
export interface Marks {
	readonly selected: string | undefined;
	readonly over: string | undefined;
}

interface Cap {
	readonly look: Look;
	readonly alpha: number;
	readonly x: number;
	readonly y: number;
	readonly width: number;
	readonly height: number;
}

/** Between two keys, in CSS pixels. */
const GAP = 3;
const RADIUS = 5;
const PIP_HEIGHT = 4.5;
const DIM = 0.32;

/** Draws all keys; what looks alike is drawn in one go, since each go takes longer than what it draws. */
export function paint(sheet: Sheet, looks: readonly Look[], marks: Marks, theme: Theme): void {
	const { context, scale, density } = sheet;
	context.setTransform(density, 0, 0, density, 0, 0);
	context.clearRect(0, 0, sheet.width, sheet.height);
	const caps = looks.map((look): Cap => {
		const { x, y, width, height } = look.key;
		return {
			look,
			alpha: look.isDim ? DIM : 1,
			x: x * scale + GAP / 2,
			y: y * scale + GAP / 2,
			width: width * scale - GAP,
			height: height * scale - GAP
		};
	});
	paintCaps(sheet, caps, marks, theme);
	for (const alpha of [1, DIM])
		paintPips(
			context,
			caps.filter((cap) => cap.alpha === alpha && cap.look.pips.length > 0),
			theme,
			alpha
		);
	paintTexts(context, caps, theme);
	context.globalAlpha = 1;
}

interface Style {
	readonly fill: Colour;
	readonly border: Colour;
	readonly isDashed: boolean;
	readonly thickness: number;
}

function styleOf({ key, isHeld, isTaken, isSilent, isWasted }: Look, { selected, over }: Marks): Style {
	if (key.code === over) return { fill: 'fluorite-wash', border: 'fluorite', isDashed: false, thickness: 2 };
	if (key.code === selected) return { fill: 'azurite-wash', border: 'azurite', isDashed: false, thickness: 2 };
	if (isHeld) return { fill: 'azurite-wash', border: 'azurite', isDashed: false, thickness: 1 };
	if (isSilent) return { fill: 'panel', border: 'line-strong', isDashed: false, thickness: 1 };
	const fill = isTaken ? 'raised' : 'ground';
	return { fill, border: isWasted ? 'limonite' : isTaken ? 'control' : 'line-strong', isDashed: !isTaken, thickness: 1 };
}

const SOLID: number[] = [];
const DASHED = [3, 3];

function paintCaps({ context, scale }: Sheet, caps: readonly Cap[], marks: Marks, { colours }: Theme): void {
	const alike = new Map<string, { readonly style: Style; readonly alpha: number; readonly outline: Path2D }>();
	for (const cap of caps) {
		const style = styleOf(cap.look, marks);
		const name = `${style.fill} ${style.border} ${style.isDashed} ${style.thickness} ${cap.alpha}`;
		let group = alike.get(name);
		if (!group) alike.set(name, (group = { style, alpha: cap.alpha, outline: new Path2D() }));
		outline(group.outline, cap, scale);
	}
	for (const { style, alpha, outline: path } of alike.values()) {
		context.globalAlpha = alpha;
		context.fillStyle = colours[style.fill];
		context.fill(path);
		context.setLineDash(style.isDashed ? DASHED : SOLID);
		context.lineWidth = style.thickness;
		context.strokeStyle = colours[style.border];
		context.stroke(path);
	}
	for (const cap of caps) {
		const { near, isWasted, key } = cap.look;
		if ((!near && !isWasted) || key.code === marks.selected || key.code === marks.over) continue;
		const path = new Path2D();
		outline(path, cap, scale);
		context.globalAlpha = near ? cap.alpha * near * 0.55 : cap.alpha;
		if (near) {
			context.fillStyle = colours.epidote;
			context.fill(path);
		} else hatch(context, cap, path, colours['limonite-wash']);
	}
}

/** Adds a key's outline. Half a pixel in, so that a thin border is one pixel wide. */
function outline(path: Path2D, { look, x, y, width, height }: Cap, scale: number): void {
	const { shoulder } = look.key;
	if (shoulder > 0) shouldered(path, x + 0.5, y + 0.5, width - 1, height - 1, shoulder * scale);
	else path.roundRect(x + 0.5, y + 0.5, width - 1, height - 1, RADIUS);
}

/** The tall Enter of ISO boards: its upper row reaches to the left. */
function shouldered(path: Path2D, x: number, y: number, width: number, height: number, shoulder: number): void {
	const upper = height * 0.48;
	const corners: [number, number][] = [
		[x - shoulder, y],
		[x + width, y],
		[x + width, y + height],
		[x, y + height],
		[x, y + upper],
		[x - shoulder, y + upper]
	];
	path.moveTo(x - shoulder + RADIUS, y);
	for (let i = 1; i <= corners.length; i++) {
		const [corner, next] = [corners[i % corners.length]!, corners[(i + 1) % corners.length]!];
		// the inner corner is sharp, as a key's is
		path.arcTo(...corner, ...next, i === 4 ? 0 : RADIUS);
	}
	path.closePath();
}

/** Slanting stripes within a key. */
function hatch(context: CanvasRenderingContext2D, { x, y, width, height }: Cap, outline: Path2D, colour: string): void {
	const stripes = new Path2D();
	for (let at = -height; at < width; at += 14) {
		stripes.moveTo(x + at, y + height);
		stripes.lineTo(x + at + height, y);
	}
	context.save();
	context.clip(outline);
	context.setLineDash(SOLID);
	context.strokeStyle = colour;
	context.lineWidth = 6;
	context.stroke(stripes);
	context.restore();
}

/** A stratum in its colour and hatch, a tie as two lines, two dots for a stroke that is kept, and a thin line for a free one. */
function paintPips(context: CanvasRenderingContext2D, caps: readonly Cap[], theme: Theme, alpha: number): void {
	const paths = new Map<Pip, Path2D>();
	const bands = new Path2D();
	for (const { look, x, y, width, height } of caps) {
		const inner = width - 10;
		const each = inner * 0.22;
		look.pips.forEach((pip, i) => {
			if (!pip) return;
			const left = x + 5 + ((i % 4) * (inner - each)) / 3;
			const top = y + height - (i < 4 ? 15 : 8.5);
			let path = paths.get(pip);
			if (!path) paths.set(pip, (path = new Path2D()));
			if (pip === 'free') path.rect(left, top + 1.8, each, 1);
			else if (pip === 'tied') {
				path.rect(left, top, each, 1.5);
				path.rect(left, top + 3, each, 1.5);
			} else if (pip === 'kept') {
				path.rect(left, top + 1, 2.5, 2.5);
				path.rect(left + each - 2.5, top + 1, 2.5, 2.5);
			} else path.rect(left, top, each, PIP_HEIGHT);
			if (pip === 'discipline') bands.rect(left, top + 1.8, each, 1.2);
		});
	}
	context.globalAlpha = alpha;
	for (const [pip, path] of paths) {
		context.fillStyle = fillOf(pip, theme);
		context.fill(path);
		const stripes = stripesOf(context, pip, theme);
		if (!stripes) continue;
		context.fillStyle = stripes;
		context.fill(path);
	}
	context.fillStyle = 'rgb(0 0 0 / 0.4)';
	context.fill(bands);
}

function fillOf(pip: Pip, { colours, strata }: Theme): string {
	switch (pip) {
		case 'free':
			return colours['line-strong'];
		case 'tied':
			return colours.garnet;
		case 'kept':
			return colours.limonite;
		default:
			return strata[pip];
	}
}

const patterns = new WeakMap<Theme, Map<Pip, CanvasPattern | null>>();

/** What lies over the colour of a stratum; null for none. */
function stripesOf(context: CanvasRenderingContext2D, pip: Pip, theme: Theme): CanvasPattern | null {
	let known = patterns.get(theme);
	if (!known) patterns.set(theme, (known = new Map()));
	let pattern = known.get(pip);
	if (pattern === undefined) known.set(pip, (pattern = makeStripes(context, pip)));
	return pattern;
}

function makeStripes(context: CanvasRenderingContext2D, pip: Pip): CanvasPattern | null {
	const stripes =
		pip === 'office'
			? { every: 5, thick: 1.5, colour: 'rgb(255 255 255 / 0.34)', isSlanting: true }
			: pip === 'project'
				? { every: 4, thick: 1.5, colour: 'rgb(255 255 255 / 0.34)', isSlanting: false }
				: pip === 'personal'
					? { every: 6, thick: 2, colour: 'rgb(0 0 0 / 0.42)', isSlanting: false }
					: undefined;
	if (!stripes) return null;
	const tile = document.createElement('canvas');
	tile.width = tile.height = stripes.every;
	const pen = tile.getContext('2d')!;
	pen.strokeStyle = pen.fillStyle = stripes.colour;
	pen.lineWidth = stripes.thick;
	if (!stripes.isSlanting) pen.fillRect(0, 0, stripes.thick, stripes.every);
	else
		for (const at of [-stripes.every, 0, stripes.every]) {
			pen.beginPath();
			pen.moveTo(at, stripes.every);
			pen.lineTo(at + stripes.every, 0);
			pen.stroke();
		}
	return context.createPattern(tile, 'repeat');
}

function paintTexts(context: CanvasRenderingContext2D, caps: readonly Cap[], { colours, font }: Theme): void {
	const write = (text: string, { alpha }: Cap, colour: string, x: number, y: number) => {
		if (text === '') return;
		context.globalAlpha = alpha;
		context.fillStyle = colour;
		context.fillText(text, x, y);
	};
	context.textBaseline = 'alphabetic';
	context.textAlign = 'left';
	context.font = `600 13px ${font}`;
	context.fontStretch = 'semi-condensed';
	for (const cap of caps)
		write(cap.look.legend, cap, cap.look.isSilent && !cap.look.isHeld ? colours['ink-3'] : colours.ink, cap.x + 6, cap.y + 14.5);
	context.font = `12px ${font}`;
	context.fontStretch = 'extra-condensed';
	for (const cap of caps)
		write(fitted(context, cap.look.command, cap.width - 6), cap, colours['ink-2'], cap.x + 4, cap.y + cap.height * 0.37 + 11);
	context.fontStretch = 'condensed';
	for (const cap of caps) write(cap.look.reach ?? '', cap, colours['ink-2'], cap.x + 5, cap.y + cap.height - 5);
	context.fontStretch = 'normal';
	context.textAlign = 'right';
	for (const cap of caps)
		if (cap.look.severity) {
			const { shape, tone } = SIGNS[cap.look.severity];
			write(shape, cap, colours[tone as Colour], cap.x + cap.width - 4, cap.y + 14);
		}
}

/** By text and width; cleared when a font has come that gives other widths. */
const cuts = new Map<string, string>();
const MOST_CUTS = 10_000;

export const forgetWidths = (): void => cuts.clear();

/** The text, shortened with an ellipsis to the room, in the font in hand. */
function fitted(context: CanvasRenderingContext2D, text: string, room: number): string {
	if (text === '') return text;
	const name = `${room.toFixed(1)} ${text}`;
	let cut = cuts.get(name);
	if (cut === undefined) {
		const whole = context.measureText(text).width;
		cut = text;
		if (whole > room) {
			let length = Math.floor((text.length * room) / whole) + 1;
			const shortened = () => `${text.slice(0, length).trimEnd()}…`;
			while (length > 1 && context.measureText(shortened()).width > room) length--;
			cut = shortened();
		}
		if (cuts.size >= MOST_CUTS) cuts.clear();
		cuts.set(name, cut);
	}
	return cut;
}
