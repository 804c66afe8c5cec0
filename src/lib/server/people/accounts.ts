import { createHash } from 'node:crypto';
import { betterAuth } from 'better-auth';
import { drizzleAdapter } from 'better-auth/adapters/drizzle';
import type { Database } from '../db/open.ts';
import { credentials, people, sessions, verifications } from '../db/schema.ts';

/** Passwords have at least so many signs (OWASP ASVS 5.0, 6.2.1), and may have as many as this. */
export const PASSWORD = { least: 8, most: 128 } as const;

/** A session ends after a week; one that is used is prolonged once an hour. */
const WEEK = 7 * 24 * 3600;
const HOUR = 3600;

/** In which header better-auth is told where somebody asks from; set by the server itself, whatever the request says. */
export const ASKER = 'x-skarn-asker';

/** What better-auth knows a person by: people sign in with their names, and it wants an address. */
export const addressOf = (name: string): string =>
	`${createHash('sha256').update(name.trim().normalize('NFC').toLocaleLowerCase('en')).digest('hex').slice(0, 32)}@desk.invalid`;

/** better-auth over the office's own tables. */
export function accountsOn(db: Database, secret: string, address: string | undefined) {
	return betterAuth({
		secret,
		baseURL: address ?? 'http://127.0.0.1',
		database: drizzleAdapter(db, {
			provider: 'pg',
			schema: { user: people, session: sessions, account: credentials, verification: verifications }
		}),
		emailAndPassword: { enabled: true, disableSignUp: true, minPasswordLength: PASSWORD.least, maxPasswordLength: PASSWORD.most },
		user: { additionalFields: { role: { type: 'string', required: true, input: false } } },
		session: { expiresIn: WEEK, updateAge: HOUR },
		advanced: { cookiePrefix: 'skarn', ipAddress: { ipAddressHeaders: [ASKER] } },
		telemetry: { enabled: false },
		logger: { level: 'error' }
	});
}
export type Accounts = ReturnType<typeof accountsOn>;
