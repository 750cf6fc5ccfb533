import * as z from 'zod';

/** What an animal can hide in. */
export const ShelterKind = z.enum(['cave', 'shell', 'crevice', 'tangle', 'leaves', 'plants']);
export type ShelterKind = z.infer<typeof ShelterKind>;
