import { hashPassword } from 'better-auth/crypto';
import { eq } from 'drizzle-orm';
import { randomUUID } from 'node:crypto';
import type { Database } from '../db/open.ts';
import { credentials } from '../db/schema.ts';
import { Problem } from '../problem.ts';
import { PASSWORD } from './accounts.ts';

/** What writes a password for somebody; it is hashed before, outside of any transaction. Throws `Problem` 422 for a weak one. */
export async function passwordFor(
	person: { readonly id: string; readonly name: string },
	password: string
): Promise<(tx: Pick<Database, 'insert' | 'delete'>) => Promise<void>> {
	refuseWeak(password, person.name);
	const hash = await hashPassword(password);
	return async (tx) => {
		await tx.delete(credentials).where(eq(credentials.userId, person.id));
		await tx
			.insert(credentials)
			.values({ id: randomUUID(), userId: person.id, accountId: person.id, providerId: 'credential', password: hash });
	};
}

/** Passwords of eight signs and more that are tried first (OWASP ASVS 5.0, 6.2.4), from memory; more than these slow nobody down that is slowed down anyhow. */
const COMMON = new Set(
	`password password1 password12 password123 passw0rd p@ssw0rd p@ssword 12345678 123456789 1234567890 87654321 987654321
	11111111 00000000 88888888 12341234 11223344 123123123 123321123 qwertyui qwertyuiop qwerty123 qwertz123 1q2w3e4r 1q2w3e4r5t 1qaz2wsx
	qazwsxedc asdfghjkl asdfasdf zaq12wsx abcd1234 abc12345 a1b2c3d4 iloveyou sunshine princess football baseball superman
	batman123 trustno1 starwars whatever computer internet letmein1 welcome1 welcome123 changeme changeme1 administrator admin123 admin1234
	master123 dragon123 monkey123 michael1 jennifer jordan23 liverpool chocolate butterfly samsung1 passwort passwort1 hallo123 geheim123
	schatzi1 sommer2026 winter2026 summer2026 autumn2026 herbst2026 default1 testtest test1234 secret123 google123 hello123 qwerty12345`.split(
		/\s+/
	)
);

/** Throws `Problem` 422 for a password that is too short, too long, or made of the name. */
export function refuseWeak(password: string, name: string): void {
	const said = [...password].length;
	const refuse = (detail: string) => new Problem(422, 'not-sound', detail, { errors: [{ pointer: '/password', detail }] });
	if (said < PASSWORD.least) throw refuse(`A password has at least ${PASSWORD.least} characters; this one has ${said}.`);
	if (password.length > PASSWORD.most) throw refuse(`A password has at most ${PASSWORD.most} characters; this one has ${said}.`);
	if (COMMON.has(password.toLowerCase())) throw refuse('This password is too common. Use several words.');
	if (new Set(password.toLowerCase()).size < 4 || name.toLowerCase() === password.toLowerCase())
		throw refuse('This password is easy to guess. Do not use your name or repeated characters.');
}
