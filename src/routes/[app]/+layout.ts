import { error } from '@sveltejs/kit';
import { ApiError, ask } from '$lib/state/api';
import { strataReadable } from '$lib/state/shapes';
import type { WorkspaceDocument } from '$lib/server/workspace-document';
import type { LayoutLoad } from './$types';

export const load: LayoutLoad = async ({ params, fetch }) => {
	try {
		const [document, { applications }] = await Promise.all([
			ask<WorkspaceDocument>(`/api/applications/${params.app}`, 'GET', undefined, fetch),
			ask<{ applications: { id: string; name: string; version: string }[] }>('/api/applications', 'GET', undefined, fetch)
		]);
		await strataReadable([document.released, ...document.strata]);
		return { document, applications };
	} catch (cause) {
		if (cause instanceof ApiError) error(cause.status || 503, cause.message);
		throw cause;
	}
};
