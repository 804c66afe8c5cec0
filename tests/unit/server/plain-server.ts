import { createServer } from 'node:http';
import { once } from 'node:events';
import { closeOffice, officeOf } from '../../../src/lib/server/office.ts';
import { answer } from '../page/inside.ts';

// The routes of the server at a port, as the environment of a service says, without the pages: for tests of what stands before them.
await officeOf();
const server = createServer((asked, said) => {
	void (async () => {
		const parts: Buffer[] = [];
		for await (const part of asked) parts.push(part as Buffer);
		const body = Buffer.concat(parts);
		const headers = Object.entries(asked.headers).flatMap(([name, value]) =>
			value === undefined ? [] : [[name, String(value)] as [string, string]]
		);
		const request = new Request(`http://${asked.headers.host}${asked.url}`, {
			method: asked.method ?? 'GET',
			headers,
			...(body.length > 0 && { body: new Uint8Array(body) })
		});
		const response = await answer(request, asked.socket.remoteAddress ?? 'unknown');
		said.writeHead(response.status, [...response.headers].flat());
		said.end(Buffer.from(await response.arrayBuffer()));
	})();
});
server.listen(Number(process.env['PORT']), process.env['HOST']);
await once(server, 'listening');
process.stdout.write('listens\n');
process.on('SIGTERM', () => {
	server.close();
	server.closeAllConnections();
	void closeOffice().then(() => process.exit(0));
});
