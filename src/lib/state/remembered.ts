/** What this browser kept under the key, null where there is nothing or nothing may be kept. */
export function remembered(key: string): string | null {
	try {
		return localStorage.getItem(`skarn-${key}`);
	} catch {
		return null;
	}
}

/** Keeps it in this browser, if that keeps anything. */
export function remember(key: string, value: string): void {
	try {
		localStorage.setItem(`skarn-${key}`, value);
	} catch {
		// a full or forbidden storage costs no more than the comfort
	}
}
