import { z } from 'zod';

export const sessionInput = z.strictObject({ passphrase: z.string().max(1024) });
