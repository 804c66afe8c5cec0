/** What the page says for a while. */
export interface Notice {
	readonly kind: 'done' | 'failed';
	readonly text: string;
}
