import { z } from 'zod';

/**
 * What a record of a file can say. `note` is for people; `lock` forbids the layers above to change it; `skip` is read over
 * and kept.
 */
export const FIELDS = ['alias', 'command', 'note', 'keys', 'context', 'lock', 'skip'] as const;
export const Field = z.enum(FIELDS);
export type Field = z.infer<typeof Field>;
