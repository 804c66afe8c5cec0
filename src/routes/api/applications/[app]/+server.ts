import { route } from '$lib/server/route';
import { workspaceDocument } from '$lib/server/workspace-document';

export const GET = route(async ({ params }, office) => workspaceDocument(office, params.app!));
