import { z } from 'zod';

/** What of an office changes without an edit, where a page need not read everything anew. */
export const ABOUT = ['program', 'proposals', 'setups', 'people'] as const;

const Change = z.object({
	application: z.string().optional(),
	revision: z.number().optional(),
	strata: z.array(z.string()).optional(),
	about: z.enum(ABOUT).optional()
});
/** Something that was written; without a revision and what it is about, it may be anything. */
export type Heard = z.infer<typeof Change>;

/** What hears of changes. */
interface Hearing {
	changed(heard: Heard): void;
	/** The server is there, perhaps again, or does not let this page listen any more. */
	reached(): void;
}

const CHANNEL = 'skarn-live';
/** Until a page that was refused asks again whether it may listen, in milliseconds. */
const AGAIN_AFTER = 15_000;

/**
 * Hears what other windows and programs change of an application and of the office, or with null of all applications. Of all windows
 * of a browser one listens and tells the others: browsers open few connections to a server. Until the returned function is called.
 */
export function hearChanges(application: string | null, hearing: Hearing): () => void {
	if (typeof EventSource === 'undefined') return () => undefined;
	const told = new BroadcastChannel(CHANNEL);
	let source: EventSource | undefined;
	let again: ReturnType<typeof setTimeout> | undefined;
	let letGo: (() => void) | undefined;
	let isOver = false;

	function take(data: unknown): void {
		if (data === 'reached') return hearing.reached();
		const { data: heard } = Change.safeParse(data);
		if (!heard) return;
		if (application === null || heard.application === undefined || heard.application === application) hearing.changed(heard);
	}
	told.onmessage = ({ data }: MessageEvent<Heard | 'reached'>) => take(data);

	function listen(): void {
		if (isOver) return;
		const pass = (data: unknown) => {
			take(data);
			told.postMessage(data);
		};
		const here = new EventSource('/api/live');
		source = here;
		here.onopen = () => pass('reached');
		here.onmessage = ({ data }: MessageEvent<string>) => pass(JSON.parse(data));
		// the browser connects again by itself, unless the answer was a refusal
		here.onerror = () => {
			if (here.readyState !== EventSource.CLOSED || isOver) return;
			pass('reached');
			again = setTimeout(listen, AGAIN_AFTER);
		};
	}

	// without locks, as on a plain address of another machine, each window listens for itself
	const { locks } = navigator as { locks?: LockManager };
	if (locks)
		void locks
			.request(CHANNEL, () => {
				listen();
				return new Promise<void>((done) => (isOver ? done() : (letGo = done)));
			})
			.catch(() => undefined);
	else listen();

	return () => {
		isOver = true;
		clearTimeout(again);
		source?.close();
		told.close();
		letGo?.();
	};
}
