import { z } from 'zod';
import { Revision } from '../../../core/profile/edit.ts';
import { Role } from '../../../core/profile/role.ts';

/** What undo and redo ask for: against which revision, by whom. */
export const Step = z.strictObject({ base: Revision, role: Role });
