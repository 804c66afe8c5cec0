import { rectifyConfusion } from 'unicode-confusables';

/** The skeleton of a text (Unicode Technical Standard 39, section 4): texts that look alike have the same one. */
export const skeleton = (text: string): string =>
	rectifyConfusion(text.normalize('NFD').replace(/\p{DI}/gu, '')).normalize('NFD');

/** What two names have in common that look alike, in capitals or small letters. */
const looksOf = (name: string): string[] => [
	skeleton(name).toLowerCase(),
	skeleton(name.toLowerCase()),
	skeleton(name.toUpperCase())
];

/** Whether two names cannot be told apart by looking at them, capitals or not. */
export function looksLike(a: string, b: string): boolean {
	const others = looksOf(b);
	return looksOf(a).some((look, i) => look === others[i]);
}
