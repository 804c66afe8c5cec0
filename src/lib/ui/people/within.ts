/** Where to go after signing in: a path of this server, never another one's. */
export function within(to: string | null): string {
	if (!to?.startsWith('/')) return '/';
	try {
		const { origin, pathname, search } = new URL(to, 'http://here.invalid');
		return origin === 'http://here.invalid' ? pathname + search : '/';
	} catch {
		return '/';
	}
}
