/** Names under which the server may be asked, beside the loopback ones. */
export function hostsFrom(text?: string): string[];
export function refusalOf(
	request: { method: string; url: string; headers: Record<string, string | string[] | undefined> },
	hosts: readonly string[]
): { status: number; kind: string; title: string; detail: string } | undefined;
