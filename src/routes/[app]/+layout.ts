import { error } from '@sveltejs/kit';
import { ApiError, ask } from '$lib/state/api';
import { remembered } from '$lib/state/remembered';
import { setupKey } from '$lib/state/setups.svelte';
import { strataReadable } from '$lib/state/shapes';
import { orSignIn, signedInFor } from '$lib/state/signed-out';
import type { WorkspaceDocument } from '$lib/server/workspace-document';
import type { LayoutLoad } from './$types';

export const load: LayoutLoad = async ({ params, fetch, url, depends, untrack }) => {
	depends('skarn:setup');
	const setup = remembered(setupKey(params.app));
	const here = untrack(() => new URL(url));
	try {
		await signedInFor(here, fetch);
		const [document, { applications }] = await Promise.all([
			ask<WorkspaceDocument>(
				`/api/applications/${params.app}${setup === null ? '' : `?setup=${encodeURIComponent(setup)}`}`,
				'GET',
				undefined,
				fetch
			),
			ask<{ applications: { id: string; name: string; version: string }[] }>('/api/applications', 'GET', undefined, fetch)
		]);
		await strataReadable([document.released, ...document.strata]);
		return { document, applications };
	} catch (caught) {
		const cause = orSignIn(caught, here);
		if (cause instanceof ApiError) error(cause.status || 503, cause.message);
		throw cause;
	}
};
