declare module 'unicode-confusables' {
	/** The text with each sign replaced by the one that it is confused with (confusables.txt of Unicode). */
	export function rectifyConfusion(text: string): string;
}
