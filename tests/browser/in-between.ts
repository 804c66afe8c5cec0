import { once } from 'node:events';
import { createServer, request } from 'node:http';

/** Something between a seat and its office that can change what goes through. */
export interface InBetween {
	readonly address: string;
	/** Changes what the office answers to a path, where it gives a text. */
	change: ((path: string, text: string) => string | undefined) | undefined;
	close(): void;
}

/** Listens on loopback and passes everything on, byte for byte unless it is told otherwise. */
export async function inBetween(office: string): Promise<InBetween> {
	const { hostname, port } = new URL(office);
	const between: { change: InBetween['change'] } = { change: undefined };
	const server = createServer((asked, answered) => {
		const { method, url, headers } = asked;
		const on = request({ hostname, port, method, path: url, headers }, (answer) => {
			const parts: Buffer[] = [];
			answer.on('data', (part: Buffer) => parts.push(part));
			answer.on('end', () => {
				const bytes = Buffer.concat(parts);
				const changed = between.change?.(url ?? '', bytes.toString('utf8'));
				const { 'content-length': _, ...rest } = answer.headers;
				answered.writeHead(answer.statusCode ?? 500, changed === undefined ? answer.headers : rest);
				answered.end(changed ?? bytes);
			});
		});
		on.on('error', () => answered.destroy());
		asked.pipe(on);
	}).listen(0, '127.0.0.1');
	await once(server, 'listening');
	const address = `http://127.0.0.1:${(server.address() as { port: number }).port}`;
	return Object.assign(between, {
		address,
		close: () => {
			server.closeAllConnections();
			server.close();
		}
	});
}
