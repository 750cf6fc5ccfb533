import * as z from 'zod';

/** Whose law a room lies under, as far as lists of barred kinds are known; `other` where none of these holds. */
export const Jurisdiction = z.enum(['eu', 'gb', 'us', 'au', 'nz', 'other']);
export type Jurisdiction = z.infer<typeof Jurisdiction>;

export const JURISDICTION_WORD: Readonly<Record<Jurisdiction, string>> = {
  eu: 'the European Union',
  gb: 'Great Britain',
  us: 'the United States',
  au: 'Australia',
  nz: 'New Zealand',
  other: 'another country',
};

/** What the law bars: to keep it at all, to sell or get it, or to carry it over a border. */
export const Barred = z.strictObject({
  where: Jurisdiction.exclude(['other']),
  what: z.enum(['keeping', 'sale', 'transport']),
  /** Year from which it holds. */
  since: z.number().int().min(1900).max(2100),
});
export type Barred = z.infer<typeof Barred>;
