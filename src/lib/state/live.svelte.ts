import { z } from 'zod';

const Change = z.object({ application: z.string(), revision: z.number().optional(), strata: z.array(z.string()).optional() });
type Change = z.infer<typeof Change>;

/** What hears of changes. */
interface Hearing {
	/** Something has changed; without a revision, it may be anything. */
	changed(revision: number | undefined, strata: readonly string[] | undefined): void;
	/** The server is there, perhaps again. */
	reached(): void;
}

const CHANNEL = 'skarn-live';

/**
 * Hears what other windows and programs change. Of all windows of a browser one listens and tells the others: browsers open
 * few connections to a server. Until the returned function is called.
 */
export function hearChanges(application: string, hearing: Hearing): () => void {
	if (typeof EventSource === 'undefined') return () => undefined;
	const told = new BroadcastChannel(CHANNEL);
	let source: EventSource | undefined;
	let letGo: (() => void) | undefined;
	let isOver = false;

	function take(data: unknown): void {
		if (data === 'reached') return hearing.reached();
		const { data: change } = Change.safeParse(data);
		if (change?.application === application) hearing.changed(change.revision, change.strata);
	}
	told.onmessage = ({ data }: MessageEvent<Change | 'reached'>) => take(data);

	function listen(): void {
		if (isOver) return;
		const pass = (data: unknown) => {
			take(data);
			told.postMessage(data);
		};
		source = new EventSource('/api/live');
		source.onopen = () => pass('reached');
		source.onmessage = ({ data }: MessageEvent<string>) => pass(JSON.parse(data));
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
		source?.close();
		told.close();
		letGo?.();
	};
}
