// Starts the built server; listens on loopback unless HOST says otherwise.
import { createServer } from 'node:http';
import { fileURLToPath } from 'node:url';
import { hostsFrom, refusalOf, refuse } from './front.mjs';

const { env } = process;
env.HOST ??= '127.0.0.1';
env.PORT ??= '5180';
env.SKARN_ADDRESS ??= `http://127.0.0.1:${env.PORT}`;
env.SKARN_PROGRAM ??= fileURLToPath(new URL('../bin/skarn.mjs', import.meta.url));
env.BODY_SIZE_LIMIT ??= '60M';

const port = Number(env.PORT);
if (!Number.isInteger(port) || port < 0 || port > 65_535) {
	console.error(`\nSkarn did not start.\nPORT is "${env.PORT}"; expected a number from 0 to 65535.\n`);
	process.exit(2);
}
const hosts = hostsFrom(env.SKARN_HOSTS);
const INSTANCE = /^[^?#]*/;
const FRONT = Symbol.for('skarn.front');

/** The first header of that name, without the trouble of making an object of all. */
function authorizationIn(rawHeaders) {
	for (let i = 0; i < rawHeaders.length; i += 2) {
		const name = rawHeaders[i];
		if (name.length === 13 && name.toLowerCase() === 'authorization') return rawHeaders[i + 1];
	}
	return undefined;
}

/** The names of the headers, in small letters. */
const namesIn = (rawHeaders) => new Set(rawHeaders.filter((_, i) => i % 2 === 0).map((name) => name.toLowerCase()));

/** What the application knows to answer seats that have signed in; undefined for what it is to be asked itself. */
function knownTo({ method, url, rawHeaders, socket }) {
	if (method !== 'GET') return undefined;
	const authorization = authorizationIn(rawHeaders);
	if (authorization === undefined) return undefined;
	return globalThis[FRONT]?.(url, authorization, socket.remoteAddress ?? 'unknown', () => namesIn(rawHeaders));
}

/** The application; it opens the data folder, and so begins once the port is ours. */
let application;
const server = createServer(
	// seats ask again within seconds, on the line that they have
	{ headersTimeout: 20_000, requestTimeout: 60_000, connectionsCheckingInterval: 5_000, keepAliveTimeout: 30_000 },
	(request, response) => {
		// the token proves more than where a request comes from
		const known = knownTo(request);
		if (!known) return void answer(request, response, known);
		// a seat is no browser: it neither keeps what it was answered nor guesses what it is. A text goes out with its head as one piece
		response.writeHead(200, ['content-type', 'application/json', 'content-length', String(Buffer.byteLength(known))]);
		response.end(known);
	}
);

/** `known` is null for what is known not to be there. */
async function answer(request, response, known) {
	response.setHeader('x-content-type-options', 'nosniff');
	const instance = INSTANCE.exec(request.url)[0];
	const refusal = refusalOf(request, hosts);
	if (refusal) {
		// what is not read would be taken for the next request
		response.setHeader('connection', 'close');
		refuse(response, refusal, instance);
		return;
	}
	if (known === null) {
		refuse(
			response,
			{ status: 404, kind: 'not-found', title: 'Not found', detail: 'Nothing newer is signed.' },
			instance
		);
		return;
	}
	const { handler } = await application;
	handler(request, response, () => {
		refuse(
			response,
			{ status: 404, kind: 'not-found', title: 'Not found', detail: 'Nothing lies at this address.' },
			instance
		);
	});
}
server.on('error', (error) => {
	const taken = `Port ${port} of ${env.HOST} is taken by another program. Stop it, or choose another port: PORT=${port + 1}`;
	console.error(`\nSkarn did not start.\n${error.code === 'EADDRINUSE' ? taken : error.message}\n`);
	process.exit(3);
});
// a wave of seats comes at once
server.listen({ port, host: env.HOST, backlog: 4096 }, () => {
	application = import('../build/handler.js');
	application.then(() => console.log(`Skarn listens on http://${env.HOST}:${port}`));
});

let stopping = false;
function stop(reason) {
	if (stopping) return;
	stopping = true;
	server.close(() => process.emit('sveltekit:shutdown', reason));
	server.closeIdleConnections();
	setTimeout(() => server.closeAllConnections(), 2_000).unref();
}
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => stop(signal));
