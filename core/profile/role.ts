import { z } from 'zod';

export const Role = z.enum(['designer', 'steward', 'trainer']);
export type Role = z.infer<typeof Role>;
