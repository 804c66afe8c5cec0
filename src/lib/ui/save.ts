import type { Notice } from '$lib/state/notice';

/** Hands a file to the browser to be saved. */
export function save(name: string, content: string | Uint8Array, type = 'text/plain'): void {
	const link = document.createElement('a');
	const bytes = typeof content === 'string' ? content : (content.slice().buffer as ArrayBuffer);
	link.href = URL.createObjectURL(new Blob([bytes], { type }));
	link.download = name;
	link.click();
	setTimeout(() => URL.revokeObjectURL(link.href), 1000);
}

/** Has the server write a file and gives it to the browser to keep; what the server refuses is told as a message. */
export async function download(at: { notice: Notice | undefined }, path: string): Promise<void> {
	let answer: Response;
	try {
		answer = await fetch(path);
	} catch {
		at.notice = { kind: 'failed', text: 'The server cannot be reached; nothing was downloaded. Try again later.' };
		return;
	}
	if (!answer.ok) {
		const { detail } = (await answer.json().catch(() => ({}))) as { detail?: string };
		at.notice = { kind: 'failed', text: detail ?? `Nothing was downloaded: the server answered ${answer.status}.` };
		return;
	}
	const [, name] = /filename="([^"]+)"/.exec(answer.headers.get('content-disposition') ?? '') ?? [];
	save(name ?? 'skarn-export', new Uint8Array(await answer.arrayBuffer()), answer.headers.get('content-type') ?? undefined);
}
