/** Hands a file to the browser to be saved. */
export function save(name: string, content: string | Uint8Array, type = 'text/plain'): void {
	const link = document.createElement('a');
	const bytes = typeof content === 'string' ? content : (content.slice().buffer as ArrayBuffer);
	link.href = URL.createObjectURL(new Blob([bytes], { type }));
	link.download = name;
	link.click();
	setTimeout(() => URL.revokeObjectURL(link.href), 1000);
}
