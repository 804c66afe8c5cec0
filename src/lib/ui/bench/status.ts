import type { ShortcutIndex } from '$core/answer/shortcut-index';
import { labelOf } from '../wording';
import type { BenchSession } from './session.svelte';

/** What the stand-in says in its bottom line of what it does and waits for. */
export function statusOf(session: BenchSession, index: ShortcutIndex): string {
	const { last } = session;
	if (session.waiting !== undefined) return `${session.waiting} Click or press Enter to continue, Escape to end.`;
	if (session.latest?.said !== undefined) return session.latest.said;
	if (session.pending.length > 0 && last) return `${last.keys} … waits for the next key`;
	if (last?.typed && !last.ran) return `${last.typed.text}: ${last.typed.trace.at(-1)}`;
	if (last?.ran) return `${labelOf(index, last.ran)} runs`;
	if (session.offered.length > 0) return 'Choose with the arrow keys and Enter; Escape cancels';
	if (last?.outcome?.kind === 'typed') return 'Text';
	if (last?.keys) return `${last.keys}: nothing here`;
	return session.note || 'Ready';
}
