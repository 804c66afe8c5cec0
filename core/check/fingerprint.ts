/** A short text that differs where the texts differ: FNV-1a, 32 bits, as eight hexadecimal digits. */
export function fingerprint(text: string): string {
	let hash = 0x811c9dc5;
	for (let i = 0; i < text.length; i++) hash = Math.imul(hash ^ text.charCodeAt(i), 0x01000193);
	return (hash >>> 0).toString(16).padStart(8, '0');
}
