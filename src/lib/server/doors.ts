import { BlockList, isIP } from 'node:net';
import type { RequestEvent } from '@sveltejs/kit';
import { grouped, isSame, plainCode, signs } from './codes.ts';
import { Problem } from './problem.ts';

/** What a proxy adds to a request that it hands on (RFC 7239, RFC 9110 7.6.3, and the usual names beside them). */
const FORWARDING = [
	...['forwarded', 'via', 'x-forwarded-for', 'x-forwarded-host', 'x-forwarded-proto', 'x-forwarded-port', 'x-forwarded-server'],
	...['x-real-ip', 'x-client-ip', 'cf-connecting-ip', 'true-client-ip']
];
/** The header with the code by which somebody elsewhere may open an office that has no accounts. */
export const CODE_HEADER = 'skarn-code';

const plain = (address: string): string => address.replace(/^::ffff:/i, '');
const isLoopback = (address: string): boolean => /^127\.|^::1$/.test(plain(address));

/** What the doors are told when a server starts; from the environment. */
export interface DoorSettings {
	/** Where the server listens. */
	readonly host?: string | undefined;
	/** The proxies that are believed, as addresses or networks (CIDR), with commas between them. */
	readonly proxies?: string | undefined;
	/** Where people open the office, for what is said in the log. */
	readonly address?: string | undefined;
	readonly say?: ((line: string) => void) | undefined;
}

/** The addresses and networks of a list. Throws `RangeError` for what is neither. */
function networks(text: string): BlockList {
	const list = new BlockList();
	for (const one of text.split(',').map((part) => part.trim())) {
		if (one === '') continue;
		const [address = '', bits] = one.split('/');
		const kind = isIP(address);
		const prefix = bits === undefined ? undefined : Number(bits);
		if (kind === 0 || (prefix !== undefined && !(Number.isInteger(prefix) && prefix >= 0 && prefix <= (kind === 4 ? 32 : 128))))
			throw new RangeError(`SKARN_PROXIES names “${one}”; expected addresses or networks such as 10.0.0.5 or 10.0.0.0/24.`);
		const family = kind === 4 ? 'ipv4' : 'ipv6';
		if (prefix === undefined) list.addAddress(address, family);
		else list.addSubnet(address, prefix, family);
	}
	return list;
}

/**
 * Where requests come from, and who may ask an office that has no accounts. That a request comes from a loopback address proves nothing by
 * itself: behind a proxy all of them do.
 */
export class Doors {
	readonly #proxies: BlockList;
	readonly #isBoundHere: boolean;
	/** Has 60 bits: it is not guessed, however often it is tried. */
	readonly #code = signs(12);
	readonly #address: string;
	readonly #say: (line: string) => void;
	#hasSaid = false;

	/** Throws `RangeError` for proxies that cannot be read. */
	constructor({ host = '127.0.0.1', proxies = '', address, say = console.warn }: DoorSettings) {
		this.#proxies = networks(proxies);
		this.#isBoundHere = isLoopback(host) || host === 'localhost';
		this.#address = address ?? 'its address';
		this.#say = say;
	}

	/** Whether an address is one of the proxies that are believed. */
	#isProxy(address: string): boolean {
		const kind = isIP(plain(address));
		return kind !== 0 && this.#proxies.check(plain(address), kind === 4 ? 'ipv4' : 'ipv6');
	}

	/**
	 * The address of who asks: of the line that the request came on, or what the believed proxies say of it, from right to left. What
	 * cannot be known is “unknown”, and is one address for all limits.
	 */
	addressOf(event: Pick<RequestEvent, 'request' | 'getClientAddress'>): string {
		const line = lineOf(event);
		if (!this.#isProxy(line)) return line;
		const said = (event.request.headers.get('x-forwarded-for') ?? '').split(',').map((one) => one.trim());
		const asker = said.findLast((one) => !this.#isProxy(one));
		return asker !== undefined && isIP(asker) !== 0 ? plain(asker) : line;
	}

	/** Whether the request came by TLS as far as is known: to a believed proxy, or to the server itself. */
	isSecure(event: Pick<RequestEvent, 'request' | 'getClientAddress' | 'url'>): boolean {
		if (event.url.protocol === 'https:') return true;
		return this.#isProxy(lineOf(event)) && event.request.headers.get('x-forwarded-proto') === 'https';
	}

	/** Whether a request can only come from this very machine: nobody else reaches the server, and no proxy has handed it on. */
	isHere(line: string, headers: { has(name: string): boolean }): boolean {
		return this.#isBoundHere && isLoopback(line) && !FORWARDING.some((name) => headers.has(name));
	}

	/** Whether who asks is here, or has the code. */
	mayEnter(event: Pick<RequestEvent, 'request' | 'getClientAddress'>): boolean {
		const { headers } = event.request;
		if (this.isHere(lineOf(event), headers)) return true;
		this.sayCode();
		const code = headers.get(CODE_HEADER);
		if (code === null) return false;
		return isSame(plainCode(code), this.#code);
	}

	/** Throws `Problem` 403 for who is not here and has not got the code. */
	refuseStranger(event: Pick<RequestEvent, 'request' | 'getClientAddress'>): void {
		if (!this.mayEnter(event))
			throw new Problem(
				403,
				'wants-code',
				'This office has no accounts yet. To open it from another computer, enter the code that the server printed in its terminal.'
			);
	}

	/** Tells the code to who runs the server, once. */
	sayCode(): void {
		if (this.#hasSaid) return;
		this.#hasSaid = true;
		this.#say(
			`\nNobody has signed in from another machine yet: there, open ${this.#address}/sign-in with the code ${grouped(this.#code)}\n`
		);
	}

	/** Whether others than this machine may reach the server. */
	get isReachable(): boolean {
		return !this.#isBoundHere;
	}
}

/** The address at the other end of the line. */
function lineOf(event: Pick<RequestEvent, 'getClientAddress'>): string {
	try {
		return event.getClientAddress();
	} catch {
		return 'unknown';
	}
}
