import { z } from 'zod';
import { Role } from '../../../core/profile/role.ts';

/** What undo and redo ask for: against which revision, by whom. */
export const Step = z.strictObject({ base: z.number().int().min(0), role: Role });
