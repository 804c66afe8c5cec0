/** German letters as they are written without their dots (DIN 5007-2), and those that no mark can be taken off. */
const SPELLED: Readonly<Record<string, string>> = {
	ä: 'ae',
	ö: 'oe',
	ü: 'ue',
	ß: 'ss',
	æ: 'ae',
	ø: 'oe',
	å: 'aa',
	œ: 'oe',
	ł: 'l',
	đ: 'd'
};

/** A text as part of an id: lower-case letters and digits of ASCII, joined by hyphens; `x` for a text that has none of them. */
export const slug = (text: string, longest = 50): string =>
	text
		.normalize('NFC')
		.toLowerCase()
		.replaceAll(/[äöüßæøåœłđ]/g, (letter) => SPELLED[letter]!)
		.normalize('NFKD')
		.replaceAll(/\p{M}+/gu, '')
		.replaceAll(/[^a-z0-9]+/g, '-')
		.slice(0, longest)
		.replaceAll(/^-+|-+$/g, '') || 'x';

/** A slug that is not taken, with a number where it would be. */
export function freeSlug(text: string, isTaken: (id: string) => boolean, longest = 50): string {
	const stem = slug(text, longest);
	let id = stem;
	for (let n = 2; isTaken(id); n++) id = `${stem}-${n}`;
	return id;
}
