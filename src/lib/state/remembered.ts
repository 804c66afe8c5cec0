import type { z } from 'zod';

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

/** Keeps nothing under the key any more. */
export function forget(key: string): void {
	try {
		localStorage.removeItem(`skarn-${key}`);
	} catch {
		// nothing was kept
	}
}

/** The keys that begin so and under which something is kept. */
export function rememberedKeys(prefix: string): string[] {
	try {
		const all = Array.from({ length: localStorage.length }, (_, i) => localStorage.key(i) ?? '');
		return all.flatMap((key) => (key.startsWith(`skarn-${prefix}`) ? [key.slice('skarn-'.length)] : []));
	} catch {
		return [];
	}
}

/** What was kept as JSON; undefined where there is nothing, or nothing of that form. */
export function rememberedAs<T>(key: string, schema: z.ZodType<T>): T | undefined {
	try {
		return schema.parse(JSON.parse(remembered(key) ?? ''));
	} catch {
		return undefined;
	}
}

/** A list that was kept; empty where there is none, or none of that form. */
export const rememberedList = <T>(key: string, schema: z.ZodType<T[]>): readonly T[] => rememberedAs(key, schema) ?? [];

/** Keeps a list; of an empty one nothing is kept. */
export function rememberList(key: string, list: readonly unknown[]): void {
	if (list.length > 0) remember(key, JSON.stringify(list));
	else forget(key);
}
