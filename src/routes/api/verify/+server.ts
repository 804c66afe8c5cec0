import { verifyAll } from '$lib/server/office';
import { route } from '$lib/server/route';

/** What in the tables is otherwise than the edits say; an empty list if all is well. */
export const GET = route('keep', async (_, office) => ({ differing: await verifyAll(office) }));
